'use client';

import { ChevronDown } from 'lucide-react';
import { newNamedId } from '@/core/engine/ids';
import { KIND_NAME, KINDS, isKind } from '@/core/kit/fields';
import type { Job, Part } from '@/core/kit/types';
import { partOf, SHELF } from '@/core/shelf/shelf';
import { addPart } from '@/core/solve/kit-moves';
import { Button } from '@/ui/button';
import type { Option } from '@/ui/option';
import { Picker } from '@/ui/picker';
import { usePartSheet } from '@/views/part/part-sheet';
import { useStore } from '@/views/store/store-context';

const OWN = 'your own, nothing known yet';
const TYPICAL = 'typical: every number a guess with its width';

/** The one way to add: a piece of one's own of which nothing is known yet, or a typical one. */
export function AddPicker({ job, looked }: { job: Job; looked: string }) {
  const store = useStore();
  const sheet = usePartSheet();
  const add = (part: Part) => {
    store?.edit(addPart(job, part));
    sheet.open(part.id);
  };
  const options = (query: string): Option[] => {
    const words = query.toLowerCase().split(/\s+/).filter(Boolean);
    const hits = (text: string) => words.every((w) => text.toLowerCase().includes(w));
    const own = [...KINDS]
      .sort((a, b) => Number(b === looked) - Number(a === looked))
      .filter((k) => hits(`${KIND_NAME[k].one} ${KIND_NAME[k].many}`))
      .map((kind): Option => {
        const name = `New ${KIND_NAME[kind].one}`;
        return {
          id: kind,
          name: KIND_NAME[kind].one,
          group: OWN,
          pick: () => add({ id: newNamedId(name), kind, name } as Part),
        };
      });
    const typical = SHELF.map((t) => ({ t, kind: isKind(t.kind) ? KIND_NAME[t.kind].one : t.kind }))
      .filter(({ t, kind }) => hits(`${t.name} ${t.words} ${kind}`))
      .map(({ t, kind }) => ({
        id: t.id,
        name: t.name,
        hint: kind,
        group: TYPICAL,
        pick: () => add(partOf(t)),
      }));
    return [...own, ...typical];
  };
  return (
    <Picker
      label="What to add"
      placeholder="lens, 50 mm prime, base plate, screen ..."
      options={options}
      trigger={
        <Button look="strong">
          Add
          <ChevronDown size={16} aria-hidden="true" />
        </Button>
      }
    />
  );
}
