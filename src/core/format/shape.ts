import { FIELDS, isKind, type Field, type RowsField } from '../kit/fields';
import { JOB_VERSION } from './version';
import { RULES } from '../rules/rules';
import { records } from './shape-records';
import { id, list, MOST_PARTS, number, object, text, type Shape } from './shape-tools';

export * from './shape-tools';

/** The shape of one field of the kit table. */
export function shapeOfField(field: Field): Shape {
  switch (field.type) {
    case 'quantity':
      return { is: 'quantity', min: field.min, max: field.max, unit: field.unit };
    case 'number':
      return {
        is: 'number',
        min: field.min,
        max: field.max,
        unit: field.unit,
        integer: field.integer,
      };
    case 'text':
      return text(field.max, field.required ? 1 : 0);
    case 'choice':
      return { is: 'choice', values: field.options.map((o) => o.value) };
    case 'flag':
      return { is: 'flag' };
    case 'mount':
      return id;
    case 'texts':
      return list(text(120, 1), 500);
    case 'rows':
      return list(shapeOfRow(field), 500);
  }
}

function shapeOfRow(field: RowsField): Shape {
  const fields: Record<string, Shape> = field.keyed ? { id } : {};
  for (const f of field.fields) fields[f.key] = shapeOfField(f);
  const required = field.fields.filter((f) => f.required).map((f) => f.key);
  return object(fields, field.keyed ? ['id', ...required] : required);
}

/** The shape of a part: by its kind when this version computes with it, else its common fields. */
export function shapeOfPart(kind: string): Shape {
  const key = isKind(kind) ? kind : '';
  let shape = shapes.get(key);
  if (!shape) shapes.set(key, (shape = freshShape(kind)));
  return shape;
}

/** One shape for a kind, and the same one: what is made of it is kept by it. */
const shapes = new Map<string, Shape>();

function freshShape(kind: string): Shape {
  const fields: Record<string, Shape> = { id, kind: text(40, 1) };
  const table: readonly Field[] = isKind(kind)
    ? FIELDS[kind]
    : FIELDS.lens.filter((f) => ['name', 'owner', 'count', 'mass', 'notes'].includes(f.key));
  for (const f of table) fields[f.key] = shapeOfField(f);
  return object(fields, ['id', 'kind', 'name']);
}

export const frame = object(
  {
    id,
    name: text(80, 1),
    aspect: number(0.05, 20),
    scale: number(0.05, 1),
    x: number(-100, 100, 'mm'),
    y: number(-100, 100, 'mm'),
    deliver: object({ w: number(1, 100_000, 'px', true), h: number(1, 100_000, 'px', true) }, [
      'w',
      'h',
    ]),
  },
  ['id', 'name', 'aspect'],
);

export const change = object(
  {
    path: list(text(120, 1), 12),
    value: { is: 'anything' },
    at: number(0, 100_000, '', true),
    prune: number(0, 12, '', true),
  },
  ['path'],
);

export const turns: Shape = { is: 'choice', values: ['focus', 'iris', 'zoom'] };

export const ownMount = object(
  {
    id,
    name: text(120, 1),
    flange: { is: 'quantity', min: 0, max: 200, unit: 'mm' },
    throat: { is: 'quantity', min: 1, max: 300, unit: 'mm' },
    note: text(400),
  },
  ['id', 'name'],
);

export const limits = object({
  name: text(120),
  height: number(0, 20000, 'mm'),
  width: number(0, 20000, 'mm'),
  length: number(0, 20000, 'mm'),
  standsAt: number(0, 20000, 'mm'),
  mass: number(1, 1_000_000, 'g'),
});

const held: Shape = {
  is: 'choice',
  values: [
    'head',
    'shoulder',
    'handle',
    'hook',
    'two-grips',
    'one-grip',
    'hugged',
    'hip',
    'gimbal',
    'monopod',
    'table',
    'vehicle',
  ],
};

