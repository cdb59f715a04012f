import type { Built } from '../build/build';
import { node, type Node } from '../engine/reads';
import type { Check } from './check';
import { STATES, type Verdict } from './finding';
import { tried } from './tried';

/** Runs checks on a built rig, worst first; within a state in catalogue order. */
export function runChecks(built: Built, checks: readonly Check[]): Verdict[] {
  return worstFirst(checks.flatMap((c) => runOne(built, c)));
}

/** Worst first; within a state in the order they came in. */
export function worstFirst(verdicts: readonly Verdict[]): Verdict[] {
  return verdicts
    .map((v, i) => ({ v, i }))
    .sort((a, b) => STATES.indexOf(a.v.state) - STATES.indexOf(b.v.state) || a.i - b.i)
    .map((x) => x.v);
}

/** What one check says of a rig, with what was tried laid over it. */
export function runOne(built: Built, check: Check): readonly Verdict[] {
  return built.once(nodeOf(check));
}

/** Verdicts put their sentences off, and what to measure: most of a trial are never read. */
export function settle(verdicts: readonly Verdict[]): void {
  for (const v of verdicts) void (v.why + v.sum + v.measure.length);
}

const nodes = new Map<Check, Node<Built, readonly Verdict[]>>();

function nodeOf(check: Check): Node<Built, readonly Verdict[]> {
  let own = nodes.get(check);
  if (!own) {
    own = node(
      check.id,
      (built: Built): readonly Verdict[] => check.run(built).map((v) => tried(built, check, v)),
      { settle },
    );
    nodes.set(check, own);
  }
  return own;
}
