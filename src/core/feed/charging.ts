/**
 * Packs into the bays of chargers over a night: which goes where and after which, so that the last is
 * full as early as can be. Unrelated parallel machines, `R || C_max`: the longest first to where it is
 * done first gives a plan (R. L. Graham, "Bounds on multiprocessing timing anomalies", 1969), and a
 * search over the rest of the plans proves it or betters it.
 */

/** Hours that a pack takes in each bay; null where it does not go in. */
export type Filling = readonly (number | null)[];

export interface Plan {
  /** Of each pack its bay, and when it goes in and is full, h from the beginning. */
  at: readonly { bay: number; from: number; to: number }[];
  /** When the last one is full, h. */
  done: number;
  /** No plan is done earlier. */
  proven: boolean;
}

/** Plans that are looked at before the best of them is taken as it is. */
const MOST = 2000;
/** What is done within this of the other is done as early, h. */
const SAME = 1e-9;

/**
 * The best plan that was found; null where a pack goes into no bay.
 *
 * @param packs hours of each pack in each bay
 * @param bays how many bays there are
 */
export function charging(packs: readonly Filling[], bays: number): Plan | null {
  const least = packs.map((p) => Math.min(...p.map((h) => h ?? Infinity), Infinity));
  if (least.some((h) => h === Infinity)) return null;
  const order = packs.map((_, i) => i).sort((a, b) => least[b]! - least[a]! || a - b);
  const loads = new Array<number>(bays).fill(0);
  const into = new Array<number>(packs.length).fill(-1);
  // What is left to be filled at the quickest, from each pack of the order on.
  const left = new Array<number>(order.length + 1).fill(0);
  for (let i = order.length - 1; i >= 0; i--) left[i] = left[i + 1]! + least[order[i]!]!;

  const shortest = order.map((_, i) => Math.min(...order.slice(i).map((p) => least[p]!)));
  // Bays that fill all packs as quickly are one sort: which of them has which load is the same plan.
  const sort = loads.map((_, b) => loads.findIndex((_l, a) => alike(packs, a, b)));
  const seen = new Set<string>();
  const state = (i: number) =>
    `${i} ${loads
      .map((l, b) => `${sort[b]!}:${l.toFixed(9)}`)
      .sort()
      .join(' ')}`;

  let best = Infinity;
  let bestInto: number[] = [];
  let looked = 0;
  const go = (i: number, done: number): void => {
    if (i === order.length) {
      if (done < best - SAME) [best, bestInto] = [done, [...into]];
      return;
    }
    const even = (loads.reduce((a, b) => a + b, 0) + left[i]!) / bays;
    if (Math.max(done, even, least[order[i]!]!) >= best - SAME) return;
    // No bay takes a part of a pack: as many whole ones as go in before the best is done.
    const short = shortest[i]!;
    const room = loads.reduce((n, l) => n + Math.max(0, Math.floor((best - SAME - l) / short)), 0);
    if (room < order.length - i) return;
    const pack = order[i]!;
    const ways = packs[pack]!.flatMap((h, bay) =>
      h === null ? [] : [{ bay, to: loads[bay]! + h }],
    );
    ways.sort((a, b) => a.to - b.to || a.bay - b.bay);
    for (const { bay, to } of ways) {
      if (best < Infinity && looked >= MOST) return;
      const load = loads[bay]!;
      loads[bay] = to;
      into[pack] = bay;
      const key = state(i + 1);
      if (!seen.has(key)) {
        seen.add(key);
        looked++;
        go(i + 1, Math.max(done, to));
      }
      loads[bay] = load;
    }
  };
  go(0, 0);
  return { ...timed(packs, bestInto, bays), proven: looked < MOST };
}

const alike = (packs: readonly Filling[], a: number, b: number) =>
  packs.every((p) => p[a] === p[b]);

/** When each pack goes in and is full where it is said which bay it has, those of one bay in their order. */
export function timed(
  packs: readonly Filling[],
  into: readonly number[],
  bays: number,
): Pick<Plan, 'at' | 'done'> {
  const loads = new Array<number>(bays).fill(0);
  const at = into.map((bay, i) => {
    const from = loads[bay]!;
    const to = from + packs[i]![bay]!;
    loads[bay] = to;
    return { bay, from, to };
  });
  return { at, done: Math.max(0, ...loads) };
}

/** No plan is done before this, h: the longest pack at its quickest, and all of them on all bays at once. */
export function soonest(packs: readonly Filling[], bays: number): number {
  const least = packs.map((p) => Math.min(...p.map((h) => h ?? Infinity), Infinity));
  return Math.max(0, ...least, least.reduce((a, b) => a + b, 0) / Math.max(1, bays));
}
