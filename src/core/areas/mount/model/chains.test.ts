import fc from 'fast-check';
import { isReducer, type Link } from '../../../kit/types';
import { demo, exactly, testAdapter, testReducer } from '../../../test-kit';
import {
  CLOSES_WITHIN,
  compareChains,
  findChains,
  judgeChains,
  linkError,
  linksOf,
  specification,
} from './chains';
import { mountIndex, mountName, STANDARD_MOUNTS } from '../kit/standards';

const mounts = mountIndex({});

/** Every ordered choice of up to `most` pieces, kept when it mates and closes: no search at all. */
function enumerate(links: readonly Link[], body: string, lens: string, most: number): string[] {
  const found: string[] = [];
  const extend = (path: Link[]) => {
    const faces = [body, ...path.flatMap((l) => [l.bodyMount!, l.lensMount!]), lens];
    let mates = true;
    for (let i = 0; i < faces.length; i += 2) mates &&= faces[i] === faces[i + 1];
    const glass = path.filter((l) => isReducer(l)).length;
    let error: number | null = 0;
    for (const l of path) {
      const e = linkError(l, mounts);
      error = error === null || e === null ? null : error + e;
    }
    if (mates && glass <= 1 && (error === null || Math.abs(error) <= CLOSES_WITHIN))
      found.push(path.map((l) => l.id).join('>'));
    if (path.length < most) for (const l of links) if (!path.includes(l)) extend([...path, l]);
  };
  extend([]);
  return found.sort();
}

describe('adapter search', () => {
  const ids = ['pl', 'm42', 'slr-44.00-54', 'ml-20.00-51.6', 'ml-18.00-46', 'four-thirds'];
  const link = fc.record({
    lensMount: fc.constantFrom(...ids),
    bodyMount: fc.constantFrom(...ids),
    off: fc.constantFrom(0, 0, 0, 0.02, -0.05, 0.2, 0.9),
    known: fc.boolean(),
    reducer: fc.boolean(),
    count: fc.constantFrom(undefined, 1, 0),
  });

  test('equals exhaustive enumeration on random kits', () => {
    fc.assert(
      fc.property(
        fc.array(link, { maxLength: 7 }),
        fc.constantFrom(...ids),
        fc.constantFrom(...ids),
        fc.integer({ min: 1, max: 4 }),
        (made, body, lens, most) => {
          const kit: Link[] = made.map((m, i) => {
            const length =
              mounts.get(m.lensMount)!.flange!.value -
              mounts.get(m.bodyMount)!.flange!.value +
              m.off;
            const base = {
              id: `l${i}`,
              name: `l${i}`,
              lensMount: m.lensMount,
              bodyMount: m.bodyMount,
              count: m.count,
            };
            return m.reducer
              ? testReducer({ ...base, backFocus: exactly(m.off) })
              : testAdapter({ ...base, length: m.known ? exactly(length) : undefined });
          });
          const found = findChains({
            bodyMount: body,
            lensMount: lens,
            links: kit,
            mounts,
            maxPieces: most,
          });
          expect(found.map((c) => c.links.map((l) => l.id).join('>')).sort()).toEqual(
            enumerate(kit, body, lens, most),
          );
          // Fewest joints first, and the whole order is that of compareChains.
          for (let i = 1; i < found.length; i++)
            expect(compareChains(found[i - 1]!, found[i]!)).toBeLessThanOrEqual(0);
        },
      ),
      { numRuns: 400 },
    );
  });

  test('stops once there are enough answers at the fewest joints', () => {
    const kit = Array.from({ length: 30 }, (_, i) => testAdapter({ id: `a${i}`, name: `a${i}` }));
    const found = findChains({
      bodyMount: 'ml-20.00-51.6',
      lensMount: 'slr-44.00-54',
      links: kit,
      mounts,
      enough: 5,
    });
    expect(found.length).toBe(30);
    expect(found.every((c) => c.joints === 2)).toBe(true);
  });

  test('a native mount is the empty chain', () => {
    const [first] = findChains({ bodyMount: 'pl', lensMount: 'pl', links: [], mounts });
    expect(first).toMatchObject({ links: [], joints: 1, error: 0 });
  });

  test('on hand before to hire, plain before glass', () => {
    const kit = [
      testAdapter({ id: 'hire', name: 'hire', count: 0 }),
      testReducer({ id: 'glass', name: 'glass' }),
      testAdapter({ id: 'own', name: 'own' }),
    ];
    const found = findChains({
      bodyMount: 'ml-20.00-51.6',
      lensMount: 'slr-44.00-54',
      links: kit,
      mounts,
    });
    expect(found.map((c) => c.links[0]!.id)).toEqual(['own', 'glass', 'hire']);
  });

  test('demo: screw lens to SLR bayonet to mirrorless', () => {
    const job = demo();
    const [best] = findChains({
      bodyMount: 'ml-20.00-51.6',
      lensMount: 'm42',
      links: linksOf(job.kit),
      mounts,
    });
    expect(best!.links.map((l) => l.id)).toEqual(['ferrule-44-20', 'wafer-m42-44']);
    expect(best!.joints).toBe(3);
    // 45.46 - 20.00 = 25.46 = 24.00 + 1.46: the lengths add up to the flange difference.
    expect(best!.error).toBeCloseTo(0, 9);
  });

  test('demo: positive lock to mirrorless, the owned one before the one to hire', () => {
    const job = demo();
    const found = findChains({
      bodyMount: 'ml-20.00-51.6',
      lensMount: 'pl',
      links: linksOf(job.kit),
      mounts,
      closes: 0.8,
    });
    expect(found[0]!.links.map((l) => l.id)).toEqual(['ferrule-pl-20']);
    expect(found.some((c) => c.links[0]!.id === 'sluice-pl-20')).toBe(true);
  });
});

