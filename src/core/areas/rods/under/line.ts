import { constant } from '../../../build/given';
import { lin, of, plus, times, ZERO, type Lin } from '../../../build/lin';
import { pieceKey } from '../../../place/piece';
import { dropOf, type PlacedRod, type Setting } from '../../../place/setting';

/** What a clamp closes on: the rods of the plate, or a single rod that it names. */
export interface Line {
  /** Height of its middle. */
  y: Lin;
  /** Middle between its two rods, or of the one. */
  x: Lin;
  /** Between the two; 0 for one rod. */
  centres: number;
  rod: number;
  /** The single rod; null for the rods of the plate. */
  single: PlacedRod | null;
  /** Pieces that it goes around. */
  pieces: readonly string[];
}

/** What a use that is not on the rig any more, or that is no rod, is clamped to, as a missing number. */
const NO_ROD = constant('which rod it is on', 'mm', null);
/** A rod that runs across the lens takes nothing that turns its rings or holds it up. */
const ACROSS = constant('rod that runs along the lens', 'mm', null);

/**
 * What something is clamped to.
 *
 * @param on id of the fitted part that is a single rod; the rods of the plate when absent
 */
export function lineOf(s: Setting, on: string | undefined): Line {
  const { system } = s;
  const rod = system?.rod ?? 15;
  if (on === undefined)
    return {
      x: ZERO,
      y: times(dropOf(s), -1),
      centres: system?.centres ?? 60,
      rod,
      single: null,
      pieces: s.rods.map((r) => pieceKey('rods', r.use.id)),
    };
  const single = s.single.find((r) => r.use === on) ?? null;
  if (!single)
    return { x: ZERO, y: plus(lin(-85), of(NO_ROD)), centres: 0, rod, single: null, pieces: [] };
  return {
    x: single.x,
    y: single.along ? single.y : plus(single.y, of(ACROSS)),
    centres: 0,
    rod: single.diameter.known?.value ?? s.standIns.get(single.diameter) ?? rod,
    single,
    pieces: [single.key],
  };
}
