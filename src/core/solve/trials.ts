import type { Job, Trial } from '../kit/types';
import { inWords } from '../checks/judge';
import type { Edit } from './edit';

/** The latest trial of these pieces; the one that speaks. */
export function trialOf(job: Job, parts: readonly string[]): Trial | null {
  if (parts.length === 0) return null;
  return (
    [...(job.trials ?? [])].reverse().find((t) => parts.every((p) => t.parts.includes(p))) ?? null
  );
}

/** Forgets what came of a trial: a piece was changed since. */
export function forgetTrial(trial: Trial): Edit {
  return {
    title: 'Forget what was tried',
    changes: [{ path: ['trials', trial.id], value: undefined }],
  };
}

/** Records that pieces were put together, and what came of it. */
export function recordTrial(
  job: Job,
  parts: readonly string[],
  result: Trial['result'],
  when: string,
): Edit {
  const taken = new Set((job.trials ?? []).map((t) => t.id));
  let n = taken.size + 1;
  while (taken.has(`trial-${n}`)) n++;
  const trial: Trial = { id: `trial-${n}`, parts: [...parts], result, when };
  const names = parts.map((id) => job.kit.find((p) => p.id === id)?.name ?? id);
  return {
    title: `Tried ${inWords(names)}: ${result}`,
    changes: [
      job.trials
        ? { path: ['trials', trial.id], value: trial }
        : { path: ['trials'], value: [trial] },
    ],
  };
}
