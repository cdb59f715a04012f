import type { Given } from '../../../build/given';
import type { Lin } from '../../../build/lin';
import type { Spread } from '../../../quantity/spread';

/** One weight in a quotient of sums: `mass x over / (mass x under)`, both as sums of given numbers. */
export interface Term {
  mass: Given;
  over: Lin;
  under: Lin;
}

/** A term with its numbers by their place in a list. */
interface Filed {
  mass: number;
  over: { c: number; k: readonly (readonly [i: number, k: number])[] };
  under: { c: number; k: readonly (readonly [i: number, k: number])[] };
}

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
}

/**
 * The interval of a quotient of sums. Masses above the mean go high and those below low, and the
 * reverse; plain interval division would be far too wide. Which are above hangs on the result, so it
 * is found by Dinkelbach's turns: `max sum(m (a - q b))`, q the quotient where that was reached, until
 * nothing rises (W. Dinkelbach, "On nonlinear fractional programming", 1967). Exact while a number
 * moves all weights it moves the same way; where it moves some of them against others each of those is
 * let have its own worst, so the interval holds what it says and is never too narrow. Null where the
 * denominator may be nothing or less.
 */
export function quotient(terms: readonly Term[]): Quotient {
  const index = new Map<Given, number>();
  const inputs: Given[] = [];
  const number = (g: Given) => {
    let i = index.get(g);
    if (i === undefined) {
      i = inputs.length;
      index.set(g, i);
      inputs.push(g);
    }
    return i;
  };
  const filed = (l: Lin): Filed['over'] => {
    const k: (readonly [number, number])[] = [];
    // What cancels is no input; what is missing is one all the same.
    for (const t of l.terms) if (t.k !== 0 || t.g.known === null) k.push([number(t.g), t.k]);
    return { c: l.c, k };
  };
  const list: Filed[] = terms.map((t) => ({
    mass: number(t.mass),
    over: filed(t.over),
    under: filed(t.under),
  }));
  const sum = (l: Filed['over'], x: readonly number[]) => {
    let s = l.c;
    for (const [i, k] of l.k) s += k * x[i]!;
    return s;
  };
  const f = (x: readonly number[]) => {
    let [over, under] = [0, 0];
    for (const t of list) {
      over += x[t.mass]! * sum(t.over, x);
      under += x[t.mass]! * sum(t.under, x);
    }
    return over / under;
  };
  let kept: Spread | null = null;
  return { inputs, f, spread: () => (kept ??= extremes(list, inputs, f)) };
}

function extremes(
  list: readonly Filed[],
  inputs: readonly Given[],
  f: (x: readonly number[]) => number,
): Spread {
  const known = inputs.map((g) => g.known!);
  const x = known.map((k) => k.value);
  const value = f(x);
  const lo = turns(list, known, value, -1);
  const hi = turns(list, known, value, 1);
  return {
    value,
    lo: Math.min(lo, value),
    hi: Math.max(hi, value),
    shares: shares(list, known, x, value),
  };
}

interface Ends {
  value: number;
  lo: number;
  hi: number;
}

/** Dinkelbach's turns towards the largest (sign 1) or the smallest (-1). */
function turns(list: readonly Filed[], known: readonly Ends[], from: number, sign: 1 | -1): number {
  let q = from;
  for (let n = 0; n < 40; n++) {
    const { over, under } = reached(list, known, q, sign);
    if (!(under > 0)) return sign * Infinity;
    const next = over / under;
    if (!(sign * (next - q) > 1e-12 * Math.max(1, Math.abs(q)))) return q;
    q = next;
  }
  return q;
}

/** Where `sign sum(m (a - q b))` is largest: both sums there. */
function reached(list: readonly Filed[], known: readonly Ends[], q: number, sign: 1 | -1) {
  const { up, down } = pushes(list, known.length, q);
  const n = known.length;
  // Of each number the end that helps; where it pushes both ways every weight takes its own.
  const shared = new Array<number>(n);
  for (let i = 0; i < n; i++)
    shared[i] =
      up[i]! > 0 && down[i]! > 0 ? NaN : up[i]! > 0 === sign > 0 ? known[i]!.hi : known[i]!.lo;
  const overs = new Float64Array(list.length);
  const unders = new Float64Array(list.length);
  const gain = new Float64Array(n);
  list.forEach((t, w) => {
    const at = (i: number) => {
      const v = shared[i]!;
      if (!Number.isNaN(v)) return v;
      return sign * coefficient(t, i, q) > 0 ? known[i]!.hi : known[i]!.lo;
    };
    let [over, under] = [t.over.c, t.under.c];
    for (const [i, k] of t.over.k) over += k * at(i);
    for (const [i, k] of t.under.k) under += k * at(i);
    overs[w] = over;
    unders[w] = under;
    gain[t.mass]! += sign * (over - q * under);
  });
  let [over, under] = [0, 0];
  list.forEach((t, w) => {
    const m = gain[t.mass]! > 0 ? known[t.mass]!.hi : known[t.mass]!.lo;
    over += Math.max(0, m) * overs[w]!;
    under += Math.max(0, m) * unders[w]!;
  });
  return { over, under };
}

/** How a number enters the bracket of a weight: its factor in `a - q b`. */
function coefficient(t: Filed, i: number, q: number): number {
  let c = 0;
  for (const [j, k] of t.over.k) if (j === i) c += k;
  for (const [j, k] of t.under.k) if (j === i) c -= q * k;
  return c;
}

/** How hard each number pushes up and down, over all weights. */
function pushes(list: readonly Filed[], n: number, q: number) {
  const up = new Float64Array(n);
  const down = new Float64Array(n);
  const own = new Map<number, number>();
  for (const t of list) {
    own.clear();
    for (const [i, k] of t.over.k) own.set(i, (own.get(i) ?? 0) + k);
    for (const [i, k] of t.under.k) own.set(i, (own.get(i) ?? 0) - q * k);
    for (const [i, k] of own)
      if (k > 1e-12) up[i]! += k;
      else if (k < -1e-12) down[i]! -= k;
  }
  return { up, down };
}

/** Share of the doubt that each number causes, by its slope at the numbers as they stand. */
function shares(
  list: readonly Filed[],
  known: readonly Ends[],
  x: readonly number[],
  q: number,
): number[] {
  const slope = new Array<number>(known.length).fill(0);
  for (const t of list) {
    const m = x[t.mass]!;
    let bracket = t.over.c - q * t.under.c;
    for (const [i, k] of t.over.k) {
      bracket += k * x[i]!;
      slope[i]! += m * k;
    }
    for (const [i, k] of t.under.k) {
      bracket -= q * k * x[i]!;
      slope[i]! -= m * q * k;
    }
    slope[t.mass]! += bracket;
  }
  const widths = slope.map((s, i) => Math.abs(s) * (known[i]!.hi - known[i]!.lo));
  const total = widths.reduce((a, b) => a + b, 0);
  // In whatever order they were summed, a share reads the same.
  return widths.map((w) => (total > 0 ? Math.round((w / total) * 1e9) / 1e9 : 0));
}
