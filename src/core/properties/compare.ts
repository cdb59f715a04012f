import { RANK, type Verdict } from '../checks/finding';

/**
 * Findings that came out better than they were, other than to unknown. One that is no longer there
 * counts as ok, unless its check now says unknown about one of the same parts.
 */
export function raised(before: readonly Verdict[], after: readonly Verdict[]): string[] {
  const byKey = new Map(after.map((v) => [v.key, v]));
  return before.flatMap((v) => {
    if (v.state === 'ok') return [];
    const same = byKey.get(v.key);
    if (same)
      return RANK[same.state] > RANK[v.state] &&
        same.state !== 'unknown' &&
        !(same.state === 'tight' && STANDS_IN.test(same.why))
        ? [`${v.key}: ${v.state} to ${same.state}: ${v.why} | ${same.why}`]
        : [];
    const says = after.some(
      (a) => a.id === v.id && a.state === 'unknown' && a.about.some((p) => v.about.includes(p)),
    );
    return says ? [] : [`${v.key}: ${v.state} and gone: ${v.why}`];
  });
}

/** What says in its sentence that something stands in for a number: tight at best, and it may be. */
const STANDS_IN = /\b(is|are) taken (as|at|to)\b|stands? in\b|is stated at/;

/** State and margin of every finding, in one order. */
export function summary(list: readonly Verdict[]) {
  return list
    .map((v) => ({
      key: v.key,
      state: v.state,
      value: v.margin ? round(v.margin.value) : null,
      lo: v.margin ? round(v.margin.lo) : null,
      hi: v.margin ? round(v.margin.hi) : null,
    }))
    .sort((a, b) => (a.key < b.key ? -1 : a.key > b.key ? 1 : 0));
}

function round(x: number): number {
  return Number.isFinite(x) ? Math.round(x * 1e4) / 1e4 + 0 : x;
}
