'use client';

import { useEffect, useState } from 'react';

/** Something that comes right after the first picture: fetched once, kept for every view. */
export interface Later<T> {
  now: T | null;
  fetch: () => Promise<T>;
}

export function later<T>(fetch: () => Promise<T>): Later<T> {
  const own: Later<T> = { now: null, fetch: () => fetch().then((v) => (own.now = v)) };
  return own;
}

/** What was fetched; null for a moment after the first load. */
export function useLater<T>(what: Later<T>): T | null {
  const [got, setGot] = useState<{ value: T } | null>(
    what.now === null ? null : { value: what.now },
  );
  useEffect(() => {
    let gone = false;
    if (what.now === null)
      void what.fetch().then((value) => {
        if (!gone) setGot({ value });
      });
    return () => {
      gone = true;
    };
  }, [what]);
  return got?.value ?? null;
}
