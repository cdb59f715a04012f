import { across } from '../solids/axes';
import type { Solid, Vec } from '../solids/solid';

/**
 * Solids as convex polyhedra, for a drawing that can be turned. Corners lie on the solid, so a round
 * one is drawn a little small, by `CHORD` at most.
 */

/** A flat side, its corners in order; `normal` points outwards, its points have `normal . p = d`. */
export interface Face {
  corners: readonly number[];
  normal: Vec;
  d: number;
  /** Stands for a piece of a curved side: no edge where it meets another of the kind. */
  smooth: boolean;
}

/** Where two faces meet. */
export interface Edge {
  a: number;
  b: number;
  faces: readonly [number, number];
  /** Both sides are pieces of one curved side: a line only where it is the outline. */
  smooth: boolean;
}

export interface Polyhedron {
  points: readonly Vec[];
  faces: readonly Face[];
  edges: readonly Edge[];
}

/** How far a chord may lie inside the circle it stands for, mm. */
export const CHORD = 0.12;
const LEAST_CORNERS = 12;
const MOST_CORNERS = 48;
/** Rings of a ball from its pole to its equator. */
const RINGS = 5;

/** Corners on a circle so that no chord lies farther inside it than `CHORD`; a multiple of four. */
export function cornersOn(radius: number): number {
  const off = Math.acos(Math.max(0, 1 - CHORD / Math.max(radius, CHORD)));
  return Math.min(MOST_CORNERS, Math.max(LEAST_CORNERS, 4 * Math.ceil(Math.PI / off / 4)));
}

/** The solid as a polyhedron in the rig's frame, mm. */
export function polyhedron(s: Solid): Polyhedron {
  switch (s.kind) {
    case 'box': {
      const at = (i: number, j: number, k: number) =>
        along(
          along(along(s.centre, s.axes[0], i * s.half[0]), s.axes[1], j * s.half[1]),
          s.axes[2],
          k * s.half[2],
        );
      const end = (k: number) => [at(-1, -1, k), at(1, -1, k), at(1, 1, k), at(-1, 1, k)];
      return tube([end(-1), end(1)], NONE);
    }
    case 'cylinder':
    case 'cone': {
      const [from, to] = s.kind === 'cone' ? [s.from, s.to] : [s.radius, s.radius];
      const n = cornersOn(Math.max(from, to));
      const [u, v] = across(s.dir);
      return tube(
        [
          circle(along(s.centre, s.dir, -s.half), u, v, from, n),
          circle(along(s.centre, s.dir, s.half), u, v, to, n),
        ],
        ALL,
      );
    }
    case 'capsule':
      return capsule(s.a, s.b, s.radius);
    case 'sector': {
      const [u, v, w] = s.axes;
      const n = Math.max(4, Math.ceil((cornersOn(s.radius) * (s.to - s.from)) / (2 * Math.PI)));
      const side = (k: number) => {
        const c = along(s.hinge, w, k * s.half);
        return [
          c,
          ...Array.from({ length: n + 1 }, (_, i) =>
            on(c, u, v, s.radius, s.from + ((s.to - s.from) * i) / n),
          ),
        ];
      };
      return tube([side(-1), side(1)], (i) => i >= 1 && i <= n);
    }
  }
}

const NONE = () => false;
const ALL = () => true;

/** A ball moved along a stretch. */
function capsule(a: Vec, b: Vec, r: number): Polyhedron {
  const l = length(minus(b, a));
  const d: Vec = l > 0 ? scale(minus(b, a), 1 / l) : [0, 0, 1];
  const [u, v] = across(d);
  const n = Math.min(32, cornersOn(r));
  const rings: Vec[][] = [];
  // A pole would be a point: the smallest ring stands beside it, as a cap nobody sees.
  const steps = Array.from({ length: RINGS + 1 }, (_, i) =>
    Math.max(0.02, (Math.PI / 2) * (i / RINGS)),
  );
  for (const t of steps)
    rings.push(circle(along(a, d, -r * Math.cos(t)), u, v, r * Math.sin(t), n));
  for (const t of [...steps].reverse())
    rings.push(circle(along(b, d, r * Math.cos(t)), u, v, r * Math.sin(t), n));
  // A ball alone: its two equators are one.
  if (l === 0) rings.splice(RINGS, 1);
  return tube(rings, ALL, true);
}

