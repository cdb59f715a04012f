import type { Built } from '../../../build/build';
import { valueOf } from '../../../quantity/quantity';
import { isKey, isScrew, onHand, type Key, type Screw } from '../../../kit/types';
import { driverOf, type Driver } from '../kit/drivers';
import { screwBill, toolsOf, type ScrewLine } from './lists';

/** What the kit has for the screws of a rig: the tools to take, the screws themselves. */

/** A piece that turns some sizes. */
export interface Turns {
  id: string;
  sizes: readonly string[];
}

/**
 * The fewest pieces that together turn every size that any of them turns; of several ways the first
 * in the order of the pieces. Exact: the size that fewest pieces turn is settled first, by each of
 * them in turn, and a way that is no better than the best is left.
 *
 * @returns the pieces, and the sizes that none turns
 */
export function fewest(
  sizes: readonly string[],
  pieces: readonly Turns[],
): { take: Turns[]; lacking: string[] } {
  const by = new Map(sizes.map((s) => [s, pieces.filter((p) => p.sizes.includes(s))]));
  const lacking = [...by].filter(([, p]) => p.length === 0).map(([s]) => s);
  let best: Turns[] | null = null;
  const go = (open: readonly string[], taken: readonly Turns[]) => {
    if (best && taken.length >= best.length) return;
    if (open.length === 0) {
      best = [...taken];
      return;
    }
    const next = open.reduce((a, b) => (by.get(b)!.length < by.get(a)!.length ? b : a));
    for (const p of by.get(next)!)
      go(
        open.filter((s) => !p.sizes.includes(s)),
        [...taken, p],
      );
  };
  go(
    [...by.keys()].filter((s) => !lacking.includes(s)),
    [],
  );
  return { take: best ?? [], lacking };
}

/** Tools to take for a rig. */
export interface ToolRoll {
  take: { key: Key; turns: Driver[]; lives: string | null; toHire: boolean }[];
  /** Sizes that no piece of the kit turns. */
  lacking: Driver[];
}

/**
 * The fewest keys and drivers of the kit that turn every screw of the rig, each with where it
 * lives; pieces on hand before any that would have to be hired. A piece of which nobody said what
 * it turns, turns nothing.
 */
export function toolRoll(built: Built): ToolRoll {
  const needed = toolsOf(built).needed.map((n) => n.driver.id);
  const keys = [...built.kit.values()].filter(isKey);
  const turns = (k: Key): Turns => ({
    id: k.id,
    sizes: (k.turns ?? []).map((t) => t.driver),
  });
  const there = fewest(needed, keys.filter((k) => onHand(k) > 0).map(turns));
  const hired = fewest(there.lacking, keys.filter((k) => onHand(k) < 1).map(turns));
  return {
    take: [...there.take, ...hired.take].map(({ id, sizes }) => {
      const key = keys.find((k) => k.id === id)!;
      return {
        key,
        turns: sizes.filter((s) => needed.includes(s)).map((s) => driverOf(s)!),
        lives: key.lives ?? null,
        toHire: onHand(key) < 1,
      };
    }),
    lacking: hired.lacking.map((s) => driverOf(s)!),
  };
}

/** A line of the screw bill with what the kit has for it. */
export interface Stocked extends ScrewLine {
  /** Pieces of the kit with its thread and length; null where the bill does not know what it asks for. */
  have: number | null;
  from: Screw[];
  /** Of those, what is marked as going. */
  worn: Screw[];
}

/** Two lengths that are one screw: as a rule measures it, and as the inch ones are rounded, mm. */
const SAME = 0.5;

/**
 * The screw bill with what the kit has: captive screws are on their parts; what the kit has of one
 * thread and length is shared by all lines that ask for it.
 */
export function stockedBill(built: Built): Stocked[] {
  const screws = [...built.kit.values()].filter(isScrew);
  const left = new Map(screws.map((s) => [s.id, onHand(s)]));
  return screwBill(built).map((line) => {
    const { length } = line;
    if (line.captive || length === null) return { ...line, have: null, from: [], worn: [] };
    const from = screws.filter((s) => {
      const own = valueOf(s.length);
      return (
        own !== null &&
        s.thread === line.type &&
        Math.abs(own - length) <= SAME &&
        left.get(s.id)! > 0
      );
    });
    let have = 0;
    let open = line.count;
    for (const s of from) {
      const n = left.get(s.id)!;
      const used = Math.min(n, open);
      have += n;
      open -= used;
      left.set(s.id, n - used);
    }
    return { ...line, have, from, worn: from.filter((s) => s.worn === true) };
  });
}

/** Screws of the kit of a thread, by their length, mm. */
export function screwsOf(built: Built, thread: string): { screw: Screw; length: number }[] {
  return [...built.kit.values()]
    .filter(isScrew)
    .filter((s) => s.thread === thread)
    .flatMap((screw) => {
      const length = valueOf(screw.length);
      return length === null ? [] : [{ screw, length }];
    });
}
