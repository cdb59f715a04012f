import fc from 'fast-check';
import { demo } from '../../../test-kit';
import { docOf } from '../../../doc/write';
import { jobOf } from '../../../doc/read';
import { withChanges } from '../../../edit/edit';
import { isLens, type Job, type Rig } from '../../../kit/types';
import { lensSet, putLens } from './lens';

/** What travels with a lens comes back with it, and so does how the rig was set for it. */

const RIG = 'tug-b';
const rigOf = (j: Job): Rig => j.rigs.find((r) => r.id === RIG)!;
const lensOf = (j: Job, id: string) => j.kit.filter(isLens).find((l) => l.id === id)!;
const put = (j: Job, id: string): [Job, string] => {
  const { changes, title } = putLens(j, rigOf(j), lensOf(j, id));
  return [withChanges(j, changes), title];
};
const set = (j: Job, path: string[], value: unknown): Job =>
  withChanges(j, [{ path: ['rigs', RIG, ...path], value }]);

/** What is set for a lens, without what feeds and works a drive. */
const setting = ({ thread, gears, supports, drives, box }: Rig) => ({
  thread: thread?.map((t) => t.part) ?? [],
  gears: gears?.map((g) => [g.part, g.turns]) ?? [],
  supports: supports?.map((s) => [s.id, s.station, s.post]) ?? [],
  drives: drives?.map((d) => [d.id, d.station, d.angle, d.side, d.flipped, d.reversed]) ?? [],
  box: box && [box.ring, box.station],
});

const ids = lensSet(demo()).map((l) => l.id);

test('the station of a drive set for one lens is there again when it comes back, and is said', () => {
  let job = demo();
  const [drive] = rigOf(job).drives!;
  const first = rigOf(job).lens!;
  const other = ids.find((id) => id !== first)!;
  job = set(job, ['drives', drive!.id, 'station'], 91.5);
  [job] = put(job, other);
  job = set(job, ['drives', drive!.id, 'station'], 64);
  const [again, title] = put(job, first);
  job = again;
  expect(rigOf(job).drives![0]!.station).toBe(91.5);
  expect(title).toMatch(/as it was last on: .*at 91\.5 mm/);
  [job] = put(job, other);
  expect(rigOf(job).drives![0]!.station).toBe(64);
});

test('any lenses in any order: what was set for each is what comes back with it', () => {
  fc.assert(
    fc.property(
      fc.array(fc.record({ lens: fc.nat(ids.length - 1), at: fc.integer({ min: 40, max: 160 }) }), {
        minLength: 2,
        maxLength: 6,
      }),
      (steps) => {
        let job = demo();
        const left = new Map<string, ReturnType<typeof setting>>();
        for (const s of steps) {
          const on = rigOf(job);
          left.set(on.lens!, setting(on));
          const id = ids[s.lens]!;
          if (id === on.lens) continue;
          [job] = put(job, id);
          const known = left.get(id);
          if (known) expect(setting(rigOf(job))).toEqual(known);
          // It is kept: out as a file and in again nothing of it is lost.
          expect(rigOf(jobOf(docOf(job))).lenses).toEqual(rigOf(job).lenses);
          job = set(job, ['drives', rigOf(job).drives![0]!.id, 'station'], s.at);
        }
      },
    ),
    { numRuns: 40 },
  );
});

test('a piece that is out of the kit is left out, and what was set for another drive is not taken', () => {
  let job = demo();
  const first = rigOf(job).lens!;
  const other = ids.find((id) => id !== first)!;
  const worn = rigOf(job).thread?.[0]?.part ?? rigOf(job).gears![0]!.part;
  [job] = put(job, other);
  job = {
    ...job,
    kit: job.kit.filter((p) => p.id !== worn),
    rigs: job.rigs.map((r) =>
      r.id === RIG ? { ...r, drives: r.drives!.map((d) => ({ ...d, id: `${d.id}-new` })) } : r,
    ),
  };
  const before = rigOf(job).drives!.map((d) => d.station);
  [job] = put(job, first);
  const now = rigOf(job);
  expect([...(now.thread ?? []), ...(now.gears ?? [])].map((u) => u.part)).not.toContain(worn);
  expect(now.drives!.map((d) => d.station)).toEqual(before);
});
