'use client';

import { ChevronDown } from 'lucide-react';
import { Button } from '@/ui/button';
import { Picker } from '@/ui/picker';
import { useBench } from '@/views/bench/bench';
import { NO_OPTIONS, useOptions } from '@/views/bench/use-options';
import { usePartSheet } from '@/views/part/part-sheet';
import { useStore } from '@/views/store/store-context';

/** Which lens is on, in sight everywhere; another one goes on from anywhere. */
export function LensSwitch() {
  const bench = useBench();
  const store = useStore();
  const sheet = usePartSheet();
  const options = useOptions();
  if (!bench) return null;
  const { facts } = bench;
  const { lens } = facts.built;
  const name = lens?.name ?? 'none yet';
  return (
    <Picker
      label="Lens"
      placeholder="name or focal length"
      options={options?.lensOptions(facts, (e) => store?.edit(e)) ?? NO_OPTIONS}
      trigger={
        <Button look="bare" className="min-w-0 shrink gap-1 px-2" aria-label={`lens: ${name}`}>
          <span className="truncate font-semibold">{lens ? name : 'no lens'}</span>
          <ChevronDown size={16} className="shrink-0" aria-hidden="true" />
        </Button>
      }
      footer={
        lens ? (
          <button
            type="button"
            className="flex min-h-11 w-full items-center px-2 text-left underline"
            onClick={() => sheet.open(lens.id)}
          >
            Sheet of {lens.name}
          </button>
        ) : null
      }
    />
  );
}
