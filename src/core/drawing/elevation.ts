import type { RodSystem } from '../areas/rods/kit/systems';
import { sketchedAs, type Silhouette } from '../areas/space/kit/silhouettes';
import type { Built } from '../build/build';
import { modeSize } from '../build/circle';
import { standOf, type Stand } from '../stand/stand';
import type { Piece, StandSolid } from '../place/setting';
import type { Given } from '../build/given';
import { minus, net } from '../build/lin';
import { inWords } from '../checks/judge';
import { reachArcs } from '../areas/drive/kit/arm-scan';
import { foulsOf } from '../areas/space/model/fouls';
import { valueOf } from '../quantity/quantity';
import { sayLength, exact, bareLength } from '../quantity/say';
import { sketchOf, type SketchLine } from './sketch';
import { nearness, outline, overlap, type Point, type View, viewName } from './project';

/** One solid as it is drawn. */
export interface Outlined {
  /** Tells outlines of one view apart, from one drawing to the next. */
  key: string;
  piece: string;
  part: string;
  kind: string;
  name: string;
  role: string;
  points: Point[];
  /** What it is recognised by, within its outline; null where it is its outline. */
  sketch: readonly SketchLine[] | null;
  /** A size of it is not known: drawn dashed. */
  assumed: boolean;
  /** What a moving part sweeps: drawn dashed, not filled. */
  sweep: boolean;
  /** It only takes that room when it is swung: not part of the size of the rig. */
  swings: boolean;
}

/** Two parts that would stand in the same place. */
export interface Foul {
  /** Key of the finding. */
  key: string;
  points: Point[];
  /** Where its number stands. */
  at: Point;
  text: string;
  deep: number;
}

/** A dimension with witness lines: along u when `across` is false, along v when it is true. */
export interface DrawnDimension {
  label: string;
  text: string;
  from: number;
  to: number;
  /** Ordinate of what is measured, for the witness lines. */
  near: number;
  across: boolean;
  sum: string;
  /** A number it rests on is missing: then it is drawn at a stand-in and says so. */
  unknown: boolean;
}

/** What the edges of the picture see: from the entrance pupil, widening ahead. */
export interface LightCone {
  z: number;
  tan: number;
}

export interface Elevation {
  view: View;
  /** What it shows, as it is written beside it. */
  name: string;
  /** Farthest first. */
  outlines: Outlined[];
  fouls: Foul[];
  dimensions: DrawnDimension[];
  /** Front view: where each drive's gear meshes and what its arm reaches. */
  meshes: {
    drive: string;
    name: string;
    /** Radius of the mesh circle about the axis. */
    circle: number;
    pivot: Point;
    from: number;
    to: number;
    /** Stretches of the circle that are reached, degrees on the sheet. */
    arcs: { from: number; to: number }[];
    at: Point | null;
  }[];
  /** Side and top view; null while the pupil or the chip is not known. */
  cone: LightCone | null;
  bounds: { u0: number; u1: number; v0: number; v1: number };
}

/**
 * Solids of a rig in a view, farthest first, and how one of them is outlined. What stands as it
 * stood is drawn as it was: the very same outline, so nobody draws it again.
 */
function inView(built: Built, view: View) {
  const stand = standOf(built);
  const middle = (s: StandSolid) =>
    nearness(view, [
      (s.extent[0] + s.extent[3]) / 2,
      (s.extent[1] + s.extent[4]) / 2,
      (s.extent[2] + s.extent[5]) / 2,
    ]);
  const reach = (s: StandSolid) =>
    view === 'side' ? s.extent[3] : view === 'top' ? s.extent[4] : s.extent[5];
  const byKey = new Map(stand.pieces.map((p) => [p.key, p]));
  const index = new Map(stand.solids.map((s, i) => [s, i]));
  const outlined = (s: StandSolid): Outlined => {
    const kept = s.layer.memo.once(`outlines ${view}`, () => new Map<StandSolid, Outlined>());
    let o = kept.get(s);
    if (!o) {
      const piece = byKey.get(s.piece)!;
      const as = sketchedAs(s.role, piece.kind, built.kit.get(piece.part));
      kept.set(s, (o = outlinedOf(view, s, as, piece, index.get(s)!)));
    }
    return o;
  };
  const far = (solids: readonly StandSolid[]) =>
    solids
      .map((s) => ({ s, far: reach(s) + middle(s) }))
      .sort((a, b) => a.far - b.far)
      .map(({ s }) => outlined(s));
  return { outlined, far };
}

