import { say } from '../../../quantity/say';
import { type Built } from '../../../build/build';
import { focalRange } from '../../../build/lens';
import { given } from '../../../build/given';
import { fieldOfView } from '../../../optics/field';
import { framingSqueeze } from '../../../build/circle';
import type { Lens } from '../../../kit/types';
import { valueOf } from '../../../quantity/quantity';

/** Field across the picture, degrees: along the chip, or across it while the camera is upright. */
export function horizontalField(built: Built): number | null {
  const f = built.focal.known?.value;
  const { body, mode } = built;
  if (!f || !body || !mode) return null;
  const { upright } = built.rig;
  const w = given(body, 'modes', mode.id, upright ? 'h' : 'w').known?.value;
  if (w === undefined) return null;
  let m = 1;
  for (const g of built.magnifications) {
    if (!g.known) return null;
    m *= g.known.value;
  }
  // A squeeze acts along the chip.
  return fieldOfView(upright ? w : w * framingSqueeze(built), f * m);
}

export function sameSqueeze(a: Lens, b: Lens | null): boolean {
  return !b || Math.abs((valueOf(a.squeeze) ?? 1) - (valueOf(b.squeeze) ?? 1)) < 0.01;
}

/** What runs across the picture: a side of the chip, and whether a squeeze acts along it. */
export interface Across {
  mm: number;
  squeezed: boolean;
}

/** The side of the mode that runs across the picture as the camera lies; null without a mode. */
export function acrossOf({ mode, rig }: Built): Across | null {
  const mm = valueOf(rig.upright ? mode?.h : mode?.w);
  return mm === null ? null : { mm, squeezed: rig.upright === undefined };
}

/** How far a lens stays from a wanted field, degrees; a lens that does not say comes last. */
export function fieldOff(lens: Lens, across: Across, m: number, want: number): number {
  const field = lensField(lens, across, m, want);
  return field === null ? 180 : Math.abs(field - want);
}

/** The field nearest to `want` that a lens can give across a picture: a zoom is set where it comes nearest. */
function lensField(lens: Lens, { mm, squeezed }: Across, m: number, want: number): number | null {
  const range = focalRange(lens);
  if (!range) return null;
  const s = squeezed ? (valueOf(lens.squeeze) ?? 1) : 1;
  const wide = fieldOfView(mm * s, range.from * m);
  const long = fieldOfView(mm * s, range.to * m);
  return Math.min(wide, Math.max(long, want));
}

/** What a fix does to the picture, in words; null when the field stays. */
export function fieldCost(before: Built, after: Built): string | null {
  const a = horizontalField(before);
  const b = horizontalField(after);
  if (a === null || b === null || Math.abs(a - b) < 0.3) return null;
  return `the field ${b < a ? 'narrows' : 'widens'} from ${say(a, 'deg')} to ${say(b, 'deg')} across`;
}
