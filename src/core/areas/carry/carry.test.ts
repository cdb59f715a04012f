import fc from 'fast-check';
import { constant, type Given } from '../../build/given';
import { build, shared } from '../../build/build';
import { lin, of, plus, type Lin } from '../../build/lin';
import { sideBySide } from '../../doc/side-by-side';
import { operateAs } from '../../kit/operator';
import { readOperator } from '../../kit/read-operator';
import { fixesFor } from '../../solve/fixes';
import type { Rig } from '../../kit/types';
import { demo, demoDoc } from '../../test-kit';
import { check } from '../checks';
import { endurance, pixelsPerMinute, tiltMoment } from './model/endurance';
import { inertiaFrom } from './model/inertia';
import { hull } from './model/standing';
import { balancing, counterweight, type Slider } from './model/slides';
import type { Weight } from './model/weights';

const known = (value: number, tol = 0): Given =>
  constant('x', 'g', { value, tol, from: 'sheet', lo: value - tol, hi: value + tol });

const at = (x: number, y: number, z: number, tol = 0): readonly [Lin, Lin, Lin] =>
  [x, y, z].map((v) => plus(lin(v), of(known(0, tol)))) as unknown as readonly [Lin, Lin, Lin];

const weight = (
  mass: number,
  where: readonly [Lin, Lin, Lin],
  tol = 0,
  spread: readonly [number, number, number] = [0, 0, 0],
): Weight => ({
  key: `${mass}`,
  part: { id: 'p', kind: 'accessory', name: 'P' },
  mass: known(mass, tol),
  at: where,
  spread,
  volume: 1,
  middle: [0, 0, 0],
  size: [0, 0, 0],
  off: [null, null, null],
});

describe('worked examples', () => {
  // 12 mm at 6.2 kg: a 3.4 kg camera 21.9 mm, a 0.95 kg battery 78.3 mm; with the hold 26.6 mm.
  test('slides', () => {
    const by = (gain: number) =>
      balancing(
        [{ id: 'a', name: '', part: '', grab: false, from: -99, to: 99, gain, moves: [] }],
        12,
      ).alone[0]!.by;
    expect(by(3400 / 6200)).toBeCloseTo(-21.9, 1);
    expect(by(950 / 6200)).toBeCloseTo(-78.3, 1);
    // The hold moves along: towards the offset.
    expect(by(-(6200 - 3400) / 6200)).toBeCloseTo(26.6, 1);
  });

  // 12 mm ahead at 140 mm below: 4.9 deg nose down.
  test('how it hangs', () => {
    expect((Math.atan2(12, 140) * 180) / Math.PI).toBeCloseTo(4.9, 1);
  });

  // 6.2 kg, 48 mm ahead, the weight 160 mm behind: 1.86 kg. From ahead it cannot help.
  test('dead weight', () => {
    expect(counterweight(6200, 48, -160)! / 1000).toBeCloseTo(1.86, 2);
    expect(counterweight(6200, 48, 160)).toBeNull();
    expect(counterweight(6200, 48, 0)).toBeNull();
  });

  // 8.4 kg, 145 mm: 11.94 N m at 90 deg, 5.97 at 30; 12 mm of offset adds 0.99 at level.
  test('what a head must hold', () => {
    expect(tiltMoment(8.4, 145, 0, 90)).toBeCloseTo(11.94, 2);
    expect(tiltMoment(8.4, 145, 0, 30)).toBeCloseTo(5.97, 2);
    expect(tiltMoment(8.4, 145, 12, 0)).toBeCloseTo(0.99, 2);
  });

  // Rohmert 1960, from memory: 0.2: 6.5; 0.3: 2.5; 0.5: 1.1 minutes.
  test('how long a hold lasts', () => {
    expect(endurance(0.2)).toBeCloseTo(6.5, 1);
    expect(endurance(0.3)).toBeCloseTo(2.5, 1);
    expect(endurance(0.5)).toBeCloseTo(1.1, 1);
    expect(endurance(0.14)).toBeNull();
    expect(endurance(1.01)).toBeNull();
    expect(endurance(NaN)).toBeNull();
  });

  // 1000 mm, 6 um: 48.5 pixels an arc minute.
  test('long lenses', () => {
    expect(pixelsPerMinute(1000, 6)).toBeCloseTo(48.5, 1);
  });

  // 0.5 kg at 200 mm: 0.0200 kg m2 (two of them about their middle: twice that).
  test('inertia of two weights on a bar', () => {
    const i = inertiaFrom([weight(500, at(0, 0, 200)), weight(500, at(0, 0, -200))])!;
    expect(i.tilt.value).toBeCloseTo(0.04, 9);
    expect(i.roll.value).toBeCloseTo(0, 9);
  });
});

