import type { Role } from '../../../edit/role';

/** A lead. It is read with what it feeds, or what goes through it. */
export const leadRole: Role = {
  id: 'lead',
  kinds: ['lead'],
  what: 'a lead',
  parts: (rig) => [
    rig.outlet?.lead,
    ...(rig.drives ?? []).map((u) => u.outlet?.lead),
    ...(rig.fitted ?? []).map((u) => u.outlet?.lead),
    ...(rig.signals ?? []).map((s) => s.lead),
  ],
};
