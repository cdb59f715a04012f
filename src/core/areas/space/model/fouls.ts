import type { Stand } from '../../../stand/stand';
import { nearest, type Near } from './clearance';

/** A pair that would have to stand in the same place, with the key of the finding that says so. */
export interface FoulPair extends Near {
  key: string;
}

/** Every pair that fouls, as the checks of the rig found them; deepest first. */
export function foulsOf(stand: Stand): FoulPair[] {
  return [...nearest(stand)].filter((f) => f.d < -0.01).sort((a, b) => a.d - b.d);
}
