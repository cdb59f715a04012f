import fc from 'fast-check';
import { docOf } from '../doc/write';
import { validateJob } from '../format/read-job';
import { checkRig } from '../areas/checks';
import { partsOn } from '../roles/uses';
import {
  isDriveArm,
  isFitting,
  isGearRing,
  isRods,
  isSupport,
  type Job,
  type Part,
  type Rig,
} from '../kit/types';
import { demo } from '../test-kit';
import { deedsOf, putOn } from '../areas/moves';
import { putGear, takeGear } from '../areas/drive/moves/gear';
import { putRods, setRodTip, takeRods } from '../areas/rods/moves/rods';
import { setLimits, shutScreen, takeFitted } from '../areas/space/moves/fitted';
import { setPlateStation } from '../areas/rods/moves/under';
import { takeSupport } from '../areas/support/moves/support';
import { applyEdit, type Edit } from '../edit/edit';
import { removePart } from './remove-part';

const job = demo();
const rigOf = (j: Job, id: string): Rig => j.rigs.find((r) => r.id === id)!;
const tugOf = rigOf(job, 'tug-b');
const beside = job.kit.filter(
  (p) => putOn(job, { ...tugOf, rods: undefined, gears: undefined }, p) !== null,
);
const part = <T extends Part>(is: (p: Part) => p is T, name: string): T =>
  job.kit.filter(is).find((p) => p.name === name)!;

/** The rig after an edit; taken back, the job has to be what it was to the letter. */
function done(j: Job, id: string, edit: Edit | null): { job: Job; rig: Rig } {
  const { doc, inverse } = applyEdit(j, edit!);
  expect(applyEdit(doc, inverse).doc).toEqual(j);
  return { job: doc, rig: rigOf(doc, id) };
}

