import { check } from '../areas/checks';
import { build, shared } from '../build/build';
import { readJob, writeJob } from '../format/read-job';
import { isBody, isLens, type Job } from '../kit/types';
import { valueOf } from '../quantity/quantity';
import { usesOn } from '../roles/uses';
import { standOf } from '../stand/stand';
import { demo, testBody, testLens } from '../test-kit';
import { begin } from './begin';
import { GOALS } from './goals';
import { classesOf, partOf, typicalOf } from './shelf';
import { sketch } from './sketch';

const goal = (id: string) => GOALS.find((g) => g.id === id)!;
const started = (id: string, more: { body?: string; lens?: string } = {}): Job => {
  const g = goal(id);
  return begin({ goal: g, body: g.body, lens: g.lens, ...more }, g.name, id)!;
};
const built = (job: Job) => build(job, job.rigs[0]!, shared(job));

describe('a rig by what is shot', () => {
  test('six of them, each of classes that there are', () => {
    expect(GOALS).toHaveLength(6);
    for (const g of GOALS)
      for (const c of [g.body, g.lens, ...g.with]) expect([c, typicalOf(c)]).not.toContain(null);
  });

  test.each(GOALS.map((g) => g.id))('%s stands whole, drawn, and nothing of it fails', (id) => {
    const job = started(id);
    const b = built(job);
    const [rig] = job.rigs;
    // All that was bought is on, and where it stands is known.
    expect([...usesOn(rig!)].sort()).toEqual(job.kit.map((p) => p.id).sort());
    const drawn = new Set(standOf(b).pieces.map((p) => p.part));
    const solid = job.kit.filter((p) => p.kind !== 'adapter' || p.id !== rig!.between[0]?.part);
    expect(solid.filter((p) => !drawn.has(p.id)).map((p) => p.name)).toEqual([]);
    const said = check(b);
    expect(said.filter((v) => v.state === 'fail').map((v) => v.why)).toEqual([]);
    // Guesses are never sure: something is left to be measured, and it is said what.
    expect(said.some((v) => v.state === 'tight')).toBe(true);
    expect(sketch(job).next.length).toBeGreaterThan(0);
    // It is a job as any other.
    const read = readJob(writeJob(job));
    expect(read.ok && read.value.rigs[0]!.lens).toBe(rig!.lens);
  });

  test('frames are those of what is shot, and an upright one is upright', () => {
    expect(started('drama').rigs[0]!.frames[0]!.aspect).toBe(2.39);
    const vertical = started('vertical').rigs[0]!;
    expect([vertical.frames[0]!.aspect, vertical.upright]).toEqual([9 / 16, 'left']);
    const drama = started('drama').rigs[0]!;
    const held = drama.fitted!.find((u) => u.id === drama.hold)!;
    expect(started('drama').kit.map((p) => p.kind)).toContain('handle');
    expect(held).toBeDefined();
  });
});

describe('body and lens of any class', () => {
  const glass = classesOf('lens').map((t) => t.id);

  test.each(classesOf('body').map((t) => t.id))('%s with every lens of the shelf', (body) => {
    for (const lens of glass) {
      const job = begin({ goal: goal('gimbal'), body, lens }, 'x', 'x')!;
      const b = built(job);
      const camera = job.kit.find(isBody)!;
      const own = job.kit.find(isLens)!;
      const says = check(b).find((v) => v.id === 'mount.chain' || v.id === 'mount.mates');
      // A lens whose flange is nearer than that of the body cannot be adapted: that is said.
      const fits = own.mount === camera.mount || job.rigs[0]!.between.length > 0;
      expect([body, lens, built(job).closed]).toEqual([body, lens, fits]);
      expect(fits || says !== undefined || check(b).some((v) => v.state === 'fail')).toBe(true);
    }
  });

  test('an adapter that no class has is as long as the two flanges are apart', () => {
    const job = begin({ goal: goal('gimbal'), body: 'slr-full', lens: 'cine-50' }, 'x', 'x')!;
    const adapter = job.kit.find((p) => p.kind === 'adapter')! as { length?: never };
    // 52.00 - 44.00, made a little short.
    expect(valueOf(adapter.length)).toBeCloseTo(7.975, 6);
  });

  test('pieces of a kit are taken as they are', () => {
    const kit = demo().kit;
    const [body, lens] = [kit.find(isBody)!, kit.find(isLens)!];
    const job = begin({ goal: goal('gimbal'), body, lens }, 'x', 'x')!;
    expect(job.kit.find((p) => p.id === body.id)).toBe(body);
    expect(job.kit.find((p) => p.id === lens.id)).toBe(lens);
    expect(
      begin({ goal: goal('gimbal'), body: testLens(), lens: testBody() }, 'x', 'x'),
    ).toBeNull();
    expect(begin({ goal: goal('gimbal'), body: 'no-such', lens: 'cine-50' }, 'x', 'x')).toBeNull();
  });

  test('two of a class are two pieces', () => {
    const t = typicalOf('monitor-5')!;
    expect(partOf(t).id).not.toBe(partOf(t).id);
  });
});
