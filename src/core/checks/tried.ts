import type { Built } from '../build/build';
import type { Trial } from '../kit/types';
import type { Check } from './check';
import type { Verdict } from './finding';
import { said } from './judge';

const RESULT: Record<Trial['result'], string> = {
  fits: 'it fits',
  'fits with force': 'it fits only with force',
  'does not fit': 'it does not fit',
};

/**
 * Lays what was tried over what was computed. Pieces that were put together outrank arithmetic;
 * where the two disagree the finding is at best tight and says so.
 */
export function tried(built: Built, check: Check, verdict: Verdict): Verdict {
  if (!check.tried?.(verdict)) return verdict;
  // A trial is of two pieces or more; one that stands alone says nothing of going together.
  if (verdict.about.length < 2) return verdict;
  const trial = [...(built.job.trials ?? [])]
    .reverse()
    .find((t) => verdict.about.length > 0 && verdict.about.every((p) => t.parts.includes(p)));
  if (!trial) return verdict;
  const who = trial.role ? ` by the ${trial.role}` : '';
  const when = trial.when ? `, ${trial.when}` : '';
  const result = `Tried together${who}${when}: ${RESULT[trial.result]}.`;
  const basis = `[tried] ${verdict.basis}`;
  if (trial.result === 'does not fit')
    return {
      ...said(verdict),
      state: 'fail',
      basis,
      measure: [],
      why:
        verdict.state === 'fail'
          ? `${result} ${verdict.why}`
          : `${result} The numbers say otherwise; one of them is wrong: ${verdict.why}`,
    };
  if (trial.result === 'fits with force')
    return {
      ...said(verdict),
      state: verdict.state === 'fail' ? 'fail' : 'tight',
      basis,
      why: `${result} ${verdict.why}`,
    };
  if (verdict.state === 'fail')
    return {
      ...said(verdict),
      state: 'tight',
      basis,
      why: `${result} The numbers say otherwise; one of them is wrong: ${verdict.why}`,
    };
  return { ...said(verdict), state: 'ok', basis, measure: [], why: `${result} ${verdict.why}` };
}
