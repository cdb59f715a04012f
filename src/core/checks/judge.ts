import { inMetric } from '../quantity/shown';
import type { Given } from '../build/given';
import { between, spread, type Interval, type Spread } from '../quantity/spread';
import type { Limit, Measurement, State, Verdict } from './finding';

/** Rounding noise that must not turn a zero margin into a fail, in any unit used here. */
const EPS = 1e-9;

export interface Outcome extends Interval {
  state: State;
}

type Formula = (x: readonly number[]) => number;

export interface Judgement {
  id: string;
  key?: string;
  about: string[];
  /** Pieces of the rig it speaks of, by key. */
  pieces?: string[];
  frame?: string | null;
  station?: number | null;
  /** The numbers the margin depends on, with their tolerances. */
  inputs: Given[];
  /**
   * Margin from the inputs, in their order: below 0 fails. Must be monotone in each input over
   * its tolerance; see {@link spread}. `after` may turn the interval into another, for margins
   * that are not (an absolute value).
   */
  margin?: Formula;
  after?: (s: Interval) => Interval;
  /** Those of the inputs that nobody gave, where that is known without a look at each. */
  missing?: readonly Given[];
  /** The interval of `margin` where it was worked out before. */
  spread?: () => Spread;
  /** The margin is the room inside two bounds; see {@link between}. In place of `margin`. */
  inside?: { below: Formula; above: Formula };
  /** Which way each input pushes, where the margin is flat over stretches; see {@link spread}. */
  sense?: (x: readonly number[]) => number;
  /** Inputs that may push either way, by index; see {@link spread}. */
  doubtful?: readonly number[];
  /** Margin wanted on top of not failing. */
  wanted?: number;
  unit: string;
  limit: Limit | null;
  /** What a default stands in for, if anything: then the finding is at best tight. */
  assumed?: string | null;
  why: (o: Outcome) => string;
  sum: (o: Outcome) => string;
  /** The sentence when numbers are missing; gets their labels in words. */
  lacking: (missing: string) => string;
  basis: string;
}

/** The state that an interval of margins amounts to. */
export function stateOf(lo: number, hi: number, wanted = 0): State {
  if (hi < -EPS) return 'fail';
  return lo >= wanted - EPS && lo >= -EPS ? 'ok' : 'tight';
}

/**
 * Turns a margin and its inputs into a verdict: unknown when a number is missing (and says
 * which), otherwise ok, tight or fail by the worst and best case inside the tolerances.
 */
export function judge(j: Judgement): Verdict {
  const base = {
    id: j.id,
    key: j.key ?? j.id,
    about: j.about,
    pieces: j.pieces ?? [],
    frame: j.frame ?? null,
    station: j.station ?? null,
    limit: j.limit,
    wanted: [],
    basis: j.basis,
  };
  const missing = j.missing ?? j.inputs.filter((g) => g.known === null);
  if (missing.length > 0)
    return {
      ...base,
      state: 'unknown',
      margin: null,
      why: j.lacking(inWords(missing.map((g) => g.label))),
      sum: `No sum: missing ${inWords(missing.map((g) => g.label))}.`,
      measure: lacking(missing),
    };
  const raw = j.spread?.() ?? spreadOf(j);
  // Which numbers cause the doubt is asked only where there is any.
  const ends = { value: raw.value, lo: raw.lo, hi: raw.hi };
  const s = j.after ? j.after(ends) : ends;
  let state = stateOf(s.lo, s.hi, j.wanted);
  if (state === 'ok' && j.assumed) state = 'tight';
  const outcome: Outcome = { ...s, state };
  return new Judged(
    { ...base, state, margin: { value: s.value, lo: s.lo, hi: s.hi, unit: j.unit } },
    () => (state === 'tight' ? doubts(j.inputs, raw.shares) : []),
    () => j.why(outcome) + (j.assumed && state !== 'fail' ? ` ${j.assumed}` : ''),
    () => j.sum(outcome),
  );
}

