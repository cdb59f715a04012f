import fc from 'fast-check';
import { depthOfFocus, errorFromMarks, extension, glassShift, imageDistance } from './backfocus';
import {
  cornerMargin,
  farthestCorner,
  frameOnChip,
  largestInCircle,
  largestInRectangle,
  scaleUp,
} from './coverage';
import { circleOfConfusion, depthFromLens, depthOfField, hyperfocal } from './depth';
import {
  desqueezedAspect,
  diagonalCrop,
  fieldOfView,
  focalFor,
  looksLike,
  widthCrop,
} from './field';
import { ASPECTS, diagonal, format, FORMATS } from './formats';
import { equivalentWidth, reducedCircle, reducedFocal, reducedStop, stopsGained } from './reducer';

describe('formats', () => {
  // ISO 1007: the 135 still frame is nominally 36 x 24 mm (number from memory).
  test('ISO 1007 frame', () => {
    expect(format('full-frame')).toMatchObject({ w: 36, h: 24 });
    expect(diagonal(36, 24)).toBeCloseTo(43.2666, 4);
  });

  // Diagonals as format tables print them; SMPTE ST 59 for the 4-perf camera aperture.
  test.each([
    ['full-frame', 43.27],
    ['super-35', 31.11],
    ['super-35-3', 28.49],
    ['aps-c', 28.21],
    ['four-thirds', 21.64],
    ['four-thirds-cine', 21.44],
    ['super-16', 14.55],
  ])('diagonal of %s is %d', (id, d) => {
    const f = FORMATS.find((x) => x.id === id)!;
    expect(diagonal(f.w, f.h).toFixed(2)).toBe(d.toFixed(2));
  });

  test('an unknown reference is full frame', () => {
    expect(format('no such').id).toBe('full-frame');
    expect(format(undefined).id).toBe('full-frame');
  });

  test('every aspect has a deliverable of that aspect', () => {
    for (const a of ASPECTS) expect(a.deliver.w / a.deliver.h).toBeCloseTo(a.aspect, 2);
  });
});

describe('field of view', () => {
  // Worked examples by the closed form 2 atan(w / 2f).
  test.each([
    [36, 35, 54.43],
    [24.89, 35, 39.15],
    [18.96, 18, 55.55],
  ])('%d mm wide at %d mm', (w, f, deg) => {
    expect(fieldOfView(w, f).toFixed(2)).toBe(deg.toFixed(2));
  });

  test('the inverse gives the focal length back', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 4, max: 70, noNaN: true }),
        fc.double({ min: 5, max: 800, noNaN: true }),
        (w, f) => {
          expect(focalFor(w, fieldOfView(w, f))).toBeCloseTo(f, 6);
        },
      ),
    );
  });

  test('looks like: the same horizontal field on the reference format', () => {
    const f = looksLike(35, 24.89, 36);
    expect(fieldOfView(36, f)).toBeCloseTo(fieldOfView(24.89, 35), 9);
  });

  test('width crop and diagonal crop differ when the aspects differ', () => {
    const ref = { w: 36, h: 24 };
    expect(widthCrop(36, 18.96)).toBeCloseTo(1.8987, 4);
    expect(diagonalCrop(ref, { w: 18.96, h: 10 })).toBeCloseTo(43.2666 / 21.4354, 3);
  });

  test('desqueezed aspects: 3:2 with 1.33 is 1.995, 4:3 with 2.0 is 2.67', () => {
    expect(desqueezedAspect(36, 24, 1.33).toFixed(3)).toBe('1.995');
    expect(desqueezedAspect(4, 3, 2).toFixed(2)).toBe('2.67');
  });
});

describe('reducers', () => {
  test.each([
    [0.71, 0.99],
    [0.64, 1.29],
    [0.58, 1.57],
  ])('%d gains %d stops', (m, stops) => {
    expect(stopsGained(m).toFixed(2)).toBe(stops.toFixed(2));
  });

  test('an extender loses light: 2x is two stops', () => {
    expect(stopsGained(2)).toBeCloseTo(-2, 12);
  });

  test('18.96 mm behind 0.71 sees what 26.70 mm sees', () => {
    expect(equivalentWidth(18.96, 0.71).toFixed(2)).toBe('26.70');
    expect(fieldOfView(18.96, reducedFocal(35, 0.71))).toBeCloseTo(
      fieldOfView(18.96 / 0.71, 35),
      9,
    );
  });

  test('never faster than its own limit, never a larger circle than its exit', () => {
    expect(reducedStop(1.4, 0.71, 1.1)).toEqual({ stop: 1.1, clamped: true });
    expect(reducedStop(2, 0.71, 1.1)).toEqual({ stop: 1.42, clamped: false });
    expect(reducedStop(1.4, 0.71, null).stop).toBeCloseTo(0.994, 9);
    expect(reducedCircle(45, 0.71, 23)).toBe(23);
    expect(reducedCircle(30, 0.71, 23)).toBeCloseTo(21.3, 9);
  });
});

