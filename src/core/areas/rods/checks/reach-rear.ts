import type { Check } from '../../../checks/check';
import { reach } from '../model/judge-reach';

export const rodsReachRear: Check = {
  id: 'rods.reach-rear',
  title: 'Rods long enough behind',
  short: 'rods too short behind',
  says: 'Whether the rods reach back to the farthest thing that is clamped to them behind the plate, and the shortest stock length that does.',
  formula: 'front edge of the farthest clamp - rear end of the rods - rod that a clamp must hold',
  run: (built) => reach(built, 'behind'),
};
