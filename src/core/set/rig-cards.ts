import { check } from '../areas/checks';
import { build, shared } from '../build/build';
import { countsOf, type Counts } from '../checks/counts';
import { elevation, type Elevation, type Outlined } from '../drawing/elevation';
import type { Job } from '../kit/types';

/** A rig of a job as one sees it beside the others: how it looks, and how it stands. */
export interface RigCard {
  id: string;
  name: string;
  /** Body and lens by name; null where there is none. */
  body: string | null;
  lens: string | null;
  /** From the side, farthest first, without what swings, mm. */
  outlines: readonly Outlined[];
  bounds: Elevation['bounds'];
  counts: Counts;
  /** How many configurations it has beside itself. */
  configurations: number;
}

/** Every rig of a job, itself and not its configurations, in the order of the job. */
export function rigCards(job: Job): RigCard[] {
  const base = shared(job);
  return job.rigs.map((rig): RigCard => {
    const built = build(job, rig, base);
    const { outlines, bounds } = elevation(built, 'side');
    return {
      id: rig.id,
      name: rig.name,
      body: built.body?.name ?? null,
      lens: built.lens?.name ?? null,
      outlines: outlines.filter((o) => !o.sweep && o.points.length > 0),
      bounds,
      counts: countsOf(check(built)),
      configurations: rig.configurations?.length ?? 0,
    };
  });
}
