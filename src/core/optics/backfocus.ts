/**
 * Flange distance and back focus. Lengths in mm; errors positive when the lens sits too far out.
 */

/** Image distance of a thin lens focused at `s` from the lens: `v = f s / (s - f)`. */
export function imageDistance(f: number, s: number): number {
  return (f * s) / (s - f);
}

/**
 * Flange error from a mark test: at the mark `sMark` the lens is really sharp at `sTrue`.
 * `e = v(sTrue) - v(sMark)`, thin lens.
 */
export function errorFromMarks(f: number, sMark: number, sTrue: number): number {
  return imageDistance(f, sTrue) - imageDistance(f, sMark);
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
