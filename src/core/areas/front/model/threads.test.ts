import { draws } from '../../../pupil/oracles';
import type { Part, ReductionRing, Ring } from '../../../kit/types';
import { clipSpecification, clipWays } from './clip';
import { ringChains, ringSpecification, sameThread, type ThreadGoal } from './threads';
import { tray, trayFit } from '../kit/trays';

const SIZES = [49, 52, 55, 58, 62, 67, 72, 77, 82, 86, 95];
const ring = (id: number, male: number, female: number | null, clamp: number | null, count = 1) =>
  ({
    id: `r${id}`,
    kind: 'ring',
    name: `ring ${id}`,
    male,
    ...(female === null ? {} : { female }),
    ...(clamp === null ? {} : { clamp }),
    thickness: 3 + (id % 3),
    count,
  }) satisfies Ring;

/** Every ordered choice of up to `most` rings, checked joint by joint: no search, no pruning. */
function exhaustive(
  from: number,
  goal: ThreadGoal,
  rings: readonly Ring[],
  most: number,
): string[] {
  const found: string[] = [];
  const all: Ring[][] = [[]];
  for (let n = 0; n < most; n++)
    for (const chain of all.filter((c) => c.length === n))
      for (const r of rings) all.push([...chain, r]);
  for (const chain of all) {
    const used = new Map<Ring, number>();
    for (const r of chain) used.set(r, (used.get(r) ?? 0) + 1);
    if ([...used].some(([r, k]) => k > Math.max(1, r.count!))) continue;
    let thread: number | null = from;
    let fits = true;
    chain.forEach((r, i) => {
      fits &&= thread !== null && Math.abs(thread - (r.male as number)) <= 0.05;
      thread = (r.female as number | undefined) ?? null;
      // A chain that is there already is not made longer.
      const there =
        'female' in goal
          ? thread === goal.female
          : r.clamp !== undefined &&
            goal.clamp >= (r.clamp as number) &&
            goal.clamp - (r.clamp as number) <= goal.slack;
      if (i < chain.length - 1 && there) fits = false;
    });
    const last = chain[chain.length - 1];
    const ends =
      'female' in goal
        ? (last ? last.female : from) === goal.female
        : last?.clamp !== undefined &&
          goal.clamp >= (last.clamp as number) &&
          goal.clamp - (last.clamp as number) <= goal.slack;
    if (fits && ends) found.push(chain.map((r) => r.id).join('>'));
  }
  return found.sort();
}

describe('chains of thread rings', () => {
  test('the same as every ordered choice, on 300 random sets of rings', () => {
    const random = draws(3);
    const pick = <T>(list: readonly T[]) => list[Math.floor(random() * list.length)]!;
    let found = 0;
    for (let i = 0; i < 300; i++) {
      const rings = Array.from({ length: 2 + Math.floor(random() * 6) }, (_, k) => {
        const clamps = random() < 0.25;
        return ring(
          k,
          pick(SIZES.slice(4, 8)),
          clamps ? null : pick(SIZES.slice(4, 8)),
          clamps ? pick([79.8, 94.8, 109.7]) : null,
          Math.floor(random() * 3),
        );
      });
      const from = pick(SIZES.slice(4, 8));
      const goal: ThreadGoal =
        random() < 0.6
          ? { female: pick(SIZES.slice(4, 8)) }
          : { clamp: pick([80, 95, 110]), slack: 0.5 };
      const chains = ringChains(from, goal, rings);
      expect(chains.map((c) => c.rings.map((r) => r.id).join('>')).sort()).toEqual(
        exhaustive(from, goal, rings, 3),
      );
      found += chains.length;
      // Shortest first; none proposed that is not in the kit.
      for (let k = 1; k < chains.length; k++)
        expect(chains[k]!.rings.length).toBeGreaterThanOrEqual(chains[k - 1]!.rings.length);
      for (const c of chains) {
        for (const r of c.rings) expect(rings).toContain(r);
        expect(c.toHire).toBe(c.rings.filter((r) => r.count! < 1).length);
        let t = from;
        const down = c.rings.some((r) => {
          const next = (r.female ?? r.clamp) as number;
          const smaller = next < t;
          t = next;
          return smaller;
        });
        expect(c.stepsDown).toBe(down);
      }
    }
    expect(found).toBeGreaterThan(100);
  });

  test('step-up before step-down of the same length, on hand before to be hired', () => {
    const chains = ringChains(72, { female: 77 }, [
      ring(1, 72, 67, null),
      ring(2, 67, 77, null),
      ring(3, 72, 82, null),
      ring(4, 82, 77, null),
      ring(5, 72, 77, null, 0),
      ring(6, 72, 77, null, 1),
    ]);
    expect(chains.map((c) => c.rings.map((r) => r.id).join('>'))).toEqual([
      'r6',
      'r5',
      // Both get smaller on the way; this one never gets smaller than the lens.
      'r3>r4',
      'r1>r2',
    ]);
    expect(chains.map((c) => c.stepsDown)).toEqual([false, false, true, true]);
    expect(chains.map((c) => c.narrowest)).toEqual([72, 72, 72, 67]);
  });

  test('a specification when the kit has none', () => {
    expect(ringSpecification(72, { female: 77 })).toBe('step-up ring 72 to 77');
    expect(ringSpecification(82, { female: 77 })).toBe('step-down ring 82 to 77');
    expect(ringSpecification(82, { clamp: 95, slack: 0.5 })).toContain('82 thread to 95 mm');
    expect(sameThread(77, 77.04)).toBe(true);
    expect(sameThread(null, 77)).toBe(false);
  });
});

