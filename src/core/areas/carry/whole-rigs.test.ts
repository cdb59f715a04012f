import fc from 'fast-check';
import { build, shared, type Built } from '../../build/build';
import type { HoldKind, Job, Rig } from '../../kit/types';
import { withChanges } from '../../edit/edit';
import { at } from '../../build/lin';
import { anyRig, type Subject } from '../../properties/rigs';
import { balanceOf, degrees, leaning } from './model/balance';
import { balancing, slidersOf } from './model/slides';
import { slide } from './moves/carry';
import { weightsOf } from './model/weighed';

/** The same rig with every mass there, held as it is asked for. */
function heldBy({ job, rig }: Subject, by: HoldKind): { job: Job; rig: Rig } {
  const kit = job.kit.map((p) => (p.mass === undefined ? { ...p, mass: 400 } : p));
  const { hold: _hold, ...rest } = rig;
  const next: Rig = { ...rest, carry: { ...rig.carry, by } };
  return {
    job: { ...job, kit, rigs: job.rigs.map((r) => (r.id === rig.id ? next : r)) },
    rig: next,
  };
}

/** Random rigs until as many as wanted could be used. */
function* usable<T>(wanted: number, made: (s: Subject) => T | null, seed: number): Generator<T> {
  let n = 0;
  for (let round = 0; n < wanted && round < 40; round++)
    for (const s of fc.sample(anyRig, { numRuns: 100, seed: seed + round })) {
      const t = made(s);
      if (t === null) continue;
      yield t;
      if (++n >= wanted) return;
    }
}

const nominal = (q: {
  inputs: readonly { known: { value: number } | null }[];
  f: (x: number[]) => number;
}) => q.f(q.inputs.map((g) => g.known!.value));

test('how 1,000 random rigs hang, against bodies of weights that swing until they rest', async () => {
  const { default: rapier } = await import('@dimforge/rapier3d-compat');
  await rapier.init();
  let n = 0;
  let most = 0;
  const hung = (s: Subject): Built | null => {
    const { job, rig } = heldBy(s, 'hook');
    const built = build(job, rig, shared(job));
    const b = balanceOf(built);
    if (!b || rig.upright || b.above.inputs.some((g) => g.known === null)) return null;
    const all = [b.ahead, b.right].flatMap((q) => q.inputs);
    if (all.some((g) => g.known === null)) return null;
    return nominal(b.above) < -15 ? built : null;
  };
  for (const built of usable(1000, hung, 11)) {
    n++;
    const b = balanceOf(built)!;
    const hold = b.hold.at.map((l) => at(l, (g) => g.known!.value));
    const world = new rapier.World({ x: 0, y: -9.80665, z: 0 });
    const post = world.createRigidBody(rapier.RigidBodyDesc.fixed());
    const body = world.createRigidBody(
      rapier.RigidBodyDesc.dynamic().setAngularDamping(6).setLinearDamping(0).setCanSleep(false),
    );
    // A small ball for each weight: where their centre is and how they turn is the library's own work.
    for (const w of weightsOf(built)) {
      const p = w.at.map((l) => at(l, (g) => g.known!.value));
      const ball = rapier.ColliderDesc.ball(0.2)
        .setMass(w.mass.known!.value / 1000)
        .setTranslation(
          (p[0]! - hold[0]!) / 100,
          (p[1]! - hold[1]!) / 100,
          (p[2]! - hold[2]!) / 100,
        )
        .setCollisionGroups(0);
      world.createCollider(ball, body);
    }
    const joint = rapier.JointData.spherical({ x: 0, y: 0, z: 0 }, { x: 0, y: 0, z: 0 });
    world.createImpulseJoint(joint, post, body, true);
    for (let i = 0; i < 700; i++) world.step();
    const q = body.rotation();
    const upright = 1 - 2 * (q.x ** 2 + q.z ** 2);
    const lean = (Math.acos(Math.min(1, upright)) * 180) / Math.PI;
    const tangent = Math.hypot(nominal(leaning(b, b.fore)), nominal(leaning(b, b.side)));
    most = Math.max(most, Math.abs(lean - degrees(tangent)));
    world.free();
  }
  expect(n).toBe(1000);
  expect(most).toBeLessThan(0.5);
}, 600_000);

test('slides of 300 random rigs: laid out again they do what was said, and a millimetre grid finds no more', () => {
  const ways = ['head', 'hook', 'head', 'shoulder', 'gimbal'] as const;
  let tried = 0;
  let n = 0;
  let claimed = 0;
  let parts = 0;
  let short = 0;
  const balanced = (s: Subject) => {
    const { job, rig } = heldBy(s, ways[tried++ % ways.length]!);
    const base = shared(job);
    const built = build(job, rig, base);
    const b = balanceOf(built);
    if (!b || b.ahead.inputs.some((g) => g.known === null)) return null;
    const sliders = slidersOf(built).slice(0, 2);
    return sliders.length > 0 ? { job, rig, base, sliders, ahead: nominal(b.ahead) } : null;
  };
  for (const { job, rig, base, sliders, ahead } of usable(300, balanced, 5)) {
    n++;
    if (sliders.some((x) => !x.grab)) parts++;
    const after = (by: readonly number[]) => {
      const e = slide(
        rig,
        sliders.map((slider, i) => ({ slider, by: by[i]! })),
      );
      const next = withChanges(job, e.changes).rigs.find((r) => r.id === rig.id)!;
      return nominal(balanceOf(build(job, next, base))!.ahead);
    };
    // Each by itself, to its ends and half way: the rig laid out anew has its centre where it was said.
    sliders.forEach((s, k) => {
      for (const by of [s.from, s.to, (s.from + s.to) / 2]) {
        const moved = after(sliders.map((_s, i) => (i === k ? by : 0)));
        expect(Math.abs(moved - (ahead + by * s.gain))).toBeLessThan(0.2);
      }
    });
    const found = balancing(sliders, ahead);
    // Millimetre by millimetre over all of their travel.
    const steps = (s?: { from: number; to: number }) =>
      s ? [s.from, ...range(Math.ceil(s.from), Math.floor(s.to)), s.to] : [0];
    let nearest = Infinity;
    for (const i of steps(sliders[0]))
      for (const j of steps(sliders[1]))
        nearest = Math.min(
          nearest,
          Math.abs(ahead + i * sliders[0]!.gain + j * (sliders[1]?.gain ?? 0)),
        );
    const step = sliders.reduce((sum, s) => sum + Math.abs(s.gain) / 2, 0) + 1e-6;
    if (found.together) {
      claimed++;
      expect(nearest).toBeLessThanOrEqual(step);
      const by = sliders.map((s) => found.together!.find((x) => x.slider === s)?.by ?? 0);
      expect(Math.abs(after(by))).toBeLessThan(0.3);
    } else if (Math.abs(ahead) > 1e-6) {
      short++;
      expect(nearest).toBeGreaterThanOrEqual(Math.abs(found.left) - 1e-6);
    }
    for (const { slider, by } of found.alone)
      expect(Math.abs(after(sliders.map((s) => (s === slider ? by : 0))))).toBeLessThan(0.3);
  }
  expect(n).toBe(300);
  expect(parts).toBeGreaterThan(40);
  // Both were there: what can be balanced, and what cannot.
  expect(claimed).toBeGreaterThan(20);
  expect(short).toBeGreaterThan(20);
}, 600_000);

const range = (from: number, to: number) =>
  Array.from({ length: Math.max(0, to - from + 1) }, (_, i) => from + i);
