import { checkRig } from '../areas/checks';
import { build } from '../build/build';
import { elevation } from '../drawing/elevation';
import { withChanges } from '../edit/edit';
import { valueOf } from '../quantity/quantity';
import { demo } from '../test-kit';
import { dressedLens } from './dressed';
import { setTable } from './table';

const job = demo();

describe('a lens as it goes on the rig', () => {
  test.each(job.rigs.map((r) => [r.name, r] as const))(
    'is what the elevation shows of it, and nothing beside it: %s',
    (_name, rig) => {
      const built = build(job, rig);
      const whole = elevation(built, 'side');
      const own = dressedLens(built);
      expect(own.outlines.length).toBeGreaterThan(0);
      for (const o of own.outlines) {
        expect(whole.outlines).toContain(o);
        expect(o.piece).toMatch(/^(lens|gear|thread|box)/);
      }
      const about = whole.outlines.filter(
        (o) => /^(lens|gear|thread|box)/.test(o.piece) && !o.sweep && o.points.length > 0,
      );
      expect(new Set(own.outlines)).toEqual(new Set(about));
    },
  );

  test('it is as long as the lens is where nothing stands in front of it', () => {
    const rig = job.rigs.find((r) => r.lens === 'sedge-18-35' && !r.thread && !r.box)!;
    const { bounds, dressed } = dressedLens(build(job, rig));
    const lens = job.kit.find((p) => p.id === 'sedge-18-35') as never as { length: unknown };
    expect(dressed).toEqual([]);
    expect(bounds!.u1 - bounds!.u0).toBeCloseTo(valueOf(lens.length as never)!, 6);
  });

  test('rings, filters and box are named from the lens outwards', () => {
    const named = (id: string) =>
      dressedLens(
        build(
          job,
          job.rigs.find((r) => r.id === id)!,
        ),
      ).dressed;
    const byName = job.rigs.filter((r) => (r.thread ?? []).length > 1);
    expect(byName.length).toBeGreaterThan(0);
    for (const r of byName)
      expect(named(r.id)).toEqual(r.thread!.map((t) => job.kit.find((p) => p.id === t.part)!.name));
    const boxed = job.rigs.find((r) => r.box)!;
    expect(named(boxed.id)[0]).toBe(job.kit.find((p) => p.id === boxed.box!.part)!.name);
  });

  test('a sleeve of the kit is named before the box it closes', () => {
    const rig = job.rigs.find((r) => r.box)!;
    const sleeve = job.kit.find((p) => p.kind === 'sleeve')!;
    const { dressed } = dressedLens(
      build(job, { ...rig, box: { ...rig.box!, sleeve: sleeve.id } }),
    );
    const box = job.kit.find((p) => p.id === rig.box!.part)!;
    expect(dressed.indexOf(sleeve.name)).toBe(dressed.indexOf(box.name) - 1);
  });

  test('a filter whose stage is taken out is not on the lens', () => {
    const rig = job.rigs.find((r) => (r.box?.trays ?? []).some((t) => t.filter && !t.out))!;
    const tray = rig.box!.trays!.find((t) => t.filter && !t.out)!;
    const name = job.kit.find((p) => p.id === tray.filter)!.name;
    const without = {
      ...rig,
      box: {
        ...rig.box!,
        trays: rig.box!.trays!.map((t) => (t === tray ? { ...t, out: true as const } : t)),
      },
    };
    expect(dressedLens(build(job, rig)).dressed).toContain(name);
    expect(dressedLens(build(job, without)).dressed).not.toContain(name);
  });

  test('the set shows each lens as it would be once it is put on', () => {
    const rig = job.rigs.find((r) => (r.thread ?? []).length > 1)!;
    for (const row of setTable(job, rig).rows) {
      const next = withChanges(job, row.cells[0]!.edit.changes).rigs.find((r) => r.id === rig.id)!;
      expect(row.dressed.dressed).toEqual(dressedLens(build(job, next)).dressed);
      expect(checkRig(job, next).length).toBeGreaterThan(0);
    }
  });
});
