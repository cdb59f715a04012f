import type { Built } from '../build/build';
import type { Trial } from '../kit/types';
import type { Verdict } from './finding';

/** Checks that putting the pieces together answers. */
export const TRIABLE: readonly string[] = ['mount.rear-depth', 'mount.throat'];

const RESULT: Record<Trial['result'], string> = {
  fits: 'it fits',
  'fits with force': 'it fits only with force',
  'does not fit': 'it does not fit',
};

/**
 * Lays what was tried over what was computed. Pieces that were put together outrank arithmetic;
 * where the two disagree the finding is at best tight and says so.
 */
export function tried(built: Built, verdict: Verdict): Verdict {
  if (!TRIABLE.includes(verdict.id)) return verdict;
  const trial = [...(built.job.trials ?? [])]
    .reverse()
    .find((t) => verdict.about.length > 0 && verdict.about.every((p) => t.parts.includes(p)));
  if (!trial) return verdict;
  const who = trial.role ? ` by the ${trial.role}` : '';
  const when = trial.when ? `, ${trial.when}` : '';
  const said = `Tried together${who}${when}: ${RESULT[trial.result]}.`;
  const basis = `[tried] ${verdict.basis}`;
  if (trial.result === 'does not fit')
    return {
      ...verdict,
      state: 'fail',
      basis,
      measure: [],
      why:
        verdict.state === 'fail'
          ? `${said} ${verdict.why}`
          : `${said} The numbers say otherwise; one of them is wrong: ${verdict.why}`,
    };
  if (trial.result === 'fits with force')
    return {
      ...verdict,
      state: verdict.state === 'fail' ? 'fail' : 'tight',
      basis,
      why: `${said} ${verdict.why}`,
    };
  if (verdict.state === 'fail')
    return {
      ...verdict,
      state: 'tight',
      basis,
      why: `${said} The numbers say otherwise; one of them is wrong: ${verdict.why}`,
    };
  return { ...verdict, state: 'ok', basis, measure: [], why: `${said} ${verdict.why}` };
}