const spot = fc.record({
  m: fc.double({ min: 50, max: 3000, noNaN: true }),
  p: fc.tuple(...[0, 1, 2].map(() => fc.double({ min: -250, max: 250, noNaN: true }))),
  s: fc.tuple(...[0, 1, 2].map(() => fc.double({ min: 1, max: 2500, noNaN: true }))),
});

describe('against ways of its own', () => {
  test('inertia: parallel axes summed about the origin first, 1,000 random rigs', () => {
    fc.assert(
      fc.property(fc.array(spot, { minLength: 1, maxLength: 12 }), (list) => {
        const own = inertiaFrom(
          list.map((w) =>
            weight(w.m, at(w.p[0]!, w.p[1]!, w.p[2]!), 0, w.s as [number, number, number]),
          ),
        )!;
        const mass = list.reduce((s, w) => s + w.m, 0);
        const centre = [0, 1, 2].map((k) => list.reduce((s, w) => s + w.m * w.p[k]!, 0) / mass);
        const about = (a: number, b: number) =>
          (list.reduce((s, w) => s + w.m * (w.p[a]! ** 2 + w.p[b]! ** 2 + w.s[a]! + w.s[b]!), 0) -
            mass * (centre[a]! ** 2 + centre[b]! ** 2)) /
          1e9;
        for (const [v, w] of [
          [own.tilt.value, about(1, 2)],
          [own.pan.value, about(0, 2)],
          [own.roll.value, about(0, 1)],
        ] as const)
          expect(Math.abs(v - w)).toBeLessThan(1e-9 + 1e-9 * Math.abs(w));
      }),
      { numRuns: 1000 },
    );
  });

  test('inertia: 10,000 draws stay inside what is promised', () => {
    const list = Array.from({ length: 6 }, (_, i) =>
      weight(300 + 200 * i, at(20 * i - 50, 30 * i, 60 * i - 150, 10), 25, [400, 500, 600]),
    );
    const own = inertiaFrom(list)!;
    let seed = 11;
    const random = () => ((seed = (seed * 48271) % 2147483647) - 1) / 2147483646;
    let [low, high] = [Infinity, -Infinity];
    for (let n = 0; n < 10_000; n++) {
      const drawn = list.map((w) => {
        const p = w.at.map((l) => l.c + (random() < 0.5 ? -1 : 1) * l.loose * random() ** 0.2);
        const m = w.mass.known!.value + (random() * 2 - 1) * w.mass.known!.tol;
        return weight(m, at(p[0]!, p[1]!, p[2]!), 0, w.spread as [number, number, number]);
      });
      const v = inertiaFrom(drawn)!.tilt.value;
      low = Math.min(low, v);
      high = Math.max(high, v);
    }
    expect(low).toBeGreaterThanOrEqual(own.tilt.lo);
    expect(high).toBeLessThanOrEqual(own.tilt.hi);
    expect((high - low) / (own.tilt.hi - own.tilt.lo)).toBeGreaterThan(0.5);
  });

  // A rigid body on a ball joint that comes to rest: the physics of a general library.
  test('how it hangs, against a body that swings until it rests', async () => {
    const { default: rapier } = await import('@dimforge/rapier3d-compat');
    await rapier.init();
    for (const [x, below, z] of [
      [0, 140, 12],
      [15, 120, -20],
      [-30, 90, 40],
      [4, 200, -3],
    ] as const) {
      const world = new rapier.World({ x: 0, y: -9.80665, z: 0 });
      const post = world.createRigidBody(rapier.RigidBodyDesc.fixed());
      const body = world.createRigidBody(
        rapier.RigidBodyDesc.dynamic().setLinearDamping(1).setAngularDamping(1).setCanSleep(false),
      );
      // Metres, doubled in scale so that single precision does no harm.
      const k = 1 / 100;
      body.setAdditionalMassProperties(
        3,
        { x: x * k, y: -below * k, z: z * k },
        { x: 0.5, y: 0.5, z: 0.5 },
        { x: 0, y: 0, z: 0, w: 1 },
        true,
      );
      const joint = rapier.JointData.spherical({ x: 0, y: 0, z: 0 }, { x: 0, y: 0, z: 0 });
      world.createImpulseJoint(joint, post, body, true);
      for (let i = 0; i < 3000; i++) world.step();
      const q = body.rotation();
      // How the upright of the body lies: its angle with the plumb line is the lean in all.
      const up = { x: 2 * (q.x * q.y - q.w * q.z), y: 1 - 2 * (q.x ** 2 + q.z ** 2) };
      const lean = (Math.acos(Math.min(1, up.y)) * 180) / Math.PI;
      const ours = (Math.atan2(Math.hypot(x, z), below) * 180) / Math.PI;
      expect(Math.abs(lean - ours)).toBeLessThan(0.2);
      world.free();
    }
  }, 60_000);

  test('slides: a millimetre grid finds a balance where it is claimed, and only there', () => {
    const slider = fc.record({
      gain: fc.constantFrom(-1, -0.8, -0.4, 0.05, 0.1, 0.2, 0.35, 0.6),
      from: fc.integer({ min: -60, max: 0 }),
      to: fc.integer({ min: 0, max: 60 }),
    });
    fc.assert(
      fc.property(
        fc.array(slider, { minLength: 1, maxLength: 2 }),
        fc.double({ min: -60, max: 60, noNaN: true }),
        (list, ahead) => {
          const sliders = list.map((s, i): Slider => ({
            ...s,
            id: `${i}`,
            name: '',
            part: '',
            grab: false,
            moves: [],
          }));
          const found = balancing(sliders, ahead);
          const [a, b] = [sliders[0]!, sliders[1] ?? { ...sliders[0]!, from: 0, to: 0, gain: 0 }];
          let least = Infinity;
          let nearest = Infinity;
          for (let i = a.from; i <= a.to; i++)
            for (let j = b.from; j <= b.to; j++) {
              const left = Math.abs(ahead + i * a.gain + j * b.gain);
              nearest = Math.min(nearest, left);
              // A millimetre of the grid leaves up to half of what each moves the centre by.
              if (left <= (Math.abs(a.gain) + Math.abs(b.gain)) / 2)
                least = Math.min(least, Math.abs(i) + Math.abs(j));
            }
          const step = (Math.abs(a.gain) + Math.abs(b.gain)) / 2 + 1e-9;
          if (Math.abs(ahead) < 1e-9) return;
          if (found.together) {
            expect(nearest).toBeLessThanOrEqual(step);
            const far = found.together.reduce((s, x) => s + Math.abs(x.by), 0);
            // No way of the grid is shorter, but for what its steps leave over.
            expect(far).toBeLessThanOrEqual(
              least + step / Math.min(...list.map((s) => Math.abs(s.gain))) + 2,
            );
          } else expect(Math.abs(found.left)).toBeLessThanOrEqual(nearest + 1e-9);
          for (const { slider: s, by } of [...found.alone, ...(found.together ?? [])])
            expect(by >= s.from - 1e-9 && by <= s.to + 1e-9).toBe(true);
          for (const { slider: s, by } of found.alone)
            expect(ahead + by * s.gain).toBeCloseTo(0, 6);
        },
      ),
      { numRuns: 300 },
    );
  });

  test('the ring about points: all of them are inside, and it turns one way', () => {
    const point = fc.record({
      u: fc.integer({ min: -50, max: 50 }),
      v: fc.integer({ min: -50, max: 50 }),
    });
    fc.assert(
      fc.property(fc.array(point, { minLength: 3, maxLength: 20 }), (points) => {
        const ring = hull(points);
        if (ring.length < 3) return;
        ring.forEach((a, i) => {
          const b = ring[(i + 1) % ring.length]!;
          for (const p of points)
            expect((b.u - a.u) * (p.v - a.v) - (b.v - a.v) * (p.u - a.u)).toBeGreaterThanOrEqual(0);
        });
      }),
    );
  });
});