/** Some pieces of a rig in one view, farthest first, without what they sweep. */
export function outlinesOf(
  built: Built,
  view: View,
  pieces: (piece: Piece) => boolean,
): Outlined[] {
  const stand = standOf(built);
  const wanted = new Set(stand.pieces.filter(pieces).map((p) => p.key));
  return inView(built, view)
    .far(stand.solids.filter((s) => wanted.has(s.piece)))
    .filter((o) => !o.sweep && o.points.length > 0);
}

/** The rig in one view, for the screen and for files. */
export function elevation(built: Built, view: View): Elevation {
  const stand = standOf(built);
  const { outlined, far } = inView(built, view);
  const outlines = far(stand.solids);
  const fouls = foulsOf(stand).flatMap((f): Foul[] => {
    const points = overlap(outlined(f.a).points, outlined(f.b).points);
    if (points.length < 3) return [];
    const at: Point = [
      points.reduce((n, p) => n + p[0], 0) / points.length,
      points.reduce((n, p) => n + p[1], 0) / points.length,
    ];
    return [{ key: f.key, points, at, text: sayLength(-f.d), deep: -f.d }];
  });
  let u0 = 0;
  let u1 = 0;
  let v0 = 0;
  let v1 = 0;
  for (const o of outlines) {
    if (o.swings) continue;
    for (const [u, v] of o.points) {
      u0 = Math.min(u0, u);
      u1 = Math.max(u1, u);
      v0 = Math.min(v0, v);
      v1 = Math.max(v1, v);
    }
  }
  const bounds = { u0, u1, v0, v1 };
  return {
    view,
    name: viewName(view, built.rig.upright),
    outlines,
    fouls,
    dimensions: dimensionsOf(stand, view, bounds, built.rig.upright !== undefined),
    meshes: view === 'front' ? meshesOf(stand) : [],
    cone: view === 'front' ? null : coneOf(built, view),
    bounds,
  };
}

function outlinedOf(
  view: View,
  s: StandSolid,
  as: Silhouette | null,
  piece: Piece,
  i: number,
): Outlined {
  return {
    key: `${s.piece}/${s.role} ${i}`,
    piece: s.piece,
    part: piece.part,
    kind: piece.kind,
    name: piece.name,
    role: s.role,
    points: outline(view, s.solid),
    sketch: as !== null && s.solid.kind === 'box' ? sketchOf(view, s.solid, as) : null,
    assumed: !s.known || piece.assumed !== null,
    sweep: s.role === 'sweep' || s.role === 'travel' || s.role === 'tilt',
    swings: s.role === 'sweep',
  };
}

function dimensionsOf(
  stand: Stand,
  view: View,
  b: Elevation['bounds'],
  upright: boolean,
): DrawnDimension[] {
  const list: DrawnDimension[] = [];
  const add: Add = (d, missing, digits = 1) => {
    if (Math.abs(d.to - d.from) <= 0.5) return;
    const unknown = missing.length > 0;
    list.push({
      ...d,
      text: unknown ? '?' : bareLength(Math.abs(d.to - d.from), digits),
      unknown,
      sum: unknown
        ? `missing: ${inWords(missing.map((g) => g.label).slice(0, MOST_NAMED))}`
        : d.sum,
    });
  };
  const n = stand.value;
  const { drop, system } = stand;
  if (stand.solids.length === 0) return list;
  const overall = 'from the outermost points of all parts';
  // What swings takes its room only now and then.
  const blind = [
    ...new Set(stand.pieces.filter((p) => !SWINGS.includes(p.key)).flatMap((p) => p.missing)),
  ];
  const whole = (label: string, from: number, to: number, near: number, across: boolean) =>
    add({ label, from, to, near, across, sum: overall }, blind, 0);
  const low = drop ? -n(drop) : 0;
  // What is across the camera is how tall the rig stands while it is upright.
  const [across, up] = upright ? ['height', 'width'] : ['width', 'height'];
  if (view === 'front') {
    whole(`${across} of the rig`, b.u0, b.u1, b.v0, false);
    whole(`${up} of the rig`, b.v0, b.v1, b.u1, true);
    if (system) add(centres(system, low), [], 0);
    return list;
  }
  whole('length of the rig', b.u0, b.u1, b.v0, false);
  for (const r of stand.rods)
    add(
      {
        label: `length of ${r.rods.name}`,
        from: n(r.from),
        to: n(r.to),
        near: view === 'side' ? low : 0,
        across: false,
        sum: `${r.rods.name}, from ${bareLength(n(r.from), 1)} to ${sayLength(n(r.to), 1)}`,
      },
      stand.missing([net(minus(r.to, r.from))]),
    );
  if (view === 'top') {
    whole(`${across} of the rig`, b.v0, b.v1, b.u1, true);
    return list;
  }
  whole(`${up} of the rig`, b.v0, b.v1, b.u1, true);
  fromTheSide(stand, b, low, add);
  return list;
}

