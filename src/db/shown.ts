import { viewed } from '@/core/doc/layers';
import { jobOf } from '@/core/doc/read';
import type { JobDoc } from '@/core/kit/kept';
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
  /** The same as it is kept, every configuration in it. */
  doc: JobDoc | null;
  rigId: string | null;
  /** The configuration of the rig that is open; edits of the rig belong to it. */
  configuration: string | null;
  save: SaveState;
  /** Edits made here that are not stored yet. */
  waiting: number;
  undo: string | null;
  redo: string | null;
  notices: readonly Notice[];
}

/** What a page shows when no job is open. */
export const CLOSED = {
  phase: 'none',
  job: null,
  doc: null,
  rigId: null,
  jobId: null,
} as const satisfies Partial<Snapshot>;

/** What a page shows before its store has answered. */
export const LOADING: Snapshot = {
  phase: 'loading',
  trouble: null,
  jobId: null,
  job: null,
  doc: null,
  rigId: null,
  configuration: null,
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

  /** What shows of a job: the rig that did, in the configuration that it did, as far as they are there. */
  protected standing(
    doc: JobDoc,
    asked: Pick<Snapshot, 'rigId' | 'configuration'> = this.snapshot,
  ): Pick<Snapshot, 'job' | 'doc' | 'rigId' | 'configuration'> {
    const rig = doc.rigs.find((r) => r.id === asked.rigId) ?? doc.rigs[0];
    const own = rig?.id === asked.rigId ? asked.configuration : null;
    const configuration = rig?.configurations?.some((c) => c.id === own) ? own : null;
    return {
      job: jobOf(viewed(doc, rig?.id ?? null, configuration)),
      doc,
      rigId: rig?.id ?? null,
      configuration,
    };
  }
}
