import { takenOff } from '../areas/moves';
import type { Edit } from '../edit/edit';
import type { Change, Job, Part } from '../kit/types';

/** Takes a part out of the kit, and off every rig it is on. */
export function removePart(job: Job, part: Part): Edit {
  const changes: Change[] = [];
  for (const rig of job.rigs) changes.push(...takenOff(rig, part));
  for (const other of job.kit)
    if ((other as { madeFor?: string[] }).madeFor?.includes(part.id))
      changes.push({ path: ['kit', other.id, 'madeFor', part.id], value: undefined });
  if (job.lensSet?.includes(part.id))
    changes.push({ path: ['lensSet', part.id], value: undefined });
  changes.push({ path: ['kit', part.id], value: undefined });
  return { title: `Take ${part.name} out of the kit`, changes };
}
