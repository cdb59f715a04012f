import type { Role } from '../../../edit/role';

/** The matte box, with its stages, mask and flags. */
export const boxRole: Role = {
  id: 'box',
  kinds: ['matte-box'],
  what: 'a matte box',
  once: true,
  parts: (rig) => [rig.box?.part],
};
