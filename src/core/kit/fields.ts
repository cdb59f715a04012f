import type { ToleranceClass } from '../quantity/quantity';
import { ROD_SYSTEMS } from '../rods/systems';
import { TRAYS } from '../front/trays';
import type { Kind } from './types';

/**
 * The one description of what each kind of part can say. Validation, the JSON Schema, CSV columns,
 * the part sheets on screen and docs/format.md are all made from this table; adding a field is
 * adding a line here.
 */
export type Field =
  | QuantityField
  | NumberField
  | TextField
  | ChoiceField
  | FlagField
  | MountField
  | TextsField
  | RowsField;

interface FieldBase {
  key: string;
  /** What it is called on screen. */
  label: string;
  /** One line on how to read or measure it. */
  hint?: string;
  required?: boolean;
  /** Shown first on a part sheet: what the checks need most. */
  first?: boolean;
  /** Of no concern to a part that says something else in another field. */
  onlyFor?: { key: string; is: readonly string[] };
}
export interface QuantityField extends FieldBase {
  type: 'quantity';
  unit: string;
  cls: ToleranceClass;
  min: number;
  max: number;
}
export interface NumberField extends FieldBase {
  type: 'number';
  unit: string;
  integer?: boolean;
  min: number;
  max: number;
}
export interface TextField extends FieldBase {
  type: 'text';
  max: number;
}
export interface ChoiceField extends FieldBase {
  type: 'choice';
  options: readonly { value: string; label: string }[];
}
export interface FlagField extends FieldBase {
  type: 'flag';
}
export interface MountField extends FieldBase {
  type: 'mount';
}
/** A list of other parts, by id, or by name when they are not in the kit. */
export interface TextsField extends FieldBase {
  type: 'texts';
  of: Kind;
}
export interface RowsField extends FieldBase {
  type: 'rows';
  /** What one row is called. */
  row: string;
  fields: readonly Field[];
  /** Rows carry an id and are addressed by it. */
  keyed?: boolean;
}

const mm = (
  key: string,
  label: string,
  max: number,
  more: Partial<QuantityField> = {},
): QuantityField => ({
  type: 'quantity',
  key,
  label,
  unit: 'mm',
  cls: 'length',
  min: 0,
  max,
  ...more,
});

const COMMON: readonly Field[] = [
  { type: 'text', key: 'name', label: 'name', max: 120, required: true, first: true },
  { type: 'text', key: 'owner', label: 'owner or tag', max: 120 },
  {
    type: 'number',
    key: 'count',
    label: 'pieces on hand',
    unit: '',
    integer: true,
    min: 0,
    max: 999,
    hint: '0 means it would have to be hired',
  },
  {
    type: 'quantity',
    key: 'mass',
    label: 'mass',
    unit: 'g',
    cls: 'mass',
    min: 0,
    max: 100000,
  },
  { type: 'text', key: 'notes', label: 'notes', max: 4000 },
];

function quantityField(
  key: string,
  label: string,
  unit: string,
  cls: ToleranceClass,
  min: number,
  max: number,
  more: Partial<QuantityField> = {},
): QuantityField {
  return { type: 'quantity', key, label, unit, cls, min, max, ...more };
}

const LINK: readonly Field[] = [
  { type: 'mount', key: 'lensMount', label: 'lens side', first: true },
  { type: 'mount', key: 'bodyMount', label: 'body side', first: true },
  mm('length', 'length', 400, {
    cls: 'flange',
    first: true,
    hint: 'mount face to mount face, by depth gauge',
  }),
  mm('outerDiameter', 'outer diameter', 400),
  mm('bore', 'clear bore', 300, { hint: 'narrowest clear diameter on the way through' }),
  mm('play', 'play', 5, { hint: 'rocking at the lens mount, by dial gauge' }),
  { type: 'flag', key: 'foot', label: 'has a foot' },
  mm('footAt', 'foot at', 400, { hint: 'middle of the foot ahead of the body-side face' }),
  mm('footLength', 'foot length', 400),
  mm('footDown', 'axis to foot', 300, { hint: 'optical axis down to the bottom of the foot' }),
  quantityField('mountMoment', 'load its mount bears', 'N m', 'moment', 0, 100),
  { type: 'flag', key: 'passesControl', label: 'passes aperture control' },
];

const quantity = quantityField;

