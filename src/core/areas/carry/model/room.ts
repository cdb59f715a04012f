import type { Built } from '../../../build/build';
import type { Lin } from '../../../build/lin';
import { standOf } from '../../../stand/stand';
import { axisHeight, topOf } from './heights';
import { endsOf, facesOf, waysOf } from './hold';

/** The room that a rig is held in, from the floor up, mm: what is drawn where heights are typed. */
export interface Room {
  /** The optical axis at its lowest and at its highest, and what it comes from; null while not known. */
  axis: { from: number; to: number; by: string } | null;
  /** What stands highest, and how far over the axis; null without anything on the rig, or unknown. */
  top: { name: string; over: number } | null;
  /** How far the rig hangs below its axis as it is drawn. */
  under: number;
  eyes: number | null;
  ceiling: number | null;
  /** Air under the ceiling with the axis at its lowest; null while not known. */
  air: number | null;
  /** Floor to the highest thing there is a number for. */
  tall: number;
}

/** A room that nobody said anything of is drawn as high as a person stands, mm. */
const PERSON = 1800;

/**
 * Heights over the floor of a rig, of the eyes it looks at, of the ceiling over it: what is known of
 * them, as it stands; see {@link axisHeight} and {@link topOf}.
 */
export function roomOf(built: Built): Room {
  const stand = standOf(built);
  const sure = (l: Lin) => l.terms.every((t) => t.g.known !== null);
  const { eyes = null, ceiling = null } = built.rig.carry ?? {};
  const height = axisHeight(built);
  const axis =
    height && sure(height.lowest) && sure(height.highest)
      ? { from: stand.value(height.lowest), to: stand.value(height.highest), by: height.by }
      : null;
  const highest = topOf(built);
  const top =
    highest && sure(highest.over) ? { name: highest.name, over: stand.value(highest.over) } : null;
  const { up } = waysOf(built.rig.upright);
  const lows = stand.pieces
    .filter((p) => p.solids.some((s) => !s.moving))
    .map((p) => {
      const [lo, hi] = endsOf(facesOf(p), up.k);
      return up.sign === 1 ? -stand.value(lo) : stand.value(hi);
    });
  return {
    axis,
    top,
    under: Math.max(0, ...lows),
    eyes,
    ceiling,
    air: ceiling !== null && axis && top ? ceiling - axis.from - top.over : null,
    tall: Math.max(PERSON / 2, eyes ?? 0, ceiling ?? 0, axis ? axis.to + (top?.over ?? 0) : PERSON),
  };
}
