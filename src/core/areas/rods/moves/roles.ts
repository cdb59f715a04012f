import type { RoleMoves } from '../../../edit/role';
import { isPlate, isRods, isRiser } from '../../../kit/types';
import { putUnder } from './under';
import { listChanges } from '../../../edit/list-changes';
import { at } from '../../../edit/rig-path';
import { putRods, swapRods, takeRods } from './rods';

/** How pieces are put on and taken off, role by role. */
export const moves: Readonly<Record<string, RoleMoves>> = {
  plate: {
    put: (job, rig, part) => (isPlate(part) ? putUnder(job, rig, part) : undefined),
    // The stack is one list: the other role leaves it alone.
    without: (rig, part) =>
      listChanges(
        at(rig, 'under'),
        rig.under,
        (rig.under ?? []).filter((u) => u.part !== part.id),
      ),
  },
  rods: {
    put(_job, rig, part) {
      if (!isRods(part)) return undefined;
      const now = rig.rods?.[0];
      if (now?.part === part.id) return null;
      return now ? swapRods(rig, now.id, part) : putRods(rig, part);
    },
    deeds: (job, rig) =>
      (rig.rods ?? []).map((u) =>
        takeRods(rig, u.id, job.kit.find((p) => p.id === u.part)?.name ?? u.part),
      ),
  },
  spacer: {
    put: (job, rig, part) => (isRiser(part) ? putUnder(job, rig, part, 'rods') : undefined),
    without: () => [],
  },
};
