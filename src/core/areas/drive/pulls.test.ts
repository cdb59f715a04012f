import fc from 'fast-check';
import { build, shared } from '../../build/build';
import { applyEdit, withChanges } from '../../edit/edit';
import { readJob, writeJob } from '../../format/read-job';
import type { Change, Job, MotorPull, Went } from '../../kit/types';
import { draws } from '../../pupil/oracles';
import { demo } from '../../test-kit';
import { check } from '../checks';
import {
  motorsOn,
  pullAsKept,
  pullingOf,
  pullLines,
  pullTrouble,
  sayPulling,
  standInPull,
} from './model/pulls';
import { forgetPull, logPull } from './moves/pull';

/** Pulls of rings by motors: seen, and made up. */

const RIG = 'anamorphic';

function rigged(changes: readonly Change[] = [], from: Job = demo()) {
  const job = withChanges(from, changes);
  const rig = job.rigs.find((r) => r.id === RIG)!;
  const built = build(job, rig, shared(job));
  return { job, rig, built, motor: motorsOn(built)[0]! };
}
const verdict = (job: Job) =>
  check(
    build(
      job,
      job.rigs.find((r) => r.id === RIG)!,
    ),
  ).find((v) => v.id === 'drive.torque')!;

/** The motor on the outlet that turns it, and on the one that does not. */
const turned = () => {
  const { rig, motor } = rigged();
  const path = ['rigs', rig.id, 'drives', motor.use.id, 'outlet'];
  const from = motor.use.outlet!;
  const other = rigged().built.kit.get(
    rig.fitted!.find((u) => u.id === from.from)!.part,
  ) as unknown as { outlets: { id: string; name: string }[] };
  const eight = other.outlets.find((o) => o.name.startsWith('8 V'))!;
  return rigged([{ path, value: { from: from.from, id: eight.id } }]).job;
};
const stalls = () => rigged().job;
const pulled = (job: Job, went: Went, more: Partial<MotorPull> = {}): Job => {
  const { built, motor } = rigged([], job);
  const pull = pullAsKept(built, motor, 'p', { went })!;
  return withChanges(job, [{ path: ['pulls', 'p'], value: { ...pull, ...more } }]);
};

describe('what was seen of a motor outranks its sheet', () => {
  test('without a pull it stalls on 5 V and turns on 8 V', () => {
    expect(verdict(stalls()).state).toBe('fail');
    expect(verdict(turned()).state).toBe('ok');
  });

  test.each([
    // What is computed, how it went, who saw it, what is said.
    ['ok', 'through', false, 'ok', /^It turned the ring through to the end\. /],
    ['ok', 'slowly', false, 'tight', /^It turned the ring slowly\. /],
    ['ok', 'stalled', false, 'fail', /^It stalled\. The numbers say otherwise/],
    ['fail', 'through', false, 'tight', /through to the end\. The numbers say otherwise/],
    ['fail', 'slowly', false, 'tight', /slowly\. The numbers say otherwise/],
    ['fail', 'stalled', false, 'fail', /^It stalled\. Eyot/],
    ['ok', 'through', true, 'ok', /^A stand-in turned/],
    ['ok', 'slowly', true, 'tight', /^A stand-in turned/],
    ['ok', 'stalled', true, 'tight', /^A stand-in stalled\. The numbers say otherwise/],
    ['fail', 'through', true, 'fail', /^A stand-in turned .* otherwise/],
    ['fail', 'slowly', true, 'fail', /^A stand-in turned .* otherwise/],
    ['fail', 'stalled', true, 'fail', /^A stand-in stalled\. /],
  ] as const)('computed %s, went %s, a stand-in: %s: %s', (now, went, standIn, state, why) => {
    const job = now === 'ok' ? turned() : stalls();
    const v = verdict(pulled(job, went, standIn ? { standIn } : {}));
    expect(v.state).toBe(state);
    expect(v.why).toMatch(
      why instanceof RegExp && why.source.includes('Eyot') ? /^It stalled\. / : why,
    );
  });

  test('without its sheet a pull makes it tight at the best; a stand-in leaves it unknown', () => {
    const { motor } = rigged();
    const bare = withChanges(turned(), [
      { path: ['kit', motor.part.id, 'torques'], value: undefined },
    ]);
    expect(verdict(bare).state).toBe('unknown');
    expect(verdict(pulled(bare, 'through')).state).toBe('tight');
    expect(verdict(pulled(bare, 'stalled')).state).toBe('fail');
    for (const went of ['through', 'slowly', 'stalled'] as const)
      expect(verdict(pulled(bare, went, { standIn: true })).state).toBe('unknown');
  });

  test('it counts for the same motor, lens, outlet and rig only; the latest counts; the real ones first', () => {
    const job = turned();
    for (const other of [
      { outlet: 'x' },
      { source: 'x' },
      { drive: 'x' },
      { rig: 'x' },
      { parts: ['x', 'y'] },
      { rig: undefined },
    ])
      expect(verdict(pulled(job, 'stalled', other)).state).toBe('ok');
    const of = (...all: [Went, boolean][]) => {
      const [one] = pulled(job, 'through').pulls!;
      const pulls = all.map(([went, standIn], i) => ({ ...one!, id: `p${i}`, went, standIn }));
      return verdict({ ...job, pulls }).state;
    };
    expect(of(['stalled', false], ['through', false])).toBe('ok');
    expect(of(['through', false], ['stalled', false])).toBe('fail');
    expect(of(['through', false], ['stalled', true])).toBe('ok');
    expect(of(['through', true], ['stalled', true])).toBe('tight');
  });
});

