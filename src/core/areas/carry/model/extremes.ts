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
  /** Of each weight: its mass, whether it is on, the constants of x, y and z, where its terms begin. */
  mass: number[];
  on: boolean[];
  c: number[];
  from: number[];
  /** Terms, a number once in each weight: which, in which of x, y and z it is (bits), with what factors. */
  i: Int32Array;
  axes: Uint8Array;
  k: Float64Array;
}

/** Files weights: once for all quotients of a rig. */
export function filed(list: readonly Poise[]): Filed {
  const i: number[] = [];
  const axes: number[] = [];
  const k: number[] = [];
  const f = {
    numbers: [] as Given[],
    index: new Map<Given, number>(),
    mass: [] as number[],
    on: [] as boolean[],
    c: [] as number[],
    from: [0],
  };
  // Where a number stood last: in this weight, where that is not before its first term.
  const stood: number[] = [];
  for (const p of list) {
    const first = i.length;
    f.mass.push(numbered(f, p.mass));
    f.on.push(p.on);
    p.at.forEach((l, axis) => {
      f.c.push(l.c);
      for (const t of l.terms) {
        // What cancels is no input; what is missing is one all the same.
        if (t.k === 0 && t.g.known !== null) continue;
        const j = numbered(f, t.g);
        let at = stood[j] ?? -1;
        if (at < first) {
          at = stood[j] = i.length;
          i.push(j);
          axes.push(0);
          k.push(0, 0, 0);
        }
        axes[at]! |= 1 << axis;
        k[3 * at + axis]! += t.k;
      }
    });
    f.from.push(i.length);
  }
  return { ...f, i: Int32Array.from(i), axes: Uint8Array.from(axes), k: Float64Array.from(k) };
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
  /** Nothing but masses stands below. */
  mean: boolean;
}

const AXES = ['x', 'y', 'z'] as const;

/** Room to make rows in: one at a time, grown as it is needed. */
const scratch = {
  input: new Int32Array(0),
  added: new Int32Array(0),
  done: new Int32Array(0),
  i: new Int32Array(0),
  a: new Float64Array(0),
  b: new Float64Array(0),
};

function roomFor(numbers: number, terms: number): typeof scratch {
  if (scratch.input.length < numbers) {
    scratch.input = new Int32Array(2 * numbers);
    scratch.added = new Int32Array(2 * numbers);
    scratch.done = new Int32Array(2 * numbers);
  }
  scratch.input.fill(-1, 0, numbers);
  scratch.added.fill(-1, 0, numbers);
  scratch.done.fill(-1, 0, numbers);
  if (scratch.i.length < terms) {
    scratch.i = new Int32Array(2 * terms);
    scratch.a = new Float64Array(2 * terms);
    scratch.b = new Float64Array(2 * terms);
  }
  return scratch;
}

/** A number that is added to every weight: which, and how often above and below. */
interface Added {
  j: number;
  a: number;
  b: number;
}

/** What is added to every weight, each number once; those that no weight has are filed behind theirs. */
function addedTo(f: Filed, over: Side, under: Side): { list: Added[]; own: Given[] } {
  const own = { index: new Map<Given, number>(), numbers: [] as Given[] };
  const n = f.numbers.length;
  const list: Added[] = [];
  const put = (s: Side, key: 'a' | 'b') => {
    for (const { g, k } of s.plus?.terms ?? []) {
      if (k === 0 && g.known !== null) continue;
      const j = f.index.get(g) ?? n + numbered(own, g);
      const before = list.find((x) => x.j === j);
      if (before) before[key] += k;
      else list.push({ j, a: 0, b: 0, [key]: k });
    }
  };
  put(over, 'a');
  put(under, 'b');
  return { list, own: own.numbers };
}

function rowsOf(f: Filed, over: Side, under: Side): Rows {
  const { list, own } = addedTo(f, over, under);
  const n = f.numbers.length;
  const w = f.mass.length;
  const room = roomFor(n + own.length, f.i.length + w * list.length);
  const { input, added, done, i, a, b } = room;
  const { i: which, axes, k } = f;
  list.forEach(({ j }, at) => (added[j] = at));
  const inputs: Given[] = [];
  const given = (j: number) => (j < n ? f.numbers[j]! : own[j - n]!);
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
  const [ox, oy, oz] = AXES.map((axis) => over[axis] ?? 0) as [number, number, number];
  const [ux, uy, uz] = AXES.map((axis) => under[axis] ?? 0) as [number, number, number];
  const used =
    (ox !== 0 || ux !== 0 ? 1 : 0) |
    (oy !== 0 || uy !== 0 ? 2 : 0) |
    (oz !== 0 || uz !== 0 ? 4 : 0);
  const [plusOver, plusUnder] = [over.plus?.c ?? 0, under.plus?.c ?? 0];
  let end = 0;
  let mean = true;
  const put = (j: number, ka: number, kb: number) => {
    a[end] = ka;
    b[end] = kb;
    i[end] = inputOf(j);
    if (kb !== 0) mean = false;
    end++;
  };
  for (let p = 0; p < w; p++) {
    const on = f.on[p]!;
    out.mass[p] = inputOf(f.mass[p]!);
    const cx = f.c[3 * p]!;
    const cy = f.c[3 * p + 1]!;
    const cz = f.c[3 * p + 2]!;
    out.over[p] = ox * cx + oy * cy + oz * cz + (on ? plusOver : 0);
    out.under[p] = ux * cx + uy * cy + uz * cz + (on ? plusUnder : 0);
    const last = f.from[p + 1]!;
    for (let t = f.from[p]!; t < last; t++) {
      if ((axes[t]! & used) === 0) continue;
      const j = which[t]!;
      const kx = k[3 * t]!;
      const ky = k[3 * t + 1]!;
      const kz = k[3 * t + 2]!;
      let ka = ox * kx + oy * ky + oz * kz;
      let kb = ux * kx + uy * ky + uz * kz;
      const at = added[j]!;
      if (on && at >= 0) {
        ka += list[at]!.a;
        kb += list[at]!.b;
        done[j] = p;
      }
      // What moves both as the rig does cancels; what is missing is an input all the same.
      if (ka !== 0 || kb !== 0 || given(j).known === null) put(j, ka, kb);
    }
    if (on)
      for (const { j, a: ka, b: kb } of list)
        if (done[j] !== p && (ka !== 0 || kb !== 0 || given(j).known === null)) put(j, ka, kb);
    out.from[p + 1] = end;
  }
  return { inputs, ...out, i: i.slice(0, end), a: a.slice(0, end), b: b.slice(0, end), mean };
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
