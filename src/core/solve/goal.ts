import type { Built } from '../build/build';
import type { Edit } from '../edit/edit';
import type { Frame, Job, JobGoal, Mode } from '../kit/types';
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
