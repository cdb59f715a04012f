import { build, shared, type Built, type Shared } from '../build/build';
import type { Area } from '../checks/area';
import { AREAS } from './registry';
import type { Job, Rig } from '../kit/types';
import type { Check } from '../checks/check';
import type { Verdict } from '../checks/finding';
import { runChecks } from '../checks/run';

export { runChecks };

/** Every check there is, area by area. */
export const CHECKS: readonly Check[] = AREAS.flatMap((a) => a.checks);

const AREA_OF: ReadonlyMap<string, Area> = new Map(
  AREAS.flatMap((a) => a.checks.map((c) => [c.id, a] as const)),
);

/** The area that a finding is of, by the id of its check. */
export function areaOf(check: string): Area | null {
  return AREA_OF.get(check) ?? null;
}

/** What an area is called. */
export function areaName(id: string): string {
  return AREAS.find((a) => a.id === id)?.name ?? id;
}

/** Areas that have something to say that is not ok, in their order, with how much it is. */
export function openAreas(
  verdicts: readonly Pick<Verdict, 'id' | 'state'>[],
): { id: string; name: string; open: number }[] {
  return AREAS.flatMap((a) => {
    const open = verdicts.filter((v) => v.state !== 'ok' && areaOf(v.id) === a).length;
    return open > 0 ? [{ id: a.id, name: a.name, open }] : [];
  });
}

/** Runs every check on a built rig, worst first; within a state in catalogue order. */
export function check(built: Built): Verdict[] {
  return runChecks(built, CHECKS);
}

/** Builds and checks one rig of a job. */
export function checkRig(job: Job, rig: Rig, base: Shared = shared(job)): Verdict[] {
  return check(build(job, rig, base));
}
