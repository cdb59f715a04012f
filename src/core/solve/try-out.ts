import { build, shared, type Built, type Shared } from '../build/build';
import type { Check } from '../checks/check';
import { runChecks } from '../checks/run';
import type { Verdict } from '../checks/finding';
import type { Change, Job, Rig } from '../kit/types';
import { withChanges } from '../edit/edit';

/** The rig and what `checks` say of it after changes, or null when the changes take the rig away. */
export function tryOut(
  job: Job,
  rig: Rig,
  changes: readonly Change[],
  base: Shared,
  checks: readonly Check[],
): { built: Built; verdicts: Verdict[] } | null {
  const next = withChanges(job, changes);
  const again = next.rigs.find((r) => r.id === rig.id);
  if (!again) return null;
  const untouched = changes.every((c) => c.path[0] === 'rigs');
  const built = build(next, again, untouched ? base : shared(next));
  return { built, verdicts: runChecks(built, checks) };
}
