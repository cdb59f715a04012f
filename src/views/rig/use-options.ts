'use client';

import { useEffect, useState } from 'react';

type Options = typeof import('./options');

/** What can be chosen, and what follows a choice, comes right after the first picture. */
let loaded: Options | null = null;
const load = () => import('./options').then((m) => (loaded = m));

/** The choices of every place; null for a moment after the first load. */
export function useOptions(): Options | null {
  const [options, setOptions] = useState(loaded);
  useEffect(() => {
    let gone = false;
    if (!loaded)
      void load().then((m) => {
        if (!gone) setOptions(m);
      });
    return () => {
      gone = true;
    };
  }, []);
  return options;
}

/** While they come. */
export const NO_OPTIONS = () => [];
