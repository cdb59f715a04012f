import type { Given } from '../../../build/given';
import type { Spread } from '../../../quantity/spread';
import { rowsOf, type Filed, type Rows, type Side } from './filed';

/**
 * A quotient of two sums over weights, `sum(m a) / sum(m b)`: a coordinate of the centre of gravity
 * (b is 1), the tangent of a tilt (a is how far ahead, b is how far below the hold).
 */
export interface Quotient {
  /** Every number it rests on, each once. */
  inputs: Given[];
  /** From the inputs in their order. */
  f: (x: readonly number[]) => number;
  /** Its interval over the tolerances, with the share of each input. */
  spread: () => Spread;
  /** As its inputs stand. */
  value: () => number;
  /** Whether no tolerance brings it down to `q`: one turn of what its interval takes several of. */
  over: (q: number) => boolean;
}

/**
 * The interval of a quotient of sums. Masses above the mean go high and those below low, and the
 * reverse; plain interval division would be far too wide. Which are above hangs on the result, so it
 * is found by Dinkelbach's turns: `max sum(m (a - q b))`, q the quotient where that was reached, until
 * nothing rises (W. Dinkelbach, "On nonlinear fractional programming", 1967). Exact while a number
 * moves all weights it moves the same way; where it moves some of them against others each of those is
 * let have its own worst, so the interval holds what it says and is never too narrow. Without end
 * where the denominator may be nothing or less.
 */
export function quotient(f: Filed, over: Side, under: Side): Quotient {
  const rows = rowsOf(f, over, under);
  let kept: Spread | null = null;
  let known: Ends | null = null;
  const ends = () => (known ??= endsOf(rows));
  return {
    inputs: rows.inputs,
    f: (x) => valueAt(rows, x),
    spread: () => (kept ??= extremes(rows, ends())),
    value: () => kept?.value ?? valueAt(rows, ends().value),
    over: (q) => {
      if (kept) return kept.lo > q;
      const room = roomOf(rows);
      place(rows, ends(), q, -1, room);
      const { over, under } = weighed(rows, ends(), q, -1, room);
      return under > 0 && over - q * under > 0;
    },
  };
}

function valueAt(r: Rows, x: ArrayLike<number>): number {
  let [over, under] = [0, 0];
  for (let p = 0; p < r.mass.length; p++) {
    let [a, b] = [r.over[p]!, r.under[p]!];
    for (let t = r.from[p]!; t < r.from[p + 1]!; t++) {
      const v = x[r.i[t]!]!;
      a += r.a[t]! * v;
      b += r.b[t]! * v;
    }
    over += x[r.mass[p]!]! * a;
    under += x[r.mass[p]!]! * b;
  }
  return over / under;
}

function extremes(r: Rows, ends: Ends): Spread {
  const value = valueAt(r, ends.value);
  const lo = turns(r, ends, value, -1);
  const hi = turns(r, ends, value, 1);
  return {
    value,
    lo: Math.min(lo, value),
    hi: Math.max(hi, value),
    shares: shares(r, ends, value),
  };
}

function endsOf(r: Rows): Ends {
  const n = r.inputs.length;
  const ends = { value: new Float64Array(n), lo: new Float64Array(n), hi: new Float64Array(n) };
  r.inputs.forEach((g, i) => {
    const k = g.known!;
    ends.value[i] = k.value;
    ends.lo[i] = k.lo;
    ends.hi[i] = k.hi;
  });
  return ends;
}

interface Ends {
  value: Float64Array;
  lo: Float64Array;
  hi: Float64Array;
}

/** Dinkelbach's turns towards the largest (sign 1) or the smallest (-1). */
function turns(r: Rows, ends: Ends, from: number, sign: 1 | -1): number {
  const room = roomOf(r);
  // In a mean every weight has its worst place whatever comes of it.
  let q = from;
  for (let turn = 0; turn < 40; turn++) {
    if (turn === 0 || !r.mean) place(r, ends, q, sign, room);
    const { over, under } = weighed(r, ends, q, sign, room);
    if (!(under > 0)) return sign * Infinity;
    const next = over / under;
    if (!(sign * (next - q) > 1e-11 * Math.max(1, Math.abs(q)))) return q;
    q = next;
  }
  return q;
}

interface Room {
  gain: Float64Array;
  overs: Float64Array;
  unders: Float64Array;
}

const roomOf = (r: Rows): Room => ({
  gain: new Float64Array(r.inputs.length),
  overs: new Float64Array(r.mass.length),
  unders: new Float64Array(r.mass.length),
});

/**
 * Both sums of every weight where `sign (a - q b)` is largest: each number at the end that helps that
 * weight. A number that moves all of them the same way is at one end for all; one that moves some of
 * them against others has both, which no rig can, so that the interval is at worst too wide.
 */
function place(r: Rows, ends: Ends, q: number, sign: 1 | -1, { overs, unders }: Room): void {
  const { lo, hi } = ends;
  for (let p = 0; p < r.mass.length; p++) {
    let [over, under] = [r.over[p]!, r.under[p]!];
    for (let t = r.from[p]!; t < r.from[p + 1]!; t++) {
      const [a, b] = [r.a[t]!, r.b[t]!];
      const v = a - q * b > 0 === sign > 0 ? hi[r.i[t]!]! : lo[r.i[t]!]!;
      over += a * v;
      under += b * v;
    }
    overs[p] = over;
    unders[p] = under;
  }
}

/** Both sums over all weights where `sign sum(m (a - q b))` is largest. */
function weighed(r: Rows, ends: Ends, q: number, sign: 1 | -1, { gain, overs, unders }: Room) {
  gain.fill(0);
  for (let p = 0; p < r.mass.length; p++) gain[r.mass[p]!]! += sign * (overs[p]! - q * unders[p]!);
  let [over, under] = [0, 0];
  for (let p = 0; p < r.mass.length; p++) {
    const i = r.mass[p]!;
    const m = Math.max(0, gain[i]! > 0 ? ends.hi[i]! : ends.lo[i]!);
    over += m * overs[p]!;
    under += m * unders[p]!;
  }
  return { over, under };
}

/** Share of the doubt that each number causes, by its slope at the numbers as they stand. */
function shares(r: Rows, ends: Ends, q: number): number[] {
  const x = ends.value;
  const slope = new Float64Array(x.length);
  for (let p = 0; p < r.mass.length; p++) {
    const m = x[r.mass[p]!]!;
    let bracket = r.over[p]! - q * r.under[p]!;
    for (let t = r.from[p]!; t < r.from[p + 1]!; t++) {
      const k = r.a[t]! - q * r.b[t]!;
      bracket += k * x[r.i[t]!]!;
      slope[r.i[t]!]! += m * k;
    }
    slope[r.mass[p]!]! += bracket;
  }
  const widths = Array.from(slope, (s, i) => Math.abs(s) * (ends.hi[i]! - ends.lo[i]!));
  const total = widths.reduce((a, b) => a + b, 0);
  // In whatever order they were summed, a share reads the same.
  return widths.map((w) => (total > 0 ? Math.round((w / total) * 1e9) / 1e9 : 0));
}
