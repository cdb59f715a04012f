import type { State, Verdict } from '../checks/finding';
import type { Built } from '../build/build';
import { CHECKS } from '../areas/checks';
import { Trials, BADNESS, type Counts, countOf, SET_BY_HAND, total } from './trial';
import type { Check } from '../checks/check';
import type { Change } from '../kit/types';
import { runOne } from '../checks/run';

/** What a trial came to, when it is a fix. */
export interface Held {
  state: State;
  then: string;
  /** New findings that are not ok, worst first: named as its cost. */
  costs: Verdict[];
  built: Built;
}

/** Checks that take longest come last: most trials that fail do so before them. */
const QUICK_FIRST = [...CHECKS.filter((c) => !c.slow), ...CHECKS.filter((c) => c.slow)];

/**
 * Whether changes clear or raise a finding and lower no other. Its own check is run first, the
 * others one by one, quick ones first, and the first that comes out lower ends it.
 *
 * @returns what it came to; or the finding that it lowers; or null when it does not help
 */
export function hold(
  trials: Trials,
  finding: Verdict,
  changes: readonly Change[],
  measureFirst = false,
): { held: Held } | { lowers: Verdict; built: Built } | null {
  const trial = trials.after(changes);
  if (!trial) return null;
  const own = CHECKS.find((c) => c.id === finding.id);
  if (!own) return null;
  const after = sameFinding(own, runOne(trial, own), finding);
  if (!after) return null;
  const state: State = after === 'gone' ? 'ok' : after.state;
  const near = after !== 'gone' && comesNearer(own, finding, after);
  if (state === 'unknown' || !(near || BADNESS[state] < BADNESS[finding.state])) return null;
  // What does not mount at all hides what comes after: that it shows is not the fix's doing.
  const reveals = own.hides === true;
  const costs: Verdict[] = [];
  const counts: Counts[] = [];
  for (const check of QUICK_FIRST) {
    const was = trials.said.get(check)!;
    const now = runOne(trial, check);
    // What a change does not touch comes back as it was.
    if (now === was.verdicts) {
      counts.push(was.count);
      continue;
    }
    counts.push(countOf(now));
    for (const { before, after: v } of paired(was.verdicts, now)) {
      if (!v || v.key === finding.key) continue;
      const lower = BADNESS[v.state] > (before ? BADNESS[before.state] : 0);
      if (!lower) continue;
      if (SET_BY_HAND.has(v.id) || (measureFirst && v.state === 'unknown')) costs.push(v);
      else if (reveals && was.verdicts.length === 0) continue;
      else if (before || v.state === 'fail') return { lowers: v, built: trial };
      else costs.push(v);
    }
  }
  if (!reveals && !measureFirst) {
    // On the whole it has to be better, or two fixes could lead back and forth.
    const [count, before] = [total(counts), trials.count];
    const better =
      count.fail - before.fail || count.unknown - before.unknown || count.tight - before.tight;
    const even = near || raisedOnly(finding, state);
    if (SET_BY_HAND.has(finding.id) || even ? better > 0 : better >= 0) return null;
  }
  return {
    held: {
      state,
      then: after === 'gone' ? 'This no longer comes up.' : after.why,
      costs: costs.sort((a, b) => BADNESS[b.state] - BADNESS[a.state]),
      built: trial,
    },
  };
}

/** Tight before and after, and by as much better as its check says that it takes. */
export function comesNearer(own: Check, before: Verdict, after: Verdict): boolean {
  return (
    own.nearer !== undefined &&
    before.state === 'tight' &&
    after.state === 'tight' &&
    before.margin !== null &&
    after.margin !== null &&
    after.margin.value >= before.margin.value + own.nearer
  );
}

/** From fail to tight the counts go down one and up one: that is better all the same. */
function raisedOnly(finding: Verdict, state: State): boolean {
  return finding.state === 'fail' && state === 'tight';
}

/**
 * Findings of one check before and after, pair by pair: by their keys; what is left by the frame
 * they speak of, worst with worst. A piece that was swapped brings its own keys.
 */
function paired(
  before: readonly Verdict[],
  after: readonly Verdict[],
): { before: Verdict | null; after: Verdict | null }[] {
  const keys = new Map(before.map((v) => [v.key, v]));
  const out: { before: Verdict | null; after: Verdict | null }[] = [];
  const left: Verdict[] = [];
  for (const v of after) {
    const b = keys.get(v.key);
    if (b) {
      out.push({ before: b, after: v });
      keys.delete(v.key);
    } else left.push(v);
  }
  const worst = (a: Verdict, b: Verdict) => BADNESS[b.state] - BADNESS[a.state];
  const gone = [...keys.values()].sort(worst);
  for (const v of left.sort(worst)) {
    const i = gone.findIndex((b) => b.frame === v.frame);
    out.push({ before: i < 0 ? null : gone.splice(i, 1)[0]!, after: v });
  }
  return [...out, ...gone.map((b) => ({ before: b, after: null }))];
}

/**
 * The finding a fix was for, on the changed rig. The key may name a piece that was swapped out
 * (`mount.rear-depth:reducer-a`): then the worst finding of the same check speaks for it, and if
 * there is none it no longer comes up.
 */
function sameFinding(
  own: Check,
  after: readonly Verdict[],
  finding: Verdict,
): Verdict | 'gone' | null {
  const same = after.find((v) => v.key === finding.key);
  if (same) return same;
  if (own.ofFrames) return null;
  return (
    after
      .filter((v) => v.id === finding.id && v.state !== 'ok')
      .sort((a, b) => BADNESS[b.state] - BADNESS[a.state])[0] ?? 'gone'
  );
}
