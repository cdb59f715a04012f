import fc from 'fast-check';
import { build, shared } from '../../build/build';
import { withChanges } from '../../edit/edit';
import type { Change, Job } from '../../kit/types';
import { demo } from '../../test-kit';
import { check } from '../checks';
import { outletsOn } from './model/outlets';

/** A camera that is charged while it runs, or lives on its own battery in the end. */

const RIG = 'anamorphic';
const BODY = 'body-a';
const part = (key: string, value: unknown): Change => ({ path: ['kit', BODY, key], value });

const exactly = (value: number | undefined) =>
  value === undefined ? undefined : { value, tol: 0, from: 'measured' };

/** The camera of the rig with a battery of its own: all known, nothing loose. */
function rigged(
  own: { wh?: number; takesIn?: number; watts?: number; day?: number; pack?: boolean | null },
  more: readonly Change[] = [],
  from: Job = demo(),
) {
  const job = withChanges(from, [
    part('ownPack', own.pack === null ? undefined : (own.pack ?? true)),
    part('ownWattHours', exactly(own.wh)),
    part('chargeWatts', exactly(own.takesIn)),
    part('watts', exactly(own.watts)),
    part('wattsIdle', undefined),
    part('wattsReady', undefined),
    { path: ['goal', 'day'], value: own.day },
    ...more,
  ]);
  const rig = job.rigs.find((r) => r.id === RIG)!;
  const built = build(job, rig, shared(job));
  const v = check(built).find((x) => x.key === 'power.charge:own:body:body');
  return { job, rig, built, v };
}

describe('a device with a battery of its own that is fed', () => {
  test('gains where it takes in more than it takes: 27 - 18 = 9 W', () => {
    const { v } = rigged({ takesIn: 27, watts: 18, wh: 12, day: 5 });
    expect(v!.state).toBe('ok');
    expect(v!.margin!.value).toBeCloseTo(9, 9);
    expect(v!.why).toMatch(/takes in up to 27 W and uses 18 W on the mean of the day.*gains on it/);
  });

  test('drains where it takes in less, and lasts the day or does not: by hand', () => {
    // 22 Wh x 0.85 = 18.7 Wh; 18 - 15 = 3 W: 6.23 h, over 5 h 3.7 Wh are left.
    const lasts = rigged({ takesIn: 15, watts: 18, wh: 22, day: 5 }).v!;
    expect(lasts.margin!.value).toBeCloseTo(22 * 0.85 - 3 * 5, 9);
    expect(lasts.state).toBe('tight');
    expect(lasts.why).toMatch(/empty after 6 h 14; the day has 5 h 00/);
    const dark = rigged({ takesIn: 15, watts: 18, wh: 22, day: 8 }).v!;
    expect(dark.state).toBe('fail');
    expect(dark.margin!.value).toBeCloseTo(22 * 0.85 - 24, 9);
    expect(dark.why).toMatch(/goes dark before the end/);
    const open = rigged({ takesIn: 15, watts: 18, wh: 22 }).v!;
    expect(open.state).toBe('tight');
    expect(open.why).toMatch(/How long the day is nobody said/);
  });

  test('it takes in no more than its outlet gives', () => {
    const { built } = rigged({ takesIn: 500, watts: 18, wh: 1, day: 1 });
    const { from, id } = built.rig.outlet!;
    const out = outletsOn(built).find((o) => o.from === from && o.id === id)!;
    const { v } = rigged({ takesIn: 500, watts: 18, wh: 1, day: 1 });
    const most = out.amps.known!.value * out.least.known!.value;
    expect(most).toBeLessThan(500);
    expect(v!.margin!.value).toBeCloseTo(most - 18, 6);
  });

  test('what is missing is unknown, never ok; what has none, or is not fed, is not asked', () => {
    expect(rigged({ takesIn: undefined, watts: 18, wh: 12, day: 5 }).v!.state).toBe('unknown');
    expect(rigged({ takesIn: 27, watts: undefined, wh: 12, day: 5 }).v!.state).toBe('unknown');
    const drained = rigged({ takesIn: 15, watts: 18, wh: undefined, day: 5 }).v!;
    expect(drained.state).toBe('unknown');
    expect(drained.why).toMatch(/How long that lasts is not known/);
    // What it holds does not matter while it gains.
    expect(rigged({ takesIn: 27, watts: 18, day: 5 }).v!.state).toBe('ok');
    expect(rigged({ takesIn: 27, watts: 18, wh: 12, day: 5, pack: false }).v).toBeUndefined();
    const open = rigged({ takesIn: 27, watts: 18, wh: 12, day: 5, pack: null }).v!;
    expect(open.state).toBe('unknown');
    expect(open.why).toMatch(/whether it has a battery of its own nobody said/);
    expect(rigged({ watts: 18, day: 5, pack: null }).v).toBeUndefined();
    const unfed = [{ path: ['rigs', RIG, 'outlet'], value: undefined }];
    expect(rigged({ takesIn: 27, watts: 18, wh: 12, day: 5 }, unfed).v).toBeUndefined();
  });

  test('against minutes counted one by one, drawn from the tolerances: no draw leaves the interval', () => {
    const around = fc.tuple(
      fc.integer({ min: 5, max: 40 }),
      fc.integer({ min: 5, max: 40 }),
      fc.integer({ min: 2, max: 60 }),
      fc.integer({ min: 1, max: 12 }),
    );
    fc.assert(
      fc.property(
        around,
        fc.array(fc.double({ min: 0, max: 1, noNaN: true }), { minLength: 3, maxLength: 3 }),
        ([takesIn, watts, wh, day], u) => {
          const loose = (value: number, k: number) => ({ value, tol: value * k, from: 'sheet' });
          const { v } = rigged({ day }, [
            part('chargeWatts', loose(takesIn, 0.05)),
            part('watts', loose(watts, 0.1)),
            part('ownWattHours', loose(wh, 0.08)),
          ]);
          const at = (value: number, k: number, t: number) => value * (1 - k + 2 * k * t);
          const [inn, out, held] = [
            at(takesIn, 0.05, u[0]!),
            at(watts, 0.1, u[1]!),
            at(wh, 0.08, u[2]!),
          ];
          let left = held * 0.85;
          for (let m = 0; m < day * 60; m++) left += (inn - out) / 60;
          if (v!.margin!.unit === 'Wh') {
            expect(left).toBeGreaterThanOrEqual(v!.margin!.lo - 1e-6);
            expect(left).toBeLessThanOrEqual(v!.margin!.hi + 1e-6);
          } else {
            expect(inn - out).toBeGreaterThanOrEqual(v!.margin!.lo - 1e-6);
            expect(inn - out).toBeLessThanOrEqual(v!.margin!.hi + 1e-6);
          }
          if (v!.state === 'ok') expect(left).toBeGreaterThan(0);
          if (v!.state === 'fail') expect(left).toBeLessThan(0);
        },
      ),
      { numRuns: 60 },
    );
  });
});
