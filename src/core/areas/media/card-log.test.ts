import fc from 'fast-check';
import { build, shared } from '../../build/build';
import { applyEdit } from '../../edit/edit';
import { minutesOn } from '../../feed/card';
import { readJob, writeJob } from '../../format/read-job';
import type { Job } from '../../kit/types';
import { demo, exactly } from '../../test-kit';
import { checkRig } from '../checks';
import { loggedRate, rateOfRun, recordedLines, standInCard, type Recorded } from './model/log';
import { forgetCards, logCards, recordedTrouble } from './moves/card-log';

/** What recordings came to, beside what the mode is said to send. */

const ID = 'tug-b';
const edited = (job: Job, path: string[], value: unknown): Job =>
  applyEdit(job, { title: 'x', changes: [{ path, value }] }).doc;
// 2200 Mb/s onto 512 GB: 31.0 min (a worked example of the trade).
const start = demo();
const MODE = start.rigs.find((r) => r.id === ID)!.mode!;
const rated = (rate: unknown) => edited(start, ['kit', 'body-b', 'modes', MODE, 'rate'], rate);
const base = edited(rated(exactly(2200)), ['kit', 'bilge-512', 'gigabytes'], exactly(512));
const builtOf = (job: Job) =>
  build(
    job,
    job.rigs.find((r) => r.id === ID)!,
    shared(job),
  );
const logged = (job: Job, noted: Recorded) => applyEdit(job, logCards(builtOf(job), noted)!).doc;
const of = (job: Job, id: string) =>
  checkRig(
    job,
    job.rigs.find((r) => r.id === ID)!,
  ).find((v) => v.id === id)!;
/** A recording of 20 min at a rate, GB. */
const at = (mbs: number, more: Partial<Recorded> = {}): Recorded => ({
  minutes: 20,
  gigabytes: (mbs * 1200) / 8000,
  ...more,
});

test('210 GB in 24 min are 1167 Mb/s, and a blink says nothing', () => {
  const rate = rateOfRun({ minutes: 24, gigabytes: 210 })!;
  expect(rate.value).toBeCloseTo((210 * 8000) / 1440, 9);
  expect(rate.lo).toBeLessThan(rate.value);
  expect(rate.hi).toBeGreaterThan(rate.value);
  for (const bare of [
    { minutes: 0.5, gigabytes: 4 },
    { minutes: 20, gigabytes: 0 },
    { minutes: NaN, gigabytes: 5 },
  ])
    expect(rateOfRun(bare)).toBeNull();
});

test('slower than it is said to be: what is written still counts, and the log is said', () => {
  const was = of(base, 'media.minutes');
  expect(was.margin!.value + (was.limit?.value ?? 0)).toBeCloseTo(minutesOn(512, 2200), 6);
  const now = of(logged(base, at(1800)), 'media.minutes');
  expect(now.margin).toEqual(was.margin);
  expect(now.state).toBe(was.state);
  expect(now.why).toMatch(/The log filled 1800 Mb\/s \(\d+ to \d+\): 38 min\.$/);
});

test('faster than it is said to be one of the two is wrong: nothing is ok, nor does it surely fail', () => {
  const roomy = edited(base, ['kit', 'bilge-512', 'gigabytes'], exactly(1e5));
  expect(of(roomy, 'media.minutes').state).toBe('ok');
  const odd = logged(roomy, at(3000));
  const v = of(odd, 'media.minutes');
  expect(v.state).toBe('tight');
  expect(v.why).toMatch(
    /is said to send 2200 Mb\/s; the log filled 3000 Mb\/s .*: one of the two is wrong\.$/,
  );
  // From what the one says to what the other does.
  const minutes = (m: number) => m + (v.limit?.value ?? 0);
  expect(minutes(v.margin!.hi)).toBeCloseTo(minutesOn(1e5, 2200), 6);
  expect(minutes(v.margin!.lo)).toBeLessThan(minutesOn(1e5, 3000));
  const fast = edited(odd, ['kit', 'bilge-512', 'sustained'], exactly(1e5));
  expect(of(fast, 'media.speed').state).toBe('tight');
  expect(recordedLines(builtOf(odd))[0]!.faster).toBe(true);
});