/** Findings of a standing of the demo, with what is offered for one of them. */
function standing(rigId: string, name: string | null) {
  const side = sideBySide(demoDoc(), rigId)!;
  const s = side.standings.find((x) => (name === null ? x.id === null : x.name === name))!;
  const base = shared(side.job);
  const built = build(side.job, s.rig, base);
  const verdicts = check(built);
  const find = (id: string, text = '') =>
    verdicts.find((v) => v.id === id && v.why.includes(text))!;
  const titles = (id: string, text = '') =>
    fixesFor(built, find(id, text), base).map((f) => f.title);
  return { built, verdicts, find, titles };
}

describe('the demo', () => {
  test('on the shoulder it leans forwards, and a slide cures it, not lead', () => {
    const s = standing('lockside-b', 'shoulder');
    expect(s.find('carry.balance-fore').state).toBe('tight');
    expect(s.find('carry.balance-fore').margin!.value).toBeLessThan(10);
    expect(s.titles('carry.balance-fore')[0]).toMatch(
      /^Slide Raft plate( with the rods)? \d+ mm back/,
    );
    expect(s.titles('carry.balance-fore').join()).not.toMatch(/Sinker/);
  });

  test('in the cabin it is too tall until the screen moves behind', () => {
    const s = standing('tug-b', null);
    expect(s.find('carry.headroom', 'ceiling').state).toBe('fail');
    expect(s.titles('carry.headroom', 'ceiling')[0]).toBe('Put Pane 5 at the rear');
  });

  test('the long zoom wants the bigger head, and a specification says which', () => {
    const s = standing('locks-long', null);
    const v = s.find('carry.head', 'are on Trunnion head');
    expect(v.state).toBe('fail');
    expect(v.wanted[0]).toMatch(/tripod head that bears 3500 g or more/);
    expect(s.titles('carry.head', 'are on Trunnion head')).toContain(
      'Winch head in place of Trunnion head',
    );
  });

  test('the matte box goes into an arm of the gimbal; its near miss is the rig without, its cure wider arms', () => {
    const s = standing('lockside-b', 'gimbal');
    const v = s.find('carry.gimbal', 'into an arm');
    expect(v.state).toBe('fail');
    expect(v.why).toMatch(/^Sill box goes 15 mm into an arm of Cradle gimbal/);
    expect(v.wanted[0]).toMatch(/a gimbal with \d+ mm between its arms/);
    expect(s.titles('carry.gimbal', 'into an arm')).toContain(
      'Cradle gimbal, wide arms in place of Cradle gimbal',
    );
    // Without the box it is the wheel that comes near.
    const bare: Rig = { ...s.built.rig, box: undefined, thread: undefined };
    const near = check(build(s.built.job, bare)).find(
      (x) => x.key === 'carry.gimbal:cradle:between',
    )!;
    expect(near.state).toBe('tight');
    expect(near.why).toContain('passes the arm');
  });

  test('one grip twists the wrist, and what stands on one foot tips', () => {
    expect(standing('lockside-b', 'cabin').find('carry.hand', 'roll').state).toBe('fail');
    expect(standing('wheelhouse-a', null).find('carry.stand').state).toBe('fail');
  });
});

