import Dexie from 'dexie';
import { readPath } from '@/core/build/given';
import type { Change, Job, Part } from '@/core/kit/types';
import { JOB_VERSION } from '@/core/format/version';
import { applyChange, inverseOf, PathError, type Edit } from '@/core/solve/edit';
import type { HistoryRow, JobRow, NelvixDatabase } from './database';

/** Steps that can be taken back, per job. */
const MOST_HISTORY = 500;
/** Steps of a slider closer together than this are one movement, ms. */
const ONE_MOVEMENT = 1500;

/**
 * Brings a job that an earlier build stored to the version of this one, once. Its history stays:
 * the paths in it lead where they led.
 */
async function bringUp(db: NelvixDatabase, id: string): Promise<void> {
  const version = (await db.jobs.get(id))?.doc.version;
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
    const kit = row.order.map((p) => parts.get(p)).filter((p): p is Part => p !== undefined);
    return { job: joined(row, kit), rev: row.rev };
  });
}

function joined(row: JobRow, kit: Part[]): Job {
  const { format, version, id, name, ...rest } = row.doc as Job;
  return { format, version, id, name, ...rest, kit };
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

/** Puts whole jobs into the browser in one transaction: all of them or none. */
export async function addJobs(db: NelvixDatabase, jobs: readonly Job[]): Promise<void> {
  await db.transaction('rw', db.jobs, db.parts, db.history, async () => {
    for (const job of jobs) {
      const { row, parts } = rowsOf(job, 1);
      await db.parts.where('job').equals(job.id).delete();
      await db.history.where('job').equals(job.id).delete();
      await db.jobs.put(row);
      await db.parts.bulkPut(parts);
    }
  });
}

export interface Applied {
  rev: number;
  inverse: Change[];
  /** Paths that somebody else had changed since the page that asked last read them. */
  overwritten: string[][];
}

/** What an edit's page believed each field to hold when it was made. */
export type Believed = readonly unknown[];

/**
 * Applies changes to what is stored now, field by field, so that a write of one page never
 * carries a stale copy of another page's fields.
 */
async function applyStored(
  db: NelvixDatabase,
  id: string,
  changes: readonly Change[],
  believed?: Believed,
): Promise<Applied> {
  const row = await db.jobs.get(id);
  if (!row) throw new PathError(`there is no job ${id}`);
  let doc: Omit<Job, 'kit'> = row.doc;
  const order = [...row.order];
  const inverse: Change[] = [];
  const overwritten: string[][] = [];
  const loaded = new Map<string, Part | undefined>();
  const load = async (part: string) => {
    if (!loaded.has(part)) loaded.set(part, (await db.parts.get([id, part]))?.part);
    return loaded.get(part);
  };
  for (const [i, change] of changes.entries()) {
    const [head, partId, ...inner] = change.path;
    let before: unknown;
    if (head === 'kit' && partId !== undefined) {
      const part = await load(partId);
      before = inner.length === 0 ? part : readPath(part, inner);
      if (inner.length === 0) {
        const at = order.indexOf(partId);
        if (change.value === undefined) {
          if (part === undefined) continue;
          inverse.unshift({ path: change.path, value: part, at });
          order.splice(at, 1);
          loaded.set(partId, undefined);
        } else {
          inverse.unshift({ path: change.path, value: part });
          if (at < 0) order.splice(change.at ?? order.length, 0, partId);
          loaded.set(partId, change.value as Part);
        }
      } else {
        if (part === undefined) throw new PathError(`there is no part ${partId}`);
        const back = inverseOf(part, { ...change, path: inner });
        inverse.unshift({ ...back, path: ['kit', partId, ...back.path] });
        loaded.set(partId, applyChange(part, { ...change, path: inner }));
      }
    } else {
      before = readPath(doc, change.path);
      inverse.unshift(inverseOf(doc, change));
      doc = applyChange(doc, change);
    }
    if (
      believed &&
      JSON.stringify(before) !== JSON.stringify(believed[i]) &&
      JSON.stringify(before) !== JSON.stringify(change.value)
    )
      overwritten.push(change.path);
  }
  for (const [partId, part] of loaded)
    if (part === undefined) await db.parts.delete([id, partId]);
    else await db.parts.put({ job: id, id: partId, part });
  const rev = row.rev + 1;
  await db.jobs.put({ ...row, doc, name: doc.name, order, rev, changedAt: Date.now() });
  return { rev, inverse, overwritten };
}

/** Stores an edit and remembers how to take it back. One transaction. */
export async function storeEdit(
  db: NelvixDatabase,
  id: string,
  edit: Edit,
  believed?: Believed,
): Promise<Applied> {
  return db.transaction('rw', db.jobs, db.parts, db.history, async () => {
    const applied = await applyStored(db, id, edit.changes, believed);
    await db.history.where('[job+undone]').equals([id, 1]).delete();
    const last = edit.group ? await lastOf(db, id, 0) : undefined;
    if (last && last.edit.group === edit.group && Date.now() - last.at < ONE_MOVEMENT) {
      await db.history.update(last.seq!, { edit, at: Date.now() });
      return applied;
    }
    await db.history.add({
      job: id,
      edit,
      inverse: applied.inverse,
      undone: 0,
      at: Date.now(),
    });
    const count = await db.history.where('job').equals(id).count();
    if (count > MOST_HISTORY + 50) {
      const old = await db.history
        .where('job')
        .equals(id)
        .limit(count - MOST_HISTORY)
        .primaryKeys();
      await db.history.bulkDelete(old);
    }
    return applied;
  });
}

async function lastOf(
  db: NelvixDatabase,
  id: string,
  undone: 0 | 1,
): Promise<HistoryRow | undefined> {
  const rows = db.history.where('[job+undone]').equals([id, undone]);
  // The newest step done, or the oldest step taken back.
  return undone === 0 ? rows.last() : rows.first();
}

/** Takes the last step back; its title, or null when there is none. */
export async function undo(db: NelvixDatabase, id: string): Promise<string | null> {
  return step(db, id, 0);
}

/** Does the last undone step again. */
export async function redo(db: NelvixDatabase, id: string): Promise<string | null> {
  return step(db, id, 1);
}

async function step(db: NelvixDatabase, id: string, undone: 0 | 1): Promise<string | null> {
  return db.transaction('rw', db.jobs, db.parts, db.history, async () => {
    const row = await lastOf(db, id, undone);
    if (!row) return null;
    await applyStored(db, id, undone === 0 ? row.inverse : row.edit.changes);
    await db.history.update(row.seq!, { undone: undone === 0 ? 1 : 0 });
    return row.edit.title;
  });
}

/** Titles of what could be undone and redone next. */
export async function historyEnds(
  db: NelvixDatabase,
  id: string,
): Promise<{ undo: string | null; redo: string | null }> {
  const [u, r] = await Promise.all([lastOf(db, id, 0), lastOf(db, id, 1)]);
  return { undo: u?.edit.title ?? null, redo: r?.edit.title ?? null };
}

export interface JobListing {
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
    .map((r) => ({
      id: r.id,
      name: r.name,
      rigs: r.doc.rigs.length,
      parts: r.order.length,
      changedAt: r.changedAt,
      binned: r.binnedAt !== undefined,
    }))
    .sort((a, b) => b.changedAt - a.changedAt);
}

/** Puts a job into the bin or takes it out again; nothing is deleted. */
export async function binJob(db: NelvixDatabase, id: string, binned: boolean): Promise<void> {
  await db.jobs.update(id, { binnedAt: binned ? Date.now() : undefined });
}

/** Reads every job, for a backup; binned ones too. */
export async function allJobs(db: NelvixDatabase): Promise<Job[]> {
  const ids = await db.jobs.toCollection().primaryKeys();
  const jobs: Job[] = [];
  for (const id of ids) {
    const loaded = await loadJob(db, id);
    if (loaded) jobs.push(loaded.job);
  }
  return jobs;
}

/** An id for an imported job that does not fall on one that is already here. */
export async function freeJobId(db: NelvixDatabase, wanted: string): Promise<string> {
  const taken = new Set(await db.jobs.toCollection().primaryKeys());
  if (!taken.has(wanted)) return wanted;
  for (let n = 2; ; n++) if (!taken.has(`${wanted}-${n}`)) return `${wanted}-${n}`;
}

/** Whether this is Dexie's word for a transaction that was given up. */
export function isAborted(e: unknown): boolean {
  return e instanceof Dexie.DexieError && e.name === 'AbortError';
}
