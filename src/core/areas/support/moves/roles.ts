import type { RoleMoves } from '../../../edit/role';
import { isSupport } from '../../../kit/types';
import { putSupport, takeSupport } from './support';

/** How pieces are put on and taken off, role by role. */
export const moves: Readonly<Record<string, RoleMoves>> = {
  support: {
    put: (_job, rig, part) => (isSupport(part) ? putSupport(rig, part) : undefined),
    deeds: (job, rig) =>
      (rig.supports ?? []).map((u) =>
        takeSupport(rig, u.id, job.kit.find((p) => p.id === u.part)?.name ?? u.part),
      ),
  },
};
