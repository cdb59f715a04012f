import { readPath } from '@/core/edit/path';
import type { JobDoc } from '@/core/kit/kept';
import type { Change, Part } from '@/core/kit/types';
import { applyChange, inverseOf, PathError, type Edit } from '@/core/edit/edit';
import type { JobRow, NelvixDatabase } from './database';
import { GoneError } from './jobs';
import { Log, recordOf } from './log';
import { Steps } from './steps';

export interface Applied {
  rev: number;
  inverse: Change[];
  /** Paths that somebody else had changed since the page that asked last read them. */
  overwritten: string[][];
}

/** What an edit's page believed each field to hold when it was made. */
export type Believed = readonly unknown[];

/** Something that was asked for: an edit, or a step back (`undone` 0) or forth again (1). */
export type Asked = { edit: Edit; believed?: Believed } | { undone: 0 | 1 };

/** A step back or forth that was taken: what it was called and what it changed. */
export interface Stepped {
  title: string;
  changes: readonly Change[];
  rev: number;
}

/** What came of it. */
export type Came =
  | { is: 'edit'; edit: Edit; applied: Applied }
  | { is: 'lost'; edit: Edit; error: PathError }
  | { is: 'step'; step: Stepped | null }
  /** A step whose object is gone from under it: left out from here on. */
  | { is: 'stuck'; title: string; undone: 0 | 1 };

/** Parts that changes are about. */
function partsIn(changes: readonly Change[]): string[] {
  return changes.flatMap(({ path: [head, id] }) => (head === 'kit' && id ? [id] : []));
}

function differs(a: unknown, b: unknown): boolean {
  return JSON.stringify(a) !== JSON.stringify(b);
}

/**
 * A stored job as one transaction sees it: the row, and each part that can be asked for. Changes
 * are made here and written once, field by field over what is stored now, so that a write of one
 * page never carries a stale copy of another page's fields. Nothing is waited for between two
 * changes: a transaction ends by itself when nobody asks it for something.
 */
class Draft {
  private readonly touched = new Set<string>();

  private constructor(
    private readonly db: NelvixDatabase,
    private row: JobRow,
    private readonly parts: Map<string, Part | undefined>,
  ) {}

  /** @param ids of all parts that the changes to come are about */
  static async read(db: NelvixDatabase, row: JobRow, ids: readonly string[]): Promise<Draft> {
    const own = [...new Set(ids)];
    const rows =
      own.length > 0 ? await db.parts.bulkGet(own.map((id): [string, string] => [row.id, id])) : [];
    return new Draft(db, row, new Map(own.map((id, i) => [id, rows[i]?.part])));
  }

  /**
   * Applies changes, all of them or none.
   *
   * @throws PathError when one leads nowhere
   */
  apply(changes: readonly Change[], believed?: Believed): Applied {
    let doc: Omit<JobDoc, 'kit'> = this.row.doc;
    const order = [...this.row.order];
    const inverse: Change[] = [];
    const overwritten: string[][] = [];
    const own = new Map<string, Part | undefined>();
    for (const [i, change] of changes.entries()) {
      const [head, partId, ...inner] = change.path;
      let before: unknown;
      if (head === 'kit' && partId !== undefined) {
        const part = own.has(partId) ? own.get(partId) : this.parts.get(partId);
        before = inner.length === 0 ? part : readPath(part, inner);
        if (inner.length === 0) {
          const at = order.indexOf(partId);
          if (change.value === undefined) {
            if (part === undefined) continue;
            inverse.unshift({ path: change.path, value: part, at });
            order.splice(at, 1);
            own.set(partId, undefined);
          } else {
            inverse.unshift({ path: change.path, value: part });
            if (at < 0) order.splice(change.at ?? order.length, 0, partId);
            own.set(partId, change.value as Part);
          }
        } else {
          if (part === undefined) throw new PathError(`there is no part ${partId}`);
          const back = inverseOf(part, { ...change, path: inner });
          inverse.unshift({
            ...back,
            path: ['kit', partId, ...back.path],
            ...(back.prune === undefined ? {} : { prune: back.prune + 2 }),
          });
          own.set(
            partId,
            applyChange(part, {
              ...change,
              path: inner,
              ...(change.prune === undefined ? {} : { prune: Math.max(1, change.prune - 2) }),
            }),
          );
        }
      } else {
        before = readPath(doc, change.path);
        inverse.unshift(inverseOf(doc, change));
        doc = applyChange(doc, change);
      }
      if (believed && differs(before, believed[i]) && differs(before, change.value))
        overwritten.push(change.path);
    }
    for (const [id, part] of own) {
      this.parts.set(id, part);
      this.touched.add(id);
    }
    const rev = this.row.rev + 1;
    this.row = { ...this.row, doc, name: doc.name, order, rev, changedAt: Date.now() };
    return { rev, inverse, overwritten };
  }

