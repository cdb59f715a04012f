import type { Area } from '../../checks/area';
import { mediaMinutes } from './checks/minutes';
import { mediaSpeed } from './checks/speed';
import { otherCards } from './fixes/cards';

/** Media: what is recorded on, for how long, and whether it keeps up. */
export const media: Area = {
  id: 'media',
  name: 'Media',
  says: 'what is recorded on, for how long, and whether it keeps up',
  checks: [mediaSpeed, mediaMinutes],
  fixes: [otherCards],
};
