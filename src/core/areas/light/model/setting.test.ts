import fc from 'fast-check';
import type { Body, Job, LightUse, Rig } from '../../../kit/types';
import { safeAngle, safeAngles, steady } from '../../../optics/exposure';
import { findings } from '../../../solve/fixes';
import { withChanges } from '../../../edit/edit';
import { testBody, testJob } from '../../../test-kit';
import { checkRig } from '../../checks';

const body = (more: Partial<Body> = {}) => testBody({ isoFrom: 100, isoTo: 25600, ...more });
const lit = (light: LightUse, b: Body = body()): Job & { rigs: [Rig] } =>
  testJob({ body: b }, { light });
const one = (job: Job & { rigs: [Rig] }, key: string) =>
  checkRig(job, job.rigs[0]).find((v) => v.key === key);
const fixed = (job: Job & { rigs: [Rig] }, key: string) => {
  const fix = findings(job, job.rigs[0]).find((f) => f.key === key)!.fixes[0]!;
  return { title: fix.title, job: withChanges(job, fix.change) as typeof job };
};

describe('lamps on the mains', () => {
  test('24 fps under 50 Hz is safe at 172.8 degrees; 1/50 and 1/100, 1/60 and 1/120 are', () => {
    // Handbook table of exposure; multiples of half a period.
    expect(safeAngle(180, 24, 50)).toBeCloseTo(172.8, 9);
    expect(safeAngles(25, 50)).toEqual([90, 180, 270, 360]);
    expect(safeAngles(24, 60)).toEqual([72, 144, 216, 288, 360]);
    expect(safeAngle(180, 120, 50)).toBeNull();
    expect(steady(24, 60)).toBe(true);
    expect(steady(24, 50)).toBe(false);
  });

  test('by integration: light gathered from any moment on is the same at a safe angle only', () => {
    /** Largest over smallest of what is gathered, light swinging at twice the mains. */
    const swing = (seconds: number, mains: number) => {
      const gathered = Array.from({ length: 40 }, (_, k) => {
        const from = k / 40 / (2 * mains);
        const n = 400;
        let sum = 0;
        for (let i = 0; i < n; i++)
          sum += Math.sin(2 * Math.PI * mains * (from + ((i + 0.5) / n) * seconds)) ** 2;
        return sum / n;
      });
      return Math.max(...gathered) / Math.min(...gathered);
    };
    fc.assert(
      fc.property(
        fc.integer({ min: 12, max: 60 }),
        fc.constantFrom(50, 60),
        fc.double({ min: 20, max: 360, noNaN: true }),
        (fps, mains, angle) => {
          const safe = safeAngle(angle, fps, mains)!;
          expect(swing(safe / 360 / fps, mains)).toBeLessThan(1.0001);
          const half = safe - 90 * (fps / mains) * 0.5;
          if (half > 10) expect(swing(half / 360 / fps, mains)).toBeGreaterThan(1.01);
        },
      ),
      { numRuns: 40 },
    );
  });

  test('180 degrees at 24 fps can flicker under 50 Hz, and the nearest safe angle is taken', () => {
    const job = lit({ mains: 50 });
    const v = one(job, 'front.exposure:flicker')!;
    expect(v.state).toBe('tight');
    expect(v.why).toContain('172.8\u00b0');
    const after = fixed(job, 'front.exposure:flicker');
    expect(after.title).toBe('Set the shutter to 172.8\u00b0');
    expect(one(after.job, 'front.exposure:flicker')!.state).toBe('ok');
    expect(one(lit({ mains: 50, fps: 25 }), 'front.exposure:flicker')!.state).toBe('ok');
  });

  test('faster than the lamps swing no shutter helps; without lamps nothing is said', () => {
    const v = one(lit({ mains: 50, fps: 120 }), 'front.exposure:flicker')!;
    expect(v.state).toBe('tight');
    expect(v.why).toMatch(/^No shutter is free of flicker at 120 fps under 50 Hz/);
    expect(one(lit({ fps: 120 }), 'front.exposure:flicker')).toBeUndefined();
  });
});

describe('sensitivity', () => {
  const profiles = [
    { id: 'a', name: 'flat', base: 800 },
    { id: 'b', name: 'flat', base: 4000 },
    { id: 'c', name: 'video', base: 200 },
  ];

  test('outside what the body has it fails, and the end of the range is offered', () => {
    const job = lit({ iso: 51200 });
    expect(one(job, 'front.exposure:iso')!.state).toBe('fail');
    expect(one(fixed(job, 'front.exposure:iso').job, 'front.exposure:iso')!.state).toBe('ok');
    expect(one(lit({ iso: 25600 }), 'front.exposure:iso')!.state).toBe('ok');
    for (const gone of [{ isoFrom: undefined }, { isoTo: undefined }])
      expect(one(lit({ iso: 800 }, body(gone)), 'front.exposure:iso')!.state).toBe('unknown');
  });

  test('each base of the profile counts: 1600 is one stop from 800, 12800 is 1.68 from 4000', () => {
    const at = (iso: number, profile: string) =>
      one(lit({ iso, profile }, body({ profiles })), 'front.exposure:base')!;
    expect(at(800, 'a').state).toBe('ok');
    // A bound that is met exactly is met.
    expect(at(1600, 'a').state).toBe('ok');
    const far = at(12800, 'a');
    expect(far.state).toBe('tight');
    expect(far.margin!.value).toBeCloseTo(1 - Math.log2(12800 / 4000), 9);
    expect(at(4000, 'b').state).toBe('ok');
    expect(at(4000, 'c').state).toBe('tight');
  });

  test('which profile, or its base, that nobody gave is unknown; a body without profiles says nothing', () => {
    const key = 'front.exposure:base';
    expect(one(lit({ iso: 800 }, body({ profiles })), key)!.state).toBe('unknown');
    const lost = [{ ...profiles[0]!, base: undefined }, profiles[1]!];
    expect(one(lit({ iso: 800, profile: 'b' }, body({ profiles: lost })), key)!.state).toBe(
      'unknown',
    );
    expect(one(lit({ iso: 800 }, body({ profiles: [profiles[2]!] })), key)!.state).toBe('tight');
    expect(one(lit({ iso: 800 }), key)).toBeUndefined();
  });
});
