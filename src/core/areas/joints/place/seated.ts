import type { FittedUse, Fitting, Part } from '../../../kit/types';
import { lin, minus, plus, times, ZERO, type Lin } from '../../../build/lin';
import type { Piece, Pose } from '../../../place/setting';
import { interfacesOf } from '../kit/sides';
import { heldBy } from '../kit/pattern';
import { sameUse } from '../../../place/fitted';
import {
  about,
  alongOf,
  boreless,
  dot,
  facing,
  outOf,
  poseOf,
  spotOf,
  then,
  turnedBy,
} from './pose';

interface Known {
  use: FittedUse;
  part: Fitting;
  hostPart: Part;
  pose: Pose | null;
}

/** What stands on a pose, by use: for as long as that stands where it did. */
const known = new WeakMap<Pose, Map<string, Known>>();

/**
 * As {@link poseOn}; what stands where it stood is not worked out again, and is the same object.
 *
 * @param size of the part, along its own axes
 */
export function seatedPose(
  use: FittedUse,
  part: Fitting,
  size: readonly [Lin, Lin, Lin],
  hostPart: Part,
  host: Piece,
): Pose | null {
  const pose = poseOf(host);
  if (!pose) return null;
  let list = known.get(pose);
  if (!list) known.set(pose, (list = new Map()));
  const last = list.get(use.id);
  // The size is read of the part: it says nothing more.
  if (last && last.part === part && last.hostPart === hostPart && sameUse(last.use, use))
    return last.pose;
  const own = poseOn(pose, use, part, halfOf(...size), hostPart);
  list.set(use.id, { use, part, hostPart, pose: own });
  return own;
}

/**
 * Where a part stands that is held by an interface of its host: the two faces on each other, the
 * middle of the one over the middle of the other, turned only as the joint lets it.
 *
 * @param half half the size of the part, along its own axes
 * @returns null where one of the two names an interface that is not there: it stands by its face
 */
export function poseOn(
  pose: Pose,
  use: FittedUse,
  part: Fitting,
  half: readonly [Lin, Lin, Lin],
  hostPart: Part,
): Pose | null {
  const at = interfacesOf(hostPart).find((i) => i.id === use.at);
  const by = interfacesOf(part).find((i) => i.id === use.by);
  if (!at || !by) return null;
  const { held, step } = heldBy(at, by);
  const spot = spotOf(pose, hostPart, at, { first: use.n ?? 0, held, step, slide: use.slide ?? 0 });
  const bar = isRod(part) || isRod(hostPart);
  // What is clamped to a rod swings about it.
  const out = isRod(hostPart) ? turnedBy(about(spot.along, use.turn ?? 0), spot.out) : spot.out;
  const faced = facing(outOf(by), out);
  // Two holes apart take a part in their own direction only, and so does a bore.
  const aligned = held > 1 || bar;
  const row = aligned && Math.abs(dot(turnedBy(faced, alongOf(by)), spot.along)) < 0.5 ? 90 : 0;
  const axes = then(faced, about(out, row + (bar ? 0 : (use.turn ?? 0))));
  const origin: Pose = { middle: [ZERO, ZERO, ZERO], half, axes };
  const own = spotOf(origin, part, by);
  // A rod is held about its middle line: nothing stands off its face.
  const gap = bar ? 0 : (use.gap ?? 0);
  const deep = !bar ? ZERO : isRod(part) ? boreless(hostPart, at) : boreless(part, by);
  const middle = spot.at.map((l, k) =>
    plus(
      minus(gap === 0 ? l : plus(l, lin(gap * out[k]!)), own.at[k]!),
      out[k] === 0 ? ZERO : deep,
    ),
  ) as unknown as Pose['middle'];
  return { middle, half, axes };
}

const isRod = (p: Part) => p.kind === 'rod';

/** Half of three sizes. */
export function halfOf(w: Lin, h: Lin, d: Lin): readonly [Lin, Lin, Lin] {
  return [times(w, 0.5), times(h, 0.5), times(d, 0.5)];
}
