import type { JobDoc, JobRecord } from '@/core/kit/kept';
import { newId } from '@/core/engine/ids';
import type { Change } from '@/core/kit/types';
import type { NelvixDatabase } from './database';

/** Edits of a job that are remembered, with whatever is taken back; older ones are let go. */
export const MOST_LOGGED = 2000;

/** What an edit was about: ids of rigs, uses and parts that its changes lead to. */
function aboutOf(changes: readonly Change[]): JobRecord['about'] {
  const parts = new Set<string>();
  const rigs = new Set<string>();
  const uses = new Set<string>();
  for (const { path } of changes) {
    const [head, id, list, use] = path;
    if (id === undefined) continue;
    if (head === 'kit') parts.add(id);
    if (head !== 'rigs') continue;
    rigs.add(id);
    if ((list === 'uses' || list === 'joints') && use !== undefined) uses.add(use);
  }
  const [rig] = rigs;
  return {
    ...(rigs.size === 1 ? { rig } : {}),
    ...(parts.size > 0 ? { parts: [...parts].slice(0, 20) } : {}),
    ...(uses.size > 0 ? { uses: [...uses].slice(0, 20) } : {}),
  };
}

/** A record of an edit, or of one that was taken back. */
export function recordOf(title: string, changes: readonly Change[], now: number): JobRecord {
  return {
    id: newId('edit'),
    at: new Date(now).toISOString(),
    kind: 'edit',
    about: aboutOf(changes),
    data: { title: title.slice(0, 400) },
  };
}

/** The log of a job as one transaction sees it: added to here, written once. */
export class Log {
  private readonly fresh: { record: JobRecord; group?: string }[] = [];
  /** The first of them goes on with a movement that was stored before. */
  private goesOn = false;

  constructor(
    private readonly db: NelvixDatabase,
    private readonly job: string,
  ) {}

  /**
   * @param group of a movement
   * @param goesOn with the step before it: the two are one record
   */
  add(record: JobRecord, group?: string, goesOn = false): void {
    if (goesOn && this.fresh.length === 0) this.goesOn = true;
    else if (goesOn && this.fresh.at(-1)!.group === group) this.fresh.pop();
    this.fresh.push(group === undefined ? { record } : { record, group });
  }

  async write(): Promise<void> {
    const { log } = this.db;
    if (this.fresh.length === 0) return;
    const own = log.where('job').equals(this.job);
    if (this.goesOn) {
      const last = await own.last();
      if (last && last.group === this.fresh[0]!.group) await log.delete(last.seq!);
    }
    await log.bulkAdd(this.fresh.map((row) => ({ job: this.job, ...row })));
    const count = await own.count();
    if (count > MOST_LOGGED + 200)
      await log.bulkDelete(await own.limit(count - MOST_LOGGED).primaryKeys());
  }
}

/** A job with the log of what was done in it, as it goes into a file. */
export async function withLog(db: NelvixDatabase, doc: JobDoc): Promise<JobDoc> {
  const log = (await db.log.where('job').equals(doc.id).toArray()).map((r) => r.record);
  return log.length === 0 ? doc : { ...doc, records: [...(doc.records ?? []), ...log] };
}

/** A job without its log, and the log. */
export function splitLog(doc: JobDoc): { job: JobDoc; log: JobRecord[] } {
  const log = (doc.records ?? []).filter((r) => r.kind === 'edit');
  if (log.length === 0) return { job: doc, log };
  const { records, ...rest } = doc;
  const others = records!.filter((r) => r.kind !== 'edit');
  return { job: others.length > 0 ? { ...rest, records: others } : rest, log };
}

/** The last things that were done in a job, the newest first. */
export async function lastDone(
  db: NelvixDatabase,
  job: string,
  most: number,
): Promise<{ records: JobRecord[]; count: number }> {
  const own = db.log.where('job').equals(job);
  const count = await own.count();
  const rows = await db.log.where('job').equals(job).reverse().limit(most).toArray();
  return { records: rows.map((r) => r.record), count };
}
