import type { RoleMoves } from '../../../edit/role';
import { keyOf } from '../../../edit/edit';
import { at } from '../../../edit/rig-path';
import { isLink } from '../../../kit/types';
import { setBetween } from './chain';

/** How pieces are put on and taken off, role by role. */
export const moves: Readonly<Record<string, RoleMoves>> = {
  adapter: {
    put: (_job, rig, part) => (isLink(part) ? setBetween(rig, [part]) : undefined),
    without: (rig, part) =>
      rig.between
        .filter((u) => u.part === part.id)
        .map((u) => ({ path: at(rig, 'between', keyOf(u)!), value: undefined })),
  },
};