const number = (
  key: string,
  label: string,
  unit: string,
  min: number,
  max: number,
  more: Partial<NumberField> = {},
): NumberField => ({ type: 'number', key, label, unit, min, max, ...more });

const flag = (key: string, label: string, hint?: string): FlagField => ({
  type: 'flag',
  key,
  label,
  ...(hint ? { hint } : {}),
});

const choice = (
  key: string,
  label: string,
  options: readonly (readonly [value: string, label: string])[],
  more: Partial<ChoiceField> = {},
): ChoiceField => ({
  type: 'choice',
  key,
  label,
  options: options.map(([value, name]) => ({ value, label: name })),
  ...more,
});

const FILTER_TYPES = [
  ['nd', 'neutral density'],
  ['polariser', 'polariser'],
  ['variable-nd', 'variable ND'],
  ['diffusion', 'diffusion'],
  ['streak', 'streak'],
  ['close-up', 'close-up'],
  ['clear', 'clear'],
] as const;

const rodSystem = choice(
  'rods',
  'rod system',
  ROD_SYSTEMS.map((r) => [r.id, r.name] as const),
  { first: true },
);

const falloff = (hint: string): RowsField => ({
  type: 'rows',
  key: 'falloff',
  label: 'light falloff',
  row: 'line',
  hint,
  fields: [
    number('focal', 'at focal', 'mm', 1, 3000),
    number('height', 'image height', 'mm', 0, 200, { required: true }),
    number('stops', 'loss', 'stops', 0, 20, { required: true }),
  ],
});

const SCREW = { key: 'shape', is: ['screw'] };
const PLATE = { key: 'shape', is: ['rectangle'] };
const ROUND = { key: 'shape', is: ['round'] };
const VARIABLE = { key: 'type', is: ['variable-nd'] };
const CLIPS = { key: 'attach', is: ['clip-on'] };
const ON_RODS = { key: 'attach', is: ['rods'] };
const SCREEN = { key: 'screenSide', is: ['left', 'right', 'rear'] };
const SEAMLESS = { key: 'style', is: ['seamless'] };
const CLOSES = { key: 'style', is: ['split', 'strap'] };
const STRAP = { key: 'style', is: ['strap', 'split'] };

const SUPPLY: readonly Field[] = [
  quantity('voltsFrom', 'runs from', 'V', 'volts', 0, 100),
  quantity('voltsTo', 'runs up to', 'V', 'volts', 0, 100),
  quantity('watts', 'takes', 'W', 'watts', 0, 2000),
];

const BLOCK: readonly Field[] = [
  mm('width', 'width', 1000, { first: true, hint: 'across the axis' }),
  mm('height', 'height', 1000, { first: true }),
  mm('depth', 'length', 1000, { first: true, hint: 'along the axis' }),
];

const gearModule = quantity('module', 'module', 'mm', 'exact', 0.1, 5, {
  hint: '0.8 in this trade; 0.794 is 32 diametral pitch',
});

const teeth = (key: string, label: string, more: Partial<NumberField> = {}): NumberField =>
  number(key, label, 'teeth', 6, 600, { integer: true, ...more });

const clampLength = mm('clampLength', 'clamp along the rods', 400, { first: true });

/** What follow focuses and motors say alike. */
const DRIVE: readonly Field[] = [
  rodSystem,
  clampLength,
  teeth('gearTeeth', 'teeth of its gear', { first: true }),
  gearModule,
  mm('gearWidth', 'width of its gear', 100, { first: true }),
  mm('armFrom', 'arm reaches from', 600, {
    first: true,
    hint: 'pivot to the middle of its gear, drawn in',
  }),
  mm('armTo', 'arm reaches to', 600, {
    first: true,
    hint: 'pivot to the middle of its gear, drawn out',
  }),
  ...BLOCK,
  mm('gearAhead', 'gear ahead of its clamp', 400, {
    min: -400,
    hint: 'middle of the clamp to the middle of the gear',
  }),
  mm('boxBehind', 'box behind the gear', 100, {
    hint: 'middle of the gear to the face of the box',
  }),
  mm('armWidth', 'width of the arm', 100, { hint: '0 when it has none' }),
  mm('pivotAcross', 'pivot from the middle', 300, {
    hint: 'middle between the rods to the pivot; over its rod when empty',
  }),
  mm('pivotUp', 'pivot over the rods', 300, { min: -300 }),
  choice('sides', 'goes on', [
    ['left', 'camera left only'],
    ['right', 'camera right only'],
    ['both', 'either side'],
  ]),
  flag('flips', 'gear goes on either face'),
];

