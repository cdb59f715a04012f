import type { Check } from './check';
import { reach } from './rods-reach';

export const rodsReachFront: Check = {
  id: 'rods.reach-front',
  title: 'Rods long enough ahead',
  short: 'rods too short',
  run: (built) => reach(built, 'ahead'),
};
