import type { Quantity, Source } from './quantity';
import { unitOf } from './units';

export type Parsed<T> = { ok: true; value: T } | { ok: false; sentence: string };

const MM_PER_INCH = 25.4;

/** Units that people write behind a length, in mm. */
const LENGTH_UNIT: Record<string, number> = {
  mm: 1,
  cm: 10,
  m: 1000,
  in: MM_PER_INCH,
  inch: MM_PER_INCH,
  inches: MM_PER_INCH,
  '"': MM_PER_INCH,
  '”': MM_PER_INCH,
  '″': MM_PER_INCH,
  ft: 304.8,
  "'": 304.8,
  '’': 304.8,
  '′': 304.8,
};

const SOURCE_WORD: Record<string, Source> = {
  measured: 'measured',
  calipers: 'measured',
  sheet: 'sheet',
  maker: 'sheet',
  guess: 'guess',
};

const NUMBER = String.raw`[+-]?(?:\d+(?:[.,]\d+)?|[.,]\d+)`;
const FRACTION = String.raw`(?:[+-]?\d+[ -])?\d+\s*/\s*\d+`;
const UNIT = String.raw`mm|cm|inches|inch|in|ft|m|"|”|″|'|’|′`;
const LENGTH = new RegExp(String.raw`^(${FRACTION}|${NUMBER})\s*(${UNIT})?$`, 'i');
const FEET_INCHES = new RegExp(
  String.raw`^(\d+)\s*(?:ft|'|’|′)\s*(${FRACTION}|${NUMBER})\s*(?:in|"|”|″)?$`,
  'i',
);
const PLUS_MINUS = /\s*(?:\+\s*\/?\s*-|±)\s*/;

function plainNumber(text: string): number | null {
  const fraction = /^(?:([+-]?\d+)[ -])?(\d+)\s*\/\s*(\d+)$/.exec(text.trim());
  if (fraction) {
    const whole = fraction[1] ? Number(fraction[1]) : 0;
    const below = Number(fraction[3]);
    if (below === 0) return null;
    const part = Number(fraction[2]) / below;
    return whole < 0 ? whole - part : whole + part;
  }
  const n = Number(text.trim().replace(',', '.'));
  return Number.isFinite(n) ? n : null;
}

/**
 * Reads a length as people type it: `77.2`, `77,2`, `3 1/32"`, `3-1/32 in`, `7.7 cm`, `5'6"`.
 *
 * @param text what was typed
 * @param bare unit of a number without one, in mm (1: millimetres; 25.4: inches)
 * @returns millimetres, or a sentence
 */
export function parseLength(text: string, bare = 1): Parsed<number> {
  const t = text.trim();
  const feet = FEET_INCHES.exec(t);
  if (feet) {
    const inches = plainNumber(feet[2]!);
    if (inches !== null) return { ok: true, value: Number(feet[1]) * 304.8 + inches * MM_PER_INCH };
  }
  const m = LENGTH.exec(t);
  const n = m ? plainNumber(m[1]!) : null;
  if (!m || n === null)
    return {
      ok: false,
      sentence: `"${shorten(t)}" is not a length. Expected something like 77.2, 77.2 mm or 3 1/32".`,
    };
  const unit = m[2] ? LENGTH_UNIT[m[2].toLowerCase()]! : bare;
  return { ok: true, value: n * unit };
}

/**
 * Reads a quantity as people type it: a value, an optional tolerance behind `+-`, `+/-` or `±`,
 * and an optional word for where it is from (`measured`, `sheet`, `guess`); a leading `~` or a
 * trailing `?` means a guess.
 *
 * `77.2`, `77.2+-0.1`, `77.2 ± 0.1 measured`, `3 1/32"`, `~120`, `0.71`
 *
 * @param text what was typed
 * @param unit of what is asked for; any unit of its sort is understood
 * @param bare what one of a number without a unit is, in `unit`
 */
export function parseQuantity(text: string, unit: string, bare = 1): Parsed<Quantity> {
  let t = text.trim();
  let from: Source | undefined;
  const word = /\s+([a-z]+)$/i.exec(t);
  if (word && SOURCE_WORD[word[1]!.toLowerCase()]) {
    from = SOURCE_WORD[word[1]!.toLowerCase()];
    t = t.slice(0, word.index).trim();
  }
  if (t.startsWith('~')) {
    from ??= 'guess';
    t = t.slice(1).trim();
  } else if (t.endsWith('?')) {
    from ??= 'guess';
    t = t.slice(0, -1).trim();
  }
  const parts = t.split(PLUS_MINUS);
  if (t === '' || parts.length > 2)
    return {
      ok: false,
      sentence: `"${shorten(text)}" is not a number. Expected something like 77.2 or 77.2+-0.1.`,
    };
  const inches = /(?:in|inch|inches|"|”|″)\s*$/i;
  // A tolerance without a unit is in the unit of its value when that value has one: 3 1/32" +- 1/64.
  const first = readOne(parts[0]!, unit, bare);
  if (!first.ok) return first;
  const q: Quantity = { value: first.value };
  if (parts.length === 2) {
    const given = factorOf(parts[0]!, unit);
    const metric = given === null ? null : 1;
    const own = unit !== 'mm' ? given : inches.test(parts[0]!) ? MM_PER_INCH : metric;
    const tol = readOne(parts[1]!, unit, own ?? bare);
    if (!tol.ok) return tol;
    if (tol.value < 0)
      return { ok: false, sentence: `A tolerance cannot be negative: "${shorten(parts[1]!)}".` };
    q.tol = tol.value;
  }
  if (from) q.from = from;
  return { ok: true, value: q };
}

function readOne(text: string, unit: string, bare = 1): Parsed<number> {
  if (unit === 'mm') {
    const r = parseLength(text, bare);
    return r.ok ? { ok: true, value: round(r.value) } : r;
  }
  const bareText = text.trim().replace(/^(?:[tf]\s*\/?\s*)(?=\d)/i, '');
  const m = /^([+-]?(?:\d+(?:[.,]\d+)?|[.,]\d+)|\d+\s*\/\s*\d+)\s*(.*)$/.exec(bareText);
  // Any unit of its sort is understood: 1.2 kg, 5 lb, 2 lbf in.
  const factor = m ? (m[2] === '' ? bare : unitOf(m[2]!, unit)) : null;
  const n = m ? plainNumber(m[1]!) : null;
  return n === null || factor === null
    ? {
        ok: false,
        sentence: `"${shorten(text.trim())}" is not a number${m && m[2] !== '' ? ` in ${unit || 'no unit'}` : ''}. Expected something like ${EXAMPLE[unit] ?? '0.71 or 0.71+-0.01'}.`,
      }
    : { ok: true, value: round(n * factor) };
}

/** What one of the unit is that stands behind a number; 1 where none does. */
function factorOf(text: string, unit: string): number | null {
  const word = /[\d.,]\s*([^\d.,\s].*)$/.exec(text.trim())?.[1];
  return word === undefined ? null : unitOf(word, unit);
}

/** What one would type, by the unit of the field. */
const EXAMPLE: Readonly<Record<string, string>> = {
  g: '820, 1.2 kg or 2 lb',
  'N m': '0.35 or 3 lbf in',
  deg: '270',
};

/** Inches to the micron: no caliper reads finer, and files stay readable. */
function round(mm: number): number {
  return Math.round(mm * 1e6) / 1e6;
}

function shorten(text: string): string {
  return text.length > 40 ? `${text.slice(0, 40)}...` : text;
}
