import { parseQuantity, type Parsed } from './parse';
import { known, type Quantity, type QuantityInput, type ToleranceClass } from './quantity';
import { plain } from './say';
import { shownUnit, type ShownUnit } from './shown';

/** Numbers as they stand in a field on this device, and as they are typed into it. */

/**
 * What the trade has in millimetres everywhere: chips, image circles, flanges, pupils, focal lengths,
 * and what is exact by its name (threads, the module of a gear).
 */
const OPTICS: ReadonlySet<ToleranceClass> = new Set([
  'flange',
  'circle',
  'chip',
  'pupil',
  'focal',
  'exact',
]);

/** The unit a field is read and typed in on this device. */
export function fieldUnit(unit: string, cls: ToleranceClass): ShownUnit {
  return unit === 'mm' && OPTICS.has(cls) ? { unit, per: 1, more: 0 } : shownUnit(unit);
}

/** Decimals that a number in a field has at most. */
const DIGITS = 4;

/**
 * A quantity as it is typed back into its field: `31.6 \u00b10.8`, `1.2441 \u00b10.0315`.
 *
 * @param marks a guess has its sign `~`, where no word beside it says so
 */
export function typedText(
  q: QuantityInput | undefined,
  cls: ToleranceClass,
  unit: string,
  marks = false,
): string {
  const k = known(q, cls);
  if (!k) return '';
  const { per } = fieldUnit(unit, cls);
  const given = typeof q === 'object' && q.tol !== undefined;
  const guess = marks && k.from === 'guess' ? '~' : '';
  const value = plain(k.value * per, DIGITS).replace('\u2212', '-');
  return `${guess}${value}${given ? ` \u00b1${plain(k.tol * per, DIGITS)}` : ''}`;
}

/** Reads what was typed into a field: without a unit it is in the one that is shown. */
export function readTyped(text: string, unit: string, cls: ToleranceClass): Parsed<Quantity> {
  return parseQuantity(text, unit, 1 / fieldUnit(unit, cls).per);
}

/** A bound of a field as it is said: `1181.102 in`. */
export function boundText(x: number, unit: string, cls: ToleranceClass): string {
  return plain(x * fieldUnit(unit, cls).per, 3);
}
