import fc from 'fast-check';
import { build, shared } from '../../build/build';
import { withChanges } from '../../edit/edit';
import { copyingHours, gigabytesOf } from '../../feed/card';
import type { Change } from '../../kit/types';
import { demo, exactly } from '../../test-kit';
import { check } from '../checks';

/** What is copied off cards in the night. */

const base = demo();
const KEY = 'media.offload:night';
const of = (...changes: Change[]) => {
  const job = withChanges(base, changes);
  const rig = job.rigs.find((r) => r.id === 'tug-b')!;
  return check(build(job, rig, shared(job))).find((v) => v.key === KEY);
};
const hatch = (field: string, value: unknown): Change => ({ path: ['kit', 'hatch', field], value });

test('by hand: 3600 GB at 500 MB/s take two hours, copied and compared four', () => {
  expect(copyingHours(3600, 500, 1)).toBe(2);
  expect(copyingHours(3600, 500, 2)).toBe(4);
  // 8.5 h, three tenths rolled: 153 min at 2200 Mb/s are 2524.5 GB; twice at 360 MB/s 3.896 h.
  expect(gigabytesOf(8.5 * 60 * 0.3, 2200)).toBeCloseTo(2524.5, 6);
  const v = of()!;
  expect(v.state).toBe('ok');
  expect(v.margin!.value).toBeCloseTo(7 - (2524.5 * 1000 * 2) / 360 / 3600, 6);
  expect(v.why).toBe('Hatch reader reads the 2525 GB of a day twice in 3.9 h; the night has 7 h.');
});

test.each<[string, Change[], string, RegExp]>([
  [
    'no reader',
    [{ path: ['kit', 'hatch'], value: undefined }],
    'unknown',
    /no reader is in the kit/,
  ],
  ['one that is only hired', [hatch('count', 0)], 'unknown', /no reader is in the kit/],
  [
    'nobody said what it takes',
    [hatch('madeFor', undefined)],
    'unknown',
    /which cards Hatch reader takes/,
  ],
  [
    'it takes others',
    [hatch('madeFor', ['hold-1t'])],
    'fail',
    /No reader of the kit takes Bilge 512/,
  ],
  ['nobody said how fast it is', [hatch('copies', undefined)], 'unknown', /Hatch reader.* missing/],
  [
    'nobody said what the mode sends',
    [{ path: ['kit', 'body-b', 'modes', 'cine-1.9', 'rate'], value: undefined }],
    'unknown',
    /data rate/,
  ],
  ['it is slow', [hatch('copies', 150)], 'fail', /9\.3 h/],
])('%s: %s', (_n, changes, state, why) => {
  const v = of(...changes)!;
  expect(v.state).toBe(state);
  expect(v.why).toMatch(why);
});

test('a job without a day or a night is asked nothing, nor a camera without a card', () => {
  for (const k of ['day', 'night'])
    expect(of({ path: ['goal', k], value: undefined })).toBeUndefined();
  expect(of({ path: ['rigs', 'tug-b', 'cards'], value: undefined })).toBeUndefined();
});

test('the faster of two is taken, and one as fast as is looked for is enough', () => {
  fc.assert(
    fc.property(
      fc.integer({ min: 20, max: 190 }),
      fc.integer({ min: 2, max: 12 }),
      (speed, night) => {
        const slow = [hatch('copies', exactly(speed)), { path: ['goal', 'night'], value: night }];
        const v = of(...slow)!;
        if (v.state === 'ok') return;
        const wanted = /copies (\d+) MB\/s at the least/.exec(v.wanted[0]!);
        const second = {
          ...base.kit.find((p) => p.id === 'hatch')!,
          id: 'second',
          name: 'Second',
          copies: exactly(Number(wanted![1])),
        };
        const better = of(...slow, { path: ['kit', 'second'], value: second })!;
        expect(better.state).toBe('ok');
        expect(better.why).toContain('Second reads');
      },
    ),
    { numRuns: 40 },
  );
});
