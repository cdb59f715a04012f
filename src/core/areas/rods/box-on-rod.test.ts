import { check } from '../checks';
import { applyEdit, withChanges } from '../../edit/edit';
import { build, shared } from '../../build/build';
import { rigDocOf } from '../../doc/write-rig';
import { rigOf } from '../../doc/read-rig';
import { readJob, writeJob } from '../../format/read-job';
import { standOf } from '../../stand/stand';
import { findings } from '../../solve/fixes';
import { frontOf } from '../front/place/front';
import { frontPlaces } from '../front/place/layout';
import { setBoxRod } from '../front/moves/box';
import { takeFitted } from '../space/moves/fitted';
import { loadPath } from '../joints/model/load-path';
import type { Change, FittedUse, Job } from '../../kit/types';
import { demo } from '../../test-kit';

/**
 * The matte box of the demo on a single rod under the camera. It is made for rods 85 mm under the
 * axis (15 mm lightweight rods, common practice).
 */

const RIG = 'lift-bridge';
const base = demo();
const bar: FittedUse = { id: 'bar', part: 'batten-200', on: 'under', z: 190 };

const put = (use: FittedUse): Change => ({ path: ['rigs', RIG, 'fitted', use.id], value: use });
const kit = (id: string, key: string, value: unknown): Change => ({
  path: ['kit', id, key],
  value,
});

function on(changes: readonly Change[], rod: string | null = 'bar') {
  const bare: Job = applyEdit(base, { title: 'x', changes: [...changes] }).doc;
  const job = applyEdit(
    bare,
    setBoxRod(
      bare.rigs.find((r) => r.id === RIG)!,
      rod ?? undefined,
      'x',
    ),
  ).doc;
  const rig = job.rigs.find((r) => r.id === RIG)!;
  const built = build(job, rig, shared(job));
  return { job, rig, built, stand: standOf(built), said: check(built) };
}

const state = (of: ReturnType<typeof on>, key: string) =>
  of.said.find((v) => v.key === key)?.state ?? 'nothing said';

