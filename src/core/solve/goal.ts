import type { Built } from '../build/build';
import type { Edit } from '../edit/edit';
import type { Frame, Job, JobGoal, Mode, Part } from '../kit/types';
import { frameOnChip } from '../optics/coverage';
import { valueOf } from '../quantity/quantity';
import { usesOn } from '../roles/uses';

/**
 * What is shot, and how: kept with the job. Proposals are ranked by it where nothing weightier
 * decides; it never makes a verdict.
 */

/** Sets one thing of the goal, or takes it away. */
export function setGoal<K extends keyof JobGoal>(
  job: Job,
  key: K,
  value: JobGoal[K] | undefined,
  said: string,
): Edit {
  return {
    title: value === undefined ? `What is shot: ${said} left open` : `What is shot: ${said}`,
    changes: [
      value === undefined
        ? { path: ['goal', key], value: undefined, prune: 1 }
        : { path: ['goal', key], value },
    ],
  };
}

/** Somebody carries the rig: every gram is felt. */
export const isCarried = (goal: JobGoal | undefined): boolean =>
  goal?.hold === 'shoulder' || goal?.hold === 'hand' || goal?.hold === 'gimbal';

/** What a part that nobody weighed counts as, g: it is not lighter for that. */
const NOT_WEIGHED = 500;

/** What a change adds to what is carried, g; nothing where nobody carries it. */
export function burden(goal: JobGoal | undefined, before: Built, after: Built): number {
  if (!isCarried(goal)) return 0;
  const mass = (b: Built) =>
    usesOn(b.rig).reduce((sum, id) => sum + (valueOf(b.kit.get(id)?.mass) ?? NOT_WEIGHED), 0);
  return mass(after) - mass(before);
}

/**
 * Parts that could be put on, the lightest first where somebody carries the rig; as they are listed
 * otherwise. One that nobody weighed comes after all that are.
 */
export function lightestFirst<T extends Part>(
  goal: JobGoal | undefined,
  parts: readonly T[],
): readonly T[] {
  if (!isCarried(goal)) return parts;
  const mass = (p: T) => valueOf(p.mass) ?? Infinity;
  return parts
    .map((p, i) => ({ p, i, m: mass(p) }))
    .sort((a, b) => (a.m === b.m ? a.i - b.i : a.m - b.m))
    .map(({ p }) => p);
}

/** What the goal of a job changes, as it stands: nothing is promised that is not done. */
export function goalMeans(goal: JobGoal): string {
  const parts = [
    isCarried(goal)
      ? 'Fixes that add less to what is carried come first, low places before high ones, light parts before heavy ones.'
      : goal.hold
        ? 'Nobody carries it: fixes with fewer pieces come first.'
        : 'Say how it is held, and fixes, places and parts are ranked by it.',
    goal.shot
      ? 'Recording modes that leave most of the chip to the frames come first.'
      : 'Say what it is for, and recording modes are ranked by the frames.',
  ];
  return `${parts.join(' ')} Crew, sound, light and hours are kept with the job and rank nothing yet. A finding is never changed by any of it.`;
}

/**
 * Modes of a body, those first that leave most of the chip to the frames that are delivered: the
 * area of the smallest of them on the chip. As they are listed where there is no frame; a mode of
 * unknown size comes last.
 */
export function modesFor(frames: readonly Frame[], modes: readonly Mode[]): readonly Mode[] {
  if (frames.length === 0) return modes;
  const area = (m: Mode) => {
    const [w, h] = [valueOf(m.w), valueOf(m.h)];
    if (w === null || h === null) return -1;
    return Math.min(
      ...frames.map((f) => {
        const r = frameOnChip(f, { w, h }, 1);
        return r.w * r.h;
      }),
    );
  };
  return modes
    .map((m, i) => ({ m, i, a: area(m) }))
    .sort((x, y) => y.a - x.a || x.i - y.i)
    .map(({ m }) => m);
}
