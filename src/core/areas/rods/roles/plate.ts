import type { Role } from '../../../edit/role';
import { UNDER } from './under';

/** The base plate that holds the rods. */
export const plateRole: Role = {
  id: 'plate',
  kinds: ['plate'],
  what: 'a plate',
  list: UNDER,
};
