import type { Role } from '../../../edit/role';

/** A card or drive that is in the camera. */
export const cardRole: Role = {
  id: 'card',
  kinds: ['card'],
  what: 'a card or drive',
  list: { list: 'cards', seat: 'slot', set: [], place: {} },
};
