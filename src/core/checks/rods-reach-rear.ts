import type { Check } from './check';
import { reach } from './rods-reach';

export const rodsReachRear: Check = {
  id: 'rods.reach-rear',
  title: 'Rods long enough behind',
  short: 'rods too short behind',
  run: (built) => reach(built, 'behind'),
};
