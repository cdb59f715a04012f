'use client';

import { ROW_SAID } from '@/core/kit/usual';
import { Plus, X } from 'lucide-react';
import { useState } from 'react';
import { readPath } from '@/core/edit/path';
import { concerns, FIELDS, fieldAt, isKind, type Field, type RowsField } from '@/core/kit/fields';
import { newNamedId } from '@/core/engine/ids';
import { reversedRange } from '@/core/kit/ranges';
import type { Job, Part } from '@/core/kit/types';
import { withArticle } from '@/core/words/article';
import { hintOf } from '@/core/words/hints';
import { inWords } from '@/core/checks/judge';
import { setField, takeUsual, usualRows } from '@/core/solve/kit-moves';
import { Button } from '@/ui/button';
import { useSnapshot, useStore } from '@/views/store/store-context';
import { Cell, type Single } from './cells';

/** The editor of one field of a part: what it keeps becomes one step that can be undone. */
export function FieldEditor({
  field,
  part,
  path,
  begin = false,
  bare = false,
}: {
  field: Field;
  part: Part;
  path: string[];
  /** A table without a line starts with one: it is what was asked for. */
  begin?: boolean;
  /** Without a word on how it is measured: that stands beside it. */
  bare?: boolean;
}) {
  const { job } = useSnapshot();
  const store = useStore();
  if (!job) return null;
  const value = readPath(job, path);
  if (field.type === 'rows')
    return <Rows field={field} job={job} part={part} path={path} value={value} begin={begin} />;
  const keep = (next: unknown) => {
    const row = path.length > 3 ? fieldAt(part.kind, path.slice(2, -1)) : null;
    const fields = row?.type === 'rows' ? row.fields : isKind(part.kind) ? FIELDS[part.kind] : [];
    const trouble =
      next === undefined && field.required
        ? `A ${row?.type === 'rows' ? row.row : 'part'} needs its ${field.label}: correct it, or take the ${row?.type === 'rows' ? row.row : 'part'} away.`
        : reversedRange(fields, readPath(job, path.slice(0, -1)), field.key, next);
    if (trouble) store?.notice(trouble, 'warn');
    else store?.edit(setField(job, path, next, `${field.label} of ${part.name}`));
  };
  return (
    <Cell
      field={field}
      job={job}
      label={field.label}
      hint={bare ? undefined : (hintOf(part.kind, field) ?? undefined)}
      value={value}
      keep={keep}
    />
  );
}

/** A line of a table with nothing in it but what it is called. */
function freshRow(field: RowsField, number: number): Record<string, unknown> {
  const line: Record<string, unknown> = {};
  const name = `${field.row} ${number}`;
  if (field.keyed) line.id = newNamedId(name);
  for (const f of field.fields) if (f.required && f.type === 'text') line[f.key] = name;
  return line;
}

interface RowsProps {
  field: RowsField;
  part: Part;
  path: string[];
}

function Rows({
  field,
  job,
  part,
  path,
  value,
  begin,
}: RowsProps & { job: Job; value: unknown; begin: boolean }) {
  const store = useStore();
  const rows = Array.isArray(value) ? (value as Record<string, unknown>[]) : [];
  // A line that is being begun: nothing is kept before what it cannot do without is there.
  const needs = field.fields.filter((f) => f.required);
  const fresh = () => freshRow(field, rows.length + 1);
  const asked = begin && rows.length === 0 && needs.some((f) => f.type !== 'text');
  const [begun, setBegun] = useState<Record<string, unknown> | null>(() =>
    asked ? fresh() : null,
  );
  // A line that was just added is written into; the others stay folded where they say themselves.
  const [added, setAdded] = useState<string | null>(null);
  const usual = usualRows(part, field);
  const keep = (line: Record<string, unknown>) => {
    setBegun(null);
    const key = field.keyed ? String(line.id) : String(rows.length);
    setAdded(key);
    store?.edit({
      title: `Add ${withArticle(field.row)} to ${part.name}`,
      changes: [{ path: [...path, key], value: line }],
    });
  };
  const goOn = (line: Record<string, unknown>) =>
    needs.every((f) => line[f.key] !== undefined) ? keep(line) : setBegun(line);
  return (
    <fieldset className="my-2 border-t border-rule pt-1">
      <legend className="pr-2 font-semibold">{field.label}</legend>
      {rows.map((row, i) => {
        const key = field.keyed ? String(row.id) : String(i);
        return (
          <Row
            key={key}
            field={field}
            part={part}
            path={path}
            at={key}
            number={i + 1}
            row={row}
            unfolded={key === added}
          />
        );
      })}
      {rows.length === 0 && usual.length > 0 ? (
        <div className="mb-2">
          <p className="text-soft">
            {`Parts like this usually have: ${inWords(usual.map((r) => r.name))}. ${guessed(usual) ? 'Numbers are guesses as wide as such parts differ; trim' : 'Trim'} and correct them.`}
          </p>
          <Button
            className="mt-1"
            onClick={() => {
              const edit = takeUsual(part, field);
              if (edit) store?.edit(edit);
            }}
          >
            Take the usual ones
          </Button>
        </div>
      ) : null}
      {begun ? (
        <div className="mb-2 border-l-2 border-edge pl-2">
          {needs
            .filter((f): f is Single => f.type !== 'rows')
            .filter((f) => begun[f.key] === undefined)
            .map((f) => (
              <Cell
                key={f.key}
                field={f}
                job={job}
                label={`${f.label} of the new ${field.row}`}
                hint={hintOf(part.kind, f) ?? undefined}
                value={undefined}
                keep={(v) => v !== undefined && goOn({ ...begun, [f.key]: v })}
              />
            ))}
          <Button onClick={() => setBegun(null)}>Leave it</Button>
        </div>
      ) : (
        <Button onClick={() => goOn(fresh())}>
          <Plus size={18} aria-hidden="true" /> Add {withArticle(field.row)}
        </Button>
      )}
    </fieldset>
  );
}

/** Whether rows bring numbers along, or words alone. */
const guessed = (rows: readonly object[]) =>
  rows.some((r) => Object.values(r).some((v) => typeof v === 'object'));

/** One line of a table of a part, with what takes it away; folded where it says itself in words. */
function Row({
  field,
  part,
  path,
  at,
  number,
  row,
  unfolded,
}: RowsProps & { at: string; number: number; row: Record<string, unknown>; unfolded: boolean }) {
  const store = useStore();
  const fields = field.fields
    .filter((f) => concerns(f, row) || row[f.key] !== undefined)
    .map((f) => <FieldEditor key={f.key} field={f} part={part} path={[...path, at, f.key]} />);
  return (
    <div className="mb-2 flex items-start gap-1 border-l-2 border-rule pl-2">
      {field.said ? (
        <details className="min-w-0 flex-1" open={unfolded}>
          <summary className="flex min-h-11 cursor-pointer flex-col justify-center">
            <span className="font-semibold">{String(row.name)}</span>
            <span className="text-sm text-soft">{ROW_SAID[field.key]?.(row as never)}</span>
          </summary>
          {fields}
        </details>
      ) : (
        <div className="min-w-0 flex-1">{fields}</div>
      )}
      <button
        type="button"
        className="grid size-11 place-items-center rounded-sm hover:bg-sunk"
        aria-label={`Take ${field.row} ${number} away`}
        onClick={() =>
          store?.edit({
            title: `Take a ${field.row} of ${part.name} away`,
            changes: [{ path: [...path, at], value: undefined, prune: path.length }],
          })
        }
      >
        <X size={18} aria-hidden="true" />
      </button>
    </div>
  );
}
