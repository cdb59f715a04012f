import fc from 'fast-check';
import { build, shared } from '../../build/build';
import { withChanges } from '../../edit/edit';
import type { Change } from '../../kit/types';
import { demo, exactly } from '../../test-kit';
import { check } from '../checks';

/** Whether the cards on hand hold a day. */

const base = demo();
const of = (...changes: Change[]) => {
  const job = withChanges(base, changes);
  const rig = job.rigs.find((r) => r.id === 'tug-b')!;
  return check(build(job, rig, shared(job))).find((v) => v.key === 'media.day');
};
const kit = (id: string, field: string, value: unknown): Change => ({
  path: ['kit', id, field],
  value,
});
const rate = (value: unknown): Change => ({
  path: ['kit', 'body-b', 'modes', 'cine-1.9', 'rate'],
  value,
});

test('by hand: 153 min at 2200 Mb/s are 2524.5 GB, and two cards of 512 hold 1024', () => {
  const v = of()!;
  expect(v.state).toBe('tight');
  // The second goes into the same slot and writes 480 MB/s: 3840 Mb/s, over 1.2 x 2200.
  expect(v.margin!.value).toBeCloseTo(1024 - 2524.5, 6);
  expect(v.why).toBe(
    'A day is 2525 GB; Bilge 512 and Locker 512 hold 1024 GB and have to be copied and emptied before it is over: what is in is full every 1.7 h.',
  );
  // 1500.5 GB are missing: three of 512.
  expect(v.wanted).toEqual(['3 more of Bilge 512']);
});

test('as many more as are wanted are enough, one fewer is not', () => {
  fc.assert(
    fc.property(
      fc.integer({ min: 200, max: 3500 }),
      fc.integer({ min: 1, max: 12 }),
      (mbs, hours) => {
        const day = [rate(exactly(mbs)), { path: ['goal', 'day'], value: hours }];
        const v = of(...day)!;
        if (v.state === 'ok') return;
        const n = Number(/^(\d+) more of Bilge 512$/.exec(v.wanted[0]!)![1]);
        const has = (more: number) => of(...day, kit('bilge-512', 'count', 1 + more))!;
        expect(has(n).state).toBe('ok');
        expect(has(n - 1).state).toBe('tight');
      },
    ),
    { numRuns: 60 },
  );
});

test('what does not go in, or does not keep up for sure, is no card for the day', () => {
  const without = 512 - 2524.5;
  for (const change of [
    kit('locker-512', 'sustained', undefined),
    kit('locker-512', 'sustained', 200),
    kit('locker-512', 'plug', undefined),
    kit('locker-512', 'plug', 'usb-c'),
    kit('locker-512', 'count', 0),
    kit('locker-512', 'gigabytes', undefined),
  ])
    expect(of(change)!.margin!.value).toBeCloseTo(without, 6);
});

test('nothing is said without a day or a card, and nothing is ok without its numbers', () => {
  expect(of({ path: ['goal', 'day'], value: undefined })).toBeUndefined();
  expect(of({ path: ['rigs', 'tug-b', 'cards'], value: undefined })).toBeUndefined();
  expect(of(kit('bilge-512', 'gigabytes', undefined))!.state).toBe('unknown');
  expect(of(rate(undefined))!.state).toBe('unknown');
});
