import { liveQuery, type Subscription } from 'dexie';
import type { Job } from '@/core/kit/types';
import { readPath } from '@/core/build/given';
import { applyEdit, PathError, type Edit } from '@/core/solve/edit';
import { isStorageFull, NelvixDatabase } from './database';
import { addJobs, historyEnds, loadJob, redo, storeEdit, undo } from './jobs';

export type SaveState = 'saved' | 'saving' | 'full' | 'broken';

/** Something to tell the person at the screen. */
export interface Notice {
  id: number;
  text: string;
  tone: 'plain' | 'warn';
}

export interface Snapshot {
  phase: 'loading' | 'ready' | 'none' | 'broken';
  job: Job | null;
  rigId: string | null;
  save: SaveState;
  /** Edits made here that are not stored yet. */
  waiting: number;
  undo: string | null;
  redo: string | null;
  notices: readonly Notice[];
}

interface Waiting {
  edit: Edit;
  believed: unknown[];
}

/** What a page shows before its store has answered. */
export const LOADING: Snapshot = {
  phase: 'loading',
  job: null,
  rigId: null,
  save: 'saved',
  waiting: 0,
  undo: null,
  redo: null,
  notices: [],
};

/**
 * The one store of the page. An edit shows at once, then goes into the browser's database in the
 * order it was made; the page shows what is stored plus what is still waiting. Other windows'
 * edits arrive by live query and are laid under what is waiting here.
 */
export class JobStore {
  private snapshot: Snapshot = LOADING;
  private readonly listeners = new Set<() => void>();
  private stored: Job | null = null;
  private rev = 0;
  private waiting: Waiting[] = [];
  private work: Promise<void> = Promise.resolve();
  private watch: Subscription | null = null;
  private nextNotice = 1;
  private started = false;
  /** Steps back or forth that are asked for and not through yet. */
  private moving = 0;

  constructor(readonly db: NelvixDatabase = new NelvixDatabase()) {}

  subscribe = (listener: () => void): (() => void) => {
    this.listeners.add(listener);
    return () => this.listeners.delete(listener);
  };

  get = (): Snapshot => this.snapshot;

  private show(change: Partial<Snapshot>): void {
    this.snapshot = { ...this.snapshot, ...change };
    for (const l of this.listeners) l();
  }

  /**
   * Opens the browser's database: the job that was open last, else the newest, else the demo.
   *
   * @param demo gives the demo job when the browser is empty for the first time
   */
  async start(demo: () => Promise<Job>): Promise<void> {
    if (this.started) return;
    this.started = true;
    try {
      const last = (await this.db.meta.get('open'))?.value as
        { job: string; rig: string | null } | undefined;
      const rows = (await this.db.jobs.toArray()).filter((r) => r.binnedAt === undefined);
      if (rows.length === 0 && !(await this.db.meta.get('seeded'))) {
        const job = await demo();
        await addJobs(this.db, [job]);
        await this.db.meta.put({ key: 'seeded', value: true });
        await this.open(job.id);
        return;
      }
      const row =
        rows.find((r) => r.id === last?.job) ?? rows.sort((a, b) => b.changedAt - a.changedAt)[0];
      if (row) await this.open(row.id, row.id === last?.job ? (last.rig ?? null) : null);
      else this.show({ phase: 'none' });
    } catch (e) {
      if (isStorageFull(e)) {
        this.show({ phase: 'broken', save: 'full' });
        return;
      }
      this.show({ phase: 'broken', save: 'broken' });
    }
  }

  /** Shows another job. */
  async open(id: string, rigId: string | null = null): Promise<void> {
    await this.settled();
    this.watch?.unsubscribe();
    const loaded = await loadJob(this.db, id);
    if (!loaded) {
      this.show({ phase: 'none', job: null, rigId: null });
      return;
    }
    this.stored = loaded.job;
    this.rev = loaded.rev;
    this.waiting = [];
    this.show({
      phase: 'ready',
      job: loaded.job,
      rigId: loaded.job.rigs.find((r) => r.id === rigId)?.id ?? loaded.job.rigs[0]?.id ?? null,
      save: 'saved',
      waiting: 0,
      ...(await historyEnds(this.db, id)),
    });
    void this.remember();
    this.watch = liveQuery(() => this.db.jobs.get(id).then((r) => r?.rev ?? 0)).subscribe({
      next: (rev) => {
        if (rev > this.rev) void this.enqueue(() => this.reload());
      },
      error: () => undefined,
    });
  }

  /** Shows that there is no job open. */
  close(): void {
    this.watch?.unsubscribe();
    this.stored = null;
    this.show({ phase: 'none', job: null, rigId: null, undo: null, redo: null });
  }

  selectRig(id: string): void {
    this.show({ rigId: id });
    void this.remember();
  }

  private async remember(): Promise<void> {
    const { job, rigId } = this.snapshot;
    if (!job) return;
    try {
      await this.db.meta.put({ key: 'open', value: { job: job.id, rig: rigId } });
    } catch {
      // Which rig was open last is a comfort, not data: the edits themselves report a full store.
    }
  }

