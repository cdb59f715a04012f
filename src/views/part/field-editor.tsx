'use client';

import { Plus, X } from 'lucide-react';
import { useId, useState } from 'react';
import { readPath } from '@/core/edit/path';
import { FIELDS, fieldAt, isKind, type Field, type RowsField } from '@/core/kit/fields';
import { newNamedId } from '@/core/engine/ids';
import { reversedRange } from '@/core/kit/ranges';
import { isBody, type Job, type Part } from '@/core/kit/types';
import { mountIndex } from '@/core/areas/mount/kit/standards';
import type { QuantityInput } from '@/core/quantity/quantity';
import { setField } from '@/core/solve/kit-moves';
import { Button } from '@/ui/button';
import { QuantityField } from '@/ui/quantity-field';
import { useSnapshot, useStore } from '@/views/store/store-context';

const SELECT = 'h-11 rounded-sm border border-edge bg-paper px-2';

/** The editor of one field of a part: what it keeps becomes one step that can be undone. */
export function FieldEditor({
  field,
  part,
  path,
  begin = false,
}: {
  field: Field;
  part: Part;
  path: string[];
  /** A table without a line starts with one: it is what was asked for. */
  begin?: boolean;
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
  return <Cell field={field} job={job} label={field.label} value={value} keep={keep} />;
}

/** Of a field of one type: what is there, or empty, and where it goes when it is given. */
interface CellOf<F> {
  field: F;
  job: Job;
  label: string;
  value: unknown;
  keep: (next: unknown) => void;
}

type Single = Exclude<Field, RowsField>;
type FieldOf<T extends Single['type']> = Extract<Single, { type: T }>;

/** One value by its kind of field. */
function Cell(props: CellOf<Single>) {
  const { field } = props;
  switch (field.type) {
    case 'quantity':
      return (
        <QuantityField
          label={props.label}
          hint={field.hint}
          unit={field.unit}
          cls={field.cls}
          min={field.min}
          max={field.max}
          value={props.value as QuantityInput | undefined}
          defaultSource="sheet"
          onKeep={props.keep}
        />
      );
    case 'number':
      return <NumberCell {...props} field={field} />;
    case 'text':
      return <TextCell {...props} field={field} />;
    case 'choice':
      return <ChoiceCell {...props} options={field.options} />;
    case 'flag':
      return <FlagCell {...props} />;
    case 'mount':
      return <ChoiceCell {...props} options={mountOptions(props.job)} />;
    case 'texts':
      return <BodiesCell {...props} />;
  }
}

function NumberCell({ field, label, value, keep }: CellOf<FieldOf<'number'>>) {
  const id = useId();
  const read = (t: string) => Number(t.replace(',', '.'));
  return (
    <Line label={label} hint={field.hint} id={id}>
      <TextInput
        id={id}
        value={value === undefined ? '' : String(value)}
        check={(t) => {
          const n = read(t);
          if (!Number.isFinite(n) || n < field.min || n > field.max)
            return `${field.label} has to be a number from ${field.min} to ${field.max}.`;
          return field.integer && !Number.isInteger(n)
            ? `${field.label} has to be a whole number.`
            : null;
        }}
        onKeep={(t) => keep(t === '' ? undefined : read(t))}
        className="w-28 text-right"
      />
      <span className="w-8 text-sm text-soft">{field.unit}</span>
    </Line>
  );
}

function TextCell({ field, label, value, keep }: CellOf<FieldOf<'text'>>) {
  const id = useId();
  return (
    <Line label={label} hint={field.hint} id={id}>
      <TextInput
        id={id}
        value={typeof value === 'string' ? value : ''}
        check={(t) => {
          if (t.length > field.max) return `${field.label} may have ${field.max} characters.`;
          return field.required && t.trim() === '' ? `A part needs a ${field.label}.` : null;
        }}
        onKeep={(t) => keep(t === '' ? undefined : t)}
        className="w-64 max-w-full"
      />
    </Line>
  );
}

function ChoiceCell({
  field,
  label,
  value,
  keep,
  options,
}: CellOf<Single> & { options: readonly { value: string; label: string }[] }) {
  const id = useId();
  return (
    <Line label={label} hint={field.hint} id={id}>
      <select
        id={id}
        className={`${SELECT} max-w-64`}
        value={typeof value === 'string' ? value : ''}
        onChange={(e) => keep(e.target.value || undefined)}
      >
        <option value="">not known</option>
        {options.map((o) => (
          <option key={o.value} value={o.value}>
            {o.label}
          </option>
        ))}
      </select>
    </Line>
  );
}

const YES_NO = [
  { value: 'yes', label: 'yes' },
  { value: 'no', label: 'no' },
];

function FlagCell({ value, keep, ...rest }: CellOf<Single>) {
  return (
    <ChoiceCell
      {...rest}
      options={YES_NO}
      value={value === undefined ? undefined : value ? 'yes' : 'no'}
      keep={(v) => keep(v === undefined ? undefined : v === 'yes')}
    />
  );
}

/** All mounts, each with its flange distance. */
function mountOptions(job: Job): { value: string; label: string }[] {
  return [...mountIndex(job).values()].map((m) => ({
    value: m.id,
    label: m.flange ? `${m.name} (${m.flange.value.toFixed(2)} mm)` : m.name,
  }));
}

/** The bodies that something is made for; others that were named are named again. */
function BodiesCell({ job, label, value, keep }: CellOf<Single>) {
  const list = Array.isArray(value) ? (value as string[]) : [];
  const bodies = job.kit.filter(isBody);
  return (
    <fieldset className="py-1">
      <legend className="text-soft">{label}</legend>
      {bodies.map((b) => (
        <label key={b.id} className="flex min-h-11 items-center gap-2">
          <input
            type="checkbox"
            className="size-5"
            checked={list.includes(b.id)}
            onChange={(e) => {
              const next = e.target.checked ? [...list, b.id] : list.filter((x) => x !== b.id);
              keep(next.length > 0 ? next : undefined);
            }}
          />
          {b.name}
        </label>
      ))}
      {list
        .filter((x) => !bodies.some((b) => b.id === x))
        .map((x) => (
          <p key={x} className="text-soft">
            and {x}
          </p>
        ))}
    </fieldset>
  );
}

function Line({
  label,
  hint,
  id,
  children,
}: {
  label: string;
  hint?: string;
  id: string;
  children: React.ReactNode;
}) {
  return (
    <div className="py-1">
      <div className="flex flex-wrap items-center gap-x-2">
        <label htmlFor={id} className="min-w-36 flex-1 text-soft">
          {label}
        </label>
        <div className="flex items-center gap-1.5">{children}</div>
      </div>
      {hint ? <p className="text-sm text-soft">{hint}</p> : null}
    </div>
  );
}

/** A text box that keeps on Enter or when left, and says what is wrong with what was typed. */
export function TextInput({
  id,
  value,
  check,
  onKeep,
  className = '',
}: {
  id: string;
  value: string;
  check: (text: string) => string | null;
  onKeep: (text: string) => void;
  className?: string;
}) {
  // What is being typed; null shows what stands.
  const [draft, setDraft] = useState<string | null>(null);
  const [trouble, setTrouble] = useState<string | null>(null);
  const text = draft ?? value;
  const keep = () => {
    const t = text.trim();
    const bad = t === value ? null : check(t);
    setTrouble(bad);
    if (bad) return;
    setDraft(null);
    if (t !== value) onKeep(t);
  };
  return (
    <span className="flex flex-col">
      <input
        id={id}
        value={text}
        autoComplete="off"
        aria-invalid={trouble !== null}
        aria-describedby={trouble ? `${id}-trouble` : undefined}
        onChange={(e) => setDraft(e.target.value)}
        onBlur={keep}
        onKeyDown={(e) => e.key === 'Enter' && keep()}
        className={`h-11 rounded-sm border bg-paper px-2 ${trouble ? 'border-fail' : 'border-edge'} ${className}`}
      />
      {trouble ? (
        <span id={`${id}-trouble`} role="alert" className="text-sm text-fail">
          {trouble}
        </span>
      ) : null}
    </span>
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
  const keep = (line: Record<string, unknown>) => {
    setBegun(null);
    const key = field.keyed ? String(line.id) : String(rows.length);
    store?.edit({
      title: `Add a ${field.row} to ${part.name}`,
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
        return <Row key={key} field={field} part={part} path={path} at={key} number={i + 1} />;
      })}
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
                value={undefined}
                keep={(v) => v !== undefined && goOn({ ...begun, [f.key]: v })}
              />
            ))}
          <Button onClick={() => setBegun(null)}>Leave it</Button>
        </div>
      ) : (
        <Button onClick={() => goOn(fresh())}>
          <Plus size={18} aria-hidden="true" /> Add a {field.row}
        </Button>
      )}
    </fieldset>
  );
}

/** One line of a table of a part, with what takes it away. */
function Row({ field, part, path, at, number }: RowsProps & { at: string; number: number }) {
  const store = useStore();
  return (
    <div className="mb-2 flex items-start gap-1 border-l-2 border-rule pl-2">
      <div className="min-w-0 flex-1">
        {field.fields.map((f) => (
          <FieldEditor key={f.key} field={f} part={part} path={[...path, at, f.key]} />
        ))}
      </div>
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
