import type { Change } from '../kit/types';

export type State = 'ok' | 'tight' | 'fail' | 'unknown';

/** Worst first. */
export const STATES: readonly State[] = ['fail', 'tight', 'unknown', 'ok'];

/**
 * Which of several verdicts on one thing speaks, lowest first: what is not known stands before what
 * may be, since it can still turn out to fail.
 */
export const RANK: Readonly<Record<State, number>> = { fail: 0, unknown: 1, tight: 2, ok: 3 };

/** How much room there is, with the interval that the tolerances leave. */
export interface Margin {
  value: number;
  lo: number;
  hi: number;
  unit: string;
}

export interface Limit {
  value: number;
  unit: string;
  /** The house rule it comes from, if one decided. */
  rule: string | null;
}

/** A number worth measuring next. */
export interface Measurement {
  /** Where the number goes. */
  path: string[];
  part: string;
  label: string;
  unit: string;
  /** Share of the doubt that it causes, 0 to 1. */
  share: number;
  missing: boolean;
}

/** A change that was applied to a copy, checked again, and cleared the finding. */
export interface Fix {
  title: string;
  change: Change[];
  /** What the finding says once the fix is taken. */
  then: string;
  /** What it does to the picture, if anything: a narrower field. */
  cost: string | null;
  /** State of the finding once it is taken. */
  state: State;
  /** Pieces put on or taken off. */
  parts: number;
  /** Pieces that would have to be hired. */
  toHire: number;
}

export interface Finding {
  /** Stable, public: the id of the check. */
  id: string;
  /** Tells findings of one check apart: `coverage.frame:f239`. */
  key: string;
  /** Parts, by id. */
  about: string[];
  /** Pieces of the rig it speaks of, by key, where it speaks of single ones. */
  pieces: string[];
  /** The delivery frame it speaks of. */
  frame: string | null;
  /** Where on the line the trouble is, mm from the image plane. */
  station: number | null;
  state: State;
  margin: Margin | null;
  limit: Limit | null;
  /** One sentence with the numbers in it. */
  why: string;
  /** The formula with values put in. */
  sum: string;
  fixes: Fix[];
  /** Descriptions of parts to look for when nothing in the kit helps. */
  wanted: string[];
  measure: Measurement[];
  basis: string;
}

/** What a check returns; fixes are tried afterwards. */
export type Verdict = Omit<Finding, 'fixes'>;

/** The worst state of several. */
export function worst(states: readonly State[]): State {
  return STATES.find((s) => states.includes(s)) ?? 'ok';
}