/**
 * Rings of as many corners each, closed at both ends: everything turned or pushed along a line.
 *
 * @param smooth whether side `i` of each ring is a piece of a curved one
 * @param capped whether the caps are, too
 */
function tube(
  rings: readonly Vec[][],
  smooth: (side: number) => boolean,
  capped = false,
): Polyhedron {
  const n = rings[0]!.length;
  const points = rings.flat();
  const middle = scale(
    points.reduce((s, p) => plus(s, p), [0, 0, 0] as Vec),
    1 / points.length,
  );
  const faces: Face[] = [];
  const add = (corners: number[], soft: boolean) => faces.push(face(points, corners, middle, soft));
  for (let k = 0; k + 1 < rings.length; k++)
    for (let i = 0; i < n; i++) {
      const j = (i + 1) % n;
      add([k * n + i, k * n + j, (k + 1) * n + j, (k + 1) * n + i], smooth(i));
    }
  add(
    rings[0]!.map((_, i) => i),
    capped,
  );
  add(
    rings[0]!.map((_, i) => (rings.length - 1) * n + i),
    capped,
  );
  return { points, faces, edges: edgesOf(faces) };
}

/** Wound so that it looks away from the middle, whichever way round its corners came. */
function face(points: readonly Vec[], corners: number[], middle: Vec, smooth: boolean): Face {
  let [x, y, z] = [0, 0, 0];
  // Newell: holds for a face of any number of corners, and for one that is nearly a line.
  corners.forEach((c, i) => {
    const p = points[c]!;
    const q = points[corners[(i + 1) % corners.length]!]!;
    x += (p[1] - q[1]) * (p[2] + q[2]);
    y += (p[2] - q[2]) * (p[0] + q[0]);
    z += (p[0] - q[0]) * (p[1] + q[1]);
  });
  const l = Math.hypot(x, y, z) || 1;
  const normal: Vec = [x / l, y / l, z / l];
  const d = dot(normal, points[corners[0]!]!);
  return d < dot(normal, middle)
    ? { corners: [...corners].reverse(), normal: scale(normal, -1), d: -d, smooth }
    : { corners, normal, d, smooth };
}

/** Each pair of corners that two faces share. */
function edgesOf(faces: readonly Face[]): Edge[] {
  const first = new Map<number, number>();
  const out: Edge[] = [];
  faces.forEach((f, k) =>
    f.corners.forEach((c, m) => {
      const e = f.corners[(m + 1) % f.corners.length]!;
      const [a, b] = c < e ? [c, e] : [e, c];
      const key = a * 65536 + b;
      const other = first.get(key);
      if (other === undefined) first.set(key, k);
      else out.push({ a, b, faces: [other, k], smooth: f.smooth && faces[other]!.smooth });
    }),
  );
  return out;
}

const on = (c: Vec, u: Vec, v: Vec, r: number, t: number): Vec =>
  along(along(c, u, r * Math.cos(t)), v, r * Math.sin(t));

const circle = (c: Vec, u: Vec, v: Vec, r: number, n: number): Vec[] =>
  Array.from({ length: n }, (_, i) => on(c, u, v, r, (2 * Math.PI * i) / n));

export const plus = (a: Vec, b: Vec): Vec => [a[0] + b[0], a[1] + b[1], a[2] + b[2]];
export const minus = (a: Vec, b: Vec): Vec => [a[0] - b[0], a[1] - b[1], a[2] - b[2]];
export const scale = (a: Vec, k: number): Vec => [k * a[0], k * a[1], k * a[2]];
export const along = (a: Vec, d: Vec, k: number): Vec => [
  a[0] + k * d[0],
  a[1] + k * d[1],
  a[2] + k * d[2],
];
export const dot = (a: Vec, b: Vec) => a[0] * b[0] + a[1] * b[1] + a[2] * b[2];
export const length = (a: Vec) => Math.hypot(a[0], a[1], a[2]);
