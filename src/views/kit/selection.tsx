'use client';

import { useState } from 'react';
import type { Job, Part } from '@/core/kit/types';
import { setOnMany } from '@/core/solve/kit-moves';
import { removeParts } from '@/core/solve/remove-part';
import { Button } from '@/ui/button';
import { useStore } from '@/views/store/store-context';

/** What can be done to all parts that are selected, in one step each. */
export function Selection({
  job,
  parts,
  clear,
}: {
  job: Job;
  parts: readonly Part[];
  clear: () => void;
}) {
  const store = useStore();
  const [owner, setOwner] = useState('');
  const [count, setCount] = useState('');
  const pieces = Number(count);
  const sound = count.trim() !== '' && Number.isInteger(pieces) && pieces >= 0 && pieces <= 999;
  return (
    <div
      role="group"
      aria-label="What is selected"
      className="flex flex-wrap items-center gap-2 border-l-4 border-accent bg-panel px-3 py-1"
    >
      <span className="font-semibold">{parts.length} selected</span>
      <label className="flex items-center gap-2">
        <span className="text-soft">owner or tag</span>
        <input
          value={owner}
          maxLength={120}
          onChange={(e) => setOwner(e.target.value)}
          className="h-11 w-40 rounded-sm border border-edge bg-paper px-2"
        />
      </label>
      <Button
        onClick={() =>
          store?.edit(setOnMany(parts, 'owner', owner.trim() || undefined, 'Owner or tag'))
        }
      >
        Set it on all
      </Button>
      <label className="flex items-center gap-2">
        <span className="text-soft">pieces on hand</span>
        <input
          value={count}
          inputMode="numeric"
          onChange={(e) => setCount(e.target.value)}
          aria-invalid={count !== '' && !sound}
          className="h-11 w-20 rounded-sm border border-edge bg-paper px-2 text-right"
        />
      </label>
      <Button
        disabled={!sound}
        onClick={() => store?.edit(setOnMany(parts, 'count', pieces, 'Pieces on hand'))}
      >
        Set the count on all
      </Button>
      <Button
        look="danger"
        onClick={() => {
          store?.edit(removeParts(job, parts));
          clear();
        }}
      >
        Take them out
      </Button>
      <Button look="bare" className="underline" onClick={clear}>
        Select none
      </Button>
    </div>
  );
}
