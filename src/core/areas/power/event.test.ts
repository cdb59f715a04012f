import { build, shared } from '../../build/build';
import { applyEdit } from '../../edit/edit';
import { readJob, writeJob } from '../../format/read-job';
import type { DayEvent, Job } from '../../kit/types';
import { demo } from '../../test-kit';
import { setGoal } from '../../solve/goal';
import { checkRig } from '../checks';
import { dayOf } from './model/day';

/** Packs changed around what must not be missed. */

const ID = 'tug-b';
/** The demo without what it does not miss itself. */
const start = applyEdit(demo(), setGoal(demo(), 'events', undefined, 'x')).doc;
const base = applyEdit(start, setGoal(start, 'day', 8, 'x')).doc;
const lock: DayEvent = { id: 'lock', name: 'Lock passage', from: 2, to: 3, is: 'keep' };
const lunch: DayEvent = { id: 'lunch', name: 'lunch', from: 3.5, to: 4.5, is: 'break' };
const withEvents = (job: Job, ...events: DayEvent[]) =>
  applyEdit(job, setGoal(job, 'events', events, 'x')).doc;
const set = (job: Job, path: string[], value: unknown) =>
  applyEdit(job, { title: 'x', changes: [{ path, value }] }).doc;
const rigOf = (job: Job) => job.rigs.find((r) => r.id === ID)!;
const said = (job: Job) => checkRig(job, rigOf(job)).find((v) => v.id === 'power.event');
/** Hours of the pack on the rig, computed. */
const lasts = (job: Job) => dayOf(build(job, rigOf(job), shared(job)))[0]!.lasts!;

test('nothing is said where nothing must not be missed, or nobody said how long the day is', () => {
  expect(said(base)).toBeUndefined();
  expect(said(withEvents(base, lunch))).toBeUndefined();
  expect(said(withEvents(set(base, ['goal', 'day'], undefined), lock))).toBeUndefined();
});

test('the change comes before it, and the next one falls into the break', () => {
  const { lo } = lasts(base);
  expect(lo).toBeGreaterThan(1.75);
  expect(lo).toBeLessThan(2);
  // At worst the pack is empty before the passage begins, and another lasts through it.
  const v = said(withEvents(base, lock, lunch))!;
  expect(v.state).toBe('ok');
  expect(v.why).toMatch(/^Change Keel 98 by 1 h 5\d, 3 h 30, /);
  expect(v.why).toMatch(/: nothing is off during Lock passage\.$/);
});

test('a passage longer than a pack lasts fails, with what would do', () => {
  const v = said(withEvents(base, { ...lock, to: 6 }))!;
  expect(v.state).toBe('fail');
  expect(v.wanted[0]).toBe('packs that last 4 h at worst, or a change that keeps it up');
});

test('one that a pack lasts through at best only is never ok', () => {
  const { lo, hi } = lasts(base);
  const v = said(withEvents(base, { ...lock, to: lock.from + (lo + hi) / 2 }))!;
  expect(v.state).toBe('tight');
  expect(v.why).toMatch(/may not last through Lock passage/);
});

test('more packs than there are, because of it, are too few', () => {
  const few = set(set(base, ['kit', 'keel-98', 'count'], 2), ['goal', 'day'], 5.5);
  expect(said(withEvents(few, lock))!.state).toBe('fail');
  expect(said(withEvents(few, lock))!.wanted[0]).toMatch(/^1 more of Keel 98/);
});

test('what is not known of a pack is not known of its changes', () => {
  const bare = set(base, ['kit', 'keel-98', 'wattHours'], undefined);
  expect(said(withEvents(bare, lock))!.state).toBe('unknown');
  const dark = set(base, ['rigs', ID, 'outlet'], undefined);
  expect(said(withEvents(dark, lock))!.state).toBe('unknown');
});

test('what hangs on an outlet that is not there may hang on this pack, though nothing else does', () => {
  const own = ['body-b', 'pane-5'].reduce((j, id) => set(j, ['kit', id, 'ownPack'], true), base);
  const lost = set(own, ['rigs', ID, 'outlet', 'from'], 'nowhere');
  expect(said(withEvents(lost, lock))!.state).toBe('unknown');
});

test('what goes on while a pack is changed wants none of it', () => {
  const own = ['body-b', 'pane-5'].reduce((j, id) => set(j, ['kit', id, 'ownPack'], true), base);
  const v = said(withEvents(own, { ...lock, to: 7 }))!;
  expect(v.state).toBe('ok');
  expect(v.why).toMatch(/^Nothing goes dark while Keel 98 is changed/);
});

test('written the wrong way round it is meant the right way round; it stands in the file', () => {
  const turned = withEvents(base, { ...lock, from: 6, to: 2 });
  expect(said(turned)!.state).toBe('fail');
  const again = readJob(writeJob(withEvents(base, lock, lunch)));
  expect(again.ok && again.value.goal!.events).toEqual([lock, lunch]);
  const bad = readJob(writeJob(withEvents(base, { ...lock, from: 99 })));
  expect(bad.ok).toBe(false);
  expect(JSON.stringify(bad)).toMatch(/goal\.events\[0\]\.from/);
});

test('what goes on after the day was not looked at: never ok', () => {
  const v = said(withEvents(base, { ...lock, from: 7.5, to: 8.5 }))!;
  expect(v.state).toBe('unknown');
  expect(v.why).toMatch(/the day is over at 8 h 00, and it goes on to 8 h 30\.$/);
  expect(said(withEvents(base, { ...lock, from: 7, to: 8 }))!.state).not.toBe('unknown');
  // A stretch that no pack lasts through stays a fail.
  expect(said(withEvents(base, { ...lock, from: 2, to: 9 }))!.state).toBe('fail');
});
