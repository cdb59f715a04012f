import fc from 'fast-check';
import { inside, surface } from '../solids/oracles';
import { across } from '../solids/axes';
import {
  box,
  capsule,
  cone,
  cylinder,
  sector,
  turnedBox,
  type Axes,
  type Solid,
  type Vec,
} from '../solids/solid';
import { draws } from '../pupil/oracles';
import { met } from './pick';
import { CHORD, cornersOn, dot, polyhedron, type Polyhedron } from './polyhedron';
import { clipped, shared } from './shared';

const unit = fc
  .tuple(fc.double({ min: -1, max: 1 }), fc.double({ min: -1, max: 1 }), fc.constant(1))
  .map(([x, y, z]): Vec => {
    const l = Math.hypot(Number(x) || 0, Number(y) || 0, z);
    return [(Number(x) || 0) / l, (Number(y) || 0) / l, z / l];
  });
const axes = unit.map((w): Axes => {
  const [u, v] = across(w);
  return [u, v, w];
});
const size = fc.integer({ min: 2, max: 80 });
const place = fc
  .tuple(fc.integer({ min: -40, max: 40 }), fc.integer({ min: -40, max: 40 }), size)
  .map((p): Vec => p);
const solids: fc.Arbitrary<Solid> = fc.oneof(
  fc.tuple(place, size, size, size, axes).map(([c, a, b, d, m]) => turnedBox(c, [a, b, d], m)),
  fc.tuple(place, size, size, unit).map(([c, r, h, d]) => cylinder(c, r, h, d)),
  fc.tuple(place, size, size, size, unit).map(([c, h, a, b, d]) => cone(c, h, a, b, d)),
  fc.tuple(place, place, size).map(([a, b, r]) => capsule(a, b, r)),
  fc
    .tuple(place, axes, size, size, fc.double({ min: 0.2, max: 3, noNaN: true }))
    .map(([c, m, r, h, t]) => sector(c, m, r, h, -0.3, t - 0.3)),
);

/** How far a point lies out of the nearest face it is out of; below nothing inside. */
const outOf = (p: Polyhedron, q: Vec) => Math.max(...p.faces.map((f) => dot(f.normal, q) - f.d));

/** Volume by its faces: the divergence theorem, each face as a fan of pyramids. */
function volume(p: Polyhedron): number {
  let six = 0;
  for (const f of p.faces) {
    const [a, ...rest] = f.corners.map((c) => p.points[c]!);
    for (let i = 0; i + 1 < rest.length; i++) {
      const [b, c] = [rest[i]!, rest[i + 1]!];
      six +=
        a![0] * (b[1] * c[2] - b[2] * c[1]) +
        a![1] * (b[2] * c[0] - b[0] * c[2]) +
        a![2] * (b[0] * c[1] - b[1] * c[0]);
    }
  }
  return Math.abs(six) / 6;
}

describe('solids as polyhedra', () => {
  test('are closed: every edge has two faces, and corners, edges and faces are as Euler has them', () => {
    fc.assert(
      fc.property(solids, (s) => {
        const p = polyhedron(s);
        expect(p.points.length - p.edges.length + p.faces.length).toBe(2);
        const sides = p.faces.reduce((n, f) => n + f.corners.length, 0);
        expect(sides).toBe(2 * p.edges.length);
      }),
    );
  });

  test('are convex, their faces look out, and their corners lie on the solid', () => {
    fc.assert(
      fc.property(solids, (s) => {
        const p = polyhedron(s);
        expect(Math.max(...p.points.map((q) => outOf(p, q)))).toBeLessThan(1e-6);
        const middle = p.points.reduce<Vec>(
          (m, q) => [0, 1, 2].map((k) => m[k]! + q[k]! / p.points.length) as unknown as Vec,
          [0, 0, 0],
        );
        // A hair towards the middle a corner is in the solid, a hair away from it it is not.
        const hair = (q: Vec, k: number): Vec =>
          [0, 1, 2].map((i) => q[i]! + k * (middle[i]! - q[i]!)) as unknown as Vec;
        expect(p.points.every((q) => inside(s, hair(q, 1e-6)))).toBe(true);
        expect(p.points.some((q) => inside(s, hair(q, -1e-3)))).toBe(false);
      }),
    );
  });

  test('no point of the solid lies farther out of them than the chord allows', () => {
    fc.assert(
      fc.property(solids, (s) => {
        const p = polyhedron(s);
        const sagitta = (r: number, n: number) => r * (1 - Math.cos(Math.PI / n));
        const off =
          s.kind === 'box'
            ? 0
            : s.kind === 'capsule'
              ? // Its ends are coarser from pole to equator: a tenth of a half turn a step.
                sagitta(s.radius, 20) + sagitta(s.radius, Math.min(32, cornersOn(s.radius)))
              : s.kind === 'cone'
                ? sagitta(Math.max(s.from, s.to), cornersOn(Math.max(s.from, s.to)))
                : sagitta(s.radius, cornersOn(s.radius));
        const most = Math.max(...surface(s, 12).points.map((q) => outOf(p, q)));
        expect(most).toBeLessThan(off + 1e-6);
      }),
      { numRuns: 40 },
    );
  });

  test.each([
    ['box', box([3, 4, 5], [10, 20, 30]), 8 * 10 * 20 * 30, 1e-9],
    ['cylinder', cylinder([0, 0, 0], 40, 25), Math.PI * 1600 * 50, 0.01],
    ['cone', cone([0, 0, 0], 30, 20, 40), (Math.PI * 60 * (400 + 800 + 1600)) / 3, 0.01],
    [
      'capsule',
      capsule([0, 0, -20], [0, 0, 20], 15),
      Math.PI * 225 * 40 + (4 * Math.PI * 3375) / 3,
      0.03,
    ],
  ])('volume of a %s against its closed form', (_name, s, exact, within) => {
    const v = volume(polyhedron(s));
    expect(v).toBeLessThanOrEqual(exact * (1 + 1e-9));
    expect(v).toBeGreaterThan(exact * (1 - within));
  });

  test('a circle has as many corners as its chord asks for', () => {
    // Sagitta of a chord: r (1 - cos(pi / n)).
    for (const r of [1, 5, 20, 60])
      expect(r * (1 - Math.cos(Math.PI / cornersOn(r)))).toBeLessThan(CHORD * 1.001 + r * 0.0022);
    expect(cornersOn(1000)).toBe(48);
  });
});

