import { OUT, poseOf } from '../areas/joints/place/pose';
import { tieName } from '../areas/power/model/tie-places';
import { keyOf } from '../areas/power/model/run';
import { SWEPT } from '../areas/space/model/clearance';
import { at as sumAt, type Lin } from '../build/lin';
import type { Built } from '../build/build';
import type { View } from '../drawing/project';
import { FACES } from '../engine/field';
import type { TieOn, TiePoint } from '../kit/types';
import type { Piece } from '../place/setting';
import type { Vec } from '../solids/solid';
import { standOf } from '../stand/stand';
import { blockOf } from './model';
import { met } from './pick';
import { along, dot } from './polyhedron';

/** What a line of sight meets first on a rig. */
export interface Pressed {
  /** `Stirrup handle, camera left`; of what no lead is tied to only what it is. */
  name: string;
  /** Where a lead would be tied there; null to what none is tied to. */
  to: Omit<TiePoint, 'id'> | null;
  at: Vec;
}

/** Farther off than anything of a rig, mm. */
const FAR = 5000;

/** The line of sight through a point of an elevation. */
export function sightOf(view: View, [u, v]: readonly [number, number]): { from: Vec; way: Vec } {
  if (view === 'side') return { from: [FAR, v, u], way: [-1, 0, 0] };
  if (view === 'top') return { from: [-v, FAR, u], way: [0, -1, 0] };
  return { from: [-u, v, FAR], way: [0, 0, -1] };
}

const nominal = (l: Lin) => sumAt(l, (g) => g.known?.value ?? 0);

/** What is met first along a line of sight, by its solids; null where nothing stands there. */
export function pressed(built: Built, from: Vec, way: Vec): Pressed | null {
  const stand = standOf(built);
  let [near, key]: [number, string | null] = [Infinity, null];
  for (const s of stand.solids) {
    if (SWEPT.has(s.role)) continue;
    const t = met(blockOf(s), from, way);
    // Of two that are met at the same place the one that comes first by name, whatever the order.
    if (t !== null && (t < near || (t === near && s.piece < key!))) [near, key] = [t, s.piece];
  }
  if (key === null) return null;
  const piece = stand.pieces.find((p) => p.key === key)!;
  const at = along(from, way, near);
  const on = tiedOn(built, key);
  const to = on && tieThere(piece, on, at, way);
  return { name: to ? tieName(built, to) : piece.name, to, at };
}

/** What of a rig a piece is, where leads are tied to it. */
function tiedOn({ rig }: Built, key: string): TieOn | null {
  const all: TieOn[] = [
    ...(rig.body === null ? [] : [{ list: 'body' as const, id: 'body' }]),
    ...(['fitted', 'rods'] as const).flatMap((list) =>
      (rig[list] ?? []).map(({ id }) => ({ list, id })),
    ),
  ];
  return all.find(({ list, id }) => keyOf(list, id) === key) ?? null;
}

/** The tie at a point of a piece: on the face nearest to it of those that are seen. */
function tieThere(piece: Piece, on: TieOn, at: Vec, way: Vec): Pressed['to'] {
  const pose = poseOf(piece);
  if (!pose) return null;
  const middle = pose.middle.map(nominal);
  const half = pose.half.map(nominal);
  const off = at.map((v, k) => v - middle[k]!) as unknown as Vec;
  let q = pose.axes.map((a) => dot(a, off));
  if (piece.is === 'rods') q = onRod(piece, q, middle);
  const sight = pose.axes.map((a) => dot(a, way));
  const seen = FACES.flatMap(([face]) => {
    const k = OUT[face].findIndex((v) => v !== 0);
    const sign = OUT[face][k as 0];
    return sight[k]! * sign < -1e-6 ? [{ face, k, off: half[k]! - sign * q[k]! }] : [];
  });
  const nearest = seen.sort((a, b) => a.off - b.off)[0];
  if (!nearest) return null;
  const own = (k: 0 | 1 | 2) =>
    k === nearest.k ? undefined : Math.round(Math.min(half[k]!, Math.max(-half[k]!, q[k]!))) + 0;
  const [x, y, z] = [own(0), own(1), own(2)];
  return {
    on,
    face: nearest.face,
    ...(x ? { x } : {}),
    ...(y ? { y } : {}),
    ...(z ? { z } : {}),
  };
}

/** A lead is tied round a rod: on its middle line, that of the one that was met. */
function onRod(piece: Piece, [x, , z]: readonly number[], middle: readonly number[]): number[] {
  const lines = piece.solids.map((s) => (s.extent[0] + s.extent[3]) / 2 - middle[0]!);
  const line = lines.sort((a, b) => Math.abs(a - x!) - Math.abs(b - x!))[0] ?? 0;
  return [line, 0, z!];
}
