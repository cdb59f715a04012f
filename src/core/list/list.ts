import { joiOf } from '../format/joi';
import { shapeOfPart } from '../format/shape';
import { FIELDS, isKind, KIND_NAME, type Field, type Kind } from '../kit/fields';
import type { Part } from '../kit/types';
import { COMMON } from '../engine/field';
import { newNamedId } from '../engine/ids';
import {
  bareUnit,
  cellField,
  commonColumn,
  kindInName,
  kindOfCell,
  matchColumns,
  normal,
} from './match';
import { decimalComma } from './amount';
import { readCell, type NamedMount } from './cell';
import { SIZES, sizes } from './sizes';

/** What of a list goes where, as it was found or chosen. */
export interface Matching {
  /** Column of the kind, of the name, of three sizes in one; null for none. */
  kind: number | null;
  name: number | null;
  size: number | null;
  /** Fields by column, kind by kind. */
  fields: Readonly<Partial<Record<Kind, Readonly<Record<number, string>>>>>;
  /** Kind of lines that do not say theirs. */
  whole: Kind | null;
  /** Decimals are behind a comma; null when the list does not tell. */
  comma: boolean | null;
}

/** What somebody chose over what was found. */
export interface Chosen {
  /** By column: the key of a field, `kind`, `name`, `size`, or empty for not used. */
  columns?: Readonly<Record<number, string>>;
  whole?: Kind | null;
  comma?: boolean | null;
}

export interface ListCell {
  column: number;
  heading: string;
  /** What stood in it. */
  text: string;
  key: string;
  label: string;
  /** What it was read as; nothing while it was not understood. */
  read: string | null;
  /** What is wrong with it, in a sentence. */
  trouble: string | null;
  /** It is not taken, as what the part says of it was measured on the piece; nothing else. */
  stays?: true;
}

export interface ListRow {
  /** In the list, from 1. */
  line: number;
  kind: Kind | null;
  name: string;
  cells: readonly ListCell[];
  /** Null where it cannot be taken in: `trouble` says why. */
  part: Part | null;
  trouble: string | null;
  /** A part of the kit of the same kind and name: it would be changed. */
  same: Part | null;
}

export interface ListReading {
  headings: readonly string[];
  matching: Matching;
  rows: readonly ListRow[];
  /** Columns that go into nothing, by number. */
  unused: readonly number[];
  /** Kinds that are in it. */
  kinds: readonly Kind[];
  /** Lines after the last that is read: nothing of them is taken in. */
  beyond: number;
}

type Grid = readonly (readonly string[])[];

/** Parts of one list at most. */
export const MOST_LINES = 5000;

/**
 * The line that holds the headings: the first with two words or more and the most of them words.
 * Lists begin with a title, a date, an empty line.
 */
export function headingLine(grid: Grid): number {
  for (let i = 0; i < Math.min(grid.length, 20); i++) {
    const cells = (grid[i] ?? []).filter((c) => c.trim() !== '');
    const words = cells.filter((c) => /[a-z]/i.test(c) && !/^\d/.test(c.trim()));
    if (cells.length >= 2 && words.length >= cells.length * 0.6) return i;
  }
  return 0;
}

/**
 * A list as people keep them: any headings in any order, several kinds in one, units in the cells
 * or the headings. Nothing is taken in that was not understood, and nothing of it is lost on the
 * way: each cell is read, or marked with what is wrong, or its column is named as not used.
 *
 * @param kit what is there already: parts of the same kind and name are to be changed
 */
export function readList(
  grid: Grid,
  chosen: Chosen = {},
  mounts: readonly NamedMount[] = [],
  kit: readonly Part[] = [],
): ListReading {
  const at = headingLine(grid);
  const headings = (grid[at] ?? []).map((h) => h.trim());
  const lines = grid
    .slice(at + 1, at + 1 + MOST_LINES)
    .map((cells, i) => ({ cells, line: at + i + 2 }))
    .filter(({ cells }) => cells.some((c) => c.trim() !== ''))
    // Headings that are repeated on every page are no parts.
    .filter(({ cells }) => normal(cells.join(' ')) !== normal(headings.join(' ')));
  const own = chosen.columns ?? {};
  const placed = (word: string, found: number | null) => {
    const by = Object.entries(own).find(([, key]) => key === word);
    if (by) return Number(by[0]);
    return found !== null && own[found] !== undefined ? null : found;
  };
  const kindAt = placed(
    'kind',
    kindColumn(
      headings,
      lines.map((l) => l.cells),
    ),
  );
  const nameAt = placed('name', nameColumn(headings, kindAt));
  const sizeAt = placed(
    'size',
    sizeColumn(
      headings,
      lines.map((l) => l.cells),
    ),
  );
  const whole = chosen.whole ?? null;
  const kindOf = ({ cells }: { cells: readonly string[] }): Kind | null =>
    (kindAt === null ? null : kindOfCell(cells[kindAt] ?? '')) ??
    (nameAt === null ? null : kindInName(cells[nameAt] ?? '')) ??
    whole;
  const kinds = [...new Set(lines.map(kindOf).filter((k): k is Kind => k !== null))];
  const taken = new Set([kindAt, nameAt, sizeAt].filter((c): c is number => c !== null));
  const fields = Object.fromEntries(
    kinds.map((k) => [k, columnsOf(headings, k, taken, own)] as const),
  );
  const comma =
    chosen.comma !== undefined ? chosen.comma : decimalComma(lines.flatMap((l) => [...l.cells]));
  const matching: Matching = { kind: kindAt, name: nameAt, size: sizeAt, fields, whole, comma };
  const unused = unusedOf(headings, lines, matching);
  const reading = { headings, matching, mounts, kit: byName(kit) };
  const rows = lines.map((l) => rowOf(l, kindOf(l), reading));
  const beyond = Math.max(0, grid.length - at - 1 - MOST_LINES);
  return { headings, matching, rows, unused, kinds, beyond };
}