describe('ways to hold a clip-on', () => {
  test('the same as trying every ring with every reduction ring, on 200 random kits', () => {
    const random = draws(9);
    const pick = <T>(list: readonly T[]) => list[Math.floor(random() * list.length)]!;
    let found = 0;
    for (let i = 0; i < 200; i++) {
      const rings = Array.from({ length: 4 }, (_, k) =>
        random() < 0.6
          ? ring(k, pick([77, 82]), null, pick([79.8, 94.7, 109.8, 113.9]))
          : ring(k, pick([77, 82]), pick([77, 82]), null),
      );
      const reductions = Array.from({ length: 3 }, (_, k): ReductionRing => ({
        id: `d${k}`,
        kind: 'reduction-ring',
        name: `reduction ${k}`,
        outer: pick([114, 113.8, 110]),
        bore: pick([80, 95.1, 110.1]),
        count: pick([0, 1]),
      }));
      const front = pick([null, 80, 86, 95, 114]);
      const thread = pick([null, 77, 82]);
      const ways = clipWays(114, front, thread, [...rings, ...reductions] as Part[], 0.5);
      const closes = (o: number, n: number) => o - n >= 0 && o - n <= 0.5;
      const want: string[] = [];
      for (const red of [null, ...reductions]) {
        if (red && !closes(114, red.outer as number)) continue;
        const bore = red ? (red.bore as number) : 114;
        if (front !== null && closes(bore, front)) want.push(`${red?.id ?? '-'}:`);
        if (thread === null) continue;
        for (const id of exhaustive(thread, { clamp: bore, slack: 0.5 }, rings, 3))
          want.push(`${red?.id ?? '-'}:${id}`);
      }
      const got = ways.map(
        (w) => `${w.reduction?.id ?? '-'}:${w.rings.map((r) => r.id).join('>')}`,
      );
      expect(got.sort()).toEqual(want.sort());
      found += ways.length;
    }
    expect(found).toBeGreaterThan(60);
  });

  test('what to look for', () => {
    expect(clipSpecification(114, 88, 82)).toEqual([
      'reduction ring 114 to 88 mm',
      'clamp ring from a 82 thread to 114 mm outside',
    ]);
  });
});

describe('trays', () => {
  // Sizes: common practice, no source.
  const glass = (
    w: number | null,
    h: number | null,
    shape: 'rectangle' | 'round' = 'rectangle',
  ) => ({
    shape,
    w,
    h,
  });
  test('4 x 4 in its own tray, with an insert in 4 x 5.65, not in a round one', () => {
    expect(trayFit(tray('4x4'), glass(101.6, 101.6))).toBe('fits');
    expect(trayFit(tray('4x5.65'), glass(101.6, 101.6))).toBe('insert');
    expect(trayFit(tray('4x5.65'), glass(101.6, 143.5))).toBe('fits');
    expect(trayFit(tray('4x5.65'), glass(100, 100))).toBe('no');
    expect(trayFit(tray('4.5r'), glass(101.6, 101.6))).toBe('no');
    expect(trayFit(tray('138r'), glass(138, 138, 'round'))).toBe('fits');
    expect(trayFit(tray('4x4'), glass(143.5, 101.6))).toBe('no');
  });
  test('a size or a tray that nobody gave is unknown', () => {
    expect(trayFit(tray('4x4'), glass(null, 101.6))).toBe('unknown');
    expect(trayFit(null, glass(101.6, 101.6))).toBe('unknown');
  });
});
