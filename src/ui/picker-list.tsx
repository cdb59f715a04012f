'use client';

import { Command } from 'cmdk';
import { useMemo, useState } from 'react';
import type { Option } from './option';
import { StateGlyph, STATE_WORD } from './state-mark';

const MOST = 100;

/** A list to search and choose from, with what each choice would lead to. */
export function PickerList({
  label,
  placeholder,
  begin = '',
  options,
  close,
}: {
  label: string;
  placeholder: string;
  /** What is in the search when it opens. */
  begin?: string;
  options: (query: string) => Option[];
  close: () => void;
}) {
  const [query, setQuery] = useState(begin);
  const list = useMemo(() => options(query).slice(0, MOST), [options, query]);
  const groups = [...new Set(list.map((o) => o.group ?? ''))];
  return (
    <Command shouldFilter={false} label={label} loop>
      <Command.Input
        autoFocus
        value={query}
        onValueChange={setQuery}
        placeholder={placeholder}
        className="h-11 w-full border-b border-rule bg-transparent px-3 placeholder:text-soft focus:outline-none"
      />
      <Command.List className="max-h-[min(22rem,55vh)] overflow-auto p-1" tabIndex={-1}>
        <Command.Empty className="p-3 text-soft">Nothing by that name.</Command.Empty>
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
                    close();
                  }}
                  className="flex min-h-11 items-center gap-3 rounded-sm px-2 data-[selected=true]:bg-sunk"
                >
                  {o.state ? <StateGlyph state={o.state} /> : null}
                  <span className="min-w-0 flex-1">
                    <span className={o.chosen ? 'font-semibold' : ''}>{o.name}</span>
                    {o.hint ? <span className="block text-sm text-soft">{o.hint}</span> : null}
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
  );
}
