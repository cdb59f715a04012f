import type { Verdict } from '../../../checks/finding';

interface Judged {
  deps: readonly unknown[];
  verdict: Verdict;
}

const judged = new WeakMap<object, Judged[]>();
/** So many of one piece are kept: it may be on several rigs, and be dragged between two. */
const MOST = 8;

/**
 * What was judged of the same things stands: an edit of one lead judges one lead anew.
 *
 * @param of what it is kept with, of which there is one for each: a changed one is another
 * @param deps all that the verdict rests on besides, compared one by one
 */
export function judgedOnce(of: object, deps: readonly unknown[], make: () => Verdict): Verdict {
  let list = judged.get(of);
  if (!list) judged.set(of, (list = []));
  const same = list.find(
    (j) => j.deps.length === deps.length && j.deps.every((d, i) => d === deps[i]),
  );
  if (same) return same.verdict;
  const verdict = make();
  list.unshift({ deps, verdict });
  list.length = Math.min(list.length, MOST);
  return verdict;
}
