import type { Role } from '../../../edit/role';

/** What makes the picture. */
export const lensRole: Role = {
  id: 'lens',
  kinds: ['lens'],
  what: 'a lens',
  once: true,
  parts: (rig) => [rig.lens],
};
