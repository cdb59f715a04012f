'use client';

import { later, useLater } from '@/ui/use-later';

/** What can be chosen, and what follows a choice, comes right after the first picture. */
const options = later(() => import('./options'));

/** The choices of every place; null for a moment after the first load. */
export function useOptions() {
  return useLater(options);
}

/** While they come. */
export const NO_OPTIONS = () => [];
