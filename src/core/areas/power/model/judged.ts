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
  for (const j of list) if (sameDeps(j.deps, deps)) return j.verdict;
  const verdict = make();
  list.unshift({ deps, verdict });
  list.length = Math.min(list.length, MOST);
  return verdict;
}

function sameDeps(a: readonly unknown[], b: readonly unknown[]): boolean {
  if (a.length !== b.length) return false;
  for (let i = 0; i < a.length; i++) if (a[i] !== b[i]) return false;
  return true;
}
