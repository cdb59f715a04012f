'use client';

import { useId } from 'react';
import { Button } from '@/ui/button';

/** A small field of a log with its label over it. */
export function Small({
  label,
  value,
  hint,
  onChange,
}: {
  label: string;
  value: string;
  hint: string;
  onChange: (t: string) => void;
}) {
  const id = useId();
  return (
    <span className="flex flex-col">
      <label htmlFor={id} className="text-sm text-soft">
        {label}
      </label>
      <input
        id={id}
        className="h-11 w-24 rounded-sm border border-edge bg-paper px-2 text-right"
        value={value}
        placeholder={hint}
        inputMode={hint === '%' ? 'decimal' : 'text'}
        autoComplete="off"
        onChange={(e) => onChange(e.target.value)}
      />
    </span>
  );
}

/** One line of a log: what was noted, what it comes to; it can be taken out. */
export function LogLine({
  said,
  more,
  odd,
  onOut,
}: {
  said: string;
  more: readonly (string | null)[];
  /** It is not as it was said to be. */
  odd: boolean;
  onOut: () => void;
}) {
  return (
    <li className="flex items-start gap-2 border-b border-rule py-1">
      <div className="min-w-0 flex-1">
        <p className="font-semibold">{said}</p>
        <p className={odd ? 'text-tight' : 'text-sm text-soft'}>
          {more.filter(Boolean).join('; ')}
        </p>
      </div>
      <Button look="bare" aria-label={`Take ${said} out of the log`} onClick={onOut}>
        take out
      </Button>
    </li>
  );
}
