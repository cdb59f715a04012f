import type { Rig } from './types';

/** Ids of every part on a rig: from body to lens, in front, under the camera. */
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
    ].filter((id): id is string => typeof id === 'string'),
  );
}
