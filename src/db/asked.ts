import { readPath } from '@/core/edit/path';
import type { Edit } from '@/core/edit/edit';
import { GoneError } from './jobs';
import type { Came } from './storing';

/** An edit made here that is not stored yet. */
export interface Waiting {
  edit: Edit;
  believed: unknown[];
}

/** A step back (0) or forth (1) that is asked for and not through yet. */
export interface Move {
  undone: 0 | 1;
}

/** What edits are written with: fetched right behind the first view, which needs none of it. */
export async function writing() {
  const [{ lowered }, { routed }, { storeAll }] = await Promise.all([
    import('@/core/doc/lower'),
    import('@/core/doc/route'),
    import('./storing'),
  ]);
  return { lowered, routed, storeAll };
}

/** What an edit is made over: the values that stand where it writes. */
export function believedOf(doc: unknown, edit: Edit): unknown[] {
  return edit.changes.map((c) => readPath(doc, c.path));
}

/** Whether an error says that the database or the job in it is no longer there. */
export function isGone(e: unknown): boolean {
  if (e instanceof GoneError) return true;
  const name = (e as { name?: string } | null)?.name ?? '';
  return /DatabaseClosed|InvalidState|NotFound|OpenFailed/.test(name);
}

/** What has to be said of what became of something asked for; null when it went as it was meant. */
export function warningOf(r: Came): string | null {
  if (r.is === 'lost') return lostWords(r.edit.title);
  if (r.is === 'stuck')
    return `"${r.title}" could not be ${r.undone === 0 ? 'taken back' : 'done again'}: what it was about is gone. It is left out.`;
  return r.is === 'edit' && r.applied.overwritten.length > 0
    ? `Another window had changed the same field meanwhile. Yours stands; undo brings theirs back (${r.edit.title}).`
    : null;
}

/** Another window took away what an edit was about. */
export function lostWords(title: string): string {
  return `"${title}" could not be kept: another window took that away.`;
}
