import { across } from '../solids/axes';
import { farthest, skin, type Solid, type Vec } from '../solids/solid';

/** The elevations a rig is drawn in. Side: from camera right, the subject at the right. */
export type View = 'side' | 'top' | 'front';

/** What a view is called; with the camera on its side the views are of the camera, and say so. */
export function viewName(view: View, upright: 'left' | 'right' | undefined): string {
  return upright === undefined
    ? VIEW_NAMES[view]
    : `${VIEW_NAMES[view]}; camera ${upright} is on top`;
}

export const VIEW_NAMES: Record<View, string> = {
  side: 'side, from camera right',
  top: 'top',
  front: 'front, from the subject',
};

export type Point = readonly [u: number, v: number];

/** Where a point lands: u to the right of the sheet, v up it, mm. */
export function project(view: View, p: Vec): Point {
  if (view === 'side') return [p[2], p[1]];
  // From above the axis runs as it does from the side, so camera right lies below it.
  if (view === 'top') return [p[2], -p[0]];
  return [-p[0], p[1]];
}

/** How near a point is to who looks, mm. */
export function nearness(view: View, p: Vec): number {
  return view === 'side' ? p[0] : view === 'top' ? p[1] : p[2];
}

/** Corners on a circle: its outline is drawn within a hundredth of its radius. */
const ROUND = 40;

/** Points whose hull is the solid, or comes within a hundredth of its size. */
export function hullPoints(s: Solid): Vec[] {
  const out: Vec[] = [];
  const ring = (c: Vec, u: Vec, v: Vec, r: number, from = 0, to = 2 * Math.PI, n = ROUND) => {
    const whole = to - from > 2 * Math.PI - 1e-9;
    for (let i = 0; i < (whole ? n : n + 1); i++) {
      const a = from + ((to - from) * i) / n;
      const [x, y] = [r * Math.cos(a), r * Math.sin(a)];
      out.push([
        c[0] + x * u[0] + y * v[0],
        c[1] + x * u[1] + y * v[1],
        c[2] + x * u[2] + y * v[2],
      ]);
    }
  };
  const along = (c: Vec, d: Vec, k: number): Vec => [
    c[0] + k * d[0],
    c[1] + k * d[1],
    c[2] + k * d[2],
  ];
  switch (s.kind) {
    case 'box':
      for (let k = 0; k < 8; k++) {
        let p = s.centre;
        for (const i of [0, 1, 2] as const)
          p = along(p, s.axes[i], (k & (1 << i) ? 1 : -1) * s.half[i]);
        out.push(p);
      }
      return out;
    case 'cylinder':
    case 'cone': {
      const [u, v] = across(s.dir);
      ring(along(s.centre, s.dir, -s.half), u, v, s.kind === 'cylinder' ? s.radius : s.from);
      ring(along(s.centre, s.dir, s.half), u, v, s.kind === 'cylinder' ? s.radius : s.to);
      return out;
    }
    case 'capsule': {
      const r = skin(s);
      const p = [0, 0, 0];
      for (let i = 0; i < ROUND; i++)
        for (let j = 0; j <= ROUND / 2; j++) {
          const a = (i / ROUND) * 2 * Math.PI;
          const b = (j / (ROUND / 2)) * Math.PI;
          const d: Vec = [Math.sin(b) * Math.cos(a), Math.sin(b) * Math.sin(a), Math.cos(b)];
          farthest(s, d[0], d[1], d[2], p);
          out.push([p[0]! + r * d[0], p[1]! + r * d[1], p[2]! + r * d[2]]);
        }
      return out;
    }
    case 'sector': {
      const [u, v, w] = s.axes;
      for (const side of [-1, 1]) {
        const c = along(s.hinge, w, side * s.half);
        out.push(c);
        ring(c, u, v, s.radius, s.from, s.to, ROUND / 2);
      }
      return out;
    }
  }
}

/** Convex hull, counter-clockwise (monotone chain, A. M. Andrew, 1979). */
export function hull(points: readonly Point[]): Point[] {
  const p = [...points].sort((a, b) => a[0] - b[0] || a[1] - b[1]);
  const turn = (o: Point, a: Point, b: Point) =>
    (a[0] - o[0]) * (b[1] - o[1]) - (a[1] - o[1]) * (b[0] - o[0]);
  const half = (list: readonly Point[]) => {
    const h: Point[] = [];
    for (const q of list) {
      while (h.length >= 2 && turn(h[h.length - 2]!, h[h.length - 1]!, q) <= 1e-9) h.pop();
      h.push(q);
    }
    h.pop();
    return h;
  };
  const out = [...half(p), ...half(p.reverse())];
  return out.length > 0 ? out : p.slice(0, 1);
}

/** Outline of a solid in a view. */
export function outline(view: View, s: Solid): Point[] {
  return hull(hullPoints(s).map((p) => project(view, p)));
}

/**
 * What two convex outlines share (I. E. Sutherland, G. W. Hodgman, 1974); empty when nothing.
 *
 * @param clip counter-clockwise
 */
export function overlap(subject: readonly Point[], clip: readonly Point[]): Point[] {
  let out: Point[] = [...subject];
  for (let i = 0; i < clip.length && out.length > 0; i++) {
    const a = clip[i]!;
    const b = clip[(i + 1) % clip.length]!;
    const side = (p: Point) => (b[0] - a[0]) * (p[1] - a[1]) - (b[1] - a[1]) * (p[0] - a[0]);
    const next: Point[] = [];
    out.forEach((p, k) => {
      const q = out[(k + 1) % out.length]!;
      const [s, t] = [side(p), side(q)];
      if (s >= 0) next.push(p);
      if (s >= 0 !== t >= 0) {
        const f = s / (s - t);
        next.push([p[0] + f * (q[0] - p[0]), p[1] + f * (q[1] - p[1])]);
      }
    });
    out = next;
  }
  return out;
}