  /** Makes an edit: on screen at once, in the database as soon as it can. */
  edit = (edit: Edit): void => {
    const { job } = this.snapshot;
    if (!job || edit.changes.length === 0) return;
    let next: Job;
    try {
      next = applyEdit(job, edit).doc;
    } catch (e) {
      if (!(e instanceof PathError)) throw e;
      this.notice(`That could not be done: ${e.message}.`, 'warn');
      return;
    }
    this.waiting.push({ edit, believed: edit.changes.map((c) => readPath(job, c.path)) });
    const rigId = next.rigs.some((r) => r.id === this.snapshot.rigId)
      ? this.snapshot.rigId
      : (next.rigs[0]?.id ?? null);
    this.show({ job: next, rigId, waiting: this.waiting.length, save: 'saving' });
    void this.enqueue(() => this.flush());
  };

  undo = (): Promise<void> => this.move(undo, 'Taken back');
  redo = (): Promise<void> => this.move(redo, 'Done again');

  private move(move: typeof undo, said: string): Promise<void> {
    // Not kept until it is through, or a page that dies now would have promised too much.
    if (this.stored) this.show({ save: 'saving' });
    this.moving++;
    return this.enqueue(() => this.step(move, said).finally(() => this.moving--));
  }

  /** Tries again to store what is waiting, after room was made. */
  retry = (): Promise<void> => this.enqueue(() => this.flush());

  /** Resolves when everything asked so far is done or has failed. */
  settled(): Promise<void> {
    return this.work;
  }

  notice(text: string, tone: Notice['tone'] = 'plain'): void {
    this.show({
      notices: [...this.snapshot.notices.slice(-2), { id: this.nextNotice++, text, tone }],
    });
  }

  dismiss = (id: number): void =>
    this.show({ notices: this.snapshot.notices.filter((n) => n.id !== id) });

  private enqueue(task: () => Promise<void>): Promise<void> {
    this.work = this.work.then(task).catch((e: unknown) => this.trouble(e));
    return this.work;
  }

  private trouble(e: unknown): void {
    if (isStorageFull(e)) {
      this.show({ save: 'full' });
      return;
    }
    this.show({ save: 'broken' });
  }

  /** @param last false when more work follows before everything is kept */
  private async flush(last = true): Promise<void> {
    const id = this.stored?.id;
    while (id !== undefined && this.waiting.length > 0) {
      const { edit, believed } = this.waiting[0]!;
      let foreign = false;
      try {
        const applied = await storeEdit(this.db, id, edit, believed);
        foreign = applied.rev !== this.rev + 1;
        if (applied.overwritten.length > 0)
          this.notice(
            `Another window had changed the same field meanwhile. Yours stands; undo brings theirs back (${edit.title}).`,
            'warn',
          );
        if (!foreign) this.rev = applied.rev;
      } catch (e) {
        if (!(e instanceof PathError)) throw e;
        // Another window took away what this edit was about.
        this.notice(`"${edit.title}" could not be kept: another window took that away.`, 'warn');
        foreign = true;
      }
      this.waiting.shift();
      if (!foreign && this.stored) this.stored = applyEdit(this.stored, edit).doc;
      if (foreign) await this.reload();
      else this.show({ waiting: this.waiting.length });
    }
    if (id !== undefined && last)
      this.show({
        save: this.moving > 0 ? 'saving' : 'saved',
        waiting: 0,
        ...(await historyEnds(this.db, id)),
      });
  }

  private async step(
    move: (db: NelvixDatabase, id: string) => Promise<string | null>,
    said: string,
  ): Promise<void> {
    const id = this.stored?.id;
    if (id === undefined) return;
    await this.flush(false);
    const title = await move(this.db, id);
    if (title !== null) {
      await this.reload();
      this.notice(`${said}: ${title}`);
    }
    this.show({ save: this.waiting.length > 0 || this.moving > 1 ? 'saving' : 'saved' });
  }

  /** Reads what is stored and lays what is waiting here over it again. */
  private async reload(): Promise<void> {
    const id = this.stored?.id;
    if (id === undefined) return;
    const loaded = await loadJob(this.db, id);
    if (!loaded) return;
    this.stored = loaded.job;
    this.rev = loaded.rev;
    let job = loaded.job;
    const kept: Waiting[] = [];
    for (const w of this.waiting)
      try {
        job = applyEdit(job, w.edit).doc;
        kept.push(w);
      } catch (e) {
        if (!(e instanceof PathError)) throw e;
        this.notice(`"${w.edit.title}" could not be kept: another window took that away.`, 'warn');
      }
    this.waiting = kept;
    const rigId = job.rigs.some((r) => r.id === this.snapshot.rigId)
      ? this.snapshot.rigId
      : (job.rigs[0]?.id ?? null);
    this.show({ job, rigId, waiting: kept.length, ...(await historyEnds(this.db, id)) });
  }
}
