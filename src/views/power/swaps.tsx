'use client';

import { saySwap, swapsOn } from '@/core/areas/power/model/swap';
import { Section } from '@/views/bench/panel-parts';
import { Day } from './day';
import { Marks } from './marks';
import { Night } from './night';
import { RunLog } from './run-log';
import type { RigFacts } from '@/views/bench/use-rig';

/** The packs: their day, what each change does, their night in the chargers, how long they really lasted. */
export function Swaps({ facts }: { facts: RigFacts }) {
  const swaps = swapsOn(facts.built);
  return (
    <div className="flex min-h-0 flex-1 flex-col gap-3 overflow-auto p-3">
      <Day facts={facts} />
      {swaps.length === 0 ? <p>No battery is on the rig yet.</p> : null}
      {swaps.map((s) => (
        <Section key={s.id} title={`When ${s.name} is changed`}>
          <p>{saySwap(s)}</p>
        </Section>
      ))}
      <Night facts={facts} />
      <RunLog facts={facts} />
      <Marks facts={facts} />
    </div>
  );
}
