import type { JobDoc } from '@/core/kit/kept';
import type { NelvixDatabase } from './database';
import { loadJob, unsound } from './jobs';
import { withLog } from './log';

/** All jobs of a device, as a list of them and a backup see them. Not part of the first load. */

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
      const doc = r.doc as Partial<JobDoc> | undefined;
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

/** Puts a job into the bin or takes it out again; nothing is deleted. */
export async function binJob(db: NelvixDatabase, id: string, binned: boolean): Promise<void> {
  await db.jobs.update(id, { binnedAt: binned ? Date.now() : undefined });
}

/** Reads every job that can be read, for a backup; binned ones too. */
export async function allJobs(db: NelvixDatabase): Promise<{ jobs: JobDoc[]; left: string[] }> {
  const ids = await db.jobs.toCollection().primaryKeys();
  const jobs: JobDoc[] = [];
  const left: string[] = [];
  for (const id of ids) {
    const loaded = await loadJob(db, id);
    if (!loaded) continue;
    const why = unsound(loaded.job);
    if (why) left.push(why);
    else jobs.push(await withLog(db, loaded.job));
  }
  return { jobs, left };
}
