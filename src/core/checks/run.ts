import type { Built } from '../build/build';
import type { Check } from './check';
import { STATES, type Verdict } from './finding';
import { tried } from './tried';

/** Runs checks on a built rig, worst first; within a state in catalogue order. */
export function runChecks(built: Built, checks: readonly Check[]): Verdict[] {
  const all = checks.flatMap((c) => c.run(built)).map((v) => tried(built, v));
  return all
    .map((v, i) => ({ v, i }))
    .sort((a, b) => STATES.indexOf(a.v.state) - STATES.indexOf(b.v.state) || a.i - b.i)
    .map((x) => x.v);
}
