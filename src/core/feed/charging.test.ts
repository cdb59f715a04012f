import fc from 'fast-check';
import { charging, soonest, timed, type Filling } from './charging';

/** When the last one is full in the best of all plans, each of them looked at. */
function exhaustive(packs: readonly Filling[], bays: number): number {
  let best = Infinity;
  const into: number[] = [];
  const go = (i: number) => {
    if (i === packs.length) {
      const loads = new Array<number>(bays).fill(0);
      packs.forEach((p, k) => (loads[into[k]!]! += p[into[k]!]!));
      best = Math.min(best, Math.max(0, ...loads));
      return;
    }
    for (let b = 0; b < bays; b++) {
      if (packs[i]![b] === null) continue;
      into[i] = b;
      go(i + 1);
    }
  };
  go(0);
  return best;
}

const hours = fc.double({ min: 0.2, max: 9, noNaN: true });

/** Packs of a few sorts, bays of a few chargers; not every charger takes every sort. */
const nights = fc
  .record({
    bays: fc.integer({ min: 1, max: 4 }),
    sorts: fc.array(fc.array(fc.option(hours, { freq: 4 }), { minLength: 4, maxLength: 4 }), {
      minLength: 1,
      maxLength: 3,
    }),
    packs: fc.array(fc.integer({ min: 0, max: 2 }), { minLength: 1, maxLength: 6 }),
    twins: fc.boolean(),
  })
  .map(({ bays, sorts, packs, twins }) => ({
    bays,
    packs: packs.map((s): Filling => {
      const of = sorts[s % sorts.length]!;
      // Two bays of one charger fill alike.
      return Array.from({ length: bays }, (_, b) => of[twins ? b >> 1 : b]!);
    }),
  }));

describe('packs into bays', () => {
  test('the plan is done as early as the best of all plans, and no plan before the bound', () => {
    let checked = 0;
    fc.assert(
      fc.property(nights, ({ packs, bays }) => {
        const plan = charging(packs, bays);
        const best = exhaustive(packs, bays);
        if (plan === null) return expect(best).toBe(Infinity);
        checked++;
        expect(plan.proven).toBe(true);
        expect(plan.done).toBeCloseTo(best, 9);
        expect(soonest(packs, bays)).toBeLessThanOrEqual(best + 1e-9);
        return undefined;
      }),
      { numRuns: 600 },
    );
    expect(checked).toBeGreaterThan(200);
  });

  test('no bay has two packs at once, each is as long in it as it takes, and one follows the other', () => {
    fc.assert(
      fc.property(nights, ({ packs, bays }) => {
        const plan = charging(packs, bays);
        if (!plan) return;
        for (let b = 0; b < bays; b++) {
          const own = plan.at
            .flatMap((p, i) => (p.bay === b ? [{ ...p, i }] : []))
            .sort((x, y) => x.from - y.from);
          own.forEach((p, k) => {
            expect(p.to - p.from).toBeCloseTo(packs[p.i]![b]!, 9);
            expect(p.from).toBeCloseTo(k === 0 ? 0 : own[k - 1]!.to, 9);
          });
        }
        const again = timed(
          packs,
          plan.at.map((p) => p.bay),
          bays,
        );
        expect(again.done).toBeCloseTo(plan.done, 9);
      }),
      { numRuns: 200 },
    );
  });

  test('many alike: as many rounds as there have to be, at once', () => {
    for (const [n, bays] of [
      [60, 4],
      [59, 4],
      [40, 7],
      [3, 9],
    ] as const) {
      const plan = charging(
        Array.from({ length: n }, () => new Array<number>(bays).fill(2.5)),
        bays,
      )!;
      expect(plan.done).toBeCloseTo(2.5 * Math.ceil(n / bays), 9);
      expect(plan.proven).toBe(true);
    }
  });

  test('longest first misses what a search finds: 5, 5, 4, 4, 3, 3, 3 on three bays', () => {
    // R. L. Graham, 1969: 2m + 1 jobs, (4m - 1)/3m as long by the rule; here 11 in place of 9.
    const packs = [5, 5, 4, 4, 3, 3, 3].map((h): Filling => [h, h, h]);
    expect(charging(packs, 3)!.done).toBe(9);
  });

  test('a pack that goes nowhere has no plan; nothing to fill is done at once', () => {
    expect(
      charging(
        [
          [1, 1],
          [null, null],
        ],
        2,
      ),
    ).toBeNull();
    expect(charging([], 2)).toMatchObject({ done: 0, at: [] });
    expect(charging([[]], 0)).toBeNull();
  });
});
