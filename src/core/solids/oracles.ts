import { across } from './axes';
import { farthest, skin, type Axes, type Solid, type Vec } from './solid';

/** Independent answers to compare with: slow, simple, and by another road. Used by tests only. */

/** Whether a point lies inside a solid, from its definition. */
export function inside(s: Solid, p: Vec): boolean {
  const d = (a: Vec, b: Vec): Vec => [a[0] - b[0], a[1] - b[1], a[2] - b[2]];
  const dot = (a: Vec, b: Vec) => a[0] * b[0] + a[1] * b[1] + a[2] * b[2];
  switch (s.kind) {
    case 'box': {
      const v = d(p, s.centre);
      return s.axes.every((axis, i) => Math.abs(dot(v, axis)) <= s.half[i]!);
    }
    case 'cylinder':
    case 'cone': {
      const v = d(p, s.centre);
      const along = dot(v, s.dir);
      const across = Math.sqrt(Math.max(0, dot(v, v) - along * along));
      const from = s.kind === 'cylinder' ? s.radius : s.from;
      const to = s.kind === 'cylinder' ? s.radius : s.to;
      const t = (along + s.half) / (2 * s.half);
      return Math.abs(along) <= s.half && across <= from + (to - from) * t;
    }
    case 'capsule': {
      const ab = d(s.b, s.a);
      const l = dot(ab, ab);
      const t = l === 0 ? 0 : Math.min(1, Math.max(0, dot(d(p, s.a), ab) / l));
      const q: Vec = [s.a[0] + ab[0] * t, s.a[1] + ab[1] * t, s.a[2] + ab[2] * t];
      const v = d(p, q);
      return Math.sqrt(dot(v, v)) <= s.radius;
    }
    case 'sector': {
      const v = d(p, s.hinge);
      const u = dot(v, s.axes[0]);
      const w = dot(v, s.axes[1]);
      if (Math.abs(dot(v, s.axes[2])) > s.half || Math.hypot(u, w) > s.radius) return false;
      let a = Math.atan2(w, u);
      while (a < s.from) a += 2 * Math.PI;
      return a <= s.to;
    }
  }
}

type Add = (o: Vec, ...parts: [Vec, number][]) => void;

const even = (n: number) => Array.from({ length: n + 1 }, (_, i) => i / n);

/**
 * Points all over a solid and what no point of it is farther than from the nearest of them, mm:
 * a grid on its surface, from its own definition.
 */
export function surface(s: Solid, steps: number): { points: Vec[]; within: number } {
  const points: Vec[] = [];
  const add: Add = (o, ...parts) => {
    const p: [number, number, number] = [o[0], o[1], o[2]];
    for (const [v, k] of parts) for (let i = 0; i < 3; i++) p[i]! += v[i]! * k;
    points.push(p);
  };
  switch (s.kind) {
    case 'box':
      return { points, within: onBox(s, steps, add) };
    case 'cylinder':
    case 'cone':
      return { points, within: onCone(s, steps, add) };
    case 'capsule':
      return { points, within: onCapsule(s, steps, add) };
    case 'sector':
      return { points, within: onSector(s, steps, add) };
  }
}

type Of<K extends Solid['kind']> = Extract<Solid, { kind: K }>;

function onBox(s: Of<'box'>, steps: number, add: Add): number {
  for (const [i, j, k] of [
    [0, 1, 2],
    [1, 2, 0],
    [2, 0, 1],
  ] as const)
    for (const side of [-1, 1])
      for (const a of even(steps))
        for (const b of even(steps))
          add(
            s.centre,
            [s.axes[i], side * s.half[i]],
            [s.axes[j], (2 * a - 1) * s.half[j]],
            [s.axes[k], (2 * b - 1) * s.half[k]],
          );
  const cell = Math.max(...s.half) / steps;
  return cell * Math.SQRT2;
}

