'use client';

import { useCallback, useState } from 'react';
import type { CarriedLens } from '@/core/set/carried';
import type { Job } from '@/core/kit/types';
import { Button } from '@/ui/button';
import { StateGlyph } from '@/ui/state-mark';
import { useEdit } from '@/views/bench/panel-parts';
import { useAnswer } from '@/views/bench/use-answer';
import type { RigFacts } from '@/views/bench/use-rig';

/** Every lens of the set as the rig is carried with it: weight, mark, and what it asks for. */
export function LensSet({ facts: { job, rig } }: { facts: RigFacts }) {
  const edit = useEdit();
  const { set, trouble } = useCarriedSet(job, rig.id);
  if (trouble) return <p className="text-fail">{trouble}</p>;
  if (!set) return <p className="text-soft">Every lens of the set is being put on.</p>;
  const { one } = set;
  return (
    <>
      {one ? (
        <div className="mb-2">
          <p className={one.serves ? '' : 'text-tight'}>{one.text}</p>
          <Button className="mt-1" onClick={() => edit(one.edit)}>
            Set it so
          </Button>
        </div>
      ) : null}
      <ul>
        {set.lenses.map((l) => (
          <Row key={l.lens.id} l={l} onMark={l.on && l.edit ? () => edit(l.edit!) : null} />
        ))}
      </ul>
    </>
  );
}

function Row({ l, onMark }: { l: CarriedLens; onMark: (() => void) | null }) {
  const [open, setOpen] = useState(false);
  return (
    <li className="border-b border-rule py-1">
      <p className="flex justify-between gap-2">
        <span className={l.on ? 'font-semibold' : ''}>
          {l.lens.name}
          {l.on ? ', on it now' : ''}
        </span>
        <span className="shrink-0 text-right">{l.mass}</span>
      </p>
      <p className="text-sm text-soft">{l.text}</p>
      {l.mark ? (
        <p className="flex items-center gap-2">
          <span className="min-w-0 flex-1">mark: {l.mark}</span>
          {onMark ? (
            <Button look="bare" onClick={onMark}>
              slide it
            </Button>
          ) : null}
        </p>
      ) : null}
      {l.asks.length > 0 ? (
        <>
          <button
            type="button"
            aria-expanded={open}
            className="min-h-11 text-left underline decoration-edge underline-offset-4"
            onClick={() => setOpen(!open)}
          >
            asks for {l.asks.length} {l.asks.length === 1 ? 'thing' : 'things'} more
          </button>
          {open ? (
            <ul className="mb-1">
              {l.asks.map((a) => (
                <li key={`${a.check} ${a.why}`} className="flex items-start gap-2 py-0.5 text-sm">
                  <StateGlyph state={a.state} size={14} />
                  <span className="min-w-0">
                    {a.why}
                    {a.cure ? ` ${a.cure}.` : ''}
                    {a.wanted.length > 0 ? ` Wanted: ${a.wanted.join('; ')}.` : ''}
                  </span>
                </li>
              ))}
            </ul>
          ) : null}
        </>
      ) : null}
    </li>
  );
}

/** Worked out by the worker, after every edit. */
function useCarriedSet(job: Job, rigId: string) {
  const ask = useCallback(async () => {
    const { sweeper } = await import('@/workers/rig');
    return sweeper.ask(job, (w, n) => w.carried(n, rigId));
  }, [job, rigId]);
  const { answer, trouble } = useAnswer(rigId, ask);
  return { set: answer, trouble };
}
