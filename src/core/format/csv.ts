import type { Schema } from 'joi';
import { type Field, KINDS, KIND_NAME, FIELDS } from '../kit/fields';
import { readsTwoWays, unguarded } from './cells';
import { parseQuantity } from '../quantity/parse';
import type { Kind, Part } from '../kit/types';
import { type Read, describe, type Problem } from './problem';
import { LARGEST_FILE } from './read-job';
import Papa, { type ParseResult } from 'papaparse';
import { kindOfHeader, columns, CARRIED, columnName, ownColumns } from './csv-columns';
import { FORBIDDEN_KEYS } from '../edit/edit';
import { MOST_PARTS, shapeOfPart, ID_PATTERN } from './shape';
import { STANDARD_MOUNTS } from '../areas/mount/kit/standards';
import { joiOf } from './joi';
import { idFromName } from '../engine/ids';
import { turnRanges } from '../kit/ranges';

type Cell = { ok: true; value: unknown } | { ok: false; expected: string };

function readCell(field: Field, text: string, mounts: readonly NamedMount[]): Cell {
  const t = text.trim();
  switch (field.type) {
    case 'quantity': {
      if (readsTwoWays(t)) return { ok: false, expected: TWO_WAYS };
      const q = parseQuantity(t, field.unit);
      if (!q.ok)
        return {
          ok: false,
          expected: `a number in ${field.unit || 'plain figures'}, such as 77.2 or 77.2+-0.1`,
        };
      return {
        ok: true,
        value: q.value.tol === undefined && !q.value.from ? q.value.value : q.value,
      };
    }
    case 'number': {
      if (readsTwoWays(t)) return { ok: false, expected: TWO_WAYS };
      const n = Number(t.replace(',', '.'));
      return Number.isFinite(n) ? { ok: true, value: n } : { ok: false, expected: 'a number' };
    }
    case 'flag': {
      const yes = /^(yes|true|1|y)$/i.test(t);
      const no = /^(no|false|0|n)$/i.test(t);
      return yes || no ? { ok: true, value: yes } : { ok: false, expected: 'yes or no' };
    }
    case 'texts':
      return {
        ok: true,
        value: t
          .split(';')
          .map((s) => s.trim())
          .filter(Boolean),
      };
    case 'rows': {
      const rows: Record<string, unknown>[] = [];
      for (const [i, line] of t.split(';').entries()) {
        if (line.trim() === '') continue;
        const cells = line.split('|');
        const row: Record<string, unknown> = {};
        let k = 0;
        // A single figure without bars is the table's own figure: an image circle for all focals.
        if (!field.keyed && cells.length === 1) {
          const only = field.fields.find((f) => f.required)!;
          const cell = readCell(only, line, mounts);
          if (!cell.ok) return cell;
          rows.push({ [only.key]: cell.value });
          continue;
        }
        if (field.keyed) row.id = cells[k++]?.trim() || `${field.row}-${i + 1}`;
        for (const f of field.fields) {
          const part = cells[k++]?.trim() ?? '';
          if (part === '') continue;
          const cell = readCell(f, part, mounts);
          if (!cell.ok)
            return { ok: false, expected: `${f.label} in line ${i + 1} to be ${cell.expected}` };
          row[f.key] = cell.value;
        }
        rows.push(row);
      }
      return { ok: true, value: rows };
    }
    case 'choice': {
      // By its value or by what it is called on screen.
      const option = field.options.find(
        (o) => o.value === t || o.label.toLowerCase() === t.toLowerCase(),
      );
      return option
        ? { ok: true, value: option.value }
        : { ok: false, expected: field.options.map((o) => o.value).join(' or ') };
    }
    case 'mount': {
      const word = t.toLowerCase();
      const hits = mounts.filter(
        (m) => m.id === t || m.name.toLowerCase() === word || m.id.toLowerCase() === word,
      );
      return hits[0]
        ? { ok: true, value: hits[0].id }
        : { ok: false, expected: 'a mount of the list under Kit, by its id or name' };
    }
    default:
      return { ok: true, value: text.trim() };
  }
}

const TWO_WAYS =
  'a figure that reads in one way: 1.18 or 1180 (a mark before three digits could part thousands)';

/** A mount that a list may name. */
export interface NamedMount {
  id: string;
  name: string;
}

/** The kind that a word in a list means, by its id or what it is called on screen; null for none. */
export function kindOfWord(word: string): Kind | null {
  const w = word.trim().toLowerCase();
  return (
    KINDS.find(
      (k) =>
        k === w || k.replace(/-/g, ' ') === w || KIND_NAME[k].one === w || KIND_NAME[k].many === w,
    ) ?? null
  );
}

