import { METRIC, sayIn, unitsFrom, unitsText, type Units } from '@/core/quantity/shown';

const KEY = 'nelvix.units';

/** The units this device shows numbers in; metric, with the mark of its language, until somebody chose. */
function unitsHere(): Units {
  const decimal = (0.5).toLocaleString().includes(',') ? 'comma' : 'point';
  const usual: Units = { ...METRIC, decimal };
  try {
    return unitsFrom(localStorage.getItem(KEY), usual);
  } catch {
    // A browser that keeps nothing shows what was not chosen.
    return usual;
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
