'use client';

import { useEffect, useState, type ReactNode } from 'react';
import type { Option } from './option';
import { Pop } from './pop';

/** The searchable list comes when a place is first pressed: it is not needed to see the rig. */
const load = () => import('./picker-list').then((m) => ({ List: m.PickerList }));
let loaded: Awaited<ReturnType<typeof load>> | null = null;

/** Fetches the list while nothing else is going on, so that the first keys typed reach it. */
export async function preloadPicker(): Promise<void> {
  loaded = await load();
}

/**
 * A place that takes one of several things: a button with what is there now, and a list to search
 * with what each choice would lead to.
 */
export function Picker({
  trigger,
  label,
  options,
  placeholder,
  footer,
  open,
  onOpenChange,
}: {
  trigger: ReactNode;
  label: string;
  /** Called when the list opens or the search changes; at most a hundred are shown. */
  options: (query: string) => Option[];
  placeholder: string;
  footer?: ReactNode;
  open?: boolean;
  onOpenChange?: (open: boolean) => void;
}) {
  const [own, setOwn] = useState(false);
  const [come, setCome] = useState(loaded);
  // What is typed before the list has come is what it begins with.
  const [typed, setTyped] = useState('');
  const isOpen = open ?? own;
  const List = come?.List ?? loaded?.List;
  const change = (to: boolean) => {
    setOwn(to);
    setTyped('');
    onOpenChange?.(to);
  };
  useEffect(() => {
    if (isOpen && !List) void preloadPicker().then(() => setCome(loaded));
  }, [isOpen, List]);
  return (
    <Pop
      trigger={trigger}
      label={label}
      open={isOpen}
      onOpenChange={change}
      align="start"
      className="w-[min(27rem,94vw)]"
      ownFocus
    >
      {List ? (
        <List
          label={label}
          placeholder={placeholder}
          begin={typed}
          options={options}
          close={() => change(false)}
        />
      ) : (
        <input
          autoFocus
          aria-label={label}
          value={typed}
          onChange={(e) => setTyped(e.target.value)}
          placeholder={placeholder}
          className="h-11 w-full border-b border-rule bg-transparent px-3 placeholder:text-soft focus:outline-none"
        />
      )}
      {footer ? <div className="border-t border-rule p-2">{footer}</div> : null}
    </Pop>
  );
}
