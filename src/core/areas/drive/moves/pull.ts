import type { Built } from '../../../build/build';
import type { Edit } from '../../../edit/edit';
import { newId } from '../../../engine/ids';
import { pullAsKept, sayWent, type Pulled } from '../model/pulls';
import type { PlacedDrive } from '../place/drive';

/** Keeps how a pull went; null where nothing feeds the motor. */
export function logPull(built: Built, d: PlacedDrive, noted: Pulled): Edit | null {
  const pull = pullAsKept(built, d, newId('pull'), noted);
  return (
    pull && {
      title: `Log a pull: ${d.part.name} ${sayWent(noted.went)}`,
      changes: [{ path: ['pulls', pull.id], value: pull }],
    }
  );
}

/** Takes a pull out of the log. */
export function forgetPull(id: string): Edit {
  return {
    title: 'Take a pull out of the log',
    changes: [{ path: ['pulls', id], value: undefined, prune: 1 }],
  };
}
