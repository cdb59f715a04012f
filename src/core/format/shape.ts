import { FIELDS, isKind, type Field, type RowsField } from '../kit/fields';
import { JOB_VERSION } from './version';
import { RULES } from '../rules/rules';

/**
 * What a file looks like, said once. The Joi schemas that validate and the JSON Schema that is
 * published are both made from these shapes, so they cannot drift apart.
 */
export type Shape =
  | { is: 'object'; fields: Record<string, Shape>; required: string[] }
  | { is: 'list'; of: Shape; max: number; min?: number }
  | { is: 'map'; of: Shape }
  | { is: 'number'; min: number; max: number; integer?: boolean; unit: string }
  | { is: 'quantity'; min: number; max: number; unit: string }
  | { is: 'text'; min: number; max: number }
  | { is: 'id' }
  | { is: 'choice'; values: readonly (string | number)[] }
  | { is: 'flag' }
  | { is: 'nullable'; of: Shape }
  | { is: 'anything' }
  | { is: 'part' };

export const ID_PATTERN = /^[A-Za-z0-9][A-Za-z0-9._:-]{0,79}$/;
export const MOST_PARTS = 20_000;

const id: Shape = { is: 'id' };
const text = (max: number, min = 0): Shape => ({ is: 'text', min, max });
const object = (fields: Record<string, Shape>, required: string[] = []): Shape => ({
  is: 'object',
  fields,
  required,
});
const list = (of: Shape, max: number): Shape => ({ is: 'list', of, max });
const number = (min: number, max: number, unit = '', integer = false): Shape => ({
  is: 'number',
  min,
  max,
  unit,
  integer,
});

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
  const fields: Record<string, Shape> = { id, kind: text(40, 1) };
  const table: readonly Field[] = isKind(kind)
    ? FIELDS[kind]
    : FIELDS.lens.filter((f) => ['name', 'owner', 'count', 'mass', 'notes'].includes(f.key));
  for (const f of table) fields[f.key] = shapeOfField(f);
  return object(fields, ['id', 'kind', 'name']);
}

