import fc from 'fast-check';
import { nearPairs } from './broad';
import { distance } from './distance';
import { allDirections, depthBySampling, inside, rotation, surface, toPoint } from './oracles';
import {
  bounds,
  box,
  boxBetween,
  capsule,
  cone,
  cylinder,
  farthest,
  sector,
  skin,
  turned,
  turnedBox,
  UPRIGHT,
  type Solid,
  type Vec,
} from './solid';
import { moved, rotated } from './move';
import { draws as random } from '../pupil/oracles';

type Kind = Solid['kind'];
function solidOf(kind: Kind, rnd: () => number, spread = 80): Solid {
  const at = (): Vec => [0, 0, 0].map(() => (rnd() - 0.5) * 2 * spread) as unknown as Vec;
  const size = () => 4 + rnd() * 40;
  const axes = rotation(rnd() * 6.3, rnd() * 6.3, rnd() * 6.3);
  switch (kind) {
    case 'box':
      return rnd() < 0.5
        ? box(at(), [size(), size(), size()], rnd() < 0.5 ? 0 : rnd() * 3)
        : turnedBox(at(), [size(), size(), size()], axes);
    case 'cylinder':
      return rnd() < 0.5 ? cylinder(at(), size(), size()) : cylinder(at(), size(), size(), axes[0]);
    case 'cone':
      return cone(at(), size(), size(), size(), axes[0]);
    case 'capsule':
      return capsule(at(), at(), 2 + rnd() * 20);
    case 'sector': {
      const from = (rnd() - 0.5) * 6;
      return sector(at(), axes, size() * 1.5, size() / 2, from, from + 0.3 + rnd() * 2.8);
    }
  }
}
const KINDS: readonly Kind[] = ['box', 'cylinder', 'cone', 'capsule', 'sector'];

describe('closed forms', () => {
  it('knows two boxes, apart and into each other', () => {
    const a = box([0, 0, 0], [10, 10, 10]);
    expect(distance(a, box([30, 0, 0], [10, 10, 10]))).toBeCloseTo(10, 12);
    expect(distance(a, box([30, 30, 0], [10, 10, 10]))).toBeCloseTo(Math.hypot(10, 10), 12);
    expect(distance(a, box([30, 30, 30], [10, 10, 10]))).toBeCloseTo(Math.hypot(10, 10, 10), 12);
    expect(distance(a, box([17, 0, 0], [10, 10, 10]))).toBeCloseTo(-3, 12);
    // Turned by 45 degrees its corner comes nearer.
    expect(distance(a, box([30, 0, 0], [10, 10, 10], Math.PI / 4))).toBeCloseTo(
      20 - 10 * Math.SQRT2,
      12,
    );
  });

  it('knows turned pieces along the axis: rods and a lens', () => {
    // Common practice: lightweight rods, 15 mm, 60 between, 85 below the axis.
    const rod = turned(30, -85, 0, 200, 7.5);
    expect(distance(rod, turned(0, 0, 20, 150, 40))).toBeCloseTo(Math.hypot(30, 85) - 47.5, 10);
    expect(distance(rod, turned(0, 0, 220, 300, 90))).toBeCloseTo(20, 10);
  });

  it('knows a ball before a face, a cone and a slice', () => {
    const ball = capsule([0, 0, 50], [0, 0, 50], 10);
    expect(distance(ball, box([0, 0, 0], [20, 20, 20]))).toBeCloseTo(20, 4);
    expect(distance(ball, capsule([-40, 0, 0], [40, 0, 0], 15))).toBeCloseTo(25, 4);
    // A point 30 beside the rim of a cone's wide end, level with it.
    const c = cone([0, 0, 0], 20, 10, 25);
    expect(distance(c, capsule([55, 0, 20], [55, 0, 20], 1))).toBeCloseTo(29, 4);
    const s = sector([0, 0, 0], UPRIGHT, 50, 5, 0, Math.PI / 2);
    expect(distance(s, capsule([60, 0, 0], [60, 0, 0], 1))).toBeCloseTo(9, 4);
    expect(distance(s, capsule([-20, 10, 0], [-20, 10, 0], 1))).toBeCloseTo(19, 4);
  });

  it('refuses a sector of more than half a turn', () => {
    expect(() => sector([0, 0, 0], UPRIGHT, 50, 5, 0, 3.5)).toThrow(RangeError);
  });
});

