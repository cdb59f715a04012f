import { dot, type Axes, type Solid, type Vec } from './solid';

/** How much room a solid takes, where the middle of that is, and how far it spreads about it. */
export interface Bulk {
  /** mm3 */
  volume: number;
  /** Centroid at equal density, mm. */
  centre: Vec;
  /** Mean square distance from the centroid along x, y and z, mm2: per kg what inertia is made of. */
  spread: Vec;
}

/** Nodes and weights of Gauss and Legendre on 0 to 1, three of them: exact up to the fifth power. */
const GAUSS = [
  [0.5 - Math.sqrt(0.15), 5 / 18],
  [0.5, 8 / 18],
  [0.5 + Math.sqrt(0.15), 5 / 18],
] as const;

/** A turned solid, by its radius squared along its axis; the square is of the second degree there. */
interface Turned {
  area: number;
  first: number;
  second: number;
  /** Integral of area x radius squared / 4: what it spreads across its axis. */
  across: number;
}

/** Integrals of one stretch of a turned solid from s0 to s1 along its axis. */
function stretch(s0: number, s1: number, square: (s: number) => number): Turned {
  const sum = { area: 0, first: 0, second: 0, across: 0 };
  for (const [t, w] of GAUSS) {
    const s = s0 + (s1 - s0) * t;
    const r2 = square(s);
    const dv = Math.PI * r2 * w * (s1 - s0);
    sum.area += dv;
    sum.first += dv * s;
    sum.second += dv * s * s;
    sum.across += (dv * r2) / 4;
  }
  return sum;
}

function turnedBulk(from: Vec, dir: Vec, parts: readonly Turned[]): Bulk {
  const total = { area: 0, first: 0, second: 0, across: 0 };
  for (const p of parts)
    for (const k of ['area', 'first', 'second', 'across'] as const) total[k] += p[k];
  const { area: volume } = total;
  if (!(volume > 0)) return { volume: 0, centre: from, spread: [0, 0, 0] };
  const mid = total.first / volume;
  const along = Math.max(0, total.second / volume - mid * mid);
  const across = total.across / volume;
  const on = (k: 0 | 1 | 2) => dir[k] * dir[k] * along + (1 - dir[k] * dir[k]) * across;
  return {
    volume,
    centre: [from[0] + mid * dir[0], from[1] + mid * dir[1], from[2] + mid * dir[2]],
    spread: [on(0), on(1), on(2)],
  };
}

const turnedBy = (axes: Axes, own: Vec): Vec =>
  ([0, 1, 2] as const).map((k) =>
    axes.reduce((sum, a, i) => sum + a[k] * a[k] * own[i as 0 | 1 | 2], 0),
  ) as unknown as Vec;

/**
 * Volume, centroid and mean squares of a solid at equal density. Sources: a box `(2 h)^2 / 12` along
 * an edge; turned solids by slices of discs, each `r^2 / 4` across; a slice of a disc by its polar
 * moments (elementary integrals). What overlaps is not taken off.
 */
export function bulk(s: Solid): Bulk {
  switch (s.kind) {
    case 'box': {
      const [a, b, c] = s.half;
      return {
        volume: 8 * a * b * c,
        centre: s.centre,
        spread: turnedBy(s.axes, [(a * a) / 3, (b * b) / 3, (c * c) / 3]),
      };
    }
    case 'cylinder': {
      const r2 = s.radius * s.radius;
      return turnedBulk(s.centre, s.dir, [stretch(-s.half, s.half, () => r2)]);
    }
    case 'cone': {
      const r = (t: number) => s.from + ((s.to - s.from) * (t + s.half)) / (2 * s.half || 1);
      return turnedBulk(s.centre, s.dir, [stretch(-s.half, s.half, (t) => r(t) ** 2)]);
    }
    case 'capsule': {
      const d: Vec = [s.b[0] - s.a[0], s.b[1] - s.a[1], s.b[2] - s.a[2]];
      const l = Math.sqrt(dot(d, d));
      const dir: Vec = l > 0 ? [d[0] / l, d[1] / l, d[2] / l] : [0, 0, 1];
      const r2 = s.radius * s.radius;
      return turnedBulk(s.a, dir, [
        stretch(-s.radius, 0, (t) => r2 - t * t),
        stretch(0, l, () => r2),
        stretch(l, l + s.radius, (t) => r2 - (t - l) ** 2),
      ]);
    }
    case 'sector': {
      const [u, v] = s.axes;
      const half = (s.to - s.from) / 2;
      const mid = (s.from + s.to) / 2;
      const [cos, sin] = [Math.cos(mid), Math.sin(mid)];
      const off = half > 0 ? (2 * s.radius * Math.sin(half)) / (3 * half) : 0;
      const r2 = s.radius * s.radius;
      const swing = half > 0 ? Math.sin(2 * half) / (2 * half) : 1;
      const along = (r2 / 4) * (1 + swing) - off * off;
      const across = (r2 / 4) * (1 - swing);
      const turned = (a: Vec, b: Vec, p: number, q: number): Vec => [
        p * a[0] + q * b[0],
        p * a[1] + q * b[1],
        p * a[2] + q * b[2],
      ];
      const [to, beside] = [turned(u, v, cos, sin), turned(u, v, -sin, cos)];
      return {
        volume: half * r2 * 2 * s.half,
        centre: [s.hinge[0] + off * to[0], s.hinge[1] + off * to[1], s.hinge[2] + off * to[2]],
        spread: turnedBy([to, beside, s.axes[2]], [along, across, (s.half * s.half) / 3]),
      };
    }
  }
}

/** Several solids of one density as one: what overlaps counts twice. */
export function bulkOf(solids: readonly Solid[]): Bulk | null {
  const all = solids.map(bulk).filter((b) => b.volume > 0);
  const volume = all.reduce((sum, b) => sum + b.volume, 0);
  if (!(volume > 0)) return null;
  const mean = (f: (b: Bulk) => number) =>
    all.reduce((sum, b) => sum + (b.volume / volume) * f(b), 0);
  const centre = ([0, 1, 2] as const).map((k) => mean((b) => b.centre[k])) as unknown as Vec;
  const spread = ([0, 1, 2] as const).map((k) =>
    mean((b) => b.spread[k] + (b.centre[k] - centre[k]) ** 2),
  ) as unknown as Vec;
  return { volume, centre, spread };
}
