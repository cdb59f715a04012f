/**
 * Depth of field, thin lens; distances in mm from the image plane.
 */

/** Hyperfocal distance: `H = f^2 / (N c) + f`. */
export function hyperfocal(f: number, n: number, c: number): number {
  return (f * f) / (n * c) + f;
}

/** Near and far limit at distance `s`; far is Infinity at or beyond the hyperfocal distance. */
export function depthOfField(
  f: number,
  n: number,
  c: number,
  s: number,
): { near: number; far: number } {
  const H = hyperfocal(f, n, c);
  return {
    near: (s * (H - f)) / (H + s - 2 * f),
    far: s >= H ? Infinity : (s * (H - f)) / (H - s),
  };
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
