import fc from 'fast-check';
import { build, shared } from '../../build/build';
import { applyEdit } from '../../edit/edit';
import { readJob, writeJob } from '../../format/read-job';
import { usableAt } from '../../feed/hours';
import type { Change, Job, PackRun, Rig } from '../../kit/types';
import { demoStandings } from '../../properties/rigs';
import { demo, exactly } from '../../test-kit';
import { checkRig } from '../checks';
import { dayOf } from './model/day';
import {
  byLog,
  computedHours,
  contradicts,
  loggedHours,
  loggedOf,
  runLines,
  runOfSource,
  sideBySide,
  standIn,
  type Noted,
} from './model/log';
import { readHours, sayHours } from './model/say';
import { sourcesOn } from './model/sources';
import { forgetRun, logRun, runTrouble } from './moves/run-log';

const base = demo();
const ID = 'tug-b';
const rigOf = (job: Job): Rig => job.rigs.find((r) => r.id === ID)!;
const builtOf = (job: Job) => build(job, rigOf(job), shared(job));
const sourceOf = (job: Job) => sourcesOn(builtOf(job)).find((s) => s.feeds.length > 0)!;
const edited = (job: Job, changes: Change[]) => applyEdit(job, { title: 'edit', changes }).doc;
const logged = (job: Job, noted: Noted) =>
  applyEdit(job, logRun(builtOf(job), sourceOf(job), noted)).doc;
const hoursIn = (job: Job) =>
  checkRig(job, rigOf(job)).find(
    (v) => v.id === 'power.hours' && v.key.endsWith(sourceOf(job).id),
  )!;
const computed = (job: Job) => computedHours(builtOf(job), sourceOf(job))!;

/** As long as a pack would last that gives exactly this from full to where it is changed. */
const lasting = (hours: number, more: Partial<Noted> = {}): Noted => ({
  hours: (hours * 0.6) / 0.85,
  full: 100,
  left: 40,
  ...more,
});

describe('hours as a person writes them', () => {
  test.each([
    ['1 h 12', 1.2],
    ['1:12', 1.2],
    ['1h12min', 1.2],
    ['72 min', 1.2],
    ['1,2', 1.2],
    ['1.2 h', 1.2],
    ['3', 3],
  ])('%s', (text, hours) => expect(readHours(text)).toBeCloseTo(hours, 9));

  test('what is none is none; what is said is read', () => {
    for (const t of ['', 'long', '1:72', '-2', '1..2', '1 h 2 h', '1e3'])
      expect(readHours(t)).toBeNull();
    for (let m = 1; m < 900; m += 7) expect(readHours(sayHours(m / 60))).toBeCloseTo(m / 60, 9);
  });
});

describe('what a run says', () => {
  test('1 h 20 from 100 to 34 %: 2.02 h of all of it, of which the house leaves 15 % in', () => {
    const h = loggedHours({ hours: 4 / 3, full: 100, left: 34 }, 0.85)!;
    expect(h.value).toBeCloseTo(((4 / 3 / 66) * 100 * 85) / 100, 9);
    // Three percent of each reading, two minutes of the clock.
    expect(h.lo).toBeCloseTo(((4 / 3 - 1 / 30) / 72) * 85, 9);
    expect(h.hi).toBeCloseTo(((4 / 3 + 1 / 30) / 60) * 85, 9);
  });

  test('too little of a pack, and what cannot be, says nothing and is not kept', () => {
    expect(loggedHours({ hours: 1, full: 100, left: 91 }, 0.85)).toBeNull();
    expect(loggedHours({ hours: 0.01, full: 100, left: 0 }, 0.85)).toBeNull();
    expect(loggedHours({ hours: 1, full: 20, left: 80 }, 0.85)).toBeNull();
    expect(loggedHours({ hours: NaN, full: 100, left: 0 }, 0.85)).toBeNull();
    expect(runTrouble({ hours: 0, full: 100, left: 0 })).toMatch(/hours over 0/);
    expect(runTrouble({ hours: 1, full: 120, left: 0 })).toMatch(/percent/);
    expect(runTrouble({ hours: 1, full: 30, left: 30 })).toMatch(/less than before/);
    expect(runTrouble({ hours: 1, full: 100, left: 30 })).toBeNull();
  });
});

