import type { Rig } from './types';

/** Ids of the parts on a rig, as often as each stands on it: body to lens, front, under, beside. */
export function usesOn(rig: Rig): string[] {
  return [
    rig.body,
    rig.lens,
    ...rig.between.map((u) => u.part),
    ...(rig.thread ?? []).map((u) => u.part),
    ...(rig.under ?? []).map((u) => u.part),
    rig.box?.part,
    rig.box?.ring,
    rig.box?.sleeve,
    ...(rig.box?.trays ?? []).map((t) => t.filter),
    ...(rig.rods ?? []).map((u) => u.part),
    ...(rig.gears ?? []).map((u) => u.part),
    ...(rig.supports ?? []).map((u) => u.part),
    ...(rig.drives ?? []).flatMap((u) => [u.part, u.arm]),
    ...(rig.fitted ?? []).map((u) => u.part),
  ].filter((id): id is string => typeof id === 'string');
}

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
