import type { Role } from '../../../edit/role';

/** What stands between body and lens, from the body outwards. */
export const adapterRole: Role = {
  id: 'adapter',
  kinds: ['adapter', 'reducer'],
  what: 'an adapter or reducer',
  list: {
    list: 'between',
    seat: 'mount',
    set: ['slot', 'wheel'],
    place: {},
    row: true,
    named: true,
    own: ['tied'],
    read(kept, use, element) {
      const tied = kept.foot(use.id) ? true : use.set?.tied;
      if (tied !== undefined) element.tied = tied;
    },
    // That a foot hangs free is said as well.
    alsoSet: (element): { tied?: false } => (element.tied === false ? { tied: false } : {}),
    write(rig, id, element) {
      if (element.tied === true) rig.tie(id);
    },
  },
};
