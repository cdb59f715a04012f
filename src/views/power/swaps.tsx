'use client';

import { saySwap, swapsOn } from '@/core/areas/power/model/swap';
import { Section } from '@/views/bench/panel-parts';
import { Day } from './day';
import type { RigFacts } from '@/views/bench/use-rig';

/** The day with its changes, and what each change of a pack does: what goes dark, what stays up, what is pulled. */
export function Swaps({ facts }: { facts: RigFacts }) {
  const swaps = swapsOn(facts.built);
  return (
    <div className="flex flex-col gap-3 p-3">
      <Day facts={facts} />
      {swaps.length === 0 ? <p>No battery is on the rig yet.</p> : null}
      {swaps.map((s) => (
        <Section key={s.id} title={`When ${s.name} is changed`}>
          <p>{saySwap(s)}</p>
        </Section>
      ))}
    </div>
  );
}
