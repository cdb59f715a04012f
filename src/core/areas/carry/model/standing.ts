import type { Built } from '../../../build/build';
import { lin, net, plus, sameLin, times, type Lin } from '../../../build/lin';
import type { Given } from '../../../build/given';
import { node } from '../../../engine/reads';
import type { Piece } from '../../../place/setting';
import { standOf } from '../../../stand/stand';
import { lies } from './balance';
import { endsOf, facesOf, waysOf, type Way } from './hold';
import { quotient, type Quotient } from './extremes';
import type { Side } from './filed';
import { poisedOf } from './weighed';

/** What stands on the table is what comes as low as the lowest, within this, mm. */
const TOUCHES = 1;
/** Corners this near to an edge lie on it, mm. */
const ON_EDGE = 1e-6;
const EACH = { plus: lin(1) };

/** A corner of what the rig stands on, from above: to the right, forwards. */
interface Corner {
  side: Lin;
  fore: Lin;
  u: number;
  v: number;
}

/** The farthest of several corners on one edge, as a quotient is. */
export type Edge = Pick<Quotient, 'inputs' | 'missing' | 'spread' | 'over' | 'value'>;

/** The rig set down. */
export interface Standing {
  /** Pieces that touch what it stands on. */
  on: readonly Piece[];
  /** Corners of the polygon, to the right and forwards, mm, in turn. */
  polygon: readonly (readonly [number, number])[];
  /**
   * Over each edge of it: the tangent of the lean at which the rig tips over that edge, below 0 where
   * its centre is outside; null where what it stands on is a point or a line.
   */
  edges: readonly { over: Edge; margin: () => Edge; name: string }[] | null;
}

export function standingOf(built: Built): Standing | null {
  return built.once(STANDING);
}

const STANDING = node('set down', (built: Built): Standing | null => {
  const { up, side, fore } = waysOf(built.rig.upright);
  const stand = standOf(built);
  const poised = poisedOf(built);
  const pieces = stand.pieces.filter(
    (p) => p.solids.some((s) => !s.moving) && p.is !== 'screen' && p.is !== 'swing',
  );
  if (pieces.length === 0 || poised.mass.length === 0) return null;
  const lows = pieces.map((p) => stand.value(bottomOf(p, up)));
  const floor = Math.min(...lows);
  const on = pieces
    .filter((_p, i) => lows[i]! <= floor + TOUCHES)
    .sort((a, b) => (a.key < b.key ? -1 : 1));
  const all = on.flatMap((p) => cornersOf(p, side, fore, stand.value));
  const ring = hull(all);
  const polygon = ring.map((c) => [c.u, c.v] as const);
  if (ring.length < 3) return { on, polygon, edges: null };
  const table = bottomOf(on[0]!, up);
  const heights = { ...lies(up), plus: times(table, -1) };
  const edges = ring.map((a, i) => {
    const b = ring[(i + 1) % ring.length]!;
    const [du, dv] = [b.u - a.u, b.v - a.v];
    const l = Math.hypot(du, dv);
    // Outwards: the ring goes about it to the left.
    const [nu, nv] = [dv / l, -du / l];
    const out = (s: Lin, f: Lin) =>
      nu === 0 ? times(f, nv) : nv === 0 ? times(s, nu) : plus(times(s, nu), times(f, nv));
    // All corners that lie on it: what stands farthest out counts, whichever that is.
    const reach = nu * a.u + nv * a.v;
    // Those that lie on it by the same sums are one.
    const corners = all
      .filter((c) => nu * c.u + nv * c.v > reach - ON_EDGE)
      .map((c) => net(out(c.side, c.fore)))
      .filter((l, at, list) => list.findIndex((m) => sameLin(l, m)) === at);
    const own = { ...lies(side, -nu), ...lies(fore, -nv) };
    const room = (under: Side) => corners.map((c) => quotient(poised, { ...own, plus: c }, under));
    return {
      over: farthest(room(heights)),
      // Only a sentence wants it.
      margin: () => farthest(room(EACH)),
      name: sideName(nu, nv),
    };
  });
  return { on, polygon, edges };
});

function sideName(u: number, v: number): string {
  if (Math.abs(v) >= Math.abs(u)) return v > 0 ? 'forwards' : 'backwards';
  return u > 0 ? 'to camera right' : 'to camera left';
}

function bottomOf(p: Piece, up: Way): Lin {
  const [lo, hi] = endsOf(facesOf(p), up.k);
  return up.sign === 1 ? lo : times(hi, -1);
}

/** The four corners of a piece from above. */
function cornersOf(p: Piece, side: Way, fore: Way, value: (l: Lin) => number): Corner[] {
  const f = facesOf(p);
  const ends = (w: Way) => endsOf(f, w.k).map((l) => (w.sign === 1 ? l : times(l, -1)));
  return ends(side).flatMap((s) =>
    ends(fore).map((v) => ({ side: s, fore: v, u: value(s), v: value(v) })),
  );
}

/** Corners of the convex ring about points, to the left in turn (A. M. Andrew's chains, 1979). */
export function hull<T extends { u: number; v: number }>(points: readonly T[]): T[] {
  const list = [...points].sort((a, b) => a.u - b.u || a.v - b.v);
  const turn = (o: T, a: T, b: T) => (a.u - o.u) * (b.v - o.v) - (a.v - o.v) * (b.u - o.u);
  const chain = (from: readonly T[]) => {
    const out: T[] = [];
    for (const p of from) {
      while (out.length >= 2 && turn(out[out.length - 2]!, out[out.length - 1]!, p) <= 1e-9)
        out.pop();
      out.push(p);
    }
    return out.slice(0, -1);
  };
  return [...chain(list), ...chain([...list].reverse())];
}

/** The largest of several: never below any of their least, nor above the largest of their most. */
function farthest(list: readonly Quotient[]): Edge {
  if (list.length === 1) return list[0]!;
  let inputs: Given[] | null = null;
  const inputsOf = () => (inputs ??= [...new Set(list.flatMap((q) => q.inputs))]);
  return {
    get inputs() {
      return inputsOf();
    },
    get missing() {
      return [...new Set(list.flatMap((q) => q.missing))];
    },
    // The farthest of them is over it as soon as one is.
    value: () => Math.max(...list.map((l) => l.value())),
    over: (q) => list.some((l) => l.over(q)),
    spread: () => {
      const all = list.map((q) => q.spread());
      const first = all.reduce((a, s) => (s.hi > a.hi ? s : a));
      return {
        value: Math.max(...all.map((s) => s.value)),
        lo: Math.max(...all.map((s) => s.lo)),
        hi: first.hi,
        get shares() {
          const owner = new Map(list[all.indexOf(first)]!.inputs.map((g, i) => [g, i]));
          return inputsOf().map((g) => first.shares[owner.get(g) ?? -1] ?? 0);
        },
      };
    },
  };
}
