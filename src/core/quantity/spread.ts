/**
 * Carries tolerances through a formula.
 */

/** What a formula comes to. */
export interface Interval {
  /** At the nominal values. */
  value: number;
  /** Smallest and largest result inside all the tolerances. */
  lo: number;
  hi: number;
}

export interface Spread extends Interval {
  /** Share of the width that each input causes alone, 0 to 1, summing to 1 (0 if no width). */
  readonly shares: readonly number[];
}

export interface Range {
  value: number;
  lo: number;
  hi: number;
}

/**
 * Interval of `f` over the box of its inputs.
 *
 * `f` must be monotone in each input over its range while the others stay anywhere in theirs
 * (not necessarily in the same direction). Then the extremes lie at two corners of the box, and
 * which corners they are can be read off by moving one input at a time: 2n + 3 evaluations
 * instead of 2^n. Source: elementary interval analysis (monotone inclusion is exact).
 *
 * @param inputs ranges of the inputs, any units
 * @param f the formula; gets the inputs in the same order
 * @param sense what says which way each input pushes and how much, where `f` itself is flat over
 *   stretches (all black, nothing touched) and shows no direction there; rises where `f` rises
 * @param doubtful inputs that may push either way, depending on the others: at both extremes every
 *   choice of their ends is tried
 */
export function spread(
  inputs: readonly Range[],
  f: (x: readonly number[]) => number,
  sense: (x: readonly number[]) => number = f,
  doubtful: readonly number[] = [],
): Spread {
  const n = inputs.length;
  const x = new Array<number>(n);
  for (let i = 0; i < n; i++) x[i] = inputs[i]!.value;
  const value = f(x);
  const low = new Array<number>(n);
  const high = new Array<number>(n);
  const widths = new Array<number>(n);
  let total = 0;
  for (let i = 0; i < n; i++) {
    const r = inputs[i]!;
    if (r.lo === r.hi) {
      // Exact: its corner is where it stands, and it widens nothing.
      low[i] = high[i] = r.lo;
      widths[i] = 0;
      continue;
    }
    x[i] = r.lo;
    const atLo = sense(x);
    x[i] = r.hi;
    const atHi = sense(x);
    x[i] = r.value;
    const up = atHi >= atLo;
    low[i] = up ? r.lo : r.hi;
    high[i] = up ? r.hi : r.lo;
    const width = Math.abs(atHi - atLo);
    widths[i] = Number.isFinite(width) ? width : 0;
    total += widths[i]!;
  }
  choose(inputs, sense, doubtful, low, 1);
  choose(inputs, sense, doubtful, high, -1);
  const [lo, hi] = [f(low), f(high)];
  const shares = widths.map((w) => (total > 0 ? w / total : 0));
  // Rounding in f can put a corner a few ulps inside the nominal value.
  return { value, lo: Math.min(lo, value), hi: Math.max(hi, value), shares };
}

/** Sets the inputs that may push either way to the ends that together bring the extreme. */
function choose(
  inputs: readonly Range[],
  sense: (x: readonly number[]) => number,
  doubtful: readonly number[],
  at: number[],
  sign: 1 | -1,
): void {
  if (doubtful.length === 0) return;
  // All of them together: two that pull against each other only give way as a pair.
  let best = Infinity;
  let chosen = 0;
  for (let ends = 0; ends < 1 << doubtful.length; ends++) {
    doubtful.forEach((i, k) => (at[i] = (ends >> k) & 1 ? inputs[i]!.hi : inputs[i]!.lo));
    const other = sign * sense(at);
    if (other < best) [best, chosen] = [other, ends];
  }
  doubtful.forEach((i, k) => (at[i] = (chosen >> k) & 1 ? inputs[i]!.hi : inputs[i]!.lo));
}

/**
 * As {@link spread}, for what need not be monotone: the distance of two solids, one of which may lie
 * on either side of the other. Where the corner that single moves show would settle the matter (all of
 * it over `wanted`, or all of it under 0), it is looked for farther.
 *
 * The distance of two convex solids is a convex function of where they stand and of their sizes
 * together (Boyd and Vandenberghe, Convex Optimization, 2004, sections 3.2.5 and 8.1): its largest
 * value lies at a corner, its smallest may lie inside. So for the smallest each input in turn is set
 * to the lowest point of its line. While the solids are apart the square of the distance is smooth,
 * and such turns come as near to the lowest point as one likes.
 */
export function searched(
  inputs: readonly Range[],
  f: (x: readonly number[]) => number,
  wanted: number,
): Spread {
  const first = spread(inputs, f);
  const loose = inputs.map((r, i) => ({ r, i })).filter(({ r }) => r.lo !== r.hi);
  const lo =
    first.lo < wanted ? first.lo : Math.min(first.lo, lowest(loose, f, corner(inputs, f, 1)));
  const hi =
    first.hi >= 0
      ? first.hi
      : Math.max(first.hi, -ends(loose, (x) => -f(x), corner(inputs, f, -1)));
  return { ...first, lo, hi };
}

/** The corner that single moves from the nominal values show as the lowest. */
function corner(inputs: readonly Range[], f: (x: readonly number[]) => number, sign: 1 | -1) {
  const x = inputs.map((r) => r.value);
  return inputs.map((r, i) => {
    const at = (v: number) => {
      x[i] = v;
      const out = sign * f(x);
      x[i] = r.value;
      return out;
    };
    return r.lo === r.hi || at(r.lo) <= at(r.hi) ? r.lo : r.hi;
  });
}

