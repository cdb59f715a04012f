import type { Check } from '../../../checks/check';
import { carriersOf } from '../model/carriers';
import { bears } from './bears';

export const carryLegs: Check = {
  id: 'carry.legs',
  title: 'What legs, vest and mounts must bear',
  short: 'too heavy for legs',
  says: 'Whether legs, a monopod, a vest, a strap or a vehicle mount bear all that is above them, by the numbers of their makers. Mounts on vehicles are listed only: a qualified rigger decides.',
  formula: 'rating - (mass of the rig + mass of the head)',
  run: (built) =>
    carriersOf(built)
      .filter((c) => c.kind !== 'head' && c.kind !== 'gimbal')
      .map((c) => bears(built, 'carry.legs', c)),
};
