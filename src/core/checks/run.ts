import type { Built } from '../build/build';
import { node, type Node } from '../engine/reads';
import type { Check } from './check';
import { STATES, type State, type Verdict } from './finding';
import { tried } from './tried';

/** Runs checks on a built rig, worst first; within a state in catalogue order. */
export function runChecks(built: Built, checks: readonly Check[]): Verdict[] {
  const sorted = new Sorted();
  for (const c of checks) sorted.add(runOne(built, c));
  return sorted.all;
}

/** Worst first; within a state in the order they came in. */
export function worstFirst(verdicts: readonly Verdict[]): Verdict[] {
  const sorted = new Sorted();
  sorted.add(verdicts);
  return sorted.all;
}

/** Verdicts by their states, as they come in. */
class Sorted {
  readonly #of: Readonly<Record<State, Verdict[]>> = { fail: [], tight: [], unknown: [], ok: [] };

  add(verdicts: readonly Verdict[]): void {
    for (const v of verdicts) this.#of[v.state].push(v);
  }
  get all(): Verdict[] {
    return ([] as Verdict[]).concat(...STATES.map((s) => this.#of[s]));
  }
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
      (built: Built): readonly Verdict[] => {
        const all = check.run(built);
        return check.tried ? all.map((v) => tried(built, check, v)) : all;
      },
      { settle },
    );
    nodes.set(check, own);
  }
  return own;
}
