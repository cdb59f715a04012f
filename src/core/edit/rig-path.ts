import type { Rig, Change } from '../kit/types';

/** Path of something on a rig. */
export const at = (rig: Rig, ...path: string[]) => ['rigs', rig.id, ...path];

/** Field by field, so that what another window sets in the same group stays. */
export function groupChanges(
  rig: Rig,
  group: 'light' | 'limits' | 'carry',
  before: object | undefined,
  patch: object,
): Change[] {
  return Object.entries(patch)
    .filter(([k, v]) => (before as Record<string, unknown> | undefined)?.[k] !== v)
    .map(([k, value]): Change =>
      value === undefined
        ? { path: at(rig, group, k), value: undefined, prune: 3 }
        : { path: at(rig, group, k), value },
    );
}

/** Takes an element out of a list; the list goes with the last one. */
export const without = (rig: Rig, list: string, key: string): Change => ({
  path: at(rig, list, key),
  value: undefined,
  prune: 3,
});
