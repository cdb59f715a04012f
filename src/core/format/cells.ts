import Papa from 'papaparse';

/** What a spreadsheet would take for the beginning of a formula, or of its own quoting. */
const RISKY = /^['=+\-@\t\r]/;
/** A number is no formula, however it is signed. */
const NUMBER = /^[+-]?\d+(\.\d+)?(e[+-]?\d+)?$/i;

/** A cell as it goes into a CSV: what a spreadsheet would run is text behind a quote. */
export function guarded(text: string): string {
  return RISKY.test(text) && !NUMBER.test(text) ? `'${text}` : text;
}

/** Takes off the quote that {@link guarded} puts on, and nothing else. */
export function unguarded(text: string): string {
  return text.startsWith("'") && RISKY.test(text.slice(1)) ? text.slice(1) : text;
}

/** Rows as CSV, every text guarded; the one way that files of ours are written. */
export function csvText(
  header: readonly string[],
  rows: readonly (readonly (string | number | null)[])[],
): string {
  const cell = (x: string | number | null) => (typeof x === 'string' ? guarded(x) : x);
  return Papa.unparse(
    { fields: header.map(guarded), data: rows.map((r) => r.map(cell)) },
    { newline: '\n' },
  );
}

/**
 * Whether a figure can be read in two ways: `1.180` is 1.18 to some and one thousand one hundred and
 * eighty to others, and a list does not say which. Behind a leading zero there is only one way.
 */
export function readsTwoWays(text: string): boolean {
  return /(^|[^\d.,])[1-9]\d{0,2}([.,]\d{3})+(?![\d.,])/.test(text);
}
