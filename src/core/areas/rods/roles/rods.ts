import type { Role } from '../../../edit/role';

/** A pair of rods in the clamps of the plate. */
export const rodsRole: Role = {
  id: 'rods',
  kinds: ['rods'],
  what: 'rods',
  needs: { place: 'end' },
  list: {
    list: 'rods',
    seat: 'rod-clamp',
    set: [],
    place: { place: 'end', tip: 'station' },
  },
};
