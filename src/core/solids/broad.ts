import type { Bounds } from './solid';

/**
 * Pairs of extents that come nearer than `air` to each other in all three directions. Sorted along
 * z, the length of a rig, and swept: what ended farther back than `air` is never looked at again,
 * so a long rig costs its length and not its square.
 *
 * @param air distance beyond which a pair is of no interest, mm
 * @param each gets the two indices, the smaller first
 * @returns how many pairs were handed on
 */
export function nearPairs(
  extents: readonly Bounds[],
  air: number,
  each: (i: number, j: number) => void,
): number {
  const order = extents.map((_, i) => i).sort((i, j) => extents[i]![2] - extents[j]![2]);
  let active: number[] = [];
  let count = 0;
  for (const i of order) {
    const e = extents[i]!;
    const still: number[] = [];
    for (const j of active) {
      const o = extents[j]!;
      if (o[5] + air < e[2]) continue;
      still.push(j);
      if (o[0] - air > e[3] || e[0] - air > o[3] || o[1] - air > e[4] || e[1] - air > o[4])
        continue;
      count++;
      each(Math.min(i, j), Math.max(i, j));
    }
    still.push(i);
    active = still;
  }
  return count;
}
