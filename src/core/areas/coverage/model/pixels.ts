import type { Built } from '../../../build/build';
import type { Frame } from '../../../kit/types';
import { framingSqueeze } from '../../../build/circle';
import { frameOnChip } from '../../../optics/coverage';

export interface FramePixels {
  /** Recorded pixels inside the frame. */
  w: number;
  h: number;
  /** Width after desqueeze, height kept. */
  desqueezedW: number;
}

/**
 * Pixels that a delivery frame takes from a mode; null when a number is missing. Frame lines are
 * laid out in pixels, so the size of the chip in mm has no part in it.
 */
export function framePixels(built: Built, frame: Frame): FramePixels | null {
  const { mode } = built;
  if (!mode?.pxW || !mode.pxH || !built.squeeze.known) return null;
  const s = framingSqueeze(built);
  const r = frameOnChip({ ...frame, x: 0, y: 0 }, { w: mode.pxW, h: mode.pxH }, s);
  return { w: r.w, h: r.h, desqueezedW: r.w * s };
}
