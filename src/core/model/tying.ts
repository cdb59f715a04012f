import { OUT, poseOf } from '../areas/joints/place/pose';
import { lengthBy, linesOn, wayBy, type Line } from '../areas/power/model/lines';
import { keyOf } from '../areas/power/model/run';
import { tieName } from '../areas/power/model/tie-places';
import { tieOn } from '../areas/power/model/via';
import { retie, tieAt, withOneMore } from '../areas/power/moves/via';
import { at as sumAt } from '../build/lin';
import type { Built } from '../build/build';
import { project, type View } from '../drawing/project';
import { newId } from '../engine/ids';
import type { Edit } from '../edit/edit';
import type { TiePoint } from '../kit/types';
import { sayLength } from '../quantity/say';
import type { Vec } from '../solids/solid';
import { standOf } from '../stand/stand';
import { dot } from './polyhedron';
import { pressed, sightOf } from './press';

/** A lead that is being tied on a drawing. */

/** What pressing a point of an elevation would do. */
export interface TyingThere {
  says: string;
  /** Null where no lead is tied to what stands there. */
  edit: Edit | null;
  /** How the lead would lie; null where it would not. */
  points: readonly Vec[] | null;
}

/** A tie as it is seen in an elevation. */
export interface TieShown {
  id: string;
  name: string;
  at: Vec;
  /** Where it is on the sheet, mm. */
  point: readonly [number, number];
  /** Its face is seen, so that it can be moved there. */
  seen: boolean;
}

/** The lead that is tied; null where it is on the rig no more, or comes from the mains beside it. */
export function tiedLine(built: Built, key: string | null): Line | null {
  const line = linesOn(built).find((l) => l.key === key);
  return line?.lead && !line.feed?.out?.mains ? line : null;
}

/**
 * What pressing there does to a lead: a tie more in the order in which it is shortest, or one of its
 * ties put there instead.
 *
 * @param id of the tie that is moved; one more when absent
 */
export function tyingAt(
  built: Built,
  line: Line,
  view: View,
  point: readonly [number, number],
  id?: string,
): TyingThere | null {
  const { from, way } = sightOf(view, point);
  const there = pressed(built, from, way);
  if (!there) return null;
  const { to, name } = there;
  if (!to) return { says: `${name}: no lead is tied to that.`, edit: null, points: null };
  const { rig } = built;
  const fresh = id === undefined;
  const via = fresh
    ? withOneMore(line, { id: newId('tie'), ...to }, (v) => lengthBy(built, line, v))
    : (line.via ?? []).map((t) => (t.id === id ? { id, ...to } : t));
  const laid = wayBy(built, line, via);
  return {
    says: laid
      ? `Tied to ${name}: ${sayLength(laid.length, 0)} from bend to bend.`
      : `Tied to ${name} no way of it is clear of all that stands on the rig.`,
    edit: fresh
      ? tieAt(rig, line, via, `Tie ${line.lead?.name ?? 'it'} to ${name}`)
      : retie(rig, line, id, to, name),
    points: laid && [laid.ends[0], ...laid.points, laid.ends[1]],
  };
}

/** Where somebody tied it, from its source on. */
export function tiesShown(built: Built, line: Line, view: View): TieShown[] {
  return (line.via ?? []).flatMap((tie): TieShown[] => {
    const on = tieOn(pieceOf(built, tie), tie);
    if (!on) return [];
    const seen = dot(sightOf(view, [0, 0]).way, on.out) < -1e-6;
    const { at } = on;
    return [{ id: tie.id, name: tieName(built, tie), at, point: project(view, at), seen }];
  });
}

/**
 * A tie some millimetres along its face, to the right of the sheet or up it, as far as that face goes;
 * null where the face runs that way in no direction.
 */
export function tieStepped(
  built: Built,
  line: Line,
  id: string,
  view: View,
  [du, dv]: readonly [number, number],
): Edit | null {
  const tie = line.via?.find((t) => t.id === id);
  const piece = tie && pieceOf(built, tie);
  const pose = piece && poseOf(piece);
  if (!tie || !pose) return null;
  const along = ([0, 1, 2] as const)
    .filter((k) => OUT[tie.face][k] === 0)
    .map((k) => {
      const [u, v] = project(view, pose.axes[k]);
      return { k, by: u * du + v * dv };
    })
    .sort((a, b) => Math.abs(b.by) - Math.abs(a.by))[0]!;
  if (Math.abs(along.by) < 0.5) return null;
  const key = KEYS[along.k];
  const half = sumAt(pose.half[along.k], (g) => g.known?.value ?? 0);
  const value = Math.round((tie[key] ?? 0) + along.by);
  const kept = Math.round(Math.min(half, Math.max(-half, value))) + 0;
  const { id: _id, ...to } = tie;
  const moved: Omit<TiePoint, 'id'> = { ...to, [key]: kept };
  if (kept === 0) delete moved[key];
  return retie(built.rig, line, id, moved, tieName(built, tie));
}

const KEYS = ['x', 'y', 'z'] as const;

const pieceOf = (built: Built, { on }: TiePoint) =>
  standOf(built).pieces.find((p) => p.key === keyOf(on.list, on.id));
