import { liveQuery, type Subscription } from 'dexie';
import { viewed } from '@/core/doc/layers';
import type { JobDoc } from '@/core/kit/kept';
import { applyEdit, PathError, type Edit } from '@/core/edit/edit';
import { isStorageFull, NelvixDatabase } from './database';
import { addJobs, GoneError, historyEnds, loadJob, unsound } from './jobs';
import {
  believedOf,
  isGone,
  lostWords,
  warningOf,
  writing,
  type Move,
  type Waiting,
} from './asked';
import { CLOSED, Shown } from './shown';
import type { Came } from './storing';

/** While more work waits the page is drawn anew no oftener than this, ms. */
const SHOWN_EVERY = 150;

/** Edits that are stored in one transaction at most. */
const MOST_TOGETHER = 200;

/**
 * The one store of the page. An edit shows at once, then goes into the browser's database in the
 * order it was made; the page shows what is stored plus what is still waiting. Other windows'
 * edits arrive by live query and are laid under what is waiting here.
 */
export class JobStore extends Shown {
  private stored: JobDoc | null = null;
  /** The job that is shown, as it is kept: what is stored, with what is waiting laid over it. */
  private shown: JobDoc | null = null;
  private rev = 0;
  /** What was asked for and is not stored yet, in its order. */
  private asked: (Waiting | Move)[] = [];
  private work: Promise<void> = Promise.resolve();
  private watch: Subscription | null = null;
  private started = false;
  /** Tasks that are asked for and not through yet. */
  private queued = 0;
  private tools: Awaited<ReturnType<typeof writing>> | null = null;
  private fetching: Promise<void> | null = null;
  /** What was asked for before it could be written: done in its order as soon as it can. */
  private early: (Edit | Move)[] = [];

  constructor(readonly db: NelvixDatabase = new NelvixDatabase()) {
    super();
  }

  /** Fetches what edits are written with, once; again where that failed. */
  private ready(): Promise<void> {
    this.fetching ??= writing().then(
      (tools) => {
        this.tools = tools;
      },
      (e: unknown) => {
        this.fetching = null;
        throw e;
      },
    );
    return this.fetching;
  }

  /** Edits made here that are not stored yet. */
  private get waiting(): Waiting[] {
    return this.asked.filter((a) => 'edit' in a);
  }

  /**
   * Opens the browser's database: the job that was open last, else the newest, else the demo.
   *
   * @param demo gives the demo job when the browser is empty for the first time
   */
  async start(demo: () => Promise<JobDoc>): Promise<void> {
    if (this.started) return;
    this.started = true;
    try {
      const last = (await this.db.meta.get('open'))?.value as
        { job: string; rig: string | null; configuration?: string | null } | undefined;
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
      const same = row?.id === last?.job ? last : undefined;
      if (row) await this.open(row.id, same?.rig ?? null, same?.configuration ?? null);
      else this.show({ phase: 'none' });
    } catch (e) {
      this.show({ phase: 'broken', save: isStorageFull(e) ? 'full' : 'broken' });
    }
  }

  /**
   * Shows another job.
   *
   * @returns false when it stays where it is: changes of the open job that could not be kept would
   *   be lost
   */
  async open(id: string, rig: string | null = null, configured: string | null = null) {
    await this.settled();
    if (this.atRisk() && this.snapshot.job) {
      const n = this.waiting.length + this.early.length;
      this.notice(
        `${n === 1 ? 'One change' : `${n} changes`} of ${this.snapshot.job.name} ${n === 1 ? 'is' : 'are'} not kept yet: export it, or make room and try again. Nothing else is opened before that.`,
        'warn',
      );
      return false;
    }
    this.watch?.unsubscribe();
    const loaded = await loadJob(this.db, id);
    if (!loaded) {
      this.show(CLOSED);
      return false;
    }
    const why = unsound(loaded.job);
    if (why !== null) {
      this.stored = null;
      this.shown = null;
      this.show({ ...CLOSED, phase: 'unsound', trouble: why, jobId: id });
      return false;
    }
    this.stored = loaded.job;
    this.shown = loaded.job;
    this.rev = loaded.rev;
    this.asked = [];
    this.show({
      phase: 'ready',
      trouble: null,
      jobId: id,
      ...this.standing(loaded.job, { rigId: rig, configuration: configured }),
      save: 'saved',
      waiting: 0,
      ...(await historyEnds(this.db, id)),
    });
    void this.remember();
    let binned = false;
    this.watch = liveQuery(() =>
      this.db.jobs.get(id).then((r) => ({ rev: r?.rev ?? 0, binned: r?.binnedAt !== undefined })),
    ).subscribe({
      next: (now) => {
        // What this page wrote itself is known by the time its turn comes.
        if (now.rev > this.rev)
          void this.enqueue(() => (now.rev > this.rev ? this.reload() : Promise.resolve()));
        if (now.binned && !binned)
          this.notice(
            `${this.snapshot.job?.name ?? 'This job'} was put into the bin. It stays open here and can be taken out again under Jobs.`,
            'warn',
          );
        binned = now.binned;
      },
      error: () => undefined,
    });
    // Right behind the first view; where it fails now it is tried again with the first edit.
    await this.ready().catch(() => undefined);
    return true;
  }