describe('back focus', () => {
  // Mark tests worked from the image plane, handbook chapter on optics.
  test.each([
    [25, 3000, 2500, 0.0432],
    [18, 2000, 1500, 0.0564],
    [85, 5000, 4950, 0.0157],
  ])('f %d, mark %d, sharp at %d', (f, mark, sharp, e) => {
    expect(errorFromMarks(f, mark, sharp).toFixed(4)).toBe(e.toFixed(4));
  });

  test('thin lens equation 1/f = 1/s + 1/v', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 5, max: 300, noNaN: true }),
        fc.double({ min: 1300, max: 1e5, noNaN: true }),
        (f, s) => {
          expect(1 / s + 1 / imageDistance(f, s)).toBeCloseTo(1 / f, 9);
        },
      ),
    );
  });

  test('extension: u and v of the thin lens equation add up to the distance', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 5, max: 300, noNaN: true }),
        fc.double({ min: 4.01, max: 1000, noNaN: true }),
        (f, times) => {
          const s = f * times;
          const v = f + extension(f, s);
          const u = s - v;
          expect(1 / u + 1 / v).toBeCloseTo(1 / f, 9);
          expect(u).toBeGreaterThanOrEqual(v - 1e-6);
        },
      ),
    );
    expect(extension(50, 150)).toBeNaN();
    expect(extension(50, Infinity)).toBe(0);
  });

  test('a 25 mm at T2 with c = 0.015 tolerates 0.03 mm', () => {
    expect(depthOfFocus(2, 0.015)).toBeCloseTo(0.03, 12);
  });

  test('2 mm of glass of n = 1.517 moves focus 0.68 mm, a third of its thickness', () => {
    expect(glassShift(2, 1.517).toFixed(2)).toBe('0.68');
    expect(glassShift(3, 1.5)).toBeCloseTo(1, 12);
  });

  test('the shift of a plane glass by tracing a paraxial ray through it', () => {
    // Snell at both faces for a small angle: independent of the closed form.
    const [t, n, u] = [2, 1.517, 1e-4];
    const inside = Math.asin(Math.sin(u) / n);
    const drop = t * Math.tan(inside);
    expect(t - drop / Math.tan(u)).toBeCloseTo(glassShift(t, n), 7);
  });
});

describe('depth of field', () => {
  // The form of published tables, distances from the lens.
  test.each([
    [50, 2.8, 0.025, 3000, 35764.3, 2771.1, 3270.1],
    [35, 2.0, 0.03, 2000, 20451.7, 1824.4, 2213.0],
    [85, 1.4, 0.03, 2500, 172108.8, 2465.4, 2535.6],
    [18, 5.6, 0.015, 1500, 3875.1, 1083.6, 2435.9],
  ])('from the lens: f %d N %d c %d u %d', (f, n, c, u, H, near, far) => {
    expect(hyperfocal(f, n, c).toFixed(1)).toBe(H.toFixed(1));
    const d = depthFromLens(f, n, c, u);
    expect(d.near.toFixed(1)).toBe(near.toFixed(1));
    expect(d.far.toFixed(1)).toBe(far.toFixed(1));
  });

  test('the limits are where the blur on the chip is just the circle of confusion', () => {
    // Independent: the cone behind the lens, from the lens equation for near and far point.
    const [f, n, c, s] = [35, 2, 0.03, 2000] as const;
    const v = f + extension(f, s);
    const { near, far } = depthOfField(f, n, c, s);
    for (const limit of [near, far]) {
      const u = limit - v;
      const own = (f * u) / (u - f);
      // To first order the same circle; the closed form takes N c at infinity focus.
      expect((f / n) * (Math.abs(own - v) / own)).toBeCloseTo(c, 2);
    }
  });

  // Handbook chapter on optics, distances from the image plane.
  test.each([
    [50, 2.8, 0.025, 3000, 35764.3, 2778.6, 3260.5],
    [35, 2.0, 0.03, 2000, 20451.7, 1830.4, 2205.0],
    [85, 1.4, 0.03, 2500, 172108.8, 2467.8, 2533.1],
    [18, 5.6, 0.015, 1500, 3875.1, 1092.4, 2406.3],
  ])('f %d N %d c %d s %d', (f, n, c, s, H, near, far) => {
    expect(hyperfocal(f, n, c).toFixed(1)).toBe(H.toFixed(1));
    const d = depthOfField(f, n, c, s);
    expect(d.near.toFixed(1)).toBe(near.toFixed(1));
    expect(d.far.toFixed(1)).toBe(far.toFixed(1));
  });

  test('at the hyperfocal distance the far end is infinite and the near end about half', () => {
    const H = hyperfocal(35, 4, 0.025);
    expect(depthFromLens(35, 4, 0.025, H).far).toBe(Infinity);
    expect(depthFromLens(35, 4, 0.025, H).near).toBeCloseTo(H / 2, -2);
  });

  // Common practice, no source.
  test('circle of confusion by the nearest format', () => {
    expect(circleOfConfusion(36, 24)).toBe(0.03);
    expect(circleOfConfusion(24.89, 18.66)).toBe(0.025);
    expect(circleOfConfusion(18.96, 10)).toBe(0.015);
    expect(circleOfConfusion(12.52, 7.41)).toBe(0.013);
  });
});

