import type { Verdict } from '../../../checks/finding';
import { judge, said, type Judgement, type Outcome } from '../../../checks/judge';
import type { Given } from '../../../build/given';
import { sharedOver, type Interval, type Spread } from '../../../quantity/spread';
import { sizeOf, weighFirst, type Balance } from '../model/balance';
import type { Quotient } from '../model/extremes';

/** What a check of an offset says besides the offset itself. */
export interface OffsetJudgement extends Pick<
  Judgement,
  'id' | 'key' | 'about' | 'limit' | 'unit' | 'assumed' | 'basis' | 'lacking'
> {
  /** What is judged, and how it is turned into what the limits are in (a tangent into degrees). */
  of: Quotient;
  turned?: (x: number) => number;
  /** Over this it fails; up to that it is let go. */
  most: number;
  /** A travel that the limit is half of, where it is stated. */
  travel?: Given | null;
  free: number;
  /** The offset as it is, with its interval, and the state. */
  why: (offset: Offset) => string;
  sum: (offset: Offset) => string;
}

export interface Offset {
  value: number;
  lo: number;
  hi: number;
  state: Outcome['state'];
}

/** The room that a size without its sign leaves under a limit. */
export function under(most: number, turned: (x: number) => number = (x) => x) {
  return (s: Interval): Interval => {
    const ends = sizeOf({ lo: turned(s.lo), hi: turned(s.hi) });
    const value = most - Math.abs(turned(s.value));
    return { value, lo: most - ends.hi, hi: most - ends.lo };
  };
}

/** Judges how far something is off, whichever way: its interval is that of the quotient. */
export function judgeOffset(b: Balance, j: OffsetJudgement): Verdict {
  const turned = j.turned ?? ((x: number) => x);
  let raw: Spread | null = null;
  const { travel } = j;
  let all: readonly Given[] | null = null;
  const inputs = () =>
    (all ??= travel ? [...new Set([...j.of.inputs, travel])] : j.of.inputs) as Given[];
  const offset = (o: Outcome): Offset => ({
    value: turned(raw!.value),
    lo: turned(raw!.lo),
    hi: turned(raw!.hi),
    state: o.state,
  });
  const v = judge({
    id: j.id,
    key: j.key,
    about: j.about,
    get inputs() {
      return inputs();
    },
    missing: [...j.of.missing, ...(travel?.known === null ? [travel] : [])],
    margin: (x) => j.most - Math.abs(turned(j.of.f(x))),
    spread: () => {
      raw = j.of.spread();
      return sharedOver(inputs, raw);
    },
    // Where nobody said where it is held nothing is sure, neither way.
    after: (s) => {
      const slack = (j.travel?.known?.tol ?? 0) / 2;
      const own = under(j.most, turned)(s);
      const room = { ...own, lo: own.lo - slack, hi: own.hi + slack };
      return j.assumed ? { ...room, hi: Math.max(0, room.hi) } : room;
    },
    wanted: Math.max(0, j.most - j.free),
    unit: j.unit,
    limit: j.limit,
    assumed: j.assumed,
    why: (o) => j.why(offset(o)),
    sum: (o) => j.sum(offset(o)),
    lacking: j.lacking,
    basis: j.basis,
  });
  return ranked(b, v);
}

/** Of what is missing that comes first which settles most. */
export function ranked(b: Pick<Balance, 'weights'>, v: Verdict): Verdict {
  return v.state === 'unknown' && v.measure.length > 1
    ? { ...said(v), measure: weighFirst(b.weights, v.measure) }
    : v;
}

/** Parts that a check of the whole rig speaks of: what it is held by. */
export function aboutOf(b: Balance): string[] {
  return b.hold.piece ? [b.hold.piece.part] : [];
}
