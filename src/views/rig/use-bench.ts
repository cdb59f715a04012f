'use client';

import { useCallback, useMemo, useState } from 'react';
import type { Job, Rig } from '@/core/kit/types';
import { withChanges, type Edit } from '@/core/solve/edit';
import { useStore } from '@/views/shell/store-context';
import { useAdvice, useRigFacts, type Advice, type RigFacts } from './use-rig';

/** A rig under the hand: what is dragged shows before it is kept, one finding is lit. */
export interface BenchState {
  job: Job;
  rig: Rig;
  facts: RigFacts;
  advice: Advice;
  /** Key of the finding that is open, and the parts it speaks of. */
  lit: string | null;
  litParts: readonly string[];
  /** What was pressed by hand. */
  picked: string | null;
  setPicked: (key: string | null) => void;
  /** Something is being dragged: what shows is not kept yet. */
  dragging: boolean;
  /** Shows an edit that is still being dragged; null shows what is kept. */
  setDraft: (edit: Edit | null) => void;
  /** Keeps an edit that was let go of. */
  drop: (edit: Edit | null) => void;
}

export function useBench(kept: Job, keptRig: Rig): BenchState {
  const store = useStore();
  // While something is dragged the picture runs ahead of what is kept: one step when it is let go.
  const [draft, setDraft] = useState<Edit | null>(null);
  const job = useMemo(() => (draft ? withChanges(kept, draft.changes) : kept), [kept, draft]);
  const rig = job.rigs.find((r) => r.id === keptRig.id) ?? keptRig;
  const drop = useCallback(
    (edit: Edit | null) => {
      setDraft(null);
      if (edit) store?.edit(edit);
    },
    [store],
  );
  const facts = useRigFacts(job, rig);
  const [picked, setPicked] = useState<string | null>(null);
  const first = facts.verdicts.find((v) => v.state !== 'ok')?.key ?? null;
  const lit = facts.verdicts.some((v) => v.key === picked) ? picked : first;
  const advice = useAdvice(facts, lit, draft !== null);
  // The same parts are the same list: what shows them is not drawn anew with every move.
  const about = JSON.stringify(facts.verdicts.find((v) => v.key === lit)?.about ?? []);
  const litParts = useMemo(() => JSON.parse(about) as string[], [about]);
  return {
    job,
    rig,
    facts,
    advice,
    lit,
    litParts,
    picked,
    setPicked,
    dragging: draft !== null,
    setDraft,
    drop,
  };
}
