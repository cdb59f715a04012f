import type { JobDoc } from '@/core/kit/kept';
import { isStorageFull } from '@/db/database';
import { takeInJobs } from '@/db/jobs';
import type { JobStore as Store } from '@/db/store';

const FULL =
  'This browser has no room left for that. Nothing was changed. Export and bin what is no longer needed, or make room on the disk.';

/** Takes jobs into this browser; says what became of them. */
export type Take = (
  list: readonly JobDoc[],
  said: string,
  notes?: readonly string[],
) => Promise<boolean>;

export function useTake(store: Store): Take {
  return async (list, said, notes = []) => {
    try {
      const { jobs: named, renamed } = await takeInJobs(store.db, list);
      if (named[0]) await store.open(named[0].id);
      store.notice(said);
      for (const n of [...renamed, ...notes].slice(0, 3)) store.notice(n, 'warn');
      return true;
    } catch (e) {
      if (!isStorageFull(e)) throw e;
      store.notice(FULL, 'warn');
      return false;
    }
  };
}
