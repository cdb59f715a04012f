'use client';

import { asTheRig } from '@/core/solve/configurations';
import { Button } from '@/ui/button';
import { useStore } from '@/views/store/store-context';
import { useOverrides } from './use-overrides';

/** What the open configuration says other than its rig of one piece or one field, and the way back. */
export function Overridden({ use, field, name }: { use?: string; field?: string; name: string }) {
  const overrides = useOverrides();
  const store = useStore();
  const own =
    overrides?.list.filter((c) => (use === undefined ? c.field === field : c.use === use)) ?? [];
  if (!overrides || own.length === 0) return null;
  const { rig, configuration } = overrides;
  const words = own.map((c) =>
    c.text.startsWith(`${name}: `) ? c.text.slice(name.length + 2) : c.text,
  );
  const only = own.some((c) => c.what === 'added');
  return (
    <div className="flex items-center gap-2 border-l-2 border-accent pl-2 text-sm">
      <p className="min-w-0 flex-1">
        <span className="font-semibold">{configuration.name}: </span>
        {only ? 'only here' : words.join('; ')}
      </p>
      <Button
        look="bare"
        aria-label={`${name} as ${rig.name} has it`}
        onClick={() => store?.edit(asTheRig(rig, configuration, { use: use ?? null, field, name }))}
      >
        as the rig
      </Button>
    </div>
  );
}
