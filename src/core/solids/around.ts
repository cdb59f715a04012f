import { union, type Bounds, type Vec } from './solid';

/**
 * The way of a thin thing round blocks: over their corners, along their edges. A lead lies like that when
 * it is drawn tight and tied where it bends.
 */

/** A way from one point to another. */
export interface Way {
  /** Both ends, and where it bends between them. */
  points: readonly Vec[];
  /** mm */
  length: number;
  /** Blocks it goes round, by their place in the list. */
  round: readonly number[];
}

/** Two ways are as long as each other within this, mm. */
const SAME = 0.1;

/** Under this a way along a face is not one through it, mm. */
const TOUCH = 1e-6;

/** Whether the line from `a` to `b` goes through the inside of a block (slabs, one axis at a time). */
export function cuts(a: Vec, b: Vec, e: Bounds): boolean {
  let [from, to] = [0, 1];
  for (let k = 0; k < 3; k++) {
    const lo = e[k as 0] + TOUCH;
    const hi = e[(k + 3) as 3] - TOUCH;
    const p = a[k as 0];
    const d = b[k as 0] - p;
    if (Math.abs(d) < 1e-12) {
      if (p <= lo || p >= hi) return false;
      continue;
    }
    const [t, u] = [(lo - p) / d, (hi - p) / d];
    from = Math.max(from, Math.min(t, u));
    to = Math.min(to, Math.max(t, u));
    if (from >= to) return false;
  }
  return true;
}

/** Whether a point is inside of a block. */
export const within = (p: Vec, e: Bounds): boolean =>
  [0, 1, 2].every((k) => p[k as 0] > e[k as 0] + TOUCH && p[k as 0] < e[(k + 3) as 3] - TOUCH);

const far = (a: Vec, b: Vec): number => Math.hypot(a[0] - b[0], a[1] - b[1], a[2] - b[2]);

/** So many blocks are gone round at most: more than stand between any two parts of a rig. */
const MOST = 24;

/**
 * A short way from `a` to `b` that passes through none of the blocks: over corners, then drawn tight, each
 * bend along the edge that it is on.
 *
 * Over corners alone it may be drawn tight on the wrong side of a block: where it bends more than once the
 * middles of edges are tried as well, and the shorter of the two is taken.
 *
 * @param blocks extents, each grown by what has to be kept clear of it
 * @returns null where an end is inside of a block, or no way leads out
 */
export function wayRound(a: Vec, b: Vec, blocks: readonly Bounds[]): Way | null {
  return wayWithin(a, b, blocks).way;
}

/** As {@link wayRound}, with the room it was found in: a block that does not reach into it changes nothing. */
export function wayWithin(
  a: Vec,
  b: Vec,
  blocks: readonly Bounds[],
): { way: Way | null; within: Bounds } {
  const looked = new Looked(a, b);
  const over = overCorners(a, b, blocks, looked);
  if (!over) return { way: null, within: looked.bounds };
  // A bend is slid no farther than its neighbours are: within the same room.
  const drawn = (w: Way): Way => {
    const points = tightened(w.points, blocks);
    return { points, length: lengthOf(points), round: w.round };
  };
  const way = drawn(over);
  if (over.points.length <= 3) return { way, within: looked.bounds };
  // With more than one bend the shortest over corners may lie on another side than the shortest over edges.
  const edges = overCorners(a, b, blocks, looked, (e) => [...cornersOf(e), ...middlesOf(e)]);
  const other = edges && drawn(edges);
  return {
    way: other && other.length < way.length - SAME ? other : way,
    within: looked.bounds,
  };
}

/** The room that all ways lie in that were looked at. */
class Looked {
  bounds: Bounds;
  constructor(a: Vec, b: Vec) {
    this.bounds = boundsOf([a, b]);
  }
  add(points: readonly Vec[]) {
    this.bounds = union(this.bounds, boundsOf(points));
  }
}

const boundsOf = (points: readonly Vec[]): Bounds =>
  points.map((p): Bounds => [p[0], p[1], p[2], p[0], p[1], p[2]]).reduce(union);

/**
 * The shortest way over the corners of the blocks that it goes round, clear of all. Others are not looked
 * at: what no shorter way goes through is not in the way; `bendsOn` are the points of a block that it may go over. (Over a corner of one of those it may be a little
 * shorter yet: in space the shortest way of all bends on edges, anywhere along them.)
 */
export function overCorners(
  a: Vec,
  b: Vec,
  blocks: readonly Bounds[],
  looked?: Looked,
  bendsOn: (e: Bounds) => readonly Vec[] = cornersOf,
): Way | null {
  if (blocks.some((e) => within(a, e) || within(b, e))) return null;
  const round: number[] = [];
  for (;;) {
    const points = shortest(
      a,
      b,
      round.map((i) => blocks[i]!),
      bendsOn,
    );
    if (!points) {
      // Shut in: whatever moves may let it out.
      looked?.add([
        [-Infinity, -Infinity, -Infinity],
        [Infinity, Infinity, Infinity],
      ]);
      return null;
    }
    looked?.add(points);
    // All that it goes through, at once: which stands first in the list says nothing.
    const next = blocks.flatMap((e, i) => (!round.includes(i) && crosses(points, e) ? [i] : []));
    if (next.length === 0) return { points, length: lengthOf(points), round };
    round.push(...next);
    if (round.length > MOST) return null;
  }
}

