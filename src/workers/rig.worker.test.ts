import { build } from '../core/build/build';
import { sweepAt } from '../core/areas/front/sweep';
import { findings } from '../core/solve/fixes';
import { measureNext } from '../core/solve/measure-next';
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

test('fixes and measuring list are those of the core, as plain data', () => {
  const rig = job.rigs.find((r) => r.id === 'anamorphic')!;
  const whole = findings(job, rig);
  for (const key of ['front.matte-height', 'front.vignette:vertical'])
    expect(kept.api!.fixes(job, rig.id, key)).toEqual(whole.find((f) => f.key === key)!.fixes);
  const list = kept.api!.measure(job, rig.id);
  expect(list).toEqual(measureNext(build(job, rig)));
  expect(structuredClone(list)).toEqual(list);
  expect(kept.api!.fixes(job, 'nobody', 'x')).toEqual([]);
  expect(kept.api!.fixes(job, rig.id, 'no.such')).toEqual([]);
  expect(kept.api!.measure(job, 'nobody')).toEqual([]);
});

test('a sweep tells how far it is and gives every cell', async () => {
  const told: number[] = [];
  const swept = await kept.api!.sweep(job, 'tug-b', (s) => told.push(s));
  expect(swept!.cells).toHaveLength(72 * 3);
  expect(told).toEqual([...told].sort((a, b) => a - b));
  expect(told.length).toBeGreaterThan(8);
  const one = swept!.cells[40]!;
  const again = sweepAt(build(job, job.rigs[0]!), one.setting).find((c) => c.frame === one.frame);
  expect(again).toEqual(one);
  expect(await kept.api!.sweep(job, 'nobody', () => undefined)).toBeNull();
});

test('a sweep that is cancelled, or asked anew, stops on the way', async () => {
  const told: number[] = [];
  const first = kept.api!.sweep(job, 'tug-b', (s) => {
    told.push(s);
    if (told.length === 2) kept.api!.cancelSweep();
  });
  expect(await first).toBeNull();
  expect(told).toHaveLength(2);
  const older = kept.api!.sweep(job, 'tug-b', () => undefined);
  const newer = kept.api!.sweep(job, 'tug-b', () => undefined);
  expect(await older).toBeNull();
  expect((await newer)!.cells).toHaveLength(72 * 3);
});
