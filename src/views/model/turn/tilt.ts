import { Matrix4, Quaternion, Vector3 } from 'three';
import type { Model } from '@/core/model/model';
import { met } from '@/core/model/pick';
import type { Vec } from '@/core/solids/solid';
import type { Showing } from './lines';

/** Turns about a point so that a way of the rig is down. */
export function tiltOf(how: { about: Vec; down: Vec }): Matrix4 {
  const point = ([x, y, z]: Vec) => new Vector3(x, y, -z);
  const about = point(how.about);
  const turn = new Quaternion().setFromUnitVectors(point(how.down), new Vector3(0, -1, 0));
  return new Matrix4()
    .makeTranslation(about)
    .multiply(new Matrix4().makeRotationFromQuaternion(turn))
    .multiply(new Matrix4().makeTranslation(about.clone().negate()));
}

/** The piece that a ray meets first; null where it meets none. */
export function firstMet(
  model: Model,
  near: Vector3,
  way: Vector3,
  { cut, apart }: Pick<Showing, 'cut' | 'apart'>,
): number | null {
  let best: { piece: number; t: number } | null = null;
  for (const s of model.shapes) {
    if (s.sweep) continue;
    const off = model.pieces[s.piece]!.away;
    const from: Vec = [near.x - apart * off[0], near.y - apart * off[1], -near.z - apart * off[2]];
    const d: Vec = [way.x, way.y, -way.z];
    const t = met(s.block, from, d);
    if (t === null || (best && t >= best.t)) continue;
    // What the section takes away is not there to be pointed at.
    if (cut && [near.x, near.y, -near.z][cut.axis]! + t * d[cut.axis] > cut.at) continue;
    best = { piece: s.piece, t };
  }
  return best?.piece ?? null;
}
