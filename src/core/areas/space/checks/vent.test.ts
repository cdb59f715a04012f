import { build, shared } from '../../../build/build';
import type { Vent } from '../../../engine/part';
import type { Fitting, Job, Part, Rig } from '../../../kit/types';
import { standOf } from '../../../stand/stand';
import { demo } from '../../../test-kit';
import { check, CHECKS } from '../../checks';
import { findingsOf } from '../../../solve/fixes';
import { spaceVent } from './vent';

const exact = (value: number) => ({ value, tol: 0, from: 'measured' as const });
const FACES = ['left', 'right', 'top', 'bottom', 'rear', 'front'] as const;

/** A body of 100 x 80 x 60 mm with one vent, and blocks of 40 x 40 x 40 against it. */
function job(vent: Partial<Vent>, blocks: readonly object[] = [], more: Part[] = []): Job {
  const body = {
    id: 'body',
    kind: 'body',
    name: 'Cube',
    width: exact(100),
    height: exact(80),
    depth: exact(60),
    axisToBase: exact(40),
    flange: exact(20),
    vents: [{ id: 'v', name: 'side vent', ...vent }],
  } as Part;
  const block = {
    id: 'block',
    kind: 'recorder',
    name: 'Block',
    width: exact(40),
    height: exact(40),
    depth: exact(40),
  } as Part;
  const rig = {
    id: 'r',
    name: 'Rig',
    body: 'body',
    between: [],
    frames: [],
    fitted: blocks.map((b, i) => ({ id: `f${i}`, part: 'block', ...b })),
  } as unknown as Rig;
  return { id: 'j', name: 'Job', kit: [body, block, ...more], rigs: [rig] } as unknown as Job;
}

const run = (j: Job) => spaceVent.run(build(j, j.rigs[0]!));
const at = (vent: Partial<Vent>, x: number) =>
  run(job({ face: 'left', fan: false, ...vent }, [{ on: 'left', x: -x }]))[0]!;

describe('space.vent', () => {
  // House rules, common practice, no source: 10 mm before a vent, 20 before a fan.
  test('worked by hand: a block 15 mm from the side is far enough for a vent, not for a fan', () => {
    const vent = at({}, 15);
    expect(vent.state).toBe('ok');
    expect(vent.margin!.value).toBeCloseTo(15 - 10, 9);
    const fan = at({ fan: true }, 15);
    expect(fan.state).toBe('fail');
    expect(fan.margin!.value).toBeCloseTo(15 - 20, 9);
    expect(fan.why).toBe(
      'Block stands 15.0 mm before the side vent of Cube: 20 mm have to stay free.',
    );
    expect(fan.pieces).toEqual(['body', 'fitted:f0']);
    expect(at({}, 0).why).toContain('Block covers the side vent of Cube');
  });

  test('what stands at another face, or only touches its edge, is not before it', () => {
    for (const on of ['top', 'right', 'rear'])
      expect(run(job({ face: 'left', fan: true }, [{ on }]))[0]!.why).toBe(
        'Nothing stands before the side vent of Cube.',
      );
    // On top and shifted out over the left edge: above the face, not before it.
    expect(run(job({ face: 'left', fan: true }, [{ on: 'top', x: -60 }]))[0]!.state).toBe('ok');
    // A millimetre lower it hangs before its upper edge.
    expect(run(job({ face: 'left', fan: true }, [{ on: 'top', x: -70, y: -1 }]))[0]!.state).toBe(
      'fail',
    );
  });

  test('of several the nearest counts', () => {
    const two = job({ face: 'left', fan: false }, [
      { on: 'left', x: -30 },
      { on: 'left', x: -12, z: 10 },
    ]);
    expect(run(two)[0]!.margin!.value).toBeCloseTo(2, 9);
  });

  test('within the tolerances it may be either: tight', () => {
    const j = job({ face: 'left', fan: false }, [{ on: 'left', x: -10.2 }]);
    (j.kit[0] as unknown as { width: unknown }).width = { value: 100, tol: 1, from: 'measured' };
    // Both stand on the width of the body: it cancels.
    expect(run(j)[0]!.state).toBe('ok');
    const free = job({ face: 'rear', fan: false }, [{ on: 'rear', z: -10.2 }]);
    (free.kit[0] as unknown as { depth: unknown }).depth = { value: 60, tol: 1, from: 'measured' };
    expect(run(free)[0]!.state).toBe('ok');
  });

  test.each([
    ['the face is not said', { fan: true }, 30, /on which face/],
    ['nor whether a fan blows, and it is between the two', { face: 'left' }, 15, /whether a fan/],
  ] as const)('unknown: %s', (_name, vent, x, why) => {
    const v = run(job(vent, [{ on: 'left', x: -x }]))[0]!;
    expect(v.state).toBe('unknown');
    expect(v.why).toMatch(why);
    expect(v.measure[0]!.missing).toBe(true);
  });

  test('where it is the same with a fan or without nobody has to say', () => {
    expect(run(job({ face: 'left' }, [{ on: 'left', x: -25 }]))[0]!.state).toBe('ok');
    expect(run(job({ face: 'left' }, [{ on: 'left', x: -5 }]))[0]!.state).toBe('fail');
  });

  test('a size that nobody gave, of it or of what stands beside it, is unknown', () => {
    const own = job({ face: 'left', fan: true }, [{ on: 'left', x: -40 }]);
    delete (own.kit[0] as unknown as { width?: unknown }).width;
    expect(run(own)[0]!.state).toBe('unknown');
    const other = job({ face: 'left', fan: true }, [{ on: 'left', x: -40 }]);
    delete (other.kit[1] as unknown as { height?: unknown }).height;
    expect(run(other)[0]!.state).toBe('unknown');
  });

  test('nobody said where the walls of a cage are cut out', () => {
    const caged = (openLeft: boolean) => {
      const cage = {
        id: 'cage',
        kind: 'cage',
        name: 'Lattice',
        wall: exact(6),
        bottom: exact(8),
        depth: exact(60),
        madeFor: ['body'],
        openLeft,
      } as unknown as Fitting;
      const j = job({ face: 'left', fan: true }, [], [cage]);
      j.rigs[0]!.fitted = [{ id: 'c', part: 'cage', on: 'top' }];
      return run(j)[0]!;
    };
    expect(caged(false).why).toContain('walls of Lattice are cut out');
    expect(caged(true).state).toBe('ok');
  });

  test('that two parts were put together says nothing of the air before a fan', () => {
    const j = job({ face: 'left', fan: true }, [{ on: 'left', x: -5 }]);
    const before = check(build(j, j.rigs[0]!)).find((v) => v.id === 'space.vent')!;
    const trials = [{ id: 't', parts: ['body', 'block'], result: 'fits' as const }];
    const put = { ...j, trials };
    const after = check(build(put, put.rigs[0]!)).find((v) => v.id === 'space.vent')!;
    expect([before.state, after.state]).toEqual(['fail', 'fail']);
    expect(after.about.every((p) => trials[0]!.parts.includes(p))).toBe(true);
  });

  test('a part without vents, and a rig without a body, says nothing', () => {
    const j = job({});
    delete (j.kit[0] as unknown as { vents?: unknown }).vents;
    expect(run(j)).toEqual([]);
    expect(CHECKS).toContain(spaceVent);
  });

  test('a fix that was tried puts the part at another face', () => {
    const j = job({ face: 'left', fan: true }, [{ on: 'left', x: -5 }]);
    const found = findingsOf(build(j, j.rigs[0]!), shared(j)).find((f) => f.id === 'space.vent')!;
    expect(found.fixes.length).toBeGreaterThan(0);
    expect(found.fixes[0]!.state).toBe('ok');
  });
});

