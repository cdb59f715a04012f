import fc from 'fast-check';
import { cornersOf, cuts, lengthOf, overCorners, wayRound, within } from './around';
import type { Bounds, Vec } from './solid';

/** Ways of a lead round blocks, against search of all ways, sampling and a closed form. */

const coordinate = fc.integer({ min: -60, max: 60 });
const middle = fc.integer({ min: -25, max: 25 });
const half = fc.integer({ min: 6, max: 34 });
const anyBlock = fc
  .tuple(middle, middle, middle, half, half, half)
  .map(([x, y, z, w, h, d]): Bounds => [x - w, y - h, z - d, x + w, y + h, z + d]);
const anyPoint = fc.tuple(coordinate, coordinate, coordinate).map((p): Vec => p);
const far = (a: Vec, b: Vec) => Math.hypot(...a.map((v, k) => v - b[k]!));

/** Whether points all along a line are outside of a block: no slabs. */
function sampled(a: Vec, b: Vec, e: Bounds): boolean {
  const n = Math.ceil(far(a, b) / 0.25) + 1;
  for (let i = 0; i <= n; i++) {
    const p = a.map((v, k) => v + (i / n) * (b[k]! - v)) as unknown as Vec;
    if ([0, 1, 2].every((k) => p[k]! > e[k]! + 1e-4 && p[k]! < e[k + 3]! - 1e-4)) return false;
  }
  return true;
}

test('a line that cuts a block has points inside of it, and the other way round', () => {
  let cut = 0;
  fc.assert(
    fc.property(anyPoint, anyPoint, anyBlock, (a, b, e) => {
      const clear = sampled(a, b, e);
      // What only grazes a corner between two samples may go either way.
      if (!clear) expect(cuts(a, b, e)).toBe(true);
      const inner: Bounds = [e[0] + 1, e[1] + 1, e[2] + 1, e[3] - 1, e[4] - 1, e[5] - 1];
      if (clear && e[3] - e[0] > 2) expect(cuts(a, b, inner)).toBe(false);
      if (!clear) cut++;
    }),
    { numRuns: 2000 },
  );
  expect(cut).toBeGreaterThan(100);
});

/** Every way over corners, tried one after the other: no order of search, no table of the best so far. */
function exhaustive(a: Vec, b: Vec, blocks: readonly Bounds[]): number {
  const corners = blocks.flatMap(cornersOf).filter((p) => !blocks.some((e) => within(p, e)));
  let best = Infinity;
  const clear = (p: Vec, q: Vec) => !blocks.some((e) => cuts(p, q, e));
  const go = (at: Vec, used: ReadonlySet<number>, length: number) => {
    if (length + far(at, b) >= best) return;
    if (clear(at, b)) best = length + far(at, b);
    corners.forEach((c, i) => {
      if (!used.has(i) && clear(at, c)) go(c, new Set([...used, i]), length + far(at, c));
    });
  };
  go(a, new Set(), 0);
  return best;
}

test('the shortest over corners of up to two blocks, against every way there is', () => {
  let [bent, worst] = [0, 0];
  fc.assert(
    fc.property(
      anyPoint,
      anyPoint,
      fc.array(anyBlock, { minLength: 1, maxLength: 2 }),
      (a, b, blocks) => {
        const way = overCorners(a, b, blocks);
        if (blocks.some((e) => within(a, e) || within(b, e))) return void expect(way).toBeNull();
        const best = exhaustive(a, b, blocks);
        if (!way) return void expect(best).toBe(Infinity);
        // Over the corners of what it goes round there is none shorter, and it is clear of the rest.
        const round = blocks.filter((_, i) => way.round.includes(i));
        expect(way.length).toBeCloseTo(exhaustive(a, b, round), 6);
        // Drawn tight it is hardly longer than the shortest over all corners.
        worst = Math.max(worst, wayRound(a, b, blocks)!.length / best);
        if (way && way.points.length > 2) bent++;
      },
    ),
    { numRuns: 400 },
  );
  expect(bent).toBeGreaterThan(60);
  expect(worst).toBeLessThan(1.1);
});

