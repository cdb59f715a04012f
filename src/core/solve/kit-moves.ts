import { type Job, type Part, type Change, isLens } from '../kit/types';
import type { Edit } from '../edit/edit';
import { readPath } from '../edit/path';
import { STANDARD_MOUNTS } from '../areas/mount/kit/standards';

/** Corrects one field of a part, a rig or the job. */
export function setField(job: Job, path: string[], value: unknown, label: string): Edit {
  const before = readPath(job, path);
  const verb = value === undefined ? 'Clear' : before === undefined ? 'Give' : 'Correct';
  const title = `${verb} ${label}`;
  if (path[0] === 'mounts' && path.length === 3 && !job.mounts?.some((m) => m.id === path[1])) {
    // A standard mount becomes the job's own when one of its numbers is corrected.
    const standard = STANDARD_MOUNTS.find((m) => m.id === path[1]);
    const own = { ...(standard ?? { id: path[1]!, name: path[1]! }), [path[2]!]: value };
    return {
      title,
      changes: [{ path: ['mounts', path[1]!], value: own }],
    };
  }
  return { title, changes: [{ path, value }] };
}

/** Adds a part; a new lens joins the set when one was chosen by hand. */
export function addPart(job: Job, part: Part): Edit {
  const joins: Change[] =
    isLens(part) && job.lensSet ? [{ path: ['lensSet', part.id], value: part.id }] : [];
  return {
    title: `Add ${part.name}`,
    changes: [{ path: ['kit', part.id], value: part }, ...joins],
  };
}
