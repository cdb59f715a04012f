import { build, shared } from '../../build/build';
import { applyEdit, withChanges } from '../../edit/edit';
import { readJob, writeJob } from '../../format/read-job';
import type { Job } from '../../kit/types';
import { fixesFor } from '../../solve/fixes';
import { demo } from '../../test-kit';
import { checkRig } from '../checks';
import { feedsOn } from './model/fed';
import { freeLeads, wornLeads } from './model/offers';
import { setAside } from './moves/mark-pack';

/** Leads that had a fault: not trusted again, on the rig or as a spare. */

const base = demo();
const RIG = 'tug-b';
const rigOf = (job: Job) => job.rigs.find((r) => r.id === RIG)!;
const builtOf = (job: Job) => build(job, rigOf(job), shared(job));
const fed = feedsOn(builtOf(base)).find((f) => f.lead && f.device.part.kind === 'monitor')!;
const lead = fed.lead!;
const aside = (n: number, job = base) => applyEdit(job, setAside(job, lead, n, 'noon')).doc;
const spare = (job: Job) =>
  checkRig(job, rigOf(job)).filter((v) => v.id === 'cable.spare' && v.about.includes(lead.id));

test('a lead that is alone of its sort and had a fault fails where it is in use, and is cured by another', () => {
  const job = aside(1);
  expect(wornLeads(builtOf(job)).map((l) => l.id)).toEqual([lead.id]);
  const [v] = spare(job);
  expect(v).toMatchObject({
    state: 'fail',
    why: `${lead.name} to ${fed.device.part.name} is set aside: it had a fault, and what there is of it is in use. Another has to go in its place.`,
  });
  expect(v!.wanted[0]).toMatch(/^another lead from .+ to .+/);
  // With a second sort that goes into the same sockets there is something to take.
  const other = { ...lead, id: 'other', name: 'Painter lead 2' };
  const two = withChanges(job, [{ path: ['kit', 'other'], value: other as never }]);
  const fixes = fixesFor(builtOf(two), spare(two)[0]!, shared(two));
  expect(fixes.map((f) => f.title).join()).toMatch(/Painter lead 2/);
  expect(spare(withChanges(two, fixes[0]!.change)).every((x) => x.state !== 'fail')).toBe(true);
});

test('of several the good ones are counted; it is no spare and is not offered', () => {
  const three = withChanges(base, [{ path: ['kit', lead.id, 'count'], value: 3 }]);
  const free = (job: Job) => freeLeads(builtOf(job)).some((l) => l.id === lead.id);
  expect([0, 1, 2, 3].map((n) => free(aside(n, three)))).toEqual([true, true, false, false]);
  expect([0, 1, 2, 3].map((n) => wornLeads(builtOf(aside(n, three))).length)).toEqual([0, 0, 0, 1]);
  // Two of them are on the rig as soon as another thing hangs on it as well.
  expect(spare(aside(2, three)).every((v) => v.state !== 'fail')).toBe(true);
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
  expect(spare(again.value).map((v) => v.state)).toContain('fail');
});