  /** The job that is shown, as it is kept. */
  doc(): JobDoc | null {
    return this.shown;
  }

  /** Whether anything made here would be lost with the page. */
  atRisk(): boolean {
    return this.waiting.length + this.early.length > 0;
  }

  /** Shows that there is no job open. */
  close(): void {
    this.watch?.unsubscribe();
    this.stored = null;
    this.shown = null;
    this.show({ ...CLOSED, undo: null, redo: null });
  }

  /** Shows another rig, or the same one in another of its configurations. */
  selectRig(id: string, configuration: string | null = null): void {
    if (this.shown) this.show(this.standing(this.shown, { rigId: id, configuration }));
    void this.remember();
  }

  private async remember(): Promise<void> {
    const { job, rigId, configuration } = this.snapshot;
    if (!job) return;
    try {
      await this.db.meta.put({
        key: 'open',
        value: { job: job.id, rig: rigId, configuration },
      });
    } catch {
      // Which rig was open last is a comfort, not data: the edits themselves report a full store.
    }
  }

  /** Makes an edit: on screen at once, in the database as soon as it can; `asKept` of what is kept. */
  edit = (edit: Edit, asKept = false): void => {
    const { job, rigId, configuration } = this.snapshot;
    const doc = this.shown;
    if (!job || !doc || edit.changes.length === 0) return;
    if (!this.tools) {
      this.early.push(edit);
      this.show({ save: 'saving' });
      void this.enqueue(() => this.flush());
      return;
    }
    const { lowered, routed } = this.tools;
    let kept: Edit;
    let after: JobDoc;
    try {
      kept = asKept ? edit : lowered(job, viewed(doc, rigId, configuration), edit);
      if (rigId !== null && !asKept) kept = routed(doc, rigId, configuration, kept);
      after = applyEdit(doc, kept).doc;
    } catch (e) {
      if (!(e instanceof PathError)) throw e;
      this.notice(`That could not be done: ${e.message}.`, 'warn');
      return;
    }
    if (kept.changes.length === 0) return;
    this.asked.push({ edit: kept, believed: believedOf(doc, kept) });
    this.shown = after;
    this.show({ ...this.standing(after), waiting: this.waiting.length, save: 'saving' });
    void this.enqueue(() => this.flush());
  };

  undo = (): Promise<void> => this.move(0);
  redo = (): Promise<void> => this.move(1);

  private move(undone: 0 | 1): Promise<void> {
    if (!this.stored) return this.work;
    if (this.tools) this.asked.push({ undone });
    else this.early.push({ undone });
    // Not kept until it is through, or a page that dies now would have promised too much.
    this.show({ save: 'saving' });
    return this.enqueue(() => this.flush());
  }

  /** Tries again to store what is waiting, after room was made. */
  retry = (): Promise<void> => this.enqueue(() => this.flush());

  /** Resolves when everything asked so far is done or has failed. */
  settled(): Promise<void> {
    return this.work;
  }

  private enqueue(task: () => Promise<void>): Promise<void> {
    this.queued++;
    this.work = this.work
      .then(task)
      .catch(async (e: unknown) => {
        if (await this.writtenAnew(e)) return;
        this.trouble(e);
      })
      .finally(() => this.queued--);
    return this.work;
  }

  /** More is to come, and what shows is fresh enough: drawing it now would only hold that up. */
  private busy(): boolean {
    return this.queued > 1 && Date.now() - this.shownAt < SHOWN_EVERY;
  }

