'use client';

import { useEffect, useState } from 'react';
import type { Field } from '@/core/kit/fields';
import type { hintOf } from '@/core/words/hints';

let words: typeof hintOf | null = null;

/** How a number of a part is measured, as soon as the words are there; null asks for nothing. */
export function useHint(kind: string, field: Field | null): string | undefined {
  const [of, setOf] = useState(() => words);
  const wanted = field !== null && of === null;
  useEffect(() => {
    if (!wanted) return;
    let gone = false;
    void import('@/core/words/hints').then((m) => {
      words = m.hintOf;
      if (!gone) setOf(() => m.hintOf);
    });
    return () => {
      gone = true;
    };
  }, [wanted]);
  return field && of ? (of(kind, field) ?? undefined) : undefined;
}
