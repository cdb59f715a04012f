/**
 * Flange distance and back focus. Lengths in mm; errors positive when the lens sits too far out.
 */

/** Image distance of a thin lens focused at `s` from the lens: `v = f s / (s - f)`. */
export function imageDistance(f: number, s: number): number {
  return (f * s) / (s - f);
}

/**
 * How far a thin lens stands beyond its infinity position when it is focused at `s` from the image
 * plane: `x(s) = (s - 2f - sqrt(s (s - 4f))) / 2`, from `s = u + v` and the lens equation. Scales
 * and tapes count from the image plane, not from the lens.
 *
 * @returns mm; NaN inside four focal lengths, where there is no sharp picture
 */
export function extension(f: number, s: number): number {
  if (s === Infinity) return 0;
  // The same as the difference above, without losing its digits far away.
  return (2 * f * f) / (s - 2 * f + Math.sqrt(s * (s - 4 * f)));
}

/**
 * Flange error from a mark test: at the mark `sMark` the lens is really sharp at `sTrue`, both from
 * the image plane. `e = x(sTrue) - x(sMark)`, thin lens; see {@link extension}.
 */
export function errorFromMarks(f: number, sMark: number, sTrue: number): number {
  return extension(f, sTrue) - extension(f, sMark);
}

/** Half depth of focus on the image side: `N c`. */
export function depthOfFocus(n: number, c: number): number {
  return n * c;
}

/** Index of ordinary optical glass (crown), for a plate that does not give its own. */
export const USUAL_INDEX = 1.517;

/** Shift of focus by a plane glass behind the lens: `t (1 - 1/n)`, away from the lens. */
export function glassShift(t: number, n: number): number {
  return t * (1 - 1 / n);
}
