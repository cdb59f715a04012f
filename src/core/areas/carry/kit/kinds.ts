import { COMMON, mm, number, quantity, type KindDef } from '../../../engine/field';

/** What a rig is carried by: the kinds of parts, and what each can say. */

const bears = quantity('bears', 'bears', 'g', 'mass', 0, 1e6, { first: true });
const height = [
  mm('heightFrom', 'lowest', 4000, { first: true }),
  mm('heightTo', 'highest', 4000, { first: true }),
];

export const kinds = {
  head: {
    one: 'tripod head',
    many: 'tripod heads',
    fields: [
      COMMON[0]!,
      bears,
      mm('tiltAxis', 'plate over the tilt axis', 300, { first: true }),
      mm('slideTravel', 'travel of its plate', 500),
      quantity('counterFrom', 'counterbalance, least', 'N m', 'moment', 0, 500),
      quantity('counterTo', 'counterbalance, most', 'N m', 'moment', 0, 500),
      number('steps', 'steps of counterbalance', '', 1, 100, { integer: true }),
      mm('baseHeight', 'height', 500),
      ...COMMON.slice(1),
    ],
  },
  legs: {
    one: 'tripod',
    many: 'tripods',
    fields: [
      COMMON[0]!,
      bears,
      ...height,
      mm('spread', 'feet from the middle', 2000),
      ...COMMON.slice(1),
    ],
  },
  gimbal: {
    one: 'gimbal',
    many: 'gimbals',
    fields: [
      COMMON[0]!,
      bears,
      mm('between', 'room between its arms', 1000, { first: true }),
      mm('behind', 'room behind the axis', 1000, { first: true }),
      mm('travelFore', 'travel along', 500),
      mm('travelSide', 'travel across', 500),
      mm('plateLow', 'plate under the axis, least', 500),
      mm('plateHigh', 'plate under the axis, most', 500),
      ...COMMON.slice(1),
    ],
  },
  vest: {
    one: 'vest or suspension',
    many: 'vests and suspensions',
    fields: [
      COMMON[0]!,
      bears,
      quantity('liftFrom', 'lifts from', 'g', 'mass', 0, 1e6, { first: true }),
      mm('reach', 'hook ahead of the back', 1500),
      ...COMMON.slice(1),
    ],
  },
  monopod: {
    one: 'monopod',
    many: 'monopods',
    fields: [COMMON[0]!, bears, ...height, ...COMMON.slice(1)],
  },
  'vehicle-mount': {
    one: 'vehicle mount',
    many: 'vehicle mounts',
    fields: [
      COMMON[0]!,
      bears,
      number('cups', 'cups or feet', '', 1, 40, { integer: true }),
      mm('cup', 'diameter of a cup', 500, { first: true }),
      ...COMMON.slice(1),
    ],
  },
  strap: {
    one: 'bag strap',
    many: 'bag straps',
    fields: [COMMON[0]!, bears, mm('width', 'width', 200, { first: true }), ...COMMON.slice(1)],
  },
} satisfies Record<string, KindDef>;
