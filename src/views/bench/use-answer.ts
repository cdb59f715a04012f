'use client';

import { useEffect, useState } from 'react';

/**
 * What is asked of a worker, anew whenever it is another question; what was answered before stays until
 * then, as long as it is of the same thing.
 *
 * @param of the thing it is of; an answer to another one is not shown
 * @param ask the question: another function is another question
 */
export function useAnswer<T>(
  of: string,
  ask: () => Promise<T | null>,
): { answer: T | null; trouble: string | null } {
  const [got, setGot] = useState<{ of: string; answer: T | null; trouble: string | null } | null>(
    null,
  );
  useEffect(() => {
    let stale = false;
    void ask()
      .then((answer) => {
        if (!stale && answer !== null) setGot({ of, answer, trouble: null });
      })
      .catch((e: unknown) => {
        const trouble = e instanceof Error ? e.message : String(e);
        if (!stale) setGot({ of, answer: null, trouble });
      });
    return () => {
      stale = true;
    };
  }, [of, ask]);
  const mine = got?.of === of ? got : null;
  return { answer: mine?.answer ?? null, trouble: mine?.trouble ?? null };
}
