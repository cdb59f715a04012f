import type { Area } from '../../checks/area';
import { mediaDay } from './checks/day';
import { mediaMinutes } from './checks/minutes';
import { mediaOffload } from './checks/offload';
import { mediaSpeed } from './checks/speed';
import { otherCards } from './fixes/cards';

/** Media: what is recorded on, for how long, whether it keeps up, and is copied in the night. */
export const media: Area = {
  id: 'media',
  name: 'Media',
  says: 'what is recorded on, for how long, whether it keeps up, and is copied in the night',
  checks: [mediaSpeed, mediaMinutes, mediaDay, mediaOffload],
  fixes: [otherCards],
};
