import type { Generator } from '../checks/candidate';
import type { Area } from '../checks/area';
import { AREAS } from './registry';

/** What is worth trying, area by area. */
export const FIX_RULES: readonly Generator[] = AREAS.flatMap((a) => a.fixes ?? []);

/** What may go with a fix, by the check that it would lower. */
export const FOLLOW_UPS: NonNullable<Area['followUps']> = Object.assign(
  {},
  ...AREAS.map((a) => a.followUps),
) as NonNullable<Area['followUps']>;

/** What changes cost besides findings. */
export const COSTS = AREAS.flatMap((a) => a.costs ?? []);
