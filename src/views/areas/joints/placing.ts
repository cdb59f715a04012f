'use client';

import { useCallback, useEffect, useState } from 'react';
import type { RigFacts } from '@/views/bench/use-rig';
import type { TriedPlace } from '@/core/solve/places';

/** A part that is being put somewhere: every place that is free for it, tried. */
export interface Placing {
  part: string;
  name: string;
  /** The use that is moved; null for a piece of the kit. */
  use: string | null;
  /** Best first; null while they are being tried. */
  places: readonly TriedPlace[] | null;
  /** Why no answer came, in a sentence. */
  trouble: string | null;
}

/** What is being put on or moved, and where it could go: tried by the worker after every edit. */
export function usePlacing(facts: RigFacts) {
  const [asked, setAsked] = useState<{ part: string; use: string | null } | null>(null);
  const [answer, setAnswer] = useState<{
    of: typeof asked;
    job: RigFacts['job'];
    places: readonly TriedPlace[] | null;
    trouble: string | null;
  } | null>(null);
  const { job, rig } = facts;
  useEffect(() => {
    if (!asked) return;
    let stale = false;
    void (async () => {
      const { adviser } = await import('@/workers/rig');
      if (stale) return;
      const places = await adviser.ask(job, (w, n) => w.places(n, rig.id, asked.part, asked.use));
      if (!stale && places) setAnswer({ of: asked, job, places, trouble: null });
    })().catch((e: unknown) => {
      const trouble = e instanceof Error ? e.message : String(e);
      if (!stale) setAnswer({ of: asked, job, places: null, trouble });
    });
    return () => {
      stale = true;
    };
  }, [asked, job, rig.id]);
  const place = useCallback((part: string, use: string | null) => setAsked({ part, use }), []);
  const stop = useCallback(() => setAsked(null), []);
  const part = asked ? facts.base.kit.get(asked.part) : undefined;
  const own = answer && answer.of === asked && answer.job === job ? answer : null;
  const placing: Placing | null =
    asked && part
      ? {
          ...asked,
          name: part.name,
          places: own?.places ?? null,
          trouble: own?.trouble ?? null,
        }
      : null;
  return { placing, place, stop };
}
