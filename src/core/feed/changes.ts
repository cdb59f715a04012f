/** When packs are changed over a day of which some must not be missed. Hours from its beginning. */

/** From one hour of the day to another. */
export interface Stretch {
  from: number;
  to: number;
}

/** Rounding noise of hours. */
const EPS = 1e-9;

/**
 * As few changes as bring a pack through the day, none of them while something must not be missed; of
 * those the ones that fall into breaks, where as few do. The last moment that a pack lasts to, moved
 * before what must not be missed, is as late as a change can be: so no other plan needs fewer (an
 * exchange argument, as for covering a line by stretches of one length; J. Kleinberg and E. Tardos,
 * Algorithm Design, 2005, section 4.1).
 *
 * @param day its length
 * @param lasts what a fresh pack surely lasts
 * @param keep must not be missed: changed at its beginning or its end, not within
 * @param breaks where a change costs nothing
 * @returns the hours of the changes; null where a pack does not last through what must not be missed
 */
export function changesAround(
  day: number,
  lasts: number,
  keep: readonly Stretch[],
  breaks: readonly Stretch[],
): number[] | null {
  if (!(lasts > 0)) return null;
  const latest = (by: number) => moved(by, keep, 'from');
  const earliest = (by: number) => moved(by, keep, 'to');
  // As late as each can be, which says how many there are.
  const late: number[] = [];
  for (let t = 0; t + lasts < day - EPS;) {
    const next = latest(t + lasts);
    if (next <= t + EPS) return null;
    late.push(next);
    t = next;
  }
  // As early as each may be, so that those after it still bring it through.
  const early: number[] = [];
  for (let k = late.length - 1, t = day; k >= 0; k--) {
    t = earliest(t - lasts);
    early[k] = t;
  }
  let before = 0;
  return late.map((_, k) => {
    const [from, to] = [Math.max(early[k]!, before), latest(before + lasts)];
    const inBreak = breaks
      .map((b) => ({ from: Math.max(b.from, from), to: Math.min(b.to, to) }))
      .filter((b) => b.from <= b.to + EPS && moved(b.from, keep, 'to') <= b.to + EPS)
      .map((b) => moved(b.from, keep, 'to'));
    before = inBreak.length > 0 ? Math.max(...inBreak) : to;
    return before;
  });
}

/** A moment, moved to where no stretch has it within: back to where one begins, or on to where it ends. */
function moved(at: number, keep: readonly Stretch[], to: keyof Stretch): number {
  let t = at;
  for (;;) {
    const within = keep.find((s) => s.from < t - EPS && t + EPS < s.to);
    if (!within) return t;
    t = within[to];
  }
}
