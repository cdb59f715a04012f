/**
 * Minutes that a hold can be kept still, by the share of one's greatest hold:
 * `-1.5 + 2.1 / f - 0.6 / f^2 + 0.1 / f^3` (W. Rohmert 1960, from memory). Null outside 0.15 to 1:
 * below it can be kept long, above it not at all.
 */
export function endurance(share: number): number | null {
  if (!(share >= LEAST_SHARE && share <= 1)) return null;
  return -1.5 + 2.1 / share - 0.6 / share ** 2 + 0.1 / share ** 3;
}

/** Below this share of one's greatest hold it can be kept long. */
export const LEAST_SHARE = 0.15;

/**
 * Moment about the tilt axis of a head, N m: `m g (h sin t + d cos t)`.
 *
 * @param kilograms mass, @param h centre above the tilt axis, @param d centre ahead of it, mm
 * @param tilt degrees from level
 */
export function tiltMoment(kilograms: number, h: number, d: number, tilt: number): number {
  const t = (tilt * Math.PI) / 180;
  return (kilograms * 9.80665 * (h * Math.sin(t) + d * Math.cos(t))) / 1000;
}

/** Pixels that an arc minute takes: `f tan(1') / pitch`; focal length in mm, pitch in um. */
export function pixelsPerMinute(focal: number, pitch: number): number {
  return (focal * Math.tan(Math.PI / 10800)) / (pitch / 1000);
}
