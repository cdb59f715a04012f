'use client';

import { useRouter } from 'next/navigation';
import { useEffect, useState } from 'react';
import { howMany } from '@/core/quantity/say';
import { problemSentence, type Problem } from '@/core/format/problem';
import { newNamedId } from '@/core/engine/ids';
import { docOf } from '@/core/doc/write';
import type { JobDoc } from '@/core/kit/kept';
import type { Job } from '@/core/kit/types';
import type { JobStore as Store } from '@/db/store';
import { emptyJob } from '@/core/solve/rigs';
import { liveQuery } from 'dexie';
import { allJobs, binJob, listJobs, rawJob, type JobListing } from '@/db/job-list';
import { loadJob } from '@/db/jobs';
import { splitLog, withLog } from '@/db/log';
import { Button } from '@/ui/button';
import { saveFile } from '@/ui/file';
import { files } from '@/workers/files';
import { demoJob, useSnapshot, useStore } from '@/views/store/store-context';
import { TextInput } from '@/views/part/cells';
import { BesideFile } from './beside-file';
import { Done } from './done';
import { ThisDevice } from './device';
import { GoalOfJob } from './goal';
import { RigsOfJob } from './rigs';
import { UnitsHere } from './units';
import { FilePick, Problems } from './file-pick';
import { useTake, type Take } from './use-take';

/** Jobs in this browser, and files in and out. */
export function JobsView() {
  const store = useStore();
  const snap = useSnapshot();
  const [jobs, setJobs] = useState<JobListing[] | null>(null);
  useEffect(() => {
    if (!store || snap.phase === 'loading') return;
    // What is added or binned, here or in another window, shows at once.
    const watch = liveQuery(() => listJobs(store.db)).subscribe({
      next: setJobs,
      error: () => setJobs([]),
    });
    return () => watch.unsubscribe();
  }, [store, snap.phase]);
  if (!store || jobs === null) return <p className="p-8 text-soft">Looking for jobs ...</p>;
  return <Jobs store={store} jobs={jobs} open={snap.job} />;
}

interface JobsProps {
  store: Store;
  jobs: readonly JobListing[];
  /** The job that is open. */
  open: Job | null;
}

function Jobs({ store, jobs, open }: JobsProps) {
  const router = useRouter();
  const [problems, setProblems] = useState<Problem[]>([]);
  const take = useTake(store);
  const [beside, setBeside] = useState<{ whole: JobDoc; bare: JobDoc } | null>(null);
  const here = useSnapshot().doc;
  const importJob = async (file: File, cancel: AbortSignal) => {
    const read = await files.run(async (f) => f.readDoc(await file.text()), cancel);
    setProblems(read.ok ? [] : read.problems);
    setBeside(null);
    if (!read.ok) return;
    const there = read.value;
    // The same job lies here: what differs is shown, and nothing is doubled unless somebody asks.
    if (jobs.some((j) => j.id === there.id && !j.binned && !j.damaged)) {
      if (open?.id === there.id || (await store.open(there.id))) {
        // Its log is its own: what was done there was not done here.
        setBeside({ whole: there, bare: splitLog(there).job });
        return;
      }
    }
    if (await take([there], `${there.name} is here.`, read.notes)) router.push('/');
  };
  const restore = async (file: File, cancel: AbortSignal) => {
    const read = await files.run(async (f) => f.readBackup(await file.text()), cancel);
    setProblems(read.ok ? [] : read.problems);
    if (!read.ok) return;
    const n = read.value.length;
    await take(read.value, `${n} ${n === 1 ? 'job is' : 'jobs are'} back.`, read.notes);
  };
  return (
    <section className="mx-auto max-w-6xl p-4">
      <h1 className="text-xl font-semibold">Jobs</h1>
      <NewJobs count={jobs.length} open={open} take={take} onFile={importJob} />
      <Problems problems={problems} sentence={problemSentence} close={() => setProblems([])} />
      {beside && here?.id === beside.bare.id ? (
        <BesideFile
          key={beside.bare.id}
          store={store}
          here={here}
          there={beside.bare}
          copy={() => {
            setBeside(null);
            void take([beside.whole], `A copy of ${beside.bare.name} is here.`);
          }}
          leave={() => setBeside(null)}
        />
      ) : null}
      <JobList store={store} jobs={jobs} open={open} />
      {open ? <RigsOfJob job={open} /> : null}
      {open ? <GoalOfJob job={open} /> : null}
      <Bin store={store} jobs={jobs} open={open} />
      {open ? <Done db={store.db} job={open.id} name={open.name} /> : null}
      <Backup store={store} onFile={restore} />
      <UnitsHere />
      <ThisDevice />
    </section>
  );
}

