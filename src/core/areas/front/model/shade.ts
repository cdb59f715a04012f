import { axisOf, missingOf } from '../../../build/axis';
import type { Built } from '../../../build/build';
import { frontOf, lensSeat } from '../place/front';
import { type FrontEdge } from '../place/parts';
import { constant, given, type Given } from '../../../build/given';
import { isFilter, type Side } from '../../../kit/types';
import type { Aperture } from '../../../pupil/aperture';

/** How high light from one side still strikes the front glass, and by which edge it is kept off. */
export interface Shade {
  inputs: Given[];
  /** The whole glass is in shade from light farther off the axis than this, degrees. */
  angle: (x: readonly number[]) => number;
  /** What a stand-in stands in for, if anything. */
  assumed: string | null;
  /** The edge that shades most, at nominal numbers; null while one is missing. */
  by: FrontEdge | null;
}

/** How far an opening reaches towards a side of the axis, mm; null for one that leaves it open. */
function towards(ap: Aperture, side: Side): number | null {
  const [nx, ny] = { top: [0, 1], bottom: [0, -1], left: [-1, 0], right: [1, 0] }[side] as [
    number,
    number,
  ];
  if (ap.kind === 'circle') return ap.cx * nx + ap.cy * ny + ap.r;
  if (ap.kind === 'rectangle') return ap.cx * nx + ap.cy * ny + (nx !== 0 ? ap.hw : ap.hh);
  const along = ap.nx * nx + ap.ny * ny;
  return along > 0.999 ? ap.d : null;
}

const OPPOSITE: Record<Side, Side> = { top: 'bottom', bottom: 'top', left: 'right', right: 'left' };

/**
 * Shade from light that comes from one side, along the plane of the axis: the edge ahead that
 * stands highest over the far rim of the glass decides. The glass is the last filter in a tray,
 * else the front of the lens. Null without a lens.
 *
 * Source: similar triangles; `tan = (edge + far rim) / distance`.
 */
export function shadeFrom(built: Built, side: Side): Shade | null {
  const { lens } = built;
  const front = frontOf(built);
  const seat = lensSeat(built);
  if (!lens) return null;
  const stage = [...(front.box?.stages ?? [])].reverse().find((s) => s.filter && !s.out);
  const screwed = [...front.thread].reverse().find((t) => isFilter(t.part));
  const key = stage ? `stage:${stage.stage.id}` : screwed ? `thread:${screwed.index}` : null;
  const at = key === null ? -1 : front.edges.findIndex((e) => e.key === key);
  const glass = at >= 0 ? front.edges[at]! : null;
  const edges = front.edges.slice(at + 1).filter((e) => e.key !== 'rim' && !e.glass);
  const needs = [...new Set([...(glass?.needs ?? []), ...edges.flatMap((e) => e.needs)])];
  const own = [given(lens, 'length'), ...(glass ? [] : [given(lens, 'frontClear')])];
  // A box that was set by hand stands by itself: where the lens ends has to be known beside it.
  const way = built.body ? missingOf(axisOf(built).seat) : [constant('the body', 'mm', null)];
  const inputs = [...needs.map((i) => front.inputs[i]!), ...own, ...way];
  const n = needs.length;
  const full = (x: readonly number[]) => {
    const all = front.inputs.map((g) => g.known?.value ?? 0);
    needs.forEach((i, k) => (all[i] = x[k]!));
    return all;
  };
  const one = (e: FrontEdge, x: readonly number[]) => {
    const all = full(x);
    const rim = (seat ?? 0) + x[n]!;
    const ap = e.at(all, rim);
    const high = towards(ap, side);
    const [z, low] = glass
      ? [glass.at(all, rim).z, towards(glass.at(all, rim), OPPOSITE[side])!]
      : [rim, x[n + 1]! / 2];
    // Light that comes from outside the picture has to pass ahead of the glass.
    return high === null || ap.z <= z ? 90 : (Math.atan2(high + low, ap.z - z) * 180) / Math.PI;
  };
  const angle = (x: readonly number[]) => edges.reduce((m, e) => Math.min(m, one(e, x)), 90);
  const known = inputs.every((g) => g.known);
  const now = known ? inputs.map((g) => g.known!.value) : null;
  const by = now
    ? edges.reduce<FrontEdge | null>((m, e) => {
        const a = one(e, now);
        return a < 90 && (m === null || a < one(m, now)) ? e : m;
      }, null)
    : null;
  return { inputs, angle, assumed: front.assumed, by };
}
