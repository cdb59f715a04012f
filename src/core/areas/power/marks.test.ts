import { build, shared } from '../../build/build';
import { applyEdit, withChanges } from '../../edit/edit';
import { readJob, writeJob } from '../../format/read-job';
import { PACK_STATES } from '../../kit/records';
import type { Job } from '../../kit/types';
import { demo } from '../../test-kit';
import { checkRig } from '../checks';
import { packsOnHand, sayMarks } from './model/marks';
import { nightOf } from './model/night';
import { packsOn } from './model/outlets';
import { markPack } from './moves/mark-pack';

/** How each pack was left: marked, counted, kept, taken back. */

const base = demo();
const packs = (job: Job) => {
  const rig = job.rigs.find((r) => r.id === 'tug-b')!;
  return packsOnHand(build(job, rig, shared(job)));
};
const WHEN = '2026-04-07 14:05';
const marked = (job: Job, i: number, state: Parameters<typeof markPack>[1]) =>
  applyEdit(job, markPack(packs(job)[i]!, state, WHEN)).doc;

test('every pack of the kit is there as often as there are of it', () => {
  const want = base.kit
    .filter((p) => p.kind === 'battery')
    .reduce((sum, p) => sum + Math.max(1, p.count ?? 1), 0);
  expect(packs(base)).toHaveLength(want);
  expect(new Set(packs(base).map((p) => p.name)).size).toBe(want);
  expect(packs(base).every((p) => p.mark === null)).toBe(true);
  expect(sayMarks(packs(base))).toBe(`${want} not marked`);
});

test('one of several is marked and the others are not; a mark again takes its place', () => {
  const one = marked(base, 1, 'in-use');
  expect(packs(one).map((p) => p.mark?.state ?? null)).toEqual(
    packs(base).map((_, i) => (i === 1 ? 'in-use' : null)),
  );
  const two = marked(one, 1, 'empty');
  expect(two.packMarks).toHaveLength(1);
  expect(packs(two)[1]!.mark).toMatchObject({ state: 'empty', when: WHEN });
  expect(packs(marked(two, 1, null))).toEqual(packs(base));
});

test('the states are counted in words', () => {
  const job = PACK_STATES.reduce((j, s, i) => marked(j, i, s), base);
  const left = packs(base).length - PACK_STATES.length;
  expect(sayMarks(packs(job))).toBe(
    [
      '1 full, 1 in use, 1 part used, 1 empty, 1 set aside as faulty',
      ...(left > 0 ? [`${left} not marked`] : []),
    ].join(', '),
  );
});

test('marks stand in the file, and one that says no state is refused with its place', () => {
  const job = marked(marked(base, 0, 'full'), 2, 'part');
  const text = writeJob(job);
  const again = readJob(text);
  if (!again.ok) throw new Error(JSON.stringify(again));
  expect(packs(again.value).map((p) => p.mark?.state)).toEqual(
    packs(job).map((p) => p.mark?.state),
  );
  expect(again.value.packMarks!.map((m) => [m.parts, m.n, m.when])).toEqual(
    job.packMarks!.map((m) => [m.parts, m.n, m.when]),
  );
  const bare = readJob(text.replace(/"state": ?"full"/, '"state": "flat"'));
  expect(bare.ok).toBe(false);
  expect(JSON.stringify(bare)).toMatch(/records\[\d+\]/);
});

test('a mark is undone, and changes nothing that is said of the rig', () => {
  const { doc, inverse } = applyEdit(base, markPack(packs(base)[0]!, 'full', WHEN));
  expect(doc.packMarks).toHaveLength(1);
  expect(applyEdit(doc, inverse).doc).toEqual(base);
  const says = (job: Job) =>
    checkRig(
      job,
      job.rigs.find((r) => r.id === 'tug-b')!,
    ).map((v) => [v.key, v.state, v.why]);
  expect(says(doc)).toEqual(says(base));
});

/** The packs of the source that runs the rig, with a day to last. */
function day(job: Job) {
  const rig = job.rigs.find((r) => r.id === 'tug-b')!;
  return checkRig(job, rig).find((v) => v.id === 'power.day')!;
}

test('a pack that was set aside is not counted: by hand', () => {
  const rig = base.rigs.find((r) => r.id === 'tug-b')!;
  const id = packsOn(build(base, rig, shared(base)))[0]!.part.id;
  const four = withChanges(base, [
    { path: ['goal', 'day'], value: 8 },
    { path: ['kit', id, 'count'], value: 4 },
  ]);
  const at = (k: number) => packs(four).findIndex((p) => p.part.id === id) + k;
  const three = marked(four, at(1), 'aside');
  const [before, after] = [day(four), day(three)];
  // 4 x h - 8 and 3 x h - 8.
  expect((after.margin!.value + 8) / 3).toBeCloseTo((before.margin!.value + 8) / 4, 9);
  expect(after.why).toMatch(/1 is set aside: not counted\.$/);
  expect(day(marked(three, at(1), null)).why).toBe(before.why);
  // Whatever else a mark says of a pack, it is there.
  expect(day(marked(three, at(1), 'empty')).margin).toEqual(before.margin);
  let none = four;
  for (const k of [0, 1, 2, 3]) none = marked(none, at(k), 'aside');
  expect(day(none)).toMatchObject({
    state: 'fail',
    why: expect.stringMatching(
      /^Nothing is left to run on for the day: what there is of .* is set aside\.$/,
    ) as string,
  });
});

test('what was set aside is not charged in the night', () => {
  const rig = base.rigs.find((r) => r.id === 'tug-b')!;
  const lots = (job: Job) => nightOf(build(job, rig, shared(job))).lots.map((l) => l.n);
  const charged = lots(base).reduce((sum, n) => sum + n, 0);
  expect(charged).toBeGreaterThan(1);
  const of = packs(base).findIndex((p) =>
    nightOf(build(base, rig, shared(base))).lots.some((l) => l.part.id === p.part.id),
  );
  const less = lots(marked(base, of, 'aside')).reduce((sum, n) => sum + n, 0);
  expect(less).toBe(charged - 1);
});
