import type { State, Verdict } from '../checks/finding';
import { type Built, type Shared, buildTrial, shared } from '../build/build';
import type { Check } from '../checks/check';
import { CHECKS } from '../areas/checks';
import { runOne } from '../checks/run';
import type { Change, Job } from '../kit/types';
import { withChanges, PathError } from '../edit/edit';

/** States by how bad they are: what is lower is better. */
export const BADNESS: Record<State, number> = { ok: 0, tight: 1, unknown: 2, fail: 3 };

/** Trials of a rig that are kept for other findings of it. */
const MOST_TRIALS = 400;

/** Checks whose fails are settings to follow up. */
export const SET_BY_HAND: ReadonlySet<string> = new Set(
  CHECKS.filter((c) => c.byHand).map((c) => c.id),
);

/** Trials of one rig, each resulting rig checked once, whatever it is tried for. */
export class Trials {
  readonly #seen = new Map<string, Built>();
  /** What each check says of the rig as it is. */
  readonly said: ReadonlyMap<Check, Said>;
  readonly count: Counts;

  constructor(
    readonly built: Built,
    readonly base: Shared,
  ) {
    this.said = new Map(CHECKS.map((c) => [c, saidOf(runOne(built, c))]));
    this.count = total([...this.said.values()].map((s) => s.count));
  }

  /** The rig after changes; null when they lead nowhere or take the rig away. */
  after(changes: readonly Change[]): Built | null {
    const { job, rig } = this.built;
    let next: Job;
    try {
      next = withChanges(job, changes);
    } catch (e) {
      if (!(e instanceof PathError)) throw e;
      return null;
    }
    const again = next.rigs.find((r) => r.id === rig.id);
    if (!again) return null;
    const untouched = changes.every((c) => c.path[0] === 'rigs');
    const key = sameBut(madeUp(changes), JSON.stringify(untouched ? again : [again, changes]));
    const known = this.#seen.get(key);
    if (known) return known;
    const trial = buildTrial(this.built, next, again, untouched ? this.base : shared(next));
    this.#seen.set(key, trial);
    // In a large kit there are more than there is room for: the oldest is worked out again.
    if (this.#seen.size > MOST_TRIALS) this.#seen.delete(this.#seen.keys().next().value!);
    return trial;
  }
}

/** Ids that changes make up for what they add. */
function madeUp(changes: readonly Change[]): string[] {
  return changes.flatMap(({ path, value }) => {
    const id = (value as { id?: unknown } | null | undefined)?.id;
    return typeof id === 'string' && id === path[path.length - 1] ? [id] : [];
  });
}

/** A rig whatever made-up ids it has: they are made anew each time the same piece is tried. */
function sameBut(ids: readonly string[], rig: string): string {
  return ids.reduce((text, id, i) => text.replaceAll(`"${id}"`, `"#${i}"`), rig);
}

/** How many findings are not ok, but for those that are set by hand. */
export type Counts = Record<Exclude<State, 'ok'>, number>;

interface Said {
  verdicts: readonly Verdict[];
  count: Counts;
}

/** How many verdicts are not ok, by state, but for those that are set by hand. */
export function countOf(verdicts: readonly Verdict[]): Counts {
  const count = { fail: 0, unknown: 0, tight: 0 };
  for (const v of verdicts) if (v.state !== 'ok' && !SET_BY_HAND.has(v.id)) count[v.state]++;
  return count;
}

function saidOf(verdicts: readonly Verdict[]): Said {
  return { verdicts, count: countOf(verdicts) };
}

/** Counts put together. */
export function total(counts: readonly Counts[]): Counts {
  const sum = { fail: 0, unknown: 0, tight: 0 };
  for (const c of counts) {
    sum.fail += c.fail;
    sum.unknown += c.unknown;
    sum.tight += c.tight;
  }
  return sum;
}
