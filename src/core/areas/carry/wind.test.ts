import { build } from '../../build/build';
import { demoStandings } from '../../properties/rigs';
import { reading, readings } from '../../readings/readings';
import { demo } from '../../test-kit';
import { blown, windOn } from './model/wind';

const box = (u0: number, u1: number, v0: number, v1: number, name = 'a', loose = 0) => ({
  name,
  loose,
  outline: [
    [u0, v0],
    [u1, v0],
    [u1, v1],
    [u0, v1],
  ] as const,
});

describe('wind', () => {
  test('a plate on a stick: 1/2 rho v^2 c_d A h, in closed form', () => {
    // 200 x 100 mm, its middle 300 mm over the hold: 61.25 Pa x 1.2 x 0.02 m2 x 0.3 m (ISO 2533: 1.225 kg/m3).
    const w = blown([box(-100, 100, 250, 350)]);
    expect(w.area).toBeCloseTo(20_000, 6);
    expect(w.arm).toBeCloseTo(300, 6);
    expect(w.moment.value).toBeCloseTo(61.25 * 1.2 * 0.02 * 0.3, 9);
    expect(w.moment.lo).toBeCloseTo(61.25 * 0.9 * 0.02 * 0.3, 9);
    expect(w.moment.hi).toBeCloseTo(61.25 * 1.4 * 0.02 * 0.3, 9);
  });

  test('what stands behind something is counted once, what is beside it as well', () => {
    const front = box(0, 100, 0, 100);
    expect(blown([front, box(20, 80, 10, 90, 'b')]).area).toBeCloseTo(10_000, 6);
    expect(blown([front, box(50, 150, 0, 100, 'b')]).area).toBeCloseTo(15_000, 6);
    expect(blown([front, box(200, 300, 0, 100, 'b')]).area).toBeCloseTo(20_000, 6);
    expect(blown([front, box(0, 40, 400, 440, 'b')]).most).toBe('b');
  });

  test('under the hold it turns the other way; as much above as below is nothing', () => {
    expect(blown([box(0, 100, -200, -100)]).moment.value).toBeLessThan(0);
    expect(blown([box(0, 100, -50, 50)]).moment.value).toBeCloseTo(0, 12);
  });

  test('a round one against points thrown at it', () => {
    const outline = Array.from({ length: 60 }, (_, i) => {
      const a = (2 * Math.PI * i) / 60;
      return [40 * Math.cos(a), 120 + 40 * Math.sin(a)] as const;
    });
    const w = blown([{ name: 'ball', outline, loose: 0 }]);
    const polygon = (60 / 2) * 40 ** 2 * Math.sin((2 * Math.PI) / 60);
    expect(w.area / polygon).toBeCloseTo(1, 3);
    expect(w.arm).toBeCloseTo(120, 3);
  });

  test('edges that may be off widen it by no less than they can do', () => {
    const at = (d: number) => blown([box(-100 - d, 100 + d, 250 - d, 350 + d)]).moment;
    const loose = blown([box(-100, 100, 250, 350, 'a', 5)]).moment;
    expect(loose.hi).toBeGreaterThanOrEqual(at(5).hi);
    expect(loose.lo).toBeLessThanOrEqual(at(-5).lo);
  });

  test.each(demoStandings)(
    'the readings say it where it is held, else nothing: %s',
    (_n, { job, rig }) => {
      const built = build(job, rig);
      const list = readings(built).filter((r) => r.id.startsWith('wind:'));
      expect(list).toHaveLength(rig.carry?.by ? 2 : 0);
      for (const r of list) {
        // What is not known of the rig is not known of the wind on it.
        expect(r.value === null).toBe(r.missing.length > 0 || r.text === 'unknown');
        if (r.value !== null) expect(r.lo <= r.value && r.value <= r.hi).toBe(true);
      }
    },
  );

  test('a screen put up catches more across the lens; without its size nobody knows', () => {
    const job = demo();
    const rig = job.rigs.find((r) => r.id === 'tug-b')!;
    const whole = windOn(build(job, rig), 'fore')!;
    const bare = windOn(
      build(job, { ...rig, fitted: rig.fitted!.filter((u) => u.part !== 'pane-5') }),
      'fore',
    )!;
    expect(whole.moment.value).toBeGreaterThan(bare.moment.value);
    const kit = job.kit.map((p) => (p.id === 'pane-5' ? { ...p, height: undefined } : p));
    const blind = readings(build({ ...job, kit } as typeof job, rig));
    expect(reading(blind, 'wind:fore')!.value).toBeNull();
    // A part that is not in the kit any more is somewhere on the rig all the same.
    const gone = { ...job, kit: job.kit.filter((p) => p.id !== 'pane-5') } as typeof job;
    expect(reading(readings(build(gone, rig)), 'wind:fore')!.value).toBeNull();
  });
});