describe('against brute force', () => {
  it('lies within the sampling bound of the nearest of many points, or of many directions', () => {
    const rnd = random(11);
    const directions = allDirections(150);
    // No direction is farther than this from the nearest of them (twice the mean spacing).
    const gap = 2 * Math.sqrt((4 * Math.PI) / 150);
    let apart = 0;
    let into = 0;
    for (let i = 0; i < 10_000; i++) {
      const near = i % 2 === 0 ? 30 : 90;
      const a = solidOf(KINDS[i % 5]!, rnd, near);
      const b = solidOf(KINDS[Math.floor(i / 5) % 5]!, rnd, near);
      const d = distance(a, b);
      let off = '';
      if (d > 0) {
        apart++;
        const p = surface(a, 3);
        let least = Infinity;
        for (const u of p.points) least = Math.min(least, toPoint(b, u));
        // No sampled point is nearer than the distance, and one is near it.
        if (d > least + 1e-3 || least - d > p.within) off = `${d} apart, sampled ${least}`;
      } else {
        into++;
        const sampled = depthBySampling(a, b, directions);
        const [e, f] = [bounds(a), bounds(b)];
        const size = Math.hypot(
          ...[0, 1, 2].map((k) => Math.max(e[k + 3]! - f[k]!, f[k + 3]! - e[k]!)),
        );
        if (-d > sampled + 1e-3 || sampled + d > size * gap) off = `${-d} deep, sampled ${sampled}`;
      }
      if (off) throw new Error(`pair ${i}, ${a.kind} and ${b.kind}: ${off}`);
    }
    expect(apart).toBeGreaterThan(3000);
    expect(into).toBeGreaterThan(2000);
  }, 60_000);

  it('is the least width of the overlap over 20,000 directions', () => {
    const rnd = random(12);
    const directions = allDirections(20_000);
    let into = 0;
    for (let i = 0; i < 40; i++) {
      const a = solidOf(KINDS[i % 5]!, rnd, 18);
      const b = solidOf(KINDS[Math.floor(i / 5) % 5]!, rnd, 18);
      const d = distance(a, b);
      if (d >= 0) continue;
      into++;
      const sampled = depthBySampling(a, b, directions);
      expect(-d).toBeLessThanOrEqual(sampled + 1e-3);
      // Near its least the width is flat or has a kink; 20,000 directions are 1.4 degrees apart.
      expect(sampled + d).toBeLessThanOrEqual(0.025 * 100);
    }
    expect(into).toBeGreaterThan(20);
  }, 30_000);

  it('says that two solids overlap exactly when they share a point', () => {
    const rnd = random(13);
    for (let i = 0; i < 200; i++) {
      const a = solidOf(KINDS[i % 5]!, rnd, 45);
      const b = solidOf(KINDS[Math.floor(i / 5) % 5]!, rnd, 45);
      const d = distance(a, b);
      const [x0, y0, z0, x1, y1, z1] = bounds(a);
      let shared = false;
      for (let k = 0; k < 2500 && !shared; k++) {
        const p: Vec = [x0 + rnd() * (x1 - x0), y0 + rnd() * (y1 - y0), z0 + rnd() * (z1 - z0)];
        shared = inside(a, p) && inside(b, p);
      }
      if (shared) expect(d).toBeLessThan(1e-3);
      if (d > 1e-3) expect(shared).toBe(false);
    }
  });
});

