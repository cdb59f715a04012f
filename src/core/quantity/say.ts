/**
 * Numbers as they are said: one place, so that a sentence, a dimension line and a report never
 * round the same number in two ways.
 */

import type { Known } from './quantity';

const MINUS = '\u2212';

function fixed(x: number, digits: number): string {
  const s = Math.abs(x).toFixed(digits);
  return x < 0 && Number(s) !== 0 ? MINUS + s : s;
}

/** Decimals that a length of this size is said with. */
function lengthDigits(x: number): number {
  return Math.abs(x) < 1 ? 2 : 1;
}

/** `0.34 mm`, `31.5 mm`; with `digits` to force the decimals. */
export function mm(x: number, digits = lengthDigits(x)): string {
  return `${fixed(x, digits)} mm`;
}

/** A number with its sign always shown. */
export function signed(x: number, digits = lengthDigits(x)): string {
  const s = fixed(x, digits);
  return x > 0 && Number(s) !== 0 ? `+${s}` : s;
}

/** A plain number, trailing zeros dropped up to `digits` decimals. */
export function plain(x: number, digits = 2): string {
  if (!Number.isFinite(x)) return x > 0 ? 'infinity' : `${MINUS}infinity`;
  const s = fixed(x, digits);
  return s.includes('.') ? s.replace(/\.?0+$/, '') : s;
}

/** A number with a fixed count of decimals and a true minus sign. */
export function exact(x: number, digits: number): string {
  return Number.isFinite(x) ? fixed(x, digits) : x > 0 ? 'infinity' : `${MINUS}infinity`;
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
  if (unit === 'mm') return mm(x);
  const n = exact(x, DIGITS[unit] ?? 2);
  switch (unit) {
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
      return `${n} ${unit}`;
  }
}

/** An interval with its unit: `-0.8 to +0.2 mm`. */
export function sayRange(lo: number, hi: number, unit: string): string {
  const digits =
    unit === 'mm' ? (Math.max(Math.abs(lo), Math.abs(hi)) < 1 ? 2 : 1) : (DIGITS[unit] ?? 2);
  return `${signed(lo, digits)} to ${signed(hi, digits)}${unit ? ` ${unit}` : ''}`;
}

/** A length in metres for distances people walk off: `2.5 m`. */
export function metres(mmValue: number): string {
  return Number.isFinite(mmValue) ? `${exact(mmValue / 1000, 2)} m` : 'infinity';
}

/** A count with its word: `1 part`, `3 parts`. */
export function howMany(n: number, one: string, many = `${one}s`): string {
  return `${n} ${n === 1 ? one : many}`;
}

/** A number with what it can be off by: `812 \u00b125`, a guess with its sign `~`; `?` for none. */
export function withTolerance(q: Known | null, digits: number, times = 1): string {
  if (!q) return '?';
  const tol = q.tol > 0 ? ` \u00b1${exact(q.tol * times, digits)}` : '';
  return `${q.from === 'guess' ? '~' : ''}${exact(q.value * times, digits)}${tol}`;
}