describe('a motor from the full pack to the empty one', () => {
  /** On the pack's own volts, through an outlet that passes them. */
  const passing = () => {
    const { rig, motor } = rigged([], turned());
    const { from, id } = motor.use.outlet!;
    const { part } = rig.fitted!.find((u) => u.id === from)!;
    return rigged([{ path: ['kit', part, 'outlets', id, 'passes'], value: true }], turned());
  };

  test('where its outlet holds its volts it is the same at any charge', () => {
    const { built, motor } = rigged([], turned());
    const p = pullingOf(built, motor)!;
    expect(p.even).toBe(true);
    expect(new Set(p.steps.map((s) => s.torque.value)).size).toBe(1);
    // What the check says it brings, too.
    const v = verdict(turned());
    expect(p.steps[0]!.torque.value).toBeCloseTo(v.margin!.value + p.wanted, 9);
    expect(sayPulling(p, 1.5)).toMatch(/holds its volts: it brings 1\.5 times/);
    const weak = rigged();
    expect(sayPulling(pullingOf(weak.built, weak.motor)!, 1.5)).toBe(
      'It turns the ring at no charge of what feeds it.',
    );
  });

  test('where it passes the volts of the pack torque falls with it; the ends are those of the pack', () => {
    const { built, motor } = passing();
    const p = pullingOf(built, motor)!;
    expect(p.even).toBe(false);
    p.steps.slice(1).forEach((s, i) => {
      const before = p.steps[i]!;
      expect(s.volts.value).toBeLessThan(before.volts.value);
      expect(s.torque.value).toBeLessThanOrEqual(before.torque.value + 1e-12);
      expect(s.torque.lo).toBeLessThanOrEqual(s.torque.value);
      expect(s.torque.hi).toBeGreaterThanOrEqual(s.torque.value);
    });
  });

  test('down to where it holds: torque goes past what is wanted between the two steps around it', () => {
    const set = passing();
    for (const torque of [0.05, 0.2, 0.35, 0.5, 0.7, 0.9, 1.2]) {
      const lens = set.built.lens!.id;
      const { built, motor } = rigged(
        [{ path: ['kit', lens, 'rings', 'focus', 'torque'], value: torque }],
        set.job,
      );
      const p = pullingOf(built, motor)!;
      for (const [down, wanted] of [
        [p.holds, p.wanted],
        [p.turns, p.takes.value],
      ] as const) {
        const at = (left: number) => {
          const i = Math.min(p.steps.length - 2, Math.floor((100 - left) / 5));
          const [a, b] = [p.steps[i]!, p.steps[i + 1]!];
          return [a, b].map((s) => s.torque.value);
        };
        if (down === null) expect(p.steps[0]!.torque.value).toBeLessThan(wanted);
        else {
          // Between the two steps around it, torque goes past what is wanted.
          const [above, below] = at(Math.min(99.999, Math.max(0.001, down)));
          expect(above).toBeGreaterThanOrEqual(wanted - 1e-9);
          if (down > 0) expect(below).toBeLessThanOrEqual(wanted + 1e-9);
        }
      }
      expect(p.turns ?? 200).toBeLessThanOrEqual(p.holds ?? 200);
    }
  });
});

