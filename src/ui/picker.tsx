'use client';

import { Command } from 'cmdk';
import { Popover } from 'radix-ui';
import { useState, type ReactNode } from 'react';
import type { State } from '@/core/checks/finding';
import { StateGlyph, STATE_WORD } from './state-mark';
import { POPOVER } from './sum';

export interface Option {
  id: string;
  name: string;
  hint?: string;
  /** What the rig would be like with it: computed when the list opens. */
  state?: State;
  chosen?: boolean;
  group?: string;
  pick: () => void;
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
  const [query, setQuery] = useState('');
  const isOpen = open ?? own;
  const change = (to: boolean) => {
    if (to) setQuery('');
    setOwn(to);
    onOpenChange?.(to);
  };
  const list = isOpen ? options(query).slice(0, 100) : [];
  const groups = [...new Set(list.map((o) => o.group ?? ''))];
  return (
    <Popover.Root open={isOpen} onOpenChange={change}>
      <Popover.Trigger asChild>{trigger}</Popover.Trigger>
      <Popover.Portal>
        <Popover.Content
          className={`${POPOVER} w-[min(27rem,94vw)] p-0`}
          sideOffset={4}
          collisionPadding={8}
          align="start"
          aria-label={label}
        >
          <Command shouldFilter={false} label={label} loop>
            <Command.Input
              value={query}
              onValueChange={setQuery}
              placeholder={placeholder}
              className="h-11 w-full border-b border-rule bg-transparent px-3 placeholder:text-soft focus:outline-none"
            />
            <Command.List className="max-h-[min(22rem,55vh)] overflow-auto p-1" tabIndex={-1}>
              <Command.Empty className="p-3 text-soft">
                Nothing in the kit by that name.
              </Command.Empty>
              {groups.map((g) => (
                <Command.Group
                  key={g}
                  heading={g || undefined}
                  className="[&_[cmdk-group-heading]]:px-2 [&_[cmdk-group-heading]]:pt-2 [&_[cmdk-group-heading]]:text-sm [&_[cmdk-group-heading]]:text-soft"
                >
                  {list
                    .filter((o) => (o.group ?? '') === g)
                    .map((o) => (
                      <Command.Item
                        key={o.id}
                        value={o.id}
                        onSelect={() => {
                          o.pick();
                          change(false);
                        }}
                        className="flex min-h-11 items-center gap-3 rounded-sm px-2 data-[selected=true]:bg-sunk"
                      >
                        {o.state ? <StateGlyph state={o.state} /> : null}
                        <span className="min-w-0 flex-1">
                          <span className={o.chosen ? 'font-semibold' : ''}>{o.name}</span>
                          {o.hint ? (
                            <span className="block text-sm text-soft">{o.hint}</span>
                          ) : null}
                        </span>
                        {o.chosen ? <span className="text-sm text-soft">on the rig</span> : null}
                        {o.state ? (
                          <span className="text-sm text-soft">{STATE_WORD[o.state]}</span>
                        ) : null}
                      </Command.Item>
                    ))}
                </Command.Group>
              ))}
            </Command.List>
          </Command>
          {footer ? <div className="border-t border-rule p-2">{footer}</div> : null}
        </Popover.Content>
      </Popover.Portal>
    </Popover.Root>
  );
}
