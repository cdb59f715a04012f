import { PLUGS } from './plugs';
import type { ToleranceClass } from '../quantity/quantity';

/** What a field of a part is like, and the fields that several kinds have. */
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
  of: string;
}
export interface RowsField extends FieldBase {
  type: 'rows';
  /** What one row is called. */
  row: string;
  fields: readonly Field[];
  /** Rows carry an id and are addressed by it. */
  keyed?: boolean;
  /** Parts of a kind usually have some, to begin with: `kit/usual.ts` has them by this key. */
  usual?: true;
  /** A row in a few words. */
  said?: true;
}

export const mm = (
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

export const COMMON: readonly Field[] = [
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

export function quantityField(
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

export const LINK: readonly Field[] = [
  { type: 'mount', key: 'lensMount', label: 'lens side', first: true },
  { type: 'mount', key: 'bodyMount', label: 'body side', first: true },
  mm('length', 'length', 400, {
    cls: 'flange',
    first: true,
  }),
  mm('outerDiameter', 'outer diameter', 400),
  mm('bore', 'clear bore', 300),
  mm('play', 'play', 5),
  { type: 'flag', key: 'foot', label: 'has a foot' },
  mm('footAt', 'foot at', 400),
  mm('footLength', 'foot length', 400),
  mm('footDown', 'axis to foot', 300),
  quantityField('mountMoment', 'load its mount bears', 'N m', 'moment', 0, 100),
  { type: 'flag', key: 'passesControl', label: 'passes aperture control' },
];

export const quantity = quantityField;

export const number = (
  key: string,
  label: string,
  unit: string,
  min: number,
  max: number,
  more: Partial<NumberField> = {},
): NumberField => ({ type: 'number', key, label, unit, min, max, ...more });

export const flag = (key: string, label: string): FlagField => ({
  type: 'flag',
  key,
  label,
});

export const choice = (
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

export const FILTER_TYPES = [
  ['nd', 'neutral density'],
  ['polariser', 'polariser'],
  ['variable-nd', 'variable ND'],
  ['diffusion', 'diffusion'],
  ['streak', 'streak'],
  ['close-up', 'close-up'],
  ['clear', 'clear'],
] as const;

export const falloff: RowsField = {
  type: 'rows',
  key: 'falloff',
  label: 'light falloff',
  row: 'line',
  fields: [
    number('focal', 'at focal', 'mm', 1, 3000),
    number('height', 'image height', 'mm', 0, 200, { required: true }),
    number('stops', 'loss', 'stops', 0, 20, { required: true }),
  ],
};

export const SCREW = { key: 'shape', is: ['screw'] };
export const PLATE = { key: 'shape', is: ['rectangle'] };
export const ROUND = { key: 'shape', is: ['round'] };
export const VARIABLE = { key: 'type', is: ['variable-nd'] };
export const CLIPS = { key: 'attach', is: ['clip-on', 'both'] };
export const ANY_RODS = { key: 'attach', is: ['rods', 'both'] };
export const ON_RODS = { key: 'attach', is: ['rods'] };
export const SCREEN = { key: 'screenSide', is: ['left', 'right', 'rear', 'rear-right'] };
export const SEAMLESS = { key: 'style', is: ['seamless'] };
export const CLOSES = { key: 'style', is: ['split', 'strap'] };
export const STRAP = { key: 'style', is: ['strap', 'split'] };

/** What a lead goes into. */
export const SOCKETS = PLUGS.flatMap((p) => (p.cells ? [] : [[p.id, p.name] as const]));
/** What power comes through. */
const PLUG_NAMES = PLUGS.flatMap((p) => (p.signal ? [] : [[p.id, p.name] as const]));
const CHAMBERS = PLUGS.flatMap((p) => (p.cells ? [[p.id, p.name] as const] : []));

export const FACES = [
  ['left', 'camera left'],
  ['right', 'camera right'],
  ['top', 'top'],
  ['bottom', 'bottom'],
  ['front', 'front'],
  ['rear', 'rear'],
] as const;

/** How far something is off the middle of the face that it is on, along the axes of its part. */
export const offFace = (label: (way: string) => string, ...keys: string[]): Field[] =>
  ['across', 'up', 'forward'].map((way, k) =>
    quantity(keys[k]!, label(way), 'mm', 'length', -1000, 1000),
  );

export const ofItsFace = (way: string) => `${way} from the middle of the face`;

export const SUPPLY: readonly Field[] = [
  quantity('voltsFrom', 'runs from', 'V', 'volts', 0, 100),
  quantity('voltsTo', 'runs up to', 'V', 'volts', 0, 100),
  quantity('watts', 'takes', 'W', 'watts', 0, 2000),
  quantity('wattsIdle', 'takes at rest', 'W', 'watts', 0, 2000),
  quantity('wattsReady', 'takes while ready', 'W', 'watts', 0, 2000),
  quantity('wattsPeak', 'greatest draw', 'W', 'watts', 0, 4000),
  choice('inlet', 'inlet', PLUG_NAMES),
  choice('inletFace', 'face of the inlet', FACES),
  ...offFace((way) => `inlet ${way}`, 'inletX', 'inletY', 'inletZ'),
  choice('chamber', 'takes a battery', CHAMBERS),
  flag('ownPack', 'runs on a battery of its own'),
  quantity('ownWattHours', 'its own battery holds', 'Wh', 'watts', 0, 2000),
  quantity('chargeWatts', 'takes in while it runs', 'W', 'watts', 0, 2000),
];

export const BLOCK: readonly Field[] = [
  mm('width', 'width', 1000, { first: true }),
  mm('height', 'height', 1000, { first: true }),
  mm('depth', 'length', 1000, { first: true }),
];

export const VENTS: RowsField = {
  type: 'rows',
  key: 'vents',
  label: 'vents',
  row: 'vent',
  keyed: true,
  fields: [
    { type: 'text', key: 'name', label: 'name', max: 80, required: true },
    choice('face', 'face', FACES),
    flag('fan', 'fan'),
  ],
};

export const gearModule = quantity('module', 'module', 'mm', 'exact', 0.1, 5);

export const teeth = (key: string, label: string, more: Partial<NumberField> = {}): NumberField =>
  number(key, label, 'teeth', 6, 600, { integer: true, ...more });

export const clampLength = mm('clampLength', 'clamp along the rods', 400, { first: true });

export const OUTLETS: RowsField = {
  type: 'rows',
  key: 'outlets',
  label: 'outlets',
  row: 'outlet',
  keyed: true,
  fields: [
    { type: 'text', key: 'name', label: 'name', max: 80, required: true },
    quantity('volts', 'volts', 'V', 'volts', 0, 100),
    quantity('voltsOther', 'volts switched over', 'V', 'volts', 0, 100),
    quantity('amps', 'amps', 'A', 'watts', 0, 100),
    choice('plug', 'socket', PLUG_NAMES),
    choice('face', 'face', FACES),
    ...offFace(ofItsFace, 'x', 'y', 'z'),
    flag('passes', 'passes the volts of the battery'),
    choice('swap', 'while a pack is changed', [
      ['holds', 'stays up'],
      ['drops', 'goes dark'],
    ]),
  ],
};

/** What goes through a lead that feeds nothing. */
export const CARRIED = [
  ['video', 'picture'],
  ['sound', 'sound'],
  ['control', 'control'],
  ['data', 'data'],
] as const;

/** Picture, sound, control and data, in and out. */
export const PORTS: RowsField = {
  type: 'rows',
  key: 'ports',
  label: 'ports',
  row: 'port',
  keyed: true,
  usual: true,
  said: true,
  fields: [
    { type: 'text', key: 'name', label: 'name', max: 80, required: true },
    choice('carries', 'carries', CARRIED),
    choice('way', 'in or out', [
      ['out', 'sends'],
      ['in', 'takes in'],
      ['loop', 'sends on what comes in'],
      ['both', 'both ways'],
    ]),
    choice('plug', 'socket', SOCKETS),
    flag('isInlet', 'it is fed by it as well'),
    choice('face', 'face', FACES),
    ...offFace(ofItsFace, 'x', 'y', 'z'),
  ],
};

/** A filter wheel, or the filters that go into one slot by turns. */
export const wheel = (label: string): RowsField => ({
  type: 'rows',
  key: 'wheel',
  label,
  row: 'place',
  keyed: true,
  fields: [
    { type: 'text', key: 'name', label: 'name', max: 80, required: true },
    quantity('stops', 'light it takes', 'stops', 'light', 0, 20),
  ],
});

export const HELD: readonly Field[] = [
  number('screws', 'screws that hold it', '', 0, 20, { integer: true }),
  flag('pins', 'pins keep it from turning'),
  quantity('rating', 'rated for', 'g', 'mass', 0, 1e6),
];

/** A kind of part: what it is called and what it can say. */
export interface KindDef {
  one: string;
  many: string;
  fields: readonly Field[];
}
