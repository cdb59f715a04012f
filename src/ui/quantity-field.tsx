'use client';

import { useId, useState, type KeyboardEvent } from 'react';
import {
  known,
  type QuantityInput,
  type Source,
  type ToleranceClass,
} from '@/core/quantity/quantity';
import { boundText, fieldUnit, readTyped, typedText } from '@/core/quantity/typed';

export const SOURCE_WORD: Record<Source, string> = {
  measured: 'measured',
  sheet: 'sheet',
  guess: 'guess',
};

interface QuantityProps {
  label: string;
  hint?: string;
  unit: string;
  cls: ToleranceClass;
  value: QuantityInput | undefined;
  min: number;
  max: number;
  /** Source of a number that is typed without one. */
  defaultSource: Source;
  showLabel?: boolean;
  compact?: boolean;
  onKeep: (value: QuantityInput | undefined) => void;
}

/** What is being typed, what is wrong with it, and keeping it. */
export function useTyped({
  label,
  unit,
  cls,
  value,
  min,
  max,
  defaultSource,
  onKeep,
  marks,
}: Omit<QuantityProps, 'hint' | 'showLabel' | 'compact'> & { marks?: boolean }) {
  const stands = typedText(value, cls, unit, marks);
  // What is being typed; once kept it shows until what stands has followed.
  const [draft, setDraft] = useState<{ text: string; kept: string | null } | null>(null);
  const [trouble, setTrouble] = useState<string | null>(null);
  const text = draft && (draft.kept === null || draft.kept === stands) ? draft.text : stands;
  const keep = () => {
    if (text.trim() === stands.trim() || text.trim() === '') {
      setTrouble(null);
      setDraft(null);
      if (text.trim() !== stands.trim()) onKeep(undefined);
      return;
    }
    const read = readTyped(text, unit, cls);
    if (!read.ok) {
      setTrouble(read.sentence);
      return;
    }
    if (read.value.value < min || read.value.value > max) {
      setTrouble(
        `${label} has to be from ${boundText(min, unit, cls)} to ${boundText(max, unit, cls)}${unit ? ` ${fieldUnit(unit, cls).unit}` : ''}; this says ${boundText(read.value.value, unit, cls)}.`,
      );
      return;
    }
    setTrouble(null);
    setDraft({ text, kept: stands });
    onKeep({ ...read.value, from: read.value.from ?? defaultSource });
  };
  const onKeyDown = (e: KeyboardEvent) => {
    if (e.key === 'Enter') {
      e.preventDefault();
      keep();
    }
    if (e.key === 'Escape' && text !== stands) {
      e.stopPropagation();
      setDraft(null);
      setTrouble(null);
    }
  };
  const type = (t: string) => setDraft({ text: t, kept: null });
  return { text, trouble, keep, type, onKeyDown, draft: text !== stands };
}

/**
 * The one field for a number with tolerance and source. Takes what people type: `77.2`,
 * `77.2+-0.1`, `3 1/32"`, `~120`. Enter or leaving the field keeps it; Escape puts back what was.
 */
export function QuantityField(props: QuantityProps) {
  const { label, hint, unit, cls, showLabel = true, compact = false } = props;
  const id = useId();
  const { text, trouble, keep, type, onKeyDown, draft } = useTyped(props);
  return (
    <div className={compact ? '' : 'py-1'}>
      <div className="flex flex-wrap items-center gap-x-2">
        <label htmlFor={id} className={showLabel ? 'min-w-36 flex-1 text-soft' : 'sr-only'}>
          {label}
        </label>
        <div className="flex items-center gap-1.5">
          <input
            id={id}
            inputMode="text"
            autoComplete="off"
            value={text}
            data-draft={draft || undefined}
            placeholder="not known"
            aria-invalid={trouble !== null}
            aria-describedby={`${id}-hint`}
            onChange={(e) => type(e.target.value)}
            onBlur={keep}
            onKeyDown={onKeyDown}
            className={`h-11 rounded-sm border bg-paper px-2 text-right placeholder:text-soft ${compact ? 'w-28' : 'w-36'} ${trouble ? 'border-fail' : 'border-edge'}`}
          />
          <span className="w-8 text-sm text-soft">{fieldUnit(unit, cls).unit}</span>
          <From {...props} />
        </div>
      </div>
      <p
        id={`${id}-hint`}
        className={
          trouble ? 'text-sm text-fail' : hint && showLabel ? 'text-sm text-soft' : 'sr-only'
        }
        role={trouble ? 'alert' : undefined}
      >
        {trouble ?? hint ?? ''}
      </p>
    </div>
  );
}

/** Where a number that is there is from. */
export function From({
  label,
  cls,
  value,
  onKeep,
}: Pick<QuantityProps, 'label' | 'cls' | 'value' | 'onKeep'>) {
  const k = known(value, cls);
  if (!k) return null;
  return (
    <select
      aria-label={`where ${label} is from`}
      value={k.from}
      onChange={(e) => {
        const q = typeof value === 'object' ? value : { value: k.value };
        onKeep({ ...q, from: e.target.value as Source });
      }}
      className="h-11 rounded-sm border border-rule bg-transparent px-1 text-sm text-soft"
    >
      {(Object.keys(SOURCE_WORD) as Source[]).map((s) => (
        <option key={s} value={s}>
          {SOURCE_WORD[s]}
        </option>
      ))}
    </select>
  );
}