/** Columns that go into nothing, and have something in them. */
function unusedOf(
  headings: readonly string[],
  lines: readonly { cells: readonly string[] }[],
  { kind, name, size, fields }: Matching,
): number[] {
  const used = new Set<number | null>([
    kind,
    name,
    size,
    ...Object.values(fields).flatMap((f) => Object.keys(f).map(Number)),
  ]);
  const widest = Math.max(headings.length, ...lines.map((l) => l.cells.length));
  const said = (c: number) => lines.some((l) => (l.cells[c] ?? '').trim() !== '');
  return Array.from({ length: widest }, (_, c) => c).filter(
    (c) => !used.has(c) && (Boolean(headings[c]) || said(c)),
  );
}

const byName = (kit: readonly Part[]) =>
  new Map(kit.map((p) => [`${p.kind} ${normal(p.name)}`, p] as const));

/** The column of the kind: by its heading if its cells bear it out, else the one whose cells do. */
function kindColumn(
  headings: readonly string[],
  lines: readonly (readonly string[])[],
): number | null {
  const share = (c: number) => {
    const cells = lines.map((l) => l[c] ?? '').filter((t) => t.trim() !== '');
    return cells.length === 0 ? 0 : cells.filter((t) => kindOfCell(t)).length / cells.length;
  };
  const named = commonColumn(headings, 'kind');
  if (named !== null && share(named) > 0.3) return named;
  let best: number | null = null;
  for (let c = 0; c < headings.length; c++)
    if (share(c) > 0.6 && (best === null || share(c) > share(best))) best = c;
  return best;
}

function nameColumn(headings: readonly string[], kindAt: number | null): number | null {
  const hidden = headings.map((h, i) => (i === kindAt ? '' : h));
  return commonColumn(hidden, 'name');
}

/** A column of three sizes in one, if its cells bear it out. */
function sizeColumn(
  headings: readonly string[],
  lines: readonly (readonly string[])[],
): number | null {
  const c = commonColumn(headings, 'size');
  return c !== null && lines.some((l) => SIZES.test((l[c] ?? '').trim())) ? c : null;
}

function columnsOf(
  headings: readonly string[],
  kind: Kind,
  taken: ReadonlySet<number>,
  own: Readonly<Record<number, string>>,
): Record<number, string> {
  const keys = new Set(FIELDS[kind].filter((f) => cellField(f)).map((f) => f.key));
  const set = Object.entries(own).map(([c, key]) => [Number(c), key] as const);
  // What was chosen by hand is nobody else's.
  const found = matchColumns(headings, kind, new Set([...taken, ...set.map(([c]) => c)]));
  const out: Record<number, string> = {};
  const given = new Set(set.map(([, key]) => key));
  for (const [c, key] of found) if (!given.has(key)) out[c] = key;
  for (const [c, key] of set) if (keys.has(key)) out[c] = key;
  return out;
}

interface Reading {
  headings: readonly string[];
  matching: Matching;
  mounts: readonly NamedMount[];
  kit: ReadonlyMap<string, Part>;
}

/** As long as the field of the name takes. */
const LONGEST_NAME = (COMMON[0] as { max: number }).max;

