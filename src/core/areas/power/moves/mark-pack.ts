import type { Edit } from '../../../edit/edit';
import type { PackMark } from '../../../kit/records';
import type { Job, Part } from '../../../kit/types';
import { STATE_NAMES, type OnHand } from '../model/marks';

/**
 * Marks how a pack or a card was left; null: nobody knows any more.
 *
 * @param when day and time, in a few words
 * @param names what each state is called
 */
export function markPack(
  { part, n, name, mark }: OnHand<Part>,
  state: PackMark['state'] | null,
  when: string,
  names: Readonly<Record<string, string>> = STATE_NAMES,
): Edit {
  const id = mark?.id ?? `mark-${part.id}-${n}`;
  if (state === null)
    return {
      title: `${name}: not marked`,
      changes: [{ path: ['packMarks', id], value: undefined, prune: 1 }],
    };
  const value: PackMark = { id, parts: [part.id], n, state, when };
  return {
    title: `${name}: ${names[state] ?? state}`,
    changes: [{ path: ['packMarks', id], value }],
  };
}

/**
 * Sets so many pieces of something aside, or takes that back: the first ones of it, since nobody tells
 * one lead from another.
 */
export function setAside(job: Job, part: Part, n: number, when: string): Edit {
  const known = (job.packMarks ?? []).filter((m) => m.parts[0] === part.id && m.state === 'aside');
  const more = Array.from({ length: n }, (_, i) => i + 1).filter(
    (k) => !known.some((m) => m.n === k),
  );
  return {
    title: n === 0 ? `${part.name}: in order` : `${part.name}: ${n} set aside`,
    changes: [
      ...known
        .filter((m) => m.n > n)
        .map((m) => ({ path: ['packMarks', m.id], value: undefined, prune: 1 })),
      ...more.map((k) => {
        const id = `mark-${part.id}-${k}`;
        const value: PackMark = { id, parts: [part.id], n: k, state: 'aside', when };
        return { path: ['packMarks', id], value };
      }),
    ],
  };
}