type Add = (
  d: Pick<DrawnDimension, 'label' | 'from' | 'to' | 'near' | 'across' | 'sum'>,
  missing: readonly Given[],
  digits?: number,
) => void;

/** What is read from the side: the height of the rods, and where what is clamped to them stands. */
function fromTheSide(stand: Stand, b: Elevation['bounds'], low: number, add: Add): void {
  const n = stand.value;
  const { drop, plate } = stand;
  if (drop)
    add(
      {
        label: 'axis to rods',
        from: -n(drop),
        to: 0,
        near: b.u0,
        across: true,
        sum: drop.terms
          .map((t) => `${t.k < 0 ? '- ' : '+ '}${t.g.label} ${exact(t.g.known?.value ?? NaN, 1)}`)
          .join(' '),
      },
      stand.missing([drop]),
    );
  for (const d of stand.drives)
    add(
      {
        label: `station of ${d.part.name}`,
        from: 0,
        to: n(d.station),
        near: low,
        across: false,
        sum: `image plane to the middle of its clamp${d.use.station === undefined ? ': where its gear meets the lens gear' : ', as it was set'}`,
      },
      stand.missing([d.station]),
    );
  for (const s of stand.supports)
    add(
      {
        label: `station of ${s.part.name}`,
        from: 0,
        to: n(s.station),
        near: low,
        across: false,
        sum: 'image plane to the middle of its clamp',
      },
      s.use.station === undefined ? s.by : [],
    );
  if (plate)
    add(
      {
        label: `length of ${plate.plate.name}`,
        from: n(plate.from),
        to: n(plate.to),
        near: low,
        across: false,
        sum: `${bareLength(n(plate.from), 1)} to ${sayLength(n(plate.to), 1)}`,
      },
      stand.missing([net(minus(plate.to, plate.from))]),
    );
}

const SWINGS: readonly string[] = ['screen', 'swing'];
/** As many numbers are named in a sum as can be read in one. */
const MOST_NAMED = 5;

function meshesOf(stand: Stand): Elevation['meshes'] {
  return stand.drives.flatMap((d) => {
    if (d.centres === null) return [];
    const [px, py] = [stand.value(d.pivot.x), stand.value(d.pivot.y)];
    const [from, to] = [d.armFrom.known?.value ?? 0, stand.value(d.armTo)];
    // On the sheet camera right lies left: angles run the other way round.
    const arcs = reachArcs(px, py, d.centres, from, to).map((a) => ({
      from: 180 - (a.to * 180) / Math.PI,
      to: 180 - (a.from * 180) / Math.PI,
    }));
    return [
      {
        drive: d.use.id,
        name: d.part.name,
        circle: d.centres,
        pivot: [-px, py] as Point,
        from,
        to,
        arcs,
        at:
          d.angle === null
            ? null
            : ([-d.centres * Math.cos(d.angle), d.centres * Math.sin(d.angle)] as Point),
      },
    ];
  });
}

/** Light cone of the whole chip, nominal. */
export function coneOf(built: Built, view: View): LightCone | null {
  const stand = standOf(built);
  const { lens, focal } = built;
  const [w, h] = modeSize(built);
  const size = view === 'side' ? h.known?.value : w.known?.value;
  const row = lens?.pupil?.[0];
  const behind = valueOf(row?.behind);
  const length = valueOf(lens?.length);
  if (size === undefined || !focal.known || behind === null || length === null) return null;
  if (stand.missing([stand.seat]).length > 0) return null;
  const m = built.magnifications.reduce((p, g) => p * (g.known?.value ?? 1), 1);
  const squeeze = view === 'top' ? (built.squeeze.known?.value ?? 1) : 1;
  return {
    z: stand.value(stand.seat) + length - behind,
    tan: (size * squeeze) / 2 / (focal.known.value * m),
  };
}

function centres(system: RodSystem, low: number): Parameters<Add>[0] {
  return {
    label: 'rods, centre to centre',
    from: -system.centres / 2,
    to: system.centres / 2,
    near: low,
    across: false,
    sum: `${system.name}: ${sayLength(system.centres, 0)}`,
  };
}
