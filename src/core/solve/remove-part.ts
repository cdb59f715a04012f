import { takenOff } from '../areas/moves';
import { applyEdit, type Edit } from '../edit/edit';
import { isFields } from '../doc/alike';
import type { Change, Job, Part, Rig } from '../kit/types';
import { howMany } from '../quantity/say';

/** Takes a part out of the kit, and off every rig it is on. */
export function removePart(job: Job, part: Part): Edit {
  const changes: Change[] = [];
  for (const rig of job.rigs)
    changes.push(...takenOff(rig, part), ...fromConfigurations(rig, part));
  for (const other of job.kit)
    if ((other as { madeFor?: string[] }).madeFor?.includes(part.id))
      changes.push({ path: ['kit', other.id, 'madeFor', part.id], value: undefined });
  if (job.lensSet?.includes(part.id))
    changes.push({ path: ['lensSet', part.id], value: undefined });
  changes.push({ path: ['kit', part.id], value: undefined });
  return { title: `Take ${part.name} out of the kit`, changes };
}

/** Takes several out at once, in one step: each from what the one before it left. */
export function removeParts(job: Job, parts: readonly Part[]): Edit {
  let left = job;
  const changes: Change[] = [];
  for (const part of parts) {
    const edit = removePart(left, part);
    changes.push(...edit.changes);
    left = applyEdit(left, edit).doc;
  }
  return { title: `Take ${howMany(parts.length, 'part')} out of the kit`, changes };
}

/** What configurations of a rig put on of a part goes with it; where they only swap it in, the swap. */
function fromConfigurations(rig: Rig, part: Part): Change[] {
  return (rig.configurations ?? []).flatMap((c) => {
    const { over } = c as { over?: { uses?: unknown } };
    const uses = isFields(over?.uses) ? over.uses : {};
    const at = ['rigs', rig.id, 'configurations', c.id, 'over'];
    return Object.entries(uses).flatMap(([id, own]): Change[] => {
      if (!isFields(own) || own.part !== part.id) return [];
      if (own.role === undefined)
        return [{ path: [...at, 'uses', id, 'part'], value: undefined, prune: at.length }];
      return [
        { path: [...at, 'uses', id], value: undefined, prune: at.length },
        { path: [...at, 'joints', id], value: undefined, prune: at.length },
      ];
    });
  });
}
