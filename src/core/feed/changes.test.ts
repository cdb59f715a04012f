import fc from 'fast-check';
import { changesAround, type Stretch } from './changes';

/** Quarters of an hour: on that grid every plan there is can be tried. */
const Q = 4;
const quarters = (from: number, to: number) => fc.integer({ min: from * Q, max: to * Q });
const stretch = fc
  .tuple(quarters(0, 9), fc.integer({ min: 1, max: 2 * Q }))
  .map(([from, long]): Stretch => ({ from: from / Q, to: (from + long) / Q }));

const within = (t: number, keep: readonly Stretch[]) => keep.some((s) => s.from < t && t < s.to);

/** The fewest changes there are on the grid, over all of them, step by step; null where there are none. */
function fewest(day: number, lasts: number, keep: readonly Stretch[]): number | null {
  const ends = day * Q;
  const step = lasts * Q;
  let reached = new Set([0]);
  for (let n = 0; n <= ends; n++) {
    if ([...reached].some((t) => t + step >= ends)) return n;
    const next = new Set<number>();
    for (const t of reached)
      for (let u = t + 1; u <= Math.min(ends - 1, t + step); u++)
        if (!within(u / Q, keep)) next.add(u);
    if (next.size === 0) return null;
    reached = next;
  }
  return null;
}

test('as few as any plan on the grid, at most a pack apart, none within what must not be missed', () => {
  let [none, some, inBreaks] = [0, 0, 0];
  fc.assert(
    fc.property(
      quarters(1, 10),
      fc.integer({ min: 1, max: 4 * Q }),
      fc.array(stretch, { maxLength: 5 }),
      fc.array(stretch, { maxLength: 4 }),
      (dayQ, lastsQ, keep, breaks) => {
        const [day, lasts] = [dayQ / Q, lastsQ / Q];
        // What is not to be missed after the day is over asks for nothing.
        const plan = changesAround(day, lasts, keep, breaks);
        const best = fewest(day, lasts, keep);
        expect(plan === null ? null : plan.length).toBe(best);
        if (!plan) return void none++;
        some++;
        const at = [0, ...plan, day];
        for (let i = 1; i < at.length; i++) {
          expect(at[i]! - at[i - 1]!).toBeLessThanOrEqual(lasts + 1e-9);
          expect(at[i]!).toBeGreaterThan(at[i - 1]! - 1e-9);
        }
        for (const t of plan) {
          expect(within(t, keep)).toBe(false);
          if (breaks.some((b) => b.from <= t && t <= b.to)) inBreaks++;
        }
      },
    ),
    { numRuns: 3000, seed: 17 },
  );
  expect(none).toBeGreaterThan(50);
  expect(some).toBeGreaterThan(1000);
  expect(inBreaks).toBeGreaterThan(200);
});

test('before a long take, and in the break that is in reach', () => {
  const take = { from: 2, to: 3.5 };
  expect(changesAround(8, 2.5, [], [])).toEqual([2.5, 5, 7.5]);
  expect(changesAround(8, 2.5, [take], [])).toEqual([2, 4.5, 7]);
  expect(changesAround(8, 2.5, [take], [{ from: 4, to: 5 }])).toEqual([2, 4, 6.5]);
  // An early break is no reason for a change more.
  expect(changesAround(5, 2.5, [], [{ from: 1, to: 1.5 }])).toEqual([2.5]);
  expect(changesAround(2, 2.5, [take], [])).toEqual([]);
});

test('a take longer than a pack has no plan; what lasts nothing has none either', () => {
  expect(changesAround(8, 1, [{ from: 2, to: 3.5 }], [])).toBeNull();
  for (const lasts of [0, -1, NaN]) expect(changesAround(8, lasts, [], [])).toBeNull();
  expect(changesAround(8, Infinity, [{ from: 2, to: 3.5 }], [])).toEqual([]);
});
