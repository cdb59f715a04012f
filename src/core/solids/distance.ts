import { farthest, middle, skin, type Convex, type Prism } from './solid';

/**
 * Shortest distance between two solids; below 0 they overlap, by the shortest way that would part
 * them (penetration depth).
 *
 * Two solids that are the same all along z have a closed form. All others go through the
 * Gilbert-Johnson-Keerthi walk on their difference (E. G. Gilbert, D. W. Johnson, S. S. Keerthi,
 * "A fast procedure for computing the distance between complex objects in three-dimensional
 * space", 1988), and overlaps through an expanding polytope (G. van den Bergen, 2001). Both are
 * bounded: they end when upper and lower bound agree to {@link CLOSE}.
 *
 * @returns mm
 */
export function distance(a: Convex, b: Convex): number {
  if (a.prism && b.prism) return betweenPrisms(a.prism, b.prism);
  return walk(a, b) - skin(a) - skin(b);
}

/** Bound of the error of the walk, mm. */
export const CLOSE = 1e-5;
const MOST_STEPS = 120;
/** Steps of the polytope: where it is as deep in all directions every step's bound is as good. */
const MOST_BLOWS = 300;

/**
 * Between two outlines over stretches of z. A product of a flat shape and a stretch: apart, the
 * two gaps stand at right angles; overlapping, the shorter way out parts them.
 */
export function betweenPrisms(a: Prism, b: Prism): number {
  const along = Math.max(a.z0 - b.z1, b.z0 - a.z1);
  const across = betweenOutlines(a, b);
  if (along <= 0 || across <= 0) return Math.max(along, across);
  return Math.sqrt(along * along + across * across);
}

/** Signed distance of two outlines in the plane: discs and turned rectangles. */
export function betweenOutlines(a: Prism, b: Prism): number {
  const dx = b.x - a.x;
  const dy = b.y - a.y;
  if (a.r > 0 && b.r > 0) return Math.sqrt(dx * dx + dy * dy) - a.r - b.r;
  if (b.r > 0) return toRectangle(a, dx, dy) - b.r;
  if (a.r > 0) return toRectangle(b, -dx, -dy) - a.r;
  return betweenRectangles(a, b, dx, dy);
}

/** Signed distance of a point, relative to the middle of a rectangle, to it. */
function toRectangle(q: Prism, dx: number, dy: number): number {
  const u = Math.abs(dx * q.cos + dy * q.sin) - q.hx;
  const v = Math.abs(-dx * q.sin + dy * q.cos) - q.hy;
  if (u <= 0 || v <= 0) return Math.max(u, v);
  return Math.sqrt(u * u + v * v);
}

/**
 * Two rectangles. Overlapping, the way out lies along a normal of one of them (separating axes);
 * apart, the shortest line begins in a corner of one.
 */
function betweenRectangles(a: Prism, b: Prism, dx: number, dy: number): number {
  // How b is turned relative to a.
  const c = Math.abs(a.cos * b.cos + a.sin * b.sin);
  const s = Math.abs(a.cos * b.sin - a.sin * b.cos);
  const u = Math.abs(dx * a.cos + dy * a.sin) - a.hx - b.hx * c - b.hy * s;
  const v = Math.abs(-dx * a.sin + dy * a.cos) - a.hy - b.hx * s - b.hy * c;
  if (s < 1e-12 || c < 1e-12) return u <= 0 || v <= 0 ? Math.max(u, v) : Math.sqrt(u * u + v * v);
  const p = Math.abs(dx * b.cos + dy * b.sin) - b.hx - a.hx * c - a.hy * s;
  const q = Math.abs(-dx * b.sin + dy * b.cos) - b.hy - a.hx * s - a.hy * c;
  const most = Math.max(u, v, p, q);
  if (most <= 0) return most;
  let least = Infinity;
  for (let i = 0; i < 4; i++) {
    const sx = i & 1 ? 1 : -1;
    const sy = i & 2 ? 1 : -1;
    least = Math.min(
      least,
      toRectangle(
        a,
        dx + sx * b.hx * b.cos - sy * b.hy * b.sin,
        dy + sx * b.hx * b.sin + sy * b.hy * b.cos,
      ),
      toRectangle(
        b,
        -dx + sx * a.hx * a.cos - sy * a.hy * a.sin,
        -dy + sx * a.hx * a.sin + sy * a.hy * a.cos,
      ),
    );
  }
  return least;
}

type Point = [number, number, number];
const pa: Point = [0, 0, 0];
const pb: Point = [0, 0, 0];

/** Farthest point of the difference a - b in a direction. */
function support(a: Convex, b: Convex, x: number, y: number, z: number): Point {
  farthest(a, x, y, z, pa);
  farthest(b, -x, -y, -z, pb);
  return [pa[0] - pb[0], pa[1] - pb[1], pa[2] - pb[2]];
}

