import type { Given } from '../../../build/given';
import type { Lin } from '../../../build/lin';
import type { Spread } from '../../../quantity/spread';

/** A weight as a quotient reads it. */
export interface Poise {
  mass: Given;
  /** x, y and z of its centre. */
  at: readonly [Lin, Lin, Lin];
  /** It is on the rig; what was taken off since the rig was measured counts in places alone. */
  on: boolean;
}

/**
 * One of the two sums of a quotient: of each weight `x X + y Y + z Z`, and of each that is on the rig
 * what is added.
 */
export interface Side {
  x?: number;
  y?: number;
  z?: number;
  plus?: Lin;
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
  /** As its inputs stand. */
  value: () => number;
  /** Whether no tolerance brings it down to `q`: one turn of what its interval takes several of. */
  over: (q: number) => boolean;
}

/** Sums of weights with their numbers by their place in a list: every quotient reads the same. */
export interface Filed {
  numbers: Given[];
  index: Map<Given, number>;
  /** Of each weight: its mass, whether it is on, and where the terms of its x, y and z begin. */
  mass: number[];
  on: boolean[];
  c: number[];
  from: number[];
  /** Terms: the number and its factor. */
  i: Int32Array;
  k: Float64Array;
}

/** Files weights: once for all quotients of a rig. */
export function filed(list: readonly Poise[]): Filed {
  const i: number[] = [];
  const k: number[] = [];
  const f = {
    numbers: [] as Given[],
    index: new Map<Given, number>(),
    mass: [] as number[],
    on: [] as boolean[],
    c: [] as number[],
    from: [0],
  };
  for (const p of list) {
    f.mass.push(numbered(f, p.mass));
    f.on.push(p.on);
    for (const l of p.at) {
      f.c.push(l.c);
      for (const t of l.terms) {
        // What cancels is no input; what is missing is one all the same.
        if (t.k === 0 && t.g.known !== null) continue;
        i.push(numbered(f, t.g));
        k.push(t.k);
      }
      f.from.push(i.length);
    }
  }
  return { ...f, i: Int32Array.from(i), k: Float64Array.from(k) };
}

function numbered(f: Pick<Filed, 'index' | 'numbers'>, g: Given): number {
  let i = f.index.get(g);
  if (i === undefined) {
    i = f.numbers.length;
    f.index.set(g, i);
    f.numbers.push(g);
  }
  return i;
}

/** A quotient with what is the same in both sums put together: a row for each weight. */
interface Rows {
  inputs: Given[];
  mass: Int32Array;
  /** Constants of both sums. */
  over: Float64Array;
  under: Float64Array;
  /** Where the terms of each weight begin; a number stands in a row once. */
  from: Int32Array;
  i: Int32Array;
  a: Float64Array;
  b: Float64Array;
}

const AXES = ['x', 'y', 'z'] as const;

/** Room to make rows in: one at a time, grown as it is needed. */
const scratch = {
  row: new Int32Array(0),
  input: new Int32Array(0),
  touched: new Int32Array(0),
  i: new Int32Array(0),
  a: new Float64Array(0),
  b: new Float64Array(0),
};

function roomFor(numbers: number, terms: number): typeof scratch {
  if (scratch.row.length < numbers) {
    scratch.row = new Int32Array(2 * numbers).fill(-1);
    scratch.input = new Int32Array(2 * numbers);
    scratch.touched = new Int32Array(2 * numbers);
  }
  scratch.input.fill(-1, 0, numbers);
  if (scratch.i.length < terms) {
    scratch.i = new Int32Array(2 * terms);
    scratch.a = new Float64Array(2 * terms);
    scratch.b = new Float64Array(2 * terms);
  }
  return scratch;
}

