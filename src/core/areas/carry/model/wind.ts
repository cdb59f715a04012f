import type { Built } from '../../../build/build';
import type { Given } from '../../../build/given';
import { hull, hullPoints, type Point } from '../../../drawing/project';
import { node } from '../../../engine/reads';
import { isLead } from '../../../kit/types';
import { standOf } from '../../../stand/stand';
import { along, holdOf, waysOf, type Way } from './hold';
import { unweighed } from './weights';

/** What a wind does to a rig about its hold. */
export interface Wind {
  /** What it takes hold of, mm2: as the rig is seen, what lies behind something counted once. */
  area: number;
  /** How far over the hold its middle is, mm; below 0 under it. */
  arm: number;
  /** Moment about the hold, N m. */
  moment: { value: number; lo: number; hi: number };
  /** The piece that catches most of it about the hold. */
  most: string;
}

/** A fresh breeze at its strongest, 5 on the scale of the World Meteorological Organization (8.0 to 10.7 m/s). */
export const WIND = 10;
/** Air at sea level, kg/m3: ISO 2533 (standard atmosphere). */
const AIR = 1.225;
/** Drag of boxes and short cylinders across a flow, from memory: 1.0 to 1.3; the ends taken a little wider. */
const DRAG = { value: 1.2, lo: 0.9, hi: 1.4 };
/** Rows the rig is looked at in, mm. */
const ROW = 1;

/**
 * What has to be known for it: where the rig is held, the size of everything on it, and where each part
 * of it is, also one that nothing could be drawn of. Leads are thin and soft: they are not counted.
 */
export function windNeeds(built: Built): Given[] {
  const hold = holdOf(built);
  const terms = (hold?.at ?? []).flatMap((l) => l.terms.map((t) => t.g));
  const sizes = standOf(built).solids.flatMap((s) => (s.moving ? [] : s.inputs));
  const nowhere = unweighed(built)
    .filter((w) => !isLead(w.part))
    .flatMap((w) => w.at.flatMap((l) => l.terms.map((t) => t.g)))
    .filter((g) => g.known === null);
  return [...new Set([...terms, ...sizes, ...nowhere])];
}

/**
 * Wind of {@link WIND} m/s on the rig, about the hold: `1/2 rho v^2 c_d sum(area x height over the
 * hold)`. What one sees of the rig from where the wind comes is summed row by row, so that what stands
 * behind something else is counted once.
 *
 * @param from `side`: across the lens; `fore`: into it
 * @returns null where nobody said how it is held, or nothing stands on it
 */
export function windOn(built: Built, from: 'side' | 'fore'): Wind | null {
  const all = built.once(BOTH);
  return all && all[from];
}

const BOTH = node('wind', (built: Built): Record<'side' | 'fore', Wind> | null => {
  const hold = holdOf(built);
  const stand = standOf(built);
  const { up, side, fore } = waysOf(built.rig.upright);
  const names = new Map(stand.pieces.map((p) => [p.key, p.name]));
  const solids = stand.solids.filter((s) => !s.moving);
  if (!hold || solids.length === 0) return null;
  const at = along(hold.at, up);
  const foot = stand.value(at);
  const doubt = at.loose;
  const seen = (across: Way) =>
    blown(
      solids.map((s) => ({
        name: names.get(s.piece) ?? s.name,
        loose: s.loose + doubt,
        outline: hull(
          hullPoints(s.solid).map((p): Point => [
            across.sign * p[across.k],
            up.sign * p[up.k] - foot,
          ]),
        ),
      })),
    );
  return { side: seen(fore), fore: seen(side) };
});

interface Seen {
  name: string;
  /** Across, and up from the hold, mm: a convex outline. */
  outline: readonly Point[];
  /** How far its edges may be off, mm. */
  loose: number;
}

/** What is seen of outlines that may lie on each other: area, middle, and which of them catches most. */
export function blown(list: readonly Seen[]): Wind {
  const by = new Map<string, number>();
  let area = 0;
  let first = 0;
  const lows = list.map((o) => o.outline.reduce((m, p) => Math.min(m, p[1]), Infinity));
  const highs = list.map((o) => o.outline.reduce((m, p) => Math.max(m, p[1]), -Infinity));
  const [low, high] = [Math.min(...lows), Math.max(...highs)];
  const rows = Math.max(1, Math.ceil((high - low) / ROW));
  const row = (high - low) / rows;
  for (let r = 0; r < rows; r++) {
    const v = low + (r + 0.5) * row;
    const cuts = list.flatMap((o, i) => {
      if (lows[i]! > v || highs[i]! < v) return [];
      const [a, b] = cut(o.outline, v);
      by.set(o.name, (by.get(o.name) ?? 0) + Math.abs(v) * (b - a) * row);
      return [[a, b] as const];
    });
    const wide = joined(cuts);
    area += wide * row;
    first += wide * row * v;
  }
  const push = 0.5 * AIR * WIND ** 2 * 1e-9;
  // Every edge where its tolerances let it be, all of them the same way: never too narrow.
  const off = list.reduce((n, o, i) => {
    const reach = Math.max(Math.abs(lows[i]!), Math.abs(highs[i]!)) + o.loose;
    return n + o.loose * (round(o.outline) + 4 * o.loose) * reach;
  }, 0);
  const ends = [first - off, first + off].flatMap((x) => [push * x * DRAG.lo, push * x * DRAG.hi]);
  const most = [...by].sort(([a, x], [b, y]) => y - x || (a < b ? -1 : 1))[0];
  return {
    area,
    arm: area > 0 ? first / area : 0,
    moment: { value: push * first * DRAG.value, lo: Math.min(...ends), hi: Math.max(...ends) },
    most: most?.[0] ?? '',
  };
}

/** Once round an outline, mm. */
function round(outline: readonly Point[]): number {
  return outline.reduce((n, p, i) => {
    const q = outline[(i + 1) % outline.length]!;
    return n + Math.hypot(q[0] - p[0], q[1] - p[1]);
  }, 0);
}

/** Where a level line leaves a convex outline. */
function cut(outline: readonly Point[], v: number): [number, number] {
  let [from, to] = [Infinity, -Infinity];
  outline.forEach((p, i) => {
    const q = outline[(i + 1) % outline.length]!;
    if ((p[1] > v && q[1] > v) || (p[1] < v && q[1] < v)) return;
    const ends =
      p[1] === q[1] ? [p[0], q[0]] : [p[0] + ((v - p[1]) / (q[1] - p[1])) * (q[0] - p[0])];
    from = Math.min(from, ...ends);
    to = Math.max(to, ...ends);
  });
  return [from, to];
}

/** How much of a line is covered. */
function joined(cuts: readonly (readonly [number, number])[]): number {
  let [sum, end] = [0, -Infinity];
  for (const [a, b] of [...cuts].sort((x, y) => x[0] - y[0])) {
    if (b <= end) continue;
    sum += b - Math.max(a, end);
    end = b;
  }
  return sum;
}
