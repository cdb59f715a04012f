import type { Built } from '../../../build/build';
import type { Verdict } from '../../../checks/finding';
import { inWords, plainVerdict } from '../../../checks/judge';
import { inTheDark } from '../model/fed';

/** What is said, and what is not known then: `How long Keel 98 lasts`. */
type Said = Pick<Verdict, 'id' | 'key' | 'about' | 'basis'> & { open: string };

/**
 * What is said of a source while something on the rig is fed by nobody knows what: it may hang on this one.
 *
 * @returns null where it is said what feeds each
 */
export function whileDark(built: Built, say: () => Said): Verdict | null {
  const unfed = inTheDark(built);
  if (unfed.length === 0) return null;
  const { open, ...base } = say();
  return plainVerdict({
    ...base,
    state: 'unknown',
    why: `${open} is not known: nobody said what feeds ${inWords(unfed.map((d) => d.part.name))}.`,
    sum: 'No sum: it is not known what hangs on it.',
  });
}