describe('a chain that cannot exist says why', () => {
  const judge = (bodyMount: string, lensMount: string, links: Link[] = []) =>
    judgeChains({ bodyMount, lensMount, links, mounts });

  test('negative length: a C-mount lens on a mirrorless body', () => {
    const v = judge('ml-20.00-51.6', 'c');
    expect(v.kind).toBe('never');
    expect(v.kind === 'never' && v.gap).toBeCloseTo(17.526 - 20, 9);
  });

  test('less than a millimetre leaves no room for metal', () => {
    expect(judge('ml-20.00-51.6', 'ml-20.00-54').kind).toBe('never');
  });

  test('no such adapter: the specification of the missing part', () => {
    const v = judge('ml-18.00-46', 'pl');
    expect(v.kind).toBe('missing');
    if (v.kind !== 'missing') return;
    expect(v.parts[0]).toMatchObject({ bodyMount: 'ml-18.00-46', lensMount: 'pl' });
    expect(v.parts[0]!.length).toBeCloseTo(34, 9);
    expect(specification(v.parts[0]!, mounts)).toBe(
      'adapter, lens side PL (positive lock), body side mirrorless 18.00 / 46, length 34.00 mm, clear bore up to 46.0 mm',
    );
  });

  test('names the part that would join a piece that is there', () => {
    const wafer = testAdapter({
      id: 'w',
      name: 'Wafer',
      lensMount: 'm42',
      bodyMount: 'slr-44.00-54',
      length: exactly(1.46),
    });
    const v = judge('ml-18.00-46', 'm42', [wafer]);
    expect(v.kind === 'missing' && v.parts.map((p) => specification(p, mounts))).toEqual(
      expect.arrayContaining([
        expect.stringMatching(/lens side SLR bayonet 44\.00 \/ 54.*26\.00 mm.*Wafer/),
      ]),
    );
  });

  test('a mount without a flange distance is unknown, not impossible', () => {
    const own = mountIndex({ mounts: [{ id: 'own', name: 'Own' }] });
    const v = judgeChains({ bodyMount: 'own', lensMount: 'pl', links: [], mounts: own });
    expect(v).toEqual({ kind: 'unknown', mounts: ['own'] });
  });
});

describe('mounts', () => {
  // C mount ISO 10935; the rest as the registry says of itself.
  test.each([
    ['pl', 52, 54],
    ['c', 17.526, 25.4],
    ['cs', 12.526, 25.4],
    ['b4', 48, null],
    ['m42', 45.46, 42],
    ['m39', 28.8, 39],
    ['t2', 55, 42],
    ['four-thirds', 19.25, null],
    ['slr-44.00-54', 44, 54],
    ['slr-46.50-44', 46.5, 44],
    ['breech-42.00-48', 42, 48],
    ['ml-16.00-55', 16, 55],
    ['ml-17.70-44', 17.7, 44],
    ['ml-18.00-46', 18, 46],
    ['ml-20.00-51.6', 20, 51.6],
    ['ml-20.00-54', 20, 54],
    ['cine-19.00', 19, null],
    ['rf-27.80', 27.8, null],
  ])('%s', (id, flange, throat) => {
    const m = mounts.get(id)!;
    expect(m.flange!.value).toBe(flange);
    expect(m.throat?.value ?? null).toBe(throat);
    expect(m.note.length).toBeGreaterThan(3);
  });

  test('a job can override a mount and give it the name its crew uses', () => {
    const index = mountIndex({
      mounts: [{ id: 'pl', name: 'PL', flange: { value: 52.01, tol: 0.005, from: 'measured' } }],
      aliases: { pl: 'the big one' },
    });
    expect(index.get('pl')).toMatchObject({ own: true, name: 'the big one' });
    expect(index.get('pl')!.flange!.value).toBe(52.01);
    expect(mountName(index, 'nowhere')).toBe('nowhere');
    expect(mountName(index, undefined)).toBe('unknown mount');
    expect(index.size).toBe(STANDARD_MOUNTS.length);
  });

  test('names of the language are no mounts', () => {
    expect(mountIndex({ aliases: {} }).get('constructor')).toBeUndefined();
  });
});
