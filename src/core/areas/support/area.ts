import type { Area } from '../../checks/area';
import { supportNeed } from './checks/need';
import { supportHeight } from './checks/height';
import { supportPlace } from './checks/place';
import { supportFoot } from './checks/foot';
import { holdUp } from './fixes/support';
import { moves } from './moves/roles';

/** Support: what holds the lens up. */
export const support: Area = {
  id: 'support',
  name: 'Support',
  says: 'what holds the lens up',
  checks: [supportNeed, supportHeight, supportPlace, supportFoot],
  moves,
  fixes: [holdUp],
};
