'use client';

import { useContext, useEffect, useState } from 'react';
import { rangeWords, type Range } from '@/core/solve/range';
import { Button } from '@/ui/button';
import type { RigFacts } from '@/views/bench/use-rig';
import { RangeDrawn } from './load-layer';
import { useAsked } from './placing';

/** How far a joint lets a part slide or turn before it meets something: tried when it is asked. */
export function HowFar({
  facts,
  use,
  name,
  what,
}: {
  facts: RigFacts;
  use: string;
  name: string;
  what: Range['what'];
}) {
  const [asked, setAsked] = useState<string | null>(null);
  const { job } = facts;
  const own = useAsked<Range | 'none'>(facts, asked, async (rigId) => {
    const { sweeper } = await import('@/workers/rig');
    return sweeper.ask<Range | 'none' | null>(job, (w, n) => w.range(n, rigId, use, what));
  });
  const draw = useContext(RangeDrawn);
  const found = asked && own?.value && own.value !== 'none' ? own.value : null;
  useEffect(() => {
    if (!found) return;
    draw(found);
    return () => draw(null);
  }, [found, draw]);
  const said = !asked
    ? null
    : own?.trouble
      ? own.trouble
      : !own?.value
        ? 'It is being tried ...'
        : own.value === 'none'
          ? 'That cannot be said: a number of it is missing, or it fouls, or may, as it stands.'
          : rangeWords(own.value);
  return (
    <div className="flex items-center gap-2 text-sm">
      <Button
        look="bare"
        aria-label={`How far does ${name} ${what}?`}
        onClick={() => setAsked(`${what} ${use}`)}
      >
        how far?
      </Button>
      <p role="status" className="min-w-0 flex-1">
        {said}
      </p>
    </div>
  );
}
