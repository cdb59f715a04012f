import type { RoleMoves } from '../../../edit/role';
import { isFitting } from '../../../kit/types';
import { fit, hangingOn, takeFitted, withoutFitted } from './fitted';

/** How pieces are put on and taken off, role by role. */
export const moves: Readonly<Record<string, RoleMoves>> = {
  fitted: {
    put: (job, rig, part) => (isFitting(part) ? fit(job, rig, part) : undefined),
    deeds: (job, rig) =>
      (rig.fitted ?? []).map((u) =>
        takeFitted(rig, u.id, job.kit.find((p) => p.id === u.part)?.name ?? u.part),
      ),
    without(rig, part) {
      const own = (rig.fitted ?? []).filter((u) => u.part === part.id).map((u) => u.id);
      return own.length > 0 ? withoutFitted(rig, hangingOn(rig, own)) : [];
    },
  },
};