describe('against independent implementations', () => {
  // Apart: the triangles of three-mesh-bvh. Overlapping: the contact query of rapier3d (single
  // precision, and apart only good to a thousandth, so it is asked for depths alone).
  it('agrees on 10,000 random pairs of boxes and capsules within 0.01 mm', async () => {
    const { default: rapier } = await import('@dimforge/rapier3d-compat');
    await rapier.init();
    const { Vector3 } = await import('three');
    const { ExtendedTriangle } = await import('three-mesh-bvh');
    const rnd = random(14);
    let apart = 0;
    let into = 0;
    for (let i = 0; i < 10_000; i++) {
      const make = () => {
        const at: Vec = [0, 1, 2].map(() => (rnd() - 0.5) * 90) as unknown as Vec;
        const flat = rnd() < 0.5;
        // Half of the boxes are turned about the optical axis only: the closed form.
        const axes = flat
          ? rotation(rnd() * 6.3, 0, 0)
          : rotation(rnd() * 6.3, rnd() * 6.3, rnd() * 6.3);
        const along = (v: Vec, k: number): Vec => [
          at[0] + k * v[0],
          at[1] + k * v[1],
          at[2] + k * v[2],
        ];
        if (rnd() < 0.5) {
          const half: Vec = [4 + rnd() * 26, 4 + rnd() * 26, 4 + rnd() * 26];
          const corner = (k: number) =>
            new Vector3(
              ...([0, 1, 2].map(
                (c) =>
                  at[c]! +
                  [0, 1, 2].reduce(
                    (n, a) => n + (k & (1 << a) ? 1 : -1) * half[a]! * axes[a]![c]!,
                    0,
                  ),
              ) as [number, number, number]),
            );
          const faces = [
            [0, 1, 3, 2],
            [4, 5, 7, 6],
            [0, 1, 5, 4],
            [2, 3, 7, 6],
            [0, 2, 6, 4],
            [1, 3, 7, 5],
          ] as const;
          return {
            ours: flat
              ? box(at, half, Math.atan2(axes[0][1], axes[0][0]))
              : turnedBox(at, half, axes),
            theirs: new rapier.Cuboid(half[0], half[1], half[2]),
            triangles: faces.flatMap(([a, b, c, d]) => [
              new ExtendedTriangle(corner(a), corner(b), corner(c)),
              new ExtendedTriangle(corner(a), corner(c), corner(d)),
            ]),
            radius: 0,
            at,
            q: quaternion(axes),
          };
        }
        const l = 3 + rnd() * 30;
        const radius = 2 + rnd() * 15;
        // Theirs stands along y. A stretch is a triangle as thin as nothing.
        const [a, b] = [along(axes[1], -l), along(axes[1], l)];
        const beside = along(axes[1], l).map((v, k) => v + 1e-7 * axes[0][k]!);
        return {
          ours: capsule(a, b, radius),
          theirs: new rapier.Capsule(l, radius),
          triangles: [
            new ExtendedTriangle(
              new Vector3(...a),
              new Vector3(...b),
              new Vector3(...(beside as [number, number, number])),
            ),
          ],
          radius,
          at,
          q: quaternion(axes),
        };
      };
      const a = make();
      const b = make();
      const ours = distance(a.ours, b.ours);
      // The triangles tell how far the cores are apart, unless one lies inside the other.
      let cores = Infinity;
      for (const s of a.triangles)
        for (const t of b.triangles) cores = Math.min(cores, s.distanceToTriangle(t));
      const theirs = [cores - a.radius - b.radius];
      if (ours > 0) apart++;
      else {
        into++;
        const place = (v: Vec) => ({ x: v[0], y: v[1], z: v[2] });
        const c = a.theirs.contactShape(place(a.at), a.q, b.theirs, place(b.at), b.q, 1000);
        if (c) theirs.push(c.distance);
      }
      if (!theirs.some((d) => Math.abs(d - ours) < 0.01))
        throw new Error(
          `pair ${i}, ${a.ours.kind} and ${b.ours.kind}: ${ours}, theirs ${theirs.join()}`,
        );
    }
    expect(apart).toBeGreaterThan(1500);
    expect(into).toBeGreaterThan(1500);
  }, 60_000);
});

/** Unit quaternion of a rotation whose columns are where the axes go. */
function quaternion(rows: readonly [Vec, Vec, Vec]) {
  // Our axes are the images of the axes: they are the columns.
  const m = (r: number, c: number) => rows[c]![r]!;
  const t = m(0, 0) + m(1, 1) + m(2, 2);
  const q =
    t > 0
      ? [m(2, 1) - m(1, 2), m(0, 2) - m(2, 0), m(1, 0) - m(0, 1), 1 + t]
      : m(0, 0) > m(1, 1) && m(0, 0) > m(2, 2)
        ? [1 + m(0, 0) - m(1, 1) - m(2, 2), m(0, 1) + m(1, 0), m(0, 2) + m(2, 0), m(2, 1) - m(1, 2)]
        : m(1, 1) > m(2, 2)
          ? [
              m(0, 1) + m(1, 0),
              1 + m(1, 1) - m(0, 0) - m(2, 2),
              m(1, 2) + m(2, 1),
              m(0, 2) - m(2, 0),
            ]
          : [
              m(0, 2) + m(2, 0),
              m(1, 2) + m(2, 1),
              1 + m(2, 2) - m(0, 0) - m(1, 1),
              m(1, 0) - m(0, 1),
            ];
  const l = Math.hypot(...q);
  return { x: q[0]! / l, y: q[1]! / l, z: q[2]! / l, w: q[3]! / l };
}

