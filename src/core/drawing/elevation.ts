import type { Built } from '../build/build';
import { modeSize } from '../build/circle';
import { standOf, type Stand } from '../build/stand';
import type { StandSolid } from '../build/stand-setting';
import { reachArcs } from '../drive/reach';
import { foulsOf } from '../space/fouls';
import { valueOf } from '../quantity/quantity';
import { mm, exact } from '../quantity/say';
import { nearness, outline, overlap, type Point, type View } from './project';

/** One solid as it is drawn. */
export interface Outlined {
  piece: string;
  part: string;
  kind: string;
  name: string;
  role: string;
  points: Point[];
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
}

/** What the edges of the picture see: from the entrance pupil, widening ahead. */
export interface LightCone {
  z: number;
  tan: number;
}

export interface Elevation {
  view: View;
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

/** The rig in one view, for the screen and for files. */
export function elevation(built: Built, view: View): Elevation {
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
  const shapes = new Map<StandSolid, Point[]>();
  const shape = (s: StandSolid) => {
    let p = shapes.get(s);
    if (!p) shapes.set(s, (p = outline(view, s.solid)));
    return p;
  };
  const outlines = [...stand.solids]
    .sort((a, b) => reach(a) + middle(a) - reach(b) - middle(b))
    .map((s): Outlined => {
      const piece = byKey.get(s.piece)!;
      return {
        piece: s.piece,
        part: piece.part,
        kind: piece.kind,
        name: piece.name,
        role: s.role,
        points: shape(s),
        assumed: !s.known || piece.assumed !== null,
        sweep: s.role === 'sweep' || s.role === 'travel' || s.role === 'tilt',
        swings: s.role === 'sweep',
      };
    });
  const fouls = foulsOf(stand).flatMap((f): Foul[] => {
    const points = overlap(shape(f.a), shape(f.b));
    if (points.length < 3) return [];
    const at: Point = [
      points.reduce((n, p) => n + p[0], 0) / points.length,
      points.reduce((n, p) => n + p[1], 0) / points.length,
    ];
    return [{ key: f.key, points, at, text: mm(-f.d), deep: -f.d }];
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
    outlines,
    fouls,
    dimensions: dimensionsOf(stand, view, bounds),
    meshes: view === 'front' ? meshesOf(stand) : [],
    cone: view === 'front' ? null : coneOf(stand, view),
    bounds,
  };
}

function dimensionsOf(stand: Stand, view: View, b: Elevation['bounds']): DrawnDimension[] {
  const list: DrawnDimension[] = [];
  const add = (
    label: string,
    from: number,
    to: number,
    near: number,
    across: boolean,
    sum: string,
    digits = 1,
  ) => {
    if (Math.abs(to - from) > 0.5)
      list.push({ label, from, to, near, across, text: exact(Math.abs(to - from), digits), sum });
  };
  const n = stand.value;
  const { drop, plate, system } = stand;
  if (stand.solids.length === 0) return list;
  const overall = 'from the outermost points of all parts';
  if (view === 'front') {
    add('width of the rig', b.u0, b.u1, b.v0, false, overall, 0);
    add('height of the rig', b.v0, b.v1, b.u1, true, overall, 0);
    if (system)
      add(
        'rods, centre to centre',
        -system.centres / 2,
        system.centres / 2,
        drop ? -n(drop) : 0,
        false,
        `${system.name}: ${exact(system.centres, 0)} mm`,
        0,
      );
    return list;
  }
  add('length of the rig', b.u0, b.u1, b.v0, false, overall, 0);
  for (const r of stand.rods)
    add(
      `length of ${r.rods.name}`,
      n(r.from),
      n(r.to),
      view === 'side' && drop ? -n(drop) : 0,
      false,
      `${r.rods.name}, from ${exact(n(r.from), 1)} to ${exact(n(r.to), 1)} mm`,
    );
  if (view === 'top') {
    add('width of the rig', b.v0, b.v1, b.u1, true, overall, 0);
    return list;
  }
  add('height of the rig', b.v0, b.v1, b.u1, true, overall, 0);
  if (drop)
    add(
      'axis to rods',
      -n(drop),
      0,
      b.u0,
      true,
      `${drop.terms.map((t) => `${t.k < 0 ? '- ' : '+ '}${t.g.label} ${exact(t.g.known?.value ?? NaN, 1)}`).join(' ')}`,
    );
  for (const d of stand.drives)
    add(
      `station of ${d.part.name}`,
      0,
      n(d.station),
      drop ? -n(drop) : 0,
      false,
      `image plane to the middle of its clamp${d.use.station === undefined ? ': where its gear meets the lens gear' : ', as it was set'}`,
    );
  for (const s of stand.supports)
    add(
      `station of ${s.part.name}`,
      0,
      n(s.station),
      drop ? -n(drop) : 0,
      false,
      'image plane to the middle of its clamp',
    );
  if (plate)
    add(
      `length of ${plate.plate.name}`,
      n(plate.from),
      n(plate.to),
      drop ? -n(drop) : 0,
      false,
      `${exact(n(plate.from), 1)} to ${exact(n(plate.to), 1)} mm`,
    );
  return list;
}

function meshesOf(stand: Stand): Elevation['meshes'] {
  return stand.drives.flatMap((d) => {
    if (d.centres === null) return [];
    const py = stand.value(d.pivot.y);
    const [from, to] = [d.armFrom.known?.value ?? 0, stand.value(d.armTo)];
    // On the sheet camera right lies left: angles run the other way round.
    const arcs = reachArcs(d.pivot.x, py, d.centres, from, to).map((a) => ({
      from: 180 - (a.to * 180) / Math.PI,
      to: 180 - (a.from * 180) / Math.PI,
    }));
    return [
      {
        drive: d.use.id,
        name: d.part.name,
        circle: d.centres,
        pivot: [-d.pivot.x, py] as Point,
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
function coneOf(stand: Stand, view: View): LightCone | null {
  const { built } = stand;
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