function rowsOf(f: Filed, over: Side, under: Side): Rows {
  const local = { index: new Map<Given, number>(), numbers: [] as Given[] };
  const n = f.numbers.length;
  const numberOf = (g: Given) => f.index.get(g) ?? n + numbered(local, g);
  const filedAs = (s: Side): Added => {
    const list: Added = [];
    for (const t of s.plus?.terms ?? [])
      if (t.k !== 0 || t.g.known === null) list.push([numberOf(t.g), t.k]);
    return list;
  };
  const [addOver, addUnder] = [filedAs(over), filedAs(under)];
  const w = f.mass.length;
  const total = n + local.numbers.length;
  // Rows beyond the known numbers are of no further use: what is there is always taken back.
  const { row, input, touched, i, a, b } = roomFor(
    total,
    f.i.length + w * (addOver.length + addUnder.length),
  );
  const inputs: Given[] = [];
  const given = (j: number) => (j < n ? f.numbers[j]! : local.numbers[j - n]!);
  const inputOf = (j: number) => {
    if (input[j]! < 0) {
      input[j] = inputs.length;
      inputs.push(given(j));
    }
    return input[j]!;
  };
  const out = {
    mass: new Int32Array(w),
    over: new Float64Array(w),
    under: new Float64Array(w),
    from: new Int32Array(w + 1),
  };
  const factors = AXES.map((axis) => [over[axis] ?? 0, under[axis] ?? 0] as const);
  let end = 0;
  let count = 0;
  let last = 0;
  const put = (j: number, ka: number, kb: number) => {
    const at = row[j]!;
    if (at < 0) {
      row[j] = last;
      touched[count++] = j;
      a[last] = ka;
      b[last] = kb;
      last++;
    } else {
      a[at]! += ka;
      b[at]! += kb;
    }
  };
  for (let p = 0; p < w; p++) {
    count = 0;
    last = end;
    out.mass[p] = inputOf(f.mass[p]!);
    for (let axis = 0; axis < 3; axis++) {
      const [ka, kb] = factors[axis]!;
      if (ka === 0 && kb === 0) continue;
      const at = 3 * p + axis;
      out.over[p]! += ka * f.c[at]!;
      out.under[p]! += kb * f.c[at]!;
      for (let t = f.from[at]!; t < f.from[at + 1]!; t++) put(f.i[t]!, ka * f.k[t]!, kb * f.k[t]!);
    }
    if (f.on[p]!) {
      out.over[p]! += over.plus?.c ?? 0;
      out.under[p]! += under.plus?.c ?? 0;
      for (let t = 0; t < addOver.length; t++) put(addOver[t]![0], addOver[t]![1], 0);
      for (let t = 0; t < addUnder.length; t++) put(addUnder[t]![0], 0, addUnder[t]![1]);
    }
    for (let t = 0; t < count; t++) {
      const j = touched[t]!;
      const at = row[j]!;
      row[j] = -1;
      // What moves both as the rig does cancels.
      if (a[at] === 0 && b[at] === 0 && given(j).known !== null) continue;
      a[end] = a[at]!;
      b[end] = b[at]!;
      i[end] = inputOf(j);
      end++;
    }
    out.from[p + 1] = end;
  }
  return { inputs, ...out, i: i.slice(0, end), a: a.slice(0, end), b: b.slice(0, end) };
}

/** Numbers that are added to each weight, with their factors. */
type Added = (readonly [number, number])[];

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
  return {
    inputs: rows.inputs,
    f: (x) => valueAt(rows, x),
    spread: () => (kept ??= extremes(rows)),
    value: () => kept?.value ?? valueAt(rows, endsOf(rows).value),
    over: (q) => {
      if (kept) return kept.lo > q;
      const [ends, room] = [endsOf(rows), roomOf(rows)];
      place(rows, ends, q, -1, room);
      const { over, under } = weighed(rows, ends, q, -1, room);
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

function extremes(r: Rows): Spread {
  const ends = endsOf(r);
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
  // Where nothing but masses stands below, every weight has its worst place whatever comes of it.
  const fixed = r.b.every((k) => k === 0);
  let q = from;
  for (let turn = 0; turn < 40; turn++) {
    if (turn === 0 || !fixed) place(r, ends, q, sign, room);
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