const OUTLETS: RowsField = {
  type: 'rows',
  key: 'outlets',
  label: 'outlets',
  row: 'outlet',
  keyed: true,
  fields: [
    { type: 'text', key: 'name', label: 'name', max: 80, required: true },
    quantity('volts', 'volts', 'V', 'volts', 0, 100),
    quantity('amps', 'amps', 'A', 'watts', 0, 100),
  ],
};

/** A filter wheel, or the filters that go into one slot by turns. */
const wheel = (label: string, hint: string): RowsField => ({
  type: 'rows',
  key: 'wheel',
  label,
  row: 'place',
  keyed: true,
  hint,
  fields: [
    { type: 'text', key: 'name', label: 'name', max: 80, required: true },
    quantity('stops', 'light it takes', 'stops', 'light', 0, 20, { hint: '0 is clear' }),
  ],
});

const HELD: readonly Field[] = [
  number('screws', 'screws that hold it', '', 0, 20, { integer: true }),
  flag('pins', 'pins keep it from turning'),
  quantity('rating', 'rated for', 'g', 'mass', 0, 1e6, {
    hint: 'as stated by its maker; it counts, not Nelvix',
  }),
];

/** A part that takes up room, holds, weighs; with what its sort says besides. */
const fitting = (...more: Field[]): readonly Field[] => [
  COMMON[0]!,
  ...BLOCK,
  ...more,
  ...HELD,
  { ...rodSystem, first: false },
  { ...clampLength, first: false },
  ...COMMON.slice(1),
];

