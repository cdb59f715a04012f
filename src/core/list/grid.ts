import Papa from 'papaparse';

import { columns, CARRIED, kindOfHeader } from '../format/csv-columns';
import { KINDS } from '../kit/fields';

/** A list as a table of texts, before anybody asks what is in it. */
export interface ListGrid {
  grid: string[][];
  /** What is to be known about how it was read; empty where it was read as it is. */
  notes: string[];
}

/** Text of a file in the letters it was written with: UTF-8, else the one spreadsheets save in. */
export function textOf(bytes: Uint8Array): { text: string; note: string | null } {
  try {
    return { text: new TextDecoder('utf-8', { fatal: true }).decode(bytes), note: null };
  } catch {
    return {
      text: new TextDecoder('windows-1252').decode(bytes),
      note: 'It is not UTF-8: it was read as Windows-1252. Look at letters with accents.',
    };
  }
}

/** A list with commas, semicolons, tabs or bars; which of them, is found. */
export function gridOfText(bytes: Uint8Array): ListGrid {
  const { text, note } = textOf(bytes);
  const read = Papa.parse<string[]>(text.replace(/^\ufeff/, ''), {
    delimitersToGuess: [';', ',', '\t', '|'],
  });
  const broken = read.errors.filter((e) => e.type === 'Quotes').slice(0, 3);
  return {
    grid: read.data,
    notes: [
      ...(note ? [note] : []),
      ...broken.map((e) => `Line ${(e.row ?? 0) + 1} has a quotation mark that is never closed.`),
    ],
  };
}

/** A cell of a workbook as text: numbers with a point, dates as days. */
function cellText(v: unknown): string {
  if (v === null || v === undefined) return '';
  if (v instanceof Date) return Number.isNaN(v.getTime()) ? '' : v.toISOString().slice(0, 10);
  if (typeof v === 'boolean') return v ? 'yes' : 'no';
  return typeof v === 'number' || typeof v === 'string' ? String(v) : '';
}

/** The first sheet of a workbook with anything on it; the others are named. */
export function gridOfSheets(
  sheets: readonly { sheet: string; data: readonly (readonly unknown[])[] }[],
): ListGrid {
  const full = sheets.filter((s) => s.data.some((r) => r.some((c) => cellText(c).trim() !== '')));
  const first = full[0];
  const rest = full.slice(1).map((s) => s.sheet);
  return {
    grid: (first?.data ?? []).map((r) => r.map(cellText)),
    notes:
      rest.length === 0
        ? []
        : [
            `Read from the sheet ${first!.sheet}; not from ${rest.join(', ')}: save those as lists of their own.`,
          ],
  };
}

/** Whether a list has the columns that Nelvix writes itself: then nothing has to be guessed. */
export function isOwnList(grid: readonly (readonly string[])[]): boolean {
  const header = (grid[0] ?? []).map((h) => h.trim().toLowerCase());
  const known = new Set(['kind', ...KINDS.flatMap((k) => columns(k))]);
  const own = header.every((h) => known.has(h) || h.startsWith(CARRIED));
  return header.length > 1 && own && (header.includes('kind') || kindOfHeader(header) !== null);
}
