import { valueOf } from '../../../quantity/quantity';
import { onHand, type Ring } from '../../../kit/types';

/** Threads of the same size, mm: printed sizes differ by half a millimetre at least. */
const SAME = 0.05;

/** What a ring chain has to end in. */
export type ThreadGoal = { female: number } | { clamp: number; slack: number };

export interface RingChain {
  /** From the lens outwards. */
  rings: Ring[];
  /** Somewhere on the way the thread gets smaller. */
  stepsDown: boolean;
  toHire: number;
  /** Smallest thread on the way, mm. */
  narrowest: number;
  /** Sum of the known thicknesses, mm. */
  thickness: number;
}

export function sameThread(a: number | null, b: number | null): boolean {
  return a !== null && b !== null && Math.abs(a - b) <= SAME;
}

function reaches(ring: Ring, goal: ThreadGoal): boolean {
  if ('female' in goal) return sameThread(valueOf(ring.female), goal.female);
  const clamp = valueOf(ring.clamp);
  return clamp !== null && goal.clamp - clamp >= 0 && goal.clamp - clamp <= goal.slack;
}

/**
 * Every chain of rings from a thread to a goal, no ring used more often than there are of it.
 * Shortest first; then those that never step down, then what is on hand, then the widest on the
 * way, then the thinnest.
 * A goal that the thread meets as it is, is the empty chain.
 *
 * @param most longest chain looked for: rings jam, and every one moves the front forward
 * @param enough as many are wanted: longer chains are not looked for once there are so many
 */
export function ringChains(
  from: number,
  goal: ThreadGoal,
  rings: readonly Ring[],
  most = 3,
  enough = Infinity,
): RingChain[] {
  const found: RingChain[] = [];
  const byMale = ringsByMale(rings, enough + most);
  /** Chains of exactly `long` rings. */
  const walk = (thread: number, chain: Ring[], down: boolean, long: number) => {
    if (chain.length >= long) return;
    const at = Math.round(thread * 10);
    for (const key of [at - 1, at, at + 1])
      for (const ring of byMale.get(key) ?? []) {
        const male = valueOf(ring.male)!;
        if (!sameThread(male, thread)) continue;
        // A piece that is not on hand can be hired once.
        if (chain.filter((r) => r === ring).length >= Math.max(1, onHand(ring))) continue;
        const female = valueOf(ring.female);
        const clamp = valueOf(ring.clamp);
        const next = [...chain, ring];
        const smaller = down || (female ?? clamp ?? Infinity) < thread - SAME;
        if (reaches(ring, goal)) {
          if (next.length < long) continue;
          found.push({
            rings: next,
            stepsDown: smaller,
            toHire: next.filter((r) => onHand(r) < 1).length,
            narrowest: Math.min(
              from,
              ...next.map((r) => valueOf(r.female) ?? valueOf(r.clamp) ?? from),
            ),
            thickness: next.reduce((t, r) => t + (valueOf(r.thickness) ?? 0), 0),
          });
        } else if (female !== null) walk(female, next, smaller, long);
      }
  };
  if ('female' in goal && sameThread(from, goal.female))
    found.push({ rings: [], stepsDown: false, toHire: 0, narrowest: from, thickness: 0 });
  // Shortest first: the longer ones come after them whatever else they are.
  for (let long = 1; long <= most && found.length < enough; long++) walk(from, [], false, long);
  return found.sort(
    (a, b) =>
      a.rings.length - b.rings.length ||
      Number(a.stepsDown) - Number(b.stepsDown) ||
      a.toHire - b.toHire ||
      b.narrowest - a.narrowest ||
      a.thickness - b.thickness,
  );
}

/** What to look for when no chain exists. */
export function ringSpecification(from: number, goal: ThreadGoal): string {
  return 'female' in goal
    ? `${goal.female > from ? 'step-up' : 'step-down'} ring ${from} to ${goal.female}`
    : `clamp ring from a ${from} thread to ${goal.clamp} mm outside`;
}

/** Rings by the thread that goes in, tenths of a millimetre; of those that are alike so many. */
function ringsByMale(rings: readonly Ring[], few: number): Map<number, Ring[]> {
  const byMale = new Map<number, Ring[]>();
  // Of rings that are alike a few do: with others of them a chain comes to the same.
  const alike = new Map<string, number>();
  for (const r of rings) {
    if (Number.isFinite(few)) {
      const sizes = [r.male, r.female, r.clamp, r.thickness].map((q) => valueOf(q));
      const key = `${sizes.join()} ${onHand(r)}`;
      const n = (alike.get(key) ?? 0) + 1;
      alike.set(key, n);
      if (n > few) continue;
    }
    const male = valueOf(r.male);
    if (male === null) continue;
    const key = Math.round(male * 10);
    byMale.set(key, [...(byMale.get(key) ?? []), r]);
  }
  return byMale;
}
