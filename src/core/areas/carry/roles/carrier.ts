import type { Role } from '../../../edit/role';
import { CARRIER_KINDS } from '../kit/parts';

/** What the rig stands on, hangs from or is worn on: it does not weigh on itself. */
export const carrierRole: Role = {
  id: 'carrier',
  kinds: CARRIER_KINDS,
  what: 'what a rig is carried by',
  list: { list: 'carriers', seat: 'below', set: [], place: {} },
};
