import { check } from '../checks';
import { build, shared } from '../../build/build';
import { docOf } from '../../doc/write';
import { jobOf } from '../../doc/read';
import { applyEdit } from '../../edit/edit';
import type { Change, FittedUse, Job } from '../../kit/types';
import { standOf } from '../../stand/stand';
import { demo } from '../../test-kit';
import { hostsOn, seatingsFor, spotsOfHost } from '../joints/model/free';
import { loadPath } from '../joints/model/load-path';
import { seat } from '../joints/moves/seat';
import { weightsOf } from '../carry/model/weighed';
import { loadedJoints } from '../support/model/mount-load';
import { putBox, takeBoxOff } from './moves/box';

/** What stands on the matte box: an arm on the holes of its top, and what follows from that. */

const RIG = 'lift-bridge';
const base = demo();
const arm: FittedUse = { id: 'own', part: 'spar', on: 'box', at: 'top-holes', by: 'root' };
const put = (use: FittedUse = arm): Change => ({
  path: ['rigs', RIG, 'fitted', use.id],
  value: use,
});
const part = (id: string, key: string, value: unknown): Change => ({
  path: ['kit', id, key],
  value,
});

function on(changes: readonly Change[]) {
  const job: Job = applyEdit(base, { title: 'x', changes: [...changes] }).doc;
  const rig = job.rigs.find((r) => r.id === RIG)!;
  const built = build(job, rig, shared(job));
  return { job, rig, built, stand: standOf(built), said: check(built) };
}

test('it stands on the hole: over the box by hand, and goes where the box goes', () => {
  const at = (changes: readonly Change[]) => {
    const { stand } = on(changes);
    const f = (key: string) => stand.pieces.find((p) => p.key === key)!.faces!;
    const n = (l: Parameters<typeof stand.value>[0]) => stand.value(l);
    return { box: f('box'), own: f('fitted:own'), n };
  };
  const { box, own, n } = at([put()]);
  expect(n(own.y0)).toBeCloseTo(n(box.y1), 9);
  // Two holes 40 apart about the middle of the top: the first is 20 to the left of it, and 20 back.
  expect((n(own.x0) + n(own.x1)) / 2).toBeCloseTo(-20, 9);
  expect((n(own.z0) + n(own.z1)) / 2).toBeCloseTo((n(box.z0) + n(box.z1)) / 2 - 20, 9);
  const slid = at([put(), { path: ['rigs', RIG, 'box', 'station'], value: n(box.z0) + 12 }]);
  expect(slid.n(slid.own.z0) - n(own.z0)).toBeCloseTo(12, 6);
});

test('its place is offered, lit where it is, and taken by what is there', () => {
  const { job, rig, built } = on([]);
  const arm = built.kit.get('spar')!;
  const places = seatingsFor(built, arm).filter((p) => p.host.on === 'box');
  expect(places.map((p) => p.n)).toEqual([0, 1]);
  const host = hostsOn(built).find((h) => h.on === 'box')!;
  const spots = spotsOfHost(built, host);
  expect(spots.map((s) => Math.round(standOf(built).value(s.at[0])))).toEqual([-20, 20]);
  const edit = seat(rig, arm, places[0]!);
  const after = applyEdit(job, edit).doc;
  const use = after.rigs.find((r) => r.id === RIG)!.fitted!.at(-1)!;
  expect(use).toMatchObject({ on: 'box', at: 'top-holes', by: 'root' });
  expect(use.to).toBeUndefined();
  const taken = build(
    after,
    after.rigs.find((r) => r.id === RIG)!,
  );
  const left = seatingsFor(taken, arm).filter((p) => p.host.on === 'box');
  expect(left.map((p) => p.n)).toEqual([1]);
});

test('a file says it, and says it the same when it is read again', () => {
  const { job, rig } = on([put()]);
  const doc = docOf(job);
  const joint = doc.rigs.find((r) => r.id === RIG)!.joints.find((j) => j.id === 'own')!;
  expect(joint.host).toEqual({ face: 'box', interface: 'top-holes' });
  expect(jobOf(doc).rigs.find((r) => r.id === RIG)).toEqual(rig);
});

test('the box holds it on the load path, and it weighs where it stands', () => {
  const { built, stand } = on([put()]);
  const joint = loadPath(built).joints.find((j) => j.seat.use.id === 'own')!;
  expect(joint.seat.host!.piece).toBe('box');
  expect(joint.carried.map((p) => p.id)).toEqual(['spar']);
  const weight = weightsOf(built).find((w) => w.key.startsWith('fitted:own'))!;
  const { z0, z1 } = stand.pieces.find((p) => p.key === 'fitted:own')!.faces!;
  expect(stand.value(weight.at[2])).toBeCloseTo((stand.value(z0) + stand.value(z1)) / 2, 6);
});

