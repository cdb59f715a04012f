import type { Edit } from '@/core/edit/edit';
import type { Change } from '@/core/kit/types';
import type { HistoryRow, NelvixDatabase } from './database';

/** Steps that can be taken back, per job. */
const MOST_HISTORY = 500;
/** Steps of a slider closer together than this are one movement, ms. */
const ONE_MOVEMENT = 1500;

/** The last step done, or the next one that can be done again. */
export async function lastOf(
  db: NelvixDatabase,
  id: string,
  undone: 0 | 1,
): Promise<HistoryRow | undefined> {
  const rows = db.history.where('[job+undone]').equals([id, undone]);
  // The newest step done, or the oldest step taken back.
  return undone === 0 ? rows.last() : rows.first();
}

/**
 * The steps of a job as one transaction sees them: as many as it can come to are read once, what
 * is done to them is done here, and what differs is written once. What many quick edits cost is
 * requests to the database, not what is in them.
 */
export class Steps {
  private readonly touched = new Set<HistoryRow>();
  private readonly gone: number[] = [];
  private cut = false;

  private constructor(
    private readonly db: NelvixDatabase,
    private readonly id: string,
    /** What can be taken back, the newest last. */
    private readonly done: HistoryRow[],
    /** What can be done again, the next one first. */
    private readonly undone: HistoryRow[],
  ) {}

  /**
   * @param back steps back that can come at most
   * @param forth steps forth that can come at most
   */
  static async read(db: NelvixDatabase, id: string, back: number, forth: number): Promise<Steps> {
    const rows = (undone: 0 | 1) => db.history.where('[job+undone]').equals([id, undone]);
    // One more than can be taken back: the step that a slider goes on with.
    const done = await rows(0)
      .reverse()
      .limit(back + 1)
      .toArray();
    const undone = forth > 0 ? await rows(1).limit(forth).toArray() : [];
    return new Steps(db, id, done.reverse(), undone);
  }

  /** Every step that can be come to. */
  all(): readonly HistoryRow[] {
    return [...this.done, ...this.undone];
  }

  /** Takes the last step back; undefined when there is none. */
  back(): HistoryRow | undefined {
    const step = this.done.pop();
    if (step) this.undone.unshift(this.touch(step, { undone: 1 }));
    return step;
  }

  /** Does the next step again; undefined when there is none. */
  forth(): HistoryRow | undefined {
    const step = this.undone.shift();
    if (step) this.done.push(this.touch(step, { undone: 0 }));
    return step;
  }

  /**
   * Remembers an edit; what was taken back before it can no longer be done again.
   *
   * @returns whether it goes on with the movement of the edit before it
   */
  add(edit: Edit, inverse: Change[], now: number): boolean {
    this.cut = true;
    for (const step of this.undone.splice(0)) this.forget(step);
    const last = this.done.at(-1);
    if (edit.group && last?.edit.group === edit.group && now - last.at < ONE_MOVEMENT) {
      this.done.pop();
      this.done.push(this.touch(last, { edit, at: now }));
      return true;
    }
    const step: HistoryRow = { job: this.id, edit, inverse, undone: 0, at: now };
    this.touched.add(step);
    this.done.push(step);
    return false;
  }

  /** Lets go of the step that was taken last, back (0) or forth (1): it leads nowhere any more. */
  leaveOut(undone: 0 | 1): void {
    const step = undone === 0 ? this.undone.shift() : this.done.pop();
    if (step) this.forget(step);
  }

  private forget(step: HistoryRow): void {
    this.touched.delete(step);
    if (step.seq !== undefined) this.gone.push(step.seq);
  }

  private touch(step: HistoryRow, change: Partial<HistoryRow>): HistoryRow {
    this.touched.delete(step);
    const next = { ...step, ...change };
    this.touched.add(next);
    return next;
  }

  /** Writes what differs, and lets go of the oldest beyond what is kept. */
  async write(): Promise<void> {
    const { history } = this.db;
    if (this.cut) await history.where('[job+undone]').equals([this.id, 1]).delete();
    if (this.gone.length > 0) await history.bulkDelete(this.gone);
    const changed = [...this.touched];
    const known = changed.filter((s) => s.seq !== undefined);
    if (known.length > 0) await history.bulkPut(known);
    // Their order is the order of their numbers: done before taken back.
    const fresh = [...this.done, ...this.undone].filter((s) => s.seq === undefined);
    if (fresh.length === 0) return;
    await history.bulkAdd(fresh);
    const count = await history.where('job').equals(this.id).count();
    if (count > MOST_HISTORY + 50)
      await history.bulkDelete(
        await history
          .where('job')
          .equals(this.id)
          .limit(count - MOST_HISTORY)
          .primaryKeys(),
      );
  }
}
