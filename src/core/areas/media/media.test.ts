import { build, shared } from '../../build/build';
import { applyEdit } from '../../edit/edit';
import type { Change } from '../../kit/types';
import { fixesFor } from '../../solve/fixes';
import { demo } from '../../test-kit';
import { check } from '../checks';
import { deedsOf, putOn } from '../moves';
import { weightsOf } from '../carry/model/weighed';
import { modesBeside, sayMode } from './model/modes';

/** What is recorded on: minutes, speed, and where it is kept. */

const RIG = 'tug-b';
/** Minutes by themselves, and not against what the job wants. */
const base = { ...demo(), goal: undefined };

function rigged(changes: readonly Change[]) {
  const job = applyEdit(base, { title: 'x', changes: [...changes] }).doc;
  const rig = job.rigs.find((r) => r.id === RIG)!;
  const built = build(job, rig, shared(job));
  const said = check(built);
  return { job, rig, built, of: (key: string) => said.find((v) => v.key === key) };
}
const kit = (id: string, ...rest: [...string[], unknown]): Change => ({
  path: ['kit', id, ...(rest.slice(0, -1) as string[])],
  value: rest[rest.length - 1],
});

test('minutes: 512 GB at 2200 Mb/s 31.0, 1 TB at 1200 Mb/s 111.1, two cards together', () => {
  expect(rigged([]).of('media.minutes')!.margin!.value).toBeCloseTo(31.03, 2);
  const tera = rigged([
    kit('bilge-512', 'gigabytes', 1000),
    kit('body-b', 'modes', 'cine-1.9', 'rate', 1200),
  ]);
  expect(tera.of('media.minutes')!.margin!.value).toBeCloseTo(111.11, 2);
  const { job, rig } = rigged([]);
  const two = applyEdit(
    job,
    putOn(
      job,
      rig,
      job.kit.find((p) => p.id === 'locker-512')!,
    )!,
  ).doc;
  const built = build(
    two,
    two.rigs.find((r) => r.id === RIG)!,
  );
  expect(check(built).find((v) => v.key === 'media.minutes')!.margin!.value).toBeCloseTo(62.06, 2);
});

test('what the job wants without a change is held against it, by the share that is rolled', () => {
  const { of } = rigged([{ path: ['goal'], value: { hours: 2 } }]);
  // 2 h, of which 0.3 is rolled: 36 min wanted, 31 there.
  expect(of('media.minutes')!.state).toBe('fail');
  expect(of('media.minutes')!.margin!.value).toBeCloseTo(31.03 - 36, 2);
});

test('too slow at the rate, the faster one is a fix that was tried; at the limit either way', () => {
  const { job, built, of } = rigged([]);
  const v = of('media.speed:card')!;
  expect(v.state).toBe('fail');
  expect(fixesFor(built, v, shared(job)).map((f) => f.title)).toContain(
    'Use Locker 512 instead of Bilge 512',
  );
  // 1.2 x 2200 / 8 = 330 MB/s.
  expect(rigged([kit('bilge-512', 'sustained', 330)]).of('media.speed:card')!.state).toBe('ok');
  expect(rigged([kit('bilge-512', 'sustained', 329.9)]).of('media.speed:card')!.state).toBe('fail');
});

test('a number that is missing leaves it unknown; no card says nothing', () => {
  for (const change of [
    kit('body-b', 'modes', 'cine-1.9', 'rate', undefined),
    kit('bilge-512', 'sustained', undefined),
  ])
    expect(rigged([change]).of('media.speed:card')!.state).toBe('unknown');
  expect(rigged([kit('bilge-512', 'gigabytes', undefined)]).of('media.minutes')!.state).toBe(
    'unknown',
  );
  const none = rigged([{ path: ['rigs', RIG, 'cards'], value: undefined }]);
  expect(none.of('media.minutes')).toBeUndefined();
});

test('it is put in, taken out, and weighs in the camera', () => {
  const { job, rig, built } = rigged([]);
  expect(weightsOf(built).find((w) => w.part.id === 'bilge-512')!.key).toBe('body');
  const off = deedsOf(job, rig).find((d) => d.title === 'Take Bilge 512 off')!;
  const after = applyEdit(job, off).doc.rigs.find((r) => r.id === RIG)!;
  expect(after.cards ?? []).toEqual([]);
});

describe('modes side by side', () => {
  const at = (changes: readonly Change[]) => modesBeside(rigged(changes).built);

  test('each by its own rate: minutes, the size of a day, how often what is in is filled', () => {
    const modes = at([{ path: ['goal'], value: { day: 10 } }]);
    expect(modes.map((m) => m.mode.name)).toEqual(['1.9:1 full width', 'open gate 4:3', '16:9']);
    // 512 GB at 2200, 1700, 1100 Mb/s; 10 h of which 0.3 is rolled are 180 min.
    expect(modes.map((m) => Math.round(m.minutes!.value * 100) / 100)).toEqual([
      31.03, 40.16, 62.06,
    ]);
    expect(modes[2]!.day!.rolled).toBeCloseTo(180, 9);
    expect(modes[2]!.day!.gigabytes.value).toBeCloseTo((180 * 60 * 1100) / 8000, 9);
    expect(modes[2]!.day!.fills!.value).toBeCloseTo(1485 / 512, 9);
    // 250 MB/s are 2000 Mb/s: 1.2 x 2200 and 1.2 x 1700 are more, 1.2 x 1100 is not.
    expect(modes.map((m) => m.keepsUp)).toEqual(['no', 'no', 'yes']);
    expect(modes.filter((m) => m.here)).toHaveLength(1);
    expect(sayMode(modes[2]!)).toBe(
      '1100 Mb/s; 62 min on what is in; what is in keeps up; a day is 180 min rolled, 1485 GB, what is in filled 2.9 times',
    );
  });

  test('the mode that is recorded in says what the checks say', () => {
    const { built, of } = rigged([]);
    const here = modesBeside(built).find((m) => m.here)!;
    expect(here.minutes!.value).toBeCloseTo(of('media.minutes')!.margin!.value, 9);
    expect(here.keepsUp).toBe(of('media.speed:card')!.state === 'fail' ? 'no' : 'yes');
    expect(here.day).toBeNull();
  });

  test('what is missing is null, never well; without a card nothing is said of one', () => {
    const [first] = at([kit('body-b', 'modes', 'cine-1.9', 'rate', undefined)]);
    expect(first).toMatchObject({ rate: null, minutes: null, keepsUp: null });
    expect(sayMode(first!)).toBe('data rate not known');
    const slow = at([kit('bilge-512', 'sustained', undefined)]);
    expect(slow.map((m) => m.keepsUp)).toEqual([null, null, null]);
    const none = at([{ path: ['rigs', RIG, 'cards'], value: [] }]);
    expect(none.every((m) => m.minutes === null && m.keepsUp === null)).toBe(true);
    const wide = at([kit('body-b', 'modes', 'uhd', 'rate', { value: 1660, tol: 100 })]);
    expect(wide[2]!.keepsUp).toBe('maybe');
  });
});
