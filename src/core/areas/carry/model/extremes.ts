import type { Given } from '../../../build/given';
import { at, lin, plus, times, type Lin } from '../../../build/lin';
import type { Spread } from '../../../quantity/spread';
import { AXES, type Filed, type Side } from './filed';
import { endsOf, restsOn, rowsOf, type Ends, type Rows } from './quotient-rows';

/**
 * A quotient of two sums over weights, `sum(m a) / sum(m b)`: a coordinate of the centre of gravity
 * (b is 1), the tangent of a tilt (a is how far ahead, b is how far below the hold).
 */
export interface Quotient {
  /** Every number it rests on, each once. */
  readonly inputs: Given[];
  /** Those of them that nobody gave. */
  readonly missing: readonly Given[];
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
  let kept: Spread | null = null;
  let places: number[] | null = null;
  let inputs: Given[] | null = null;
  const rows = () => rowsOf(f, over, under);
  const placed = (r: Rows) => (places ??= restsOn(r));
  const value = () => atOnce(f, over) / atOnce(f, under);
  const all = () => (inputs ??= placed(rows()).map((j) => f.table.numbers[j]!));
  // Where all is known nothing has to be laid out to say so.
  const known = f.missing.length === 0 && isKnown(over) && isKnown(under);
  const missing = (): Given[] => (known ? [] : all().filter((g) => g.known === null));
  return {
    get inputs() {
      return all();
    },
    get missing() {
      return missing();
    },
    f: (x) => {
      const r = rows();
      const own = placed(r);
      own.forEach((j, i) => (r.each[j] = x[i]!));
      return valueAt(r, r.each);
    },
    spread: () => {
      if (kept) return kept;
      const [first] = missing();
      if (first) throw new Error(`${first.label} is missing`);
      return (kept = extremes(endsOf(f, over, under), value(), () => {
        const r = rows();
        return shares(f, r, placed(r), value());
      }));
    },
    value: () => kept?.value ?? value(),
    over: (q) => {
      if (kept) return kept.lo > q;
      if (surelyOver(f, over, under, q)) return true;
      const r = endsOf(f, over, under);
      place(r, q, -1);
      const sums = weighed(r, q, -1);
      return sums.under > 0 && sums.over - q * sums.under > 0;
    },
  };
}

const isKnown = ({ plus: added }: Side) => !added?.terms.some((t) => t.g.known === null);

/** One of both sums with every number as it stands: by the sums along x, y and z. */
function atOnce(f: Filed, side: Side): number {
  const sums = momentsOf(f);
  let out = side.plus ? at(side.plus, (g) => g.known?.value ?? NaN) * sums.all : 0;
  for (const axis of AXES) if (side[axis]) out += side[axis] * sums[axis];
  return out;
}

/** Weights as they stand: what they weigh along x, y and z, and all that is on. */
interface Moments {
  x: number;
  y: number;
  z: number;
  all: number;
}

const moments = new WeakMap<Filed, Moments>();

function momentsOf(f: Filed): Moments {
  const before = moments.get(f);
  if (before) return before;
  const out = { x: 0, y: 0, z: 0, all: 0 };
  f.at.forEach(({ at: [x, y, z] }, p) => {
    const m = f.table.value[f.mass[p]!]!;
    out.x += m * x!;
    out.y += m * y!;
    out.z += m * z!;
    if (f.on[p] === 1) out.all += m;
  });
  moments.set(f, out);
  return out;
}

/**
 * Whether a quotient is over `q` even where every weight, and what is added to it, is at its own worst:
 * wider than the truth, but a look at each weight instead of at each of its numbers.
 */
function surelyOver(f: Filed, over: Side, under: Side, q: number): boolean {
  const below = leastSum(f, under);
  if (!(below > 0)) return false;
  const left = (axis: 'x' | 'y' | 'z') => (over[axis] ?? 0) - q * (under[axis] ?? 0);
  const added = plus(over.plus ?? lin(0), times(under.plus ?? lin(0), -q));
  return leastSum(f, { x: left('x'), y: left('y'), z: left('z'), plus: added }) > 0;
}

/** No tolerance brings the sum over the weights below this. */
function leastSum(f: Filed, { x = 0, y = 0, z = 0, plus: added }: Side): number {
  const plusAt = added ? at(added, (g) => g.known?.value ?? NaN) : 0;
  const plusLoose = added ? looseOf(added) : 0;
  const { lo, hi } = f.table;
  let sum = 0;
  for (let p = 0; p < f.mass.length; p++) {
    const { at: here, loose } = f.at[p]!;
    let least = f.on[p] === 1 ? plusAt - plusLoose : 0;
    if (x !== 0) least += x * here[0]! - Math.abs(x) * loose[0]!;
    if (y !== 0) least += y * here[1]! - Math.abs(y) * loose[1]!;
    if (z !== 0) least += z * here[2]! - Math.abs(z) * loose[2]!;
    const m = f.mass[p]!;
    sum += Math.max(0, least > 0 ? lo[m]! : hi[m]!) * least;
  }
  return sum;
}

