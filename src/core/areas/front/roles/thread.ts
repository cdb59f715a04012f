import type { Role } from '../../../edit/role';

/** What is screwed to the filter thread of the lens, from the lens outwards. */
export const threadRole: Role = {
  id: 'thread',
  kinds: ['ring', 'filter'],
  what: 'a ring or filter',
  list: { list: 'thread', seat: 'thread', set: [], place: {}, row: true, named: true },
};
