import type { RodSystem } from '../areas/rods/kit/systems';
import type {
  Fitting,
  GearRing,
  LensRing,
  Part,
  Plate,
  RodUse,
  Rods,
  UnderUse,
} from '../kit/types';
import { bounds, box, turned, type Axes, type Bounds, type Solid } from '../solids/solid';
import type { Built } from '../build/build';
import { Contacts, named, type Named, type Whose } from './contacts';
import { constant, counted, given, type Given } from '../build/given';
import { at, givens, lin, minus, of, plus, times, ZERO, type Lin, type Read } from '../build/lin';
import { Memo } from '../build/memo';
import { pieceKey, type PieceSort, type Which } from './piece';

/** One solid of a piece. */
export interface StandSolid {
  /** Key of the piece it belongs to, and what that is. */
  piece: string;
  is: PieceSort;
  role: string;
  /** What it is called, where its role does not say it. */
  called: string | null;
  /** The piece it belongs to, and itself, as contacts name them. */
  named: Named;
  /** What it was laid out with. */
  layer: Layer;
  name: string;
  solid: Solid;
  extent: Bounds;
  /** Its extent, grown by what its tolerances can move it. */
  reach: Bounds;
  inputs: readonly Given[];
  /** No number it rests on is missing. */
  known: boolean;
  /** It moves, or is what a moving part sweeps. */
  moving: boolean;
  /** What its numbers' tolerances can move it by at most, mm. */
  loose: number;
  /** Six faces that hold it, where they are sums of its numbers; what two share cancels. */
  faces: Faces | null;
  /** The solid with its numbers as `read` has them. */
  make: (read?: Read) => Solid;
}

/** A part where it stands on the rig. */
export interface Piece {
  key: string;
  is: PieceSort;
  part: string;
  name: string;
  kind: string;
  solids: StandSolid[];
  missing: Given[];
  /** What it is taken as when its shape is not known. */
  assumed: string | null;
  /** Its six faces, for what stands against it. */
  faces: Faces | null;
  /** Where its block stands and how it is turned; upright between its faces when absent. */
  pose?: Pose;
}

/** A block that may be turned: its middle, half its size along its own axes, and these. */
export interface Pose {
  middle: readonly [Lin, Lin, Lin];
  half: readonly [Lin, Lin, Lin];
  axes: Axes;
}

export interface Faces {
  x0: Lin;
  x1: Lin;
  y0: Lin;
  y1: Lin;
  z0: Lin;
  z1: Lin;
}

/** A stretch of the rods that a clamp takes. */
export interface Clamped {
  key: string;
  part: string;
  name: string;
  from: Lin;
  to: Lin;
  /** Rod system it says it is made for. */
  rods: string | undefined;
  /** The single rod it is on, as a piece; the rods of the plate when absent. */
  on?: string;
}

/** A single rod that a clamp of the rig holds. */
export interface PlacedRod {
  key: string;
  use: string;
  part: Fitting;
  /** Its middle line, and where it begins and ends. */
  x: Lin;
  y: Lin;
  from: Lin;
  to: Lin;
  diameter: Given;
  /** It runs as the lens does: only then a drive or a support can be clamped to it. */
  along: boolean;
}

export interface PlacedRods {
  use: RodUse;
  rods: Rods;
  from: Lin;
  to: Lin;
}

/** A gear on the lens. */
export interface LensGear {
  turns: 'focus' | 'iris' | 'zoom';
  ring: LensRing;
  /** The ring of the kit that is closed on it; null when the gear is cut in, or there is none. */
  gear: GearRing | null;
  /** Null when it has no teeth at all. */
  teeth: Given | null;
  module: Given;
  middle: Lin;
  width: Given;
}

/** What a size that nobody gave is drawn as, mm. */
export const STAND_IN = {
  body: [110, 110, 90],
  base: 50,
  block: [60, 60, 60],
  lens: 90,
  radius: 34,
  rods: 200,
  clamp: 20,
  plate: [90, 12, 120],
  drop: 85,
  arm: [60, 110],
} as const;

