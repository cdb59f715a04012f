import Dexie, { type Table } from 'dexie';
import type { JobDoc, JobRecord } from '@/core/kit/kept';
import type { Change, Part } from '@/core/kit/types';
import type { Edit } from '@/core/edit/edit';

/** A job without its kit; the order of the kit stands here, the parts in their own table. */
export interface JobRow {
  id: string;
  name: string;
  doc: Omit<JobDoc, 'kit'>;
  order: string[];
  /** Counts up with every write, so that a page knows when another one wrote. */
  rev: number;
  changedAt: number;
  /** Set while the job lies in the bin. */
  binnedAt?: number;
}

export interface PartRow {
  job: string;
  id: string;
  part: Part;
}

export interface HistoryRow {
  seq?: number;
  job: string;
  edit: Edit;
  inverse: Change[];
  undone: 0 | 1;
  at: number;
}

/** Something that was done in a job; kept beside it, so that an edit does not write them all. */
export interface LogRow {
  seq?: number;
  job: string;
  record: JobRecord;
  /** Of the movement that it was, while the next step of it may still come. */
  group?: string;
}

export class NelvixDatabase extends Dexie {
  jobs!: Table<JobRow, string>;
  parts!: Table<PartRow, [string, string]>;
  history!: Table<HistoryRow, number>;
  log!: Table<LogRow, number>;
  meta!: Table<{ key: string; value: unknown }, string>;

  constructor(name = 'nelvix') {
    super(name);
    this.version(1).stores({
      jobs: 'id',
      parts: '[job+id], job',
      history: '++seq, job, [job+undone]',
      meta: 'key',
    });
    this.version(2).stores({ log: '++seq, job' });
  }
}

/** Whether an error means that the browser has no room left. */
export function isStorageFull(e: unknown): boolean {
  for (let at: unknown = e, i = 0; at && i < 5; i++) {
    const name = (at as { name?: string }).name ?? '';
    const message = (at as { message?: string }).message ?? '';
    if (/QuotaExceeded/i.test(name) || /quota/i.test(message)) return true;
    at = (at as { inner?: unknown }).inner;
  }
  return false;
}