const dot = (a: Point, b: Point) => a[0] * b[0] + a[1] * b[1] + a[2] * b[2];
const sub = (a: Point, b: Point): Point => [a[0] - b[0], a[1] - b[1], a[2] - b[2]];
const cross = (a: Point, b: Point): Point => [
  a[1] * b[2] - a[2] * b[1],
  a[2] * b[0] - a[0] * b[2],
  a[0] * b[1] - a[1] * b[0],
];

/** Distance of the two cores; the depth, negative, when they overlap. */
function walk(a: Convex, b: Convex): number {
  const ma = middle(a);
  const mb = middle(b);
  let v: Point = [ma[0] - mb[0], ma[1] - mb[1], ma[2] - mb[2]];
  if (dot(v, v) < 1e-12) v = [1, 0, 0];
  let simplex: Point[] = [];
  let best = Infinity;
  for (let step = 0; step < MOST_STEPS; step++) {
    const w = support(a, b, -v[0], -v[1], -v[2]);
    const vv = dot(v, v);
    const length = Math.sqrt(vv);
    // Nothing of the difference lies nearer than this plane.
    const lower = dot(v, w) / length;
    if (step > 0 && length - lower <= CLOSE) return length;
    if (simplex.some((p) => p[0] === w[0] && p[1] === w[1] && p[2] === w[2])) return length;
    simplex.push(w);
    const near = nearest(simplex);
    simplex = near.simplex;
    v = near.point;
    const now = dot(v, v);
    if (now < CLOSE * CLOSE || simplex.length === 4) return -depth(a, b, simplex);
    if (now >= best * (1 + 1e-12) && step > 20) return Math.sqrt(Math.min(best, now));
    best = Math.min(best, now);
  }
  return Math.sqrt(dot(v, v));
}

interface Near {
  point: Point;
  simplex: Point[];
}

/** Point of a simplex that is nearest to the origin, and the part of it that carries the point. */
function nearest(s: Point[]): Near {
  if (s.length === 1) return { point: s[0]!, simplex: s };
  if (s.length === 2) return onSegment(s[0]!, s[1]!);
  if (s.length === 3) return onTriangle(s[0]!, s[1]!, s[2]!);
  return inTetrahedron(s[0]!, s[1]!, s[2]!, s[3]!);
}

function onSegment(a: Point, b: Point): Near {
  const ab = sub(b, a);
  const l = dot(ab, ab);
  const t = l > 0 ? -dot(a, ab) / l : 0;
  if (t <= 0) return { point: a, simplex: [a] };
  if (t >= 1) return { point: b, simplex: [b] };
  return { point: [a[0] + t * ab[0], a[1] + t * ab[1], a[2] + t * ab[2]], simplex: [a, b] };
}

/** Source: C. Ericson, "Real-Time Collision Detection", 2005, 5.1.5, for the origin. */
function onTriangle(a: Point, b: Point, c: Point): Near {
  const ab = sub(b, a);
  const ac = sub(c, a);
  const d1 = -dot(ab, a);
  const d2 = -dot(ac, a);
  if (d1 <= 0 && d2 <= 0) return { point: a, simplex: [a] };
  const d3 = -dot(ab, b);
  const d4 = -dot(ac, b);
  if (d3 >= 0 && d4 <= d3) return { point: b, simplex: [b] };
  const vc = d1 * d4 - d3 * d2;
  if (vc <= 0 && d1 >= 0 && d3 <= 0) return onSegment(a, b);
  const d5 = -dot(ab, c);
  const d6 = -dot(ac, c);
  if (d6 >= 0 && d5 <= d6) return { point: c, simplex: [c] };
  const vb = d5 * d2 - d1 * d6;
  if (vb <= 0 && d2 >= 0 && d6 <= 0) return onSegment(a, c);
  const va = d3 * d6 - d5 * d4;
  if (va <= 0 && d4 - d3 >= 0 && d5 - d6 >= 0) return onSegment(b, c);
  const sum = va + vb + vc;
  if (!(Math.abs(sum) > 1e-300)) return onSegment(a, b);
  const v = vb / sum;
  const w = vc / sum;
  return {
    point: [
      a[0] + ab[0] * v + ac[0] * w,
      a[1] + ab[1] * v + ac[1] * w,
      a[2] + ab[2] * v + ac[2] * w,
    ],
    simplex: [a, b, c],
  };
}

function inTetrahedron(a: Point, b: Point, c: Point, d: Point): Near {
  const faces: [Point, Point, Point, Point][] = [
    [a, b, c, d],
    [a, c, d, b],
    [a, d, b, c],
    [b, d, c, a],
  ];
  let best: Near | null = null;
  let least = Infinity;
  const flat = Math.abs(dot(sub(b, a), cross(sub(c, a), sub(d, a))));
  for (const [p, q, r, other] of faces) {
    const n = cross(sub(q, p), sub(r, p));
    const side = dot(n, sub(other, p));
    const at = -dot(n, p);
    if (flat > 1e-9 && side * at > 0) continue;
    const near = onTriangle(p, q, r);
    const l = dot(near.point, near.point);
    if (l < least) {
      least = l;
      best = near;
    }
  }
  return best ?? { point: [0, 0, 0], simplex: [a, b, c, d] };
}

