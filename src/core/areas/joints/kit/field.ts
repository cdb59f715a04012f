import {
  choice,
  flag,
  FACES,
  mm,
  number,
  offFace,
  ofItsFace,
  quantity,
  type RowsField,
} from '../../../engine/field';
import { DRIVER_NAMES } from './driver-names';
import { INTERFACE_TYPES, RODS, SCREWED, SLIDES } from './interfaces';

const screwed = { key: 'type', is: SCREWED };
const slides = { key: 'type', is: SLIDES };

/** What a part holds others by and is held by itself: the same list for every kind that has any. */
export const INTERFACES: RowsField = {
  type: 'rows',
  key: 'interfaces',
  label: 'holes, shoes, rails and clamps',
  row: 'interface',
  keyed: true,
  usual: true,
  said: true,
  fields: [
    { type: 'text', key: 'name', label: 'name', max: 80, required: true },
    choice(
      'type',
      'standard or class',
      INTERFACE_TYPES.map((t) => [t.id, t.name] as const),
    ),
    choice('side', 'it', [
      ['host', 'holds: hole, rail, shoe'],
      ['guest', 'is held: screw, clamp, foot'],
      ['either', 'either'],
    ]),
    { type: 'text', key: 'pattern', label: 'class, or name of its pattern', max: 80 },
    choice('face', 'face', FACES),
    ...offFace(ofItsFace, 'x', 'y', 'z'),
    number('count', 'how many in a row', '', 1, 60, { integer: true }),
    mm('spacing', 'from each to the next', 500),
    choice('along', 'row or slide runs', [
      ['x', 'across'],
      ['y', 'up'],
      ['z', 'along the axis'],
    ]),
    flag('pinned', 'locating pins, or holes for them'),
    { ...flag('through', 'the hole goes through'), onlyFor: screwed },
    mm('depth', 'usable depth of thread', 200, { onlyFor: screwed }),
    choice(
      'material',
      'thread in',
      [
        ['steel', 'steel, or an insert of it'],
        ['aluminium', 'aluminium'],
        ['plastic', 'plastic'],
      ],
      { onlyFor: screwed },
    ),
    mm('length', 'screw', 200, {
      onlyFor: screwed,
    }),
    { ...flag('captive', 'the screw is captive'), onlyFor: screwed },
    mm('thickness', 'screw goes through', 200, {
      onlyFor: screwed,
    }),
    mm('width', 'width at its wide side', 300, { onlyFor: slides }),
    mm('run', 'length to slide on', 1000, { onlyFor: slides }),
    mm('from', 'closes from', 300, { onlyFor: slides }),
    mm('to', 'closes up to', 300, { onlyFor: slides }),
    mm('clamp', 'length of the clamp', 500, { onlyFor: slides }),
    mm('inside', 'middle of its bore, in from the face', 200, {
      onlyFor: { key: 'type', is: RODS },
    }),
    choice(
      'stops',
      'stops at its ends',
      [
        ['both', 'both'],
        ['one', 'one'],
        ['none', 'none'],
      ],
      { onlyFor: slides },
    ),
    choice('driver', 'turned with', DRIVER_NAMES),
    mm('sweep', 'reach of its lever', 300),
    quantity('bears', 'rated for', 'g', 'mass', 0, 1e6),
    quantity('bearsMoment', 'rated for a moment of', 'N m', 'moment', 0, 1000),
    flag('weak', 'weak'),
  ],
};
