import { given, type Given } from '../../../build/given';
import { at as sumAt, type Lin } from '../../../build/lin';
import type { Face, Outlet, SignalPort, Supplied } from '../../../engine/part';
import type { Part } from '../../../kit/types';
import type { Piece, Pose, StandSolid } from '../../../place/setting';
import { bounds, turnedBox, union, type Bounds, type Solid, type Vec } from '../../../solids/solid';
import { OUT, poseOf, turnedBy } from '../../joints/place/pose';
import { SWEPT } from '../../space/model/clearance';

/** Where a socket may be: on its face as far as that is known, else anywhere on its part. */
export interface Socket {
  /** What it is somewhere on. */
  solids: readonly Solid[];
  extent: Bounds;
  /** How far all of it may be off, mm. */
  loose: number;
  /** Points of it that are tried, and how far each is off the likeliest. */
  points: readonly { at: Vec; away: number }[];
  /** Out of its face; null where nobody asks which it is, as on a motor. */
  out: Vec | null;
  /** Nobody said on which face it is. */
  open: boolean;
  /** What somebody would have to say of it: its face, else where on that. */
  asks: readonly Given[];
}

/** What a part says of where a socket of it is. */
export interface Port {
  face: Face | undefined;
  /** How far it is off the middle of that face along the axes of its part. */
  at: readonly [x: Given, y: Given, z: Given];
  /** The face, as something that is asked for. */
  asks: Given;
}

/** Where an outlet of a part is. */
export function outletPort(part: Part, o: Outlet | undefined): Port {
  const of = (key: string) => given(part, 'outlets', o?.id ?? '', key);
  return { face: o?.face, at: [of('x'), of('y'), of('z')], asks: of('face') };
}

/** Where a socket is that something is sent out of, or comes in by. */
export function signalPort(part: Part, p: SignalPort): Port {
  const of = (key: string) => given(part, 'ports', p.id, key);
  return { face: p.face, at: [of('x'), of('y'), of('z')], asks: of('face') };
}

/** Where the inlet of what takes power is. */
export function inletPort(part: Part & Supplied): Port {
  const of = (key: string) => given(part, key);
  return {
    face: part.inletFace,
    at: [of('inletX'), of('inletY'), of('inletZ')],
    asks: of('inletFace'),
  };
}

/** What of a piece stands still. */
export const stillOf = (p: Piece): readonly StandSolid[] =>
  p.solids.filter((s) => !SWEPT.has(s.role));

/**
 * Where a socket of a piece is. One of a part without a pose, as a motor is, may be anywhere on it; the
 * lead of a dummy battery comes out of the body where its door lets it.
 *
 * @returns null for a piece of which nothing stands
 */
export function socketOn(piece: Piece, port: Port): Socket | null {
  const still = stillOf(piece);
  if (still.length === 0) return null;
  const pose = poseOf(piece);
  if (pose && port.face && piece.kind !== 'dummy-battery') return onFace(pose, port.face, port);
  const open = pose !== null && piece.kind !== 'dummy-battery';
  const extent = still.map((s) => s.extent).reduce(union);
  const middle = [0, 1, 2].map(
    (k) => (extent[k as 0]! + extent[(k + 3) as 3]!) / 2,
  ) as unknown as Vec;
  return {
    solids: still.map((s) => s.solid),
    extent,
    loose: Math.max(...still.map((s) => s.loose)),
    points: [{ at: middle, away: 0 }],
    out: null,
    open,
    asks: open ? [port.asks] : [],
  };
}

const nominal = (l: Lin) => sumAt(l, (g) => g.known?.value ?? 0);

/** The middle of a socket is no nearer to an edge of its face, mm. Common practice, no source. */
const EDGE = 5;

/** Shares of half a face that are tried where nobody said where on it, the middle first. */
const TRIED = [0, 0.5, -0.5] as const;

function onFace(pose: Pose, face: Face, port: Port): Socket {
  const own = OUT[face];
  const k = own.findIndex((v) => v !== 0) as 0 | 1 | 2;
  const out = turnedBy(pose.axes, own);
  const half = pose.half.map((l) => Math.max(0, nominal(l)));
  // Along each axis of the part: where the socket is off the middle of its face, and how sure that is.
  const off = [0, 0, 0];
  const free = [0, 0, 0];
  ([0, 1, 2] as const).forEach((j) => {
    if (j === k) return void (off[j] = own[k] * half[k]!);
    const at = port.at[j]!.known;
    [off[j], free[j]] = at ? [at.value, at.tol] : [0, Math.max(0, half[j]! - EDGE)];
  });
  const middle = pose.middle.map(nominal);
  const world = (p: readonly number[]): Vec =>
    [0, 1, 2].map((w) =>
      p.reduce((sum, v, j) => sum + v * pose.axes[j as 0][w as 0], middle[w]!),
    ) as unknown as Vec;
  const [a, b] = ([0, 1, 2] as const).filter((j) => j !== k) as [0 | 1 | 2, 0 | 1 | 2];
  const points = TRIED.flatMap((s) =>
    TRIED.map((t) => {
      const p = [...off];
      p[a]! += s * free[a]!;
      p[b]! += t * free[b]!;
      return { at: world(p), away: Math.abs(s) * free[a]! + Math.abs(t) * free[b]! };
    }),
  );
  const solid = turnedBox(world(off), free as unknown as Vec, pose.axes);
  return {
    solids: [solid],
    extent: bounds(solid),
    loose: [...pose.middle, ...pose.half].reduce((most, l) => Math.max(most, l.loose), 0) * 2,
    points,
    out,
    open: false,
    asks: port.at.filter((g, j) => j !== k && g.known === null),
  };
}
