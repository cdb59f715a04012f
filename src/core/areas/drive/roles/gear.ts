import type { Role } from '../../../edit/role';

/** A gear ring closed on a ring of the lens. */
export const gearRole: Role = {
  id: 'gear',
  kinds: ['gear-ring'],
  what: 'a gear ring',
  needs: { set: 'turns' },
  list: {
    list: 'gears',
    seat: 'ring',
    set: ['turns'],
    place: {},
    named: true,
    nameOf: (e) => `${String(e.turns)}-${String(e.part)}`,
  },
};
