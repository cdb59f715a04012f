import type { Built } from '../../../build/build';
import { leftAs } from '../../../kit/marks';
import type { PackState } from '../../../kit/records';
import { isFitting, onHand, type Fitting, type PackMark, type Part } from '../../../kit/types';
import { packsOn } from './outlets';

/** What each is called, as it stands on a label. */
export const STATE_NAMES: Readonly<Record<PackState, string>> = {
  full: 'full',
  'in-use': 'in use',
  part: 'part used',
  empty: 'empty',
  aside: 'set aside as faulty',
};

/** More of one sort than this are not told apart. */
const MOST = 40;

/** One piece of those on hand. */
export interface OnHand<P extends Part = Fitting> {
  part: P;
  /** Which of how many. */
  n: number;
  of: number;
  /** `Keel 98`, or `Keel 98, 2 of 5`. */
  name: string;
  /** How it was left; null where nobody marked it. */
  mark: PackMark | null;
}

/** Every piece of some sorts, by name, with how it was left. @param here how many of a sort are on the rig */
export function piecesOnHand<P extends Part>(
  { job }: Built,
  sorts: readonly P[],
  here: (part: P) => number,
): OnHand<P>[] {
  const marks = new Map((job.packMarks ?? []).map((m) => [`${m.parts[0]} ${m.n}`, m]));
  return [...sorts]
    .sort((a, b) => (a.name < b.name ? -1 : a.name > b.name ? 1 : a.id < b.id ? -1 : 1))
    .flatMap((part) => {
      const of = Math.max(here(part), onHand(part));
      return Array.from({ length: Math.min(MOST, of) }, (_, i): OnHand<P> => ({
        part,
        n: i + 1,
        of,
        name: of > 1 ? `${part.name}, ${i + 1} of ${of}` : part.name,
        mark: marks.get(`${part.id} ${i + 1}`) ?? null,
      }));
    });
}

/** Every pack of the sorts that are on the rig or that there are to be had, by name. */
export function packsOnHand(built: Built): OnHand[] {
  const on = packsOn(built);
  const sorts = [...built.kit.values()].filter(
    (p): p is Fitting => isFitting(p) && p.kind === 'battery',
  );
  return piecesOnHand(built, sorts, (part) => on.filter((x) => x.part.id === part.id).length);
}

/** How many pieces of a sort are left so, of as many as are counted of it. */
export const markedAs = (
  { job }: Built,
  part: Part,
  of: number,
  states: readonly PackMark['state'][],
): number => leftAs(job.packMarks ?? [], part.id, of, states);

/** How many of a sort can be used: those on hand, and on the rig, that were not set aside. */
export function usableOn(built: Built, part: Part, here: number): { n: number; aside: number } {
  const of = Math.max(here, onHand(part));
  const aside = markedAs(built, part, of, ['aside']);
  return { n: of - aside, aside };
}

/** What a sentence adds about those that are not counted; nothing where all are. */
export const sayAside = (aside: number): string =>
  aside === 0 ? '' : ` ${aside} ${aside > 1 ? 'are' : 'is'} set aside: not counted.`;

/** How many are left as what, in words: `2 full, 1 empty, 2 not marked`. */
export function sayMarks(
  packs: readonly OnHand<Part>[],
  names: Readonly<Record<string, string>> = STATE_NAMES,
): string {
  const count = (is: (p: OnHand<Part>) => boolean) => packs.filter(is).length;
  return [
    ...Object.entries(names).map(([s, as]) => [count((p) => p.mark?.state === s), as] as const),
    [count((p) => p.mark === null), 'not marked'] as const,
  ]
    .filter(([n]) => n > 0)
    .map(([n, as]) => `${n} ${as}`)
    .join(', ');
}
