import fc from 'fast-check';
import { build, shared } from '../../build/build';
import { withChanges } from '../../edit/edit';
import { anyRig, demoRigs, type Subject } from '../../properties/rigs';
import { distance } from '../../solids/distance';
import { turnedBox, UPRIGHT, type Vec } from '../../solids/solid';
import { standOf } from '../../stand/stand';
import { baysOn, coilOf, COILED, overOf, sayBay } from './model/bays';
import { laidOn, linesOn } from './model/lines';
import { sayLine } from './model/say-line';

/** What is left over of a lead: how large it is wound up, and where it has room. */

/**
 * How many times as wide as one circle the smallest is that holds so many, from two on. R. L. Graham,
 * B. D. Lubachevsky, K. J. Nurmela and P. R. J. Ostergard, Dense packings of congruent circles in a
 * circle, Discrete Mathematics 181 (1998); to four places from memory.
 */
const PACKED = [2, 2.1547, 2.4142, 2.7013, 3, 3, 3.3048, 3.6131, 3.813];

test('a bundle of turns is never thinner than as many circles can be packed', () => {
  const turn = Math.PI * 9 * 4;
  PACKED.forEach((wide, i) => {
    const coil = coilOf((i + 2) * turn - 1, 4);
    expect(coil.thick).toBeGreaterThanOrEqual(4 * wide - 1e-3);
    // And not half as thick again.
    expect(coil.thick).toBeLessThan(4 * wide * 1.5);
  });
  expect(coilOf(turn - 1, 4).thick).toBe(4);
});

test('by hand: 600 mm of a lead 5 mm thick, inside radius four times that', () => {
  const coil = coilOf(600, 5);
  // Mean diameter 45, so 141.4 mm a turn: five turns; sqrt(5 / 0.5) x 5 = 15.81.
  expect(coil.thick).toBeCloseTo(15.811, 3);
  expect(coil.across).toBeCloseTo(60.811, 3);
  expect(coil.volume).toBeCloseTo((60.811 * 60.811 * 15.811) / 1000, 1);
  expect(coil.across / 2 - coil.thick).toBeGreaterThan(0);
});

test('a ring has room for the lead in it, and grows with it', () => {
  fc.assert(
    fc.property(
      fc.double({ min: 1, max: 5000, noNaN: true }),
      fc.double({ min: 2, max: 12, noNaN: true }),
      (over, width) => {
        const { across, thick } = coilOf(over, width);
        const torus = (Math.PI ** 2 / 4) * (across - thick) * thick * thick;
        expect(torus).toBeGreaterThanOrEqual((Math.PI / 4) * width * width * over * 0.999);
        expect(coilOf(over * 1.5, width).volume).toBeGreaterThanOrEqual(coilOf(over, width).volume);
      },
    ),
  );
});

/** Nothing of the rig is in a coil, but what it lies on; no two coils are in each other. */
function free({ job, rig }: Subject): number {
  const built = build(job, rig, shared(job));
  const stand = standOf(built);
  const boxes = [...baysOn(built).values()].flatMap((b) => (b.box ? [b] : []));
  for (const { box, name } of boxes) {
    const on = stand.pieces.filter((p) => name!.startsWith(`${p.name}, `)).map((p) => p.key);
    const cages = stand.pieces.filter((p) => p.kind === 'cage').map((p) => p.key);
    for (let i = 0; i < 60; i++) {
      // Points of a lattice that has no period in any of the three.
      const p = [0.7549, 0.5698, 0.4302].map(
        (a, k) => box![k as 0] + ((i * a) % 1) * (box![(k + 3) as 3] - box![k as 0]),
      ) as unknown as Vec;
      const at = turnedBox(p, [0, 0, 0], UPRIGHT);
      for (const s of stand.solids)
        if (!on.includes(s.piece) && !cages.includes(s.piece))
          expect([s.piece, s.role, name, distance(at, s.solid) > 0]).toEqual([
            s.piece,
            s.role,
            name,
            true,
          ]);
    }
  }
  for (const [i, a] of boxes.entries())
    for (const b of boxes.slice(i + 1))
      expect(
        [0, 1, 2].some(
          (k) =>
            a.box![k as 0] >= b.box![(k + 3) as 3] - 1e-9 ||
            b.box![k as 0] >= a.box![(k + 3) as 3] - 1e-9,
        ),
      ).toBe(true);
  return boxes.length;
}

test.each(demoRigs)('where a coil is put nothing else is: %s', (_name, of) => {
  free(of);
});

test('some of the demo have one, and so do random rigs', () => {
  expect(demoRigs.reduce((sum, [, of]) => sum + free(of), 0)).toBeGreaterThan(2);
  fc.assert(
    fc.property(anyRig, (of) => void free(of)),
    { numRuns: 25 },
  );
});

test('it says how much, how large, and where; a lead that is used up says nothing of it', () => {
  const [, { job, rig }] = demoRigs[0]!;
  const built = build(job, rig, shared(job));
  const [key, bay] = [...baysOn(built)][0]!;
  const line = linesOn(built).find((l) => l.key === key)!;
  expect(bay.coil.over).toBeGreaterThan(COILED);
  expect(sayLine(built, line)).toContain(sayBay(bay));
  expect(sayBay(bay)).toMatch(
    /^about \d+ mm left over: a ring \d+ mm across and \d+ mm thick \(\d+ cm3\), which has room on .+, .+$/,
  );
  expect(sayBay({ ...bay, name: null })).toMatch(/for which no face of the rig has room$/);
  const way = laidOn(built)
    .find((l) => l.line === line)!
    .run!.laid()!.length;
  expect(overOf(line.lead!, way)).toBeCloseTo(bay.coil.over, 9);
  const short = withChanges(job, [
    { path: ['kit', line.lead!.id, 'length'], value: Math.ceil(way + 60) } as never,
  ]);
  const now = build(
    short,
    short.rigs.find((r) => r.id === rig.id)!,
    shared(short),
  );
  expect([...baysOn(now).keys()]).not.toContain(key);
  const coiled = withChanges(job, [{ path: ['kit', line.lead!.id, 'coiled'], value: true }]);
  const pulled = build(
    coiled,
    coiled.rigs.find((r) => r.id === rig.id)!,
    shared(coiled),
  );
  expect([...baysOn(pulled).keys()]).not.toContain(key);
});
