'use client';

import { shownUnit } from '@/core/quantity/shown';
import { useId, type ComponentProps, type ReactNode } from 'react';
import type { Part } from '@/core/kit/types';
import { parseQuantity } from '@/core/quantity/parse';
import { plain } from '@/core/quantity/say';
import type { Edit } from '@/core/edit/edit';
import { Button } from '@/ui/button';
import { TextInput } from '@/views/part/cells';
import { usePartSheet } from '@/views/part/part-sheet';
import { useStore } from '@/views/store/store-context';
import { Overridden } from './overridden';

const SELECT = 'h-11 min-w-0 flex-1 rounded-sm border border-edge bg-paper px-2';

/** Sections under each other, and beside each other where there is room for two. */
export function Columns({ children }: { children: ReactNode }) {
  return (
    <div className="@container">
      <div className="flex flex-col gap-3 @2xl:block @2xl:columns-2 @2xl:gap-8 @2xl:*:mb-3">
        {children}
      </div>
    </div>
  );
}

/** A group of choices with a heading. */
export function Section({ title, children }: { title: string; children: ReactNode }) {
  return (
    <section>
      <h3 className="mb-0.5 font-semibold">{title}</h3>
      {children}
    </section>
  );
}

/** A list to choose one thing from. */
export function Choose({
  label,
  value,
  none,
  options,
}: {
  label: string;
  value: string;
  none: string | null;
  options: { id: string; name: string; pick: () => void }[];
}) {
  const id = useId();
  return (
    <div className="flex items-center gap-2 py-0.5">
      <label htmlFor={id} className="w-32 shrink-0 text-soft">
        {label}
      </label>
      <select
        id={id}
        className={SELECT}
        value={value}
        onChange={(e) => options.find((o) => o.id === e.target.value)?.pick()}
      >
        {none !== null ? <option value="">{none}</option> : null}
        {options.map((o) => (
          <option key={o.id} value={o.id}>
            {o.name}
          </option>
        ))}
      </select>
    </div>
  );
}

/** What keeps an edit. */
export function useEdit(): (e: Edit) => void {
  const store = useStore();
  return store?.edit ?? (() => undefined);
}

/** A part that is on: opens its sheet, comes off. */
export function Piece({
  part,
  hint,
  use,
  onOff,
}: {
  part: Part;
  hint?: string;
  /** Its use: what the open configuration says of it is marked. */
  use?: string;
  onOff: () => void;
}) {
  const sheet = usePartSheet();
  const row = (
    <div className="flex items-center gap-2">
      <button
        type="button"
        className="min-h-11 min-w-0 flex-1 truncate text-left underline decoration-edge underline-offset-4"
        onClick={() => sheet.open(part.id)}
      >
        {part.name}
        {hint ? <span className="text-soft"> {hint}</span> : null}
      </button>
      <Button look="bare" aria-label={`Take ${part.name} off`} onClick={onOff}>
        take off
      </Button>
    </div>
  );
  return use === undefined ? (
    row
  ) : (
    <>
      {row}
      <Overridden use={use} name={part.name} />
    </>
  );
}

/** What may be typed where a number may be left open, by its unit. */
const OPEN = {
  mm: { least: -20_000, most: 20_000, else: 'A number, like 240.' },
  deg: { least: -360, most: 360, else: 'An angle in degrees, like 30.' },
  C: { least: -60, most: 60, else: 'Degrees Celsius, like -5.' },
  min: { least: 0, most: 1440, else: 'Minutes, like 4.' },
  g: { least: 1, most: 1_000_000, else: 'A mass, like 4500 or 4.5 kg.' },
} as const;

/** A number that may be left open; read and typed in the unit this device shows. */
export function Amount({
  label,
  value,
  unit,
  hint,
  stacked,
  positive,
  onKeep,
}: {
  label: string;
  value: number | undefined;
  unit: keyof typeof OPEN;
  /** Nothing below 0. */
  positive?: boolean;
  /** Its label stands over it. */
  stacked?: boolean;
  /** What stands when nothing is set. */
  hint?: string;
  onKeep: (value: number | undefined) => void;
}) {
  const id = useId();
  const own = shownUnit(unit);
  const { least, most, else: sentence } = OPEN[unit];
  const read = (t: string) => {
    const r = parseQuantity(t, unit, 1 / own.per);
    return r.ok && r.value.value >= (positive ? 0 : least) && r.value.value <= most
      ? r.value.value
      : null;
  };
  return (
    <div className={`flex items-center gap-x-2 py-0.5 ${stacked ? 'flex-wrap' : ''}`}>
      <label htmlFor={id} className={`shrink-0 text-soft ${stacked ? 'w-full text-sm' : 'w-32'}`}>
        {label}
      </label>
      <TextInput
        id={id}
        value={value === undefined ? '' : plain(value * own.per, own.more > 0 ? 3 : 1)}
        className="w-24 text-right"
        check={(t) => (t === '' || read(t) !== null ? null : sentence)}
        onKeep={(t) => onKeep(t === '' ? undefined : (read(t) ?? undefined))}
      />
      <span className="text-sm text-soft">
        {own.unit}
        {value === undefined && hint ? `, ${hint}` : ''}
      </span>
    </div>
  );
}

/** A length that may be left open. */
export const Length = ({
  unit = 'mm',
  ...rest
}: Omit<ComponentProps<typeof Amount>, 'unit'> & { unit?: 'mm' | 'deg' }) => (
  <Amount unit={unit} {...rest} />
);