describe('who holds it', () => {
  afterEach(() => operateAs(null));
  const hold = () => standing('lockside-b', 'shoulder').find('carry.hold-time');
  const eyes = () => standing('lockside-b', 'shoulder').find('carry.headroom');

  test('nobody known: unknown, never ok', () => {
    expect(hold().state).toBe('unknown');
    expect(eyes().state).toBe('unknown');
  });

  test('what one can just hold, and times of one’s own, which come first', () => {
    operateAs({ onShoulder: 60_000, shoulder: 1480 });
    expect(hold().state).toBe('ok');
    expect(eyes().state).toBe('ok');
    operateAs({ onShoulder: 12_000 });
    expect(hold().state).toBe('tight');
    operateAs({ onShoulder: 12_000, times: [{ by: 'shoulder', mass: 7000, minutes: 9 }] });
    expect(hold().state).toBe('ok');
    // Of something lighter it says nothing.
    operateAs({ onShoulder: 12_000, times: [{ by: 'shoulder', mass: 5000, minutes: 9 }] });
    expect(hold().state).toBe('tight');
  });

  test('a profile that is none is refused with what was expected', () => {
    expect(readOperator({ shoulder: 1480, handed: 'left' })).toEqual({
      ok: true,
      value: { shoulder: 1480, handed: 'left' },
    });
    for (const [bad, says] of [
      [[], /object/],
      [{ shoulder: 'tall' }, /shoulder: expected a number from 300 to 2500 in mm/],
      [{ shoulder: NaN }, /shoulder/],
      [{ handed: 'both' }, /"left" or "right"/],
      [{ times: [{ by: 'shoulder', mass: 0, minutes: 3 }] }, /times/],
      [{ weight: 70 }, /nothing by that name/],
    ] as const) {
      const read = readOperator(bad);
      expect(read.ok).toBe(false);
      if (!read.ok) expect(read.error).toMatch(says);
    }
  });
});

