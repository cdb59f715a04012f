import { valueOf, type QuantityInput } from '../quantity/quantity';
import { FIELDS, isKind, rangesOf, type Field } from './fields';
import type { Part } from './types';

const number = (x: unknown) => valueOf(x as QuantityInput | undefined);

/** A part with every range the right way round, and a sentence for each one that was turned. */
export function turnRanges(part: Part): { part: Part; turned: string[] } {
  if (!isKind(part.kind)) return { part, turned: [] };
  const turned: string[] = [];
  const fix = (fields: readonly Field[], node: Record<string, unknown>, where: string) => {
    let own = node;
    for (const { from, to } of rangesOf(fields)) {
      const [a, b] = [number(own[from.key]), number(own[to.key])];
      if (a === null || b === null || a <= b) continue;
      own = { ...own, [from.key]: own[to.key], [to.key]: own[from.key] };
      turned.push(
        `${where}: ${from.label} ${a} and ${to.label} ${b} stood the wrong way round and were turned.`,
      );
    }
    for (const f of fields) {
      const rows = own[f.key];
      if (f.type !== 'rows' || !Array.isArray(rows)) continue;
      const next = rows.map((r: Record<string, unknown>) => fix(f.fields, r, where));
      if (next.some((r, i) => r !== rows[i])) own = { ...own, [f.key]: next };
    }
    return own;
  };
  const next = fix(FIELDS[part.kind], part as unknown as Record<string, unknown>, part.name);
  return { part: next as unknown as Part, turned };
}

/**
 * What is wrong with a number that is to be kept as one end of a range; null when nothing is.
 *
 * @param siblings the part or table line it stands in
 * @param fields those of the part or line
 */
export function reversedRange(
  fields: readonly Field[],
  siblings: unknown,
  key: string,
  value: unknown,
): string | null {
  const own = (siblings ?? {}) as Record<string, unknown>;
  const now = number(value);
  if (now === null) return null;
  for (const { from, to } of rangesOf(fields)) {
    if (key === from.key) {
      const high = number(own[to.key]);
      if (high !== null && now > high)
        return `${from.label} ${now} lies above ${to.label} ${high}: correct that one first.`;
    }
    if (key === to.key) {
      const low = number(own[from.key]);
      if (low !== null && now < low)
        return `${to.label} ${now} lies below ${from.label} ${low}: correct that one first.`;
    }
  }
  return null;
}