function rowOf(
  { cells, line }: { cells: readonly string[]; line: number },
  kind: Kind | null,
  { headings, matching, mounts, kit }: Reading,
): ListRow {
  const name = (matching.name === null ? '' : (cells[matching.name] ?? '')).trim();
  const bare = { line, kind, name, same: null, part: null, cells: [] };
  if (kind === null)
    return {
      ...bare,
      trouble: 'What kind of part this is, is not understood: choose one for such lines.',
    };
  if (name === '')
    return { ...bare, trouble: 'It has no name: nothing stands in the column of names.' };
  if (name.length > LONGEST_NAME)
    return {
      ...bare,
      name: `${name.slice(0, 40)}\u2026`,
      trouble: `Its name has ${name.length} letters; ${LONGEST_NAME} at most: shorten it in the list.`,
    };
  const own = FIELDS[kind];
  const said: Record<string, unknown> = {};
  const out: ListCell[] = [];
  const same = kit.get(`${kind} ${normal(name)}`) ?? null;
  const put = (column: number, field: Field, text: string) => {
    const heading = headings[column] ?? `column ${column + 1}`;
    const read = readCell(
      field,
      text,
      bareUnit(heading, cellField(field) ?? field),
      matching.comma,
      mounts,
      own,
    );
    const stays = read.ok && isMeasured(same, field.key) && !isMeasured(read.value, field.key);
    if (read.ok && !stays) Object.assign(said, read.value);
    out.push({
      column,
      heading,
      text,
      key: field.key,
      label: field.label,
      read: read.ok ? read.said : null,
      trouble: read.ok ? null : `"${text.slice(0, 30)}" under ${heading} ${read.why}.`,
      ...(stays ? { stays } : {}),
    });
  };
  for (const [c, key] of Object.entries(matching.fields[kind] ?? {})) {
    const text = (cells[Number(c)] ?? '').trim();
    const field = own.find((f) => f.key === key);
    if (field && !BLANK.test(text)) put(Number(c), field, text);
  }
  if (matching.size !== null) sizes(cells[matching.size] ?? '', matching.size, headings, own, put);
  out.push(...unsaid(cells, kind, out, { headings, matching, mounts, kit }));
  return {
    ...bare,
    cells: out,
    same,
    ...kept(kind, { id: same?.id ?? newNamedId(name), name, ...said }),
  };
}

/** What a row says as a part, or why it cannot be one. */
function kept(kind: Kind, said: object): Pick<ListRow, 'part' | 'trouble'> {
  const part = { ...said, kind } as Part;
  const bad = joiOf(shapeOfPart(kind)).validate(part).error;
  return {
    part: bad ? null : part,
    trouble: bad ? `It cannot be kept: ${bad.message.slice(0, 200)}.` : null,
  };
}

/** Cells that no field of the row's kind took: in a column of another kind, three sizes that are none. */
function unsaid(
  cells: readonly string[],
  kind: Kind,
  read: readonly ListCell[],
  { headings, matching: m }: Reading,
): ListCell[] {
  const used = new Set(Object.values(m.fields).flatMap((f) => Object.keys(f).map(Number)));
  if (m.size !== null) used.add(m.size);
  if (m.kind !== null) used.add(m.kind);
  return [...used].flatMap((column): ListCell[] => {
    const text = (cells[column] ?? '').trim();
    if (BLANK.test(text) || read.some((c) => c.column === column)) return [];
    if (column === m.kind && kindOfCell(text) !== null) return [];
    const heading = headings[column] ?? `column ${column + 1}`;
    let why = 'is nothing that it says';
    if (column === m.size) why = 'is not three sizes of it';
    if (column === m.kind)
      why = 'is no kind that is known; it is taken as what its name or you say';
    const trouble = `"${text.slice(0, 30)}" under ${heading} ${why}: a ${KIND_NAME[kind].one}.`;
    return [{ column, heading, text, key: '', label: heading, read: null, trouble }];
  });
}

/** Whether what is said of a field was measured on the piece; a table by its first line. */
function isMeasured(part: object | null, key: string): boolean {
  const v = (part as Record<string, unknown> | null)?.[key];
  const first: unknown = Array.isArray(v) ? v[0] : v;
  const values = [first, ...(first && typeof first === 'object' ? Object.values(first) : [])];
  return values.some((x) => (x as { from?: unknown } | null)?.from === 'measured');
}

/** What people write where they have nothing to say. */
const BLANK = /^(|-+|\u2013|\u2014|n\/?a|none|unknown|\?+|tbc|tbd)$/i;

/** What was not understood of a list, line by line. */
export function troublesOf(list: ListReading): string[] {
  return list.rows.flatMap((r) => [
    ...(r.trouble ? [`Line ${r.line}${r.name ? `, ${r.name}` : ''}: ${r.trouble}`] : []),
    ...r.cells.flatMap((c) => (c.trouble ? [`Line ${r.line}, ${r.name}: ${c.trouble}`] : [])),
  ]);
}

/** What a list of one kind can say, as headings with their units: to be filled in by somebody. */
export function templateOf(kind: string): string[] {
  if (!isKind(kind)) return [];
  const fields = FIELDS[kind].filter((f) => cellField(f) !== null && f.key !== 'name');
  const unit = (f: Field) => {
    const one = cellField(f)!;
    return 'unit' in one && one.unit ? ` (${one.unit})` : '';
  };
  return ['name', 'kind', ...fields.map((f) => `${f.label}${unit(f)}`)];
}

/** What a column can be chosen for: fields of the kinds that are in the list, each once. */
export function targetsOf(kinds: readonly Kind[]): { key: string; label: string }[] {
  const seen = new Map<string, string>();
  for (const k of kinds)
    for (const f of FIELDS[k])
      if (cellField(f)) {
        const has = seen.get(f.key);
        seen.set(f.key, has === undefined || has === f.label ? f.label : `${has} / ${f.label}`);
      }
  return [...seen].map(([key, label]) => ({ key, label }));
}

/** What tells two lists with the same columns as the same, for what was chosen to be remembered. */
export const signatureOf = (headings: readonly string[]) => headings.map(normal).join('|');
