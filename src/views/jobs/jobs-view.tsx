'use client';

import { useRouter } from 'next/navigation';
import { useCallback, useEffect, useState } from 'react';
import { howMany } from '@/core/quantity/say';
import { problemSentence, type Problem } from '@/core/format/problem';
import { newNamedId } from '@/core/engine/ids';
import { docOf } from '@/core/doc/write';
import type { JobDoc } from '@/core/kit/kept';
import { emptyJob } from '@/core/solve/rigs';
import { isStorageFull } from '@/db/database';
import { liveQuery } from 'dexie';
import { allJobs, binJob, listJobs, loadJob, rawJob, takeInJobs, type JobListing } from '@/db/jobs';
import { withLog } from '@/db/log';
import { Button } from '@/ui/button';
import { saveFile } from '@/ui/file';
import { files } from '@/workers/files';
import { demoJob, useSnapshot, useStore } from '@/views/store/store-context';
import { TextInput } from '@/views/part/field-editor';
import { Done } from './done';
import { FilePick, Problems } from './file-pick';

const FULL =
  'This browser has no room left for that. Nothing was changed. Export and bin what is no longer needed, or make room on the disk.';

/** Jobs in this browser, and files in and out. */
export function JobsView() {
  const store = useStore();
  const snap = useSnapshot();
  const router = useRouter();
  const [jobs, setJobs] = useState<JobListing[] | null>(null);
  const [problems, setProblems] = useState<Problem[]>([]);
  const refresh = useCallback(async () => {
    if (store) setJobs(await listJobs(store.db));
  }, [store]);
  useEffect(() => {
    if (!store || snap.phase === 'loading') return;
    // What another window adds or bins shows here too.
    const watch = liveQuery(() => listJobs(store.db)).subscribe({
      next: setJobs,
      error: () => setJobs([]),
    });
    return () => watch.unsubscribe();
  }, [store, snap.phase]);
  if (!store || jobs === null) return <p className="p-8 text-soft">Looking for jobs ...</p>;

  const take = async (list: readonly JobDoc[], said: string, notes: readonly string[] = []) => {
    try {
      const { jobs: named, renamed } = await takeInJobs(store.db, list);
      if (named[0]) await store.open(named[0].id);
      store.notice(said);
      for (const n of [...renamed, ...notes].slice(0, 3)) store.notice(n, 'warn');
      await refresh();
      return true;
    } catch (e) {
      if (!isStorageFull(e)) throw e;
      store.notice(FULL, 'warn');
      return false;
    }
  };
  const importJob = async (file: File, cancel: AbortSignal) => {
    const read = await files.run(async (f) => f.readDoc(await file.text()), cancel);
    if (!read.ok) {
      setProblems(read.problems);
      return;
    }
    setProblems([]);
    if (await take([read.value], `${read.value.name} is here.`, read.notes)) router.push('/');
  };
  const restore = async (file: File, cancel: AbortSignal) => {
    const read = await files.run(async (f) => f.readBackup(await file.text()), cancel);
    if (!read.ok) {
      setProblems(read.problems);
      return;
    }
    setProblems([]);
    await take(
      read.value,
      `${read.value.length} ${read.value.length === 1 ? 'job is' : 'jobs are'} back.`,
      read.notes,
    );
  };
  const live = jobs.filter((j) => !j.binned);
  const binned = jobs.filter((j) => j.binned);
  const exportJob = async (id: string) => {
    // The open job goes out as it stands on the page, kept or not.
    const open = store.doc();
    const job = open?.id === id ? open : (await loadJob(store.db, id))?.job;
    if (jobs.some((j) => j.id === id && j.damaged)) {
      saveFile(`${id}.raw.json`, await rawJob(store.db, id), 'application/json');
      return;
    }
    if (job)
      saveFile(
        `${id}.nelvix.json`,
        await withLog(store.db, job).then((doc) => files.run((f) => f.writeDoc(doc))),
        'application/json',
      );
  };
  return (
    <section className="mx-auto max-w-4xl p-4">
      <h1 className="text-xl font-semibold">Jobs</h1>
      <div className="my-3 flex flex-wrap gap-2">
        <Button
          look="strong"
          onClick={async () => {
            const name = `Job ${jobs.length + 1}`;
            const id = newNamedId(name);
            await take(
              [docOf(emptyJob(name, id))],
              `${name} is empty: begin with a body and a lens.`,
            );
            router.push('/kit');
          }}
        >
          New, empty
        </Button>
        {snap.job ? (
          <Button
            onClick={async () => {
              const name = `Job ${jobs.length + 1}`;
              const fresh = emptyJob(name, newNamedId(name));
              const { kit, mounts, aliases, rules, trials } = snap.job!;
              await take(
                [
                  docOf({
                    ...fresh,
                    kit,
                    ...(mounts ? { mounts } : {}),
                    ...(aliases ? { aliases } : {}),
                    ...(rules ? { rules } : {}),
                    ...(trials ? { trials } : {}),
                  }),
                ],
                `${name} has the kit of ${snap.job!.name}.`,
              );
            }}
          >
            New, with this kit
          </Button>
        ) : null}
        <FilePick label="Import a job" accept=".json,application/json" onFile={importJob} />
        <Button onClick={async () => void (await take([await demoJob()], 'The demo job is here.'))}>
          Another copy of the demo
        </Button>
      </div>
      <Problems problems={problems} sentence={problemSentence} close={() => setProblems([])} />
      {live.length === 0 ? (
        <p className="py-4">
          There is no job in this browser. Start one, import one, or restore a backup.
        </p>
      ) : (
        <ul>
          {live.map((j) => (
            <li key={j.id} className="flex flex-wrap items-center gap-2 border-b border-rule py-1">
              <span className="min-w-52 flex-1">
                {j.id === snap.job?.id ? (
                  <span className="flex items-center gap-2">
                    <label htmlFor="job-name" className="text-soft">
                      open:
                    </label>
                    <TextInput
                      id="job-name"
                      value={snap.job.name}
                      className="w-64 max-w-full font-semibold"
                      check={(t) =>
                        t === '' || t.length > 120 ? 'From 1 to 120 characters.' : null
                      }
                      onKeep={(t) =>
                        store.edit({
                          title: `Call the job ${t}`,
                          changes: [{ path: ['name'], value: t }],
                        })
                      }
                    />
                  </span>
                ) : (
                  <span className="font-semibold">{j.name}</span>
                )}
                {j.damaged ? (
                  <span className="block text-sm text-fail">
                    damaged: it cannot be opened, its content can be saved as it lies here
                  </span>
                ) : null}
                <span className="block text-sm text-soft">
                  {howMany(j.rigs, 'rig')}, {howMany(j.parts, 'part')}, changed{' '}
                  {new Date(j.changedAt).toLocaleString('en-GB')}
                </span>
              </span>
              <Button
                onClick={async () => {
                  if (await store.open(j.id)) router.push('/');
                }}
                aria-label={`Open ${j.name}`}
              >
                Open
              </Button>
              <Button aria-label={`Export ${j.name}`} onClick={() => void exportJob(j.id)}>
                Export
              </Button>
              <Button
                look="danger"
                aria-label={`Bin ${j.name}`}
                onClick={async () => {
                  await binJob(store.db, j.id, true);
                  if (snap.job?.id === j.id) {
                    const next = live.find((x) => x.id !== j.id);
                    if (next) await store.open(next.id);
                    else store.close();
                  }
                  await refresh();
                  store.notice(`${j.name} lies in the bin below; it can be taken out again.`);
                }}
              >
                Bin
              </Button>
            </li>
          ))}
        </ul>
      )}
      {binned.length > 0 ? (
        <>
          <h2 className="mt-6">In the bin</h2>
          <ul>
            {binned.map((j) => (
              <li key={j.id} className="flex min-h-12 items-center gap-2 border-b border-rule">
                <span className="flex-1 text-soft">{j.name}</span>
                <Button
                  aria-label={`Take ${j.name} out of the bin`}
                  onClick={async () => {
                    await binJob(store.db, j.id, false);
                    await refresh();
                    if (!snap.job) await store.open(j.id);
                  }}
                >
                  Take out again
                </Button>
              </li>
            ))}
          </ul>
        </>
      ) : null}
      {snap.job ? <Done db={store.db} job={snap.job.id} name={snap.job.name} /> : null}
      <h2 className="mt-6">Backup</h2>
      <p className="my-1 text-soft">
        Everything in this browser as one file. Restoring adds its jobs; nothing that is here is
        overwritten.
      </p>
      <div className="flex flex-wrap gap-2">
        <Button
          onClick={async () => {
            const { jobs: all, left } = await allJobs(store.db);
            saveFile(
              `nelvix-backup-${new Date().toISOString().slice(0, 10)}.json`,
              await files.run((f) => f.writeBackup(all)),
              'application/json',
            );
            for (const why of left) store.notice(`Not in the backup: ${why}`, 'warn');
          }}
        >
          Save a backup
        </Button>
        <FilePick label="Restore a backup" accept=".json,application/json" onFile={restore} />
      </div>
    </section>
  );
}