test('on a box that the lens holds it hangs on the lens; on one that rods hold it does not', () => {
  const hangs = (attach: string) =>
    loadedJoints(on([put(), part('weir', 'attach', attach)]).built)[0]!.hanging.some(
      (h) => h.part === 'spar',
    );
  expect(hangs('rods')).toBe(false);
  expect(hangs('clip-on')).toBe(true);
});

test('it swings away with the box, and what is in its way is found', () => {
  const { stand, said } = on([put()]);
  const sweep = stand.pieces.find((p) => p.key === 'swing:own')!;
  const { z0, z1, x0 } = stand.pieces.find((p) => p.key === 'fitted:own')!.faces!;
  const box = stand.pieces.find((p) => p.key === 'box')!.faces!;
  // The hinge is at the left of the mouth; the farthest corner of the arm by hand.
  const [hx, hz] = [stand.value(box.x0), stand.value(box.z1)];
  const x1 = stand.value(x0) + 22;
  const far = Math.max(
    ...[stand.value(x0), x1].flatMap((x) =>
      [z0, z1].map((z) => Math.hypot(x - hx, stand.value(z) - hz)),
    ),
  );
  const solid = sweep.solids[0]!;
  // Straight out from the hinge it comes that far, and it begins behind it, where the arm stands.
  expect(solid.extent[3]).toBeCloseTo(hx + far, 6);
  expect(solid.extent[2]).toBeLessThanOrEqual(stand.value(z0) + 1e-6);
  for (const x of [stand.value(x0), x1])
    for (const z of [z0, z1].map(stand.value))
      for (let a = 0; a <= 90; a += 5) {
        const [c, s] = [Math.cos((a * Math.PI) / 180), Math.sin((a * Math.PI) / 180)];
        const at = [hx + c * (x - hx) - s * (z - hz), hz + s * (x - hx) + c * (z - hz)] as const;
        expect(at[0]).toBeLessThanOrEqual(solid.extent[3] + 1e-6);
        expect(at[1]).toBeGreaterThanOrEqual(solid.extent[2] - 1e-6);
        expect(at[1]).toBeLessThanOrEqual(solid.extent[5] + 1e-6);
      }
  expect(
    said.some((v) => v.key === 'space.sweep:swing:own' || v.pieces.includes('swing:own')),
  ).toBe(true);
  // Without a width it is not known, and nothing says ok of it.
  const blind = on([put(), part('spar', 'width', undefined)]).said;
  const of = blind.filter((v) => v.id === 'space.sweep' && v.pieces.includes('swing:own'));
  expect(of.map((v) => v.state)).toEqual(['unknown']);
});

test('the box itself is swept from where it stands: every corner, all the way round', () => {
  const { stand } = on([]);
  const { x0, x1, z0, z1 } = stand.pieces.find((p) => p.key === 'box')!.faces!;
  const [left, right, back, mouth] = [x0, x1, z0, z1].map((l) => stand.value(l)) as [
    number,
    number,
    number,
    number,
  ];
  const solid = stand.pieces.find((p) => p.key === 'swing')!.solids[0]!;
  const far = Math.hypot(right - left, mouth - back);
  let behind = Infinity;
  for (let a = 0; a <= 90; a += 1)
    for (const x of [left, right])
      for (const z of [back, mouth]) {
        const [c, s] = [Math.cos((a * Math.PI) / 180), Math.sin((a * Math.PI) / 180)];
        const at = [
          left + c * (x - left) - s * (z - mouth),
          mouth + s * (x - left) + c * (z - mouth),
        ];
        expect(Math.hypot(at[0]! - left, at[1]! - mouth)).toBeLessThanOrEqual(far + 1e-9);
        expect(at[0]).toBeLessThanOrEqual(solid.extent[3] + 1e-6);
        expect(at[1]).toBeLessThanOrEqual(solid.extent[5] + 1e-6);
        behind = Math.min(behind, at[1]!);
      }
  // It comes no farther behind the hinge than the box stands.
  expect(solid.extent[2]).toBeCloseTo(behind, 6);
  expect(solid.extent[3]).toBeCloseTo(left + far, 6);
});

test('taken off, the box takes it along; another box without such a place is said', () => {
  const { job, rig } = on([put(), put({ id: 'more', part: 'cleat', to: 'own', on: 'top' })]);
  const off = applyEdit(job, takeBoxOff(job, rig)).doc.rigs.find((r) => r.id === RIG)!;
  expect(off.box).toBeUndefined();
  expect((off.fitted ?? []).some((u) => u.id === 'own' || u.id === 'more')).toBe(false);
  const sill = job.kit.find((p) => p.id === 'sill')!;
  const other = applyEdit(job, putBox(job, rig, sill as Parameters<typeof putBox>[2])).doc;
  const now = other.rigs.find((r) => r.id === RIG)!;
  const gone = check(build(other, now)).find((v) => v.key === 'joint.fits:own:gone')!;
  expect(gone.state).toBe('unknown');
  expect(gone.why).toContain('Sill box has no such place any more');
});
