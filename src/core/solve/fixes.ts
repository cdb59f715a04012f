import { asksOf, byAsks, type Asks } from './goal';
import type { Candidate } from '../checks/candidate';
import { COSTS, FIX_RULES, FOLLOW_UPS } from '../areas/fixes';
import { type Built, type Shared, shared, build } from '../build/build';
import type { Verdict, Fix, Finding } from '../checks/finding';
import { Trials, BADNESS } from './trial';
import { tooFew } from '../roles/uses';
import { thinned, Offered, Alike, MOST_FIXES } from './alike';
import { hold, type Held } from './hold';
import type { Edit } from '../edit/edit';
import type { Job, Rig } from '../kit/types';
import { areaOf, check } from '../areas/checks';
import { said } from '../checks/judge';

/**
 * Fixes for one finding, tried: each is applied to a copy, its own check is run, then all others,
 * and it is kept only when this finding gets better (clears, or goes from fail to tight) and no
 * other one lower. Fewest parts touched first, then what is on hand; what only takes a filter, flag
 * or box away comes last.
 *
 * @param exhaustive everything is tried, also what cannot come before what was found: slow, the
 *   same answer
 */
export function fixesFor(
  built: Built,
  finding: Verdict,
  base: Shared,
  trials: Trials = new Trials(built, base),
  exhaustive = false,
): Fix[] {
  if (finding.state === 'ok') return [];
  const there = new Set(tooFew(built.rig, built.kit, built.job.packMarks).map((t) => t.part));
  const enough = (after: Built) =>
    tooFew(after.rig, after.kit, after.job.packMarks).every((t) => there.has(t.part));
  // All that is worth trying, by what it is ranked by: of equals the one that people try first.
  const from = exhaustive ? built : thinned(built);
  const area = areaOf(finding.id)?.id ?? null;
  const candidates = FIX_RULES.flatMap((generate) => generate(from, finding, area))
    .map((c) => (c.family === GIVES_UP ? { ...c, givesUp: true } : c))
    .sort(byRank);
  const tried: Ranked[] = [];
  const offered = new Offered();
  const alike = new Alike(built);
  for (const c of candidates) {
    // No later one can be better than those that clear the finding: the rest need not be tried.
    if (!exhaustive) {
      if (offered.full) break;
      if (offered.enoughOf(c) || alike.known(c)) continue;
    }
    const came = tryCandidate(trials, finding, c);
    if (!came || !enough(came.held.built)) {
      alike.fails(c);
      continue;
    }
    if (came.held.state === 'ok' && came.first === '') offered.clears(c);
    else alike.helps(c);
    tried.push(ranked(built, c, came));
  }
  return bestOf(tried);
}

/** A candidate of this family takes off what somebody put on for a reason. */
const GIVES_UP = 'off';

/** A fix with what it is ranked by. */
interface Ranked extends Fix {
  order: number;
  /** What it comes to by the goal of the job. */
  asks: Asks;
  family: string;
  givesUp: boolean;
}

/** What came of a candidate: with what went with it, and what has to be measured first. */
interface Came {
  edit: Edit;
  held: Held;
  first: string;
}

function tryCandidate(trials: Trials, finding: Verdict, c: Candidate): Came | null {
  const result = hold(trials, finding, c.edit.changes);
  if (!result) return null;
  if ('held' in result) return { edit: c.edit, held: result.held, first: '' };
  const { lowers } = result;
  for (const more of FOLLOW_UPS[lowers.id]?.(result.built, lowers) ?? []) {
    const edit = {
      title: `${c.edit.title}, and ${more.title[0]!.toLowerCase()}${more.title.slice(1)}`,
      changes: [...c.edit.changes, ...more.changes],
    };
    const again = hold(trials, finding, edit.changes);
    if (again && 'held' in again) return { edit, held: again.held, first: '' };
  }
  if (lowers.state !== 'unknown' || c.measureFirst !== true) return null;
  // A piece with a number that nobody measured may be the one: measured first, not left out.
  const again = hold(trials, finding, c.edit.changes, true);
  if (!again || !('held' in again)) return null;
  const asks = again.held.costs
    .filter((v) => v.state === 'unknown')
    .flatMap((v) => v.measure.map((m) => m.label));
  const first = asks.length > 0 ? `Measure first: ${[...new Set(asks)].join(', ')}. ` : '';
  return { edit: c.edit, held: again.held, first };
}

function ranked(built: Built, c: Candidate, { edit, held, first }: Came): Ranked {
  const cost =
    [
      ...COSTS.map((of) => of(built, held.built)),
      ...held.costs.map((v) => v.why.replace(/\.$/, '')),
    ]
      .filter(Boolean)
      .join('. ') || null;
  return {
    cost: first === '' ? cost : `${first}${cost ?? ''}`,
    title: edit.title,
    change: edit.changes,
    then: held.then,
    state: held.state,
    parts: c.parts,
    toHire: c.toHire,
    order: c.order,
    asks: asksOf(built.job.goal, built, held.built, c.parts),
    // What has to be measured first comes after what is sure.
    givesUp: c.givesUp === true || first !== '',
    family: c.family,
  };
}

/** Those that are shown: what gives nothing up first, of each family the best two. */
function bestOf(tried: readonly Ranked[]): Fix[] {
  const sorted = [...tried].sort(
    (a, b) =>
      Number(a.givesUp) - Number(b.givesUp) ||
      BADNESS[a.state] - BADNESS[b.state] ||
      // Where somebody carries it, what it weighs comes before how many pieces it is; and the like.
      byAsks(a.asks, b.asks) ||
      a.parts - b.parts ||
      a.toHire - b.toHire ||
      a.order - b.order,
  );
  const perFamily = new Map<string, number>();
  const titles = new Set<string>();
  const kept: Fix[] = [];
  for (const { order: _order, asks: _asks, givesUp: _givesUp, family, ...fix } of sorted) {
    const n = perFamily.get(family) ?? 0;
    if (n >= 2 || kept.length >= MOST_FIXES || titles.has(fix.title)) continue;
    perFamily.set(family, n + 1);
    titles.add(fix.title);
    kept.push(fix);
  }
  return kept;
}

/** What is ranked first is tried first: what gives nothing up, touches least, is on hand. */
function byRank(a: Candidate, b: Candidate): number {
  return (
    Number(a.givesUp === true) - Number(b.givesUp === true) ||
    a.parts - b.parts ||
    a.toHire - b.toHire ||
    a.order - b.order
  );
}

/** All findings of a rig with their tried fixes, worst first. */
export function findings(job: Job, rig: Rig, base: Shared = shared(job)): Finding[] {
  return findingsOf(build(job, rig, base), base);
}

/** As {@link findings}, of a rig that was built before. */
export function findingsOf(built: Built, base: Shared): Finding[] {
  const verdicts = check(built);
  const trials = new Trials(built, base);
  return verdicts.map((v) => ({ ...said(v), fixes: fixesFor(built, v, base, trials) }));
}
