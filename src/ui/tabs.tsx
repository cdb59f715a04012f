'use client';

import { Tabs as Radix } from 'radix-ui';
import type { ReactNode } from 'react';

export interface Tab<T extends string> {
  id: T;
  name: string;
}

/** A row of tabs over one panel; arrow keys go from one to the next. */
export function Tabs<T extends string>({
  label,
  tabs,
  tab,
  onTab,
  panelClass = '',
  children,
}: {
  label: string;
  tabs: readonly Tab<T>[];
  tab: T;
  onTab: (tab: T) => void;
  panelClass?: string;
  children: ReactNode;
}) {
  return (
    <Radix.Root
      value={tab}
      onValueChange={(v) => onTab(v as T)}
      className="flex min-h-0 flex-1 flex-col"
    >
      <Radix.List aria-label={label} className="flex border-b border-rule px-1">
        {tabs.map((t) => (
          <Radix.Trigger
            key={t.id}
            value={t.id}
            className={`min-h-11 border-b-[3px] border-transparent font-semibold whitespace-nowrap text-soft hover:text-ink aria-selected:border-accent aria-selected:text-ink ${tabs.length > 5 ? 'px-1.5' : 'px-2.5'}`}
          >
            {t.name}
          </Radix.Trigger>
        ))}
      </Radix.List>
      <Radix.Content key={tab} value={tab} className={`flex min-h-0 flex-1 flex-col ${panelClass}`}>
        {children}
      </Radix.Content>
    </Radix.Root>
  );
}
