import { node } from '../../../engine/reads';
import type { Built } from '../../../build/build';
import type { Front } from '../place/parts';
import type { Given } from '../../../build/given';
import { at, givens, type Read } from '../../../build/lin';
import { standOf, type Stand } from '../../../stand/stand';
import { walkOf } from '../../../pupil/aperture';
import { focalRange, isZoom } from '../../../build/lens';
import { hull, type Bounds, type Hull } from '../../../solids/solid';
import type { Direction } from '../../../pupil/inverse';
import { cornerDirections, type Judged } from './judged';
import { situation, type Situation } from './situations';

/** What the lens sees at one setting, from the numbers it rests on. */
export interface Sight {
  situation: Situation;
  inputs: readonly Given[];
  /** Station of the entrance pupil from the image plane, for a ray direction. */
  pupil: (read: Read, t: Direction) => number;
  corners: (read: Read, judged: Judged) => readonly Direction[];
  /**
   * Ray directions of the corners of a rectangle, and the station of the entrance pupil from the
   * image plane as the corner sees it that sees it farthest out, mm.
   */
  seen: (read: Read, judged: Judged) => Seen;
}

/** The corners of a picture by their ray directions, and the station that they are seen from, mm. */
export interface Seen {
  corners: readonly Direction[];
  z: number;
}

const NOTHING: Front = {
  inputs: [],
  edges: [],
  thread: [],
  threadLength: () => 0,
  box: null,
  seat: null,
  drop: null,
  assumed: null,
  standing: false,
};

/**
 * The lens by itself, with the one model of the pupil that shading has: at the wide end of a zoom
 * and where it is set, at infinity. The widest picture decides what stands in it.
 */
export function sights(built: Built): Sight[] {
  return built.once(SIGHTS);
}

const SIGHTS = node('sights', makeSights);

function makeSights(built: Built): Sight[] {
  const stand: Stand = standOf(built);
  const { lens } = built;
  const range = focalRange(lens);
  const focals =
    isZoom(lens) && range
      ? [...new Set([range.from, built.focal.known?.value ?? range.from])]
      : [null];
  return focals.flatMap((focal): Sight[] => {
    const sit = situation(built, { focal, focus: Infinity, stop: 'used' }, NOTHING);
    if (!sit) return [];
    const seat = stand.seat;
    const values = (read: Read) => sit.inputs.map(read);
    return [
      {
        situation: sit,
        inputs: [...new Set([...sit.inputs, ...givens([seat])])],
        pupil: (read, t) => {
          const { pupil } = sit.scene(values(read));
          return pupil.z - sit.seat + at(seat, read) + walkOf(pupil, t.tx, t.ty);
        },
        corners: (read, judged) => {
          const x = values(read);
          return cornerDirections(sit, x, judged.rectangle(sit.mode(x)));
        },
        seen: (read, judged) => {
          const x = values(read);
          const corners = cornerDirections(sit, x, judged.rectangle(sit.mode(x)));
          const { pupil } = sit.scene(x);
          const z = pupil.z - sit.seat + at(seat, read);
          return { corners, z: z + Math.max(...corners.map((t) => walkOf(pupil, t.tx, t.ty))) };
        },
      },
    ];
  });
}

/**
 * The part of space ahead of the pupil that stands in a picture, as far as `until`: a pyramid from
 * the middle of the pupil through the corners of the picture. Where the pupil wanders the corner
 * decides, which makes the pyramid no larger than what is seen.
 */
export function pyramid({ corners, z }: Seen, until: number): Hull | null {
  const far = until - z;
  if (!(far > 1)) return null;
  return hull([
    [0, 0, z],
    ...corners.map((t): readonly [number, number, number] => [t.tx * far, t.ty * far, until]),
  ]);
}

/** The extent of that pyramid, whether there is one or not. */
export function reachOf({ corners, z }: Seen, until: number): Bounds {
  const far = Math.max(0, until - z);
  let [x0, y0, x1, y1] = [0, 0, 0, 0];
  for (const t of corners) {
    x0 = Math.min(x0, t.tx * far);
    x1 = Math.max(x1, t.tx * far);
    y0 = Math.min(y0, t.ty * far);
    y1 = Math.max(y1, t.ty * far);
  }
  return [x0, y0, Math.min(z, until), x1, y1, Math.max(z, until)];
}
