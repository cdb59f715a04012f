import { CHECKS, checkRig } from '../core/areas/checks';
import { build } from '../core/build/build';
import { said } from '../core/checks/judge';
import { allOf, hear } from '../core/checks/news';
import { sweepAt } from '../core/areas/front/model/sweep';
import { findings } from '../core/solve/fixes';
import { measureNext } from '../core/solve/measure-next';
import { patchOf } from '../core/doc/patch';
import { withChanges } from '../core/edit/edit';
import { demo } from '../core/test-kit';
import type { RigApi } from './rig.worker';

const kept: { api: RigApi | null } = { api: null };
jest.mock('comlink', () => ({
  expose: (api: RigApi) => {
    kept.api = api;
  },
}));

const job = demo();

beforeAll(async () => {
  await import('./rig.worker');
});
beforeEach(() => kept.api!.hold(job, 1));

test('fixes and measuring list are those of the core, as plain data', () => {
  const rig = job.rigs.find((r) => r.id === 'anamorphic')!;
  const whole = findings(job, rig);
  for (const key of ['front.matte-height', 'front.vignette:vertical'])
    expect(kept.api!.fixes(1, rig.id, key)).toEqual(whole.find((f) => f.key === key)!.fixes);
  const list = kept.api!.measure(1, rig.id);
  expect(list).toEqual(measureNext(build(job, rig)));
  expect(structuredClone(list)).toEqual(list);
  expect(kept.api!.fixes(1, 'nobody', 'x')).toBeNull();
  expect(kept.api!.fixes(1, rig.id, 'no.such')).toEqual([]);
  expect(kept.api!.measure(1, 'nobody')).toBeNull();
});

test('what is other of the job is taken in, and a question of before has no answer', () => {
  const rig = job.rigs.find((r) => r.id === 'tug-b')!;
  const next = withChanges(job, [{ path: ['rigs', rig.id, 'lens'], value: 'marl-35' }]);
  expect(kept.api!.follow(structuredClone(patchOf(job, next)), 1, 2)).toBe(true);
  expect(kept.api!.fixes(1, rig.id, 'mount.load')).toBeNull();
  expect(kept.api!.measure(1, rig.id)).toBeNull();
  const now = next.rigs.find((r) => r.id === rig.id)!;
  for (const f of findings(next, now))
    expect([f.key, kept.api!.fixes(2, rig.id, f.key)]).toEqual([f.key, f.fixes]);
  expect(kept.api!.measure(2, rig.id)).toEqual(measureNext(build(next, now)));
  // It holds 2 by now: what follows 1 is not for it.
  expect(kept.api!.follow(patchOf(job, next), 1, 3)).toBe(false);
});

test('what the checks say is told once, after that what is other; who knows nothing is told all', () => {
  const first = kept.api!.verdicts(1, 'tug-b', null)!;
  expect(first.news.whole).toBe(true);
  expect(structuredClone(first.news)).toEqual(first.news);
  let now = job;
  let n = 1;
  let again = 0;
  let known = { at: first.at, said: hear(null, first.news)! };
  const rig = () => now.rigs.find((r) => r.id === 'tug-b')!;
  for (const [what, value] of [
    ['lens', 'marl-35'],
    ['stop', 2],
    ['lens', 'skerry-50'],
    ['stop', 2.8],
  ] as const) {
    const next = withChanges(now, [{ path: ['rigs', 'tug-b', what], value }]);
    kept.api!.follow(structuredClone(patchOf(now, next)), n, ++n);
    now = next;
    const { at, news } = kept.api!.verdicts(n, 'tug-b', known.at)!;
    expect(news.whole).toBe(false);
    if (what === 'stop') expect(news.told.length).toBeLessThan(first.news.told.length / 2);
    // What a check says again is not copied, and stays the object it was.
    again += news.told.flatMap((t) => t.verdicts.filter((v) => typeof v === 'number')).length;
    const before = known.said;
    known = { at, said: hear(before, structuredClone(news))! };
    for (const t of news.told)
      for (const [i, v] of t.verdicts.entries())
        if (typeof v === 'number')
          expect(known.said.get(t.check)![i]).toBe(before.get(t.check)![v]);
    expect(allOf(known.said, CHECKS)).toEqual(checkRig(now, rig()).map(said));
  }
  expect(again).toBeGreaterThan(0);
  // Somebody who missed an answer, or asks of another rig, is told all of it.
  expect(kept.api!.verdicts(n, 'tug-b', known.at - 1)!.news.whole).toBe(true);
  expect(kept.api!.verdicts(n, 'anamorphic', known.at + 1)!.news.whole).toBe(true);
  expect(hear(null, { whole: false, told: [] })).toBeNull();
  expect(hear(known.said, { whole: false, told: [{ check: 'x', verdicts: [0] }] })).toBeNull();
  expect(kept.api!.verdicts(n, 'nobody', null)).toBeNull();
  expect(kept.api!.verdicts(n - 1, 'tug-b', null)).toBeNull();
});

test('a sweep tells how far it is and gives every cell', async () => {
  const told: number[] = [];
  const swept = await kept.api!.sweep(1, 'tug-b', (s) => told.push(s));
  expect(swept!.cells).toHaveLength(72 * 3);
  expect(told).toEqual([...told].sort((a, b) => a - b));
  expect(told.length).toBeGreaterThan(8);
  const one = swept!.cells[40]!;
  const again = sweepAt(build(job, job.rigs[0]!), one.setting).find((c) => c.frame === one.frame);
  expect(again).toEqual(one);
  expect(await kept.api!.sweep(1, 'nobody', () => undefined)).toBeNull();
});

test('a sweep that is cancelled, or asked anew, stops on the way', async () => {
  const told: number[] = [];
  const first = kept.api!.sweep(1, 'tug-b', (s) => {
    told.push(s);
    if (told.length === 2) kept.api!.cancelSweep();
  });
  expect(await first).toBeNull();
  expect(told).toHaveLength(2);
  const older = kept.api!.sweep(1, 'tug-b', () => undefined);
  const newer = kept.api!.sweep(1, 'tug-b', () => undefined);
  expect(await older).toBeNull();
  expect((await newer)!.cells).toHaveLength(72 * 3);
});
