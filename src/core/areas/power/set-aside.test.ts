import { build, shared } from '../../build/build';
import { applyEdit, withChanges } from '../../edit/edit';
import { readJob, writeJob } from '../../format/read-job';
import type { Job } from '../../kit/types';
import { fixesFor } from '../../solve/fixes';
import { demo } from '../../test-kit';
import { checkRig } from '../checks';
import { cardsOn } from '../media/model/cards';
import { feedsOn } from './model/fed';
import { freeLeads } from './model/offers';
import { packsOn } from './model/outlets';
import { setAside } from './moves/mark-pack';

/** Leads that had a fault: not trusted again, on the rig or as a spare. */

const base = demo();
const RIG = 'tug-b';
const rigOf = (job: Job) => job.rigs.find((r) => r.id === RIG)!;
const builtOf = (job: Job) => build(job, rigOf(job), shared(job));
const fed = feedsOn(builtOf(base)).find((f) => f.lead && f.device.part.kind === 'monitor')!;
const lead = fed.lead!;
const aside = (n: number, job = base) => applyEdit(job, setAside(job, lead, n, 'noon')).doc;
const pieces = (job: Job) =>
  checkRig(job, rigOf(job)).filter((v) => v.id === 'space.pieces' && v.about.includes(lead.id));

test('a lead that is alone of its sort and had a fault fails where it is in use, and is cured by another', () => {
  const job = aside(1);
  const [v] = pieces(job);
  expect(v).toMatchObject({
    state: 'fail',
    why: `${lead.name} is on this rig, and it is set aside as faulty: another has to go in its place.`,
  });
  // With a second sort that goes into the same sockets there is something to take.
  const other = { ...lead, id: 'other', name: 'Painter lead 2' };
  const two = withChanges(job, [{ path: ['kit', 'other'], value: other as never }]);
  const fixes = fixesFor(builtOf(two), pieces(two)[0]!, shared(two));
  expect(fixes.map((f) => f.title).join()).toMatch(/Painter lead 2/);
  expect(pieces(withChanges(two, fixes[0]!.change)).every((x) => x.state !== 'fail')).toBe(true);
});

test('of several the good ones are counted; it is no spare and is not offered', () => {
  const three = withChanges(base, [{ path: ['kit', lead.id, 'count'], value: 3 }]);
  const free = (job: Job) => freeLeads(builtOf(job)).some((l) => l.id === lead.id);
  expect([0, 1, 2, 3].map((n) => free(aside(n, three)))).toEqual([true, true, false, false]);
  expect([0, 1, 2, 3].map((n) => pieces(aside(n, three)).length)).toEqual([0, 0, 0, 1]);
  expect(pieces(aside(3, three))[0]!.why).toMatch(/and 3 of 3 are set aside as faulty/);
});

test('taken back piece by piece, undone, and kept in the file', () => {
  const three = withChanges(base, [{ path: ['kit', lead.id, 'count'], value: 3 }]);
  const two = aside(2, three);
  expect(two.packMarks!.map((m) => [m.parts[0], m.n, m.state])).toEqual([
    [lead.id, 1, 'aside'],
    [lead.id, 2, 'aside'],
  ]);
  expect(aside(1, two).packMarks!.map((m) => m.n)).toEqual([1]);
  expect(aside(0, two).packMarks ?? []).toEqual([]);
  const { doc, inverse } = applyEdit(three, setAside(three, lead, 3, 'noon'));
  expect(applyEdit(doc, inverse).doc).toEqual(three);
  const again = readJob(writeJob(aside(1)));
  if (!again.ok) throw new Error(JSON.stringify(again));
  expect(pieces(again.value).map((v) => v.state)).toContain('fail');
});

test('a pack and a card that are set aside and on the rig fail as well, also where nobody asks for a day', () => {
  const built = builtOf(base);
  const { goal: _, ...rest } = base;
  for (const part of [packsOn(built)[0]!.part, cardsOn(built)[0]!.card]) {
    const job = applyEdit(rest, setAside(rest, part, Math.max(1, part.count ?? 1), 'noon')).doc;
    const v = checkRig(job, rigOf(job)).find((x) => x.key === `space.pieces:${part.id}`)!;
    expect(v.state).toBe('fail');
    const fixes = fixesFor(builtOf(job), v, shared(job));
    for (const f of fixes)
      expect(
        checkRig(withChanges(job, f.change), rigOf(withChanges(job, f.change))).some(
          (x) => x.key === v.key && x.state === 'fail',
        ),
      ).toBe(false);
  }
});
