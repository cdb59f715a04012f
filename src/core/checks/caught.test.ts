import type { Job } from '../kit/types';
import { cautions } from '../areas/cautions';
import { build } from '../build/build';
import { glassShift } from '../optics/backfocus';
import { withChanges } from '../edit/edit';
import { demo, exactly, testAdapter, testBody, testJob, testLens } from '../test-kit';
import { checkRig } from '../areas/checks';
import { RANK, type Verdict } from './finding';

/** What once passed because nobody had looked. */

type OneRig = ReturnType<typeof testJob>;
const one = (job: OneRig, key: string): Verdict => {
  const list = checkRig(job, job.rigs[0]);
  const v = list.find((x) => x.key === key || x.id === key);
  if (!v) throw new Error(`no ${key} among ${list.map((x) => x.key).join(', ')}`);
  return v;
};
const demoOne = (job: Job, rig: string, key: string): Verdict | undefined =>
  checkRig(
    job,
    job.rigs.find((r) => r.id === rig)!,
  ).find((v) => v.key === key || v.id === key);

describe('focus is one sum', () => {
  // N c = 2 x 0.030 mm at T2 on this chip: 0.060. Flange and glass each stay inside of it.
  const rig = (off: number, glass: number) =>
    testJob(
      {
        body: testBody({ flange: exactly(20) }),
        lens: testLens({ flange: exactly(44), fStop: exactly(2), tStop: exactly(2) }),
        links: [
          testAdapter({
            length: exactly(24 + off),
            play: exactly(0),
            slotGlass: exactly(glass),
            slotIndex: exactly(1.517),
          }),
        ],
      },
      { between: [{ part: 'adapter', slot: 'glass' }] },
    );
  const thickness = (shift: number) => shift / (1 - 1 / 1.517);

  test('two errors that pass alone and not together fail, in both checks alike', () => {
    expect(glassShift(thickness(0.041), 1.517)).toBeCloseTo(0.041, 9);
    const limit = one(rig(0, 0), 'mount.flange').limit!.value;
    expect(limit).toBeCloseTo(0.06, 9);
    const job = rig(-0.035, thickness(0.041));
    const flange = one(job, 'mount.flange');
    // The lens sits 0.035 too close, and the glass moves focus back by another 0.041.
    expect(flange.state).toBe('fail');
    expect(flange.margin!.value).toBeCloseTo(0.06 - 0.076, 6);
    expect(one(job, 'mount.glass-path').state).toBe('fail');
    expect(one(rig(-0.035, 0.001), 'mount.flange').state).not.toBe('fail');
    expect(one(rig(0, thickness(0.041)), 'mount.flange').state).not.toBe('fail');
  });

  test('an adapter that is longer by what its glass takes is no error', () => {
    const shift = glassShift(2, 1.517);
    expect(shift).toBeCloseTo(0.68, 2);
    const job = rig(shift, 2);
    expect(one(job, 'mount.flange').state).toBe('ok');
    expect(one(job, 'mount.glass-path').state).toBe('ok');
  });
});

describe('what opening up may not do', () => {
  test('no stop wider than another covers more', () => {
    const rows = [
      { stop: 2.8, diameter: exactly(43.5) },
      { stop: 5.6, diameter: exactly(46) },
    ];
    let before = -1;
    for (const stop of [2, 2.8, 4, 5.6, 8]) {
      const job = testJob({ lens: testLens({ imageCircle: rows }) }, { stop });
      const now = RANK[one(job, 'coverage.frame').state];
      expect(now).toBeGreaterThanOrEqual(before);
      before = now;
    }
    // Wider open than any line: the widest line is an upper bound, and it is said.
    const wide = one(
      testJob({ lens: testLens({ imageCircle: rows }) }, { stop: 2 }),
      'coverage.frame',
    );
    expect(['tight', 'fail']).toContain(wide.state);
    expect(wide.why).toContain('never larger');
  });
});

