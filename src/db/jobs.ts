import Dexie from 'dexie';
import type { Job, Part } from '@/core/kit/types';
import { JOB_VERSION } from '@/core/format/version';
import type { JobRow, NelvixDatabase } from './database';
import { lastOf } from './steps';

/**
 * Brings a job that an earlier build stored to the version of this one, once. Its history stays:
 * the paths in it lead where they led.
 */
async function bringUp(db: NelvixDatabase, id: string): Promise<void> {
  const version = (await db.jobs.get(id))?.doc?.version;
  if (version === undefined || version >= JOB_VERSION) return;
  // Validation is heavy and hardly ever needed here: not part of the first load.
  const { migrate } = await import('@/core/format/migrate');
  const old = await readStored(db, id);
  if (!old) return;
  const migrated = migrate(old.job as unknown as Record<string, unknown>);
  if (!migrated.ok) return;
  const { row, parts } = rowsOf(migrated.doc as unknown as Job, old.rev);
  await db.transaction('rw', db.jobs, db.parts, async () => {
    const now = await db.jobs.get(id);
    // Another window was faster, or wrote meanwhile: what it left is looked at the next time.
    if (!now || now.rev !== old.rev || now.doc.version !== version) return;
    await db.jobs.put({ ...row, changedAt: now.changedAt, binnedAt: now.binnedAt });
    await db.parts.bulkPut(parts);
  });
}

/** Reads a whole job; null when there is none. */
export async function loadJob(
  db: NelvixDatabase,
  id: string,
): Promise<{ job: Job; rev: number } | null> {
  await bringUp(db, id);
  return readStored(db, id);
}

async function readStored(
  db: NelvixDatabase,
  id: string,
): Promise<{ job: Job; rev: number } | null> {
  return db.transaction('r', db.jobs, db.parts, async () => {
    const row = await db.jobs.get(id);
    if (!row) return null;
    const parts = new Map<string, Part>();
    await db.parts
      .where('job')
      .equals(id)
      .each((p) => parts.set(p.id, p.part));
    const order: readonly string[] = Array.isArray(row.order) ? row.order : [];
    const kit = order.map((p) => parts.get(p)).filter((p): p is Part => p !== undefined);
    return { job: joined(row, kit), rev: row.rev };
  });
}

function joined(row: JobRow, kit: Part[]): Job {
  const doc = (row.doc ?? {}) as Partial<Job>;
  const { format, version, id, name, ...rest } = doc as Job;
  return { format, version, id: id ?? row.id, name: name ?? row.name, ...rest, kit };
}

/** Rows of a job as they are stored. */
function rowsOf(
  job: Job,
  rev: number,
): { row: JobRow; parts: { job: string; id: string; part: Part }[] } {
  const { kit, ...doc } = job;
  return {
    row: {
      id: job.id,
      name: job.name,
      doc,
      order: kit.map((p) => p.id),
      rev,
      changedAt: Date.now(),
    },
    parts: kit.map((part) => ({ job: job.id, id: part.id, part })),
  };
}

/** Writes whole jobs over what is here under their ids, in one transaction: all of them or none. */
export async function addJobs(db: NelvixDatabase, jobs: readonly Job[]): Promise<void> {
  await db.transaction('rw', db.jobs, db.parts, db.history, async () => {
    for (const job of jobs) await put(db, job);
  });
}

async function put(db: NelvixDatabase, job: Job): Promise<void> {
  const { row, parts } = rowsOf(job, 1);
  await db.parts.where('job').equals(job.id).delete();
  await db.history.where('job').equals(job.id).delete();
  await db.jobs.put(row);
  await db.parts.bulkPut(parts);
}

/**
 * Takes jobs of a file in beside what is here: each under an id that neither the browser nor
 * another job of the file has. One transaction: all of them or none, and nothing is written over.
 *
 * @returns the jobs as they were taken in, with a sentence for each that got another id
 */
export async function takeInJobs(
  db: NelvixDatabase,
  jobs: readonly Job[],
): Promise<{ jobs: Job[]; renamed: string[] }> {
  return db.transaction('rw', db.jobs, db.parts, db.history, async () => {
    const taken = new Set(await db.jobs.toCollection().primaryKeys());
    const here = new Set(taken);
    const renamed: string[] = [];
    const own: Job[] = [];
    for (const job of jobs) {
      let id = job.id;
      for (let n = 2; taken.has(id); n++) id = `${job.id.slice(0, 70)}-${n}`;
      taken.add(id);
      if (id !== job.id)
        renamed.push(
          here.has(job.id)
            ? `${job.name} stands beside the one that was here.`
            : `${job.name} was twice in the file; both are here.`,
        );
      const next = id === job.id ? job : { ...job, id };
      own.push(next);
      await put(db, next);
    }
    return { jobs: own, renamed };
  });
}