function onCone(s: Of<'cylinder'> | Of<'cone'>, steps: number, add: Add): number {
  const [u, v] = across(s.dir);
  const from = s.kind === 'cylinder' ? s.radius : s.from;
  const to = s.kind === 'cylinder' ? s.radius : s.to;
  const n = steps * 4;
  for (let i = 0; i < n; i++) {
    const a = (i / n) * 2 * Math.PI;
    for (const t of even(steps)) {
      const r = from + (to - from) * t;
      add(s.centre, [s.dir, (2 * t - 1) * s.half], [u, r * Math.cos(a)], [v, r * Math.sin(a)]);
    }
    for (const t of even(steps))
      for (const end of [-1, 1] as const) {
        const r = (end < 0 ? from : to) * t;
        add(s.centre, [s.dir, end * s.half], [u, r * Math.cos(a)], [v, r * Math.sin(a)]);
      }
  }
  const most = Math.max(from, to);
  const slant = Math.hypot(2 * s.half, from - to);
  return Math.hypot(Math.max(slant, most) / steps / 2, (most * 2 * Math.PI) / n / 2);
}

function onCapsule(s: Of<'capsule'>, steps: number, add: Add): number {
  const ab: Vec = [s.b[0] - s.a[0], s.b[1] - s.a[1], s.b[2] - s.a[2]];
  const l = Math.hypot(...ab);
  const dir: Vec = l > 0 ? [ab[0] / l, ab[1] / l, ab[2] / l] : [0, 0, 1];
  const [u, v] = across(dir);
  const n = steps * 4;
  for (let i = 0; i < n; i++) {
    const a = (i / n) * 2 * Math.PI;
    for (const t of even(steps))
      add(s.a, [dir, t * l], [u, s.radius * Math.cos(a)], [v, s.radius * Math.sin(a)]);
    for (const t of even(steps)) {
      const b = (t * Math.PI) / 2;
      const r = s.radius * Math.cos(b);
      add(s.a, [dir, -s.radius * Math.sin(b)], [u, r * Math.cos(a)], [v, r * Math.sin(a)]);
      add(s.b, [dir, s.radius * Math.sin(b)], [u, r * Math.cos(a)], [v, r * Math.sin(a)]);
    }
  }
  return Math.hypot(
    Math.max(l, (s.radius * Math.PI) / 2) / steps / 2,
    (s.radius * 2 * Math.PI) / n / 2,
  );
}

function onSector(s: Of<'sector'>, steps: number, add: Add): number {
  const [u, v, w] = s.axes;
  const n = steps * 2;
  const at = (r: number, a: number, z: number) =>
    add(s.hinge, [u, r * Math.cos(a)], [v, r * Math.sin(a)], [w, z]);
  for (let i = 0; i <= n; i++) {
    const a = s.from + ((s.to - s.from) * i) / n;
    for (const t of even(steps)) {
      at(s.radius, a, (2 * t - 1) * s.half);
      at(s.radius * t, a, s.half);
      at(s.radius * t, a, -s.half);
    }
  }
  for (const a of [s.from, s.to])
    for (const t of even(steps))
      for (const z of even(steps)) at(s.radius * t, a, (2 * z - 1) * s.half);
  return Math.hypot(
    Math.max(2 * s.half, s.radius) / steps / 2,
    Math.max((s.radius * (s.to - s.from)) / n, (2 * s.half) / steps) / 2,
  );
}

