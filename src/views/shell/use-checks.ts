'use client';

import type { Check } from '@/core/checks/check';
import { ON_AXIS } from '@/core/checks/on-axis';
import { later, useLater } from '@/ui/use-later';

/** The checks under and beside the camera come right after the first picture. */
const every = later(() => import('@/core/checks/registry').then((m) => m.CHECKS));

/** Every check; for a moment after the first load only those along the axis. */
export function useChecks(): readonly Check[] {
  return useLater(every) ?? ON_AXIS;
}
