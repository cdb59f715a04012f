import type { Change, Job, Part } from '../kit/types';
import type { Edit } from '../edit/edit';

/**
 * Lays imported parts over a kit: a part whose id is there gets the fields that were imported and
 * keeps the rest; a new one is added. One edit, so one undo.
 */
export function mergeParts(
  job: Job,
  parts: readonly Part[],
): { edit: Edit; added: number; changed: number } {
  const have = new Map(job.kit.map((p) => [p.id, p]));
  const changes: Change[] = [];
  let added = 0;
  let changed = 0;
  for (const part of parts) {
    const before = have.get(part.id);
    if (before && before.kind === part.kind) {
      const merged = { ...before, ...part };
      if (JSON.stringify(merged) === JSON.stringify(before)) continue;
      changes.push({ path: ['kit', part.id], value: merged });
      changed++;
    } else {
      let id = part.id;
      for (let n = 2; have.has(id); n++) id = `${part.id}-${n}`;
      const own = { ...part, id };
      have.set(id, own);
      changes.push({ path: ['kit', id], value: own });
      added++;
    }
  }
  return { edit: { title: 'Import parts', changes }, added, changed };
}
