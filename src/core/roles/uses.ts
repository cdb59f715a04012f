import type { Built } from '../build/build';
import { node, sameList } from '../engine/reads';
import { leftAs } from '../kit/marks';
import type { PackMark, Rig } from '../kit/types';
import { elementsOf } from '../edit/role';
import { ROLES } from './roles';

type Ids = readonly (string | null | undefined)[];
/** Where parts stand in a rig, in the order of the roles: a list, or what a role says. */
type Place = { list: string } | { parts: (rig: Rig) => Ids };

let places: readonly Place[] | null = null;

/** Roles know the areas that they are of, and some of those ask here: not before all are there. */
function placesOf(): readonly Place[] {
  if (places) return places;
  const read = new Set<string>();
  return (places = ROLES.flatMap((role): Place[] => {
    const list = role.list?.list;
    if (list === undefined) return role.parts ? [{ parts: (rig) => role.parts!(rig) }] : [];
    // Roles that are read as one list are counted once.
    if (read.has(list)) return [];
    read.add(list);
    return [{ list }];
  }));
}

/** Ids of the parts on a rig, as often as each stands on it: body to lens, front, under, beside. */
export function usesOn(rig: Rig): string[] {
  const out: string[] = [];
  for (const place of placesOf()) {
    if ('parts' in place) {
      for (const id of place.parts(rig)) if (typeof id === 'string') out.push(id);
      continue;
    }
    for (const { part } of elementsOf(rig, place.list))
      if (typeof part === 'string') out.push(part);
  }
  return out;
}

/** The same of a rig that is built: the same list for as long as the same parts are on it. */
export function usesOf(built: Built): readonly string[] {
  return built.once(USES);
}

const USES = node('parts on the rig', ({ rig }: Built): readonly string[] => usesOn(rig), {
  same: sameList,
});

/** Ids of every part on a rig, each once. */
export function partsOn(rig: Rig): Set<string> {
  return new Set(usesOn(rig));
}

/**
 * Pieces that a rig uses more of than there are; one to be hired counts as one, one that was set aside
 * as faulty as none.
 */
export function tooFew(
  rig: Rig,
  kit: ReadonlyMap<string, { count?: number }>,
  marks: readonly PackMark[] = [],
): { part: string; used: number; there: number; aside: number }[] {
  const used = new Map<string, number>();
  for (const id of usesOn(rig)) used.set(id, (used.get(id) ?? 0) + 1);
  return [...used].flatMap(([part, n]) => {
    const there = Math.max(1, kit.get(part)?.count ?? 1);
    const aside = leftAs(marks, part, there, ['aside']);
    return n > there - aside ? [{ part, used: n, there, aside }] : [];
  });
}
