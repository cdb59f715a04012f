import { build, shared } from '../build/build';
import { checkRig } from '../areas/checks';
import { demo, exactly } from '../test-kit';
import type { Job, Part, Rig } from '../kit/types';
import { emptyJob } from './rigs';
import { rangeOf, rangeWords } from './range';

/** How far a joint lets a part move: against closed forms, and against trying finer. */

const block = (id: string, size: [number, number, number], more: object): Part =>
  ({
    id,
    kind: 'accessory',
    name: id,
    width: exactly(size[0]),
    height: exactly(size[1]),
    depth: exactly(size[2]),
    ...more,
  }) as unknown as Part;

const jaw = {
  id: 'jaw',
  name: 'jaw',
  type: 'rail',
  side: 'guest',
  face: 'bottom',
  x: exactly(0),
  z: exactly(0),
  clamp: exactly(20),
  from: exactly(20),
  to: exactly(22),
};

/** A rail of 200 mm on a body, a slider of 20 in its middle, a post of 10 whose middle is at 60. */
function onRail(post: number | null, slide = 0): { job: Job; rig: Rig } {
  const body = {
    id: 'b',
    kind: 'body',
    name: 'body',
    mount: 'ml-20.00-51.6',
    flange: exactly(20),
    axisToBase: exactly(50),
    width: exactly(100),
    height: exactly(100),
    depth: exactly(300),
    interfaces: [
      {
        id: 'rail',
        name: 'rail',
        type: 'rail',
        side: 'host',
        face: 'top',
        x: exactly(0),
        z: exactly(0),
        width: exactly(21.2),
        run: exactly(200),
        along: 'z',
      },
    ],
  } as unknown as Part;
  const kit = [
    body,
    block('slider', [20, 20, 20], { interfaces: [jaw] }),
    block('post', [20, 20, 10], { interfaces: [{ ...jaw, clamp: exactly(10) }] }),
  ];
  const job: Job = { ...emptyJob('J', 'j'), kit };
  const at = { on: 'top' as const, at: 'rail', by: 'jaw' };
  const rig: Rig = {
    ...job.rigs[0]!,
    body: 'b',
    fitted: [
      { id: 's', part: 'slider', ...at, slide },
      ...(post === null ? [] : [{ id: 'p', part: 'post', ...at, slide: post }]),
    ],
  };
  return { job, rig };
}

test('alone on its rail it slides until its clamp stands at the ends', () => {
  const { job, rig } = onRail(null);
  const base = shared(job);
  const r = rangeOf(build(job, rig, base), base, 's', 'slide')!;
  // 200 mm of rail and 20 of clamp: 90 either way.
  expect([r.from, r.to, r.meets]).toEqual([-90, 90, [null, null]]);
});

test('a post in the way ends it where the two touch', () => {
  for (const slide of [-40, 0, 25]) {
    const { job, rig } = onRail(60, slide);
    const base = shared(job);
    const r = rangeOf(build(job, rig, base), base, 's', 'slide')!;
    // The post is 10 long about 60, the slider 20: they touch at 45.
    expect(r.to).toBeGreaterThan(44.9);
    expect(r.to).toBeLessThanOrEqual(45.1);
    expect(r.meets).toEqual([null, 'post']);
    expect(rangeWords(r)).toMatch(
      /^Free from \u221290\.0 mm, to 4[45]\.\d mm, where it meets post\.$/,
    );
  }
});

test('its ends are drawn where what moves stands there, and only what moves', () => {
  const { job, rig } = onRail(null);
  const base = shared(job);
  const r = rangeOf(build(job, rig, base), base, 's', 'slide')!;
  // The slider of 20 x 20 x 20 with its clamp at -90 and at +90: 10 mm to either side of that.
  const z = r.ends.map((e) => e.drawn.side.flat().map(([u]) => u));
  const middle = (list: number[]) => (Math.min(...list) + Math.max(...list)) / 2;
  expect(middle(z[1]!) - middle(z[0]!)).toBeCloseTo(180, 6);
  expect(Math.max(...z[0]!) - Math.min(...z[0]!)).toBeCloseTo(20, 6);
  expect(r.ends.map((e) => e.says)).toEqual([expect.stringMatching(/90\.0 mm$/), '90.0 mm']);
  for (const view of ['side', 'top', 'front'] as const)
    for (const e of r.ends) expect(e.drawn[view]).toHaveLength(1);
});

test('where the rail is not measured, or it fouls as it stands, nothing is said', () => {
  const { job, rig } = onRail(10);
  const base = shared(job);
  expect(rangeOf(build(job, rig, base), base, 's', 'slide')).toBeNull();
  const free = onRail(null);
  const kit = free.job.kit.map((p) =>
    p.id === 'b'
      ? ({
          ...p,
          interfaces: [
            { ...(p as unknown as { interfaces: object[] }).interfaces[0], run: undefined },
          ],
        } as unknown as Part)
      : p,
  );
  const next = { ...free.job, kit };
  expect(rangeOf(build(next, free.rig), shared(next), 's', 'slide')).toBeNull();
  expect(rangeOf(build(next, free.rig), shared(next), 'nobody', 'turn')).toBeNull();
});

test('what may touch inside the tolerances is not free', () => {
  const { job, rig } = onRail(60);
  const loose = {
    ...job,
    kit: job.kit.map((p) =>
      p.id === 'post' ? ({ ...p, depth: { value: 10, tol: 2, from: 'measured' } } as Part) : p,
    ),
  };
  const r = rangeOf(build(loose, rig), shared(loose), 's', 'slide')!;
  // Half of 12 in place of half of 10: a millimetre sooner.
  expect(r.to).toBeGreaterThan(43.9);
  expect(r.to).toBeLessThanOrEqual(44.1);
});

test('what two screws, a shoe or a rail hold does not turn', () => {
  const job = demo();
  const rig = job.rigs.find((x) => x.id === 'lockside-b')!;
  const base = shared(job);
  const built = build(job, rig, base);
  for (const use of ['handle', 'microphone', 'receiver'])
    expect(rangeOf(built, base, use, 'turn')).toBeNull();
  expect(rangeOf(built, base, 'arm', 'slide')).toBeNull();
});

test('turned through the range of the demo nothing fouls, and just past its ends something does', () => {
  const job = demo();
  const rig = job.rigs.find((x) => x.id === 'lockside-b')!;
  const base = shared(job);
  const r = rangeOf(build(job, rig, base), base, 'screen', 'turn')!;
  const fouls = (turn: number) =>
    checkRig(
      job,
      { ...rig, fitted: rig.fitted!.map((u) => (u.id === 'screen' ? { ...u, turn } : u)) },
      base,
    ).some(
      (v) => v.id === 'space.pair' && v.state === 'fail' && v.pieces.includes('fitted:screen'),
    );
  for (let i = 0; i <= 20; i++) expect(fouls(r.from + ((r.to - r.from) * i) / 20)).toBe(false);
  if (!r.round) {
    if (r.meets[0] !== null) expect(fouls(r.from - 0.2)).toBe(true);
    if (r.meets[1] !== null) expect(fouls(r.to + 0.2)).toBe(true);
  }
});
