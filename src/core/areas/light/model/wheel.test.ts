import fc from 'fast-check';
import { build } from '../../../build/build';
import { checkRig } from '../../checks';
import type { Adapter, Job, Rig, WheelPlace } from '../../../kit/types';
import { findings } from '../../../solve/fixes';
import { withChanges } from '../../../edit/edit';
import { exactly, testAdapter, testBody, testJob, testLens } from '../../../test-kit';
import { glassOf, lightFigures } from './light';
import { wheelAnswers, wheelsOf } from './wheel';

const places = (...stops: (number | undefined)[]): WheelPlace[] =>
  stops.map((s, i) => ({
    id: `p${i}`,
    name: s === 0 ? 'clear' : `place ${i}`,
    ...(s === undefined ? {} : { stops: exactly(s) }),
  }));
/** 2^13 x 8 / 48 asks for T36.95; to T2 that is 8.415 stops. */
const light = { ev: 13, iso: 800, fps: 24, angle: 180 };
const withWheel = (
  wheel: WheelPlace[],
  rig: Partial<Rig> = {},
  links: Adapter[] = [testAdapter()],
): Job & { rigs: [Rig] } =>
  testJob(
    {
      body: testBody({ wheel, isoFrom: 100, isoTo: 6400 }),
      lens: testLens({ tStop: exactly(2) }),
      links,
    },
    { light, ...rig },
  );
const exposure = (job: Job & { rigs: [Rig] }) =>
  checkRig(job, job.rigs[0]).find((v) => v.key === 'front.exposure')!;

describe('a filter wheel', () => {
  test('clear when nobody says; the nearest place is named, taken and right', () => {
    const job = withWheel(places(0, 2, 4, 6, 8.4));
    const v = exposure(job);
    expect(v.state).toBe('fail');
    expect(v.why).toMatch(/place 4 on the wheel of Test body brings it to within 0\.0\d stops/);
    const fix = findings(job, job.rigs[0])
      .find((f) => f.key === 'front.exposure')!
      .fixes.find((x) => /^Turn place 4 in/.test(x.title))!;
    const next = withChanges(job, fix.change) as typeof job;
    expect(next.rigs[0].wheel).toBe('p4');
    expect(exposure(next).state).toBe('ok');
  });

  test('no clear place and nobody says, a place that is gone, stops that nobody gave: unknown', () => {
    expect(exposure(withWheel(places(2, 4))).state).toBe('unknown');
    expect(exposure(withWheel(places(0, 4), { wheel: 'elsewhere' })).state).toBe('unknown');
    expect(exposure(withWheel(places(0, undefined), { wheel: 'p1' })).state).toBe('unknown');
  });

  test('filters that drop into a slot by turns: one of them counts, an empty slot counts none', () => {
    const link = testAdapter({ slotType: 'nd', slotStops: exactly(3), wheel: places(0, 3, 6) });
    const job = withWheel([], { between: [{ part: 'adapter', wheel: 'p2' }] }, [link]);
    const takes = (rig: Partial<Rig>) =>
      glassOf(build(job, { ...job.rigs[0], ...rig })).map((g) => g.least.known?.value);
    expect(takes({})).toEqual([6]);
    expect(takes({ between: [{ part: 'adapter' }] })).toEqual([0]);
    expect(takes({ between: [{ part: 'adapter', slot: 'empty' }] })).toEqual([]);
    expect(lightFigures(build(job, job.rigs[0])).total).toEqual({ least: 6, most: 6 });
  });

  test('the place offered is the nearest of all, or none is nearer than what is in', () => {
    const stops = fc.integer({ min: 0, max: 20 }).map((n) => n / 2);
    fc.assert(
      fc.property(
        fc.array(stops, { minLength: 1, maxLength: 6 }),
        fc.nat(5),
        fc.double({ min: -6, max: 10, noNaN: true }),
        (list, set, missing) => {
          const wheel = places(...list);
          const job = withWheel(wheel, { wheel: wheel[set % wheel.length]!.id });
          const built = build(job, job.rigs[0]);
          const now = list[set % list.length]!;
          const off = (s: number) => Math.abs(missing - (s - now));
          const best = Math.min(...list.map(off));
          const [answer] = wheelAnswers(built, missing);
          if (best < Math.abs(missing) - 1e-9) expect(Math.abs(answer!.left)).toBeCloseTo(best, 9);
          else expect(answer).toBeUndefined();
          expect(wheelsOf(built)[0]!.takes.known!.value).toBe(now);
        },
      ),
    );
  });
});