const carry = object({
  by: held,
  also: held,
  x: number(-2000, 2000, 'mm'),
  z: number(-2000, 2000, 'mm'),
  least: number(0, 1_000_000, 'g'),
  most: number(1, 1_000_000, 'g'),
  axis: number(-5000, 20000, 'mm'),
  eyes: number(0, 20000, 'mm'),
  ceiling: number(0, 50000, 'mm'),
  minutes: number(0, 1440, 'min'),
});

export const light = object({
  ev: number(-15, 25, 'EV'),
  iso: number(1, 1_000_000),
  fps: number(0.01, 100_000, 'fps'),
  angle: number(0.1, 360, 'deg'),
  profile: id,
  mains: { is: 'choice', values: [50, 60] },
  from: { is: 'choice', values: ['top', 'bottom', 'left', 'right'] },
  at: number(0, 90, 'deg'),
  flare: { is: 'flag' },
});

/** What a role lets be set; a role that this version does not know may call others so. */
const set = object({
  screenShut: { is: 'flag' },
  wheel: id,
  hand: { is: 'choice', values: ['focus', 'zoom'] },
  slot: { is: 'choice', values: ['glass', 'empty'] },
  tied: { is: 'flag' },
  height: number(0, 500, 'mm'),
  turns,
  post: number(0, 500, 'mm'),
  away: number(0, 200_000, 'mm'),
  angle: number(-360, 360, 'deg'),
  flipped: { is: 'flag' },
  reversed: { is: 'flag' },
  unit: id,
  mask: id,
  stages: { is: 'map', of: object({ out: { is: 'flag' }, turn: number(-360, 360, 'deg') }) },
  flags: { is: 'map', of: object({ angle: number(-90, 180, 'deg') }, ['angle']) },
});

/** Anything by name, for a version to come. */
const anything: Shape = { is: 'anything' };
const more: Shape = { is: 'map', of: anything };

const used = { role: text(40, 1), part: id, set, carried: more };

const end = { use: id, interface: id, face: text(40, 1) };

const seated = {
  kind: text(40, 1),
  guest: object(end, ['use']),
  host: object(end),
  place: object({
    x: number(-2000, 2000, 'mm'),
    y: number(-2000, 2000, 'mm'),
    z: number(-2000, 2000, 'mm'),
    station: number(-2000, 5000, 'mm'),
    turn: number(-360, 360, 'deg'),
    n: number(0, 60, '', true),
    slide: number(-1000, 1000, 'mm'),
    gap: number(0, 200, 'mm'),
    order: number(0, 100_000),
    side: { is: 'choice', values: ['left', 'right'] },
    end: { is: 'choice', values: ['through', 'front', 'rear'] },
  }),
  screw: number(0, 200, 'mm'),
  tight: { is: 'choice', values: ['snug', 'firm', 'critical'] },
  signed: text(80),
  line: { is: 'flag' },
  positions: list(
    object(
      {
        id,
        name: text(40, 1),
        slide: number(-1000, 1000, 'mm'),
        turn: number(-360, 360, 'deg'),
      },
      ['id', 'name'],
    ),
    20,
  ),
} satisfies Record<string, Shape>;

const port = object({ use: id, port: id }, ['use']);