export const FIELDS: Record<Kind, readonly Field[]> = {
  body: [
    COMMON[0]!,
    { type: 'mount', key: 'mount', label: 'mount', first: true },
    {
      type: 'rows',
      key: 'modes',
      label: 'recording modes',
      row: 'mode',
      keyed: true,
      first: true,
      fields: [
        { type: 'text', key: 'name', label: 'name', max: 80, required: true },
        mm('w', 'active width', 200, { cls: 'chip', min: 0.5 }),
        mm('h', 'active height', 200, { cls: 'chip', min: 0.5 }),
        {
          type: 'number',
          key: 'pxW',
          label: 'pixels wide',
          unit: 'px',
          integer: true,
          min: 1,
          max: 100000,
        },
        {
          type: 'number',
          key: 'pxH',
          label: 'pixels high',
          unit: 'px',
          integer: true,
          min: 1,
          max: 100000,
        },
        { type: 'number', key: 'fps', label: 'fastest', unit: 'fps', min: 0.01, max: 100000 },
        { type: 'text', key: 'note', label: 'note', max: 400 },
      ],
    },
    mm('cavityDepth', 'cavity depth', 200, {
      first: true,
      hint: 'mount face to the first thing a rear group would strike, by depth gauge',
    }),
    mm('reducerDepth', 'reducer depth needed', 200, {
      hint: 'how far a reducer has to come behind the mount face on this body',
    }),
    mm('flange', 'flange distance', 200, {
      cls: 'flange',
      hint: 'of this very body; the mount stands in when empty',
    }),
    {
      type: 'choice',
      key: 'control',
      label: 'aperture control',
      options: [
        { value: 'electronic', label: 'electronic' },
        { value: 'none', label: 'none' },
      ],
    },
    flag(
      'flangeAllowsGlass',
      'flange allows for its glass',
      'the distance given above was found through the glass over the chip',
    ),
    mm('stackGlass', 'glass over the chip', 20, { hint: 'thickness of cover and filter glass' }),
    {
      type: 'quantity',
      key: 'stackIndex',
      label: 'index of that glass',
      unit: '',
      cls: 'ratio',
      min: 1,
      max: 3,
    },
    mm('axisToBase', 'axis to base', 300, { hint: 'optical axis down to where it stands' }),
    mm('width', 'width', 600),
    mm('height', 'height', 600),
    mm('depth', 'depth', 600, { hint: 'mount face to back' }),
    mm('centreOfGravity', 'centre of gravity', 600, { min: -600, hint: 'behind the mount face' }),
    quantity('mountMoment', 'load its mount bears', 'N m', 'moment', 0, 100),
    choice('screenSide', 'screen folds out', [
      ['left', 'at camera left'],
      ['right', 'at camera right'],
      ['rear', 'at the rear'],
      ['fixed', 'not: it is fixed'],
    ]),
    mm('screenHinge', 'screen hinge', 600, { hint: 'behind the mount face', onlyFor: SCREEN }),
    mm('screenUp', 'screen over the axis', 300, {
      min: -300,
      hint: 'its middle; minus is below',
      onlyFor: SCREEN,
    }),
    mm('screenLength', 'screen length', 400, { hint: 'hinge to far edge', onlyFor: SCREEN }),
    mm('screenHeight', 'screen height', 400, { onlyFor: SCREEN }),
    number('screenOpens', 'screen opens', 'deg', 10, 180, { onlyFor: SCREEN }),
    number('isoFrom', 'lowest sensitivity', 'ISO', 1, 1_000_000),
    number('isoTo', 'highest sensitivity', 'ISO', 1, 1_000_000),
    {
      type: 'rows',
      key: 'profiles',
      label: 'profiles',
      row: 'profile',
      keyed: true,
      hint: 'ways of recording; one line for each base sensitivity',
      fields: [
        { type: 'text', key: 'name', label: 'name', max: 80, required: true },
        number('base', 'base sensitivity', 'ISO', 1, 1_000_000),
      ],
    },
    wheel('filter wheel', 'behind the mount; every place holds glass of one thickness'),
    ...SUPPLY,
    ...COMMON.slice(1),
  ],
  adapter: [
    COMMON[0]!,
    ...LINK,
    mm('slotGlass', 'glass in its slot', 20, { hint: 'thickness of the drop-in filter' }),
    {
      type: 'quantity',
      key: 'slotIndex',
      label: 'index of that glass',
      unit: '',
      cls: 'ratio',
      min: 1,
      max: 3,
    },
    { type: 'flag', key: 'slotAllowedFor', label: 'length allows for the glass' },
    choice('slotType', 'filter in its slot', FILTER_TYPES),
    quantity('slotStops', 'stops of that filter', 'stops', 'light', 0, 20),
    quantity('slotStopsTo', 'darkest, if variable', 'stops', 'light', 0, 20),
    wheel('filters for its slot', 'a wheel, or filters that drop in by turns, of one thickness'),
    ...COMMON.slice(1),
  ],
  reducer: [
    COMMON[0]!,
    ...LINK.slice(0, 3),
    {
      type: 'quantity',
      key: 'magnification',
      label: 'magnification',
      unit: 'x',
      cls: 'ratio',
      min: 0.1,
      max: 5,
      first: true,
    },
    mm('exitCircle', 'exit circle', 300, { cls: 'circle', first: true }),
    mm('rearProtrusion', 'rear protrusion', 200, {
      first: true,
      hint: 'mount face to the last glass or its cell, by depth gauge',
    }),
    mm('rearDiameter', 'rear diameter', 200),
    {
      type: 'quantity',
      key: 'fastestStop',
      label: 'fastest stop',
      unit: 'f',
      cls: 'stop',
      min: 0.3,
      max: 64,
    },
    mm('frontClearance', 'depth before its glass', 200, {
      hint: 'lens mount face back to its own first glass',
    }),
    mm('backFocus', 'back focus error', 10, {
      cls: 'flange',
      min: -10,
      hint: 'as shimmed now; plus means too far out',
    }),
    { type: 'texts', key: 'madeFor', label: 'made for', of: 'body' },
    falloff('what its own glass loses at full stop, by height on the chip'),
    ...LINK.slice(3),
    ...COMMON.slice(1),
  ],
  lens: [
    COMMON[0]!,
    { type: 'mount', key: 'mount', label: 'mount', first: true },
    mm('focal', 'focal length', 3000, { min: 1, first: true, hint: 'short end of a zoom' }),
    mm('focalTo', 'long end', 3000, { min: 1, hint: 'zooms only' }),
    {
      type: 'rows',
      key: 'imageCircle',
      label: 'image circle',
      row: 'line',
      first: true,
      fields: [
        { type: 'number', key: 'focal', label: 'at focal', unit: 'mm', min: 1, max: 3000 },
        { type: 'number', key: 'stop', label: 'at stop', unit: 'T', min: 0.3, max: 128 },
        mm('diameter', 'diameter', 500, { cls: 'circle', required: true, min: 1 }),
      ],
    },
    {
      type: 'quantity',
      key: 'tStop',
      label: 'widest T-stop',
      unit: 'T',
      cls: 'stop',
      min: 0.3,
      max: 128,
      first: true,
    },
    {
      type: 'quantity',
      key: 'tStopTo',
      label: 'widest T at the long end',
      unit: 'T',
      cls: 'stop',
      min: 0.3,
      max: 128,
    },
    {
      type: 'quantity',
      key: 'fStop',
      label: 'widest f-stop',
      unit: 'f',
      cls: 'stop',
      min: 0.3,
      max: 128,
    },
    {
      type: 'quantity',
      key: 'fStopTo',
      label: 'widest f at the long end',
      unit: 'f',
      cls: 'stop',
      min: 0.3,
      max: 128,
    },
    {
      type: 'quantity',
      key: 'squeeze',
      label: 'squeeze',
      unit: 'x',
      cls: 'ratio',
      min: 0.25,
      max: 4,
      hint: 'anamorphics only',
    },
    choice('squeezeAt', 'squeezes', [
      ['front', 'in front'],
      ['rear', 'behind'],
    ]),
    mm('length', 'length', 2000, { first: true, hint: 'flange to front rim, focused at infinity' }),
    mm('frontDiameter', 'front diameter', 500, { first: true }),
    mm('filterThread', 'filter thread', 500, { cls: 'exact', first: true }),
    mm('frontClear', 'clear front', 500, {
      first: true,
      hint: 'clear diameter of the front glass, inside its rim',
    }),
    {
      type: 'rows',
      key: 'pupil',
      label: 'entrance pupil',
      row: 'line',
      first: true,
      hint: 'how far behind the front rim the iris appears, seen from the front',
      fields: [
        number('focal', 'at focal', 'mm', 1, 3000),
        mm('behind', 'behind the rim', 1000, { required: true, min: -200, cls: 'pupil' }),
        mm('walk', 'comes forward by', 200, {
          min: -50,
          cls: 'pupil',
          hint: 'seen from the corner of the picture',
        }),
        number('walkAngle', 'seen from', 'deg', 5, 89, { hint: 'off the axis; 45 when empty' }),
      ],
    },
    mm('lengthClose', 'length focused close', 2000, {
      hint: 'flange to front rim, where focusing moves the front',
    }),
    mm('lengthTo', 'length at the long end', 2000, { hint: 'zooms whose front moves' }),
    flag('frontRotates', 'front turns when focusing'),
    quantity('frontLoad', 'its front carries', 'g', 'mass', 0, 20000),
    mm('focalClose', 'focal length focused close', 3000, {
      min: 1,
      hint: 'where the lens breathes; short end of a zoom',
    }),
    falloff('measured loss by image height; stands in place of cos\u2074'),
    quantity('smallestStop', 'smallest stop', 'T', 'stop', 0.3, 128),
    mm('rearProtrusion', 'rear protrusion', 200, { hint: 'how far it reaches behind its flange' }),
    mm('rearDiameter', 'rear diameter', 200, { hint: 'of what reaches behind its flange' }),
    {
      type: 'choice',
      key: 'aperture',
      label: 'aperture',
      options: [
        { value: 'manual', label: 'manual ring' },
        { value: 'electronic', label: 'electronic' },
      ],
    },
    mm('closeFocus', 'close focus', 100000, { hint: 'from the image plane' }),
    mm('flange', 'flange distance', 200, {
      cls: 'flange',
      hint: 'of this very lens; the mount stands in when empty',
    }),
    mm('expectedGlass', 'glass it is designed for', 30, {
      hint: 'plane glass behind the lens that its design allows for',
    }),
    {
      type: 'rows',
      key: 'rings',
      label: 'rings that are driven',
      row: 'ring',
      keyed: true,
      first: true,
      fields: [
        choice(
          'turns',
          'turns',
          [
            ['focus', 'focus'],
            ['iris', 'iris'],
            ['zoom', 'zoom'],
          ],
          { required: true },
        ),
        mm('z', 'its middle from the flange', 2000, { hint: 'focused at infinity' }),
        mm('width', 'width', 300),
        teeth('teeth', 'teeth of its gear', { hint: 'empty when none is cut in' }),
        gearModule,
        mm('diameter', 'bare diameter', 500),
        quantity('throw', 'throw', 'deg', 'angle', 0, 1800, { hint: 'from end to end' }),
        flag('turnsBack', 'turns the other way', 'against cine practice'),
        quantity('torque', 'torque to turn it', 'N m', 'torque', 0, 10),
        flag('stops', 'has hard stops'),
        mm('travel', 'wanders by', 300, { min: -300, hint: 'forward plus, over its throw' }),
      ],
    },
    mm('centreOfGravity', 'centre of gravity', 2000, { min: -500, hint: 'ahead of the flange' }),
    mm('footAt', 'foot at', 2000, { hint: 'middle of the foot ahead of the flange' }),
    mm('footLength', 'foot length', 500),
    mm('footDown', 'axis to foot', 300, { hint: 'optical axis down to the bottom of the foot' }),
    {
      type: 'rows',
      key: 'outline',
      label: 'barrel outline',
      row: 'step',
      fields: [
        mm('z', 'from station', 2000, { required: true }),
        mm('d', 'diameter', 500, { required: true }),
      ],
    },
    ...COMMON.slice(1),
  ],
  ring: [
    COMMON[0]!,
    mm('male', 'screws into', 500, { cls: 'exact', first: true, hint: 'its male thread' }),
    mm('female', 'takes', 500, { cls: 'exact', first: true, hint: 'the female thread it offers' }),
    mm('clamp', 'clamp diameter', 500, {
      first: true,
      hint: 'outside diameter that a clip-on box closes on',
    }),
    mm('thickness', 'thickness', 200, { first: true, hint: 'without its male thread' }),
    mm('clear', 'clear diameter', 500, { first: true }),
    mm('outerDiameter', 'outer diameter', 500),
    ...COMMON.slice(1),
  ],
  filter: [
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
      hint: 'thread ahead of it, if it has one',
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
      hint: 'over its rim',
    }),
    quantity('stops', 'light it costs', 'stops', 'light', 0, 20, {
      first: true,
      hint: 'density 0.3 is one stop; the clear end of a variable one',
    }),
    quantity('stopsTo', 'darkest', 'stops', 'light', 0, 20, { first: true, onlyFor: VARIABLE }),
    flag('mustRotate', 'must be turned'),
    ...COMMON.slice(1),
  ],
  'matte-box': [
    COMMON[0]!,
    choice(
      'attach',
      'held by',
      [
        ['clip-on', 'the lens (clip-on)'],
        ['rods', 'rods'],
      ],
      { first: true },
    ),
    mm('opening', 'back opening', 500, { first: true, onlyFor: CLIPS }),
    { ...rodSystem, onlyFor: ON_RODS },
    mm('centreHeight', 'rods to its middle', 400, {
      onlyFor: ON_RODS,
      hint: 'rod plane to the middle of the windows; the height of its rod system when empty',
    }),
    mm('sleeveFrom', 'sleeve from', 500, {
      onlyFor: ON_RODS,
      hint: 'smallest lens front its own sleeve closes on',
    }),
    mm('sleeveTo', 'sleeve to', 500, { onlyFor: ON_RODS }),
    mm('sleeveReach', 'sleeve covers', 200, {
      onlyFor: ON_RODS,
      hint: 'longest gap to the lens it still closes',
    }),
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
    mm('clampLength', 'bracket along the rods', 400, { onlyFor: ON_RODS, hint: 'from its back' }),
    ...COMMON.slice(1),
  ],
  'reduction-ring': [
    COMMON[0]!,
    mm('outer', 'outer diameter', 500, { first: true }),
    mm('bore', 'bore', 500, { first: true }),
    ...COMMON.slice(1),
  ],
  sleeve: [
    COMMON[0]!,
    mm('from', 'closes on, from', 500, { first: true }),
    mm('to', 'to', 500, { first: true }),
    mm('reach', 'covers a gap of', 300, { first: true }),
    ...COMMON.slice(1),
  ],
  plate: [
    COMMON[0]!,
    rodSystem,
    mm('topToRods', 'top to rods', 300, {
      first: true,
      hint: 'where the body stands down to the middle of the rods; empty when it can be set',
    }),
    mm('heightFrom', 'top to rods, lowest', 300, { hint: 'of a plate whose height can be set' }),
    mm('heightTo', 'top to rods, highest', 300),
    mm('length', 'length', 1000, { first: true, hint: 'along the rods' }),
    mm('clampLength', 'each of its rod clamps', 400, { first: true, hint: 'at its two ends' }),
    mm('width', 'width', 600),
    mm('thickness', 'thickness', 200, { hint: 'top to bottom' }),
    mm('slide', 'slides by', 500, { hint: 'under the body, either way' }),
    ...COMMON.slice(1),
  ],
  riser: [COMMON[0]!, mm('thickness', 'thickness', 300, { first: true }), ...COMMON.slice(1)],
  rods: [
    COMMON[0]!,
    rodSystem,
    mm('length', 'length', 2000, { first: true }),
    flag('single', 'one rod, no pair'),
    ...COMMON.slice(1),
  ],
  'gear-ring': [
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
    mm('lump', 'lump at the join', 50, { onlyFor: STRAP, hint: 'over the tips of its teeth' }),
    mm('strapHeight', 'barrel to its pitch line', 20, {
      onlyFor: { key: 'style', is: ['strap'] },
      hint: 'how far the middle of its teeth stands off the barrel',
    }),
    mm('lumpLength', 'length of the lump', 100, { onlyFor: STRAP, hint: 'around the barrel' }),
    ...COMMON.slice(1),
  ],
  'lens-support': [
    COMMON[0]!,
    rodSystem,
    mm('postFrom', 'post, lowest', 300, {
      first: true,
      hint: 'rod plane to where the barrel rests',
    }),
    mm('postTo', 'post, highest', 300, { first: true }),
    clampLength,
    mm('cradleWidth', 'width of the cradle', 300),
    ...COMMON.slice(1),
  ],
  'follow-focus': [
    COMMON[0]!,
    ...DRIVE,
    quantity('ratio', 'gear turns for one of the wheel', 'x', 'ratio', 0.05, 20),
    flag('hardStops', 'has hard stops'),
    flag('reversible', 'can be reversed'),
    ...COMMON.slice(1),
  ],
  motor: [
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
    ...COMMON.slice(1),
  ],
  'drive-arm': [
    COMMON[0]!,
    mm('ahead', 'puts the gear ahead by', 400, { first: true }),
    mm('longer', 'reaches farther by', 400, { first: true }),
    ...COMMON.slice(1),
  ],
  cage: [
    COMMON[0]!,
    mm('wall', 'wall', 100, { first: true, hint: 'beside and over the body' }),
    mm('bottom', 'bottom', 100, { first: true, hint: 'what it adds under the body' }),
    mm('depth', 'length', 600, { first: true, hint: 'along the axis, from its front back' }),
    mm('innerWidth', 'room inside, across', 600, { hint: 'between its walls' }),
    mm('innerHeight', 'room inside, up', 600, { hint: 'from where the body stands to its top' }),
    mm('frontBack', 'front behind the mount', 300, {
      hint: 'its front behind the mount face; flush when empty',
    }),
    flag('openLeft', 'open at camera left'),
    flag('openRight', 'open at camera right'),
    flag('openTop', 'open at the top'),
    flag('openBottom', 'open at the bottom'),
    { type: 'texts', key: 'madeFor', label: 'made for', of: 'body' },
    ...HELD,
    ...COMMON.slice(1),
  ],
  handle: fitting(),
  grip: fitting(),
  arm: fitting(),
  'shoulder-pad': fitting(),
  counterweight: fitting(),
  'hand-unit': fitting(
    quantity('turn', 'turn of the wheel', 'deg', 'angle', 10, 3600, { hint: 'from end to end' }),
    ...SUPPLY,
  ),
  monitor: fitting(flag('tilts', 'tilts where it stands'), ...SUPPLY),
  recorder: fitting(...SUPPLY),
  finder: fitting(...SUPPLY),
  battery: fitting(
    quantity('wattHours', 'holds', 'Wh', 'watts', 0, 5000),
    quantity('voltsFrom', 'gives from', 'V', 'volts', 0, 100),
    quantity('voltsTo', 'gives up to', 'V', 'volts', 0, 100),
    OUTLETS,
  ),
  'battery-plate': fitting(OUTLETS),
  'dummy-battery': fitting(...SUPPLY),
};

