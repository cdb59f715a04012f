import fc from 'fast-check';
import { checkRig } from '../../checks';
import type { Job, Plate, Rig } from '../../../kit/types';
import { findings } from '../../../solve/fixes';
import { setPlateHeight } from '../moves/under';
import { applyEdit, withChanges } from '../../../edit/edit';
import { exactly, testBody, testJob } from '../../../test-kit';
import { build } from '../../../build/build';
import { at, givens } from '../../../build/lin';
import { underCamera } from './under';

/** A body 48 over its base on a plate that goes from `from` to `to`, on 15 mm lightweight rods. */
function rigOn(
  { from = 30, to = 45, base = 48 }: { from?: number; to?: number; base?: number },
  use: { height?: number } = {},
  plate: Partial<Plate> = {},
): Job & { rigs: [Rig] } {
  return testJob(
    {
      body: testBody({ axisToBase: exactly(base) }),
      more: [
        {
          id: 'plate',
          kind: 'plate',
          name: 'Plate',
          rods: 'lw15',
          heightFrom: exactly(from),
          heightTo: exactly(to),
          length: exactly(90),
          clampLength: exactly(20),
          width: exactly(78),
          thickness: exactly(12),
          ...plate,
        } as Plate,
        { id: 'rods', kind: 'rods', name: 'Rods', rods: 'lw15', length: exactly(200) },
        { id: 'riser', kind: 'riser', name: 'Riser', thickness: exactly(4) },
      ],
    },
    {
      under: [{ part: 'plate', ...use }],
      rods: [{ id: 'r', part: 'rods', place: 'through' }],
    },
  );
}
const drops = (job: Job & { rigs: [Rig] }) =>
  checkRig(job, job.rigs[0]).filter((v) => v.id === 'rods.drop');
const drop = (job: Job & { rigs: [Rig] }) => drops(job).find((v) => v.key === 'rods.drop')!;

describe('a plate whose height can be set', () => {
  test('is set where the rods come out at 85 mm: 85 - 48 = 37, and it is said', () => {
    const [height, range] = drops(rigOn({}));
    expect(height!.state).toBe('ok');
    expect(height!.why).toMatch(
      /^Set Plate to 37\.0 mm, top to rods: then the rods come out 85\.0/,
    );
    expect(range!.why).toBe('Plate goes to 37.0 mm: it goes from 30.0 to 45.0.');
    expect(range!.margin!.value).toBeCloseTo(7, 9);
  });

  test('its range ends before: it stands at the end, and what is left is said', () => {
    const low = drop(rigOn({ from: 39, to: 45 }));
    // 48 + 39 = 87: 2 mm too low, inside the 3 mm the house bears.
    expect(low.state).toBe('tight');
    expect(low.why).toContain('2.0 mm too low');
    const high = drop(rigOn({ from: 20, to: 33 }));
    // 48 + 33 = 81: 4 mm too high.
    expect(high.state).toBe('fail');
    expect(high.why).toContain('4.0 mm too high');
  });

  test('set by hand it stands there; out of its range it cannot; let go it is right again', () => {
    const by = drops(rigOn({}, { height: 40 }));
    expect(by[0]!.why).toContain('3.0 mm too low');
    expect(by[1]!.state).toBe('ok');
    const beyond = rigOn({}, { height: 50 });
    const [, range] = drops(beyond);
    expect(range!.state).toBe('fail');
    expect(range!.why).toBe('Plate cannot be set to 50.0 mm: it goes from 30.0 to 45.0.');
    const fix = findings(beyond, beyond.rigs[0])
      .find((f) => f.key === 'rods.drop:set')!
      .fixes.find((x) => x.title === 'Set Plate to the height of the rods')!;
    const next = withChanges(beyond, fix.change) as typeof beyond;
    expect(drops(next).map((v) => v.state)).toEqual(['ok', 'ok']);
  });

  test('an end of the range, a height of the body or a rod system that nobody gave: unknown', () => {
    for (const plate of [{ heightFrom: undefined }, { heightTo: undefined }])
      expect(drop(rigOn({}, {}, plate)).state).toBe('unknown');
    const body = rigOn({});
    body.kit = body.kit.map((p) => (p.id === 'body' ? { ...p, axisToBase: undefined } : p));
    expect(drop(body).state).toBe('unknown');
    const system = rigOn({}, {}, { rods: undefined });
    system.kit = system.kit.map((p) => (p.id === 'rods' ? { ...p, rods: undefined } : p));
    expect(drop(system).state).toBe('unknown');
  });

  test('over any body, with risers under body or rods: right whenever the range allows it', () => {
    fc.assert(
      fc.property(
        fc.record({
          base: fc.integer({ min: 20, max: 80 }),
          from: fc.integer({ min: 5, max: 60 }),
          more: fc.integer({ min: 0, max: 40 }),
          riser: fc.constantFrom('none', 'body', 'rods'),
        }),
        ({ base, from, more, riser }) => {
          const job = rigOn({ base, from, to: from + more });
          const [rig] = job.rigs;
          if (riser !== 'none')
            rig.under = [...rig.under!, { part: 'riser', at: riser as 'body' | 'rods' }];
          const u = underCamera(build(job, rig));
          // By hand: base, riser and plate add up to the 85 mm of the system.
          const wanted = 85 - base - (riser === 'body' ? 4 : riser === 'rods' ? -4 : 0);
          const set = Math.min(from + more, Math.max(from, wanted));
          expect(u.height!.set).toBeCloseTo(set, 9);
          expect(at(u.drop!, (g) => g.known!.value)).toBeCloseTo(85 + set - wanted, 9);
          expect(givens([u.drop!]).every((g) => g.known)).toBe(true);
        },
      ),
    );
  });

  test('the move is one field of that use, and comes back', () => {
    const job = rigOn({});
    const edit = setPlateHeight(job, job.rigs[0], 35)!;
    expect(edit.title).toBe('Set Plate to 35 mm, top to rods');
    const { doc, inverse } = applyEdit(job, edit);
    expect(doc.rigs[0]!.under![0]).toEqual({ part: 'plate', height: 35 });
    expect(withChanges(doc, inverse.changes)).toEqual(job);
  });
});
