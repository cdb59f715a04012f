import { constant } from '../build/given';
import { lin, of, plus, ZERO, type Lin } from '../build/lin';
import type { Built } from '../build/build';
import { isBox } from '../kit/types';
import type { PlacedRod } from './setting';

/** What the matte box stands on where that is a single rod. */
export interface UnderBox {
  /** Height of the middle of the rod over the axis, and how far beside it that is. */
  y: Lin;
  x: Lin;
  /** Its diameter, mm. */
  rod: number;
  /** Null for a use that is not on the rig any more, or that is no rod. */
  single: PlacedRod | null;
  /** A sum as it stands, mm. */
  value: (l: Lin) => number;
}

type Finder = (built: Built, on: string) => UnderBox;

/**
 * Told by what lays the camera out (`areas/space/place/camera`), which stands above the front: the
 * front has no way to it, and the first picture does without it.
 */
let finder: Finder | null = null;

export function findUnderBox(by: Finder): void {
  finder = by;
}

/** What the rod is at before there is anybody to look for it. */
const NOT_LOOKED = constant('where the rod runs', 'mm', null);

/**
 * The single rod that the matte box stands on.
 *
 * @returns null for a box that is on the rods of the plate, or on no rods; one whose height is a
 *   missing number where the rod is not there, or where nobody can look for it yet
 */
export function underBox(built: Built): UnderBox | null {
  const { box } = built.rig;
  const part = box ? built.kit.get(box.part) : null;
  if (box?.on === undefined || !isBox(part) || part.attach !== 'rods') return null;
  return finder
    ? finder(built, box.on)
    : {
        y: plus(lin(-85), of(NOT_LOOKED)),
        x: ZERO,
        rod: 15,
        single: null,
        value: () => -85,
      };
}