describe('moves under and beside the camera', () => {
  test('every part of the kit goes where its kind goes, on every rig, and comes off again', () => {
    expect(beside.length).toBeGreaterThan(20);
    for (const r of job.rigs)
      for (const p of beside) {
        const edit = putOn(job, r, p);
        // What is in is not put in once more; an arm needs a drive to stand between.
        if (!edit) {
          expect(partsOn(r).has(p.id) || (isDriveArm(p) && !r.drives?.length)).toBe(true);
          continue;
        }
        const on = done(job, r.id, edit);
        expect(partsOn(on.rig).has(p.id)).toBe(true);
        expect(edit.title).toContain(p.name);
        // What the move made is a file that can be read.
        expect(validateJob(docOf(on.job)).ok).toBe(true);
      }
  });

  test('any row of moves and deeds is taken back step by step to where it began', () => {
    fc.assert(
      fc.property(
        fc.constantFrom(...job.rigs.map((r) => r.id)),
        fc.array(fc.tuple(fc.boolean(), fc.nat()), { maxLength: 12 }),
        (id, steps) => {
          let now = job;
          const back: Edit[] = [];
          for (const [put, n] of steps) {
            const rig = rigOf(now, id);
            const deeds = deedsOf(now, rig);
            const edit = put
              ? putOn(now, rig, beside[n % beside.length]!)
              : (deeds[n % Math.max(1, deeds.length)] ?? null);
            if (!edit) continue;
            const { doc, inverse } = applyEdit(now, edit);
            expect(doc).not.toEqual(now);
            // Nothing leans on what is gone.
            const r = rigOf(doc, id);
            const fitted = new Set((r.fitted ?? []).map((u) => u.id));
            for (const u of r.fitted ?? []) if (u.to !== undefined) expect(fitted).toContain(u.to);
            for (const d of r.drives ?? []) if (d.outlet) expect(fitted).toContain(d.outlet.from);
            now = doc;
            back.push(inverse);
          }
          expect(validateJob(docOf(now)).ok).toBe(true);
          for (const b of back.reverse()) now = applyEdit(now, b).doc;
          expect(now).toEqual(job);
        },
      ),
      { numRuns: 60, seed: 4 },
    );
  });

  test('a part that leaves the kit leaves every rig, with what stood on it', () => {
    for (const p of beside) {
      const edit = removePart(job, p);
      const { doc, inverse } = applyEdit(job, edit);
      for (const r of doc.rigs) expect(partsOn(r).has(p.id)).toBe(false);
      expect(applyEdit(doc, inverse).doc).toEqual(job);
    }
  });

  test('rods: a pair through both clamps takes the place of all, front and rear stand together', () => {
    const rig = rigOf(job, 'tug-b');
    const long = part(isRods, 'Lath 300');
    const short = part(isRods, 'Lath 200');
    const front = done(job, rig.id, putRods(rig, short, 'front'));
    const both = done(front.job, rig.id, putRods(front.rig, long, 'rear'));
    expect(both.rig.rods!.map((r) => [r.part, r.place])).toEqual([
      [short.id, 'front'],
      [long.id, 'rear'],
    ]);
    const through = done(both.job, rig.id, putRods(both.rig, long));
    expect(through.rig.rods).toHaveLength(1);
    const slid = done(
      through.job,
      rig.id,
      setRodTip(through.rig, through.rig.rods![0]!.id, 150, long.name),
    );
    expect(slid.rig.rods![0]!.tip).toBe(150);
    const out = done(slid.job, rig.id, takeRods(slid.rig, slid.rig.rods![0]!.id, long.name));
    expect(out.rig.rods).toBeUndefined();
    const reach = checkRig(out.job, out.rig).find((v) => v.id === 'rods.reach-front')!;
    expect(reach.state).toBe('fail');
    expect(reach.why).toContain('There are no rods under Pintle wheel');
  });

  test('gear rings, supports, screen, limits and plate', () => {
    const rig = rigOf(job, 'towpath-vintage');
    const strap = part(isGearRing, 'Bight strap');
    const closed = done(job, rig.id, putGear(rig, strap, 'focus'));
    expect(closed.rig.gears).toEqual([{ part: strap.id, turns: 'focus' }]);
    expect(done(closed.job, rig.id, takeGear(closed.rig, 'focus', strap.name)).rig.gears).toBe(
      undefined,
    );
    const tug = rigOf(job, 'tug-b');
    const prop = job.kit.find(isSupport)!;
    const stood = done(job, tug.id, putOn(job, tug, prop));
    const again = done(stood.job, tug.id, putOn(stood.job, stood.rig, prop));
    expect(new Set(again.rig.supports!.map((s) => s.id)).size).toBe(2);
    const one = done(
      again.job,
      tug.id,
      takeSupport(again.rig, again.rig.supports![0]!.id, prop.name),
    );
    expect(one.rig.supports).toHaveLength(1);
    const shut = done(job, tug.id, shutScreen(tug, true));
    expect(checkRig(shut.job, shut.rig).some((v) => v.key.startsWith('space.sweep:screen'))).toBe(
      false,
    );
    expect(done(shut.job, tug.id, shutScreen(shut.rig, false)).rig.screenShut).toBeUndefined();
    const free = done(job, tug.id, setLimits(tug, undefined));
    expect(checkRig(free.job, free.rig).some((v) => v.id === 'space.envelope')).toBe(false);
    expect(done(job, tug.id, setPlateStation(job, tug, 12)).rig.under![0]!.station).toBe(12);
    expect(setPlateStation(job, { ...tug, under: [] }, 12)).toBeNull();
  });

  test('what stands on a part goes with it, and so does the lead to its outlet', () => {
    const rig = rigOf(job, 'anamorphic');
    const plate = rig.fitted!.find(
      (u) => job.kit.filter(isFitting).find((p) => p.id === u.part)?.kind === 'battery-plate',
    )!;
    expect(rig.drives!.some((d) => d.outlet?.from === plate.id)).toBe(true);
    const off = done(job, rig.id, takeFitted(rig, plate.id, 'plate'));
    expect(off.rig.fitted?.some((u) => u.to === plate.id || u.id === plate.id) ?? false).toBe(
      false,
    );
    expect(off.rig.drives!.every((d) => d.outlet === undefined)).toBe(true);
    // The motor that nobody feeds is not said to turn the lens.
    const torque = checkRig(off.job, off.rig).find((v) => v.id === 'drive.torque');
    expect(torque?.state).toBe('unknown');
  });
});
