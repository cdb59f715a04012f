import { typical as carry } from '../areas/carry/kit/typical';
import { typical as coverage } from '../areas/coverage/kit/typical';
import { typical as drive } from '../areas/drive/kit/typical';
import { typical as front } from '../areas/front/kit/typical';
import { usualInterfaces } from '../areas/joints/kit/usual';
import { usualPorts } from '../areas/power/kit/usual';
import { typical as joints } from '../areas/joints/kit/typical';
import { typical as mount } from '../areas/mount/kit/typical';
import { typical as media } from '../areas/media/kit/typical';
import { typical as power } from '../areas/power/kit/typical';
import { typical as rods } from '../areas/rods/kit/typical';
import { typical as space } from '../areas/space/kit/typical';
import { typical as support } from '../areas/support/kit/typical';
import { newId } from '../engine/ids';
import { guessOf, isRange, type Told, type Typical } from '../engine/typical';
import { FIELDS, isKind, type Field } from '../kit/fields';
import type { Part } from '../kit/types';

/**
 * The shelf: typical parts by class, area by area. It stands apart from the areas themselves, so
 * that it is loaded only where somebody takes from it.
 */
export const SHELF: readonly Typical[] = [
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
];

const BY_ID = new Map(SHELF.map((t) => [t.id, t]));

/** The class of an id; null when there is none. */
export function typicalOf(id: string): Typical | null {
  return BY_ID.get(id) ?? null;
}

/** Classes of a kind, in the order of the shelf. */
export function classesOf(kind: string): readonly Typical[] {
  return SHELF.filter((t) => t.kind === kind);
}

/** What stands in the notes of a part of the shelf. */
export const TYPICAL_NOTE =
  'A typical part: its numbers are guesses over all pieces of its class. Measure what matters first.';

/**
 * A part of a class: every range a guess with its width, what it is held by as pieces of its kind
 * usually are.
 *
 * @param more what is known of it already, as the mount somebody chose
 */
export function partOf(t: Typical, more: Readonly<Record<string, unknown>> = {}): Part {
  const kind: readonly Field[] = isKind(t.kind) ? FIELDS[t.kind] : [];
  const named = new Set(kind.flatMap((f) => (f.type === 'rows' && f.keyed ? [f.key] : [])));
  const fields = Object.fromEntries(
    Object.entries(t.fields).map(([k, v]) => [k, valueOfTold(v, named.has(k))]),
  );
  const has = (key: string) => kind.some((f) => f.key === key);
  const interfaces = has('interfaces')
    ? usualInterfaces(t.kind).map((i) => ({ id: newId('i'), ...i }))
    : [];
  const ports = has('ports') ? usualPorts(t.kind).map((p) => ({ id: newId('p'), ...p })) : [];
  return {
    id: newId(t.kind),
    kind: t.kind,
    name: t.name,
    // It stands in for a piece that nobody said is there.
    count: 0,
    ...fields,
    ...(interfaces.length > 0 ? { interfaces } : {}),
    ...(ports.length > 0 ? { ports } : {}),
    notes: notesOf(t),
    ...more,
  } as Part;
}

function valueOfTold(v: Told, named: boolean): unknown {
  if (isRange(v)) return guessOf(v);
  if (typeof v !== 'object') return v;
  return v.map((row) => ({
    ...(named ? { id: typeof row.turns === 'string' ? row.turns : newId('r') } : {}),
    ...Object.fromEntries(Object.entries(row).map(([k, x]) => [k, isRange(x) ? guessOf(x) : x])),
  }));
}

/** What a field of a class is called, with its unit: `length, mm`; of a row with the name of the row. */
export function labelOf(kind: string, path: string): string {
  const [first, second] = path.split('.');
  const fields: readonly Field[] = isKind(kind) ? FIELDS[kind] : [];
  const own = fields.find((f) => f.key === first);
  const of = own?.type === 'rows' ? own.fields.find((f) => f.key === second) : own;
  const unit = of && 'unit' in of && of.unit ? `, ${of.unit}` : '';
  return `${own?.type === 'rows' ? `${own.row}: ` : ''}${of?.label ?? path}${unit}`;
}

/** The reasons go with the part: whoever reads its sheet sees what each range stands for. */
function notesOf(t: Typical): string {
  const lines = reasonsOf(t).map(
    (r) => `${labelOf(t.kind, r.field)}: ${r.lo} to ${r.hi}, ${r.why}`,
  );
  return [TYPICAL_NOTE, ...new Set(lines)].join('\n').slice(0, MOST);
}

/** As long as notes may be. */
const MOST = 4000;

/** Why the numbers of a class are no narrower, by field; rows with the name of their list. */
export function reasonsOf(t: Typical): { field: string; lo: number; hi: number; why: string }[] {
  return Object.entries(t.fields).flatMap(([key, v]) => {
    if (isRange(v)) return [{ field: key, ...v }];
    if (typeof v !== 'object') return [];
    return v.flatMap((row) =>
      Object.entries(row).flatMap(([k, x]) => (isRange(x) ? [{ field: `${key}.${k}`, ...x }] : [])),
    );
  });
}
