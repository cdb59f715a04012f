/**
 * Depth of field, thin lens; distances in mm.
 */

import { extension } from './backfocus';

/** Hyperfocal distance: `H = f^2 / (N c) + f`. */
export function hyperfocal(f: number, n: number, c: number): number {
  return (f * f) / (n * c) + f;
}

/**
 * Near and far limit at distance `u`, all from the lens: the form that published tables have.
 * Far is Infinity at or beyond the hyperfocal distance.
 */
export function depthFromLens(
  f: number,
  n: number,
  c: number,
  u: number,
): { near: number; far: number } {
  const H = hyperfocal(f, n, c);
  return {
    near: (u * (H - f)) / (H + u - 2 * f),
    far: u >= H ? Infinity : (u * (H - f)) / (H - u),
  };
}

/**
 * Near and far limit when focused at `s`, all from the image plane: `u = s - f - x(s)` from the
 * lens, and `f + x(s)` on top of both limits.
 *
 * @returns NaN for both inside four focal lengths, where there is no sharp picture
 */
export function depthOfField(
  f: number,
  n: number,
  c: number,
  s: number,
): { near: number; far: number } {
  const image = f + extension(f, s);
  const { near, far } = depthFromLens(f, n, c, s - image);
  return { near: near + image, far: far + image };
}

/**
 * Circle of confusion by the size of the mode, mm: full frame 0.030, Super 35 0.025,
 * four-thirds 0.015, Super 16 0.013 (common practice, no source). A mode belongs to the format
 * whose diagonal is nearest.
 */
export function circleOfConfusion(w: number, h: number): number {
  const d = Math.hypot(w, h);
  let best = COC[0]!;
  for (const c of COC) if (Math.abs(c[0] - d) < Math.abs(best[0] - d)) best = c;
  return best[1];
}

const COC: readonly (readonly [diagonal: number, c: number])[] = [
  [43.27, 0.03],
  [31.11, 0.025],
  [21.64, 0.015],
  [14.55, 0.013],
];
