import type { Given } from '../../../build/given';
import type { Lin } from '../../../build/lin';

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
export interface Rows {
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

/** A quotient of what was filed: what stands in both sums, or in several coordinates, put together. */
export function rowsOf(f: Filed, over: Side, under: Side): Rows {
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