/** Ways to begin a job. */
function NewJobs({
  count,
  open,
  take,
  onFile,
}: {
  count: number;
  open: Job | null;
  take: Take;
  onFile: (file: File, cancel: AbortSignal) => Promise<void>;
}) {
  const router = useRouter();
  const name = `Job ${count + 1}`;
  return (
    <div className="my-3 flex flex-wrap gap-2">
      <Button look="strong" onClick={() => router.push('/begin')}>
        Begin a rig
      </Button>
      <Button
        onClick={async () => {
          await take(
            [docOf(emptyJob(name, newNamedId(name)))],
            `${name} is empty: begin with a body and a lens.`,
          );
          router.push('/kit');
        }}
      >
        New, empty
      </Button>
      {open ? (
        <Button
          onClick={() => {
            const { kit, mounts, aliases, rules, trials } = open;
            const fresh: Job = {
              ...emptyJob(name, newNamedId(name)),
              kit,
              ...(mounts ? { mounts } : {}),
              ...(aliases ? { aliases } : {}),
              ...(rules ? { rules } : {}),
              ...(trials ? { trials } : {}),
            };
            void take([docOf(fresh)], `${name} has the kit of ${open.name}.`);
          }}
        >
          New, with this kit
        </Button>
      ) : null}
      <FilePick label="Import a job" accept=".json,application/json" onFile={onFile} />
      <Button onClick={async () => void (await take([await demoJob()], 'The demo job is here.'))}>
        Another copy of the demo
      </Button>
    </div>
  );
}

/** Writes a job out: the open one as it stands on the page, a damaged one as it lies here. */
async function exportJob(store: Store, j: JobListing): Promise<void> {
  if (j.damaged) {
    saveFile(`${j.id}.raw.json`, await rawJob(store.db, j.id), 'application/json');
    return;
  }
  const open = store.doc();
  const job = open?.id === j.id ? open : (await loadJob(store.db, j.id))?.job;
  if (!job) return;
  const doc = await withLog(store.db, job);
  saveFile(`${j.id}.nelvix.json`, await files.run((f) => f.writeDoc(doc)), 'application/json');
}

function JobList({ store, jobs, open }: JobsProps) {
  const router = useRouter();
  const live = jobs.filter((j) => !j.binned);
  const bin = async (j: JobListing) => {
    await binJob(store.db, j.id, true);
    if (open?.id === j.id) {
      const next = live.find((x) => x.id !== j.id);
      if (next) await store.open(next.id);
      else store.close();
    }
    store.notice(`${j.name} lies in the bin below; it can be taken out again.`);
  };
  if (live.length === 0)
    return (
      <p className="py-4">
        There is no job in this browser. Start one, import one, or restore a backup.
      </p>
    );
  return (
    <ul>
      {live.map((j) => (
        <li key={j.id} className="flex flex-wrap items-center gap-2 border-b border-rule py-1">
          <span className="min-w-72 flex-1">
            {j.id === open?.id ? (
              <OpenName store={store} job={open} />
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
              {new Date(j.changedAt).toLocaleString()}
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
          <Button aria-label={`Export ${j.name}`} onClick={() => void exportJob(store, j)}>
            Export
          </Button>
          <Button look="danger" aria-label={`Bin ${j.name}`} onClick={() => void bin(j)}>
            Bin
          </Button>
        </li>
      ))}
    </ul>
  );
}

/** The name of the open job, to be changed where it stands. */
function OpenName({ store, job }: { store: Store; job: Job }) {
  return (
    <span className="flex items-center gap-2">
      <label htmlFor="job-name" className="text-soft">
        open:
      </label>
      <TextInput
        id="job-name"
        value={job.name}
        className="w-64 min-w-0 font-semibold"
        check={(t) => (t === '' || t.length > 120 ? 'From 1 to 120 characters.' : null)}
        onKeep={(t) =>
          store.edit({ title: `Call the job ${t}`, changes: [{ path: ['name'], value: t }] })
        }
      />
    </span>
  );
}

function Bin({ store, jobs, open }: JobsProps) {
  const binned = jobs.filter((j) => j.binned);
  if (binned.length === 0) return null;
  return (
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
                if (!open) await store.open(j.id);
              }}
            >
              Take out again
            </Button>
          </li>
        ))}
      </ul>
    </>
  );
}

function Backup({
  store,
  onFile,
}: {
  store: Store;
  onFile: (file: File, cancel: AbortSignal) => Promise<void>;
}) {
  const save = async () => {
    const { jobs: all, left } = await allJobs(store.db);
    saveFile(
      `nelvix-backup-${new Date().toISOString().slice(0, 10)}.json`,
      await files.run((f) => f.writeBackup(all)),
      'application/json',
    );
    for (const why of left) store.notice(`Not in the backup: ${why}`, 'warn');
  };
  return (
    <>
      <h2 className="mt-6">Backup</h2>
      <p className="my-1 text-soft">
        Everything in this browser as one file. Restoring adds its jobs; nothing that is here is
        overwritten.
      </p>
      <div className="flex flex-wrap gap-2">
        <Button onClick={() => void save()}>Save a backup</Button>
        <FilePick label="Restore a backup" accept=".json,application/json" onFile={onFile} />
      </div>
    </>
  );
}