/** How far the numbers of a sum can move it to either side. */
const looseOf = (l: Lin): number =>
  l.terms.reduce((sum, { g, k }) => {
    const n = g.known;
    return sum + Math.abs(k) * (n ? Math.max(n.hi - n.value, n.value - n.lo) : NaN);
  }, 0);

function valueAt(r: Rows, x: ArrayLike<number>): number {
  let over = 0;
  let under = 0;
  for (let p = 0; p < r.n; p++) {
    let a = r.over[p]!;
    let b = r.under[p]!;
    const end = r.from[p + 1]!;
    for (let t = r.from[p]!; t < end; t++) {
      const v = x[r.i[t]!]!;
      a += r.a[t]! * v;
      b += r.b[t]! * v;
    }
    over += x[r.mass[p]!]! * a;
    under += x[r.mass[p]!]! * b;
  }
  return over / under;
}

/** @param whose the share of each number; worked out when somebody asks */
function extremes(r: Ends, value: number, whose: () => number[]): Spread {
  const lo = turns(r, value, -1);
  const hi = turns(r, value, 1);
  let known: number[] | null = null;
  return {
    value,
    lo: Math.min(lo, value),
    hi: Math.max(hi, value),
    get shares() {
      return (known ??= whose());
    },
  };
}

/** Dinkelbach's turns towards the largest (sign 1) or the smallest (-1). */
function turns(r: Ends, from: number, sign: 1 | -1): number {
  // In a mean every weight has its worst place whatever comes of it.
  let q = from;
  for (let turn = 0; turn < 40; turn++) {
    if (turn === 0 || !r.mean) place(r, q, sign);
    const { over, under } = weighed(r, q, sign);
    if (!(under > 0)) return sign * Infinity;
    const next = over / under;
    if (!(sign * (next - q) > 1e-11 * Math.max(1, Math.abs(q)))) return q;
    q = next;
  }
  return q;
}

/**
 * Both sums of every weight where `sign (a - q b)` is largest: each number at the end that helps that
 * weight. A number that moves all of them the same way is at one end for all; one that moves some of
 * them against others has both, which no rig can, so that the interval is at worst too wide.
 */
function place(r: Ends, q: number, sign: 1 | -1): void {
  // Nothing is made in here: this runs over every number of a rig for every turn.
  const { from, a, b, lo, hi, overs, unders } = r;
  const { n, over: c, under: d } = r;
  for (let p = 0; p < n; p++) {
    let over = c[p]!;
    let under = d[p]!;
    const end = from[p + 1]!;
    for (let t = from[p]!; t < end; t++) {
      const ka = a[t]!;
      const kb = b[t]!;
      const v = (ka - q * kb) * sign > 0 ? hi[t]! : lo[t]!;
      over += ka * v;
      under += kb * v;
    }
    overs[p] = over;
    unders[p] = under;
  }
}

/** Both sums over all weights where `sign sum(m (a - q b))` is largest. */
function weighed(r: Ends, q: number, sign: 1 | -1) {
  const { overs, unders, table } = r;
  const gain = r.each;
  for (let p = 0; p < r.n; p++) gain[r.mass[p]!] = 0;
  for (let p = 0; p < r.n; p++) gain[r.mass[p]!]! += sign * (overs[p]! - q * unders[p]!);
  let over = 0;
  let under = 0;
  for (let p = 0; p < r.n; p++) {
    const i = r.mass[p]!;
    const m = Math.max(0, gain[i]! > 0 ? table.hi[i]! : table.lo[i]!);
    over += m * overs[p]!;
    under += m * unders[p]!;
  }
  return { over, under };
}

/** Share of the doubt that each number causes, by its slope at the numbers as they stand. */
function shares(f: Filed, r: Rows, inputs: readonly number[], q: number): number[] {
  const { value: x, lo, hi } = f.table;
  const slope = r.each;
  for (const j of inputs) slope[j] = 0;
  for (let p = 0; p < r.n; p++) {
    const m = x[r.mass[p]!]!;
    let bracket = r.over[p]! - q * r.under[p]!;
    for (let t = r.from[p]!; t < r.from[p + 1]!; t++) {
      const k = r.a[t]! - q * r.b[t]!;
      bracket += k * x[r.i[t]!]!;
      slope[r.i[t]!]! += m * k;
    }
    slope[r.mass[p]!]! += bracket;
  }
  const widths = inputs.map((j) => Math.abs(slope[j]!) * (hi[j]! - lo[j]!));
  const total = widths.reduce((a, b) => a + b, 0);
  // In whatever order they were summed, a share reads the same.
  return widths.map((w) => (total > 0 ? Math.round((w / total) * 1e9) / 1e9 : 0));
}