/** What rods without a plate hang on, as a missing number. */
export const NO_PLATE = constant('what the rods hang on (no plate)', 'mm', null);

/** Axis down to the rods; a stand-in that is not computed with while there is no plate. */
export function dropOf(s: Setting): Lin {
  return s.drop ?? plus(lin(STAND_IN.drop), of(NO_PLATE));
}

/**
 * Solids that were laid out together name the same layer. It keeps what was worked out of them, and
 * of them and what stood before: a layer stands only where all below it do.
 */
export interface Layer {
  memo: Memo;
  /** How many layers it stands on. */
  depth: number;
}

/** How a plate whose height can be set stands: what the rods ask of it, and what it is set to. */
export interface PlateHeight {
  plate: Plate;
  use: UnderUse;
  /** Top to rods that brings them out right; null while the rod system is not known. */
  needed: Lin | null;
  lowest: Given;
  highest: Given;
  /** Top to rods as it stands, nominal, mm; null while a number is missing. */
  set: number | null;
}

/** Everything that lays the rig out shares this while it is put together. */
export interface Setting {
  built: Built;
  standIns: Map<Given, number>;
  q: (part: Part, path: readonly string[], standIn: number) => Given;
  /** A number that is counted and not measured: teeth. */
  counted: (part: Part, path: readonly string[], unit: string) => Given;
  value: (l: Lin) => number;
  /** All pieces and solids so far. */
  pieces: Piece[];
  solids: StandSolid[];
  layer: Layer;
  contacts: Contacts;
  clamped: Clamped[];
  face: Lin;
  seat: Lin;
  drop: Lin | null;
  /** How the plate stands, where its height can be set. */
  height: PlateHeight | null;
  system: RodSystem | null;
  rods: PlacedRods[];
  /** Single rods that something else than the plate holds. */
  single: PlacedRod[];
  add: (
    piece: Piece,
    role: string,
    inputs: readonly Lin[],
    make: (n: (l: Lin) => number) => Solid,
    how?: How,
  ) => StandSolid;
  piece: (which: Which, part: Part, assumed?: string | null) => Piece;
  /** What is meant to go into or around each other: never measured. */
  touch: (a: Whose, b: Whose) => void;
  /** What may lie against each other: measured, and a foul only where one goes into the other. */
  meet: (a: Whose, b: Whose) => void;
}

export interface How {
  /** What it is called, where its role does not say it. */
  called?: string;
  /** It moves, or is what a moving part sweeps. */
  moving?: boolean;
  faces?: Faces | null;
}

/** A piece before anything of it stands. */
export function pieceOf({ is, id }: Which, part: Part, assumed: string | null = null): Piece {
  return {
    key: pieceKey(is, id),
    is,
    part: part.id,
    name: part.name,
    kind: part.kind,
    solids: [],
    missing: [],
    assumed,
    faces: null,
  };
}