describe('properties', () => {
  const any = fc
    .tuple(fc.integer(), fc.constantFrom(...KINDS), fc.constantFrom(...KINDS))
    .map(([seed, k, l]) => {
      const rnd = random(seed);
      return [solidOf(k, rnd, 60), solidOf(l, rnd, 60)] as const;
    });

  it('is the same from either side', () => {
    fc.assert(
      fc.property(any, ([a, b]) => {
        expect(Math.abs(distance(a, b) - distance(b, a))).toBeLessThan(1e-3);
      }),
      { numRuns: 1500 },
    );
  });

  it('does not change when both are moved or turned', () => {
    fc.assert(
      fc.property(
        any,
        fc.tuple(...[0, 1, 2].map(() => fc.double({ min: -500, max: 500, noNaN: true }))),
        fc.tuple(...[0, 1, 2].map(() => fc.double({ min: -3.2, max: 3.2, noNaN: true }))),
        ([a, b], by, turn) => {
          const d = distance(a, b);
          const m = by as unknown as Vec;
          expect(Math.abs(distance(moved(a, m), moved(b, m)) - d)).toBeLessThan(1e-3);
          const r = rotation(turn[0]!, turn[1]!, turn[2]!);
          expect(Math.abs(distance(rotated(a, r), rotated(b, r)) - d)).toBeLessThan(2e-3);
        },
      ),
      { numRuns: 1500 },
    );
  });

  it('never changes by more than one of them is moved', () => {
    fc.assert(
      fc.property(any, fc.double({ min: -20, max: 20, noNaN: true }), ([a, b], by) => {
        expect(Math.abs(distance(moved(a, [by, 0, 0]), b) - distance(a, b))).toBeLessThanOrEqual(
          Math.abs(by) + 1e-3,
        );
      }),
      { numRuns: 1000 },
    );
  });

  it('has extents that hold every surface point and touch it', () => {
    const rnd = random(17);
    for (let i = 0; i < 50; i++) {
      const s = solidOf(KINDS[i % 5]!, rnd);
      const e = bounds(s);
      const points = surface(s, 6).points;
      for (const k of [0, 1, 2] as const) {
        expect(Math.min(...points.map((p) => p[k]))).toBeGreaterThanOrEqual(e[k] - 1e-9);
        expect(Math.max(...points.map((p) => p[k]))).toBeLessThanOrEqual(
          e[(k + 3) as 3 | 4 | 5] + 1e-9,
        );
      }
      const p = [0, 0, 0];
      farthest(s, 0, 0, 1, p);
      expect(p[2]! + skin(s)).toBeCloseTo(e[5], 9);
    }
  });
});

describe('broad phase', () => {
  it('hands on exactly the pairs whose extents come near', () => {
    const rnd = random(15);
    for (let round = 0; round < 40; round++) {
      const list = Array.from({ length: 40 }, (_, i) => bounds(solidOf(KINDS[i % 5]!, rnd, 200)));
      const air = rnd() * 20;
      const want = new Set<string>();
      for (let i = 0; i < list.length; i++)
        for (let j = i + 1; j < list.length; j++) {
          const [a, b] = [list[i]!, list[j]!];
          if ([0, 1, 2].every((k) => a[k]! - air <= b[k + 3]! && b[k]! - air <= a[k + 3]!))
            want.add(`${i}/${j}`);
        }
      const got = new Set<string>();
      const n = nearPairs(list, air, (i, j) => got.add(`${i}/${j}`));
      expect(got).toEqual(want);
      expect(n).toBe(want.size);
    }
  });

  it('never leaves out a pair that is nearer than the air asked for', () => {
    const rnd = random(16);
    const list = Array.from({ length: 60 }, (_, i) => solidOf(KINDS[i % 5]!, rnd, 150));
    const near = new Set<string>();
    nearPairs(list.map(bounds), 10, (i, j) => near.add(`${i}/${j}`));
    for (let i = 0; i < list.length; i++)
      for (let j = i + 1; j < list.length; j++)
        if (distance(list[i]!, list[j]!) < 10) expect(near.has(`${i}/${j}`)).toBe(true);
  });

  it('gets a box from two corners', () => {
    expect(boxBetween([10, 5, 3], [0, 9, 1])).toMatchObject({ centre: [5, 7, 2], half: [5, 2, 1] });
  });
});
