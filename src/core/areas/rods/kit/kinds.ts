import { mm, COMMON, flag, type KindDef } from '../../../engine/field';
import { INTERFACES } from '../../joints/kit/field';
import { rodSystem } from './system-field';

/** What is under the camera, and the rods: the kinds of parts, and what each can say. */
export const kinds = {
  plate: {
    one: 'plate or bridge',
    many: 'plates and bridges',
    fields: [
      COMMON[0]!,
      rodSystem,
      mm('topToRods', 'top to rods', 300, { first: true }),
      mm('heightFrom', 'top to rods, lowest', 300),
      mm('heightTo', 'top to rods, highest', 300),
      mm('length', 'length', 1000, { first: true }),
      mm('clampLength', 'each of its rod clamps', 400, { first: true }),
      mm('width', 'width', 600),
      mm('thickness', 'thickness', 200),
      mm('slide', 'slides by', 500),
      INTERFACES,
      ...COMMON.slice(1),
    ],
  },
  riser: {
    one: 'riser',
    many: 'risers',
    fields: [COMMON[0]!, mm('thickness', 'thickness', 300, { first: true }), ...COMMON.slice(1)],
  },
  rods: {
    one: 'pair of rods',
    many: 'rods',
    fields: [
      COMMON[0]!,
      rodSystem,
      mm('length', 'length', 2000, { first: true }),
      flag('single', 'one rod, no pair'),
      ...COMMON.slice(1),
    ],
  },
} satisfies Record<string, KindDef>;