const rig = object(
  {
    id,
    name: text(120, 1),
    mode: id,
    frames: list(frame, 50),
    focal: number(1, 3000, 'mm'),
    stop: number(0.3, 128, 'T'),
    focus: number(1, 1e7, 'mm'),
    reference: id,
    light,
    limits,
    carry,
    upright: { is: 'choice', values: ['left', 'right'] },
    hold: id,
    overhead: { is: 'flag' },
    celsius: number(-60, 60, 'C'),
    uses: list(object({ id, ...used }, ['id', 'role', 'part']), 1000),
    joints: list(object({ id, ...seated }, ['id', 'kind', 'guest']), 2000),
    links: list(
      object(
        {
          id,
          kind: text(40, 1),
          from: port,
          to: port,
          lead: id,
          tied: { is: 'flag' },
          ties: number(0, 99),
          via: list(
            object(
              {
                id,
                use: id,
                face: { is: 'choice', values: ['left', 'right', 'top', 'bottom', 'front', 'rear'] },
                x: number(-1000, 1000, 'mm'),
                y: number(-1000, 1000, 'mm'),
                z: number(-1000, 1000, 'mm'),
              },
              ['id', 'use', 'face'],
            ),
            40,
          ),
          switched: { is: 'flag' },
        },
        ['id', 'kind', 'from', 'to'],
      ),
      1000,
    ),
    remembered: {
      is: 'map',
      of: object(
        {
          uses: { is: 'map', of: object(used, ['role', 'part']) },
          joints: { is: 'map', of: object(seated, ['kind', 'guest']) },
        },
        ['uses', 'joints'],
      ),
    },
    configurations: list(
      object(
        {
          id,
          name: text(120, 1),
          over: more,
          carried: object({ changes: list(change, 1000) }),
        },
        ['id', 'name', 'over'],
      ),
      100,
    ),
    carried: more,
  },
  ['id', 'name', 'frames', 'uses', 'joints', 'links'],
);

/** What every version of a job has said alike. */
export const COMMON = {
  id,
  name: text(120, 1),
  note: text(4000),
  mounts: list(ownMount, 500),
  aliases: { is: 'map', of: text(120, 1) } satisfies Shape as Shape,
  kit: list({ is: 'part' }, MOST_PARTS),
  rules: object({
    set: { is: 'choice', values: ['house', 'strict', 'light'] },
    values: object(Object.fromEntries(RULES.map((r) => [r.id, number(r.min, r.max, r.unit)]))),
  }),
};

export const JOB_SHAPE: Shape = object(
  {
    format: { is: 'choice', values: ['nelvix-job'] },
    version: { is: 'choice', values: [JOB_VERSION] },
    ...COMMON,
    lensSet: list(object({ id }, ['id']), 1000),
    goal: object({
      shot: id,
      hold: { is: 'choice', values: ['legs', 'shoulder', 'hand', 'gimbal'] },
      crew: { is: 'choice', values: ['alone', 'crew'] },
      grip: { is: 'choice', values: ['free'] },
      hours: number(0, 100, 'h'),
      day: number(0, 24, 'h'),
      events: list(
        object(
          {
            id,
            name: text(80),
            from: number(0, 24, 'h'),
            to: number(0, 24, 'h'),
            is: { is: 'choice', values: ['keep', 'break'] },
          },
          ['id', 'name', 'from', 'to', 'is'],
        ),
        60,
      ),
      night: number(0, 24, 'h'),
      sound: { is: 'choice', values: ['camera', 'recorder', 'none'] },
      light: { is: 'choice', values: ['daylight', 'indoors', 'night'] },
    }),
    rigs: list(rig, 500),
    records,
  },
  ['format', 'version', 'id', 'name', 'kit', 'rigs'],
);

/** What was expected at a place, in words. */
export function expectation(shape: Shape): string {
  switch (shape.is) {
    case 'object':
      return 'an object';
    case 'list':
      return `a list of at most ${shape.max}`;
    case 'map':
      return 'an object of names';
    case 'number':
      return `${shape.integer ? 'a whole number' : 'a number'}${shape.unit ? ` in ${shape.unit}` : ''} from ${shape.min} to ${shape.max}`;
    case 'quantity':
      return `a number${shape.unit ? ` in ${shape.unit}` : ''} from ${shape.min} to ${shape.max}, or {value, tol, from}`;
    case 'text':
      return shape.min > 0
        ? `text of 1 to ${shape.max} characters`
        : `text of at most ${shape.max} characters`;
    case 'id':
      return 'an id: letters, digits, dot, dash, colon or underscore, at most 80';
    case 'choice':
      return shape.values.map((v) => JSON.stringify(v)).join(' or ');
    case 'flag':
      return 'true or false';
    case 'nullable':
      return `${expectation(shape.of)}, or null`;
    case 'anything':
      return 'anything';
    case 'part':
      return 'a part with id, kind and name';
  }
}
