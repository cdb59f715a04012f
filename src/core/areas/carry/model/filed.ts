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

/** Numbers by their place in a list: as they stand and at both ends, no number where one is missing. */
export interface Table {
  numbers: Given[];
  index: Map<Given, number>;
  value: Float64Array;
  lo: Float64Array;
  hi: Float64Array;
  /** Weights that were filed in it: what stands where it stood is not filed again. */
  filed: WeakMap<Poise['at'], Terms>;
  /** What was filed last, in its order: most of it comes again at the same place of a list. */
  last: readonly { mass: Given; j: number; at: Poise['at']; own: Terms }[];
}

/** Where a weight is, by its numbers. */
interface Terms {
  /** A number once: which, in which of x, y and z it is (bits), with what factors. */
  i: Int32Array;
  axes: Uint8Array;
  k: Float64Array;
  /** Constants of x, y and z; where they are as the numbers stand, and how far those can move it. */
  c: Float64Array;
  at: Float64Array;
  loose: Float64Array;
  /**
   * Ends along x, y and z of all numbers that are along one of them only, together: each weight is let
   * have its own worst, so that it needs no look at each of them.
   */
  lo: Float64Array;
  hi: Float64Array;
  missing: readonly Given[];
}

/** Sums of weights with their numbers by their place in a table: every quotient reads the same. */
export interface Filed {
  table: Table;
  /** Of each weight: its mass, whether it is on, where it is. */
  mass: Int32Array;
  on: Uint8Array;
  at: readonly Terms[];
  /** Masses, and numbers along any of x, y and z, that nobody gave. */
  missing: readonly Given[];
}

export const AXES = ['x', 'y', 'z'] as const;

/** Over so many numbers a new list is begun: those of rigs that are gone are let go. */
const MOST = 20_000;

const freshTable = (): Table => ({
  numbers: [],
  index: new Map(),
  value: new Float64Array(1024),
  lo: new Float64Array(1024),
  hi: new Float64Array(1024),
  filed: new WeakMap(),
  last: [],
});

let current = freshTable();

/** Place of a number in a table; put into it where it is not there. */
export function numbered(t: Table, g: Given): number {
  const before = t.index.get(g);
  if (before !== undefined) return before;
  const i = t.numbers.length;
  if (i === t.value.length)
    for (const key of ['value', 'lo', 'hi'] as const) {
      const wider = new Float64Array(2 * i);
      wider.set(t[key]);
      t[key] = wider;
    }
  t.index.set(g, i);
  t.numbers.push(g);
  t.value[i] = g.known?.value ?? NaN;
  t.lo[i] = g.known?.lo ?? NaN;
  t.hi[i] = g.known?.hi ?? NaN;
  return i;
}

/** Files weights: once for all quotients of a rig. */
export function filed(list: readonly Poise[]): Filed {
  if (current.numbers.length > MOST) current = freshTable();
  const table = current;
  const mass = new Int32Array(list.length);
  const on = new Uint8Array(list.length);
  const missing: Given[] = [];
  const { last } = table;
  table.last = list.map((w, p) => {
    const before = last[p];
    if (before?.at === w.at && before.mass === w.mass) return before;
    let own = table.filed.get(w.at);
    if (!own) table.filed.set(w.at, (own = termsOf(table, w.at)));
    return { mass: w.mass, j: numbered(table, w.mass), at: w.at, own };
  });
  const at = table.last.map(({ mass: own, j, own: terms }, p) => {
    mass[p] = j;
    on[p] = list[p]!.on ? 1 : 0;
    if (own.known === null) missing.push(own);
    if (terms.missing.length > 0) missing.push(...terms.missing);
    return terms;
  });
  return { table, mass, on, at, missing };
}

function termsOf(table: Table, lins: Poise['at']): Terms {
  const places = new Map<number, number>();
  const i: number[] = [];
  const axes: number[] = [];
  const k: number[] = [];
  lins.forEach((l, axis) => {
    for (const t of l.terms) {
      // What cancels is no input; what is missing is one all the same.
      if (t.k === 0 && t.g.known !== null) continue;
      const j = numbered(table, t.g);
      let own = places.get(j);
      if (own === undefined) {
        own = i.length;
        places.set(j, own);
        i.push(j);
        axes.push(0);
        k.push(0, 0, 0);
      }
      axes[own]! |= 1 << axis;
      k[3 * own + axis]! += t.k;
    }
  });
  const c = Float64Array.from(lins, (l) => l.c);
  const at = Float64Array.from(c);
  const loose = new Float64Array(3);
  const [lo, hi] = [new Float64Array(3), new Float64Array(3)];
  i.forEach((j, t) => {
    const v = table.value[j]!;
    const tol = Math.max(table.hi[j]! - v, v - table.lo[j]!);
    for (let axis = 0; axis < 3; axis++) {
      const factor = k[3 * t + axis]!;
      // A number that is missing says nothing of an axis that it is not in.
      if ((axes[t]! & (1 << axis)) === 0) continue;
      at[axis]! += factor * v;
      loose[axis]! += Math.abs(factor) * tol;
      if (axes[t] !== 1 << axis) continue;
      lo[axis]! += factor * (factor > 0 ? table.lo[j]! : table.hi[j]!);
      hi[axis]! += factor * (factor > 0 ? table.hi[j]! : table.lo[j]!);
    }
  });
  return {
    i: Int32Array.from(i),
    axes: Uint8Array.from(axes),
    k: Float64Array.from(k),
    c,
    at,
    loose,
    lo,
    hi,
    missing: i.map((j) => table.numbers[j]!).filter((g) => g.known === null),
  };
}
