import fc from 'fast-check';
import { build, shared } from '../../build/build';
import type { Interface, Job, Part } from '../../kit/types';
import { valueOf } from '../../quantity/quantity';
import { demo, exactly } from '../../test-kit';
import { interfacesOf } from './kit/sides';
import { fewest, screwsOf, stockedBill, toolRoll, type Turns } from './model/tools';

const SIZES = ['a', 'b', 'c', 'd', 'e', 'f'];

/** The fewest by looking through every set of pieces. */
function bySearch(sizes: readonly string[], pieces: readonly Turns[]): number {
  let least = Infinity;
  for (let set = 0; set < 1 << pieces.length; set++) {
    const taken = pieces.filter((_p, i) => set & (1 << i));
    const all = sizes.every(
      (s) => taken.some((p) => p.sizes.includes(s)) || !pieces.some((p) => p.sizes.includes(s)),
    );
    if (all) least = Math.min(least, taken.length);
  }
  return least;
}

const job = demo();
const rig = job.rigs.find((r) => r.id === 'lockside-b')!;
const withKit = (kit: readonly Part[]): ReturnType<typeof build> => {
  const next: Job = { ...job, kit: [...kit] };
  return build(next, rig, shared(next));
};
const changed = (id: string, to: object) =>
  withKit(job.kit.map((p) => (p.id === id ? { ...p, ...to } : p)));
const line = (built: ReturnType<typeof build>, length: number) =>
  stockedBill(built).find((l) => l.length === length && !l.captive)!;

describe('the fewest tools', () => {
  test('are as few as a search of every set finds, and turn all that can be turned', () => {
    const piece = fc.subarray(SIZES).map((sizes): Turns => ({ id: sizes.join(''), sizes }));
    fc.assert(
      fc.property(fc.subarray(SIZES), fc.array(piece, { maxLength: 9 }), (sizes, pieces) => {
        const { take, lacking } = fewest(sizes, pieces);
        expect(take.length).toBe(bySearch(sizes, pieces));
        for (const s of sizes) {
          const some = pieces.some((p) => p.sizes.includes(s));
          expect(lacking.includes(s)).toBe(!some);
          expect(take.some((p) => p.sizes.includes(s))).toBe(some);
        }
      }),
      { numRuns: 500 },
    );
  });

  test('where taking the piece with most sizes first would take one too many', () => {
    // The standard case against the greedy way: 2 pieces do, greedy takes 3.
    const pieces = [
      { id: 'most', sizes: ['b', 'c', 'e', 'f'] },
      { id: 'left', sizes: ['a', 'b', 'c'] },
      { id: 'right', sizes: ['d', 'e', 'f'] },
    ];
    expect(fewest(SIZES, pieces).take.map((p) => p.id)).toEqual(['left', 'right']);
  });

  test('of the demo rig: a folding set and a blade, with where each lives; the lone key stays', () => {
    const roll = toolRoll(withKit(job.kit));
    expect(roll.take.map((t) => [t.key.id, t.turns.map((d) => d.id), t.lives])).toEqual([
      ['fid-roll', ['hex-4', 'hex-5'], 'in the front pouch of the focus bag'],
      ['thole-blade', ['slot'], 'in the box with the plates'],
    ]);
    expect(roll.lacking).toEqual([]);
  });

  test('a piece that would have to be hired waits for those on hand; without any it is said', () => {
    const hired = toolRoll(changed('fid-roll', { count: 0 }));
    expect(hired.take.map((t) => [t.key.id, t.turns.map((d) => d.id), t.toHire])).toEqual([
      ['marlin', ['hex-4'], false],
      ['thole-blade', ['slot'], false],
      ['fid-roll', ['hex-4', 'hex-5'], true],
    ]);
    // Metric and inch are never mixed up: 3/16 in is 4.76 mm and turns no 5 mm head.
    const inch = toolRoll(changed('fid-roll', { turns: [{ driver: 'hex-3-16' }] }));
    expect(inch.lacking.map((d) => d.id)).toEqual(['hex-5']);
    const said = toolRoll(changed('fid-roll', { turns: undefined }));
    expect(said.lacking.map((d) => d.id)).toEqual(['hex-5']);
  });
});

describe('screws of the kit', () => {
  test('are counted for each line of the bill; what is captive is on its part', () => {
    const built = withKit(job.kit);
    expect(line(built, 9)).toMatchObject({ count: 4, have: 6, worn: [] });
    expect(line(built, 11)).toMatchObject({ count: 2, have: 1, worn: [{ id: 'peg-11' }] });
    expect(stockedBill(built).find((l) => l.captive)!.have).toBeNull();
  });

  test('another thread, half a millimetre more, or no length is another screw', () => {
    expect(line(changed('peg-9', { thread: 'm6' }), 9).have).toBe(0);
    expect(line(changed('peg-9', { length: exactly(9.6) }), 9).have).toBe(0);
    expect(line(changed('peg-9', { length: exactly(9.4) }), 9).have).toBe(6);
    expect(line(changed('peg-9', { length: undefined }), 9).have).toBe(0);
    expect(line(changed('peg-9', { length: null }), 9).have).toBe(0);
  });

  test('one box is not counted twice: lines that ask for the same screws share it', () => {
    const nine = (p: Part) => interfacesOf(p).find((i) => is9(i));
    const is9 = (i: Interface) => valueOf(i.length) === 9 && i.driver === 'hex-4';
    const [first] = [rig.fitted!.map((u) => job.kit.find((p) => p.id === u.part)!).find(nine)!];
    // One of the parts has the same screws with another head: a line of its own.
    const built = withKit(
      job.kit.map((p) =>
        p === first
          ? {
              ...p,
              interfaces: interfacesOf(p).map((i) => (is9(i) ? { ...i, driver: 'hex-5' } : i)),
            }
          : p,
      ),
    );
    const lines = stockedBill(built).filter((l) => l.length === 9 && !l.captive);
    expect(lines.map((l) => l.count)).toEqual([2, 2]);
    expect(lines.map((l) => l.have)).toEqual([6, 4]);
    expect(screwsOf(built, 'unc-1-4').map((s) => s.length)).toEqual([9, 11]);
  });
});
