import type { Role } from '../../../edit/role';
import { UNDER } from './under';

/** What lifts the camera or the rods. */
export const spacerRole: Role = {
  id: 'spacer',
  kinds: ['riser'],
  what: 'a riser',
  list: UNDER,
};
