import type { Given } from '../../../build/given';
import { at as sumAt, type Lin } from '../../../build/lin';
import type { TiePoint } from '../../../kit/types';
import type { Piece } from '../../../place/setting';
import type { Vec } from '../../../solids/solid';
import { OUT, poseOf, turnedBy } from '../../joints/place/pose';

/** A place that a lead is tied to, where it stands. */
export interface Tied {
  /** On the face, and out of it. */
  at: Vec;
  out: Vec;
  /** How far it may be off that, mm. */
  loose: number;
  /** Numbers of the size and place of what it is on that nobody gave. */
  missing: readonly Given[];
}

const nominal = (l: Lin) => sumAt(l, (g) => g.known?.value ?? 0);

/** Where a tie is; null where what it is on stands nowhere, or takes up no room. */
export function tieOn(piece: Piece | undefined, { face, x, y, z }: TiePoint): Tied | null {
  const pose = piece && poseOf(piece);
  if (!pose) return null;
  const own = OUT[face];
  const half = pose.half.map(nominal);
  const said = [x, y, z];
  // Over an edge of its face it is tied to nothing: there it is at the edge.
  const p = own.map((o, k) =>
    o !== 0 ? o * half[k]! : Math.min(half[k]!, Math.max(-half[k]!, said[k] ?? 0)),
  );
  const middle = pose.middle.map(nominal);
  const at = [0, 1, 2].map((w) =>
    p.reduce((sum, v, j) => sum + v * pose.axes[j as 0][w as 0], middle[w]!),
  ) as unknown as Vec;
  return {
    at,
    out: turnedBy(pose.axes, own),
    loose: [...pose.middle, ...pose.half].reduce((most, l) => Math.max(most, l.loose), 0) * 2,
    missing: piece.missing,
  };
}
