import type { Edit } from '../../../edit/edit';
import type { PackMark, PackState } from '../../../kit/records';
import { STATE_NAMES, type OnHand } from '../model/marks';

/** Marks how a pack was left; null: nobody knows any more. @param when day and time, in a few words */
export function markPack(
  { part, n, name, mark }: OnHand,
  state: PackState | null,
  when: string,
): Edit {
  const id = mark?.id ?? `mark-${part.id}-${n}`;
  if (state === null)
    return {
      title: `${name}: not marked`,
      changes: [{ path: ['packMarks', id], value: undefined, prune: 1 }],
    };
  const value: PackMark = { id, parts: [part.id], n, state, when };
  return { title: `${name}: ${STATE_NAMES[state]}`, changes: [{ path: ['packMarks', id], value }] };
}
