import type { Role } from '../../../edit/role';
import { ON_ROD } from '../../rods/roles/on-rod';

/** What stands on the rods and holds the lens up. */
export const supportRole: Role = {
  id: 'support',
  kinds: ['lens-support'],
  what: 'a lens support',
  list: {
    list: 'supports',
    seat: 'rods',
    set: ['post'],
    place: { station: 'station' },
    own: ['on'],
    ...ON_ROD,
  },
};
