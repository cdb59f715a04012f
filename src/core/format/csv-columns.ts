import { type Field, FIELDS, KINDS } from '../kit/fields';
import type { Kind } from '../kit/types';

/** Column name of a field: `imageCircle` is `image_circle`, with its unit behind it. */
export function columnName(field: Field): string {
  const snake = field.key.replace(/[A-Z]/g, (c) => `_${c.toLowerCase()}`);
  const unit = field.type === 'quantity' || field.type === 'number' ? field.unit : '';
  return unit ? `${snake}_${unit.toLowerCase()}` : snake;
}

export const ownColumns = (kind: Kind) => FIELDS[kind].map(columnName);

/** Kinds that say the same of themselves (a handle, a grip): their columns alone do not tell them. */
export const ALIKE: ReadonlySet<Kind> = new Set(
  KINDS.filter((k) => KINDS.some((o) => o !== k && ownColumns(o).join() === ownColumns(k).join())),
);

/** All columns of a kind, in the order they are written; `kind` where they are not enough. */
export function columns(kind: Kind): string[] {
  return ['id', ...(ALIKE.has(kind) ? ['kind'] : []), ...ownColumns(kind)];
}

/**
 * The kind that a header row is of for certain: all of its columns and no others, or the only one
 * that has most of them. Null when none fits, or when several fit as well.
 */
export function kindOfHeader(header: readonly string[]): Kind | null {
  let best: { kind: Kind; hits: number; others: number } | null = null;
  let even = false;
  for (const kind of KINDS) {
    const own = new Set(columns(kind));
    const hits = header.filter((h) => own.has(h.trim().toLowerCase())).length;
    const others = own.size - hits;
    if (others === 0 && hits === header.length) return kind;
    if (!best || hits > best.hits) {
      best = { kind, hits, others };
      even = false;
    } else if (hits === best.hits) even = true;
  }
  return best && best.hits >= 2 && !even ? best.kind : null;
}

/** Before the name of a column that this version only carries along. */
export const CARRIED = 'carried: ';
