import type { Area } from '../../checks/area';
import { carryTwist } from './checks/twist';

/** Carry: what hangs on what. */
export const carry: Area = {
  id: 'carry',
  name: 'Carry',
  says: 'what hangs on what',
  checks: [carryTwist],
};