/** Length of a way, mm. */
export function lengthOf(points: readonly Vec[]): number {
  let sum = 0;
  for (let i = 1; i < points.length; i++) sum += far(points[i - 1]!, points[i]!);
  return sum;
}

/** The point so far along a way, mm; its end where that is past it. */
export function pointAlong(points: readonly Vec[], mm: number): Vec {
  let left = mm;
  for (let i = 1; i < points.length; i++) {
    const [a, b] = [points[i - 1]!, points[i]!];
    const d = far(a, b);
    if (left <= d && d > 0) {
      const t = left / d;
      return [a[0] + t * (b[0] - a[0]), a[1] + t * (b[1] - a[1]), a[2] + t * (b[2] - a[2])];
    }
    left -= d;
  }
  return points.at(-1)!;
}

const crosses = (points: readonly Vec[], e: Bounds): boolean =>
  points.some((p, i) => i > 0 && cuts(points[i - 1]!, p, e));

/** The eight corners of a block. */
export function cornersOf(e: Bounds): Vec[] {
  return [0, 1, 2, 3, 4, 5, 6, 7].map((n) => [
    n & 1 ? e[3] : e[0],
    n & 2 ? e[4] : e[1],
    n & 4 ? e[5] : e[2],
  ]);
}

/** The middles of the twelve edges of a block. */
const middlesOf = (e: Bounds): Vec[] =>
  ([0, 1, 2] as const).flatMap((k) =>
    [0, 1, 2, 3].map((n): Vec => {
      const p: [number, number, number] = [0, 0, 0];
      const [i, j] = [((k + 1) % 3) as 0, ((k + 2) % 3) as 0];
      p[k] = (e[k as 0] + e[(k + 3) as 3]) / 2;
      p[i] = n & 1 ? e[(i + 3) as 3] : e[i];
      p[j] = n & 2 ? e[(j + 3) as 3] : e[j];
      return p;
    }),
  );

/** The shortest over points of a few blocks (E. W. Dijkstra, 1959). */
function shortest(
  a: Vec,
  b: Vec,
  blocks: readonly Bounds[],
  bendsOn: (e: Bounds) => readonly Vec[],
): Vec[] | null {
  const free = blocks.flatMap(bendsOn).filter((p) => !blocks.some((e) => within(p, e)));
  const points = [a, b, ...free];
  const at = points.map((_, i) => (i === 0 ? 0 : Infinity));
  const before = points.map(() => -1);
  const done = points.map(() => false);
  for (;;) {
    let i = -1;
    for (let j = 0; j < points.length; j++)
      if (!done[j] && at[j]! < Infinity && (i < 0 || at[j]! < at[i]!)) i = j;
    if (i < 0) return null;
    if (i === 1) break;
    done[i] = true;
    for (let j = 1; j < points.length; j++) {
      if (done[j]) continue;
      const d = at[i]! + far(points[i]!, points[j]!);
      if (d >= at[j]! - 1e-9) continue;
      if (blocks.some((e) => cuts(points[i]!, points[j]!, e))) continue;
      at[j] = d;
      before[j] = i;
    }
  }
  const way: Vec[] = [];
  for (let i = 1; i >= 0; i = before[i]!) way.unshift(points[i]!);
  return way;
}

/** So often all bends are drawn tight: each moves where its neighbours are. */
const PASSES = 3;

/** The same way with each bend slid along the edges that meet in it, as long as nothing is in between. */
function tightened(way: readonly Vec[], blocks: readonly Bounds[]): Vec[] {
  const points = [...way];
  for (let pass = 0; pass < PASSES; pass++)
    for (let i = 1; i < points.length - 1; i++) {
      const [p, q] = [points[i - 1]!, points[i + 1]!];
      for (const k of [0, 1, 2] as const) {
        const to = (v: number): Vec => {
          const x = points[i]!;
          return [k === 0 ? v : x[0], k === 1 ? v : x[1], k === 2 ? v : x[2]];
        };
        const cost = (v: number) => far(p, to(v)) + far(to(v), q);
        const now = points[i]![k];
        const best = lowest(cost, Math.min(p[k], q[k], now), Math.max(p[k], q[k], now));
        // Where the best is not free, part of the way to it may be.
        for (const share of [1, 0.75, 0.5, 0.25]) {
          const x = to(now + (best - now) * share);
          if (cost(x[k]) >= cost(now) - 1e-6) continue;
          if (blocks.some((e) => cuts(p, x, e) || cuts(x, q, e))) continue;
          points[i] = x;
          break;
        }
      }
    }
  return points;
}

/** Where a function with one valley is lowest (golden section). */
function lowest(f: (v: number) => number, lo: number, hi: number): number {
  const g = (Math.sqrt(5) - 1) / 2;
  for (let i = 0; i < 30; i++) {
    const [u, v] = [hi - g * (hi - lo), lo + g * (hi - lo)];
    if (f(u) <= f(v)) hi = v;
    else lo = u;
  }
  return (lo + hi) / 2;
}
