import type { Area } from '../../checks/area';
import { jointFits } from './checks/fits';
import { jointFree } from './checks/free';
import { jointScrew } from './checks/screw';
import { jointTwist } from './checks/twist';
import { jointAccess } from './checks/access';
import { jointLoadPath } from './checks/load-path';
import { jointStops } from './checks/stops';
import { jointGap } from './checks/gap';
import { cureJoint } from './fixes/seats';

/** Joints: what holds what. */
export const joints: Area = {
  id: 'joints',
  name: 'Joints',
  says: 'what holds what, by what, and whether it holds',
  checks: [
    jointFits,
    jointFree,
    jointScrew,
    jointTwist,
    jointAccess,
    jointLoadPath,
    jointStops,
    jointGap,
  ],
  fixes: [cureJoint],
};