/** Parts of a list, with the kinds that were in it. */
export interface KitList {
  parts: Part[];
  kinds: Kind[];
}

function refuse(path: string, found: string, expected: string) {
  return { ok: false as const, problems: [{ path, found, expected }] };
}

/** A text that is too large, or not one at all. */
function unreadable(text: string) {
  if (text.length > LARGEST_FILE)
    return refuse(
      '(file)',
      `${(text.length / 1048576).toFixed(1)} MB`,
      `at most ${LARGEST_FILE / 1048576} MB`,
    );
  return /[\uFFFD\u0000]/.test(text)
    ? refuse(
        '(file)',
        'text that is not UTF-8',
        'a list that was saved as CSV UTF-8: letters with accents would come in wrong',
      )
    : null;
}

/**
 * Reads parts from CSV. All problems at once, each with line and column; either every line is read
 * or none. The kind is read line by line from a column `kind`; without one the header has to be of
 * one kind for certain. What is not understood for certain is a problem: a word, a column, a figure
 * that reads in two ways.
 *
 * @param kind null finds the kind by the lines or the header
 * @param mounts those of the job on top of the standard ones
 */
export function readKitCsv(
  text: string,
  kind: Kind | null = null,
  mounts: readonly NamedMount[] = [],
): Read<KitList> {
  const unread = unreadable(text);
  if (unread) return unread;
  const table = Papa.parse<string[]>(text.charCodeAt(0) === 0xfeff ? text.slice(1) : text, {
    skipEmptyLines: 'greedy',
  });
  const header = (table.data[0] ?? []).map((h) => unguarded(h.trim()));
  const lower = header.map((h) => h.toLowerCase());
  const kindAt = lower.indexOf('kind');
  const whole = kind ?? (kindAt >= 0 ? null : kindOfHeader(header));
  if (!whole && kindAt < 0)
    return refuse(
      'line 1',
      header.length > 0 ? describe(header.join(', ')) : 'an empty file',
      `a column called kind, or a header row of one kind such as ${columns('lens').slice(0, 5).join(', ')}`,
    );
  const problems: Problem[] = headerProblems(table, header, lower);
  if (problems.length > 0) return { ok: false, problems };

  const lines = table.data.slice(1);
  const kindOf = lines.map((line, n): Kind | null => {
    if (kind) return kind;
    if (kindAt < 0) return whole;
    const word = line[kindAt] ?? '';
    const k = kindOfWord(word);
    if (!k)
      problems.push({
        path: `line ${n + 2}, kind`,
        found: describe(word),
        expected: `a kind of part: ${KINDS.slice(0, 6).join(', ')} and so on`,
      });
    return k;
  });
  const kinds = [...new Set(kindOf.filter((k): k is Kind => k !== null))];
  const fieldsOf = new Map(
    kinds.map((k) => [k, new Map(FIELDS[k].map((f) => [columnName(f), f]))]),
  );
  problems.push(...strangeColumns(header, lower, kinds, fieldsOf));
  if (problems.length > 0) return { ok: false, problems };

  const list: Reading = {
    header,
    lower,
    fieldsOf,
    known: [...mounts, ...STANDARD_MOUNTS],
    taken: new Set(),
    schemas: new Map(kinds.map((k) => [k, joiOf(shapeOfPart(k))])),
  };
  const parts = lines.map((line, n) => readLine(list, line, kindOf[n]!, `line ${n + 2}`, problems));
  return problems.length > 0 ? { ok: false, problems } : { ok: true, value: { parts, kinds } };
}

function rangeWords(field: Field): string {
  switch (field.type) {
    case 'quantity':
    case 'number':
      return `a number${field.unit ? ` in ${field.unit}` : ''} from ${field.min} to ${field.max}`;
    case 'text':
      return `text of at most ${field.max} characters`;
    case 'choice':
      return field.options.map((o) => o.value).join(' or ');
    default:
      return `${field.label} as docs/format.md describes it`;
  }
}

/** A list while it is read. */
interface Reading {
  header: readonly string[];
  /** The header in small letters. */
  lower: readonly string[];
  fieldsOf: ReadonlyMap<Kind, ReadonlyMap<string, Field>>;
  known: readonly NamedMount[];
  /** Ids that were given so far. */
  taken: Set<string>;
  schemas: ReadonlyMap<Kind, Schema>;
}

