'use client';

import { Plus, X } from 'lucide-react';
import { useId, useState } from 'react';
import { readPath } from '@/core/build/given';
import type { Field, RowsField } from '@/core/kit/fields';
import { idFromName } from '@/core/kit/ids';
import { isBody, type Part } from '@/core/kit/types';
import { mountIndex } from '@/core/mounts/registry';
import type { QuantityInput } from '@/core/quantity/quantity';
import { setField } from '@/core/solve/moves';
import { Button } from '@/ui/button';
import { QuantityField } from '@/ui/quantity-field';
import { useSnapshot, useStore } from '@/views/shell/store-context';

const SELECT = 'h-11 rounded-sm border border-edge bg-paper px-2';

/** The editor of one field of a part: what it keeps becomes one step that can be undone. */
export function FieldEditor({ field, part, path }: { field: Field; part: Part; path: string[] }) {
  const { job } = useSnapshot();
  const store = useStore();
  const id = useId();
  if (!job) return null;
  const value = readPath(job, path);
  const keep = (next: unknown) =>
    store?.edit(setField(job, path, next, `${field.label} of ${part.name}`));

  switch (field.type) {
    case 'quantity':
      return (
        <QuantityField
          label={field.label}
          hint={field.hint}
          unit={field.unit}
          cls={field.cls}
          min={field.min}
          max={field.max}
          value={value as QuantityInput | undefined}
          defaultSource="sheet"
          onKeep={keep}
        />
      );
    case 'number':
      return (
        <Line label={field.label} hint={field.hint} id={id}>
          <TextInput
            id={id}
            value={value === undefined ? '' : String(value)}
            check={(t) => {
              const n = Number(t.replace(',', '.'));
              if (!Number.isFinite(n) || n < field.min || n > field.max)
                return `${field.label} has to be a number from ${field.min} to ${field.max}.`;
              return field.integer && !Number.isInteger(n)
                ? `${field.label} has to be a whole number.`
                : null;
            }}
            onKeep={(t) => keep(t === '' ? undefined : Number(t.replace(',', '.')))}
            className="w-28 text-right"
          />
          <span className="w-8 text-sm text-soft">{field.unit}</span>
        </Line>
      );
    case 'text':
      return (
        <Line label={field.label} hint={field.hint} id={id}>
          <TextInput
            id={id}
            value={typeof value === 'string' ? value : ''}
            check={(t) =>
              t.length > field.max
                ? `${field.label} may have ${field.max} characters.`
                : field.required && t.trim() === ''
                  ? `A part needs a ${field.label}.`
                  : null
            }
            onKeep={(t) => keep(t === '' ? undefined : t)}
            className="w-64 max-w-full"
          />
        </Line>
      );
    case 'choice':
      return (
        <Line label={field.label} hint={field.hint} id={id}>
          <select
            id={id}
            className={SELECT}
            value={typeof value === 'string' ? value : ''}
            onChange={(e) => keep(e.target.value || undefined)}
          >
            <option value="">not known</option>
            {field.options.map((o) => (
              <option key={o.value} value={o.value}>
                {o.label}
              </option>
            ))}
          </select>
        </Line>
      );
    case 'flag':
      return (
        <Line label={field.label} hint={field.hint} id={id}>
          <select
            id={id}
            className={SELECT}
            value={value === undefined ? '' : value ? 'yes' : 'no'}
            onChange={(e) => keep(e.target.value === '' ? undefined : e.target.value === 'yes')}
          >
            <option value="">not known</option>
            <option value="yes">yes</option>
            <option value="no">no</option>
          </select>
        </Line>
      );
    case 'mount':
      return (
        <Line label={field.label} hint={field.hint} id={id}>
          <select
            id={id}
            className={`${SELECT} max-w-64`}
            value={typeof value === 'string' ? value : ''}
            onChange={(e) => keep(e.target.value || undefined)}
          >
            <option value="">not known</option>
            {[...mountIndex(job).values()].map((m) => (
              <option key={m.id} value={m.id}>
                {m.name}
                {m.flange ? ` (${m.flange.value.toFixed(2)} mm)` : ''}
              </option>
            ))}
          </select>
        </Line>
      );
    case 'texts': {
      const list = Array.isArray(value) ? (value as string[]) : [];
      const bodies = job.kit.filter(isBody);
      return (
        <fieldset className="py-1">
          <legend className="text-soft">{field.label}</legend>
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
    case 'rows':
      return <Rows field={field} part={part} path={path} value={value} keep={keep} />;
  }
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

function Rows({
  field,
  part,
  path,
  value,
  keep,
}: {
  field: RowsField;
  part: Part;
  path: string[];
  value: unknown;
  keep: (v: unknown) => void;
}) {
  const rows = Array.isArray(value) ? (value as Record<string, unknown>[]) : [];
  const add = () => {
    const start: Record<string, unknown> = {};
    if (field.keyed) {
      start.name = `${field.row} ${rows.length + 1}`;
      start.id = idFromName(String(start.name), new Set(rows.map((r) => String(r.id))));
    }
    for (const f of field.fields)
      if (f.required && f.type === 'quantity')
        start[f.key] = { value: firstValue(f.key, rows), from: 'guess' };
    keep([...rows, start]);
  };
  return (
    <fieldset className="my-2 border-t border-rule pt-1">
      <legend className="pr-2 font-semibold">{field.label}</legend>
      {rows.map((row, i) => (
        <div
          key={field.keyed ? String(row.id) : i}
          className="mb-2 flex items-start gap-1 border-l-2 border-rule pl-2"
        >
          <div className="min-w-0 flex-1">
            {field.fields.map((f) => (
              <FieldEditor
                key={f.key}
                field={f}
                part={part}
                path={[...path, field.keyed ? String(row.id) : String(i), f.key]}
              />
            ))}
          </div>
          <button
            type="button"
            className="grid size-11 place-items-center rounded-sm hover:bg-sunk"
            aria-label={`Take ${field.row} ${i + 1} away`}
            onClick={() => keep(rows.length === 1 ? undefined : rows.filter((_, j) => j !== i))}
          >
            <X size={18} aria-hidden="true" />
          </button>
        </div>
      ))}
      <Button onClick={add}>
        <Plus size={18} aria-hidden="true" /> Add a {field.row}
      </Button>
    </fieldset>
  );
}

/** A new line begins with the last one's figure, marked as a guess until it is corrected. */
function firstValue(key: string, rows: readonly Record<string, unknown>[]): number {
  const last = rows[rows.length - 1]?.[key];
  if (typeof last === 'number') return last;
  if (last !== null && typeof last === 'object' && 'value' in last)
    return (last as { value: number }).value;
  return key === 'z' ? 0 : 40;
}
