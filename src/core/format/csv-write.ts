import { readsTwoWays, csvText } from './cells';
import { type Field, FIELDS } from '../kit/fields';
import type { Kind, Part } from '../kit/types';
import { ALIKE, columns, CARRIED } from './csv-columns';

/** A figure that reads in one way only: `32.375` could be a thousand, `32.3750` cannot. */
function figure(x: number): string {
  const text = String(x);
  return readsTwoWays(text) ? `${text}0` : text;
}

function quantityText(value: unknown): string {
  if (typeof value === 'number') return figure(value);
  const q = value as { value: number; tol?: number; from?: string };
  return `${figure(q.value)}${q.tol !== undefined ? `+-${figure(q.tol)}` : ''}${q.from ? ` ${q.from}` : ''}`;
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
    case 'number':
      return figure(value as number);
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
  return csvText([...columns(kind), ...extra.map((k) => CARRIED + k)], data);
}