describe('hours by the log', () => {
  test('stand-ins that run under what is computed: the truth is inside what the log leaves', () => {
    const s = sourceOf(base);
    let narrower = 0;
    let runs = 0;
    fc.assert(
      fc.property(
        fc.array(fc.double({ min: 0, max: 1, noNaN: true }), { minLength: 40, maxLength: 40 }),
        (draws) => {
          let i = 0;
          const noted = standIn(builtOf(base), s, () => draws[i++ % 40]!)!;
          const job = logged(base, noted);
          const log = loggedOf(builtOf(job), sourceOf(job))!;
          const was = computed(base);
          const now = byLog(log, was);
          runs++;
          // All that it had, read to a percent and a minute, and 15 % of that left in it.
          const truth = (noted.hours / (1 - noted.left / 100)) * 0.85;
          expect(truth).toBeGreaterThan(now.lo);
          expect(truth).toBeLessThan(now.hi);
          expect(now.lo).toBeGreaterThanOrEqual(was.lo - 1e-9);
          expect(now.hi).toBeLessThanOrEqual(was.hi + 1e-9);
          if (now.hi - now.lo < 0.8 * (was.hi - was.lo)) narrower++;
        },
      ),
      { numRuns: 80 },
    );
    expect(narrower).toBeGreaterThan(runs / 2);
    const blind = edited(base, [{ path: ['kit', 'pane-5', 'watts'], value: undefined }]);
    expect(standIn(builtOf(blind), sourceOf(blind), () => 0.5)).toBeNull();
  });

  test('a run narrows the hours and says so; taken out again all is as before', () => {
    const was = hoursIn(base);
    const { lo, hi, value } = computed(base);
    const job = logged(base, lasting(value));
    const now = hoursIn(job);
    expect(now.margin!.lo).toBeGreaterThan(was.margin!.lo);
    expect(now.margin!.hi).toBeLessThan(was.margin!.hi);
    expect(now.why).toContain(`The log says ${sayHours(value)}`);
    expect(now.margin!.value).toBeCloseTo(value - job.goal!.hours!, 9);
    // The day is laid out by the same hours, on the list and in its check.
    const day = dayOf(builtOf(job))[0]!;
    expect(day.lasts!.lo).toBeCloseTo(now.margin!.lo + job.goal!.hours!, 9);
    const daily = checkRig(job, rigOf(job)).find((v) => v.id === 'power.day')!;
    expect(daily.margin!.lo).toBeCloseTo(day.sets * day.lasts!.lo - job.goal!.day!, 6);
    const [line] = runLines(builtOf(job));
    expect(line).toMatchObject({ state: 'inside', here: true });
    expect(line!.forecast!.lo).toBeCloseTo(lo, 2);
    expect(line!.forecast!.hi).toBeCloseTo(hi, 2);
    const back = applyEdit(job, forgetRun(line!.id)).doc;
    expect(back.runs).toBeUndefined();
    expect(hoursIn(back).margin).toEqual(was.margin);
  });

  test('a run that cannot be by the numbers is said, is never ok, and fails where both do', () => {
    const { value } = computed(base);
    const wanted = base.goal!.hours!;
    const half = hoursIn(logged(base, lasting(value / 2)));
    expect(half.state).toBe('tight');
    expect(half.why).toContain('something takes more or less than is written');
    const longer = hoursIn(logged(base, lasting(value * 3)));
    expect(longer.state).toBe('tight');
    expect(longer.margin!.lo).toBeCloseTo(computed(base).lo - wanted, 9);
    // Where only the ends meet it is one of the two that is wrong.
    const { lo } = computed(base);
    const edge = logged(base, lasting(lo * 0.97));
    expect(loggedOf(builtOf(edge), sourceOf(edge))!.hours.hi).toBeGreaterThan(lo);
    expect(hoursIn(edge).margin!.lo).toBeLessThan(lo * 0.97 - wanted);
    const hard = edited(base, [{ path: ['goal', 'hours'], value: 9 }]);
    expect(hoursIn(logged(hard, lasting(value / 2))).state).toBe('fail');
    expect(hoursIn(logged(hard, lasting(20))).state).toBe('tight');
  });

  test('where watts are missing the log is all there is: counted with, never ok', () => {
    const { value } = computed(base);
    const blind = (job: Job) =>
      edited(job, [{ path: ['kit', 'pane-5', 'watts'], value: undefined }]);
    expect(hoursIn(blind(base)).state).toBe('unknown');
    const v = hoursIn(blind(logged(base, lasting(value))));
    expect(v.state).toBe('tight');
    expect(v.why).toContain('By the log alone');
    expect(v.margin!.value).toBeCloseTo(value - base.goal!.hours!, 9);
    const daily = checkRig(blind(logged(base, lasting(20))), rigOf(base)).find(
      (x) => x.id === 'power.day',
    )!;
    expect(daily.state).not.toBe('ok');
  });

  test('of two runs that contradict each other the latest counts; of two that agree both', () => {
    const { value } = computed(base);
    const both = logged(logged(base, lasting(value / 2)), lasting(value));
    expect(hoursIn(both).why).toContain(`The log says ${sayHours(value)}`);
    const agree = logged(logged(base, lasting(value * 0.97)), lasting(value));
    const log = loggedOf(builtOf(agree), sourceOf(agree))!;
    expect(log.runs).toHaveLength(2);
    expect(log.hours.hi).toBeLessThan(log.runs[0]!.hours.hi);
    expect(sideBySide(builtOf(agree), sourceOf(agree)).map((b) => b.name)).toEqual([
      'as written on it',
      'counted on',
      'logged',
      'logged',
    ]);
  });

  test('at work and at rest all the time stand beside the mix of the day', () => {
    const idle = edited(base, [{ path: ['kit', 'body-b', 'wattsIdle'], value: exactly(8) }]);
    const at = (job: Job) =>
      new Map(sideBySide(builtOf(job), sourceOf(job)).map((b) => [b.name, b.hours.value]));
    const beside = at(idle);
    expect([...beside.keys()]).toEqual([
      'as written on it',
      'counted on',
      'all of it at work',
      'all of it at rest',
    ]);
    const rolling = (value: number) =>
      at(edited(idle, [{ path: ['rules', 'values', 'media.rolling'], value }])).get('counted on')!;
    expect(beside.get('all of it at work')).toBeCloseTo(rolling(1), 9);
    expect(beside.get('all of it at work')).toBeCloseTo(at(base).get('counted on')!, 9);
    // Watts of the mean go from one to the other on a straight line, so hours do as one over that.
    const [work, rest] = [1, 0].map((w) => 1 / beside.get(`all of it at ${w ? 'work' : 'rest'}`)!);
    expect(1 / rolling(0.5)).toBeCloseTo((work! + rest!) / 2, 2);
    expect(beside.get('counted on')).toBeCloseTo(rolling(0.3), 9);
    // What says nothing of rest is at work all the time: nothing more to say.
    expect([...at(base).keys()]).toEqual(['as written on it', 'counted on']);
  });

  test('a stand-in says nothing once something really ran, whichever came first', () => {
    const { value } = computed(base);
    const real = logged(base, lasting(value));
    const made = lasting(value / 2, { standIn: true });
    expect(hoursIn(logged(base, made)).why).toContain('stand-in');
    expect(hoursIn(logged(real, made)).margin).toEqual(hoursIn(real).margin);
    expect(hoursIn(logged(logged(base, made), lasting(value))).margin).toEqual(
      hoursIn(real).margin,
    );
  });

  test('with another thing on it, on another rig, or in other weather it counts for nothing', () => {
    const { value } = computed(base);
    const job = logged(base, lasting(value / 2));
    const was = hoursIn(base).margin;
    const run = (job.runs as PackRun[])[0]!;
    const other = (changed: Partial<PackRun>) => ({ ...job, runs: [{ ...run, ...changed }] });
    for (const c of [
      { fed: [...run.fed, 'pane-5'] },
      { fed: run.fed.slice(1) },
      { parts: ['keel-150'] },
      { source: 'elsewhere' },
      { rig: 'towpath-day' },
      { celsius: 40 },
      { left: 95 },
    ])
      expect(hoursIn(other(c)).margin).toEqual(was);
    // The order in which its things were noted says nothing.
    expect(hoursIn(other({ fed: [...run.fed].reverse() })).margin).toEqual(hoursIn(job).margin);
  });

  test('a little colder than then it gives as much less as packs do', () => {
    const { value } = computed(base);
    const warm = logged(base, lasting(value));
    const cold = edited(warm, [{ path: ['rigs', ID, 'celsius'], value: 10 }]);
    const [a, b] = [warm, cold].map((j) => loggedOf(builtOf(j), sourceOf(j))!.hours.value);
    expect(b! / a!).toBeCloseTo(usableAt(10) / usableAt(20), 9);
    expect(
      loggedOf(
        builtOf(edited(warm, [{ path: ['rigs', ID, 'celsius'], value: 0 }])),
        sourceOf(warm),
      ),
    ).toBeNull();
  });

  test('it is written and read again; one without its hours is said; a stand-in stays one', () => {
    const job = logged(base, lasting(computed(base).value, { standIn: true, when: '2026-11-20' }));
    const text = writeJob(job);
    const read = readJob(text);
    expect(read.ok && read.value.runs).toEqual(job.runs);
    expect(runLines(builtOf(job))[0]!.said).toMatch(/\(a stand-in\)$/);
    expect(hoursIn(job).why).toContain('A stand-in in the log says');
    const bad = readJob(
      text.replace(/"kind": ?"pack-run"/, '$&,"x":1').replace(/"hours": ?1\.\d+,"full"/, '"full"'),
    );
    expect(bad.ok).toBe(false);
    expect(!bad.ok && JSON.stringify(bad)).toMatch(/data\.hours/);
    const wild = readJob(text.replace(/"left": ?40/, '"left":400'));
    expect(wild.ok).toBe(false);
  });
});

