'use client';

import { useEffect, useState } from 'react';
import type { SideBySide } from '@/core/doc/side-by-side';
import type { BodyTable } from '@/core/set/bodies';
import type { ConfigurationTable, LensRow } from '@/core/set/configurations';

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
  const [answer, setAnswer] = useState<{
    of: SideBySide;
    beside: Beside | null;
    trouble: string | null;
  } | null>(null);
  useEffect(() => {
    let stale = false;
    void (async () => {
      const { sweeper } = await import('@/workers/rig');
      if (stale) return;
      const ids = side.standings.map((s) => s.rig.id);
      const on = side.standings.findIndex((s) => s.id === open);
      const beside = await sweeper.ask(side.job, (w, n) => w.beside(n, ids, on));
      if (!stale && beside) setAnswer({ of: side, beside, trouble: null });
    })().catch((e: unknown) => {
      const trouble = e instanceof Error ? e.message : String(e);
      if (!stale) setAnswer({ of: side, beside: null, trouble });
    });
    return () => {
      stale = true;
    };
  }, [side, open]);
  // What was found before stays in sight while the next is worked out, as long as it is of as many.
  const shown =
    answer?.of.standings.length === side.standings.length &&
    answer.of.standings.every((s, i) => s.id === side.standings[i]!.id)
      ? answer
      : null;
  return { beside: shown?.beside ?? null, trouble: answer?.of === side ? answer.trouble : null };
}
