import earcut from 'earcut';
import type { Line, Silhouette } from '../areas/space/kit/silhouettes';
import { circleIn } from '../drawing/sketch';
import type { Box, Vec } from '../solids/solid';
import { along, minus, dot, length, type Edge, type Face } from './polyhedron';

/** A body that is drawn: its faces may have corners that point inwards, then triangles fill them. */
export interface Drawn {
  points: readonly Vec[];
  faces: readonly (Face & { triangles?: readonly number[] })[];
  edges: readonly Edge[];
}

/** A line on a face of a body: seen while that face is. */
export interface Mark {
  points: readonly Vec[];
  normal: Vec;
  d: number;
}

/** Sides of an outline that turn by less than this are pieces of one curve, radians. */
const SMOOTH = 0.45;

/**
 * What a fitted part is recognised by, pushed through its block: its side across the width, or its
 * front along the length where only that tells it.
 */
export function extruded(block: Box, own: Silhouette): { bodies: Drawn[]; marks: Mark[] } {
  const from = isPlain(own.side) && !isPlain(own.front) ? 'front' : 'side';
  const lines = from === 'side' ? own.side : own.front;
  const [hx, hy, hz] = block.half;
  const wide = from === 'side' ? hz / hy : hx / hy;
  const through = from === 'side' ? 0 : 2;
  const at = ([u, v]: readonly [number, number], end: number): Vec => {
    const l: Vec =
      from === 'side'
        ? [end * hx, hy * (2 * v - 1), hz * (2 * u - 1)]
        : [hx * (1 - 2 * u), hy * (2 * v - 1), end * hz];
    return l.reduce<Vec>((p, k, i) => along(p, block.axes[i]!, k), block.centre);
  };
  const flat = (l: Line) => (l.r === undefined ? l.points : circleIn(l, wide));
  const bodies = lines
    .filter((l) => !l.open && !l.inner)
    .map((l) => pushed(flat(l), at, block.axes[through]!));
  const marks = lines
    .filter((l) => l.open === true || l.inner === true)
    .flatMap((l) => [-1, 1].map((end) => mark(flat(l), l.open === true, at, end)))
    .map((points, i): Mark => {
      const out = i % 2 === 0 ? -1 : 1;
      const normal = block.axes[through]!.map((x) => out * x) as unknown as Vec;
      return { points, normal, d: dot(normal, points[0]!) };
    });
  return { bodies, marks };
}

type At = (p: readonly [number, number], end: number) => Vec;

const mark = (flat: readonly (readonly [number, number])[], open: boolean, at: At, end: number) => {
  const points = flat.map((p) => at(p, end));
  return open ? points : [...points, points[0]!];
};

/** One outline pushed from end to end of its block. */
function pushed(flat: readonly (readonly [number, number])[], at: At, through: Vec): Drawn {
  const n = flat.length;
  const points = [...flat.map((p) => at(p, -1)), ...flat.map((p) => at(p, 1))];
  const triangles = earcut(flat.flat());
  const ring = Array.from({ length: n }, (_, i) => i);
  const sides = ring.map((i): Face => {
    const j = (i + 1) % n;
    const outward = away(points[i]!, points[j]!, through);
    return facing([i, j, n + j, n + i], points, outward);
  });
  // Which way is out depends on which way the outline runs and how the block is turned: a side
  // looks away from the triangle that fills the outline beside it.
  const inner = insideOf(points, triangles, ring);
  const walls = sides.map((f, i) =>
    inner[i] !== undefined && dot(f.normal, inner[i]!) > f.d ? flipped(f) : f,
  );
  const caps = [-1, 1].map((end): Face & { triangles: number[] } => {
    const normal = through.map((x) => end * x) as unknown as Vec;
    const shift = end < 0 ? 0 : n;
    return {
      corners: ring.map((i) => i + shift),
      normal,
      d: dot(normal, points[shift]!),
      smooth: false,
      triangles: wound(
        triangles.map((i) => i + shift),
        points,
        normal,
      ),
    };
  });
  const edges: Edge[] = ring.flatMap((i) => {
    const j = (i + 1) % n;
    const before = walls[(i + n - 1) % n]!;
    const bend = Math.acos(Math.min(1, Math.max(-1, dot(before.normal, walls[i]!.normal))));
    return [
      { a: i, b: j, faces: [i, n] as const, smooth: false },
      { a: n + i, b: n + j, faces: [i, n + 1] as const, smooth: false },
      { a: i, b: n + i, faces: [(i + n - 1) % n, i] as const, smooth: bend < SMOOTH },
    ];
  });
  return { points, faces: [...walls, ...caps], edges };
}

/** Triangles whose corners run round the way they look, as those of a face do. */
function wound(triangles: readonly number[], points: readonly Vec[], normal: Vec): number[] {
  const [a, b, c] = triangles.map((i) => points[i]!);
  const runs = a && b && c ? dot(crossed(minus(b, a), minus(c, a)), normal) : 1;
  return runs >= 0 ? [...triangles] : [...triangles].reverse();
}

/** A point inside the outline beside each of its sides: the third corner of the triangle on it. */
function insideOf(points: readonly Vec[], triangles: readonly number[], ring: readonly number[]) {
  const n = ring.length;
  const third: (Vec | undefined)[] = ring.map(() => undefined);
  for (let t = 0; t < triangles.length; t += 3)
    for (let k = 0; k < 3; k++) {
      const [a, b, c] = [0, 1, 2].map((m) => triangles[t + ((k + m) % 3)]!);
      if ((a! + 1) % n === b) third[a!] = points[c!]!;
      if ((b! + 1) % n === a) third[b!] = points[c!]!;
    }
  return third;
}

const flipped = (f: Face): Face => ({
  ...f,
  corners: [...f.corners].reverse(),
  normal: f.normal.map((x) => -x) as unknown as Vec,
  d: -f.d,
});

const facing = (corners: number[], points: readonly Vec[], normal: Vec): Face => ({
  corners,
  normal,
  d: dot(normal, points[corners[0]!]!),
  smooth: false,
});

/** Across a side of the outline and across the way it is pushed. */
function away(a: Vec, b: Vec, through: Vec): Vec {
  const c = crossed(minus(b, a), through);
  const l = length(c) || 1;
  return [c[0] / l, c[1] / l, c[2] / l];
}

const crossed = (a: Vec, b: Vec): Vec => [
  a[1] * b[2] - a[2] * b[1],
  a[2] * b[0] - a[0] * b[2],
  a[0] * b[1] - a[1] * b[0],
];

/** Its one outline is the whole block. */
function isPlain(lines: readonly Line[]): boolean {
  const outlines = lines.filter((l) => !l.open && !l.inner);
  if (outlines.length !== 1) return false;
  const [o] = outlines;
  return (
    o!.r === undefined &&
    o!.points.length === 4 &&
    o!.points.every(([u, v]) => (u === 0 || u === 1) && (v === 0 || v === 1))
  );
}