interface Loose {
  r: Range;
  i: number;
}

/** Passes over all inputs at most; each can only make it lower. */
const PASSES = 12;
/** What a pass has to bring for another one, mm. */
const ENOUGH = 1e-4;

/** Each input in turn to what `best` finds for it, for as long as that makes it lower. */
function descend(
  loose: readonly Loose[],
  f: (x: readonly number[]) => number,
  x: number[],
  best: (r: Range, stood: number, at: (v: number) => number) => number,
): number {
  let now = f(x);
  for (let pass = 0; pass < PASSES; pass++) {
    const before = now;
    for (const { r, i } of loose) {
      const stood = x[i]!;
      const at = (v: number) => {
        x[i] = v;
        return f(x);
      };
      const v = best(r, stood, at);
      const there = at(v);
      if (there < now) now = there;
      else x[i] = stood;
    }
    if (before - now < ENOUGH) break;
  }
  return now;
}

/** Among the ends and the nominal values. */
const ends = (loose: readonly Loose[], f: (x: readonly number[]) => number, x: number[]) =>
  descend(loose, f, x, (r, stood, at) =>
    [stood, r.lo, r.value, r.hi].reduce((a, v) => (at(v) < at(a) ? v : a)),
  );

/** Share of a stretch that a step of the golden section leaves. */
const GOLDEN = (Math.sqrt(5) - 1) / 2;
/** So often: 24 steps leave a hundred-thousandth of the stretch. */
const STEPS = 24;

/** The lowest point of a convex function, anywhere inside. */
const lowest = (loose: readonly Loose[], f: (x: readonly number[]) => number, x: number[]) =>
  descend(loose, f, x, (r, _stood, at) => {
    let [lo, hi] = [r.lo, r.hi];
    let [a, b] = [hi - GOLDEN * (hi - lo), lo + GOLDEN * (hi - lo)];
    let [fa, fb] = [at(a), at(b)];
    for (let n = 0; n < STEPS; n++)
      if (fa <= fb) {
        [hi, b, fb] = [b, a, fa];
        a = hi - GOLDEN * (hi - lo);
        fa = at(a);
      } else {
        [lo, a, fa] = [a, b, fb];
        b = lo + GOLDEN * (hi - lo);
        fb = at(b);
      }
    const middle = (lo + hi) / 2;
    return [r.lo, r.hi].reduce((m, v) => (at(v) < at(m) ? v : m), middle);
  });

/**
 * As {@link spread}, without the share of each input: which way an input pushes is read off one
 * step, and off a second only where the first shows nothing.
 */
export function extremes(
  inputs: readonly Range[],
  f: (x: readonly number[]) => number,
  sense: (x: readonly number[]) => number,
  doubtful: readonly number[],
): Range {
  const x = inputs.map((r) => r.value);
  const value = f(x);
  const now = sense(x);
  const low = [...x];
  const high = [...x];
  inputs.forEach((r, i) => {
    if (r.lo === r.hi || doubtful.includes(i)) return;
    x[i] = r.hi;
    const above = sense(x);
    let up = above > now;
    if (above === now) {
      x[i] = r.lo;
      up = sense(x) <= now;
    }
    x[i] = r.value;
    low[i] = up ? r.lo : r.hi;
    high[i] = up ? r.hi : r.lo;
  });
  choose(inputs, sense, doubtful, low, 1);
  choose(inputs, sense, doubtful, high, -1);
  return { value, lo: Math.min(f(low), value), hi: Math.max(f(high), value) };
}

/** Interval of |x| when x lies in [lo, hi]. */
export function absolute(r: Range): Range {
  const a = Math.abs(r.lo);
  const b = Math.abs(r.hi);
  return {
    value: Math.abs(r.value),
    lo: r.lo <= 0 && r.hi >= 0 ? 0 : Math.min(a, b),
    hi: Math.max(a, b),
  };
}

/**
 * Interval of the room inside two bounds, `min(below, above)`: best in the middle and less to both
 * sides, so its best case need not lie at a corner. What the two bounds leave between them is
 * shared by the two rooms, which limits the best case.
 *
 * @param below room over the lower bound; @param above room under the upper one; both monotone in
 *   each input
 */
export function between(
  inputs: readonly Range[],
  below: (x: readonly number[]) => number,
  above: (x: readonly number[]) => number,
): Spread {
  const [a, b] = [spread(inputs, below), spread(inputs, above)];
  const room = spread(inputs, (x) => below(x) + above(x));
  const nearest = a.value <= b.value ? a : b;
  const value = nearest.value;
  return {
    value,
    lo: Math.min(a.lo, b.lo),
    hi: Math.max(value, Math.min(a.hi, b.hi, room.hi / 2)),
    shares: nearest.shares,
  };
}

/** The same with a share for more inputs than it rests on: those that come behind cause nothing. */
export function sharedOver(inputs: () => readonly unknown[], s: Spread): Spread {
  return {
    value: s.value,
    lo: s.lo,
    hi: s.hi,
    get shares() {
      const { shares } = s;
      return inputs().map((_, i) => shares[i] ?? 0);
    },
  };
}
