'use client';

import { useId, useState } from 'react';
import { dropPosition, keepPosition, toPosition } from '@/core/areas/joints/moves/seat';
import type { NamedSeat } from '@/core/areas/joints/model/seats';
import type { TriedPosition } from '@/core/solve/positions';
import { Button } from '@/ui/button';
import { StateGlyph } from '@/ui/state-mark';
import { useEdit } from '@/views/bench/panel-parts';
import type { RigFacts } from '@/views/bench/use-rig';
import { TextInput } from '@/views/part/cells';
import { stateOf } from './place-words';
import { useAsked } from './placing';

/** What each named position brings, tried by the worker after every edit; null while it is tried. */
export function usePositions(facts: RigFacts): readonly TriedPosition[] | null {
  const any = (facts.rig.fitted ?? []).some((u) => (u.positions ?? []).length > 0);
  const { job } = facts;
  const answer = useAsked<TriedPosition[]>(facts, any ? 'positions' : null, async (rigId) => {
    const { sweeper } = await import('@/workers/rig');
    return sweeper.ask<TriedPosition[] | null>(job, (w, n) => w.positions(n, rigId));
  });
  return answer?.value ?? null;
}

/** Positions of a joint by name: go there, what each brings, keep the one that stands now. */
export function Positions({
  facts: { rig },
  seat: { use, part },
  tried,
}: {
  facts: RigFacts;
  seat: NamedSeat;
  tried: readonly TriedPosition[] | null;
}) {
  const edit = useEdit();
  const id = useId();
  const [kept, setKept] = useState(0);
  return (
    <div>
      {(use.positions ?? []).map((p) => (
        <div key={p.id} className="flex items-center gap-2 py-0.5">
          <Button
            className="w-24 shrink-0 break-words"
            aria-label={`${part.name} ${p.name}`}
            onClick={() => edit(toPosition(rig, use, p, part.name))}
          >
            {p.name}
          </Button>
          <Told t={tried?.find((x) => x.use === use.id && x.position === p.id) ?? null} />
          <Button
            look="bare"
            aria-label={`Forget ${p.name} of ${part.name}`}
            onClick={() => edit(dropPosition(rig, use, p, part.name))}
          >
            forget
          </Button>
        </div>
      ))}
      <div className="flex items-center gap-2">
        <label htmlFor={id} className="min-w-28 text-soft">
          keep this as<span className="sr-only"> a position of {part.name}</span>
        </label>
        <TextInput
          key={kept}
          id={id}
          value=""
          className="w-full"
          placeholder="in, out, folded"
          check={(t) => (t.length > 40 ? 'A name of 40 letters at most.' : null)}
          onKeep={(t) => {
            edit(keepPosition(rig, use, t));
            setKept(kept + 1);
          }}
        />
      </div>
    </div>
  );
}

/** What came of trying a position. */
function Told({ t }: { t: TriedPosition | null }) {
  return (
    <p className="flex min-w-0 flex-1 items-start gap-2 text-sm text-soft">
      {t === null ? (
        'is being tried ...'
      ) : t.here ? (
        'it stands so'
      ) : (
        <>
          <StateGlyph state={stateOf(t)} />
          <span>{t.worst ?? 'brings no new finding'}</span>
        </>
      )}
    </p>
  );
}
