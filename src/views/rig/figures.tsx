'use client';

import { memo, useMemo } from 'react';
import { readings } from '@/core/readings/readings';
import { Sum } from '@/ui/sum';
import type { RigFacts } from '../bench/use-rig';

/** The figures of the rig: each opens to its sum. */
export const Figures = memo(function Figures({ facts }: { facts: RigFacts }) {
  const list = useMemo(() => readings(facts.built), [facts.built]);
  return (
    <dl>
      {list.map((r) => (
        <div key={r.id} className="flex items-center justify-between gap-2 border-b border-rule">
          <dt className="min-w-0 leading-tight text-soft">{r.label}</dt>
          <dd className={`shrink-0 font-semibold ${r.value === null ? 'text-unknown' : ''}`}>
            <Sum label={r.label} sum={r.sum} basis={r.basis}>
              {r.text}
            </Sum>
          </dd>
        </div>
      ))}
    </dl>
  );
});
