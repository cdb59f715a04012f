import { build, shared, type Built, type Shared } from '../build/build';
import { AREAS } from '../areas/registry';
import type { Job, Rig } from '../kit/types';
import type { Check } from './check';
import type { Verdict } from './finding';
import { runChecks } from './run';

/** Every check there is, area by area. */
export const CHECKS: readonly Check[] = AREAS.flatMap((a) => a.checks);

/** Runs every check on a built rig, worst first; within a state in catalogue order. */
export function check(built: Built): Verdict[] {
  return runChecks(built, CHECKS);
}

/** Builds and checks one rig of a job. */
export function checkRig(job: Job, rig: Rig, base: Shared = shared(job)): Verdict[] {
  return check(build(job, rig, base));
}
