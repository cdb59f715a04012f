import type { Check } from '../../../checks/check';
import { reach } from '../model/judge-reach';

export const rodsReachFront: Check = {
  id: 'rods.reach-front',
  title: 'Rods long enough ahead',
  short: 'rods too short',
  says: 'Whether the rods reach under the farthest thing that is clamped to them ahead of the plate, and the shortest stock length that does.',
  formula: 'tip of the rods - rear edge of the farthest clamp - rod that a clamp must hold',
  run: (built) => reach(built, 'ahead'),
};
