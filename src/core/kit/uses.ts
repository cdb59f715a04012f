import type { Rig } from './types';

/** Ids of every part on a rig: from body to lens, in front, under the camera and beside it. */
export function partsOn(rig: Rig): Set<string> {
  return new Set(
    [
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
    ].filter((id): id is string => typeof id === 'string'),
  );
}
