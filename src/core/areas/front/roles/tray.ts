import type { Role } from '../../../edit/role';

/** A filter in a stage of the matte box. */
export const trayRole: Role = {
  id: 'tray',
  kinds: ['filter'],
  what: 'a filter',
  parts: (rig) => (rig.box?.trays ?? []).map((t) => t.filter),
};
