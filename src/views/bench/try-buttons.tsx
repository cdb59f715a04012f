'use client';

import type { Verdict } from '@/core/checks/finding';
import type { Trial } from '@/core/kit/types';
import { forgetTrial, recordTrial, trialOf } from '@/core/solve/trials';
import { Button } from '@/ui/button';
import { useStore } from '@/views/store/store-context';
import type { RigFacts } from './use-rig';

const RESULTS: readonly { result: Trial['result']; label: string }[] = [
  { result: 'fits', label: 'it fits' },
  { result: 'fits with force', label: 'only with force' },
  { result: 'does not fit', label: 'it does not fit' },
];

/** Putting the pieces together outranks arithmetic: what came of it is kept with the job. */
export function TryButtons({ facts, verdict }: { facts: RigFacts; verdict: Verdict }) {
  const store = useStore();
  const trial = trialOf(facts.job, verdict.about);
  return (
    <div className="flex flex-wrap items-center gap-1 py-0.5">
      <span className="text-soft">Tried together by hand:</span>
      {RESULTS.map((r) => (
        <Button
          key={r.result}
          look="bare"
          className="underline underline-offset-4"
          onClick={() =>
            store?.edit(
              recordTrial(
                facts.job,
                verdict.about,
                r.result,
                new Date().toISOString().slice(0, 10),
              ),
            )
          }
        >
          {r.label}
        </Button>
      ))}
      {trial ? (
        <Button
          look="bare"
          className="underline underline-offset-4"
          onClick={() => store?.edit(forgetTrial(trial))}
        >
          forget it
        </Button>
      ) : null}
    </div>
  );
}
