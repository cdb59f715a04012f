import {
  mm,
  COMMON,
  quantity,
  number,
  flag,
  choice,
  FILTER_TYPES,
  SCREW,
  PLATE,
  ROUND,
  VARIABLE,
  CLIPS,
  ANY_RODS,
  ON_RODS,
  type KindDef,
} from '../../../engine/field';
import { rodSystem } from '../../rods/kit/system-field';
import { INTERFACES } from '../../joints/kit/field';
import { TRAYS } from './trays';

/** What stands in front of the lens: the kinds of parts, and what each can say. */
export const kinds = {
  ring: {
    one: 'thread ring',
    many: 'thread rings',
    fields: [
      COMMON[0]!,
      mm('male', 'screws into', 500, { cls: 'exact', first: true }),
      mm('female', 'takes', 500, {
        cls: 'exact',
        first: true,
      }),
      mm('clamp', 'clamp diameter', 500, { first: true }),
      mm('thickness', 'thickness', 200, { first: true }),
      mm('clear', 'clear diameter', 500, { first: true }),
      mm('outerDiameter', 'outer diameter', 500),
      ...COMMON.slice(1),
    ],
  },
  filter: {
    one: 'filter',
    many: 'filters',
    fields: [
      COMMON[0]!,
      choice('type', 'what it does', FILTER_TYPES, { first: true }),
      choice(
        'shape',
        'shape',
        [
          ['screw', 'screw-in'],
          ['rectangle', 'rectangle'],
          ['round', 'round, for a tray'],
        ],
        { first: true },
      ),
      mm('male', 'screws into', 500, { cls: 'exact', first: true, onlyFor: SCREW }),
      mm('female', 'takes', 500, {
        cls: 'exact',
        onlyFor: SCREW,
      }),
      mm('width', 'width', 500, { first: true, onlyFor: PLATE }),
      mm('height', 'height', 500, { first: true, onlyFor: PLATE }),
      mm('diameter', 'diameter', 500, { first: true, onlyFor: ROUND }),
      mm('thickness', 'thickness', 100, { first: true }),
      mm('clear', 'clear diameter', 500, {
        first: true,
        onlyFor: { key: 'shape', is: ['screw', 'round'] },
      }),
      mm('outerDiameter', 'outer diameter', 500, {
        onlyFor: { key: 'shape', is: ['screw'] },
      }),
      quantity('stops', 'light it costs', 'stops', 'light', 0, 20, { first: true }),
      quantity('stopsTo', 'darkest', 'stops', 'light', 0, 20, { first: true, onlyFor: VARIABLE }),
      flag('mustRotate', 'must be turned'),
      ...COMMON.slice(1),
    ],
  },
  'matte-box': {
    one: 'matte box',
    many: 'matte boxes',
    fields: [
      COMMON[0]!,
      choice(
        'attach',
        'held by',
        [
          ['clip-on', 'the lens (clip-on)'],
          ['rods', 'rods'],
          ['both', 'the lens and rods at once'],
        ],
        { first: true },
      ),
      mm('opening', 'back opening', 500, { first: true, onlyFor: CLIPS }),
      { ...rodSystem, onlyFor: ANY_RODS },
      mm('centreHeight', 'rods to its middle', 400, { onlyFor: ANY_RODS }),
      mm('sleeveFrom', 'sleeve from', 500, { onlyFor: ON_RODS }),
      mm('sleeveTo', 'sleeve to', 500, { onlyFor: ON_RODS }),
      mm('sleeveReach', 'sleeve covers', 200, { onlyFor: ON_RODS }),
      {
        type: 'rows',
        key: 'stages',
        label: 'stages',
        row: 'stage',
        keyed: true,
        first: true,
        fields: [
          { type: 'text', key: 'name', label: 'name', max: 80, required: true },
          choice(
            'tray',
            'tray',
            TRAYS.map((t) => [t.id, t.name] as const),
          ),
          mm('z', 'from its back', 500),
          mm('clearW', 'clear width', 500),
          mm('clearH', 'clear height', 500),
          flag('rotates', 'rotates'),
          flag('removable', 'comes out'),
          mm('shorter', 'shorter without it', 200),
          // Last: lines of a list written before it had no such cell.
          choice(
            'tray2',
            'also takes',
            TRAYS.map((t) => [t.id, t.name] as const),
          ),
        ],
      },
      mm('mouthZ', 'mouth from its back', 1000, { first: true }),
      mm('mouthW', 'mouth width', 500, { first: true }),
      mm('mouthH', 'mouth height', 500, { first: true }),
      {
        type: 'rows',
        key: 'masks',
        label: 'masks',
        row: 'mask',
        keyed: true,
        fields: [
          { type: 'text', key: 'name', label: 'name', max: 80, required: true },
          mm('w', 'width', 500),
          mm('h', 'height', 500),
        ],
      },
      {
        type: 'rows',
        key: 'flags',
        label: 'flags',
        row: 'flag',
        keyed: true,
        fields: [
          { type: 'text', key: 'name', label: 'name', max: 80, required: true },
          choice(
            'side',
            'side',
            [
              ['top', 'top'],
              ['bottom', 'bottom'],
              ['left', 'left'],
              ['right', 'right'],
            ],
            { required: true },
          ),
          mm('z', 'hinge from the back', 500),
          mm('offset', 'hinge from the axis', 500),
          mm('length', 'length', 500),
          number('from', 'closes to', 'deg', -90, 180),
          number('to', 'opens to', 'deg', -90, 180),
        ],
      },
      mm('width', 'outer width', 600),
      mm('height', 'outer height', 600),
      choice(
        'swing',
        'swings away',
        [
          ['left', 'to camera left'],
          ['right', 'to camera right'],
        ],
        { onlyFor: ON_RODS },
      ),
      mm('clampLength', 'bracket along the rods', 400, {
        onlyFor: ANY_RODS,
      }),
      INTERFACES,
      ...COMMON.slice(1),
    ],
  },
  'reduction-ring': {
    one: 'reduction ring',
    many: 'reduction rings',
    fields: [
      COMMON[0]!,
      mm('outer', 'outer diameter', 500, { first: true }),
      mm('bore', 'bore', 500, { first: true }),
      ...COMMON.slice(1),
    ],
  },
  sleeve: {
    one: 'sleeve',
    many: 'sleeves',
    fields: [
      COMMON[0]!,
      mm('from', 'closes on, from', 500, { first: true }),
      mm('to', 'to', 500, { first: true }),
      mm('reach', 'covers a gap of', 300, { first: true }),
      ...COMMON.slice(1),
    ],
  },
} satisfies Record<string, KindDef>;
