import type { Area } from '../../checks/area';
import { frontExposure } from './checks/exposure';
import { toTheStop } from './fixes/light';

/** Light: how the camera is set to the light. */
export const light: Area = {
  id: 'light',
  name: 'Light',
  says: 'how the camera is set to the light',
  checks: [frontExposure],
  fixes: [toTheStop],
};