const frame = object(
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

const change = object(
  {
    path: list(text(120, 1), 12),
    value: { is: 'anything' },
    at: number(0, 100_000, '', true),
    prune: number(0, 12, '', true),
  },
  ['path'],
);

const turns: Shape = { is: 'choice', values: ['focus', 'iris', 'zoom'] };

const between = list(
  object(
    {
      id,
      part: id,
      slot: { is: 'choice', values: ['glass', 'empty'] },
      tied: { is: 'flag' },
      wheel: id,
    },
    ['part'],
  ),
  10,
);

const rig = object(
  {
    id,
    name: text(120, 1),
    body: { is: 'nullable', of: id },
    mode: { is: 'nullable', of: id },
    frames: list(frame, 50),
    lens: { is: 'nullable', of: id },
    focal: number(1, 3000, 'mm'),
    stop: number(0.3, 128, 'T'),
    focus: number(1, 1e7, 'mm'),
    between,
    lenses: { is: 'map', of: object({ between }) },
    thread: list(object({ id, part: id }, ['part']), 12),
    box: object(
      {
        part: id,
        ring: id,
        sleeve: id,
        station: number(-1000, 5000, 'mm'),
        trays: list(
          object({ id, filter: id, out: { is: 'flag' }, turn: number(-360, 360, 'deg') }, ['id']),
          20,
        ),
        mask: id,
        flags: list(object({ id, angle: number(-90, 180, 'deg') }, ['id', 'angle']), 8),
      },
      ['part'],
    ),
    under: list(
      object(
        {
          id,
          part: id,
          at: { is: 'choice', values: ['body', 'rods'] },
          station: number(-2000, 5000, 'mm'),
          height: number(0, 500, 'mm'),
        },
        ['part'],
      ),
      12,
    ),
    rods: list(
      object(
        {
          id,
          part: id,
          place: { is: 'choice', values: ['through', 'front', 'rear'] },
          tip: number(-2000, 5000, 'mm'),
        },
        ['id', 'part', 'place'],
      ),
      6,
    ),
    gears: list(object({ id, part: id, turns }, ['part', 'turns']), 6),
    supports: list(
      object({ id, part: id, station: number(-2000, 5000, 'mm'), post: number(0, 500, 'mm') }, [
        'id',
        'part',
      ]),
      6,
    ),
    drives: list(
      object(
        {
          id,
          part: id,
          turns,
          side: { is: 'choice', values: ['left', 'right'] },
          station: number(-2000, 5000, 'mm'),
          angle: number(-360, 360, 'deg'),
          flipped: { is: 'flag' },
          arm: id,
          outlet: object({ from: id, id }, ['from', 'id']),
          reversed: { is: 'flag' },
          unit: id,
        },
        ['id', 'part', 'turns'],
      ),
      12,
    ),
    fitted: list(
      object(
        {
          id,
          part: id,
          to: id,
          on: {
            is: 'choice',
            values: ['top', 'bottom', 'left', 'right', 'front', 'rear', 'rods'],
          },
          x: number(-2000, 2000, 'mm'),
          y: number(-2000, 2000, 'mm'),
          z: number(-2000, 2000, 'mm'),
          station: number(-2000, 5000, 'mm'),
          turn: number(-360, 360, 'deg'),
        },
        ['id', 'part', 'on'],
      ),
      400,
    ),
    screenShut: { is: 'flag' },
    footTied: { is: 'flag' },
    wheel: id,
    hand: { is: 'choice', values: ['focus', 'zoom'] },
    limits: object({
      name: text(120),
      height: number(0, 20000, 'mm'),
      width: number(0, 20000, 'mm'),
      length: number(0, 20000, 'mm'),
      standsAt: number(0, 20000, 'mm'),
    }),
    light: object({
      ev: number(-15, 25, 'EV'),
      iso: number(1, 1_000_000),
      fps: number(0.01, 100_000, 'fps'),
      angle: number(0.1, 360, 'deg'),
      profile: id,
      mains: { is: 'choice', values: [50, 60] },
      from: { is: 'choice', values: ['top', 'bottom', 'left', 'right'] },
      at: number(0, 90, 'deg'),
      flare: { is: 'flag' },
    }),
    reference: id,
    configurations: list(
      object({ id, name: text(120, 1), changes: list(change, 1000) }, ['id', 'name', 'changes']),
      100,
    ),
  },
  ['id', 'name', 'body', 'mode', 'frames', 'lens', 'between'],
);

const ownMount = object(
  {
    id,
    name: text(120, 1),
    flange: { is: 'quantity', min: 0, max: 200, unit: 'mm' },
    throat: { is: 'quantity', min: 1, max: 300, unit: 'mm' },
    note: text(400),
  },
  ['id', 'name'],
);

export const JOB_SHAPE: Shape = object(
  {
    format: { is: 'choice', values: ['nelvix-job'] },
    version: { is: 'choice', values: [JOB_VERSION] },
    id,
    name: text(120, 1),
    note: text(4000),
    mounts: list(ownMount, 500),
    aliases: { is: 'map', of: text(120, 1) },
    kit: list({ is: 'part' }, MOST_PARTS),
    lensSet: list(id, 1000),
    rigs: list(rig, 500),
    rules: object({
      set: { is: 'choice', values: ['house', 'strict', 'light'] },
      values: object(Object.fromEntries(RULES.map((r) => [r.id, number(r.min, r.max, r.unit)]))),
    }),
    markTests: list(
      object(
        {
          id,
          parts: list(id, 20),
          error: { is: 'quantity', min: -20, max: 20, unit: 'mm' },
          when: text(40),
        },
        ['id', 'parts', 'error'],
      ),
      10_000,
    ),
    trials: list(
      object(
        {
          id,
          parts: list(id, 20),
          result: { is: 'choice', values: ['fits', 'fits with force', 'does not fit'] },
          when: text(40),
          role: text(80),
          note: text(4000),
        },
        ['id', 'parts', 'result'],
      ),
      10_000,
    ),
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