describe('pieces and pairs', () => {
  const job = demo();

  test('one ring in two places is one too many', () => {
    const rig = job.rigs.find((r) => r.id === 'tug-b')!;
    const ring = rig.thread![0]!.part;
    const twice = withChanges(job, [
      { path: ['rigs', 'tug-b', 'thread', 'again'], value: { id: 'again', part: ring } },
    ]);
    expect(demoOne(job, 'tug-b', 'space.pieces')!.state).toBe('ok');
    const v = demoOne(twice, 'tug-b', `space.pieces:${ring}`)!;
    expect(v.state).toBe('fail');
    expect(v.why).toContain('in 2 places');
    const two = withChanges(twice, [{ path: ['kit', ring, 'count'], value: 2 }]);
    expect(demoOne(two, 'tug-b', 'space.pieces')!.state).toBe('ok');
  });

  test('two pairs of rods do not go into one bore', () => {
    const more = withChanges(job, [
      {
        path: ['rigs', 'tug-b', 'rods', 'second'],
        value: { id: 'second', part: 'lath-450', place: 'through' },
      },
    ]);
    const grips = checkRig(
      more,
      more.rigs.find((r) => r.id === 'tug-b')!,
    ).filter((v) => v.id === 'rods.grip');
    expect(grips.some((v) => v.state === 'fail' && /bore/.test(v.why))).toBe(true);
  });

  test('a rig without its plate says nothing of its rods', () => {
    const off = withChanges(job, [
      { path: ['rigs', 'tug-b', 'under'], value: undefined },
      { path: ['rigs', 'tug-b', 'fitted'], value: undefined },
    ]);
    const rods = checkRig(
      off,
      off.rigs.find((r) => r.id === 'tug-b')!,
    ).filter((v) => v.id.startsWith('rods.'));
    expect(rods.length).toBeGreaterThan(0);
    // That a clamp is made for such rods needs no plate; everything else does.
    const fine = rods.filter((v) => v.state === 'ok' && v.id !== 'rods.system');
    expect(fine.map((v) => v.key)).toEqual([]);
  });
});

describe('loads', () => {
  const job = demo();
  const has = (path: string[], value: unknown) => withChanges(job, [{ path, value }]);

  test('support and mount speak of one number', () => {
    for (const rig of job.rigs) {
      const list = checkRig(job, rig);
      const need = list.find((v) => v.id === 'support.need');
      const loads = list.filter((v) => v.id === 'mount.load');
      if (!need?.margin || loads.length === 0) continue;
      const worst = Math.min(...loads.map((v) => v.margin?.value ?? Infinity));
      if (loads.some((v) => v.state === 'fail')) {
        expect(need.state).toBe('fail');
        expect(need.margin.value).toBeCloseTo(worst, 9);
      }
    }
  });

  test('a mass or a torque that nobody gave makes the load unknown, never ok', () => {
    for (const path of [
      ['kit', 'sedge-18-35', 'mass'],
      ['kit', 'sedge-18-35', 'rings', 'focus', 'torque'],
    ]) {
      const next = has(path, undefined);
      for (const v of checkRig(
        next,
        next.rigs.find((r) => r.id === 'tug-b')!,
      ))
        if (v.id === 'mount.load' || v.id === 'support.need') expect(v.state).not.toBe('ok');
    }
  });

  test('nothing is said to stand behind itself', () => {
    for (const rig of job.rigs)
      for (const v of checkRig(job, rig))
        expect(v.why).not.toMatch(/(\b[A-Z][\w-]+ ?[\w-]*) behind \1\b/);
  });
});

describe('cautions', () => {
  const job = demo();
  const of = (id: string, more: Parameters<typeof withChanges>[1] = []) => {
    const next = withChanges(job, more);
    const rig = next.rigs.find((r) => r.id === id)!;
    return cautions(build(next, rig), checkRig(next, rig));
  };

  test('each stands where the work is, once', () => {
    expect(of('tug-b').filter((c) => /qualified rigger/.test(c))).toHaveLength(1);
    expect(of('anamorphic').filter((c) => /No sun through/.test(c))).toHaveLength(1);
    const near = of('tug-b').filter((c) => /rating of its maker/.test(c));
    expect(near).toHaveLength(1);
    const heavy = of('anamorphic', [{ path: ['kit', 'wherry-40', 'mass'], value: 14_000 }]);
    expect(heavy.some((c) => /lift it with two/.test(c))).toBe(true);
    expect(of('anamorphic').some((c) => /lift it with two/.test(c))).toBe(false);
    for (const rig of job.rigs) {
      const list = of(rig.id);
      expect(new Set(list).size).toBe(list.length);
      expect(list.length).toBeLessThanOrEqual(5);
    }
  });
  test('a battery over 100 Wh asks the carrier, one of 98 does not', () => {
    expect(of('anamorphic').some((c) => /ask the carrier/.test(c))).toBe(true);
    expect(of('tug-b').some((c) => /ask the carrier/.test(c))).toBe(false);
    // Over 160 Wh it is not asked for any more.
    const large = of('anamorphic', [{ path: ['kit', 'keel-150', 'wattHours'], value: 190 }]);
    expect(large.some((c) => /over 160 Wh, carriers usually refuse it/.test(c))).toBe(true);
    expect(large.some((c) => /ask the carrier/.test(c))).toBe(false);
  });
});
