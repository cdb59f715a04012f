import type { Edit } from '../../../edit/edit';
import type { PackMark } from '../../../kit/records';
import type { Part } from '../../../kit/types';
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