describe('a matte box on a single rod', () => {
  test('stands as high as the rod: axis to rod less what it is made for, by hand', () => {
    const { stand, built, said } = on([put(bar)]);
    const [rod] = stand.single;
    const plate = stand.pieces.find((p) => p.key === 'plate')!;
    const under = Math.min(...plate.solids.map((s) => s.extent[1]));
    expect(stand.value(rod!.y)).toBeCloseTo(under - 7.5, 9);
    expect(frontPlaces(built)!.box!.middle).toBeCloseTo(85 + stand.value(rod!.y), 9);
    const height = said.find((v) => v.id === 'front.matte-height')!;
    expect(height.why).toContain('Batten 200 runs');
    expect(height.state).toBe('fail');
  });

  test('the rods of the plate are not what it stands on any more', () => {
    const was = on([put(bar)], null);
    const is = on([put(bar)]);
    const height = (x: typeof was) => frontPlaces(x.built)!.box!.middle;
    // The plate has its rods at the height that the box is made for; the rod is under the plate.
    expect(Math.abs(height(was))).toBeLessThan(0.5);
    expect(height(is)).toBeLessThan(-15);
    expect(is.stand.clamped.find((c) => c.key === 'box')!.on).toBe('fitted:bar');
    expect(was.stand.clamped.find((c) => c.key === 'box')!.on).toBeUndefined();
    expect(state(is, 'rods.single:box:fits')).toBe('ok');
    expect(is.said.some((v) => v.id === 'front.matte-fit' && v.state !== 'ok')).toBe(false);
  });

  test('a rod as far down as it is made for holds it in the middle, and one 40 mm lower does not', () => {
    const { stand } = on([put(bar)]);
    const drop = -stand.value(stand.single[0]!.y);
    const made = (value: number) => {
      const height = { value, tol: 0.01, from: 'measured' };
      const x = on([put(bar), kit('weir', 'centreHeight', height)]);
      return { middle: frontPlaces(x.built)!.box!.middle, of: x };
    };
    expect(made(drop).middle).toBeCloseTo(0, 9);
    expect(state(made(drop).of, 'front.matte-height')).not.toBe('fail');
    expect(made(drop - 40).middle).toBeCloseTo(-40, 9);
    expect(state(made(drop - 40).of, 'front.matte-height')).toBe('fail');
  });

  test('nothing of it is ok where the rod is gone, beside the lens, over it, or of unknown size', () => {
    const bad = [
      on([put(bar)], 'nobody'),
      on([put({ ...bar, x: 60 })]),
      on([put({ ...bar, on: 'top' })]),
      on([put(bar), kit('batten-200', 'width', undefined)]),
    ];
    for (const x of bad) {
      expect(frontOf(x.built).assumed).not.toBeNull();
      expect(state(x, 'front.matte-height')).toBe('unknown');
      expect(x.said.some((v) => v.id === 'front.vignette' && v.state === 'ok')).toBe(false);
    }
    const aside = on([put({ ...bar, x: 4 })]);
    expect(frontOf(aside.built).assumed).toMatch(/beside the axis/);
    expect(aside.said.some((v) => v.id === 'front.vignette' && v.state === 'ok')).toBe(false);
  });

  test('beside the lens it is put back on the rods of the plate, and stands right there', () => {
    const { job, rig } = on([put({ ...bar, x: 60 })]);
    const low = findings(job, rig).find((f) => f.id === 'front.matte-height')!;
    const fix = low.fixes.find((f) => f.title === 'Put Weir box on the rods of the plate')!;
    expect(fix.state).toBe('ok');
    expect(state(on([put(bar)], null), 'front.matte-height')).toBe('ok');
  });

  test('a rod that is taken off leaves it unknown, and the fix puts it back on the rods', () => {
    const start = on([put(bar)]);
    const job = applyEdit(start.job, takeFitted(start.rig, 'bar', 'Batten 200')).doc;
    const rig = job.rigs.find((r) => r.id === RIG)!;
    expect(check(build(job, rig)).find((v) => v.key === 'rods.single:box')!.state).toBe('unknown');
    const found = findings(job, rig).find((f) => f.key === 'rods.single:box')!;
    const fix = found.fixes.find((f) => /rods of the plate/.test(f.title))!;
    const mended = withChanges(job, fix.change);
    expect(mended.rigs.find((r) => r.id === RIG)!.box!.on).toBeUndefined();
  });

  test('it hangs on the rod, and what it carries may carry no rod that it stands on', () => {
    const { built } = on([put(bar)]);
    const way = loadPath(built);
    expect(JSON.stringify(way)).toContain('fitted:bar');
    const round = on([put({ id: 'bar', part: 'batten-200', on: 'box' })]);
    expect(state(round, 'front.matte-height')).toBe('unknown');
    expect(state(round, 'rods.single:box')).toBe('unknown');
  });

  test('there and back through the file it stands on the same rod', () => {
    const { job, rig } = on([put(bar)]);
    const back = rigOf(rigDocOf(rig, (id) => job.kit.find((p) => p.id === id)));
    expect(back.box).toEqual(rig.box);
    const read = readJob(writeJob(job));
    if (!read.ok) throw new Error(JSON.stringify(read.problems));
    expect(read.value.rigs.find((r) => r.id === RIG)!.box).toEqual(rig.box);
  });

  test('a file in which the rod is not on the rig is read, and says so', () => {
    const { job } = on([put(bar)], 'nobody');
    const read = readJob(writeJob(job));
    if (!read.ok) throw new Error(JSON.stringify(read.problems));
    const rig = read.value.rigs.find((r) => r.id === RIG)!;
    const said = check(build(read.value, rig));
    expect(rig.box!.on).toBe('nobody');
    expect(said.find((v) => v.id === 'front.matte-height')!.state).toBe('unknown');
    expect(said.find((v) => v.key === 'rods.single:box')!.state).toBe('unknown');
  });
});
