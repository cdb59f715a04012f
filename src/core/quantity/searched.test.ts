import fc from 'fast-check';
import { draws } from '../pupil/oracles';
import { searched, spread, type Range } from './spread';

/**
 * Two blocks, the middle of one of them loose along three axes, and the sizes of both: how near they
 * come. Along each axis the least gap is known in closed form, and the axes do not mind each other.
 */
interface Axis {
  /** Where the one stands from the other. */
  c: Range;
  /** Half sizes of the two together. */
  s: Range;
}

/** The distance of two boxes by their gaps along the axes; below 0 the depth of the overlap. */
function distance(gaps: readonly number[]): number {
  if (gaps.every((g) => g <= 0)) return Math.max(...gaps);
  return Math.hypot(...gaps.map((g) => Math.max(0, g)));
}

const of = (x: readonly number[]) =>
  distance([0, 1, 2].map((k) => Math.abs(x[2 * k]!) - x[2 * k + 1]!));

const leastOf = (axes: readonly Axis[]) =>
  distance(
    axes.map(
      ({ c, s }) => (c.lo <= 0 && c.hi >= 0 ? 0 : Math.min(Math.abs(c.lo), Math.abs(c.hi))) - s.hi,
    ),
  );
const mostOf = (axes: readonly Axis[]) =>
  distance(axes.map(({ c, s }) => Math.max(Math.abs(c.lo), Math.abs(c.hi)) - s.lo));

const range = (from: number, to: number, most: number): fc.Arbitrary<Range> =>
  fc
    .tuple(
      fc.double({ min: from, max: to, noNaN: true }),
      fc.double({ min: 0, max: most, noNaN: true }),
    )
    .map(([value, tol]) => ({ value, lo: value - tol, hi: value + tol }));
const axis: fc.Arbitrary<Axis> = fc.record({ c: range(-120, 120, 90), s: range(5, 40, 4) });
const blocks = fc.tuple(axis, axis, axis);
const inputsOf = (axes: readonly Axis[]) => axes.flatMap(({ c, s }) => [c, s]);

describe('how near two come of which one may lie on either side of the other', () => {
  test('what is said to be clear is clear in the closed form, and the other way round', () => {
    let settled = 0;
    fc.assert(
      fc.property(blocks, fc.constantFrom(0, 2, 5), (axes, wanted) => {
        const r = searched(inputsOf(axes), of, wanted);
        const least = leastOf(axes);
        // Never farther than they can come; where it settles the matter, as near as they do.
        expect(r.lo).toBeGreaterThanOrEqual(least - 1e-6);
        if (r.lo >= wanted) {
          settled++;
          expect(r.lo - least).toBeLessThan(0.01);
        }
        if (r.hi < 0) expect(mostOf(axes)).toBeLessThan(1e-6);
        expect(r.lo).toBeLessThanOrEqual(r.value);
        expect(r.hi).toBeGreaterThanOrEqual(r.value);
      }),
      { numRuns: 2000 },
    );
    expect(settled).toBeGreaterThan(200);
  });

  test('no draw comes nearer than what is said', () => {
    const rnd = draws(7);
    fc.assert(
      fc.property(blocks, (axes) => {
        const inputs = inputsOf(axes);
        const r = searched(inputs, of, 2);
        if (r.lo < 2) return;
        const nearest = Array.from({ length: 300 }, () =>
          of(inputs.map((i) => i.lo + rnd() * (i.hi - i.lo))),
        ).reduce((m, d) => Math.min(m, d));
        expect(nearest).toBeGreaterThanOrEqual(r.lo - 0.01);
      }),
      { numRuns: 300 },
    );
  });

  test('one that may lie to the left, to the right, or right in it is not clear', () => {
    const inputs: Range[] = [
      { value: 30, lo: -60, hi: 120 },
      { value: 10, lo: 9, hi: 11 },
      ...[0, 1].flatMap(() => [
        { value: 0, lo: 0, hi: 0 },
        { value: 10, lo: 10, hi: 10 },
      ]),
    ];
    // Moved to either end alone it stands clear.
    expect(spread(inputs, of).lo).toBeGreaterThan(2);
    expect(searched(inputs, of, 2).lo).toBeLessThan(0);
  });
});
