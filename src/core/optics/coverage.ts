/**
 * Coverage: what an image circle covers of a rectangle. All lengths in mm.
 */

export interface Rectangle {
  w: number;
  h: number;
  /** Offset of its centre from the optical axis. */
  x: number;
  y: number;
}

/** Distance of the farthest corner of a rectangle from the axis. */
export function farthestCorner(r: Rectangle): number {
  return Math.hypot(Math.abs(r.x) + r.w / 2, Math.abs(r.y) + r.h / 2);
}

/**
 * Margin at the farthest corner of a rectangle inside a circle of diameter `d`: `d/2 - corner`.
 * For a centred rectangle this is `(d - hypot(w, h)) / 2`. Negative: the corner is cut.
 */
export function cornerMargin(r: Rectangle, d: number): number {
  return d / 2 - farthestCorner(r);
}

/** Largest rectangle of aspect `a` (w / h) inside a circle: `w = d a / sqrt(1 + a^2)`. */
export function largestInCircle(a: number, d: number): { w: number; h: number } {
  const w = (d * a) / Math.sqrt(1 + a * a);
  return { w, h: w / a };
}

/** Largest rectangle of aspect `a` inside a `w` x `h` rectangle. */
export function largestInRectangle(a: number, w: number, h: number): { w: number; h: number } {
  return a > w / h ? { w, h: w / a } : { w: h * a, h };
}

/** Scale-up in post that pushes the uncovered corner out of the picture: `corner / radius - 1`. */
export function scaleUp(r: Rectangle, d: number): number {
  return Math.max(0, farthestCorner(r) / (d / 2) - 1);
}

/**
 * Where a delivery frame sits on the chip; it is moved no farther than the chip goes. The aspect is that of the desqueezed picture, so on
 * the chip it is `aspect / squeeze`.
 *
 * @param frame aspect, scale (1 = as large as fits) and offset in mm on the chip
 * @param mode active area of the recording mode
 * @param squeeze of the lens; 1 for spherical
 */
export function frameOnChip(
  frame: { aspect: number; scale?: number; x?: number; y?: number },
  mode: { w: number; h: number },
  squeeze: number,
): Rectangle {
  const r = largestInRectangle(frame.aspect / squeeze, mode.w, mode.h);
  const s = frame.scale ?? 1;
  const w = r.w * s;
  const h = r.h * s;
  return {
    w,
    h,
    x: within(frame.x ?? 0, (mode.w - w) / 2),
    y: within(frame.y ?? 0, (mode.h - h) / 2),
  };
}

/** `x` held between -most and most. */
function within(x: number, most: number): number {
  return Math.max(-most, Math.min(most, x));
}
