/**
 * A number on a part is never only a number: it has a tolerance and a place it came from.
 */

/** Where a number came from: calipers on this very piece, the maker's data, or somebody's guess. */
export type Source = 'measured' | 'sheet' | 'guess';

export const SOURCES: readonly Source[] = ['measured', 'sheet', 'guess'];

/** A quantity as it stands in a file. `tol` is the half-width of what it could really be. */
export interface Quantity {
  value: number;
  tol?: number;
  from?: Source;
}

/** What a file may write: a bare number counts as the maker's data. */
export type QuantityInput = number | Quantity;

/** Which default tolerance a field falls back to when the writer gave none. */
export type ToleranceClass =
  | 'length'
  | 'focal'
  | 'flange'
  | 'circle'
  | 'chip'
  | 'ratio'
  | 'stop'
  | 'angle'
  | 'mass'
  | 'exact'
  | 'light'
  | 'pupil'
  | 'moment'
  | 'torque'
  | 'volts'
  | 'watts';

/**
 * Default half-widths, in the unit of the field. Lengths, flanges and image circles are the
 * house defaults of the trade (measured 0.1, flange 0.05, sheet 0.5, image circle 1.0).
 * Active areas, ratios and stops are printed to a fixed number of digits: half of the last
 * digit that is printed is what they can be off by.
 */
const DEFAULT_TOLERANCE: Record<ToleranceClass, Record<'measured' | 'sheet', number>> = {
  length: { measured: 0.1, sheet: 0.5 },
  // As good as any length that is stated; it names the lens, and is in millimetres everywhere.
  focal: { measured: 0.1, sheet: 0.5 },
  flange: { measured: 0.05, sheet: 0.5 },
  circle: { measured: 0.1, sheet: 1.0 },
  chip: { measured: 0.005, sheet: 0.005 },
  ratio: { measured: 0.005, sheet: 0.005 },
  stop: { measured: 0.05, sheet: 0.05 },
  angle: { measured: 1, sheet: 2 },
  mass: { measured: 5, sheet: 25 },
  exact: { measured: 0, sheet: 0 },
  // A tenth of a stop is what a density is sorted to; an iris is sighted to about two millimetres.
  light: { measured: 0.03, sheet: 0.1 },
  pupil: { measured: 2, sheet: 3 },
  // Torques and loads are stated in tenths or hundredths; supplies sag by a few tenths of a volt.
  moment: { measured: 0.05, sheet: 0.1 },
  torque: { measured: 0.01, sheet: 0.02 },
  volts: { measured: 0.1, sheet: 0.25 },
  watts: { measured: 0.5, sheet: 1 },
};

/** A guess is taken to be good to one part in ten. */
const GUESS_SHARE = 0.1;

/** A quantity with every default filled in, ready to be computed with. */
export interface Known {
  value: number;
  tol: number;
  from: Source;
  lo: number;
  hi: number;
}

/** Default half-width for a value of this class and source, in the unit of the field. */
export function defaultTolerance(value: number, cls: ToleranceClass, from: Source): number {
  if (from === 'guess') return Math.abs(value) * GUESS_SHARE;
  const tol = DEFAULT_TOLERANCE[cls][from];
  // Nobody is 25 g out on a ring of 20 g.
  return cls === 'mass' ? Math.min(tol, Math.abs(value) * GUESS_SHARE) : tol;
}

/**
 * Fills in the defaults of a quantity. Returns null when there is none, or when it is not a
 * finite number: a missing number stays missing.
 */
export function known(
  input: QuantityInput | null | undefined,
  cls: ToleranceClass = 'length',
): Known | null {
  if (input === null || input === undefined) return null;
  const q: Quantity = typeof input === 'number' ? { value: input } : input;
  if (typeof q.value !== 'number' || !Number.isFinite(q.value)) return null;
  const from = q.from ?? 'sheet';
  const tol = q.tol ?? defaultTolerance(q.value, cls, from);
  return { value: q.value, tol, from, lo: q.value - tol, hi: q.value + tol };
}

/** The bare value of a quantity, or null. */
export function valueOf(input: QuantityInput | null | undefined): number | null {
  return known(input)?.value ?? null;
}
