import type { Change, Job, Rig } from '../kit/types';
import { withChanges, type Edit } from '../edit/edit';
import { difference } from './difference';
import { partIn, recordsOf } from './write';
import { rigDocOf } from './write-rig';
import type { JobDoc } from '../kit/kept';

/** Lists of a job that are kept in another shape than they are read in. */
const RECORDS: ReadonlySet<string> = new Set([
  'trials',
  'markTests',
  'weighings',
  'runs',
  'packMarks',
  'cardRuns',
  'pulls',
]);

/**
 * An edit of a job as it is read, written as one of the job as it is kept: each use, joint and link
 * by itself, by id. Changes of what is read as it is kept stay as they are.
 *
 * @param job the job as it is read, before the edit
 * @param doc the same job as it is kept
 */
export function lowered(job: Job, doc: JobDoc, edit: Edit): Edit {
  const asRead = edit.changes.filter((c) => c.path[0] === 'rigs' || RECORDS.has(c.path[0]!));
  const lens = edit.changes.some((c) => c.path[0] === 'lensSet');
  if (asRead.length === 0 && !lens) return edit;
  const next = withChanges(job, edit.changes);
  const changes: Change[] = [];
  const done = new Set<string>();
  for (const c of edit.changes) {
    const [head, id] = c.path;
    if (head === 'rigs' && id !== undefined) {
      if (!done.has(id)) changes.push(...ofRig(job, next, doc, id, c.at));
      done.add(id);
    } else if (head === 'lensSet') {
      if (!done.has('lensSet')) changes.push(...ofLensSet(job, next));
      done.add('lensSet');
    } else if (RECORDS.has(head!)) {
      if (!done.has('records'))
        changes.push(...difference(recordsOf(job), recordsOf(next), ['records']));
      done.add('records');
    } else changes.push(c);
  }
  return { ...edit, changes };
}

function ofRig(job: Job, next: Job, doc: JobDoc, id: string, at: number | undefined): Change[] {
  const find = (j: Job): Rig | undefined => j.rigs.find((r) => r.id === id);
  const [was, now] = [find(job), find(next)];
  const kept = doc.rigs.find((r) => r.id === id);
  const path = ['rigs', id];
  if (!now) return was ? [{ path, value: undefined }] : [];
  const partOf = partIn(next.kit);
  if (!was) return [{ path, value: rigDocOf(now, partOf), ...(at === undefined ? {} : { at }) }];
  const before = rigDocOf(was, partIn(job.kit), kept);
  return difference(before, rigDocOf(now, partOf, kept), path);
}

function ofLensSet(job: Job, next: Job): Change[] {
  const list = (j: Job) => j.lensSet?.map((id) => ({ id }));
  return difference(list(job), list(next), ['lensSet']);
}
