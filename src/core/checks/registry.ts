import { build, shared, type Built, type Shared } from '../build/build';
import type { Job, Rig } from '../kit/types';
import { BESIDE } from './beside';
import type { Check } from './check';
import type { Verdict } from './finding';
import { ON_AXIS } from './on-axis';
import { runChecks } from './run';

/** Every check there is: what the light passes first, then what stands under and beside. */
export const CHECKS: readonly Check[] = [...ON_AXIS, ...BESIDE];

/** Runs every check on a built rig, worst first; within a state in catalogue order. */
export function check(built: Built): Verdict[] {
  return runChecks(built, CHECKS);
}

/** Builds and checks one rig of a job. */
export function checkRig(job: Job, rig: Rig, base: Shared = shared(job)): Verdict[] {
  return check(build(job, rig, base));
}
