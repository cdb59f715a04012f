import { sayIn, unitsFrom, unitsText, type Units } from '@/core/quantity/shown';

const KEY = 'nelvix.units';

/** The units this device shows numbers in; metric until somebody chose. */
function unitsHere(): Units {
  try {
    return unitsFrom(localStorage.getItem(KEY));
  } catch {
    // A browser that keeps nothing shows what was not chosen.
    return unitsFrom(null);
  }
}

/** Numbers are said in this device's units from here on: before the first of them is. */
export function sayInUnitsHere(): void {
  sayIn(unitsHere());
}

/**
 * Keeps what was chosen. Sentences that were made before stay in the old units, here and in the
 * workers: the page begins anew.
 *
 * @returns whether it could be kept
 */
export function chooseUnits(units: Units): boolean {
  try {
    localStorage.setItem(KEY, unitsText(units));
    return true;
  } catch {
    return false;
  }
}