/** The job that an edit is for is no longer stored. */
export class GoneError extends Error {}

/** Titles of what could be undone and redone next. */
export async function historyEnds(
  db: NelvixDatabase,
  id: string,
): Promise<{ undo: string | null; redo: string | null }> {
  const [u, r] = await Promise.all([lastOf(db, id, 0), lastOf(db, id, 1)]);
  return { undo: u?.edit.title ?? null, redo: r?.edit.title ?? null };
}

export interface JobListing {
  /** Its row cannot be read as a job; it is listed, and its raw content can be saved. */
  damaged?: boolean;
  id: string;
  name: string;
  rigs: number;
  parts: number;
  changedAt: number;
  binned: boolean;
}

/** All jobs, newest first; binned ones too. */
export async function listJobs(db: NelvixDatabase): Promise<JobListing[]> {
  const rows = await db.jobs.toArray();
  return rows
    .map((r): JobListing => {
      const doc = r.doc as Partial<Job> | undefined;
      const sound = Array.isArray(doc?.rigs) && Array.isArray(r.order);
      return {
        id: r.id,
        name: typeof r.name === 'string' && r.name !== '' ? r.name : r.id,
        rigs: sound ? doc!.rigs!.length : 0,
        parts: sound ? r.order.length : 0,
        changedAt: Number.isFinite(r.changedAt) ? r.changedAt : 0,
        binned: r.binnedAt !== undefined,
        ...(sound ? {} : { damaged: true }),
      };
    })
    .sort((a, b) => b.changedAt - a.changedAt);
}

/** A job as it lies in the database, whatever state it is in: for saving what cannot be opened. */
export async function rawJob(db: NelvixDatabase, id: string): Promise<string> {
  const row = await db.jobs.get(id);
  const parts = await db.parts.where('job').equals(id).toArray();
  return `${JSON.stringify({ row, parts }, null, 1)}\n`;
}

/**
 * What keeps a stored job from being shown, in a sentence; null when nothing does. As much as the
 * page relies on before anything else is looked at; files are read with all of their rules.
 */
export function unsound(job: Job): string | null {
  if (typeof job.version === 'number' && job.version > JOB_VERSION)
    return `${job.name} was kept by a newer Nelvix (version ${job.version} of the file format; this one reads up to ${JOB_VERSION}). Open it there; here it is left as it is.`;
  const broken = (what: string) =>
    `${typeof job.name === 'string' ? job.name : job.id} cannot be shown: ${what} is damaged. Its content can be saved as it lies here.`;
  if (!Array.isArray(job.rigs) || !Array.isArray(job.kit))
    return broken('its list of rigs or parts');
  for (const r of job.rigs as unknown[]) {
    const rig = r as Partial<Job['rigs'][number]> | null;
    if (
      !rig ||
      typeof rig.id !== 'string' ||
      !Array.isArray(rig.frames) ||
      !Array.isArray(rig.between)
    )
      return broken('a rig of it');
  }
  for (const p of job.kit as unknown[]) {
    const part = p as { id?: unknown; kind?: unknown; name?: unknown } | null;
    if (!part || ![part.id, part.kind, part.name].every((x) => typeof x === 'string'))
      return broken('a part of it');
  }
  return null;
}

/** Puts a job into the bin or takes it out again; nothing is deleted. */
export async function binJob(db: NelvixDatabase, id: string, binned: boolean): Promise<void> {
  await db.jobs.update(id, { binnedAt: binned ? Date.now() : undefined });
}

/** Reads every job that can be read, for a backup; binned ones too. */
export async function allJobs(db: NelvixDatabase): Promise<{ jobs: Job[]; left: string[] }> {
  const ids = await db.jobs.toCollection().primaryKeys();
  const jobs: Job[] = [];
  const left: string[] = [];
  for (const id of ids) {
    const loaded = await loadJob(db, id);
    if (!loaded) continue;
    const why = unsound(loaded.job);
    if (why) left.push(why);
    else jobs.push(loaded.job);
  }
  return { jobs, left };
}

/** Whether this is Dexie's word for a transaction that was given up. */
export function isAborted(e: unknown): boolean {
  return e instanceof Dexie.DexieError && e.name === 'AbortError';
}
