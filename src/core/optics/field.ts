/**
 * Field of view, thin lens, rectilinear. Lengths in mm, angles in degrees.
 */

const DEG = 180 / Math.PI;

/** Full angle that a side of `side` mm subtends at focal length `f`: `2 atan(side / 2f)`. */
export function fieldOfView(side: number, f: number): number {
  return 2 * Math.atan(side / (2 * f)) * DEG;
}

/** Focal length that gives an angle on a side: the inverse of {@link fieldOfView}. */
export function focalFor(side: number, deg: number): number {
  return side / (2 * Math.tan(deg / DEG / 2));
}

/** Focal length with the same horizontal field on the reference format: `f w_ref / w`. */
export function looksLike(f: number, w: number, wRef: number): number {
  return (f * wRef) / w;
}

/** Crop factor by diagonal: `diag(ref) / diag(mode)`. */
export function diagonalCrop(
  ref: { w: number; h: number },
  mode: { w: number; h: number },
): number {
  return Math.hypot(ref.w, ref.h) / Math.hypot(mode.w, mode.h);
}

/** Crop factor by width: `w_ref / w`. Framing is judged on width. */
export function widthCrop(wRef: number, w: number): number {
  return wRef / w;
}

/** Aspect after desqueeze: `squeeze w / h`. */
export function desqueezedAspect(w: number, h: number, squeeze: number): number {
  return (squeeze * w) / h;
}