/** Distance of a point to a solid in closed form, from its definition; 0 inside. */
export function toPoint(s: Solid, p: Vec): number {
  const dot = (a: Vec, b: Vec) => a[0] * b[0] + a[1] * b[1] + a[2] * b[2];
  const from = (o: Vec): Vec => [p[0] - o[0], p[1] - o[1], p[2] - o[2]];
  const over = (x: number, most: number) => Math.max(0, Math.abs(x) - most);
  /** To a stretch from a to b in the plane. */
  const toStretch = (x: number, y: number, a: [number, number], b: [number, number]) => {
    const [dx, dy] = [b[0] - a[0], b[1] - a[1]];
    const l = dx * dx + dy * dy;
    const t = l === 0 ? 0 : Math.min(1, Math.max(0, ((x - a[0]) * dx + (y - a[1]) * dy) / l));
    return Math.hypot(x - a[0] - t * dx, y - a[1] - t * dy);
  };
  switch (s.kind) {
    case 'box': {
      const v = from(s.centre);
      return Math.hypot(...s.axes.map((axis, i) => over(dot(v, axis), s.half[i]!)));
    }
    case 'cylinder':
    case 'cone': {
      const v = from(s.centre);
      const z = dot(v, s.dir);
      const r = Math.sqrt(Math.max(0, dot(v, v) - z * z));
      const tail = s.kind === 'cylinder' ? s.radius : s.from;
      const head = s.kind === 'cylinder' ? s.radius : s.to;
      if (inside(s, p)) return 0;
      return Math.min(
        toStretch(r, z, [0, -s.half], [tail, -s.half]),
        toStretch(r, z, [tail, -s.half], [head, s.half]),
        toStretch(r, z, [0, s.half], [head, s.half]),
      );
    }
    case 'capsule': {
      const ab: Vec = [s.b[0] - s.a[0], s.b[1] - s.a[1], s.b[2] - s.a[2]];
      const v = from(s.a);
      const l = dot(ab, ab);
      const t = l === 0 ? 0 : Math.min(1, Math.max(0, dot(v, ab) / l));
      return Math.max(
        0,
        Math.hypot(v[0] - t * ab[0], v[1] - t * ab[1], v[2] - t * ab[2]) - s.radius,
      );
    }
    case 'sector': {
      const v = from(s.hinge);
      const x = dot(v, s.axes[0]);
      const y = dot(v, s.axes[1]);
      let a = Math.atan2(y, x);
      while (a < s.from) a += 2 * Math.PI;
      const edge = (at: number): [number, number] => [
        s.radius * Math.cos(at),
        s.radius * Math.sin(at),
      ];
      const flat =
        a <= s.to
          ? Math.max(0, Math.hypot(x, y) - s.radius)
          : Math.min(toStretch(x, y, [0, 0], edge(s.from)), toStretch(x, y, [0, 0], edge(s.to)));
      return Math.hypot(flat, over(dot(v, s.axes[2]), s.half));
    }
  }
}

/**
 * Width of the overlap in the best of many directions: never less than the true penetration depth.
 */
export function depthBySampling(a: Solid, b: Solid, directions: readonly Vec[]): number {
  const p = [0, 0, 0];
  const q = [0, 0, 0];
  let least = Infinity;
  for (const [x, y, z] of directions) {
    farthest(a, x, y, z, p);
    farthest(b, -x, -y, -z, q);
    least = Math.min(
      least,
      x * (p[0]! - q[0]!) + y * (p[1]! - q[1]!) + z * (p[2]! - q[2]!) + skin(a) + skin(b),
    );
  }
  return least;
}

/** Directions evenly over the ball (a Fibonacci lattice). */
export function allDirections(n: number): Vec[] {
  const golden = Math.PI * (3 - Math.sqrt(5));
  return Array.from({ length: n }, (_, i): Vec => {
    const z = 1 - (2 * (i + 0.5)) / n;
    const r = Math.sqrt(1 - z * z);
    return [r * Math.cos(golden * i), r * Math.sin(golden * i), z];
  });
}

/** A rotation from three angles. */
export function rotation(a: number, b: number, c: number): Axes {
  const [ca, sa, cb, sb, cc, sc] = [
    Math.cos(a),
    Math.sin(a),
    Math.cos(b),
    Math.sin(b),
    Math.cos(c),
    Math.sin(c),
  ];
  return [
    [ca * cb, ca * sb * sc - sa * cc, ca * sb * cc + sa * sc],
    [sa * cb, sa * sb * sc + ca * cc, sa * sb * cc - ca * sc],
    [-sb, cb * sc, cb * cc],
  ];
}
