import { parseLength } from '../quantity/parse';
import { tidyUnit, unitOf } from '../quantity/units';
import type { QuantityInput, Source } from '../quantity/quantity';

/**
 * Amounts as they stand in the cells of lists: with any unit of their sort behind them, decimal
 * point or comma, thousands parted by anything.
 */

/** Whether decimals are behind a comma: told by figures that can be read in one way only. */
export function decimalComma(cells: readonly string[]): boolean | null {
  let [comma, point] = [0, 0];
  for (const c of cells) {
    for (const m of c.matchAll(/\d([.,])(\d+)(?![\d.,])/g)) {
      if (m[2]!.length === 3) continue;
      if (m[1] === ',') comma++;
      else point++;
    }
    // Both marks in one figure: the last parts the decimals.
    const both = /\d([.,])\d{3}([.,])\d+/.exec(c);
    if (both && both[1] !== both[2]) {
      if (both[2] === ',') comma++;
      else point++;
    }
  }
  if (comma > 0 && point > 0) return null;
  return comma > 0 ? true : point > 0 ? false : null;
}

export const TWO_WAYS = 'reads in two ways: the mark before three digits may part thousands';

/**
 * A figure with its marks put right: thousands together, decimals behind a point.
 *
 * @param comma whether decimals are behind a comma; null when the list does not tell
 * @returns null when it reads in two ways
 */
export function plainFigure(text: string, comma: boolean | null): string | null {
  // Thousands parted by a space or a high comma.
  let t = text.replace(/(\d)[\u00a0\u202f '\u2019](?=\d{3}(?!\d))/g, '$1');
  const points = (t.match(/\./g) ?? []).length;
  const commas = (t.match(/,/g) ?? []).length;
  if (points > 0 && commas > 0) {
    const last = t.lastIndexOf(',') > t.lastIndexOf('.') ? ',' : '.';
    t = t.split(last === ',' ? '.' : ',').join('');
    return t.replace(',', '.');
  }
  if (points + commas > 1) return t.replace(/[.,]/g, '');
  if (points + commas === 0) return t;
  if (/(^|[^\d])[1-9]\d{0,2}[.,]\d{3}(?!\d)/.test(t)) {
    if (comma === null) return null;
    const decimal = comma ? ',' : '.';
    return t.includes(decimal) ? t.replace(',', '.') : t.replace(/[.,]/, '');
  }
  return t.replace(',', '.');
}

export type Amount =
  { ok: true; value: number; tol?: number; from?: Source } | { ok: false; why: string };

const NUMBER = /^([+-]?(?:\d+(?:\.\d+)?|\.\d+)(?:e[+-]?\d+)?)\s*(.*)$/i;

/**
 * One amount of a cell.
 *
 * @param fieldUnit unit of the field it goes into
 * @param bare what one of a number without a unit is, in that unit: 25.4 under a column of inches
 */
export function readAmount(
  text: string,
  fieldUnit: string,
  bare = 1,
  comma: boolean | null = null,
): Amount {
  let t = text.trim();
  let from: Source | undefined;
  const guess = /^(?:~|ca\.?|c\.|circa|approx\.?|about)\s*/i.exec(t);
  if (guess) {
    from = 'guess';
    t = t.slice(guess[0].length);
  }
  if (/\?$/.test(t)) {
    from = 'guess';
    t = t.slice(0, -1).trim();
  }
  const [first, second, more] = t.split(/\s*(?:\u00b1|\+\s*\/?\s*-)\s*/);
  if (more !== undefined || first === undefined) return { ok: false, why: 'is not one number' };
  const value = one(first, fieldUnit, bare, comma);
  if (!value.ok) return value;
  const out = { ok: true as const, value: value.value, ...(from ? { from } : {}) };
  if (second === undefined) return out;
  // A tolerance without a unit is in that of its value.
  const tol = one(second, fieldUnit, value.unit, comma);
  if (!tol.ok || tol.value < 0) return { ok: false, why: 'has a tolerance that is not a number' };
  return { ...out, tol: tol.value };
}

type One = { ok: true; value: number; unit: number } | { ok: false; why: string };

function one(raw: string, fieldUnit: string, bare: number, comma: boolean | null): One {
  const text = raw.trim().replace(/^[tf]\s*\/?\s*(?=[\d.,])/i, '');
  const figure = plainFigure(text, comma);
  if (figure === null) return { ok: false, why: TWO_WAYS };
  if (fieldUnit === 'mm' && /\d\s*\/\s*\d|['\u2019\u2032]\s*\d/.test(figure)) {
    const r = parseLength(figure, bare);
    return r.ok
      ? { ok: true, value: tidy(r.value), unit: /["\u201d\u2033]|in/i.test(figure) ? 25.4 : bare }
      : { ok: false, why: 'is not a length' };
  }
  const pounds = /^([\d.]+)\s*(?:lbs?|pounds?)\s+([\d.]+)\s*(?:oz|ounces?)$/i.exec(figure);
  if (fieldUnit === 'g' && pounds)
    return {
      ok: true,
      value: tidy(Number(pounds[1]) * 453.59237 + Number(pounds[2]) * 28.349523125),
      unit: 1,
    };
  const m = NUMBER.exec(figure);
  const n = m ? Number(m[1]) : NaN;
  if (!m || !Number.isFinite(n)) return { ok: false, why: 'is not a number' };
  if (m[2] === '') return { ok: true, value: tidy(n * bare), unit: bare };
  const unit = unitOf(m[2]!, fieldUnit) ?? (tidyUnit(m[2]!) === fieldUnit.toLowerCase() ? 1 : null);
  return unit === null
    ? {
        ok: false,
        why: `has a unit that ${fieldUnit || 'a bare number'} cannot be read from: "${m[2]!.slice(0, 12)}"`,
      }
    : { ok: true, value: tidy(n * unit), unit };
}

/** To the millionth: nothing that is measured is finer, and files stay readable. */
const tidy = (v: number) => Math.round(v * 1e6) / 1e6;

/** As it is kept: a bare number counts as the maker's. */
export function kept(a: Extract<Amount, { ok: true }>): QuantityInput {
  return a.tol === undefined && a.from === undefined
    ? a.value
    : {
        value: a.value,
        ...(a.tol === undefined ? {} : { tol: a.tol }),
        ...(a.from ? { from: a.from } : {}),
      };
}
