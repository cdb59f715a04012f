import type { Verdict } from '../../../checks/finding';

/** So much of one thing is kept: it may be on several rigs, and be dragged between two. */
const MOST = 8;

/**
 * Keeps what was worked out of a thing for as long as that is there.
 *
 * @returns what was made of the same thing and the same that it rests on, else made now
 */
export function keeper<T extends NonNullable<unknown>>() {
  const kept = new WeakMap<object, { deps: readonly unknown[]; made: T }[]>();
  /**
   * @param of what it is kept with, of which there is one for each: a changed one is another
   * @param deps all that it rests on besides, compared one by one
   */
  return (of: object, deps: readonly unknown[], make: () => T): T => {
    let list = kept.get(of);
    if (!list) kept.set(of, (list = []));
    for (const k of list) if (sameDeps(k.deps, deps)) return k.made;
    const made = make();
    list.unshift({ deps, made });
    list.length = Math.min(list.length, MOST);
    return made;
  };
}

function sameDeps(a: readonly unknown[], b: readonly unknown[]): boolean {
  if (a.length !== b.length) return false;
  for (let i = 0; i < a.length; i++) if (a[i] !== b[i]) return false;
  return true;
}

/** What was judged of the same things stands: an edit of one lead judges one lead anew. */
export const judgedOnce = keeper<Verdict>();