/** What is wrong with a header, or with the list as a whole. */
function headerProblems(
  table: ParseResult<string[]>,
  header: readonly string[],
  lower: readonly string[],
): Problem[] {
  const problems: Problem[] = [];
  for (const e of table.errors)
    if (e.code !== 'UndetectableDelimiter')
      problems.push({
        path: `line ${(e.row ?? 0) + 1}`,
        found: e.message,
        expected: 'a well-formed line',
      });
  if (!lower.includes('name'))
    problems.push({
      path: 'line 1',
      found: 'no column called name',
      expected: 'a column called name',
    });
  header.forEach((h, i) => {
    if (FORBIDDEN_KEYS.includes(h.replace(CARRIED, '')) || lower.indexOf(lower[i]!) !== i)
      problems.push({
        path: `line 1, column ${i + 1}`,
        found: JSON.stringify(h),
        expected: 'another name for this column',
      });
  });
  if (table.data.length - 1 > MOST_PARTS)
    problems.push({
      path: '(file)',
      found: `${table.data.length - 1} lines`,
      expected: `at most ${MOST_PARTS}`,
    });
  return problems;
}

/** Columns that no kind of the list has. */
function strangeColumns(
  header: readonly string[],
  lower: readonly string[],
  kinds: readonly Kind[],
  fieldsOf: Reading['fieldsOf'],
): Problem[] {
  const problems: Problem[] = [];
  header.forEach((h, i) => {
    const c = lower[i]!;
    if (c === 'id' || c === 'kind' || h.startsWith(CARRIED)) return;
    if (kinds.length > 0 && ![...fieldsOf.values()].some((m) => m.has(c)))
      problems.push({
        path: `line 1, column ${i + 1}`,
        found: describe(h),
        expected: `a column of ${kinds.map((k) => KIND_NAME[k].many).join(' or ')}: ${kinds
          .flatMap(ownColumns)
          .filter((x) => !lower.includes(x))
          .slice(0, 8)
          .join(', ')} and so on`,
      });
  });
  return problems;
}

/** One line as a part; what is wrong with it goes to `problems`. */
function readLine(
  list: Reading,
  line: readonly string[],
  of: Kind,
  where: string,
  problems: Problem[],
): Part {
  const part: Record<string, unknown> = { id: '', kind: of };
  readCells(list, line, of, where, part, problems);
  if (part.id === '') part.id = idFromName(String(part.name ?? ''), list.taken);
  if (!ID_PATTERN.test(String(part.id)) || list.taken.has(String(part.id)))
    problems.push({
      path: `${where}, id`,
      found: describe(part.id),
      expected: list.taken.has(String(part.id))
        ? 'an id that is not used twice'
        : 'an id of letters, digits, dots and dashes',
    });
  list.taken.add(String(part.id));
  const { error } = list.schemas.get(of)!.validate(part, {
    abortEarly: false,
    convert: false,
    errors: { render: false },
  });
  for (const d of error?.details ?? []) {
    const field = FIELDS[of].find((f) => f.key === d.path[0]);
    problems.push({
      path: `${where}, ${field ? columnName(field) : String(d.path[0] ?? 'part')}`,
      found:
        d.type === 'any.required' ? 'nothing' : describe((d.context as { value?: unknown }).value),
      expected: field ? rangeWords(field) : 'a valid part',
    });
  }
  const { turned } = turnRanges(part as unknown as Part);
  for (const t of turned) problems.push({ path: where, found: t, expected: 'the lower end first' });
  return part as unknown as Part;
}

function readCells(
  list: Reading,
  line: readonly string[],
  of: Kind,
  where: string,
  part: Record<string, unknown>,
  problems: Problem[],
): void {
  line.forEach((raw, c) => {
    const column = list.lower[c];
    const cell = unguarded(raw);
    if (cell.trim() === '') return;
    if (column === undefined) {
      problems.push({
        path: `${where}, column ${c + 1}`,
        found: describe(cell),
        expected: 'no more cells than the header has',
      });
      return;
    }
    if (column === 'id') {
      part.id = cell.trim();
      return;
    }
    if (column === 'kind') return;
    if (list.header[c]!.startsWith(CARRIED)) {
      part[list.header[c]!.slice(CARRIED.length)] = cell;
      return;
    }
    const field = list.fieldsOf.get(of)!.get(column);
    if (!field) {
      problems.push({
        path: `${where}, ${column}`,
        found: describe(cell),
        expected: `nothing: ${KIND_NAME[of].many} do not say that of themselves`,
      });
      return;
    }
    const read = readCell(field, cell, list.known);
    if (read.ok) part[field.key] = read.value;
    else
      problems.push({
        path: `${where}, ${column}`,
        found: describe(cell),
        expected: read.expected,
      });
  });
}
