import type { Role } from '../../../edit/role';

/** An arm between a drive and its gear. It is read with its drive. */
export const extensionRole: Role = {
  id: 'extension',
  kinds: ['drive-arm'],
  what: 'an extension arm',
  parts: (rig) => (rig.drives ?? []).map((u) => u.arm),
};