/** Fields that are the two ends of one range, by the lower end: `from` never lies above `to`. */
const UPPER_END: Readonly<Record<string, string>> = {
  focal: 'focalTo',
  from: 'to',
  postFrom: 'postTo',
  armFrom: 'armTo',
  voltsFrom: 'voltsTo',
  sleeveFrom: 'sleeveTo',
  stops: 'stopsTo',
  slotStops: 'slotStopsTo',
  isoFrom: 'isoTo',
  heightFrom: 'heightTo',
};

/** Every pair of fields of a part, and of lines in its tables, that are the ends of one range. */
export function rangesOf(fields: readonly Field[]): readonly { from: Field; to: Field }[] {
  let list = ranges.get(fields);
  if (!list) {
    list = fields.flatMap((from) => {
      const to = fields.find((f) => f.key === UPPER_END[from.key]);
      return to ? [{ from, to }] : [];
    });
    ranges.set(fields, list);
  }
  return list;
}

const ranges = new WeakMap<readonly Field[], readonly { from: Field; to: Field }[]>();

export const KINDS = Object.keys(FIELDS) as Kind[];

export const KIND_NAME: Record<Kind, { one: string; many: string }> = {
  body: { one: 'body', many: 'bodies' },
  adapter: { one: 'adapter', many: 'adapters' },
  reducer: { one: 'reducer or extender', many: 'reducers and extenders' },
  lens: { one: 'lens', many: 'lenses' },
  ring: { one: 'thread ring', many: 'thread rings' },
  filter: { one: 'filter', many: 'filters' },
  'matte-box': { one: 'matte box', many: 'matte boxes' },
  'reduction-ring': { one: 'reduction ring', many: 'reduction rings' },
  sleeve: { one: 'sleeve', many: 'sleeves' },
  plate: { one: 'plate or bridge', many: 'plates and bridges' },
  riser: { one: 'riser', many: 'risers' },
  rods: { one: 'pair of rods', many: 'rods' },
  'gear-ring': { one: 'gear ring', many: 'gear rings' },
  'lens-support': { one: 'lens support', many: 'lens supports' },
  'follow-focus': { one: 'follow focus', many: 'follow focuses' },
  motor: { one: 'motor', many: 'motors' },
  'drive-arm': { one: 'extension arm', many: 'extension arms' },
  cage: { one: 'cage', many: 'cages' },
  handle: { one: 'handle', many: 'handles' },
  grip: { one: 'grip', many: 'grips' },
  arm: { one: 'arm', many: 'arms' },
  'shoulder-pad': { one: 'shoulder pad', many: 'shoulder pads' },
  counterweight: { one: 'counterweight', many: 'counterweights' },
  'hand-unit': { one: 'hand unit', many: 'hand units' },
  monitor: { one: 'monitor', many: 'monitors' },
  recorder: { one: 'recorder', many: 'recorders' },
  finder: { one: 'finder', many: 'finders' },
  battery: { one: 'battery', many: 'batteries' },
  'battery-plate': { one: 'battery plate', many: 'battery plates' },
  'dummy-battery': { one: 'dummy battery', many: 'dummy batteries' },
};

/** Whether a field is of concern to a part, by what the part says of itself so far. */
export function concerns(field: Field, part: object): boolean {
  if (!field.onlyFor) return true;
  const said = (part as Record<string, unknown>)[field.onlyFor.key];
  return said === undefined || field.onlyFor.is.includes(String(said));
}

/** Whether this version computes with parts of this kind. */
export function isKind(kind: string): kind is Kind {
  return Object.hasOwn(FIELDS, kind);
}

/**
 * The field that a path inside a part leads to, e.g. `['imageCircle', '0', 'diameter']`;
 * null for a field this version does not know.
 */
export function fieldAt(kind: string, path: readonly string[]): Field | null {
  if (!isKind(kind)) return null;
  let fields: readonly Field[] = FIELDS[kind];
  let found: Field | null = null;
  for (let i = 0; i < path.length; i++) {
    found = fields.find((f) => f.key === path[i]) ?? null;
    if (!found) return null;
    if (found.type === 'rows' && i + 1 < path.length) {
      fields = found.fields;
      i++; // skip the row's index or id
    }
  }
  return found;
}
