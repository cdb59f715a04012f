import type { Area } from '../../checks/area';
import { sightView } from './checks/view';

/** Sight: what the camera sees of its own rig. */
export const sight: Area = {
  id: 'sight',
  name: 'Sight',
  says: 'what the camera sees of its own rig',
  checks: [sightView],
};
