import fc from 'fast-check';
import { stackOf, walkOf, type Aperture, type Pupil } from './aperture';
import { draws } from './oracles';
import { fraction } from './region';

/**
 * The share of a pupil that is left against rays traced one by one in space: from a point of the
 * pupil, drawn evenly over its ellipse, to the point of the object that this field angle sees. What
 * stands behind the pupil, and what the pupil comes forward for the corner, is in the ray as it is
 * in the world. Nothing of the computation under test is used.
 */

const RAYS = 6000;

function traced(
  apertures: readonly Aperture[],
  pupil: Pupil,
  distance: number,
  tx: number,
  ty: number,
): number {
  const next = draws(11);
  const z0 = pupil.z + walkOf(pupil, tx, ty);
  // The object plane stands where it stands: a pupil that comes forward is nearer to it.
  const far = distance - (z0 - pupil.z);
  let through = 0;
  for (let i = 0; i < RAYS; i++) {
    const r = Math.sqrt(next());
    const a = 2 * Math.PI * next();
    const px = pupil.r * (pupil.aspect ?? 1) * r * Math.cos(a);
    const py = pupil.r * r * Math.sin(a);
    const passes = apertures.every((ap) => {
      const dz = ap.z - z0;
      if (dz >= far) return true;
      const k = 1 - dz / far;
      const [x, y] = [px * k + tx * dz, py * k + ty * dz];
      if (ap.kind === 'circle') return Math.hypot(x - ap.cx, y - ap.cy) <= ap.r;
      if (ap.kind === 'edge') return ap.nx * x + ap.ny * y <= ap.d;
      const [c, s] = [Math.cos(ap.turn), Math.sin(ap.turn)];
      return (
        Math.abs((x - ap.cx) * c + (y - ap.cy) * s) <= ap.hw &&
        Math.abs(-(x - ap.cx) * s + (y - ap.cy) * c) <= ap.hh
      );
    });
    if (passes) through++;
  }
  return through / RAYS;
}

const near = (lo: number, hi: number) => fc.double({ min: lo, max: hi, noNaN: true });
const aperture: fc.Arbitrary<Aperture> = fc.oneof(
  fc.record({
    kind: fc.constant('circle' as const),
    z: near(-12, 80),
    cx: near(-2, 2),
    cy: near(-2, 2),
    r: near(4, 40),
  }),
  fc.record({
    kind: fc.constant('rectangle' as const),
    z: near(-12, 80),
    cx: near(-2, 2),
    cy: near(-2, 2),
    hw: near(4, 60),
    hh: near(4, 40),
    turn: fc.oneof(fc.constant(0), near(0, 3)),
  }),
) as fc.Arbitrary<Aperture>;

test('an ellipse of a pupil, ahead of it and behind it, still or wandering: as rays traced', () => {
  fc.assert(
    fc.property(
      fc.array(aperture, { minLength: 1, maxLength: 3 }),
      near(0.5, 1.4),
      near(0, 4),
      near(-0.5, 0.5),
      near(-0.4, 0.4),
      fc.oneof(fc.constant(Infinity), near(300, 3000)),
      (apertures, aspect, walk, tx, ty, distance) => {
        const pupil: Pupil = { z: 0, r: 7, aspect, walk };
        const st = stackOf(apertures, pupil, distance, undefined, walkOf(pupil, tx, ty));
        const share = fraction(st, tx, ty);
        // Four standard deviations of so many rays, and a thousandth for the chords.
        const band = 4 * Math.sqrt(0.25 / RAYS) + 1e-3;
        expect(Math.abs(share - traced(apertures, pupil, distance, tx, ty))).toBeLessThan(band);
      },
    ),
    { numRuns: 150, seed: 3 },
  );
});

test('an edge along the axes of the ellipse takes what the closed form says, at any height', () => {
  for (const aspect of [0.6, 0.75, 1.33])
    for (let h = -6.9; h < 7; h += 0.37) {
      const pupil: Pupil = { z: 0, r: 7, aspect };
      const st = stackOf(
        [{ kind: 'edge', z: 50, nx: 0, ny: 1, d: h } as Aperture],
        pupil,
        Infinity,
      );
      const u = h / 7;
      // Segment of a unit circle below u; stretching it sideways changes no share.
      const closed = 0.5 + (Math.asin(u) + u * Math.sqrt(1 - u * u)) / Math.PI;
      expect(fraction(st, 0, 0)).toBeCloseTo(closed, 9);
    }
});