  async write(): Promise<void> {
    const job = this.row.id;
    const gone: [string, string][] = [];
    const put: { job: string; id: string; part: Part }[] = [];
    for (const id of this.touched) {
      const part = this.parts.get(id);
      if (part === undefined) gone.push([job, id]);
      else put.push({ job, id, part });
    }
    if (gone.length > 0) await this.db.parts.bulkDelete(gone);
    if (put.length > 0) await this.db.parts.bulkPut(put);
    await this.db.jobs.put(this.row);
  }
}

/** How many steps back or forth are asked for. */
function moves(list: readonly Asked[], undone: 0 | 1): number {
  return list.filter((one) => 'undone' in one && one.undone === undone).length;
}

/**
 * Does what was asked for in its order, in one transaction that asks the database as often for two
 * hundred quick edits as for one. An edit that leads nowhere any more is left out and said; the
 * rest stands.
 *
 * @param known revision that the page knows: where nobody wrote since, nothing was overwritten
 */
export async function storeAll(
  db: NelvixDatabase,
  id: string,
  list: readonly Asked[],
  known: number,
): Promise<Came[]> {
  return db.transaction('rw', db.jobs, db.parts, db.history, db.log, async () => {
    const row = await db.jobs.get(id);
    if (!row) throw new GoneError(`there is no job ${id}`);
    const alone = row.rev === known;
    const steps = await Steps.read(db, id, moves(list, 0), moves(list, 1));
    const draft = await Draft.read(db, row, [
      ...list.flatMap((one) => ('edit' in one ? partsIn(one.edit.changes) : [])),
      ...steps.all().flatMap((s) => [...partsIn(s.edit.changes), ...partsIn(s.inverse)]),
    ]);
    // What was taken back here meanwhile is no other window's doing.
    const stepped: string[] = [];
    const log = new Log(db, id);
    const out: Came[] = [];
    for (const one of list) {
      if ('undone' in one) {
        const at = one.undone === 0 ? steps.back() : steps.forth();
        if (!at) {
          out.push({ is: 'step', step: null });
          continue;
        }
        const changes = one.undone === 0 ? at.inverse : at.edit.changes;
        try {
          const { rev } = draft.apply(changes);
          const verb = one.undone === 0 ? 'Taken back' : 'Done again';
          log.add(recordOf(`${verb}: ${at.edit.title}`, changes, Date.now()));
          stepped.push(...changes.map((c) => c.path.join('/')));
          out.push({ is: 'step', step: { title: at.edit.title, changes, rev } });
        } catch (e) {
          if (!(e instanceof PathError)) throw e;
          steps.leaveOut(one.undone);
          out.push({ is: 'stuck', title: at.edit.title, undone: one.undone });
        }
        continue;
      }
      const { edit, believed } = one;
      try {
        const applied = draft.apply(edit.changes, believed);
        const now = Date.now();
        const goesOn = steps.add(edit, applied.inverse, now);
        log.add(recordOf(edit.title, edit.changes, now), edit.group, goesOn);
        const others = applied.overwritten.filter((p) => !stepped.includes(p.join('/')));
        out.push({ is: 'edit', edit, applied: { ...applied, overwritten: alone ? [] : others } });
      } catch (e) {
        if (!(e instanceof PathError)) throw e;
        out.push({ is: 'lost', edit, error: e });
      }
    }
    await draft.write();
    await steps.write();
    await log.write();
    return out;
  });
}

/** Takes the last step back; null when there is none. */
export async function undo(db: NelvixDatabase, id: string): Promise<Stepped | null> {
  return step(db, id, 0);
}

/** Does the last undone step again. */
export async function redo(db: NelvixDatabase, id: string): Promise<Stepped | null> {
  return step(db, id, 1);
}

async function step(db: NelvixDatabase, id: string, undone: 0 | 1): Promise<Stepped | null> {
  const [came] = await storeAll(db, id, [{ undone }], NaN);
  return came?.is === 'step' ? came.step : null;
}
