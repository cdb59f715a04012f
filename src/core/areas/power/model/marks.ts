import type { Built } from '../../../build/build';
import { PACK_STATES, type PackState } from '../../../kit/records';
import { isFitting, onHand, type Fitting, type PackMark } from '../../../kit/types';
import { packsOn } from './outlets';

/** What each is called, as it stands on a label. */
export const STATE_NAMES: Readonly<Record<PackState, string>> = {
  full: 'full',
  'in-use': 'in use',
  part: 'part used',
  empty: 'empty',
};

/** More of one sort than this are not told apart. */
const MOST = 40;

/** One pack of those on hand. */
export interface OnHand {
  part: Fitting;
  /** Which of how many. */
  n: number;
  of: number;
  /** `Keel 98`, or `Keel 98, 2 of 5`. */
  name: string;
  /** How it was left; null where nobody marked it. */
  mark: PackMark | null;
}

/** Every pack of the sorts that are on the rig or that there are to be had, by name. */
export function packsOnHand(built: Built): OnHand[] {
  const on = packsOn(built);
  const marks = new Map((built.job.packMarks ?? []).map((m) => [`${m.parts[0]} ${m.n}`, m]));
  const sorts = [...built.kit.values()].filter(
    (p): p is Fitting => isFitting(p) && p.kind === 'battery',
  );
  return sorts
    .sort((a, b) => (a.name < b.name ? -1 : a.name > b.name ? 1 : a.id < b.id ? -1 : 1))
    .flatMap((part) => {
      const here = on.filter((x) => x.part.id === part.id).length;
      const of = Math.max(here, onHand(part));
      return Array.from({ length: Math.min(MOST, of) }, (_, i): OnHand => ({
        part,
        n: i + 1,
        of,
        name: of > 1 ? `${part.name}, ${i + 1} of ${of}` : part.name,
        mark: marks.get(`${part.id} ${i + 1}`) ?? null,
      }));
    });
}

/** How many are left as what, in words: `2 full, 1 empty, 2 not marked`. */
export function sayMarks(packs: readonly OnHand[]): string {
  const count = (is: (p: OnHand) => boolean) => packs.filter(is).length;
  return [
    ...PACK_STATES.map((s) => [count((p) => p.mark?.state === s), STATE_NAMES[s]] as const),
    [count((p) => p.mark === null), 'not marked'] as const,
  ]
    .filter(([n]) => n > 0)
    .map(([n, as]) => `${n} ${as}`)
    .join(', ');
}
