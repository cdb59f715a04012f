import fc from 'fast-check';
import { OUT, poseOf } from '../areas/joints/place/pose';
import { linesOn, runAt } from '../areas/power/model/lines';
import { keyOf } from '../areas/power/model/run';
import { tieOn } from '../areas/power/model/via';
import { tieAt } from '../areas/power/moves/via';
import { SWEPT } from '../areas/space/model/clearance';
import { build, shared } from '../build/build';
import { at as sumAt } from '../build/lin';
import { nearness, project, type View } from '../drawing/project';
import { withChanges, type Edit } from '../edit/edit';
import type { Job, TiePoint } from '../kit/types';
import { demoStandings } from '../properties/rigs';
import { box, type Vec } from '../solids/solid';
import { distance } from '../solids/distance';
import { standOf } from '../stand/stand';
import { demo } from '../test-kit';
import { pressed, sightOf } from './press';
import { tiedLine, tiesShown, tieStepped, tyingAt } from './tying';

/** Leads tied by pressing on a drawing. */

const RIG = 'tug-b';
const VIEWS = ['side', 'top', 'front'] as const;
const SENT = 'signal:picture';

function rigged(edits: readonly Edit[] = [], from: Job = demo(), id = RIG) {
  const job = edits.reduce((j, e) => withChanges(j, e.changes), from);
  const rig = job.rigs.find((r) => r.id === id)!;
  const built = build(job, rig, shared(job));
  return { job, rig, built, line: linesOn(built).find((l) => l.key === SENT)! };
}

const tiny = (p: Vec) => box(p, [1e-7, 1e-7, 1e-7]);

describe('what is pressed on an elevation', () => {
  const rigs = demoStandings.map(([, s]) => s);

  test('is on a solid, and nothing stands before it: against points along the line of sight', () => {
    let hits = 0;
    fc.assert(
      fc.property(
        fc.nat(rigs.length - 1),
        fc.constantFrom<View>(...VIEWS),
        fc.integer({ min: 1, max: 999 }),
        fc.integer({ min: 1, max: 999 }),
        (r, view, a, b) => {
          const { job, rig } = rigs[r]!;
          const built = build(job, rig, shared(job));
          const still = standOf(built).solids.filter((s) => !SWEPT.has(s.role));
          if (still.length === 0) return;
          const corners = still.flatMap((s) =>
            [s.extent.slice(0, 3), s.extent.slice(3)].map((p) =>
              project(view, p as unknown as Vec),
            ),
          );
          const span = (k: 0 | 1, t: number) => {
            const all = corners.map((c) => c[k]);
            const lo = Math.min(...all);
            return lo + t * (Math.max(...all) - lo);
          };
          const point = [span(0, a / 1000), span(1, b / 1000)] as const;
          const { from, way } = sightOf(view, point);
          expect(project(view, from)[0]).toBeCloseTo(point[0], 9);
          expect(project(view, from)[1]).toBeCloseTo(point[1], 9);
          const there = pressed(built, from, way);
          const off = (p: Vec) => Math.min(...still.map((s) => distance(s.solid, tiny(p))));
          const clearUntil = there ? nearness(view, there.at) : -1000;
          for (let n = 1000; n > clearUntil + 0.2; n -= 7.3) {
            const k = way.findIndex((w) => w !== 0);
            const p = from.map((v, i) => (i === k ? n : v)) as unknown as Vec;
            // Round solids are met as polyhedra, a tenth of a millimetre off at the most.
            expect(off(p)).toBeGreaterThan(-0.15);
          }
          if (!there) return;
          hits++;
          expect(off(there.at)).toBeLessThan(0.15);
          expect(project(view, there.at)[0]).toBeCloseTo(point[0], 6);
          expect(project(view, there.at)[1]).toBeCloseTo(point[1], 6);
        },
      ),
      { numRuns: 150 },
    );
    expect(hits).toBeGreaterThan(30);
  });

  test('a tie that is put there stands there, on a face that is seen', () => {
    let ties = 0;
    for (const { job, rig } of rigs.slice(0, 6)) {
      const built = build(job, rig, shared(job));
      const pieces = new Map(standOf(built).pieces.map((p) => [p.key, p]));
      for (const view of VIEWS)
        for (let u = -300; u < 500; u += 23)
          for (let v = -160; v < 220; v += 19) {
            const { from, way } = sightOf(view, [u + 0.31, v + 0.17]);
            const there = pressed(built, from, way);
            if (!there?.to) continue;
            ties++;
            const { to, at } = there;
            const piece = pieces.get(keyOf(to.on.list, to.on.id))!;
            const tied = tieOn(piece, { id: 't', ...to })!;
            const out = tied.out.reduce((sum, o, k) => sum + o * way[k]!, 0);
            expect(out).toBeLessThan(-1e-6);
            const pose = poseOf(piece)!;
            const square = pose.axes.every((a) => a.some((w) => Math.abs(Math.abs(w) - 1) < 1e-9));
            const block = piece.solids.length === 1 && piece.solids[0]!.solid.kind === 'box';
            // A whole block is tied where it was pressed, to the millimetre; a rod on its middle line.
            if (square && block && piece.is !== 'rods')
              expect(Math.hypot(...tied.at.map((x, k) => x - at[k]!))).toBeLessThan(0.75);
            const own = OUT[to.face].findIndex((o) => o !== 0);
            expect(to[(['x', 'y', 'z'] as const)[own]!]).toBeUndefined();
            const half = pose.half.map((l) => sumAt(l, (g) => g.known?.value ?? 0));
            for (const [k, key] of (['x', 'y', 'z'] as const).entries())
              expect(Math.abs(to[key] ?? 0)).toBeLessThanOrEqual(half[k]! + 0.5);
          }
    }
    expect(ties).toBeGreaterThan(500);
  });

  test('nothing where nothing stands; a lens is said to be nothing that leads are tied to', () => {
    const { built, line } = rigged();
    const far = sightOf('side', [0, 900]);
    expect(pressed(built, far.from, far.way)).toBeNull();
    expect(tyingAt(built, line, 'side', [0, 900])).toBeNull();
    const lens = standOf(built).solids.find((s) => s.is === 'lens')!;
    const [x, y, z] = lens.extent;
    const on = project('side', [x, (y + lens.extent[4]) / 2, (z + lens.extent[5]) / 2]);
    expect(tyingAt(built, line, 'side', on)!.edit).toBeNull();
    expect(tyingAt(built, line, 'side', on)!.says).toMatch(/no lead is tied to that/);
  });
});

