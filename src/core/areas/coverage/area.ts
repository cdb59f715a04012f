import type { Area } from '../../checks/area';
import { coverageFrame } from './checks/frame';
import { coverageChip } from './checks/chip';
import { coveragePixels } from './checks/pixels';
import { coverageReducerExit } from './checks/reducer-exit';
import { otherFrames, otherModes, dropFrame } from './fixes/picture';
import { otherLenses } from './fixes/lenses';
import { fieldCost } from './model/field';
import { moves } from './moves/roles';

/** Coverage: what the circle of the lens reaches. */
export const coverage: Area = {
  id: 'coverage',
  name: 'Coverage',
  says: 'what the circle of the lens reaches',
  picture: true,
  checks: [coverageFrame, coverageChip, coveragePixels, coverageReducerExit],
  costs: fieldCost,
  moves,
  fixes: [otherFrames, otherModes, otherLenses, dropFrame],
};
