import type { State } from '@/core/checks/finding';
import type { TriedPlace } from '@/core/solve/places';

/** The worst that a place brings. */
export function stateOf({ more }: Pick<TriedPlace, 'more'>): State {
  return more.fail > 0 ? 'fail' : more.unknown > 0 ? 'unknown' : more.tight > 0 ? 'tight' : 'ok';
}

/** How many parts of the kit would go somewhere. */
export const partsWords = (n: number) =>
  n === 0 ? 'nothing in the kit goes there' : n === 1 ? '1 part goes there' : `${n} parts go there`;
