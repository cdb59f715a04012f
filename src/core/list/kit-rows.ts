import { concerns, FIELDS, isKind, KIND_NAME } from '../kit/fields';
import { partsOn } from '../roles/uses';
import { onHand, type Job, type Part } from '../kit/types';
import { known, type Known } from '../quantity/quantity';

/** A part as a line of the kit's table. */
export interface KitRow {
  part: Part;
  /** Its kind as one says it. */
  kind: string;
  owner: string;
  /** Pieces on hand; 0 is to be hired. */
  count: number;
  mass: Known | null;
  /** Rigs it is on, by name. */
  rigs: readonly string[];
  /** What its checks need first and nobody gave, by label. */
  unknown: readonly string[];
}

/** What a part does not say of what is needed first: labels, in the order of its sheet. */
export function unknownOf(part: Part): string[] {
  if (!isKind(part.kind)) return [];
  const own = part as unknown as Record<string, unknown>;
  return FIELDS[part.kind]
    .filter((f) => f.first && f.key !== 'name' && concerns(f, part))
    .filter((f) => {
      const v = own[f.key];
      return v === undefined || (Array.isArray(v) && v.length === 0);
    })
    .map((f) => f.label);
}

const rows = new WeakMap<Part, Omit<KitRow, 'rigs'>>();

/** The kit as lines of a table; a part that is as it was is not looked at again. */
export function kitRows(job: Job): KitRow[] {
  const on = new Map<string, string[]>();
  for (const rig of job.rigs)
    for (const id of partsOn(rig)) on.set(id, [...(on.get(id) ?? []), rig.name]);
  return job.kit.map((part) => {
    let row = rows.get(part);
    if (!row)
      rows.set(
        part,
        (row = {
          part,
          kind: isKind(part.kind) ? KIND_NAME[part.kind].one : part.kind,
          owner: part.owner ?? '',
          count: onHand(part),
          mass: known(part.mass, 'mass'),
          unknown: unknownOf(part),
        }),
      );
    return { ...row, rigs: on.get(part.id) ?? NONE };
  });
}

const NONE: readonly string[] = [];

/** What the table can be sorted by. */
export type KitColumn = 'name' | 'kind' | 'owner' | 'count' | 'mass' | 'rigs' | 'unknown';

const BY: Readonly<Record<KitColumn, (r: KitRow) => string | number | null>> = {
  name: (r) => r.part.name,
  kind: (r) => r.kind,
  owner: (r) => (r.owner === '' ? null : r.owner),
  count: (r) => r.count,
  mass: (r) => r.mass?.value ?? null,
  rigs: (r) => r.rigs.length,
  unknown: (r) => r.unknown.length,
};

const words = new Intl.Collator(undefined, { numeric: true, sensitivity: 'base' });

/**
 * Sorted by a column; what says nothing there comes last either way, equals stay as they were.
 *
 * @param down largest or last first
 */
export function sortRows(list: readonly KitRow[], by: KitColumn, down: boolean): KitRow[] {
  const of = BY[by];
  return [...list].sort((a, b) => {
    const [x, y] = [of(a), of(b)];
    if (x === null || y === null) return Number(x === null) - Number(y === null);
    const first =
      typeof x === 'number' && typeof y === 'number' ? x - y : words.compare(String(x), String(y));
    return down ? -first : first;
  });
}

/** How many parts there are of each kind, the kinds in the order of their names. */
export function kindCounts(kit: readonly Part[]): { kind: string; name: string; n: number }[] {
  const counts = new Map<string, number>();
  for (const p of kit) counts.set(p.kind, (counts.get(p.kind) ?? 0) + 1);
  return [...counts]
    .map(([kind, n]) => ({ kind, name: isKind(kind) ? KIND_NAME[kind].many : kind, n }))
    .sort((a, b) => words.compare(a.name, b.name));
}
