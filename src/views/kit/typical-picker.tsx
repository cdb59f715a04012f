'use client';

import { ChevronDown } from 'lucide-react';
import { KIND_NAME, isKind } from '@/core/kit/fields';
import type { Job } from '@/core/kit/types';
import { partOf, SHELF } from '@/core/shelf/shelf';
import { addPart } from '@/core/solve/kit-moves';
import { Button } from '@/ui/button';
import { Picker } from '@/ui/picker';
import { usePartSheet } from '@/views/part/part-sheet';
import { useStore } from '@/views/store/store-context';

/** A part of the shelf put into the kit: a guess for every number, with an honest width. */
export function TypicalPicker({ job }: { job: Job }) {
  const store = useStore();
  const sheet = usePartSheet();
  const options = (query: string) => {
    const words = query.toLowerCase().split(/\s+/).filter(Boolean);
    return SHELF.map((t) => ({ t, kind: isKind(t.kind) ? KIND_NAME[t.kind].one : t.kind }))
      .filter(({ t, kind }) => {
        const text = `${t.name} ${t.words} ${kind}`.toLowerCase();
        return words.every((w) => text.includes(w));
      })
      .map(({ t, kind }) => ({
        id: t.id,
        name: t.name,
        hint: kind,
        pick: () => {
          const part = partOf(t);
          store?.edit(addPart(job, part));
          sheet.open(part.id);
        },
      }));
  };
  return (
    <Picker
      label="Add a typical part"
      placeholder="a class: 50 mm prime, base plate, screen ..."
      options={options}
      trigger={
        <Button>
          Add a typical part
          <ChevronDown size={18} aria-hidden="true" />
        </Button>
      }
    />
  );
}