describe.each(demo().rigs.map((r) => [r.name, r.id] as const))('rays from %s', (_name, id) => {
  test('from every face to what they meet first: never nearer than the check says', () => {
    const j = demo();
    for (const p of j.kit)
      if (p.kind === 'body')
        (p as { vents?: Vent[] }).vents = FACES.map((face) => ({
          id: face,
          name: face,
          face,
          fan: true,
        }));
    const built = build(
      j,
      j.rigs.find((r) => r.id === id)!,
    );
    const stand = standOf(built);
    const own = stand.solids.find((s) => s.piece === 'body')!;
    const others = stand.solids.filter(
      (s) =>
        s.piece !== 'body' &&
        s.known &&
        !['sweep', 'tilt', 'travel'].includes(s.role) &&
        // Where its walls are cut out nobody said: the check does not either.
        stand.pieces.find((p) => p.key === s.piece)!.kind !== 'cage',
    );
    for (const v of spaceVent.run(built)) {
      const face = FACES.find((f) => v.key.endsWith(`:${f}`))!;
      const axis = { left: 0, right: 0, bottom: 1, top: 1, rear: 2, front: 2 }[face];
      const out = face === 'left' || face === 'bottom' || face === 'rear' ? -1 : 1;
      const [a, b] = [0, 1, 2].filter((k) => k !== axis) as [number, number];
      let first = Infinity;
      for (let i = 0; i <= 40; i++)
        for (let k = 0; k <= 40; k++) {
          const at = (n: number, t: number) =>
            own.extent[n]! + 0.1 + (own.extent[n + 3]! - own.extent[n]! - 0.2) * t;
          const [u, w] = [at(a, i / 40), at(b, k / 40)];
          for (const s of others) {
            const [e, o] = [own.extent, s.extent];
            if (u < o[a]! || u > o[a + 3]! || w < o[b]! || w > o[b + 3]!) continue;
            const gap = out < 0 ? e[axis]! - o[axis + 3]! : o[axis]! - e[axis + 3]!;
            const reaches = out < 0 ? o[axis]! < e[axis]! : o[axis + 3]! > e[axis + 3]!;
            if (reaches) first = Math.min(first, Math.max(0, gap));
          }
        }
      if (v.state === 'ok' && v.margin === null) expect(first).toBe(Infinity);
      else if (v.margin) expect(first).toBeGreaterThanOrEqual(v.margin.lo + 20 - 1e-6);
      if (v.state === 'ok') expect(first).toBeGreaterThanOrEqual(20 - 1e-6);
    }
  });
});