describe('a lead that is tied by pressing', () => {
  /** The middle of the handle, from the side. */
  const onHandle = () => {
    const { extent: e } = standOf(rigged().built).pieces.find((p) => p.key === 'fitted:handle')!
      .solids[0]!;
    return project('side', [e[3], (e[1] + e[4]) / 2, (e[2] + e[5]) / 2]);
  };

  test('lies as it was shown to before', () => {
    const { built, line } = rigged();
    const there = tyingAt(built, line, 'side', onHandle())!;
    expect(there.says).toMatch(
      /^Tied to Stirrup handle, camera right: \d+ mm from bend to bend\.$/,
    );
    const after = rigged([there.edit!]);
    const laid = runAt(after.built, after.line)!.laid()!;
    expect([laid.ends[0], ...laid.points, laid.ends[1]]).toEqual(there.points);
    expect(after.line.via).toHaveLength(1);
    const [shown] = tiesShown(after.built, after.line, 'side');
    expect(shown).toMatchObject({ name: 'Stirrup handle, camera right', seen: true });
    expect(shown!.point[0]).toBeCloseTo(onHandle()[0], 0);
    expect(tiesShown(after.built, after.line, 'top')[0]!.seen).toBe(false);
  });

  test('a tie is moved in its turn, by the hand and by keys, and stops at the edge of its face', () => {
    const one = rigged([tyingAt(rigged().built, rigged().line, 'side', onHandle())!.edit!]);
    const two = rigged(
      [
        tieAt(
          one.rig,
          one.line,
          [{ id: 'b', on: { list: 'body', id: 'body' }, face: 'left' }, ...one.line.via!],
          'x',
        ),
      ],
      one.job,
    );
    const { id } = two.line.via![1]!;
    const [u, v] = onHandle();
    const moved = tyingAt(two.built, two.line, 'side', [u + 9, v], id)!;
    const after = rigged([moved.edit!], two.job);
    expect(after.line.via!.map((t) => t.id)).toEqual(['b', id]);
    const before = two.line.via![1]!;
    expect(after.line.via![1]).toEqual({ ...before, z: (before.z ?? 0) + 9 });
    const stepped = tieStepped(two.built, two.line, id, 'side', [1, 0])!;
    expect(rigged([stepped], two.job).line.via![1]).toEqual({ ...before, z: (before.z ?? 0) + 1 });
    const over = tieStepped(two.built, two.line, id, 'side', [1000, 0])!;
    const half = poseOf(standOf(two.built).pieces.find((p) => p.key === 'fitted:handle')!)!.half[2];
    expect(rigged([over], two.job).line.via![1]!.z).toBe(
      Math.round(sumAt(half, (g) => g.known?.value ?? 0)),
    );
    // Looked at along its face it runs neither way.
    expect(tieStepped(two.built, two.line, 'gone', 'top', [1, 0])).toBeNull();
  });

  test('rods are something to tie to: on the middle line of the one that was pressed, and gone with them', () => {
    const { built, rig } = rigged([], demo(), 'tug-b');
    const rods = standOf(built).pieces.find((p) => p.is === 'rods');
    expect(rods).toBeDefined();
    const [, right] = rods!.solids;
    const z = right!.extent[5] - 3;
    const x = (right!.extent[0] + right!.extent[3]) / 2 + 2;
    const down = { from: [x, -900, z] as Vec, way: [0, 1, 0] as Vec };
    const there = pressed(built, down.from, down.way)!;
    expect(there.to).toMatchObject({ on: { list: 'rods', id: rig.rods![0]!.id }, face: 'bottom' });
    expect(there.to!.x).toBe(Math.round(x - 2));
    const tie: TiePoint = { id: 't', ...there.to! };
    const tied = tieOn(rods, tie)!;
    expect(tied.at[0]).toBeCloseTo(x - 2, 0);
  });

  test('only a lead of the rig is tied: none from the mains, none that is gone', () => {
    const { built, line } = rigged();
    expect(tiedLine(built, SENT)).toBe(line);
    expect(tiedLine(built, 'signal:gone')).toBeNull();
    expect(tiedLine(built, null)).toBeNull();
  });
});