function spreadOf({ inputs, inside, margin, sense, doubtful }: Judgement): Spread {
  const ranges = inputs.map((g) => g.known!);
  return inside
    ? between(ranges, inside.below, inside.above)
    : spread(ranges, margin!, sense, doubtful);
}

/**
 * A verdict whose sentences, and what of its numbers would settle it, are made when they are first
 * read: trying fixes runs every check dozens of times and reads them of almost none. A spread of it
 * has none of them; copy it with {@link said}.
 */
class Judged implements Verdict {
  readonly id: string;
  readonly key: string;
  readonly about: string[];
  readonly pieces: string[];
  readonly frame: string | null;
  readonly station: number | null;
  readonly state: State;
  readonly margin: Verdict['margin'];
  readonly limit: Limit | null;
  readonly wanted: string[];
  readonly basis: string;
  readonly #makeMeasure: () => Measurement[];
  readonly #makeWhy: () => string;
  readonly #makeSum: () => string;
  #why: string | null = null;
  #sum: string | null = null;
  #measure: Measurement[] | null = null;

  constructor(
    v: Omit<Verdict, 'why' | 'sum' | 'measure'>,
    makeMeasure: () => Measurement[],
    makeWhy: () => string,
    makeSum: () => string,
  ) {
    this.#makeMeasure = makeMeasure;
    this.#makeWhy = makeWhy;
    this.#makeSum = makeSum;
    this.id = v.id;
    this.key = v.key;
    this.about = v.about;
    this.pieces = v.pieces;
    this.frame = v.frame;
    this.station = v.station;
    this.state = v.state;
    this.margin = v.margin;
    this.limit = v.limit;
    this.wanted = v.wanted;
    this.basis = v.basis;
  }

  get why(): string {
    return (this.#why ??= this.#makeWhy());
  }

  get sum(): string {
    return (this.#sum ??= inMetric(this.#makeSum));
  }

  get measure(): Measurement[] {
    return (this.#measure ??= this.#makeMeasure());
  }
}

/** A verdict as a plain object with its sentences: what is copied, kept and sent. */
export function said(v: Verdict): Verdict {
  return {
    id: v.id,
    key: v.key,
    about: v.about,
    pieces: v.pieces,
    frame: v.frame,
    station: v.station,
    state: v.state,
    margin: v.margin,
    limit: v.limit,
    why: v.why,
    sum: v.sum,
    wanted: v.wanted,
    measure: v.measure,
    basis: v.basis,
  };
}

/** Missing numbers as measurements, equal shares. */
export function lacking(missing: readonly Given[]): Measurement[] {
  return missing
    .filter((g) => g.path.length > 0)
    .map((g) => ({
      path: g.path,
      part: g.part,
      label: g.label,
      unit: g.unit,
      share: 1 / missing.length,
      missing: true,
    }));
}

function doubts(inputs: readonly Given[], shares: readonly number[]): Measurement[] {
  // A rig has hundreds of numbers, and a few of them cause the doubt.
  const list: Measurement[] = [];
  for (let i = 0; i < inputs.length; i++) {
    const [g, share] = [inputs[i]!, shares[i]!];
    if (g.path.length === 0 || !(share > 0.01)) continue;
    list.push({
      path: g.path,
      part: g.part,
      label: g.label,
      unit: g.unit,
      share,
      missing: false,
    });
  }
  return list.sort((a, b) => b.share - a.share);
}

/** `a`, `a and b`, `a, b and c`. */
export function inWords(list: readonly string[]): string {
  if (list.length <= 1) return list[0] ?? '';
  return `${list.slice(0, -1).join(', ')} and ${list[list.length - 1]!}`;
}

/** A verdict that needs no arithmetic. */
export function plainVerdict(
  v: Partial<Verdict> & Pick<Verdict, 'id' | 'about' | 'state' | 'why' | 'sum' | 'basis'>,
): Verdict {
  return {
    key: v.id,
    pieces: [],
    frame: null,
    station: null,
    margin: null,
    limit: null,
    wanted: [],
    measure: [],
    ...v,
  };
}
