import type { RoleMoves } from '../../../edit/role';
import { at, without } from '../../../edit/rig-path';
import { isCarrier } from '../../../kit/types';
import { putCarrier } from './carrier';

/** How pieces are put on and taken off, role by role. */
export const moves: Readonly<Record<string, RoleMoves>> = {
  carrier: {
    put(job, rig, part) {
      if (!isCarrier(part)) return undefined;
      const uses = rig.carriers ?? [];
      if (uses.some((u) => u.part === part.id)) return null;
      const same = uses.filter((u) => job.kit.find((p) => p.id === u.part)?.kind === part.kind);
      return putCarrier(
        rig,
        part,
        same.map((u) => u.id),
      );
    },
    deeds: (job, rig) =>
      (rig.carriers ?? []).map((u) => ({
        title: `Take ${job.kit.find((p) => p.id === u.part)?.name ?? u.part} off`,
        changes: [without(rig, 'carriers', u.id)],
      })),
    without: (rig, part) =>
      (rig.carriers ?? [])
        .filter((u) => u.part === part.id)
        .map((u) => ({ path: at(rig, 'carriers', u.id), value: undefined, prune: 3 })),
  },
};
