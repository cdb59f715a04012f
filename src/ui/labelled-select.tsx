'use client';

import { useId } from 'react';

/** A choice of a few by name, with what it is for before it. */
export function LabelledSelect({
  label,
  value,
  options,
  focused,
  onPick,
}: {
  label: string;
  value: string;
  options: readonly { id: string; name: string }[];
  /** It has the focus as soon as it is there. */
  focused?: boolean;
  onPick: (id: string) => void;
}) {
  const id = useId();
  return (
    <span className="flex items-center gap-2">
      <label htmlFor={id} className="text-soft">
        {label}
      </label>
      <select
        id={id}
        className="h-11 max-w-60 rounded-sm border border-edge bg-panel px-2"
        value={value}
        autoFocus={focused}
        onChange={(e) => onPick(e.target.value)}
      >
        {options.map((o) => (
          <option key={o.id} value={o.id}>
            {o.name}
          </option>
        ))}
      </select>
    </span>
  );
}
