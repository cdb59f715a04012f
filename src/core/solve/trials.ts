import type { Job, Trial } from '../kit/types';
import { inWords } from '../checks/judge';
import { newId } from '../engine/ids';
import type { Edit } from '../edit/edit';

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
    changes: [{ path: ['trials', trial.id], value: undefined, prune: 1 }],
  };
}

/** Records that pieces were put together, and what came of it. */
export function recordTrial(
  job: Job,
  parts: readonly string[],
  result: Trial['result'],
  when: string,
): Edit {
  const trial: Trial = { id: newId('trial'), parts: [...parts], result, when };
  const names = parts.map((id) => job.kit.find((p) => p.id === id)?.name ?? id);
  return {
    title: `Tried ${inWords(names)}: ${result}`,
    changes: [{ path: ['trials', trial.id], value: trial }],
  };
}
