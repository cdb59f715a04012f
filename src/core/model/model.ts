import { sketchedAs, type Silhouette } from '../areas/space/kit/silhouettes';
import type { Built } from '../build/build';
import { coneOf } from '../drawing/elevation';
import { foulsOf } from '../areas/space/model/fouls';
import type { StandSolid } from '../place/setting';
import { sayLength } from '../quantity/say';
import type { Bounds, Solid, Vec } from '../solids/solid';
import { standOf } from '../stand/stand';
import { exploded, extentOf } from './explode';
import { extruded, type Drawn, type Mark } from './extruded';
import { polyhedron, type Polyhedron } from './polyhedron';
import { shared } from './shared';

/** A piece of the rig as it is turned about: what it is, and where it goes when drawn apart. */
export interface ModelPiece {
  key: string;
  part: string;
  name: string;
  kind: string;
  /** A size of it is not known. */
  assumed: boolean;
  /** Middle of what it takes up; what its name points at, mm. */
  middle: Vec;
  /** What it takes up along the axes. */
  extent: Bounds;
  away: Vec;
}

/** One solid of it. */
export interface Shape {
  /** Which of the pieces. */
  piece: number;
  name: string;
  /** What is computed with. */
  block: Polyhedron;
  /** What is drawn filled: the block, or what the part is recognised by within it. */
  drawn: readonly Drawn[];
  marks: readonly Mark[];
  /** The block is drawn thinly, for something else fills it. */
  thin: boolean;
  /** What a moving part sweeps: lines only. */
  sweep: boolean;
  assumed: boolean;
}

/** Two parts that would stand in the same place. */
export interface ModelFoul {
  /** Key of the finding. */
  key: string;
  pieces: readonly [number, number];
  /** The skin of what they share. */
  faces: readonly (readonly Vec[])[];
  at: Vec;
  /** How deep. */
  text: string;
}

export interface Model {
  pieces: readonly ModelPiece[];
  shapes: readonly Shape[];
  fouls: readonly ModelFoul[];
  /** Lines from the entrance pupil along the edges of the picture; none while it is not known. */
  cone: readonly (readonly [Vec, Vec])[];
  /** Corners of all that stands, without what swings now and then. */
  from: Vec;
  to: Vec;
}

/** How far past the rig the edges of the picture are drawn, mm. */
const PAST = 60;

/** The rig as it stands, to be turned about; mm, z forwards, y up, x to camera right. */
export function modelOf(built: Built): Model {
  const stand = standOf(built);
  const away = exploded(built);
  const pieces = stand.pieces.map((p): ModelPiece => {
    const e = extentOf(p) ?? ([0, 0, 0, 0, 0, 0] as const);
    return {
      key: p.key,
      part: p.part,
      name: p.name,
      kind: p.kind,
      assumed: p.assumed !== null,
      middle: [(e[0] + e[3]) / 2, (e[1] + e[4]) / 2, (e[2] + e[5]) / 2],
      extent: e,
      away: away.get(p.key) ?? [0, 0, 0],
    };
  });
  const index = new Map(pieces.map((p, i) => [p.key, i]));
  const shapes = stand.solids.map((s): Shape => {
    const i = index.get(s.piece)!;
    return { piece: i, assumed: !s.known || pieces[i]!.assumed, ...formOf(built, s, pieces[i]!) };
  });
  const still = shapes.filter((s) => !s.sweep).flatMap((s) => s.block.points);
  const corner = (f: (...n: number[]) => number): Vec =>
    [0, 1, 2].map((k) => still.reduce((m, p) => f(m, p[k]!), still[0]?.[k] ?? 0)) as unknown as Vec;
  const [from, to] = [corner(Math.min), corner(Math.max)];
  return { pieces, shapes, fouls: fouls(built, index), cone: coneLines(built, to[2]), from, to };
}

type Form = Pick<Shape, 'name' | 'block' | 'drawn' | 'marks' | 'thin' | 'sweep'>;

/** What is kept of a solid for as long as it stands as it stood. */
function formOf(built: Built, s: StandSolid, piece: ModelPiece): Form {
  const kept = s.layer.memo.once('model forms', () => new Map<StandSolid, Form>());
  let form = kept.get(s);
  if (!form)
    kept.set(s, (form = formAnew(s, sketchedAs(s.role, piece.kind, built.kit.get(piece.part)))));
  return form;
}

function formAnew(s: StandSolid, as: Silhouette | null): Form {
  const block = blockOf(s);
  const own = as !== null && s.solid.kind === 'box' ? extruded(s.solid, as) : null;
  const sweep = s.role === 'sweep' || s.role === 'travel' || s.role === 'tilt';
  return {
    name: s.name,
    block,
    drawn: own ? own.bodies : [block],
    marks: own?.marks ?? [],
    thin: own !== null,
    sweep,
  };
}

/** The polyhedron of a solid, made once for it. */
export function blockOf(s: StandSolid): Polyhedron {
  const kept = s.layer.memo.once('model blocks', () => new Map<Solid, Polyhedron>());
  let p = kept.get(s.solid);
  if (!p) kept.set(s.solid, (p = polyhedron(s.solid)));
  return p;
}

function fouls(built: Built, index: ReadonlyMap<string, number>): ModelFoul[] {
  return foulsOf(standOf(built)).flatMap((f): ModelFoul[] => {
    const faces = shared(blockOf(f.a), blockOf(f.b));
    const points = faces.flat();
    if (points.length === 0) return [];
    const at = [0, 1, 2].map(
      (k) => points.reduce((n, p) => n + p[k]!, 0) / points.length,
    ) as unknown as Vec;
    const pieces = [index.get(f.a.piece)!, index.get(f.b.piece)!] as const;
    return [{ key: f.key, pieces, faces, at, text: sayLength(-f.d) }];
  });
}

/** The four edges of the picture from the pupil to past the rig, and the picture there. */
function coneLines(built: Built, front: number): [Vec, Vec][] {
  const [side, top] = [coneOf(built, 'side'), coneOf(built, 'top')];
  if (!side || !top) return [];
  const end = Math.max(front, side.z) + PAST;
  const at = (i: number, j: number): Vec => [
    i * top.tan * (end - top.z),
    j * side.tan * (end - side.z),
    end,
  ];
  const corners = [at(-1, -1), at(1, -1), at(1, 1), at(-1, 1)];
  return corners.flatMap((c, i): [Vec, Vec][] => [
    [[0, 0, side.z], c],
    [c, corners[(i + 1) % 4]!],
  ]);
}
