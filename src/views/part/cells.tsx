'use client';

import { useId, useState } from 'react';
import type { Field, RowsField } from '@/core/kit/fields';
import type { Job } from '@/core/kit/types';
import { mountIndex } from '@/core/areas/mount/kit/standards';
import type { QuantityInput } from '@/core/quantity/quantity';
import { QuantityField } from '@/ui/quantity-field';
import { numberFrom } from './figure/number-from';
import { mm } from '@/core/quantity/say';

const SELECT = 'h-11 rounded-sm border border-edge bg-paper px-2';

/** Of a field of one type: what is there, or empty, and where it goes when it is given. */
interface CellOf<F> {
  field: F;
  job: Job;
  label: string;
  hint?: string | undefined;
  value: unknown;
  keep: (next: unknown) => void;
}

export type Single = Exclude<Field, RowsField>;
type FieldOf<T extends Single['type']> = Extract<Single, { type: T }>;

/** One value by its kind of field. */
export function Cell(props: CellOf<Single>) {
  const { field } = props;
  switch (field.type) {
    case 'quantity':
      return (
        <QuantityField
          label={props.label}
          hint={props.hint}
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
      return <PartsCell {...props} field={field} />;
  }
}

function NumberCell({ field, label, hint, value, keep }: CellOf<FieldOf<'number'>>) {
  const id = useId();
  return (
    <Line label={label} hint={hint} id={id}>
      <TextInput
        id={id}
        value={value === undefined ? '' : String(value)}
        check={(t) => {
          const read = t.trim() === '' ? null : numberFrom(field, t);
          return read && 'sentence' in read ? read.sentence : null;
        }}
        onKeep={(t) => {
          const read = numberFrom(field, t);
          keep('value' in read ? read.value : undefined);
        }}
        className="w-28 text-right"
      />
      <span className="w-8 text-sm text-soft">{field.unit}</span>
    </Line>
  );
}

function TextCell({ field, label, hint, value, keep }: CellOf<FieldOf<'text'>>) {
  const id = useId();
  return (
    <Line label={label} hint={hint} id={id}>
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
  label,
  hint,
  value,
  keep,
  options,
}: CellOf<Single> & { options: readonly { value: string; label: string }[] }) {
  const id = useId();
  return (
    <Line label={label} hint={hint} id={id}>
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
    label: m.flange ? `${m.name} (${mm(m.flange.value, 2)})` : m.name,
  }));
}

/** The bodies or batteries that something is made for; others that were named are named again. */
function PartsCell({ field, job, label, value, keep }: CellOf<FieldOf<'texts'>>) {
  const list = Array.isArray(value) ? (value as string[]) : [];
  const parts = job.kit.filter((p) => p.kind === field.of);
  return (
    <fieldset className="py-1">
      <legend className="text-soft">{label}</legend>
      {parts.map((b) => (
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
        .filter((x) => !parts.some((b) => b.id === x))
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
    <div className="py-1" data-said={hint ? '' : undefined}>
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
  placeholder,
}: {
  id: string;
  value: string;
  check: (text: string) => string | null;
  onKeep: (text: string) => void;
  className?: string;
  placeholder?: string;
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
        placeholder={placeholder}
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
