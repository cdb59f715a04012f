import { build } from '../build/build';
import { SILHOUETTES } from '../areas/space/kit/silhouettes';
import { elevation } from '../drawing/elevation';
import { outline, project, type View } from '../drawing/project';
import { begunRigs, demoStandings } from '../properties/rigs';
import { box, turnedBox, type Vec } from '../solids/solid';
import { addedTo } from './added';
import { extruded } from './extruded';
import { modelOf } from './model';
import { dot, minus } from './polyhedron';

const RIGS = [...demoStandings, ...begunRigs];
const VIEWS: readonly View[] = ['side', 'top', 'front'];

describe.each(RIGS)('the model of %s', (_name, { job, rig }) => {
  const built = build(job, rig);
  const model = modelOf(built);

  test('has the same solids as the elevations, at the same place', () => {
    for (const view of VIEWS) {
      const e = elevation(built, view);
      expect(model.shapes).toHaveLength(e.outlines.length);
      const ends = (points: readonly (readonly [number, number])[]) =>
        [0, 1].flatMap((k) => [
          Math.min(...points.map((p) => p[k]!)),
          Math.max(...points.map((p) => p[k]!)),
        ]);
      const still = e.outlines.filter((o) => !o.sweep).flatMap((o) => o.points);
      const own = model.shapes.filter((s) => !s.sweep).flatMap((s) => s.block.points);
      const drawn = ends(own.map((p) => project(view, p)));
      ends(still).forEach((x, k) => expect(drawn[k]!).toBeCloseTo(x, 0));
      expect(model.shapes.filter((s) => s.sweep)).toHaveLength(
        e.outlines.filter((o) => o.sweep).length,
      );
    }
  });

  test('hatches what the elevations hatch', () => {
    const keys = new Set(model.fouls.map((f) => f.key));
    for (const f of elevation(built, 'side').fouls)
      // Balls and rings are a little smaller as polyhedra: what barely touches may share nothing.
      if (f.deep > 1) expect(keys).toContain(f.key);
  });

  test('drawn apart, each piece is clear of what holds it, and the body stays', () => {
    const body = model.pieces.find((p) => p.key === 'body');
    if (body) expect(body.away).toEqual([0, 0, 0]);
    for (const p of model.pieces)
      if (p.key !== 'body') expect(Math.hypot(...p.away)).toBeGreaterThan(0);
    const lens = model.pieces.find((p) => p.key === 'lens');
    if (lens && body) expect(lens.away[2]).toBeGreaterThan(0);
  });

  test('held against itself it has nothing more; without a piece, that one', () => {
    expect([...addedTo(model, model)]).toEqual([]);
    model.pieces.forEach((p, i) =>
      expect([
        ...addedTo(model, { ...model, pieces: model.pieces.filter((x) => x !== p) }),
      ]).toEqual([i]),
    );
  });

  test('what is drawn for a part stays within its block', () => {
    const out = model.shapes.flatMap((s) =>
      s.drawn.flatMap((body) =>
        body.points.map((p) => Math.max(...s.block.faces.map((f) => dot(f.normal, p) - f.d))),
      ),
    );
    expect(out.every((d) => d < 1e-6)).toBe(true);
  });
});

describe('silhouettes pushed through their block', () => {
  const block = box([5, -3, 40], [20, 30, 45]);

  test.each(Object.keys(SILHOUETTES))(
    '%s: closed, looking out, as large as it is drawn',
    (kind) => {
      const { bodies } = extruded(block, SILHOUETTES[kind]!);
      expect(bodies.length).toBeGreaterThan(0);
      for (const b of bodies) {
        const n = b.points.length / 2;
        expect(b.edges).toHaveLength(3 * n);
        expect(b.faces).toHaveLength(n + 2);
        // Volume by the divergence theorem, and by area times depth: they agree only if every face
        // looks out and none is missing.
        const triangles = b.faces.flatMap((f) =>
          f.triangles
            ? [...f.triangles]
            : [
                f.corners[0]!,
                f.corners[1]!,
                f.corners[2]!,
                f.corners[0]!,
                f.corners[2]!,
                f.corners[3]!,
              ],
        );
        let six = 0;
        for (let t = 0; t < triangles.length; t += 3) {
          const [p, q, r] = [0, 1, 2].map((k) => b.points[triangles[t + k]!]!);
          six +=
            p![0] * (q![1] * r![2] - q![2] * r![1]) +
            p![1] * (q![2] * r![0] - q![0] * r![2]) +
            p![2] * (q![0] * r![1] - q![1] * r![0]);
        }
        const through = minus(b.points[n]!, b.points[0]!);
        const depth = Math.hypot(...through);
        const unit = through.map((x) => x / depth) as unknown as Vec;
        let twice = 0;
        const o = b.points[0]!;
        for (let i = 1; i + 1 < n; i++) {
          const [p, q] = [minus(b.points[i]!, o), minus(b.points[i + 1]!, o)];
          twice +=
            unit[0] * (p[1] * q[2] - p[2] * q[1]) +
            unit[1] * (p[2] * q[0] - p[0] * q[2]) +
            unit[2] * (p[0] * q[1] - p[1] * q[0]);
        }
        expect(Math.abs(six) / 6).toBeCloseTo((Math.abs(twice) / 2) * depth, 3);
      }
    },
  );

  test('turned with its block', () => {
    const turn = turnedBox(
      [0, 0, 0],
      [20, 30, 45],
      [
        [0, 0, -1],
        [0, 1, 0],
        [1, 0, 0],
      ],
    );
    const own = outline('top', turn);
    const { bodies } = extruded(turn, SILHOUETTES.handle!);
    const xs = bodies.flatMap((b) => b.points.map((p) => -p[0]));
    const v = own.map((p) => p[1]);
    expect(Math.max(...xs)).toBeCloseTo(Math.max(...v), 6);
    expect(Math.min(...xs)).toBeCloseTo(Math.min(...v), 6);
  });
});
