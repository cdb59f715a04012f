'use client';

import { useEffect, useState } from 'react';
import { NelvixDatabase } from '@/db/database';
import { listJobs, rawJob, type JobListing } from '@/db/job-list';
import { howMany } from '@/core/quantity/say';
import { Button } from '@/ui/button';
import { saveFile } from '@/ui/file';

/**
 * Every job as it lies in the database, whatever state it is in. Opens the database by itself and
 * looks into nothing: it works when all other views do not.
 */
export function RescueView() {
  const [db] = useState(() => (typeof window === 'undefined' ? null : new NelvixDatabase()));
  const [jobs, setJobs] = useState<JobListing[] | null>(null);
  const [trouble, setTrouble] = useState<string | null>(null);
  useEffect(() => {
    db?.open()
      .then(() => listJobs(db))
      .then(setJobs, (e: unknown) => setTrouble(e instanceof Error ? e.message : String(e)));
  }, [db]);
  const save = async (id: string) => {
    if (!db) return;
    try {
      saveFile(`${id}.raw.json`, await rawJob(db, id), 'application/json');
    } catch (e) {
      setTrouble(`${id}: ${e instanceof Error ? e.message : String(e)}`);
    }
  };
  return (
    <section className="mx-auto max-w-3xl p-4">
      <h1 className="text-xl font-semibold">What this browser keeps</h1>
      <p className="my-2 text-soft">
        Every job as it lies here, damaged or not. Nothing is opened, changed or deleted by saving
        it.
      </p>
      {trouble ? (
        <p role="alert" className="my-2 border-l-4 border-fail bg-fail-wash p-3">
          {trouble}
        </p>
      ) : null}
      {jobs === null ? (
        <p className="py-3 text-soft">{trouble ? '' : 'Looking ...'}</p>
      ) : jobs.length === 0 ? (
        <p className="py-3">There is no job in this browser.</p>
      ) : (
        <>
          <Button
            look="strong"
            onClick={() => void jobs.reduce((p, j) => p.then(() => save(j.id)), Promise.resolve())}
          >
            Save all {jobs.length}
          </Button>
          <ul className="my-2">
            {jobs.map((j) => (
              <Kept key={j.id} job={j} save={save} />
            ))}
          </ul>
        </>
      )}
    </section>
  );
}

/** One job as it lies here. */
function Kept({ job: j, save }: { job: JobListing; save: (id: string) => Promise<void> }) {
  return (
    <li className="flex min-h-12 items-center gap-2 border-b border-rule">
      <span className="min-w-0 flex-1 break-words">
        {j.name}
        <span className="block text-sm text-soft">
          {j.damaged ? 'damaged' : howMany(j.parts, 'part')}
          {j.binned ? ', in the bin' : ''}
        </span>
      </span>
      <Button aria-label={`Save ${j.name}`} onClick={() => void save(j.id)}>
        Save
      </Button>
    </li>
  );
}