interface Face {
  a: Point;
  b: Point;
  c: Point;
  n: Point;
  /** Distance of its plane from the origin. */
  d: number;
  gone: boolean;
}

function face(a: Point, b: Point, c: Point): Face | null {
  const n = cross(sub(b, a), sub(c, a));
  const l = Math.sqrt(dot(n, n));
  if (l < 1e-12) return null;
  n[0] /= l;
  n[1] /= l;
  n[2] /= l;
  return { a, b, c, n, d: dot(n, a), gone: false };
}

/**
 * How deep the origin lies inside the difference: a polytope inside it is blown up, always at the
 * face that is nearest, until that face lies on the boundary.
 */
function depth(a: Convex, b: Convex, start: readonly Point[]): number {
  const corners = fullSimplex(a, b, start);
  if (!corners) return 0;
  let faces: Face[] = [];
  const [p, q, r, s] = corners;
  for (const [i, j, k, inside] of [
    [p, q, r, s],
    [p, r, s, q],
    [p, s, q, r],
    [q, s, r, p],
  ] as const) {
    let f = face(i, j, k);
    if (f && dot(f.n, inside) - f.d > 0) f = face(i, k, j);
    if (!f) return 0;
    faces.push(f);
  }
  let upper = Infinity;
  for (let step = 0; step < MOST_BLOWS; step++) {
    let near: Face | null = null;
    for (const f of faces) if (!f.gone && (near === null || f.d < near.d)) near = f;
    if (!near) break;
    const w = support(a, b, near.n[0], near.n[1], near.n[2]);
    const far = dot(near.n, w);
    // The nearest face bounds the depth from below, the plane through w from above.
    upper = Math.min(upper, far);
    if (upper - near.d <= CLOSE) return Math.max(0, upper);
    const seam: [Point, Point][] = [];
    for (const f of faces) {
      // What lies in one plane with w goes too: no slivers are left to break the surface.
      if (f.gone || dot(f.n, w) - f.d < -1e-9) continue;
      f.gone = true;
      for (const [i, j] of [
        [f.a, f.b],
        [f.b, f.c],
        [f.c, f.a],
      ] as const) {
        const back = seam.findIndex((e) => e[0] === j && e[1] === i);
        if (back >= 0) seam.splice(back, 1);
        else seam.push([i, j]);
      }
    }
    if (seam.length < 3) return Math.max(0, upper);
    faces = faces.filter((f) => !f.gone);
    for (const [i, j] of seam) {
      const f = face(i, j, w);
      if (f) faces.push(f);
    }
  }
  return Math.max(0, upper === Infinity ? 0 : upper);
}

/** Four corners of the difference around the origin, from whatever the walk ended with. */
function fullSimplex(
  a: Convex,
  b: Convex,
  start: readonly Point[],
): readonly [Point, Point, Point, Point] | null {
  const s = [...start];
  const tries: Point[] = [
    [1, 0, 0],
    [0, 1, 0],
    [0, 0, 1],
    [-1, 0, 0],
    [0, -1, 0],
    [0, 0, -1],
    [1, 1, 1],
    [-1, -1, 1],
    [1, -1, -1],
    [-1, 1, -1],
  ];
  const volume = (list: readonly Point[]) =>
    Math.abs(dot(sub(list[1]!, list[0]!), cross(sub(list[2]!, list[0]!), sub(list[3]!, list[0]!))));
  if (s.length === 4 && volume(s) > 1e-9) return [s[0]!, s[1]!, s[2]!, s[3]!];
  if (s.length === 4) s.pop();
  const spans = (list: readonly Point[]): boolean => {
    if (list.length < 2) return true;
    const u = sub(list[1]!, list[0]!);
    if (list.length === 2) return dot(u, u) > 1e-12;
    const n = cross(u, sub(list[2]!, list[0]!));
    if (list.length === 3) return dot(n, n) > 1e-12;
    return volume(list) > 1e-9;
  };
  while (s.length > 1 && !spans(s)) s.pop();
  const directions = [...tries];
  if (s.length === 3) {
    const n = cross(sub(s[1]!, s[0]!), sub(s[2]!, s[0]!));
    directions.unshift(n, [-n[0], -n[1], -n[2]]);
  }
  for (const d of directions) {
    if (s.length === 4) break;
    const w = support(a, b, d[0], d[1], d[2]);
    if (spans([...s, w])) s.push(w);
  }
  return s.length === 4 ? [s[0]!, s[1]!, s[2]!, s[3]!] : null;
}
