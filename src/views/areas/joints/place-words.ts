import type { State } from '@/core/checks/finding';
import type { TriedPlace } from '@/core/solve/places';

/** The worst that a place brings. */
export function stateOf({ more }: TriedPlace): State {
  return more.fail > 0 ? 'fail' : more.unknown > 0 ? 'unknown' : more.tight > 0 ? 'tight' : 'ok';
}
