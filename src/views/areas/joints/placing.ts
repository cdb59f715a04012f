'use client';

import { useCallback, useEffect, useState } from 'react';
import type { RigFacts } from '@/views/bench/use-rig';
import type { FreeHost } from '@/core/solve/fill';
import type { TriedPlace } from '@/core/solve/places';

/** What is asked: where a part could go, or what could go on a place. */
type Asked = { part: string; use: string | null } | { host: string; name: string };

/** A part that is being put somewhere, or a place that is being filled: everything that would do. */
export interface Placing {
  title: string;
  /** What is said where nothing would do. */
  nothing: string;
  /** Best first; null while they are being tried. */
  places: readonly TriedPlace[] | null;
  /** Why no answer came, in a sentence. */
  trouble: string | null;
}

interface Answer<T> {
  of: unknown;
  job: RigFacts['job'];
  value: T | null;
  trouble: string | null;
}

/** An answer of the worker about the rig as it is; asked again after every edit. */
export function useAsked<T>(
  facts: RigFacts,
  asked: unknown,
  ask: (rigId: string) => Promise<T | null>,
): Answer<T> | null {
  const [answer, setAnswer] = useState<Answer<T> | null>(null);
  const { job, rig } = facts;
  useEffect(() => {
    if (!asked) return;
    let stale = false;
    ask(rig.id).then(
      (value) => {
        if (!stale && value) setAnswer({ of: asked, job, value, trouble: null });
      },
      (e: unknown) => {
        const trouble = e instanceof Error ? e.message : String(e);
        if (!stale) setAnswer({ of: asked, job, value: null, trouble });
      },
    );
    return () => {
      stale = true;
    };
    // What is asked says which question it is.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [asked, job, rig.id]);
  return answer && answer.of === asked && answer.job === job ? answer : null;
}

/** What is being put on or moved, and where it could go: tried by the worker after every edit. */
export function usePlacing(facts: RigFacts) {
  const [asked, setAsked] = useState<Asked | null>(null);
  const { job } = facts;
  const own = useAsked(facts, asked, async (rigId) => {
    const { adviser } = await import('@/workers/rig');
    return adviser.ask(job, (w, n) =>
      'host' in asked!
        ? w.fills(n, rigId, asked.host)
        : w.places(n, rigId, asked!.part, asked!.use),
    );
  });
  const place = useCallback((part: string, use: string | null) => setAsked({ part, use }), []);
  const fill = useCallback((host: string, name: string) => setAsked({ host, name }), []);
  const stop = useCallback(() => setAsked(null), []);
  const words = asked && wordsOf(facts, asked);
  const placing: Placing | null = words
    ? { ...words, places: own?.value ?? null, trouble: own?.trouble ?? null }
    : null;
  return { placing, place, fill, stop };
}

function wordsOf(facts: RigFacts, asked: Asked): Pick<Placing, 'title' | 'nothing'> | null {
  if ('host' in asked)
    return {
      title: `What could go on ${asked.name}?`,
      nothing: 'No part of the kit that is not on the rig goes there.',
    };
  const part = facts.base.kit.get(asked.part);
  return part
    ? {
        title: `Where could ${part.name} go?`,
        nothing: 'Nothing on the rig that is free holds it. Its own sheet says what it is held by.',
      }
    : null;
}

/** What is free on the rig, while it is looked at. */
export function useFree(facts: RigFacts, on: boolean): readonly FreeHost[] | null {
  const { job } = facts;
  return (
    useAsked(facts, on ? FREE : null, async (rigId) => {
      const { adviser } = await import('@/workers/rig');
      return adviser.ask(job, (w, n) => w.free(n, rigId));
    })?.value ?? null
  );
}

const FREE = 'free';
