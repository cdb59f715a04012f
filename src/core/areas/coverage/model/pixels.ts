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
  /** Desqueezed, as the picture stands: `4096 x 2160`. */
  says: string;
}

/** Width by height as a picture stands: what runs along the chip is its height upright. */
export function asItStands(built: Built, w: number, h: number): string {
  const [a, b] = built.rig.upright === undefined ? [w, h] : [h, w];
  return `${Math.floor(a)} x ${Math.floor(b)}`;
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
  return { w: r.w, h: r.h, desqueezedW: r.w * s, says: asItStands(built, r.w * s, r.h) };
}
