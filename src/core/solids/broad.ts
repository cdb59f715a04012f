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
  const n = extents.length;
  // Side by side in one stretch of memory: the loop reads little else.
  const ends = new Float64Array(6 * n);
  for (let i = 0; i < n; i++) for (let k = 0; k < 6; k++) ends[6 * i + k] = extents[i]![k as 0]!;
  const order = alongZ(ends, n);
  // What still reaches this far along z, kept in place: nothing is made for a step.
  const active = new Int32Array(n);
  let reaching = 0;
  let count = 0;
  for (let at = 0; at < n; at++) {
    const i = order[at]!;
    const e = 6 * i;
    const left = ends[e]! - air;
    const low = ends[e + 1]! - air;
    const back = ends[e + 2]! - air;
    const right = ends[e + 3]! + air;
    const high = ends[e + 4]! + air;
    let still = 0;
    for (let k = 0; k < reaching; k++) {
      const j = active[k]!;
      const o = 6 * j;
      if (ends[o + 5]! < back) continue;
      active[still++] = j;
      if (ends[o]! > right || ends[o + 3]! < left) continue;
      if (ends[o + 1]! > high || ends[o + 4]! < low) continue;
      count++;
      if (i < j) each(i, j);
      else each(j, i);
    }
    active[still++] = i;
    reaching = still;
  }
  return count;
}

/**
 * The order of extents by where they begin along z, equal ones as they came. Each is put where it
 * belongs among those before it: a sort that asks a function twice a comparison takes three times
 * as long for the few hundred there are.
 */
function alongZ(ends: Float64Array, n: number): Int32Array {
  const order = new Int32Array(n);
  for (let i = 0; i < n; i++) {
    const z = ends[6 * i + 2]!;
    let [from, to] = [0, i];
    while (from < to) {
      const middle = (from + to) >> 1;
      if (ends[6 * order[middle]! + 2]! <= z) from = middle + 1;
      else to = middle;
    }
    order.copyWithin(from + 1, from, i);
    order[from] = i;
  }
  return order;
}
