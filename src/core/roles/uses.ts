import type { Built } from '../build/build';
import { node, sameList } from '../engine/reads';
import type { Rig } from '../kit/types';
import { elementsOf } from '../edit/role';
import { ROLES } from './roles';

/** Ids of the parts on a rig, as often as each stands on it: body to lens, front, under, beside. */
export function usesOn(rig: Rig): string[] {
  const read = new Set<string>();
  return ROLES.flatMap((role): readonly (string | null | undefined)[] => {
    const list = role.list?.list;
    if (list === undefined) return role.parts?.(rig) ?? [];
    // Roles that are read as one list are counted once.
    if (read.has(list)) return [];
    read.add(list);
    return elementsOf(rig, list).map((u) => u.part);
  }).filter((id) => typeof id === 'string');
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

/** Pieces that a rig uses more of than there are; one to be hired counts as one. */
export function tooFew(
  rig: Rig,
  kit: ReadonlyMap<string, { count?: number }>,
): { part: string; used: number; there: number }[] {
  const used = new Map<string, number>();
  for (const id of usesOn(rig)) used.set(id, (used.get(id) ?? 0) + 1);
  return [...used].flatMap(([part, n]) => {
    const there = Math.max(1, kit.get(part)?.count ?? 1);
    return n > there ? [{ part, used: n, there }] : [];
  });
}
