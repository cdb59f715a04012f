import { kinds as coverage } from '../areas/coverage/kit/kinds';
import { kinds as mount } from '../areas/mount/kit/kinds';
import { kinds as front } from '../areas/front/kit/kinds';
import { kinds as rods } from '../areas/rods/kit/kinds';
import { kinds as drive } from '../areas/drive/kit/kinds';
import { kinds as support } from '../areas/support/kit/kinds';
import { kinds as space } from '../areas/space/kit/kinds';
import { kinds as joints } from '../areas/joints/kit/kinds';
import type { Field, KindDef } from '../engine/field';
import { kinds as carry } from '../areas/carry/kit/kinds';
import { kinds as media } from '../areas/media/kit/kinds';
import { kinds as power } from '../areas/power/kit/kinds';

export type * from '../engine/field';

/**
 * The one description of what each kind of part can say, area by area. Validation, the JSON Schema,
 * CSV columns, the part sheets on screen and docs/format.md are all made from it.
 */
const ALL = {
  ...coverage,
  ...mount,
  ...front,
  ...rods,
  ...drive,
  ...support,
  ...space,
  ...joints,
  ...carry,
  ...power,
  ...media,
} satisfies Record<string, KindDef>;

/** Every kind of part that this version knows, by its word in a file. */
export type Kind = keyof typeof ALL;

export const KINDS = Object.keys(ALL) as Kind[];

const each = <T>(of: (kind: KindDef) => T) =>
  Object.fromEntries(KINDS.map((k): [Kind, T] => [k, of(ALL[k])])) as Record<Kind, T>;

export const FIELDS: Readonly<Record<Kind, readonly Field[]>> = each((k) => k.fields);

export const KIND_NAME: Readonly<Record<Kind, { one: string; many: string }>> = each((k) => k);

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
  counterFrom: 'counterTo',
  plateLow: 'plateHigh',
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
