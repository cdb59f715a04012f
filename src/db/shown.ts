import type { Job } from '@/core/kit/types';

export type SaveState = 'saved' | 'saving' | 'full' | 'broken';

/** Something to tell the person at the screen. */
export interface Notice {
  id: number;
  text: string;
  tone: 'plain' | 'warn';
}

export interface Snapshot {
  phase: 'loading' | 'ready' | 'none' | 'broken' | 'unsound';
  /** Why the job that was to be opened cannot be shown. */
  trouble: string | null;
  /** Id of the job that is shown, or that could not be. */
  jobId: string | null;
  job: Job | null;
  rigId: string | null;
  save: SaveState;
  /** Edits made here that are not stored yet. */
  waiting: number;
  undo: string | null;
  redo: string | null;
  notices: readonly Notice[];
}

/** What a page shows before its store has answered. */
export const LOADING: Snapshot = {
  phase: 'loading',
  trouble: null,
  jobId: null,
  job: null,
  rigId: null,
  save: 'saved',
  waiting: 0,
  undo: null,
  redo: null,
  notices: [],
};

/** What a page shows, and who wants to know when it changes. */
export class Shown {
  protected snapshot: Snapshot = LOADING;
  private readonly listeners = new Set<() => void>();
  private nextNotice = 1;
  protected shownAt = 0;

  subscribe = (listener: () => void): (() => void) => {
    this.listeners.add(listener);
    return () => this.listeners.delete(listener);
  };

  get = (): Snapshot => this.snapshot;

  protected show(change: Partial<Snapshot>): void {
    this.snapshot = { ...this.snapshot, ...change };
    this.shownAt = Date.now();
    for (const l of this.listeners) l();
  }

  notice(text: string, tone: Notice['tone'] = 'plain'): void {
    this.show({
      notices: [...this.snapshot.notices.slice(-2), { id: this.nextNotice++, text, tone }],
    });
  }

  dismiss = (id: number): void =>
    this.show({ notices: this.snapshot.notices.filter((n) => n.id !== id) });

  /** The rig that shows with a job: the one that did, or its first. */
  protected rigOf(job: Pick<Job, 'rigs'>): string | null {
    const { rigId } = this.snapshot;
    return job.rigs.some((r) => r.id === rigId) ? rigId : (job.rigs[0]?.id ?? null);
  }
}
