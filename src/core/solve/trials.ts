import type { Job, Trial } from '../kit/types';
import { inWords } from '../checks/judge';
import type { Edit } from './edit';

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
