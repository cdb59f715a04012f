import type { JobDoc } from '../kit/kept';
import { describe, type Problem, type Read } from './problem';
import { parseJson, validateJob } from './read-job';

/** Everything in a browser as one file. */
export interface Backup {
  format: 'nelvix-backup';
  version: 1;
  jobs: JobDoc[];
}

export function writeBackup(jobs: readonly JobDoc[]): string {
  const backup: Backup = { format: 'nelvix-backup', version: 1, jobs: [...jobs] };
  return `${JSON.stringify(backup)}\n`;
}

/** Reads a backup: every job in it valid, or all that is wrong, with paths into the backup. */
export function readBackup(text: string): Read<JobDoc[]> {
  const parsed = parseJson(text);
  if (!parsed.ok) return parsed;
  const doc = parsed.value as Partial<Backup> | null;
  const refuse = (path: string, found: string, expected: string): Read<JobDoc[]> => ({
    ok: false,
    problems: [{ path, found, expected }],
  });
  if (doc === null || typeof doc !== 'object' || doc.format !== 'nelvix-backup')
    return refuse(
      'format',
      describe(doc && (doc as { format?: unknown }).format),
      '"nelvix-backup"',
    );
  if (doc.version !== 1) return refuse('version', describe(doc.version), '1');
  if (!Array.isArray(doc.jobs)) return refuse('jobs', describe(doc.jobs), 'a list of jobs');
  const problems: Problem[] = [];
  const jobs: JobDoc[] = [];
  const notes: string[] = [];
  doc.jobs.forEach((j, i) => {
    const r = validateJob(j);
    if (r.ok) {
      jobs.push(r.value);
      notes.push(...(r.notes ?? []));
    } else
      problems.push(
        ...r.problems.map((p) => ({
          ...p,
          path: p.path === '(file)' ? `jobs[${i}]` : `jobs[${i}].${p.path}`,
        })),
      );
  });
  if (problems.length > 0) return { ok: false, problems };
  return notes.length > 0 ? { ok: true, value: jobs, notes } : { ok: true, value: jobs };
}