/** Begins to lay a rig out, on top of what stands already. */
export function setting(built: Built, below: Setting | null = null): Setting {
  const standIns = new Map<Given, number>(below?.standIns);
  const pieces: Piece[] = [...(below?.pieces ?? [])];
  const solids: StandSolid[] = [...(below?.solids ?? [])];
  const layer: Layer = { memo: new Memo(), depth: below ? below.layer.depth + 1 : 0 };
  const contacts = new Contacts(below?.contacts ?? null);
  const q = (part: Part, path: readonly string[], standIn: number): Given => {
    const g = given(part, ...path);
    if (g.known === null && !standIns.has(g)) standIns.set(g, standIn);
    return g;
  };
  const read = nominal(standIns);
  const value = (l: Lin) => at(l, read);
  return {
    built,
    standIns,
    q,
    counted,
    value,
    pieces,
    solids,
    layer,
    contacts,
    clamped: [...(below?.clamped ?? [])],
    face: below?.face ?? ZERO,
    seat: below?.seat ?? ZERO,
    drop: below?.drop ?? null,
    height: below?.height ?? null,
    system: below?.system ?? null,
    rods: [...(below?.rods ?? [])],
    single: [...(below?.single ?? [])],
    add(piece, role, inputs, make, how = {}) {
      const one = solidOf(piece, role, layer, inputs, make, read, how);
      piece.solids.push(one);
      for (const g of one.inputs)
        if (g.known === null && !piece.missing.includes(g)) piece.missing.push(g);
      solids.push(one);
      return one;
    },
    piece({ is, id }, part, assumed = null) {
      const p = pieceOf({ is, id }, part, assumed);
      pieces.push(p);
      return p;
    },
    touch: (a, b) => contacts.touch(a, b),
    meet: (a, b) => contacts.meet(a, b),
  };
}

/** Goes on with a rig on top of what was laid out before; that stays as it is. */
export function above(below: Setting, built: Built): Setting {
  return setting(built, below);
}

/** A number as it is, or what stands in for it. */
function nominal(standIns: ReadonlyMap<Given, number>): Read {
  return (g) => g.known?.value ?? standIns.get(g) ?? 0;
}

function solidOf(
  piece: Piece,
  role: string,
  layer: Layer,
  inputs: readonly Lin[],
  make: (n: (l: Lin) => number) => Solid,
  read: Read,
  how: How,
): StandSolid {
  const list = givens(inputs);
  const build = (from: Read = read) => make((l) => at(l, from));
  const solid = build();
  const e = bounds(solid);
  const g = list.reduce((sum, x) => sum + (x.known?.tol ?? 0), 0);
  return {
    piece: piece.key,
    is: piece.is,
    role,
    named: named(piece.key, role),
    layer,
    name: piece.name,
    solid,
    extent: e,
    reach: [e[0] - g, e[1] - g, e[2] - g, e[3] + g, e[4] + g, e[5] + g],
    inputs: list,
    known: list.every((x) => x.known !== null),
    loose: g,
    faces: how.faces ?? null,
    moving: how.moving ?? false,
    called: how.called ?? null,
    make: build,
  };
}

/** A block between six faces, turned about its middle line. */
export function block(s: Setting, piece: Piece, role: string, f: Faces, turn = 0): StandSolid {
  return s.add(
    piece,
    role,
    [f.x0, f.x1, f.y0, f.y1, f.z0, f.z1],
    (n) => {
      const [x0, x1, y0, y1, z0, z1] = [n(f.x0), n(f.x1), n(f.y0), n(f.y1), n(f.z0), n(f.z1)];
      return box(
        [(x0 + x1) / 2, (y0 + y1) / 2, (z0 + z1) / 2],
        [Math.abs(x1 - x0) / 2, Math.abs(y1 - y0) / 2, Math.abs(z1 - z0) / 2],
        turn,
      );
    },
    { faces: turn === 0 ? f : null },
  );
}

/** A turned piece about a line along z: on the optical axis unless told otherwise. */
export function round(
  s: Setting,
  piece: Piece,
  role: string,
  from: Lin,
  to: Lin,
  diameter: Lin,
  how: { moving?: boolean; x?: Lin; y?: Lin } = {},
): StandSolid {
  const { x = ZERO, y = ZERO, moving = false } = how;
  const r = times(diameter, 0.5);
  return s.add(
    piece,
    role,
    [from, to, diameter, x, y],
    (n) => turned(n(x), n(y), n(from), n(to), n(diameter) / 2),
    {
      moving,
      faces: {
        x0: minus(x, r),
        x1: plus(x, r),
        y0: minus(y, r),
        y1: plus(y, r),
        z0: from,
        z1: to,
      },
    },
  );
}
