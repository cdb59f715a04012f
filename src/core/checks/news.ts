import type { Built } from '../build/build';
import { alike } from '../doc/alike';
import type { Check } from './check';
import type { Verdict } from './finding';
import { said } from './judge';
import { runOne, worstFirst } from './run';

/** What every check said of one state of a rig, by the id of the check. */
export type Said = ReadonlyMap<string, readonly Verdict[]>;

/** What is other than it was said before: plain data. */
export interface News {
  /** None of what was said before stands. */
  whole: boolean;
  told: {
    check: string;
    /** A number where the check says again what stood at that place of its list before. */
    verdicts: (Verdict | number)[];
  }[];
}

/** Runs every check; a list that stands is the same object in what is said next. */
export function sayAll(built: Built, checks: readonly Check[]): Said {
  return new Map(checks.map((c) => [c.id, runOne(built, c)]));
}

/** What there is to tell somebody who knows what was said before. */
export function newsOf(before: Said | null, now: Said): News {
  return {
    whole: before === null,
    told: [...now]
      .filter(([id, list]) => before?.get(id) !== list)
      .map(([check, list]) => ({ check, verdicts: since(before?.get(check) ?? [], list) })),
  };
}

function since(before: readonly Verdict[], now: readonly Verdict[]): (Verdict | number)[] {
  const at = new Map(before.map((v, i) => [v.key, i]));
  return now.map((v) => {
    const i = at.get(v.key);
    return i !== undefined && alike(said(before[i]!), said(v)) ? i : said(v);
  });
}

/**
 * What is said once the news is known.
 *
 * @returns null where the news follows on something that is not known here
 */
export function hear(before: Said | null, news: News): Said | null {
  if (!news.whole && before === null) return null;
  const next = new Map(news.whole ? [] : before!);
  for (const { check, verdicts } of news.told) {
    const known = next.get(check) ?? [];
    const list = verdicts.map((v) => (typeof v === 'number' ? known[v] : v));
    if (list.some((v) => v === undefined)) return null;
    next.set(check, list as Verdict[]);
  }
  return next;
}

/** All of it, worst first; within a state in the order of the catalogue. */
export function allOf(told: Said, checks: readonly Check[]): Verdict[] {
  return worstFirst(checks.flatMap((c) => told.get(c.id) ?? []));
}