describe('coverage', () => {
  test('margin of a centred frame is half of circle less diagonal', () => {
    expect(cornerMargin({ w: 36, h: 24, x: 0, y: 0 }, 45)).toBeCloseTo(
      (45 - Math.hypot(36, 24)) / 2,
      12,
    );
  });

  test('an off-centre frame is judged at its farthest corner, found by trying all four', () => {
    fc.assert(
      fc.property(
        fc.tuple(...[30, 20].map((m) => fc.double({ min: 1, max: m, noNaN: true }))),
        fc.tuple(...[5, 5].map((m) => fc.double({ min: -m, max: m, noNaN: true }))),
        ([w, h], [x, y]) => {
          const corners = [1, -1].flatMap((a) =>
            [1, -1].map((b) => Math.hypot(x! + (a * w!) / 2, y! + (b * h!) / 2)),
          );
          expect(farthestCorner({ w: w!, h: h!, x: x!, y: y! })).toBeCloseTo(
            Math.max(...corners),
            9,
          );
        },
      ),
    );
  });

  test('largest frame inside a circle, against brute force over the half angle', () => {
    for (const a of [2.39, 1.78, 1, 9 / 16]) {
      const d = 43.3;
      let best = 0;
      // Every rectangle inscribed in the circle has its corner at some angle: walk them all.
      for (let i = 1; i < 200_000; i++) {
        const t = (i / 200_000) * (Math.PI / 2);
        const w = d * Math.cos(t);
        const h = d * Math.sin(t);
        // The largest frame of the aspect inside this rectangle.
        best = Math.max(best, Math.min(w, h * a));
      }
      expect(largestInCircle(a, d).w).toBeCloseTo(best, 3);
    }
  });

  test('largest frame inside a rectangle, against brute force over its width', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0.3, max: 3, noNaN: true }),
        fc.double({ min: 5, max: 40, noNaN: true }),
        fc.double({ min: 5, max: 40, noNaN: true }),
        (a, w, h) => {
          const r = largestInRectangle(a, w, h);
          let best = 0;
          for (let i = 1; i <= 4000; i++) {
            const width = (w * i) / 4000;
            if (width / a <= h) best = width;
          }
          expect(r.w).toBeGreaterThanOrEqual(best - 1e-9);
          expect(r.w).toBeLessThanOrEqual(best + w / 4000 + 1e-9);
          expect(r.w / r.h).toBeCloseTo(a, 9);
          expect(r.w).toBeLessThanOrEqual(w + 1e-9);
          expect(r.h).toBeLessThanOrEqual(h + 1e-9);
        },
      ),
      { numRuns: 60 },
    );
  });

  test('an anamorphic frame on the chip is narrower by the squeeze', () => {
    const r = frameOnChip({ aspect: 2.39 }, { w: 36, h: 24 }, 1.33);
    expect(r.w / r.h).toBeCloseTo(2.39 / 1.33, 9);
    expect(r.w).toBe(36);
    const vertical = frameOnChip({ aspect: 9 / 16, scale: 0.9 }, { w: 36, h: 24 }, 1.33);
    expect(vertical.h).toBeCloseTo(21.6, 9);
  });

  test('a frame is moved no farther than the chip goes', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0.3, max: 3, noNaN: true }),
        fc.double({ min: 0.2, max: 1, noNaN: true }),
        fc.double({ min: -40, max: 40, noNaN: true }),
        fc.double({ min: -40, max: 40, noNaN: true }),
        (aspect, scale, x, y) => {
          const r = frameOnChip({ aspect, scale, x, y }, { w: 36, h: 24 }, 1);
          expect(Math.abs(r.x) + r.w / 2).toBeLessThanOrEqual(18 + 1e-9);
          expect(Math.abs(r.y) + r.h / 2).toBeLessThanOrEqual(12 + 1e-9);
        },
      ),
    );
  });

  test('scale-up is what pushes the cut corner out', () => {
    const r = { w: 36, h: 15.06, x: 0, y: 0 };
    const up = scaleUp(r, 31.6);
    expect(Math.hypot(r.w, r.h) / (1 + up)).toBeCloseTo(31.6, 9);
    expect(scaleUp(r, 60)).toBe(0);
  });
});
