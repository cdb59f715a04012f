import type { QuantityInput } from '../quantity/quantity';

/**
 * A class of pieces by what all of them have in common: no maker's piece, but a range for each
 * number that a piece of the class has, with the reason why it is no narrower. A part made of it
 * stands and is drawn at once, and every verdict says how sure it is.
 */
export interface Typical {
  id: string;
  kind: string;
  name: string;
  /** What it is found by besides its name. */
  words: string;
  fields: Readonly<Record<string, Told>>;
}

/** A value of a field: a range, something that is a fact of the class, or rows of those. */
export type Told = Range | string | boolean | number | readonly TypicalRow[];

export type TypicalRow = Readonly<Record<string, Range | string | boolean | number>>;

/** From the smallest to the largest piece of the class, and why it is no narrower. */
export interface Range {
  lo: number;
  hi: number;
  why: string;
}

/** @param why common practice, no source, unless it names one */
export const range = (lo: number, hi: number, why: string): Range => ({
  lo: tidy(lo),
  hi: tidy(hi),
  why,
});

/** To a thousandth: nobody guesses finer. */
const tidy = (v: number) => Math.round(v * 1000) / 1000;

/** A range as a number with its tolerance: the middle, guessed. */
export function guessOf({ lo, hi }: Range): QuantityInput {
  const half = (v: number) => Number((v / 2).toPrecision(8));
  return { value: half(lo + hi), tol: half(hi - lo), from: 'guess' };
}

export function isRange(x: unknown): x is Range {
  return typeof x === 'object' && x !== null && 'lo' in x && 'hi' in x;
}
