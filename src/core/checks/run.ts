import { alongAxis, type Built } from '../build/build';
import type { Check } from './check';
import { STATES, type Verdict } from './finding';
import { ON_AXIS } from './on-axis';
import { tried } from './tried';

/** Runs checks on a built rig, worst first; within a state in catalogue order. */
export function runChecks(built: Built, checks: readonly Check[]): Verdict[] {
  const along = ON_AXIS.every((c, i) => checks[i] === c);
  const all = along
    ? [...onAxis(built), ...run(built, checks.slice(ON_AXIS.length))]
    : run(built, checks);
  return all
    .map((v, i) => ({ v, i }))
    .sort((a, b) => STATES.indexOf(a.v.state) - STATES.indexOf(b.v.state) || a.i - b.i)
    .map((x) => x.v);
}

/** What one check says of a rig, with what was tried laid over it. */
export function runOne(built: Built, check: Check): Verdict[] {
  return run(built, [check]);
}

/** Whether everything that the checks along the axis rest on is the same in two rigs. */
export function sameAlongAxis(a: Built, b: Built): boolean {
  const [x, y] = [alongAxis(a), alongAxis(b)];
  return x.length === y.length && x.every((v, i) => v === y[i]);
}

function run(built: Built, checks: readonly Check[]): Verdict[] {
  return checks.flatMap((c) => c.run(built)).map((v) => tried(built, v));
}

/**
 * What the checks along the axis say depends on nothing that stands under or beside the camera but
 * the cage. While a drive or a support is dragged their verdicts stay as they were: documents are
 * never changed in place, so the same objects mean the same numbers.
 */
const kept: { key: readonly unknown[]; verdicts: Verdict[] }[] = [];
const MOST_KEPT = 3;

function onAxis(built: Built): Verdict[] {
  const key = alongAxis(built);
  const known = kept.find(
    (k) => k.key.length === key.length && k.key.every((x, i) => x === key[i]),
  );
  if (known) return known.verdicts;
  const verdicts = run(built, ON_AXIS);
  kept.unshift({ key, verdicts });
  kept.length = Math.min(kept.length, MOST_KEPT);
  return verdicts;
}
