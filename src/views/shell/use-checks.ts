'use client';

import { useEffect, useState } from 'react';
import type { Check } from '@/core/checks/check';
import { ON_AXIS } from '@/core/checks/on-axis';

/** The checks under and beside the camera come right after the first picture. */
let every: readonly Check[] | null = null;
const load = () => import('@/core/checks/registry').then((m) => (every = m.CHECKS));

/** Every check; for a moment after the first load only those along the axis. */
export function useChecks(): readonly Check[] {
  const [checks, setChecks] = useState<readonly Check[]>(every ?? ON_AXIS);
  useEffect(() => {
    let gone = false;
    if (!every)
      void load().then((c) => {
        if (!gone) setChecks(c);
      });
    return () => {
      gone = true;
    };
  }, []);
  return checks;
}
