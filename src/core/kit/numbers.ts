import { FIELDS, isKind, type Field } from './fields';
import type { Part } from './types';
import { known, type Known, type QuantityInput, type ToleranceClass } from '../quantity/quantity';
import type { ShownUnit } from '../quantity/shown';
import { fieldUnit } from '../quantity/typed';
import { plain } from '../quantity/say';

/** A number of a part as it is listed: on paper, beside another part's. */
export interface PartNumber {
  path: readonly string[];
  /** `width, focus ring`. */
  label: string;
  unit: string;
  /** Which of the field's tolerances it has; absent for a count. */
  cls?: ToleranceClass;
  /** Null for a count, which has no tolerance. */
  known: Known | null;
  value: number;
}

/** Every number that a part says, those of its tables by the names of their rows. */
export function numbersOf(part: Part): PartNumber[] {
  if (!isKind(part.kind)) return [];
  const own = part as unknown as Record<string, unknown>;
  return FIELDS[part.kind].flatMap((f) => {
    const value = own[f.key];
    if (f.type !== 'rows') return numberOf(f, value, [f.key], f.label);
    if (!Array.isArray(value)) return [];
    return value.flatMap((row: Record<string, unknown>, i) => {
      const id = f.keyed && typeof row.id === 'string' ? row.id : String(i);
      const name = rowName(row) ?? `${f.row} ${i + 1}`;
      return f.fields.flatMap((x) =>
        numberOf(x, row[x.key], [f.key, id, x.key], `${x.label}, ${name}`),
      );
    });
  });
}

/** What a line of a table is called, by what it says: `focus ring`, `Top tray`. */
export function rowName(row: Readonly<Record<string, unknown>>): string | null {
  if (typeof row.turns === 'string') return `${row.turns} ring`;
  return typeof row.name === 'string' ? row.name : null;
}

function numberOf(f: Field, v: unknown, path: readonly string[], label: string): PartNumber[] {
  if (f.type === 'quantity') {
    const k = known(v as QuantityInput | undefined, f.cls);
    return k ? [{ path, label, unit: f.unit, cls: f.cls, known: k, value: k.value }] : [];
  }
  return f.type === 'number' && typeof v === 'number'
    ? [{ path, label, unit: f.unit, known: null, value: v }]
    : [];
}

/** A number as it is written: `77.2 \u00b10.1`, a guess with its sign; in the unit of `unitShown`. */
export function written(n: PartNumber): string {
  const { per } = unitShown(n);
  const guess = n.known?.from === 'guess' ? '~' : '';
  const tol = n.known && n.known.tol > 0 ? ` \u00b1${plain(n.known.tol * per, 3)}` : '';
  return `${guess}${plain(n.value * per, 3)}${tol}`;
}

/** The unit it is written in on this device; bare numbers of a kind keep theirs. */
export function unitShown(n: Pick<PartNumber, 'unit' | 'cls'>): ShownUnit {
  return n.cls === undefined ? { unit: n.unit, per: 1, more: 0 } : fieldUnit(n.unit, n.cls);
}

/** One number of two parts of a kind. */
export interface NumberPair {
  label: string;
  unit: string;
  a: PartNumber | null;
  b: PartNumber | null;
  /** Second less first; null where one of them does not say. */
  differs: number | null;
  /** They may be the same: what they can be off by reaches from one to the other. */
  within: boolean;
}

/** What two parts of a kind say otherwise, number by number; rows are matched by what they are called. */
export function differences(a: Part, b: Part): NumberPair[] {
  const [first, second] = [numbersOf(a), numbersOf(b)];
  const labels = [...new Set([...first, ...second].map((n) => n.label))];
  return labels.flatMap((label): NumberPair[] => {
    const x = first.find((n) => n.label === label) ?? null;
    const y = second.find((n) => n.label === label) ?? null;
    const differs = x && y ? y.value - x.value : null;
    if (differs === 0) return [];
    const apart = Math.abs(differs ?? 0);
    const within = differs !== null && apart <= (x!.known?.tol ?? 0) + (y!.known?.tol ?? 0);
    return [{ label, unit: (x ?? y)!.unit, a: x, b: y, differs, within }];
  });
}