describe('what two share', () => {
  test('of two upright boxes is the box between their faces', () => {
    const a = polyhedron(box([0, 0, 0], [10, 10, 10]));
    const b = polyhedron(box([15, 4, -3], [10, 10, 10]));
    const points = shared(a, b).flat();
    const ends = [0, 1, 2].map((k) => [
      Math.min(...points.map((p) => p[k]!)),
      Math.max(...points.map((p) => p[k]!)),
    ]);
    [
      [5, 10],
      [-6, 10],
      [-10, 7],
    ].forEach(([lo, hi], k) => {
      expect(ends[k]![0]).toBeCloseTo(lo!, 9);
      expect(ends[k]![1]).toBeCloseTo(hi!, 9);
    });
    expect(shared(a, polyhedron(box([25, 0, 0], [10, 10, 10])))).toEqual([]);
    // Side by side they share nothing.
    expect(shared(a, polyhedron(box([20, 0, 0], [10, 10, 10])))).toEqual([]);
  });

  test('lies in both, and is there when a point of the one lies in the other', () => {
    fc.assert(
      fc.property(solids, solids, fc.integer(), (a, b, seed) => {
        const [p, q] = [polyhedron(a), polyhedron(b)];
        const faces = shared(p, q);
        for (const side of [p, q])
          expect(faces.flat().every((c) => outOf(side, c) < 1e-4)).toBe(true);
        if (faces.length > 0) return;
        const rnd = draws(seed >>> 0);
        const within = (of: Polyhedron, c: Vec) => outOf(of, c) < -1e-3;
        for (let i = 0; i < 200; i++) {
          const [k, l] = [p.points, p.points].map((ps) => ps[Math.floor(rnd() * ps.length)]!);
          const t = rnd();
          const c = [0, 1, 2].map((n) => k![n]! + t * (l![n]! - k![n]!)) as unknown as Vec;
          expect(within(p, c) && within(q, c)).toBe(false);
        }
      }),
    );
  });

  test('a piece that nothing cuts is left as it is', () => {
    const square: Vec[] = [
      [0, 0, 0],
      [1, 0, 0],
      [1, 1, 0],
    ];
    expect(clipped(square, [])).toEqual(square);
    expect(clipped(square, [{ normal: [1, 0, 0], d: -1 }])).toEqual([]);
  });
});

describe('what is pointed at', () => {
  test('the ray meets the solid where it first comes into it, and nowhere where it never does', () => {
    fc.assert(
      fc.property(solids, place, place, (s, to, off) => {
        const from: Vec = [off[0] + 300, off[1] - 200, off[2] - 400];
        const way = [0, 1, 2].map((k) => to[k]! - from[k]!) as unknown as Vec;
        const p = polyhedron(s);
        const t = met(p, from, way);
        const at = (k: number) => [0, 1, 2].map((i) => from[i]! + k * way[i]!) as unknown as Vec;
        const within = (k: number, hair: number) => outOf(p, at(k)) < hair;
        const steps = Array.from({ length: 400 }, (_, i) => (2 * i) / 400);
        const before = steps.filter((k) => t === null || k < t - 1e-6);
        expect(before.some((k) => within(k, -1e-6))).toBe(false);
        expect(t === null || within(t, 1e-6)).toBe(true);
      }),
    );
  });
});
