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

/**
 * A keeper for lists, of which an edit changes one item or two: what stands where it stood in the
 * list that came before is not even looked up.
 *
 * @returns what is made of each item, in their order; the list of before while all of it stands
 */
export function eachKept<I extends object, T extends NonNullable<unknown>>() {
  const kept = keeper<T>();
  let last: { items: readonly I[]; deps: readonly unknown[]; made: readonly T[] } | null = null;
  /**
   * @param deps all that any of them rests on besides itself, compared one by one
   * @param make reads nothing that is not in `deps`: it is not called for what stands
   */
  return (items: readonly I[], deps: readonly unknown[], make: (item: I) => T): readonly T[] => {
    const before = last && sameDeps(last.deps, deps) ? last : null;
    if (before && sameDeps(before.items, items)) return before.made;
    // One that came in between moves all that come after it.
    const moved = before ? items.length - before.items.length : 0;
    const made: T[] = [];
    for (const [i, item] of items.entries())
      made.push(
        before?.items[i] === item
          ? before.made[i]!
          : before?.items[i - moved] === item
            ? before.made[i - moved]!
            : kept(item, deps, () => make(item)),
      );
    last = { items, deps, made };
    return made;
  };
}

/** All of several lists, one after the other; with loops, since this is done of every list at every edit. */
export function flat<T>(lists: Iterable<readonly T[]>): T[] {
  const all: T[] = [];
  for (const list of lists) for (const x of list) all.push(x);
  return all;
}

/** The same, element by element. */
function sameDeps(a: readonly unknown[], b: readonly unknown[]): boolean {
  if (a === b) return true;
  if (a.length !== b.length) return false;
  for (let i = 0; i < a.length; i++) if (a[i] !== b[i]) return false;
  return true;
}

/** What was judged of the same things stands: an edit of one lead judges one lead anew. */
export const judgedOnce = keeper<Verdict>();
