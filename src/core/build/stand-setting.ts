import type { RodSystem } from '../rods/systems';
import type { GearRing, LensRing, Part, RodUse, Rods } from '../kit/types';
import { bounds, box, type Bounds, type Solid } from '../solids/solid';
import type { Built } from './build';
import { exactly, given, readPath, type Given } from './given';
import { at, givens, ZERO, type Lin, type Read } from './lin';

/** One solid of a piece. */
export interface StandSolid {
  /** Key of the piece it belongs to. */
  piece: string;
  role: string;
  /** Key and role in one: what a contact may name. */
  own: string;
  name: string;
  solid: Solid;
  extent: Bounds;
  inputs: readonly Given[];
  /** No number it rests on is missing. */
  known: boolean;
  /** It moves, or is what a moving part sweeps. */
  moving: boolean;
  /** What its numbers' tolerances can move it by at most, mm. */
  loose: number;
  /** The solid with its numbers as `read` has them. */
  make: (read?: Read) => Solid;
}

/** A part where it stands on the rig. */
export interface Piece {
  key: string;
  part: string;
  name: string;
  kind: string;
  solids: StandSolid[];
  missing: Given[];
  /** What it is taken as when its shape is not known. */
  assumed: string | null;
  /** Its six faces, for what stands against it. */
  faces: Faces | null;
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

/** Everything that lays the rig out shares this while it is put together. */
export interface Setting {
  built: Built;
  standIns: Map<Given, number>;
  q: (part: Part, path: readonly string[], standIn: number) => Given;
  /** A number that is counted and not measured: teeth. */
  counted: (part: Part, path: readonly string[], unit: string) => Given;
  value: (l: Lin) => number;
  pieces: Piece[];
  solids: StandSolid[];
  contacts: Map<string, Set<string>>;
  clamped: Clamped[];
  face: Lin;
  seat: Lin;
  drop: Lin | null;
  system: RodSystem | null;
  rods: PlacedRods[];
  add: (
    piece: Piece,
    role: string,
    inputs: readonly Lin[],
    make: (n: (l: Lin) => number) => Solid,
    moving?: boolean,
    extra?: readonly Given[],
  ) => StandSolid;
  piece: (key: string, part: Part, assumed?: string | null) => Piece;
  touch: (a: string, b: string) => void;
}

/** What is meant to touch what, by key of piece, or by key and role. */
export type Contacts = ReadonlyMap<string, ReadonlySet<string>>;

/** Whether two solids are meant to touch, or belong to one piece. */
export function touching(contacts: Contacts, a: Named, b: Named): boolean {
  if (a.piece === b.piece) return true;
  const own = contacts.get(a.piece);
  if (own && (own.has(b.piece) || own.has(b.own))) return true;
  const role = contacts.get(a.own);
  return role !== undefined && (role.has(b.piece) || role.has(b.own));
}

interface Named {
  piece: string;
  own: string;
}

/** Begins to lay a rig out. */
export function setting(built: Built): Setting {
  const standIns = new Map<Given, number>();
  const cache = new Map<string, Given>();
  const pieces: Piece[] = [];
  const solids: StandSolid[] = [];
  const contacts = new Map<string, Set<string>>();
  const q = (part: Part, path: readonly string[], standIn: number): Given => {
    const id = `${part.id}/${path.join('/')}`;
    let g = cache.get(id);
    if (!g) {
      g = given(part, ...path);
      cache.set(id, g);
    }
    if (!standIns.has(g)) standIns.set(g, standIn);
    return g;
  };
  const counted = (part: Part, path: readonly string[], unit: string): Given => {
    const id = `${part.id}/${path.join('/')}`;
    let g = cache.get(id);
    if (!g) {
      const v = readPath(part, path);
      g = {
        ...given(part, ...path),
        unit,
        cls: 'exact',
        known: typeof v === 'number' ? exactly(v) : null,
      };
      cache.set(id, g);
    }
    return g;
  };
  const read: Read = (g) => g.known?.value ?? standIns.get(g) ?? 0;
  const value = (l: Lin) => at(l, read);
  return {
    built,
    standIns,
    q,
    counted,
    value,
    pieces,
    solids,
    contacts,
    clamped: [],
    face: ZERO,
    seat: ZERO,
    drop: null,
    system: null,
    rods: [],
    add(piece, role, inputs, make, moving = false, extra = []) {
      const list = [...new Set([...givens(inputs), ...extra])];
      const build = (from: Read = read) => make((l) => at(l, from));
      const solid = build();
      const one: StandSolid = {
        piece: piece.key,
        role,
        own: `${piece.key}/${role}`,
        name: piece.name,
        solid,
        extent: bounds(solid),
        inputs: list,
        known: list.every((g) => g.known !== null),
        loose: list.reduce((sum, g) => sum + (g.known?.tol ?? 0), 0),
        moving,
        make: build,
      };
      piece.solids.push(one);
      for (const g of list)
        if (g.known === null && !piece.missing.includes(g)) piece.missing.push(g);
      solids.push(one);
      return one;
    },
    piece(key, part, assumed = null) {
      const p: Piece = {
        key,
        part: part.id,
        name: part.name,
        kind: part.kind,
        solids: [],
        missing: [],
        assumed,
        faces: null,
      };
      pieces.push(p);
      return p;
    },
    touch(a, b) {
      for (const [x, y] of [
        [a, b],
        [b, a],
      ] as const) {
        const list = contacts.get(x);
        if (list) list.add(y);
        else contacts.set(x, new Set([y]));
      }
    },
  };
}

/** A block between six faces. */
export function block(s: Setting, piece: Piece, role: string, f: Faces, turn = 0): StandSolid {
  return s.add(piece, role, [f.x0, f.x1, f.y0, f.y1, f.z0, f.z1], (n) => {
    const [x0, x1, y0, y1, z0, z1] = [n(f.x0), n(f.x1), n(f.y0), n(f.y1), n(f.z0), n(f.z1)];
    return box(
      [(x0 + x1) / 2, (y0 + y1) / 2, (z0 + z1) / 2],
      [Math.abs(x1 - x0) / 2, Math.abs(y1 - y0) / 2, Math.abs(z1 - z0) / 2],
      turn,
    );
  });
}
