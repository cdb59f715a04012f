'use client';

import { liveQuery } from 'dexie';
import { useEffect, useState } from 'react';
import type { JobRecord } from '@/core/kit/kept';
import { howMany } from '@/core/quantity/say';
import type { NelvixDatabase } from '@/db/database';
import { lastDone, MOST_LOGGED } from '@/db/log';
import { Button } from '@/ui/button';

/** Entries that show at first, and with every press more. */
const AT_ONCE = 8;

/** What was done in a job, the newest first: whoever takes it over sees what the one before did. */
export function Done({ db, job, name }: { db: NelvixDatabase; job: string; name: string }) {
  const [most, setMost] = useState(AT_ONCE);
  const [log, setLog] = useState<{ records: JobRecord[]; count: number } | null>(null);
  useEffect(() => {
    const watch = liveQuery(() => lastDone(db, job, most)).subscribe({
      next: setLog,
      error: () => setLog(null),
    });
    return () => watch.unsubscribe();
  }, [db, job, most]);
  if (!log || log.count === 0) return null;
  return (
    <section aria-labelledby="done">
      <h2 id="done" className="mt-6">
        Done in {name}
      </h2>
      <p className="my-1 text-soft">
        {howMany(log.count, 'step')}, taken back or not; they go into the file with the job. The
        last {MOST_LOGGED.toLocaleString()} are kept.
      </p>
      <ol>
        {log.records.map((r) => (
          <li
            key={r.id}
            className="flex min-h-9 flex-wrap items-baseline gap-x-3 border-b border-rule"
          >
            <span className="w-40 shrink-0 text-sm text-soft tabular-nums">
              {r.at ? new Date(r.at).toLocaleString() : ''}
            </span>
            <span className="min-w-0 flex-1 break-words">{String(r.data.title ?? '')}</span>
          </li>
        ))}
      </ol>
      {log.count > log.records.length ? (
        <Button look="bare" onClick={() => setMost(most * 4)}>
          Show earlier ones
        </Button>
      ) : null}
    </section>
  );
}
