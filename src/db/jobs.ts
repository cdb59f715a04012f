import Dexie from 'dexie';
import type { JobDoc } from '@/core/kit/kept';
import type { Part } from '@/core/kit/types';
import { JOB_VERSION } from '@/core/format/version';
import { applyEdit, PathError, type Edit } from '@/core/edit/edit';
import type { HistoryRow, JobRow, NelvixDatabase } from './database';
import { splitLog } from './log';
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
  let next: JobDoc;
  let history: HistoryRow[];
  try {
    const migrated = migrate(old.job as unknown as Record<string, unknown>);
    if (!migrated.ok) return;
    next = migrated.doc as unknown as JobDoc;
    history = await broughtUp(db, old.job, next);
  } catch (e) {
    // Damaged too badly to be brought up: it stays as it lies, and is said to be damaged.
    if (e instanceof TypeError) return;
    throw e;
  }
  const { row, parts } = rowsOf(next, old.rev);
  await db.transaction('rw', db.jobs, db.parts, db.history, async () => {
    const now = await db.jobs.get(id);
    // Another window was faster, or wrote meanwhile: what it left is looked at the next time.
    if (!now || now.rev !== old.rev || now.doc.version !== version) return;
    await db.jobs.put({ ...row, changedAt: now.changedAt, binnedAt: now.binnedAt });
    await db.parts.bulkPut(parts);
    await db.history.where('job').equals(id).delete();
    await db.history.bulkPut(history);
  });
}

/**
 * The steps of a job that an earlier build stored, written for the job as it is kept now: each is
 * taken back on the old job and written anew. Where one leads nowhere, those before it go.
 */
async function broughtUp(db: NelvixDatabase, old: JobDoc, now: JobDoc): Promise<HistoryRow[]> {
  const { jobOf } = await import('@/core/doc/read');
  const { lowered } = await import('@/core/doc/lower');
  const rows = (undone: 0 | 1) =>
    db.history.where('[job+undone]').equals([old.id, undone]).toArray();
  const out: HistoryRow[] = [];
  /** Goes along a list of steps, each read before and after it as both kinds of job. */
  const walk = (list: readonly HistoryRow[], by: (row: HistoryRow) => Edit, forth: boolean) => {
    let job = jobOf(now);
    let doc = now;
    for (const row of list) {
      try {
        const way = lowered(job, doc, by(row));
        const { doc: next, inverse } = applyEdit(doc, way);
        out.push({
          ...row,
          edit: { ...row.edit, changes: forth ? way.changes : inverse.changes },
          inverse: forth ? inverse.changes : way.changes,
        });
        doc = next;
        job = jobOf(next);
      } catch (e) {
        if (!(e instanceof PathError)) throw e;
        return;
      }
    }
  };
  walk((await rows(0)).reverse(), (r) => ({ title: r.edit.title, changes: r.inverse }), false);
  walk(await rows(1), (r) => r.edit, true);
  return out;
}

/** Reads a whole job; null when there is none. */
export async function loadJob(
  db: NelvixDatabase,
  id: string,
): Promise<{ job: JobDoc; rev: number } | null> {
  await bringUp(db, id);
  return readStored(db, id);
}

async function readStored(
  db: NelvixDatabase,
  id: string,
): Promise<{ job: JobDoc; rev: number } | null> {
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

function joined(row: JobRow, kit: Part[]): JobDoc {
  const doc = (row.doc ?? {}) as Partial<JobDoc>;
  const { format, version, id, name, ...rest } = doc as JobDoc;
  return { format, version, id: id ?? row.id, name: name ?? row.name, ...rest, kit };
}

/** Rows of a job as they are stored. */
function rowsOf(
  job: JobDoc,
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
export async function addJobs(db: NelvixDatabase, jobs: readonly JobDoc[]): Promise<void> {
  await db.transaction('rw', db.jobs, db.parts, db.history, db.log, async () => {
    for (const job of jobs) await put(db, job);
  });
}

async function put(db: NelvixDatabase, whole: JobDoc): Promise<void> {
  const { job, log } = splitLog(whole);
  const { row, parts } = rowsOf(job, 1);
  await db.log.where('job').equals(job.id).delete();
  if (log.length > 0) await db.log.bulkAdd(log.map((record) => ({ job: job.id, record })));
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
  jobs: readonly JobDoc[],
): Promise<{ jobs: JobDoc[]; renamed: string[] }> {
  return db.transaction('rw', db.jobs, db.parts, db.history, db.log, async () => {
    const taken = new Set(await db.jobs.toCollection().primaryKeys());
    const here = new Set(taken);
    const renamed: string[] = [];
    const own: JobDoc[] = [];
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

function isListOfFields(list: unknown): boolean {
  return Array.isArray(list) && list.every((e) => e !== null && typeof e === 'object');
}

/**
 * What keeps a stored job from being shown, in a sentence; null when nothing does. As much as the
 * page relies on before anything else is looked at; files are read with all of their rules.
 */
export function unsound(job: JobDoc): string | null {
  if (typeof job.version === 'number' && job.version > JOB_VERSION)
    return `${job.name} was kept by a newer Nelvix (version ${job.version} of the file format; this one reads up to ${JOB_VERSION}). Open it there; here it is left as it is.`;
  const broken = (what: string) =>
    `${typeof job.name === 'string' ? job.name : job.id} cannot be shown: ${what} is damaged. Its content can be saved as it lies here.`;
  if (!Array.isArray(job.rigs) || !Array.isArray(job.kit))
    return broken('its list of rigs or parts');
  for (const r of job.rigs as unknown[]) {
    const rig = r as Partial<JobDoc['rigs'][number]> | null;
    if (
      !rig ||
      typeof rig.id !== 'string' ||
      ![rig.frames, rig.uses, rig.joints, rig.links].every(isListOfFields) ||
      !rig.uses!.every((u) => [u.id, u.role, u.part].every((x) => typeof x === 'string')) ||
      !rig.joints!.every((j) => typeof j.guest?.use === 'string') ||
      !rig.links!.every((l) => l.from && l.to)
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

/** Whether this is Dexie's word for a transaction that was given up. */
export function isAborted(e: unknown): boolean {
  return e instanceof Dexie.DexieError && e.name === 'AbortError';
}
