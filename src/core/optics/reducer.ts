/**
 * Focal reducers and extenders of magnification `m` (thin-lens).
 */

/** Stops of light gained by magnification `m`: `-2 log2(m)`. Negative for an extender. */
export function stopsGained(m: number): number {
  return -2 * Math.log2(m);
}

/** Focal length behind the reducer: `m f`. */
export function reducedFocal(f: number, m: number): number {
  return m * f;
}

/**
 * Stop behind the reducer, `max(m N, limit)`: no reducer is faster than its own limit.
 *
 * @param limit fastest stop of the reducer, or null when it does not say
 */
export function reducedStop(
  n: number,
  m: number,
  limit: number | null,
): { stop: number; clamped: boolean } {
  const stop = m * n;
  return limit !== null && stop < limit ? { stop: limit, clamped: true } : { stop, clamped: false };
}

/** Image circle at the chip: `min(m D, exit circle)`, mm. */
export function reducedCircle(d: number, m: number, exit: number): number {
  return Math.min(m * d, exit);
}

/** Width that a mode of width `w` sees like, without the reducer: `w / m`, mm. */
export function equivalentWidth(w: number, m: number): number {
  return w / m;
}
