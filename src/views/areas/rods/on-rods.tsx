'use client';

import type { RigFacts } from '@/views/bench/use-rig';
import { Choose } from '@/views/bench/panel-parts';
import { standOf } from '@/core/stand/stand';

/** Which rods something is clamped to: those of the plate, or a single one that a clamp holds. */
export function OnRods({
  facts,
  on,
  name,
  pick,
}: {
  facts: RigFacts;
  on: string | undefined;
  name: string;
  pick: (on: string | undefined, title: string) => void;
}) {
  const { single } = standOf(facts.built);
  if (single.length === 0 && on === undefined) return null;
  const there = on === undefined || single.some((r) => r.use === on);
  return (
    <Choose
      label="clamped to"
      value={there ? (on ?? '') : 'gone'}
      none={null}
      options={[
        {
          id: '',
          name: 'the rods of the plate',
          pick: () => pick(undefined, `Put ${name} on the rods of the plate`),
        },
        ...single.map((r) => ({
          id: r.use,
          name: r.part.name,
          pick: () => pick(r.use, `Put ${name} on ${r.part.name}`),
        })),
        ...(there ? [] : [{ id: 'gone', name: 'a rod that is not on', pick: () => undefined }]),
      ]}
    />
  );
}
