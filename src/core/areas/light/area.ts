import type { Area } from '../../engine/area';
import { frontExposure } from './checks/exposure';

/** Light: how the camera is set to the light. */
export const light: Area = {
  id: 'light',
  name: 'Light',
  says: 'how the camera is set to the light',
  checks: [frontExposure],
};
