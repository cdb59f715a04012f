import type { Role } from '../../../edit/role';

/** The camera that all the rest stands on. */
export const bodyRole: Role = {
  id: 'body',
  kinds: ['body'],
  what: 'a body',
  once: true,
  parts: (rig) => [rig.body],
};