test('many blocks: the way is clear of all, sampled, no longer than over corners, no shorter than straight', () => {
  let [bent, tighter] = [0, 0];
  fc.assert(
    fc.property(
      anyPoint,
      anyPoint,
      fc.array(anyBlock, { minLength: 3, maxLength: 12 }),
      (a, b, blocks) => {
        const way = wayRound(a, b, blocks);
        if (!way) return;
        const over = overCorners(a, b, blocks)!;
        expect(way.points[0]).toEqual(a);
        expect(way.points.at(-1)).toEqual(b);
        expect(way.length).toBeCloseTo(lengthOf(way.points), 9);
        expect(way.length).toBeLessThanOrEqual(over.length + 1e-9);
        expect(way.length).toBeGreaterThanOrEqual(far(a, b) - 1e-9);
        for (let i = 1; i < way.points.length; i++)
          for (const e of blocks) expect(sampled(way.points[i - 1]!, way.points[i]!, e)).toBe(true);
        if (way.points.length > 2) bent++;
        if (way.length < over.length - 0.1) tighter++;
      },
    ),
    { numRuns: 400 },
  );
  expect(bent).toBeGreaterThan(60);
  expect(tighter).toBeGreaterThan(20);
});

test('over one edge and along the top of a cube: closed form', () => {
  const cube: Bounds = [-50, -50, -50, 50, 50, 50];
  const way = wayRound([0, 0, -100], [0, 0, 100], [cube])!;
  // Down the middle: 50 out and 50 up, 100 along, and the same back.
  expect(way.length).toBeCloseTo(2 * Math.hypot(50, 50) + 100, 1);
  expect(wayRound([0, 0, -100], [0, 90, 100], [cube])!.length).toBeLessThan(way.length);
  expect(wayRound([0, 0, 0], [0, 90, 100], [cube])).toBeNull();
  // Shut in on all sides.
  const walls: Bounds[] = [
    [-20, -20, -20, 20, 20, -10],
    [-20, -20, 10, 20, 20, 20],
    [-20, -20, -20, -10, 20, 20],
    [10, -20, -20, 20, 20, 20],
    [-20, -20, -20, 20, -10, 20],
    [-20, 10, -20, 20, 20, 20],
  ];
  expect(wayRound([0, 0, 0], [0, 90, 100], walls)).toBeNull();
});

/** The shortest way over thirteen points of every edge: nearly that of all there are. */
function dense(a: Vec, b: Vec, blocks: readonly Bounds[]): number {
  const edges = blocks.flatMap((e) => {
    const corners = cornersOf(e);
    return corners.flatMap((p, i) =>
      corners.flatMap((q, j) =>
        j > i && p.filter((v, k) => v !== q[k]!).length === 1 ? [[p, q]] : [],
      ),
    );
  });
  const points = edges
    .flatMap(([p, q]) =>
      Array.from(
        { length: 13 },
        (_, n) => p!.map((v, k) => v + (n / 12) * (q![k]! - v)) as unknown as Vec,
      ),
    )
    .filter((p) => !blocks.some((e) => within(p, e)));
  const all = [a, b, ...points];
  const at = all.map((_, i) => (i === 0 ? 0 : Infinity));
  const done = new Set<number>();
  for (;;) {
    let i = -1;
    at.forEach((d, j) => {
      if (!done.has(j) && d < Infinity && (i < 0 || d < at[i]!)) i = j;
    });
    if (i < 0 || i === 1) return at[1]!;
    done.add(i);
    all.forEach((p, j) => {
      const d = at[i]! + far(all[i]!, p);
      if (d < at[j]! && !blocks.some((e) => cuts(all[i]!, p, e))) at[j] = d;
    });
  }
}

test('drawn tight it is hardly longer than the shortest over all points of all edges', () => {
  const ratios: number[] = [];
  fc.assert(
    fc.property(
      anyPoint,
      anyPoint,
      fc.array(anyBlock, { minLength: 1, maxLength: 2 }),
      (a, b, blocks) => {
        const way = wayRound(a, b, blocks);
        if (way && way.points.length > 3) ratios.push(way.length / dense(a, b, blocks));
      },
    ),
    { numRuns: 1500 },
  );
  ratios.sort((x, y) => x - y);
  expect(ratios.length).toBeGreaterThan(20);
  expect(ratios.at(-1)!).toBeLessThan(1.06);
});
