import Papa from 'papaparse';
import { FIELDS, isKind, KINDS, type Field } from '../kit/fields';
import { idFromName } from '../kit/ids';
import type { Kind, Part } from '../kit/types';
import { parseQuantity } from '../quantity/parse';
import { FORBIDDEN_KEYS } from '../solve/edit';
import { joiOf } from './joi';
import { describe, type Problem, type Read } from './problem';
import { LARGEST_FILE } from './read-job';
import { ID_PATTERN, MOST_PARTS, shapeOfPart } from './shape';

/**
 * Kit as CSV: one file per kind, one part per line, units in the column names
 * (`front_diameter_mm`). Quantities are written as people type them (`77.2+-0.1 measured`).
 * Tables inside a cell: lines apart by `;`, columns apart by `|`.
 */

/** Column name of a field: `imageCircle` is `image_circle`, with its unit behind it. */
export function columnName(field: Field): string {
  const snake = field.key.replace(/[A-Z]/g, (c) => `_${c.toLowerCase()}`);
  const unit = field.type === 'quantity' || field.type === 'number' ? field.unit : '';
  return unit ? `${snake}_${unit.toLowerCase()}` : snake;
}

const ownColumns = (kind: Kind) => FIELDS[kind].map(columnName);

/** Kinds that say the same of themselves (a handle, a grip): their columns alone do not tell them. */
const ALIKE: ReadonlySet<Kind> = new Set(
  KINDS.filter((k) => KINDS.some((o) => o !== k && ownColumns(o).join() === ownColumns(k).join())),
);

/** All columns of a kind, in the order they are written; `kind` where they are not enough. */
export function columns(kind: Kind): string[] {
  return ['id', ...(ALIKE.has(kind) ? ['kind'] : []), ...ownColumns(kind)];
}

/**
 * The kind whose columns a header row fits best; of two that fit as well the one that has fewer
 * others (a riser's columns are all among a ring's). Null when none fits.
 */
export function kindOfHeader(header: readonly string[]): Kind | null {
  let best: { kind: Kind; hits: number; others: number } | null = null;
  for (const kind of KINDS) {
    const own = new Set(columns(kind));
    const hits = header.filter((h) => own.has(h.trim().toLowerCase())).length;
    const others = own.size - hits;
    if (!best || hits > best.hits || (hits === best.hits && others < best.others))
      best = { kind, hits, others };
  }
  return best && best.hits >= 2 ? best.kind : null;
}

function quantityText(value: unknown): string {
  if (typeof value === 'number') return String(value);
  const q = value as { value: number; tol?: number; from?: string };
  return `${q.value}${q.tol !== undefined ? `+-${q.tol}` : ''}${q.from ? ` ${q.from}` : ''}`;
}

function cellText(field: Field, value: unknown): string {
  if (value === undefined || value === null) return '';
  switch (field.type) {
    case 'quantity':
      return quantityText(value);
    case 'rows':
      return (value as Record<string, unknown>[])
        .map((row) =>
          [
            ...(field.keyed ? [String(row.id)] : []),
            ...field.fields.map((f) => cellText(f, row[f.key]).replace(/[|;]/g, ',')),
          ].join('|'),
        )
        .join(';');
    case 'texts':
      return (value as string[]).join(';');
    case 'flag':
      return value ? 'yes' : 'no';
    default:
      return String(value);
  }
}

/** Writes the parts of one kind as CSV. Fields this version does not know become columns of text. */
export function writeKitCsv(kind: Kind, parts: readonly Part[]): string {
  const fields = FIELDS[kind];
  const known = new Set(['id', 'kind', ...fields.map((f) => f.key)]);
  const extra = [
    ...new Set(
      parts.flatMap((p) =>
        Object.keys(p).filter(
          (k) => !known.has(k) && typeof (p as Record<string, unknown>)[k] === 'string',
        ),
      ),
    ),
  ];
  const data = parts.map((p) => {
    const part = p as unknown as Record<string, unknown>;
    return [
      p.id,
      ...(ALIKE.has(kind) ? [kind] : []),
      ...fields.map((f) => cellText(f, part[f.key])),
      ...extra.map((k) => (typeof part[k] === 'string' ? part[k] : '')),
    ];
  });
  return Papa.unparse(
    { fields: [...columns(kind), ...extra], data },
    // Cells that a spreadsheet would run as a formula are quoted as text.
    { escapeFormulae: /^[=@\t\r]|^[+-](?![\d.])/, newline: '\n' },
  );
}

type Cell = { ok: true; value: unknown } | { ok: false; expected: string };

