import { build } from '../../build/build';
import type { Fitting, Job, Part, Rig } from '../../kit/types';
import { draws } from '../../pupil/oracles';
import { valueOf } from '../../quantity/quantity';
import { union } from '../../solids/solid';
import { standOf } from '../../stand/stand';
import { demo, exactly } from '../../test-kit';
import { checkRig } from '../checks';
import { byTightness } from './model/lists';
import { loadLines } from './model/load-lines';
import { loadPath } from './model/load-path';
import { namedSeats } from './model/seats';

/** What turns on each joint of the load path. Elementary: moment = arm x weight. */

const job = demo();
const rig = job.rigs.find((r) => r.id === 'lockside-b')!;

describe('moment on a joint', () => {
  const feet = (r: Job, moment: number): Job => ({
    ...r,
    kit: r.kit.map((p) =>
      p.id === 'stirrup'
        ? ({
            ...p,
            interfaces: (p as Fitting).interfaces!.map((i) =>
              i.id === 'feet' ? { ...i, bearsMoment: exactly(moment) } : i,
            ),
          } as Part)
        : p,
    ),
  });
  const key = 'joint.load-path:handle:by-moment';
  const said = (moment: number) => checkRig(feet(job, moment), rig).find((v) => v.key === key)!;

  test('what its maker rates it for: above it fails, inside the doubt tight, below it ok', () => {
    expect(said(1).state).toBe('fail');
    expect(said(4.4).state).toBe('tight');
    expect(said(9).state).toBe('ok');
  });

  test('is the sum of weights about the joint, in the worst attitude, worked out by hand', () => {
    const built = build(job, rig);
    const line = loadLines(built).find((l) => l.use === 'handle')!;
    const joint = line.points[1]!;
    const sum = [0, 0, 0];
    for (const [piece, parts] of loadPath(built).joints.find((j) => j.seat.use.id === 'handle')!
      .pieces) {
      const e = standOf(built)
        .pieces.find((p) => p.key === piece)!
        .solids.filter((x) => !x.moving)
        .map((x) => x.extent)
        .reduce(union);
      for (const p of parts)
        for (const k of [0, 1, 2] as const)
          sum[k]! += valueOf(p.mass)! * 1e-6 * ((e[k] + e[k + 3]!) / 2 - joint[k]) * 9.80665;
    }
    expect(line.moment).toBeCloseTo(Math.hypot(...sum), 6);
    // No attitude of many turns it harder: gravity in any direction across the arm.
    const next = draws(3);
    for (let i = 0; i < 500; i++) {
      const g = [next() - 0.5, next() - 0.5, next() - 0.5];
      const n = Math.hypot(...g);
      const [a, b, c] = sum.map((v) => v / 9.80665) as [number, number, number];
      const [x, y, z] = g.map((v) => (v / n) * 9.80665) as [number, number, number];
      expect(Math.hypot(b * z - c * y, c * x - a * z, a * y - b * x)).toBeLessThanOrEqual(
        line.moment! + 1e-9,
      );
    }
  });

  test('of a part that nobody weighed it is unknown, not less', () => {
    const light: Job = {
      ...feet(job, 9),
      kit: feet(job, 9).kit.map((p) => (p.id === 'body-b' ? { ...p, mass: undefined } : p)),
    };
    expect(checkRig(light, rig).find((v) => v.key === key)?.state).toBe('unknown');
    expect(loadLines(build(light, rig)).find((l) => l.use === 'handle')?.moment).toBeNull();
  });

  test('joints by how tight they are hold every named joint once, critical ones with who signed', () => {
    const signed: Rig = {
      ...rig,
      fitted: rig.fitted!.map((u) =>
        u.id === 'arm' ? { ...u, tight: 'critical' as const, signed: 'first assistant' } : u,
      ),
    };
    const list = byTightness(build(job, signed));
    expect(list[0]).toMatchObject({ tight: 'critical', joints: [{ signed: 'first assistant' }] });
    expect(list.flatMap((t) => t.joints.map((j) => j.use)).sort()).toEqual(
      namedSeats(build(job, signed))
        .map((s) => s.use.id)
        .sort(),
    );
  });
});
