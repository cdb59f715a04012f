import { build } from '../../../build/build';
import { reader } from '../../../build/lin';
import { standOf, type Stand } from '../../../stand/stand';
import type { StandSolid } from '../../../place/setting';
import { bounds } from '../../../solids/solid';
import { moved } from '../../../solids/move';
import { distance } from '../../../solids/distance';
import { draws } from '../../../pupil/oracles';
import { demo } from '../../../test-kit';
import { apart } from '../../../solids/solid';
import { distanceFrom, edgeFrom, inputsOf, nearIn, nearTo, pairsTested } from './clearance';
import { assemblyOf, slideClear } from './slide';

const job = demo();
const stands = job.rigs.map((r) => [r.name, standOf(build(job, r))] as const);
const AIR = 5;

/** Numbers anywhere inside their tolerances; half of the draws at the ends. */
function drawn(inputs: StandSolid['inputs'], rnd: () => number, ends: boolean): number[] {
  return inputs.map((g) => {
    const k = g.known!;
    const t = rnd();
    return ends ? (t < 0.5 ? k.lo : k.hi) : k.lo + (k.hi - k.lo) * t;
  });
}

const solidsOf = (stand: Stand) => stand.solids.filter((s) => s.known && s.role !== 'sweep');

describe.each(stands)('pairs that come near on %s', (_name, stand) => {
  const solids = solidsOf(stand);
  const found = nearIn(stand, 'test', solids, { air: () => AIR, most: AIR });

  test('every pair that is too near by the numbers is among them, with its worst distance', () => {
    // All pairs, one by one, nothing culled.
    const worst = new Map<string, number>();
    for (let i = 0; i < solids.length; i++)
      for (let j = i + 1; j < solids.length; j++) {
        const [a, b] = [solids[i]!, solids[j]!];
        if (stand.contacts.between(a.named, b.named) !== 'apart') continue;
        const d = distance(a.solid, b.solid);
        const key = [a.piece, b.piece].sort().join('|');
        if (d < AIR) worst.set(key, Math.min(worst.get(key) ?? Infinity, d));
      }
    const listed = new Map(found.near.map((n) => [[n.a.piece, n.b.piece].sort().join('|'), n.d]));
    for (const [key, d] of worst) expect(listed.get(key)).toBeCloseTo(d, 9);
    expect(pairsTested(stand)).toBeGreaterThanOrEqual(found.near.length);
  });

  test('no draw inside the tolerances brings a pair that is left out too near', () => {
    const rnd = draws(7);
    const listed = new Set(found.near.map((n) => [n.a.piece, n.b.piece].sort().join('|')));
    let drawnPairs = 0;
    for (let i = 0; i < solids.length; i++)
      for (let j = i + 1; j < solids.length; j++) {
        const [a, b] = [solids[i]!, solids[j]!];
        if (stand.contacts.between(a.named, b.named) !== 'apart') continue;
        if (listed.has([a.piece, b.piece].sort().join('|'))) continue;
        if (apart(a.extent, b.extent) > 30) continue;
        const inputs = inputsOf(a, b);
        const from = reader(inputs);
        drawnPairs++;
        for (let k = 0; k < 12; k++) {
          const read = from(drawn(inputs, rnd, k % 2 === 0));
          expect(distance(a.make(read), b.make(read))).toBeGreaterThanOrEqual(AIR - 1e-6);
        }
      }
    expect(drawnPairs).toBeGreaterThan(0);
  });

  test('a distance and an edge from their numbers are those of the solid made with them', () => {
    const rnd = draws(8);
    for (const n of found.near) {
      const inputs = inputsOf(n.a, n.b);
      const f = distanceFrom(n.a, n.b, inputs);
      const from = reader(inputs);
      for (let k = 0; k < 4; k++) {
        const x = drawn(inputs, rnd, k % 2 === 0);
        const read = from(x);
        expect(f(x)).toBeCloseTo(distance(n.a.make(read), n.b.make(read)), 6);
      }
    }
    for (const s of solids) {
      const from = reader(s.inputs);
      const x = drawn(s.inputs, rnd, false);
      const e = bounds(s.make(from(x)));
      for (const k of [0, 1, 2, 3, 4, 5] as const)
        expect(edgeFrom(s, k, s.inputs)(x)).toBeCloseTo(e[k], 6);
      // What holds it says how far it can wander: no draw leaves its reach.
      for (const k of [0, 1, 2] as const) {
        expect(e[k]).toBeGreaterThanOrEqual(s.reach[k] - 1e-9);
        expect(e[k + 3]!).toBeLessThanOrEqual(s.reach[k + 3]! + 1e-9);
      }
    }
  });
});

describe('what swings', () => {
  const tug = stands.find(([n]) => n.startsWith('Tug'))![1];
  const screen = tug.solids.find((s) => s.piece === 'screen')!;

  test('what blocks it is slid until it is free, and a millimetre less is not enough', () => {
    const pairs = nearTo(
      tug,
      'test screen',
      screen,
      tug.solids.filter((s) => s.role !== 'sweep'),
      AIR,
    );
    const blocks = pairs.near.filter((n) => n.d < 0);
    expect(blocks.length).toBeGreaterThan(0);
    for (const n of blocks) {
      const by = slideClear(tug, screen, n.b.piece, AIR)!;
      expect(by).toBeLessThan(0);
      const { all } = assemblyOf(tug, n.b.piece);
      const own = tug.solids.filter((s) => all.includes(s.piece));
      const need = AIR + screen.loose + Math.max(...own.map((s) => s.loose));
      const least = (dz: number) =>
        Math.min(...own.map((s) => distance(screen.solid, moved(s.solid, [0, 0, dz]))));
      expect(least(by)).toBeGreaterThanOrEqual(need - 0.5);
      expect(least(by + 1.5)).toBeLessThan(need);
    }
  });

  test('a part that hangs on nothing is not slid', () => {
    expect(slideClear(tug, screen, 'lens', AIR)).toBeNull();
  });
});