test('a mass that nobody knows makes unknown what rests on it, the largest piece is asked for first', () => {
  const job = demo();
  const without = (ids: readonly string[]) => ({
    ...job,
    kit: job.kit.map((p) => (ids.includes(p.id) ? { ...p, mass: undefined } : p)),
  });
  const next = without(['keel-98', 'stirrup']);
  const rig = next.rigs.find((r) => r.id === 'tug-b')!;
  const v = check(build(next, rig)).filter((x) => /^carry\.(mass|balance|slide)/.test(x.id));
  expect(new Set(v.map((x) => x.state))).toEqual(new Set(['unknown']));
  const mass = v.find((x) => x.id === 'carry.mass')!;
  expect(mass.measure[0]!.part).toBe('keel-98');
  expect(mass.measure[0]!.share).toBeGreaterThan(mass.measure[1]!.share);
});

test('what carries the rig is none of its mass; what is not in the kit is, and nobody knows how much', () => {
  const job = demo();
  const rig = job.rigs.find((r) => r.id === 'locks-long')!;
  const limited = { ...rig, limits: { mass: 4000 }, carry: { ...rig.carry, most: 4000 } };
  const masses = (r: typeof rig) =>
    check(build(job, r)).filter((v) => v.id === 'carry.mass' || v.id === 'space.mass');
  // 3320 g; with the head and legs under it it would be more than twice that.
  expect(masses(limited).map((v) => v.state)).toEqual(['ok', 'ok']);
  expect(masses(limited).map((v) => Math.round(v.margin!.value))).toEqual([680, 680]);
  const lost = { ...limited, thread: [{ part: 'never-heard-of' }] };
  expect(masses(lost).map((v) => v.state)).toEqual(['unknown', 'unknown']);
});

describe('what nobody said is never ok', () => {
  const job = demo();
  const held = (id: string, carry: object, kit = job.kit) => {
    const next = { ...job, kit };
    const rig = { ...job.rigs.find((r) => r.id === id)!, carry };
    return check(build(next, { ...rig, id: 'x' })).filter((v) => v.id.startsWith('carry.'));
  };

  test('a place across the part says nothing of the place along it', () => {
    const v = held('lockside-b', { by: 'one-grip', x: 0 }).filter((x) => x.id === 'carry.hand');
    expect(v.map((x) => x.state)).toEqual(['tight', 'tight']);
    expect(v[0]!.why).toMatch(/nobody said where/);
  });

  test('a part of unknown height may be the highest under a ceiling', () => {
    const kit = job.kit.map((p) => (p.id === 'keel-98' ? { ...p, height: undefined } : p));
    const carry = { by: 'hugged', z: 20, axis: 500, ceiling: 2500 };
    const air = (k = job.kit) => held('tug-b', carry, k).find((v) => v.key.endsWith(':ceiling'))!;
    expect(air().state).toBe('ok');
    expect(air(kit).state).toBe('unknown');
  });
});