describe('a stand-in for the motor and its hand unit', () => {
  test('stalls where it stalls by the numbers, turns where it turns; its volts are those computed', () => {
    fc.assert(
      fc.property(fc.nat(9999), fc.integer({ min: 0, max: 100 }), (seed, left) => {
        for (const [job, state] of [
          [turned(), 'ok'],
          [stalls(), 'fail'],
        ] as const) {
          const { built, motor } = rigged([], job);
          const made = standInPull(built, motor, left, draws(seed))!;
          expect(made.standIn).toBe(true);
          expect(pullTrouble(made)).toBeNull();
          expect(made.went).toBe(state === 'ok' ? 'through' : 'stalled');
          const edit = logPull(built, motor, made)!;
          const after = rigged(edit.changes, job);
          const [line] = pullLines(after.built, after.motor);
          // What it reads never contradicts what is computed, and changes no state.
          expect(line).toMatchObject({ odd: null, elsewhere: null });
          expect(verdict(after.job).state).toBe(state);
        }
      }),
      { numRuns: 25 },
    );
  });

  test('what is read far from what is computed is said; what is missing leaves no stand-in', () => {
    const job = pulled(turned(), 'through', { volts: 4.1, left: 50, when: '2026-05-02' });
    const { built, motor } = rigged([], job);
    expect(pullLines(built, motor)[0]).toMatchObject({
      said: 'turned the ring through to the end, 4.1 V read, pack at 50 %',
      odd: expect.stringMatching(/^\d.* V computed$/),
    });
    const bare = rigged([{ path: ['kit', motor.part.id, 'torques'], value: undefined }], job);
    expect(standInPull(bare.built, bare.motor, 100, () => 0.5)).toBeNull();
    expect(pullingOf(bare.built, bare.motor)).toBeNull();
    expect(pullLines(bare.built, bare.motor)[0]!.odd).toBeNull();
  });

  test.each([
    [{}, /^How it went/],
    [{ went: 'flew' as Went }, /^How it went/],
    [{ went: 'through' as const, volts: NaN }, /^What was read at it/],
    [{ went: 'through' as const, volts: 400 }, /^What was read at it/],
    [{ went: 'through' as const, left: 101 }, /^What was shown/],
  ])('what cannot be is said: %j', (noted, says) => {
    expect(pullTrouble(noted)).toMatch(says);
  });
});

test('it stands in the file, and is taken out and put back', () => {
  const job = pulled(turned(), 'slowly', { volts: 7.4, when: '2026-05-02' });
  const again = readJob(writeJob(job));
  if (!again.ok) throw new Error(JSON.stringify(again));
  expect(again.value.pulls).toMatchObject([{ went: 'slowly', volts: 7.4, when: '2026-05-02' }]);
  expect(verdict(again.value).state).toBe('tight');
  const out = applyEdit(again.value, forgetPull(again.value.pulls![0]!.id));
  expect(verdict(out.doc).state).toBe('ok');
  expect(applyEdit(out.doc, out.inverse).doc.pulls).toEqual(again.value.pulls);
  const file = JSON.parse(writeJob(job)) as { records: { kind: string; data: object }[] };
  const record = file.records.find((r) => r.kind === 'motor-pull')!;
  for (const wrong of [{ went: 'flew' }, { volts: 'many' }, { drive: undefined }]) {
    const bad = {
      ...file,
      records: [{ ...record, data: { ...record.data, ...wrong } }],
    };
    expect(readJob(JSON.stringify(bad)).ok).toBe(false);
  }
});
