'use client';

import { useCallback } from 'react';
import type { SideBySide } from '@/core/doc/side-by-side';
import type { BodyTable } from '@/core/set/bodies';
import type { ConfigurationTable, LensRow } from '@/core/set/configurations';
import { useAnswer } from '@/views/bench/use-answer';

export interface Beside {
  table: ConfigurationTable;
  lenses: LensRow[];
  bodies: BodyTable;
}

/**
 * Every standing of a rig checked beside the others, and the open one on every body, by the worker,
 * after every edit.
 */
export function useBeside(
  side: SideBySide,
  open: string | null,
): { beside: Beside | null; trouble: string | null } {
  const ask = useCallback(async () => {
    const { sweeper } = await import('@/workers/rig');
    const ids = side.standings.map((s) => s.rig.id);
    const on = side.standings.findIndex((s) => s.id === open);
    return sweeper.ask(side.job, (w, n) => w.beside(n, ids, on));
  }, [side, open]);
  // What was found before stays in sight while the next is worked out, as long as it is of as many.
  const { answer, trouble } = useAnswer(side.standings.map((s) => s.rig.id).join('/'), ask);
  return { beside: answer, trouble };
}
