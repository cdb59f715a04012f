import type { Area } from '../../engine/area';
import { coverageFrame } from './checks/frame';
import { coverageChip } from './checks/chip';
import { coveragePixels } from './checks/pixels';
import { coverageReducerExit } from './checks/reducer-exit';

/** Coverage: what the circle of the lens reaches. */
export const coverage: Area = {
  id: 'coverage',
  name: 'Coverage',
  says: 'what the circle of the lens reaches',
  checks: [coverageFrame, coverageChip, coveragePixels, coverageReducerExit],
};
