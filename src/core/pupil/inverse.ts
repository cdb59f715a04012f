import { clearance, type Aperture } from './aperture';
import { fraction } from './region';
import { lossOf, stacks, type Scene } from './map';

/**
 * The shading model asked backwards: how large, how far, how low may it be. All of them use that
 * shading is monotone in the one thing that is varied.
 *
 * The worst point of a convex frame is one of its corners: the apertures and the pupil are
 * convex, so the square root of the area they leave is concave in the ray direction
 * (Brunn-Minkowski) and takes its least value at a corner. So corners are all that is asked for.
 */
export interface Direction {
  tx: number;
  ty: number;
}

/** Largest mechanical loss over several directions, stops. */
export function worstLoss(scene: Scene, at: readonly Direction[]): number {
  const of = stacks(scene);
  let least = 1;
  for (const t of at) least = Math.min(least, fraction(of(t.tx, t.ty), t.tx, t.ty));
  return lossOf(least);
}

/** Room between the beams of several directions and one aperture, mm; below 0 it is touched. */
export function worstClearance(scene: Scene, index: number, at: readonly Direction[]): number {
  const ap = scene.apertures[index]!;
  return Math.min(...at.map((t) => clearance(ap, scene.pupil, scene.distance, t.tx, t.ty)));
}

function withAperture(scene: Scene, index: number, ap: Aperture): Scene {
  return { ...scene, apertures: scene.apertures.map((a, i) => (i === index ? ap : a)) };
}

/**
 * Where a loss that only grows or only falls with `u` crosses the limit: the largest or smallest
 * `u` in [lo, hi] that still holds it. Bracketed false position (Illinois), to 1e-6.
 *
 * @param good the end of the range where the limit is held; the other end does not hold it
 */
function crossing(excess: (u: number) => number, good: number, bad: number): number {
  let a = good;
  let fa = excess(a);
  let b = bad;
  let fb = excess(b);
  for (let i = 0; i < 80 && Math.abs(b - a) > 1e-6; i++) {
    // Flat stretches (nothing shaded, or all black) give no slope: halve there.
    const steep = fb - fa > 1e-9 && i % 3 !== 2;
    const u = steep ? a + (b - a) * Math.min(0.95, Math.max(0.05, -fa / (fb - fa))) : (a + b) / 2;
    const fu = excess(u);
    if (fu <= 0) {
      a = u;
      fa = fu;
    } else {
      b = u;
      fb = fu;
    }
  }
  return a;
}

const EPS = 1e-9;

/** The other apertures alone already break the limit: no size or place of this one helps. */
export type Hopeless = null;

/**
 * Smallest factor on the size of one aperture at which the loss stays within the limit; times
 * its diameter or sides it is the smallest clear opening at this station. Centre kept.
 *
 * @param limit mechanical loss allowed, stops; 0 asks for nothing touched at all
 */
export function smallestOpening(
  scene: Scene,
  index: number,
  at: readonly Direction[],
  limit: number,
): number | Hopeless {
  const ap = scene.apertures[index]!;
  if (ap.kind === 'edge') return null;
  const sized = (u: number): Aperture =>
    ap.kind === 'circle' ? { ...ap, r: ap.r * u } : { ...ap, hw: ap.hw * u, hh: ap.hh * u };
  const excess = (u: number) =>
    limit <= 0
      ? -worstClearance(withAperture(scene, index, sized(u)), index, at)
      : worstLoss(withAperture(scene, index, sized(u)), at) - limit - EPS;
  let hi = 1;
  while (excess(hi) > 0) {
    hi *= 2;
    if (hi > 1e4) return null;
  }
  let lo = hi / 2;
  while (lo > 1e-4 && excess(lo) <= 0) lo /= 2;
  if (lo <= 1e-4) return 0;
  return crossing(excess, hi > lo * 2 ? lo * 2 : hi, lo);
}

/**
 * Farthest station at which one aperture of its size keeps the loss within the limit, its centre
 * kept; null when it does not even at the front of the pupil, Infinity when it always does.
 */
export function farthestStation(
  scene: Scene,
  index: number,
  at: readonly Direction[],
  limit: number,
): number | null {
  const ap = scene.apertures[index]!;
  const excess = (z: number) => {
    const moved = withAperture(scene, index, { ...ap, z });
    return limit <= 0 ? -worstClearance(moved, index, at) : worstLoss(moved, at) - limit - EPS;
  };
  const from = scene.pupil.z;
  if (excess(from) > 0) return null;
  let reach = Math.max(1, ap.z - from);
  while (excess(from + reach) <= 0) {
    reach *= 2;
    if (reach > 1e6 || reach >= scene.distance) return Infinity;
  }
  return crossing(
    excess,
    from + reach / 2 > from && excess(from + reach / 2) <= 0 ? from + reach / 2 : from,
    from + reach,
  );
}

/**
 * Most closed angle in a range at which the loss stays within the limit.
 *
 * @param flag the edge at an angle
 * @param open angle at which the flag is farthest out; `closed` farthest in
 * @returns null when even the open flag is in the way
 */
export function mostClosed(
  scene: Scene,
  flag: (angle: number) => Aperture,
  at: readonly Direction[],
  limit: number,
  open: number,
  closed: number,
): number | null {
  const excess = (angle: number) => {
    const s = { ...scene, apertures: [...scene.apertures, flag(angle)] };
    return limit <= 0
      ? -worstClearance(s, s.apertures.length - 1, at)
      : worstLoss(s, at) - limit - EPS;
  };
  if (excess(open) > 0) return null;
  if (excess(closed) <= 0) return closed;
  return crossing(excess, open, closed);
}

/**
 * Largest scale of a frame at which its corners stay within the limit.
 *
 * @param corners directions of the corners of the frame at a scale; must grow with it
 * @returns 0 when even the middle of the picture is beyond the limit
 */
export function largestFrame(
  scene: Scene,
  corners: (scale: number) => readonly Direction[],
  limit: number,
  most = 1,
): number {
  const of = stacks(scene);
  const excess = (u: number) => {
    let least = 1;
    for (const t of corners(u)) least = Math.min(least, fraction(of(t.tx, t.ty), t.tx, t.ty));
    return lossOf(least) - limit - EPS;
  };
  if (excess(most) <= 0) return most;
  if (excess(0) > 0) return 0;
  return crossing(excess, 0, most);
}
