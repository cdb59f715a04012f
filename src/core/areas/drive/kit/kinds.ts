import {
  mm,
  COMMON,
  quantity,
  number,
  flag,
  choice,
  SEAMLESS,
  CLOSES,
  STRAP,
  PORTS,
  SUPPLY,
  gearModule,
  teeth,
  type KindDef,
} from '../../../engine/field';
import { DRIVE } from './drive-fields';

/** What turns the rings of the lens: the kinds of parts, and what each can say. */
export const kinds = {
  'gear-ring': {
    one: 'gear ring',
    many: 'gear rings',
    fields: [
      COMMON[0]!,
      choice(
        'style',
        'sort',
        [
          ['seamless', 'seamless'],
          ['split', 'split, clamps on'],
          ['strap', 'strap'],
        ],
        { first: true },
      ),
      mm('bore', 'bore', 500, { first: true, onlyFor: SEAMLESS }),
      mm('from', 'closes on, from', 500, { first: true, onlyFor: CLOSES }),
      mm('to', 'to', 500, { first: true, onlyFor: CLOSES }),
      teeth('teeth', 'teeth', { first: true }),
      gearModule,
      mm('width', 'width', 100, { first: true }),
      mm('lump', 'lump at the join', 50, { onlyFor: STRAP }),
      mm('strapHeight', 'barrel to its pitch line', 20, {
        onlyFor: { key: 'style', is: ['strap'] },
      }),
      mm('lumpLength', 'length of the lump', 100, { onlyFor: STRAP }),
      ...COMMON.slice(1),
    ],
  },
  'follow-focus': {
    one: 'follow focus',
    many: 'follow focuses',
    fields: [
      COMMON[0]!,
      ...DRIVE,
      quantity('ratio', 'gear turns for one of the wheel', 'x', 'ratio', 0.05, 20),
      flag('hardStops', 'has hard stops'),
      flag('reversible', 'can be reversed'),
      ...COMMON.slice(1),
    ],
  },
  motor: {
    one: 'motor',
    many: 'motors',
    fields: [
      COMMON[0]!,
      ...DRIVE,
      {
        type: 'rows',
        key: 'torques',
        label: 'torque at its gear',
        row: 'line',
        first: true,
        fields: [
          number('volts', 'at', 'V', 0, 100, { required: true }),
          quantity('torque', 'torque', 'N m', 'torque', 0, 50, { required: true }),
        ],
      },
      ...SUPPLY,
      PORTS,
      ...COMMON.slice(1),
    ],
  },
  'drive-arm': {
    one: 'extension arm',
    many: 'extension arms',
    fields: [
      COMMON[0]!,
      mm('ahead', 'puts the gear ahead by', 400, { first: true }),
      mm('longer', 'reaches farther by', 400, { first: true }),
      ...COMMON.slice(1),
    ],
  },
} satisfies Record<string, KindDef>;