describe('whatever was noted, of every rig of the demo', () => {
  const noted = fc.record({
    share: fc.double({ min: 0.6, max: 1.6, noNaN: true }),
    full: fc.integer({ min: 50, max: 100 }),
    left: fc.integer({ min: 0, max: 60 }),
  });

  test('the hours hold both or say that they contradict; nothing is ok that fails by its numbers', () => {
    let [narrowed, odd] = [0, 0];
    for (const [, { job, rig }] of demoStandings) {
      const bare: Job = { ...job, runs: [] };
      const at = (j: Job) => build(j, rig, shared(j));
      const source = sourcesOn(at(bare)).find((s) => s.feeds.length > 0);
      const was = source && computedHours(at(bare), source);
      if (!source || !was) continue;
      const of = (j: Job) => checkRig(j, rig).find((v) => v.key === `power.hours:${source.id}`)!;
      const before = of(bare);
      fc.assert(
        fc.property(noted, ({ share, full, left }) => {
          // About as long as is computed; where it shows more after than before it says nothing.
          const hours = (was.value * share * Math.abs(full - left)) / 85;
          const run = { hours, full, left };
          const kept = runOfSource(at(bare), source, 'run-1', run);
          const next: Job = { ...bare, runs: [kept] };
          const log = loggedOf(at(next), source);
          const now = of(next);
          if (!log) return expect(now.margin).toEqual(before.margin);
          const goal = job.goal?.hours ?? 0;
          const { lo, hi, value } = now.margin!;
          expect(lo).toBeLessThanOrEqual(value + 1e-9);
          expect(value).toBeLessThanOrEqual(hi + 1e-9);
          if (contradicts(log, was)) {
            odd++;
            expect(now.state).not.toBe('ok');
            expect(lo + goal).toBeCloseTo(Math.min(was.lo, log.hours.lo), 6);
            expect(hi + goal).toBeCloseTo(Math.max(was.hi, log.hours.hi), 6);
          } else {
            narrowed++;
            expect(lo + goal).toBeGreaterThanOrEqual(Math.max(was.lo, log.hours.lo) - 1e-6);
            expect(hi + goal).toBeLessThanOrEqual(Math.min(was.hi, log.hours.hi) + 1e-6);
          }
          if (before.state === 'fail') expect(now.state).not.toBe('ok');
          return undefined;
        }),
        { numRuns: 30 },
      );
    }
    expect(narrowed).toBeGreaterThan(3);
    expect(odd).toBeGreaterThan(10);
  });
});