function readCell(field: Field, text: string): Cell {
  const t = text.trim();
  switch (field.type) {
    case 'quantity': {
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
          const cell = readCell(only, line);
          if (!cell.ok) return cell;
          rows.push({ [only.key]: cell.value });
          continue;
        }
        if (field.keyed) row.id = cells[k++]?.trim() || `${field.row}-${i + 1}`;
        for (const f of field.fields) {
          const part = cells[k++]?.trim() ?? '';
          if (part === '') continue;
          const cell = readCell(f, part);
          if (!cell.ok)
            return { ok: false, expected: `${f.label} in line ${i + 1} to be ${cell.expected}` };
          row[f.key] = cell.value;
        }
        rows.push(row);
      }
      return { ok: true, value: rows };
    }
    default:
      return { ok: true, value: unescape(text).trim() };
  }
}

/** Takes off the quote that {@link writeKitCsv} puts before text a spreadsheet would run. */
function unescape(text: string): string {
  return /^'(?:[=@\t\r]|[+-](?![\d.]))/.test(text) ? text.slice(1) : text;
}

/**
 * Reads the parts of one kind from CSV. All problems at once, each with line and column; either
 * every line is read or none.
 *
 * @param kind null finds the kind by the header
 */
export function readKitCsv(
  text: string,
  kind: Kind | null = null,
): Read<{ kind: Kind; parts: Part[] }> {
  const refuse = (path: string, found: string, expected: string) => ({
    ok: false as const,
    problems: [{ path, found, expected }],
  });
  if (text.length > LARGEST_FILE)
    return refuse(
      '(file)',
      `${(text.length / 1048576).toFixed(1)} MB`,
      `at most ${LARGEST_FILE / 1048576} MB`,
    );
  const table = Papa.parse<string[]>(text.charCodeAt(0) === 0xfeff ? text.slice(1) : text, {
    skipEmptyLines: 'greedy',
  });
  const header = (table.data[0] ?? []).map((h) => h.trim());
  const lower = header.map((h) => h.toLowerCase());
  // A column called kind says it outright.
  const said = table.data[1]?.[lower.indexOf('kind')]?.trim() ?? '';
  const of = kind ?? (isKind(said) ? said : kindOfHeader(header));
  if (!of)
    return refuse(
      'line 1',
      header.length > 0 ? describe(header.join(', ')) : 'an empty file',
      `a header row such as ${columns('lens').slice(0, 5).join(', ')}`,
    );
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
    if (FORBIDDEN_KEYS.includes(h) || lower.indexOf(lower[i]!) !== i)
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
  if (problems.length > 0) return { ok: false, problems };

  const byColumn = new Map(FIELDS[of].map((f) => [columnName(f), f]));
  const schema = joiOf(shapeOfPart(of));
  const taken = new Set<string>();
  const parts: Part[] = [];
  table.data.slice(1).forEach((line, n) => {
    const where = `line ${n + 2}`;
    const part: Record<string, unknown> = { id: '', kind: of };
    line.forEach((cell, c) => {
      const column = lower[c];
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
      const field = byColumn.get(column);
      if (!field) {
        part[header[c]!] = unescape(cell);
        return;
      }
      const read = readCell(field, cell);
      if (read.ok) part[field.key] = read.value;
      else
        problems.push({
          path: `${where}, ${column}`,
          found: describe(cell),
          expected: read.expected,
        });
    });
    if (part.id === '') part.id = idFromName(String(part.name ?? ''), taken);
    if (!ID_PATTERN.test(String(part.id)) || taken.has(String(part.id)))
      problems.push({
        path: `${where}, id`,
        found: describe(part.id),
        expected: taken.has(String(part.id))
          ? 'an id that is not used twice'
          : 'an id of letters, digits, dots and dashes',
      });
    taken.add(String(part.id));
    const { error } = schema.validate(part, {
      abortEarly: false,
      convert: false,
      errors: { render: false },
    });
    for (const d of error?.details ?? []) {
      const field = FIELDS[of].find((f) => f.key === d.path[0]);
      problems.push({
        path: `${where}, ${field ? columnName(field) : String(d.path[0] ?? 'part')}`,
        found:
          d.type === 'any.required'
            ? 'nothing'
            : describe((d.context as { value?: unknown }).value),
        expected: field ? rangeWords(field) : 'a valid part',
      });
    }
    parts.push(part as unknown as Part);
  });
  return problems.length > 0 ? { ok: false, problems } : { ok: true, value: { kind: of, parts } };
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
