import type { Role } from '../../../edit/role';

/** What gives from the mains and stands beside the rig: it is no part of what the rig weighs. */
export const mainsRole: Role = {
  id: 'mains',
  kinds: ['mains-unit'],
  what: 'a mains unit',
  list: { list: 'mains', seat: 'floor', set: ['away'], place: {} },
};
