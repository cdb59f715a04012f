import type { Role } from '../../../edit/role';

/** What keeps light out between the lens and the box. */
export const sleeveRole: Role = {
  id: 'sleeve',
  kinds: ['sleeve'],
  what: 'a sleeve',
  once: true,
  parts: (rig) => [rig.box?.sleeve],
};