  /**
   * The database, or the job in it, is gone from under the page: what stands here is all there is
   * of it, so it is written anew, waiting changes and all, and said.
   */
  private async writtenAnew(e: unknown): Promise<boolean> {
    const job = this.shown;
    if (!job || !isGone(e)) return false;
    try {
      if (!this.db.isOpen()) await this.db.open();
      if (await this.db.jobs.get(job.id)) {
        // Only the connection was lost: what waits goes in as usual.
        await this.flush();
        return true;
      }
      await addJobs(this.db, [job]);
      await this.db.meta.put({ key: 'seeded', value: true });
    } catch {
      return false;
    }
    this.stored = job;
    this.rev = 1;
    this.asked = [];
    this.show({ save: 'saved', waiting: 0, ...(await historyEnds(this.db, job.id)) });
    this.notice(
      `What this browser kept of ${job.name} was deleted meanwhile. It was written anew as it stands here; earlier steps can no longer be taken back.`,
      'warn',
    );
    return true;
  }

  private trouble(e: unknown): void {
    this.show({ save: isStorageFull(e) ? 'full' : 'broken' });
  }

  /** Does what was asked for, in its order: all that waits goes in together. */
  private async flush(): Promise<void> {
    const id = this.stored?.id;
    await this.ready();
    for (const e of this.early.splice(0))
      if ('undone' in e) this.asked.push(e);
      else this.edit(e);
    const { storeAll } = this.tools!;
    while (id !== undefined && this.asked.length > 0) {
      const batch = this.asked.slice(0, MOST_TOGETHER);
      const results = await storeAll(this.db, id, batch, this.rev);
      this.asked.splice(0, batch.length);
      const { foreign, stepped, said } = this.followed(batch, results);
      if (foreign) await this.reload();
      else if (stepped) await this.relay(this.stored!, true);
      else if (!this.busy()) this.show({ waiting: this.waiting.length });
      const last = said.at(-1);
      if (last && !this.busy())
        this.notice(said.length > 1 ? `${last}, and ${said.length - 1} before it` : last);
    }
    // What else was asked for says how it ended when it is through.
    if (id !== undefined && this.queued <= 1)
      this.show({
        save: this.asked.length > 0 ? 'saving' : 'saved',
        waiting: this.waiting.length,
        ...(await historyEnds(this.db, id)),
      });
  }

  /** Follows what was stored; says what could not be, and what it went over. */
  private followed(batch: readonly (Waiting | Move)[], results: readonly Came[]) {
    let foreign = false;
    let stepped = false;
    const said: string[] = [];
    const follow = (rev: number, edit: Edit) => {
      if (rev !== this.rev + 1) foreign = true;
      this.rev = rev;
      if (!foreign && this.stored) this.stored = applyEdit(this.stored, edit).doc;
    };
    results.forEach((r, i) => {
      const warning = warningOf(r);
      if (warning) this.notice(warning, 'warn');
      if (r.is === 'lost') foreign = true;
      else if (r.is === 'edit') follow(r.applied.rev, r.edit);
      else if (r.is === 'step' && r.step) {
        const { title, changes, rev } = r.step;
        follow(rev, { title, changes: [...changes] });
        stepped = true;
        const asked = batch[i]!;
        const again = 'undone' in asked && asked.undone === 1;
        said.push(`${again ? 'Done again' : 'Taken back'}: ${title}`);
      }
    });
    return { foreign, stepped, said };
  }

  /** Reads what is stored and lays what is waiting here over it again. */
  private async reload(): Promise<void> {
    const id = this.stored?.id;
    if (id === undefined) return;
    const loaded = await loadJob(this.db, id);
    if (!loaded) throw new GoneError(`there is no job ${id}`);
    this.stored = loaded.job;
    this.rev = loaded.rev;
    await this.relay(loaded.job);
  }

  /** Shows a stored job with what is waiting here laid over it. */
  private async relay(stored: JobDoc, own = false): Promise<void> {
    let doc = stored;
    const kept: (Waiting | Move)[] = [];
    for (const w of this.asked) {
      if (!('edit' in w)) {
        kept.push(w);
        continue;
      }
      try {
        // Made over what this page has since taken back itself: it believes what stands here now.
        const believed = believedOf(doc, w.edit);
        doc = applyEdit(doc, w.edit).doc;
        kept.push(own ? { ...w, believed } : w);
      } catch (e) {
        if (!(e instanceof PathError)) throw e;
        this.notice(lostWords(w.edit.title), 'warn');
      }
    }
    this.asked = kept;
    const waiting = this.waiting.length;
    this.shown = doc;
    const stands = this.standing(doc);
    // Not drawn yet, it is drawn with what follows: edits meanwhile are made on what shows.
    if (this.busy()) this.snapshot = { ...this.snapshot, ...stands, waiting };
    else this.show({ ...stands, waiting, ...(await historyEnds(this.db, stored.id)) });
  }
}