test('where nobody wrote the rate the log is all there is, and never ok', () => {
  const bare = edited(base, ['kit', 'body-b', 'modes', MODE, 'rate'], undefined);
  expect(of(bare, 'media.minutes').state).toBe('unknown');
  const v = of(logged(bare, at(1000)), 'media.minutes');
  expect(['tight', 'fail']).toContain(v.state);
  expect(v.margin!.value + (v.limit?.value ?? 0)).toBeCloseTo(minutesOn(512, 1000), 6);
});

test('the fastest counts, whichever came last; stand-ins give way to what was really recorded', () => {
  const rate = (job: Job) => loggedRate(builtOf(job))!.rate.value;
  const two = logged(logged(base, at(1900)), at(1500));
  expect(rate(two)).toBeCloseTo(1900, 6);
  const made = logged(base, at(2100, { standIn: true }));
  expect(of(made, 'media.minutes').why).toMatch(/A stand-in in the log filled 2100 Mb/);
  expect(rate(logged(made, at(1500)))).toBeCloseTo(1500, 6);
});

test('another mode, another camera, another rig: it counts for nothing there', () => {
  const job = logged(base, at(1900));
  const [run] = job.cardRuns!;
  for (const other of [
    { ...run!, mode: 'another' },
    { ...run!, rig: 'another' },
    { ...run!, parts: ['another', ...run!.parts.slice(1)] },
  ])
    expect(loggedRate(builtOf({ ...job, cardRuns: [other] }))).toBeNull();
});

test('a made-up recorder fills at no more than the mode sends, and says so', () => {
  fc.assert(
    fc.property(fc.infiniteStream(fc.double({ min: 0, max: 1, noNaN: true })), (draws) => {
      const made = standInCard(builtOf(base), () => draws.next().value!)!;
      expect(recordedTrouble(made)).toBeNull();
      expect(made.standIn).toBe(true);
      expect(made.gigabytes).toBeLessThanOrEqual(512);
      expect(made.gigabytes).toBeGreaterThan(51);
      const rate = rateOfRun(made)!;
      expect(rate.lo).toBeLessThanOrEqual(2200);
      expect(rate.hi).toBeGreaterThanOrEqual((2200 * 2) / 3);
    }),
    { numRuns: 300, seed: 5 },
  );
  expect(standInCard(builtOf(rated(undefined)), () => 0.5)).toBeNull();
  const bare = edited(base, ['kit', 'bilge-512', 'gigabytes'], undefined);
  expect(standInCard(builtOf(bare), () => 0.5)).toBeNull();
});

test('it stands in the file, and is taken out again', () => {
  const job = logged(base, at(1900, { when: '2026-04-07' }));
  const again = readJob(writeJob(job));
  if (!again.ok) throw new Error(JSON.stringify(again));
  expect(loggedRate(builtOf(again.value))).toMatchObject({
    rate: loggedRate(builtOf(job))!.rate,
    run: { when: '2026-04-07', mode: MODE, minutes: 20 },
  });
  const [run] = again.value.cardRuns!;
  const out = applyEdit(again.value, forgetCards(run!.id));
  expect(loggedRate(builtOf(out.doc))).toBeNull();
  expect(applyEdit(out.doc, out.inverse).doc.cardRuns).toEqual(again.value.cardRuns);
});

test.each([
  [{ minutes: 0, gigabytes: 5 }, /minutes over 0/],
  [{ minutes: NaN, gigabytes: 5 }, /minutes over 0/],
  [{ minutes: 5, gigabytes: -1 }, /gigabytes over 0/],
  [{ minutes: 5, gigabytes: NaN }, /gigabytes over 0/],
])('%j is refused in a sentence', (noted, words) => expect(recordedTrouble(noted)).toMatch(words));
