'use client';

import type { Check } from '@/core/checks/check';
import type { runChecks } from '@/core/checks/run';
import { later, useLater } from '@/ui/use-later';

/** The checks come right after the first picture, all at once: half of them would say half. */
const every = later(() => import('@/core/areas/checks'));

/** Every check; null for a moment after the first load, while nothing has been looked at. */
export function useChecks(): readonly Check[] | null {
  return useLater(every)?.CHECKS ?? null;
}

/** Runs checks; null as long as they are still to come: what runs them comes with them. */
export function useRun(): typeof runChecks | null {
  return useLater(every)?.runChecks ?? null;
}

/** What is known of the areas; null as long as the checks are still to come. */
export function useAreas() {
  return useLater(every);
}
