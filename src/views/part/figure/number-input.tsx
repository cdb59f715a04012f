'use client';

import { useEffect, useEffectEvent, useState } from 'react';
import type { NumberField, QuantityField } from '@/core/engine/field';
import type { QuantityInput, Source } from '@/core/quantity/quantity';
import { fieldUnit } from '@/core/quantity/typed';
import { useTyped } from '@/ui/quantity-field';
import { numberFrom } from './number-from';

interface Box {
  label: string;
  /** Stands over the number, where there is room for a few words. */
  short: string;
  x: number;
  y: number;
  w: number;
  h: number;
  onFocus: () => void;
  onTrouble: (sentence: string | null) => void;
}

/** A quantity on a drawing: the number itself is the field. */
export function QuantityOnDrawing({
  field,
  value,
  source,
  onKeep,
  ...box
}: Box & {
  field: QuantityField;
  value: QuantityInput | undefined;
  source: Source;
  onKeep: (v: QuantityInput | undefined) => void;
}) {
  const { text, trouble, keep, type, onKeyDown, draft } = useTyped({
    label: box.label,
    unit: field.unit,
    cls: field.cls,
    min: field.min,
    max: field.max,
    value,
    defaultSource: source,
    onKeep,
    marks: true,
  });
  return (
    <Shell
      {...box}
      unit={fieldUnit(field.unit, field.cls).unit}
      text={text}
      draft={draft}
      trouble={trouble}
      type={type}
      keep={keep}
      onKeyDown={onKeyDown}
    />
  );
}

/** A count or a bare number on a drawing. */
export function NumberOnDrawing({
  field,
  value,
  onKeep,
  ...box
}: Box & {
  field: NumberField;
  value: unknown;
  onKeep: (v: number | undefined) => void;
}) {
  const stands = value === undefined ? '' : String(value as number);
  const [draft, setDraft] = useState<string | null>(null);
  const [trouble, setTrouble] = useState<string | null>(null);
  const keep = () => {
    if (draft === null || draft.trim() === stands) {
      setDraft(null);
      setTrouble(null);
      return;
    }
    const read = draft.trim() === '' ? { value: undefined } : numberFrom(field, draft);
    if ('sentence' in read) {
      setTrouble(read.sentence);
      return;
    }
    setDraft(null);
    setTrouble(null);
    onKeep(read.value);
  };
  return (
    <Shell
      {...box}
      unit={field.unit}
      text={draft ?? stands}
      draft={draft !== null}
      trouble={trouble}
      type={setDraft}
      keep={keep}
      onKeyDown={(e) => {
        if (e.key === 'Enter') keep();
        if (e.key === 'Escape' && draft !== null) {
          e.stopPropagation();
          setDraft(null);
          setTrouble(null);
        }
      }}
    />
  );
}

function Shell({
  label,
  short,
  unit,
  x,
  y,
  w,
  h,
  text,
  draft,
  trouble,
  type,
  keep,
  onKeyDown,
  onFocus,
  onTrouble,
}: Box & {
  unit: string;
  text: string;
  /** It is not what stands: the first Escape puts that back. */
  draft: boolean;
  trouble: string | null;
  type: (t: string) => void;
  keep: () => void;
  onKeyDown: (e: React.KeyboardEvent) => void;
}) {
  // What is wrong with it is said over the drawing, where there is room for a sentence.
  const tell = useEffectEvent(onTrouble);
  useEffect(() => tell(trouble), [trouble]);
  return (
    <span className="absolute" style={{ left: x, top: y, width: w, height: h }}>
      <span
        aria-hidden="true"
        className="pointer-events-none absolute inset-x-0 top-0.5 truncate px-1 text-center text-xs text-soft"
      >
        {short}
        {unit && unit !== 'mm' && !short.includes(unit) ? `, ${unit}` : ''}
      </span>
      <input
        aria-label={label}
        title={label}
        autoComplete="off"
        value={text}
        data-draft={draft || undefined}
        placeholder="?"
        aria-invalid={trouble !== null}
        onChange={(e) => type(e.target.value)}
        onFocus={(e) => {
          onFocus();
          e.currentTarget.select();
        }}
        onBlur={keep}
        onKeyDown={onKeyDown}
        className={`size-full rounded-sm border bg-panel px-1 pt-3.5 text-center placeholder:font-semibold placeholder:text-unknown hover:border-edge focus:border-accent ${
          trouble ? 'border-fail' : text === '' ? 'border-dashed border-edge' : 'border-transparent'
        }`}
      />
      {trouble ? (
        <span role="alert" className="sr-only">
          {trouble}
        </span>
      ) : null}
    </span>
  );
}
