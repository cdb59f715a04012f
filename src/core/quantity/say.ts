/**
 * Numbers as they are said: one place, so that a sentence, a dimension line and a report never
 * round the same number in two ways.
 */

import { inMetric, shownUnit, withMark } from './shown';

const MINUS = '\u2212';

/** By figures alone, with a point: to be looked at, not said. */
function fixed(x: number, digits: number): string {
  const s = Math.abs(x).toFixed(digits);
  return x < 0 && Number(s) !== 0 ? MINUS + s : s;
}

/** Decimals that a length of this size is said with. */
function lengthDigits(x: number): number {
  return Math.abs(x) < 1 ? 2 : 1;
}

/** `0.34 mm`, `31.5 mm`; with `digits` to force the decimals. Always millimetres: for optics. */
export function mm(x: number, digits = lengthDigits(x)): string {
  return `${withMark(fixed(x, digits))} mm`;
}

/** A length as it is said on this device: `31.5 mm`, `1.24 in`; `digits` as they would be in mm. */
export function sayLength(x: number, digits = lengthDigits(x)): string {
  const { unit } = shownUnit('mm');
  return unit === 'mm' ? mm(x, digits) : `${bareLength(x, digits)} ${unit}`;
}

/** The same without its unit, beside others that have it. */
export function bareLength(x: number, digits = lengthDigits(x)): string {
  const { per, more } = shownUnit('mm');
  return exact(x * per, more === 0 ? digits : inchDigits(x * per, digits));
}

/** Decimals of an inch that tell as much as so many of a millimetre. */
const inchDigits = (inches: number, digits: number) =>
  digits === 0
    ? Math.abs(inches) < 9.95
      ? 2
      : 1
    : digits === 1
      ? Math.abs(inches) < 0.9995
        ? 3
        : 2
      : digits + 1;

/** A length in optics beside others: `19.25`, and with its unit where those others are not in mm. */
export function bareOptics(x: number, digits: number): string {
  return shownUnit('mm').unit === 'mm' ? exact(x, digits) : mm(x, digits);
}

/** A length as somebody set it: `120 mm`, `12.5 mm`, `4.724 in`, without zeros that say nothing. */
export function plainLength(x: number): string {
  const { unit, per, more } = shownUnit('mm');
  return `${plain(x * per, more === 0 ? 4 : 3)} ${unit}`;
}

/** A mass as it is said on this device: `540 g`, `1.19 lb`. */
export function sayMass(grams: number): string {
  return say(grams, 'g');
}

/** A number with its sign always shown. */
export function signed(x: number, digits = lengthDigits(x)): string {
  const s = fixed(x, digits);
  return withMark(x > 0 && Number(s) !== 0 ? `+${s}` : s);
}

/** A plain number, trailing zeros dropped up to `digits` decimals. */
export function plain(x: number, digits = 2): string {
  if (!Number.isFinite(x)) return x > 0 ? 'infinity' : `${MINUS}infinity`;
  const s = fixed(x, digits);
  return withMark(s.includes('.') ? s.replace(/\.?0+$/, '') : s);
}

/** A number with a fixed count of decimals and a true minus sign. */
export function exact(x: number, digits: number): string {
  return Number.isFinite(x) ? withMark(fixed(x, digits)) : x > 0 ? 'infinity' : `${MINUS}infinity`;
}

const DIGITS: Record<string, number> = {
  deg: 1,
  stops: 2,
  x: 2,
  '%': 1,
  px: 0,
  joints: 0,
  um: 2,
  m: 2,
  T: 2,
  f: 2,
  g: 0,
  'N m': 2,
  V: 1,
  W: 1,
  teeth: 0,
};

/** A number with its unit, in the decimals that unit is read with. */
export function say(x: number, unit: string): string {
  if (unit === 'mm') return sayLength(x);
  const shown = shownUnit(unit);
  const n = exact(x * shown.per, (DIGITS[unit] ?? 2) + shown.more);
  switch (shown.unit) {
    case 'deg':
      return `${n}\u00b0`;
    case '%':
      return `${n} %`;
    case 'x':
      return `${n}\u00d7`;
    case 'um':
      return `${n} \u00b5m`;
    case 'T':
      return `T${plain(x, 2)}`;
    case 'f':
      return `f/${plain(x, 2)}`;
    case '':
      return n;
    default:
      return `${n} ${shown.unit}`;
  }
}

/** An interval with its unit: `-0.8 to +0.2 mm`. */
export function sayRange(lo: number, hi: number, unit: string): string {
  const shown = shownUnit(unit);
  const most = Math.max(Math.abs(lo), Math.abs(hi));
  const metric = unit === 'mm' ? lengthDigits(most) : (DIGITS[unit] ?? 2);
  const digits =
    unit === 'mm' && shown.more > 0 ? inchDigits(most * shown.per, metric) : metric + shown.more;
  const ends = [lo, hi].map((x) => signed(x * shown.per, digits));
  return `${ends[0]} to ${ends[1]}${unit ? ` ${shown.unit}` : ''}`;
}

/** An interval of lengths in optics: always millimetres. */
export const rangeMm = (lo: number, hi: number) => inMetric(() => sayRange(lo, hi, 'mm'));

/** A length for distances people walk off: `2.5 m`, `8.20 ft`. */
export function metres(mmValue: number): string {
  return Number.isFinite(mmValue) ? say(mmValue / 1000, 'm') : 'infinity';
}

/** A count with its word: `1 part`, `3 parts`. */
export function howMany(n: number, one: string, many = `${one}s`): string {
  return `${n} ${n === 1 ? one : many}`;
}
