import { across } from '../../../solids/axes';
import { distance } from '../../../solids/distance';
import { sameSolid } from '../../../solids/same';
import { cylinder, sector, type Solid, type Vec } from '../../../solids/solid';
import type { Driver } from '../kit/drivers';

/** One way to get at a screw: all of these solids have to be free. */
export interface Way {
  what: 'straight' | 'bent' | 'fingers' | 'lever';
  solids: readonly Solid[];
}

/** Directions in which the arm of a bent key is begun with. */
const BEGINS = 24;
/** A bent key is taken off and put on again after as much of a turn: a sixth, by its hexagon, deg. */
const STROKE = 60;
/** What a lever with a ratchet is swung through at least, deg. */
const LEVER = 90;
/** How thick a lever is with the fingers on it, mm. */
const LEVER_THICK = 14;

const along = (p: Vec, dir: Vec, by: number): Vec => [
  p[0] + dir[0] * by,
  p[1] + dir[1] * by,
  p[2] + dir[2] * by,
];

/**
 * Every way to turn a screw with a tool: straight on its axis, or for a bent key with the short arm
 * on it and the long one swung through a sixth of a turn. Each takes room for the hand.
 *
 * @param head where the head of the screw is, @param out unit vector away from what it goes into
 * @param hand room for the hand behind the tool, mm; @param reach of a lever, mm
 */
export function waysTo(driver: Driver, head: Vec, out: Vec, hand: number, reach: number): Way[] {
  if (driver.id === 'lever')
    return swings(head, out, reach, LEVER, 0, LEVER_THICK / 2).map((s) => ({
      what: 'lever',
      solids: [s],
    }));
  const straight = driver.long + (driver.free ? 0 : hand);
  const list: Way[] = [
    {
      what: driver.free ? 'fingers' : 'straight',
      solids: [rod(head, out, straight, driver.diameter / 2)],
    },
  ];
  if (driver.short === undefined) return list;
  const thick = driver.diameter / 2;
  for (const swing of swings(head, out, driver.long, STROKE, driver.short, thick))
    list.push({ what: 'bent', solids: [rod(head, out, driver.short, thick), swing] });
  return list;
}

function rod(head: Vec, out: Vec, length: number, radius: number): Solid {
  return cylinder(along(head, out, length / 2), radius, length / 2, out);
}

/** What an arm sweeps about a screw, begun in each of several directions. */
function swings(
  head: Vec,
  out: Vec,
  reach: number,
  degrees: number,
  lift: number,
  half: number,
): Solid[] {
  const [u, v] = across(out);
  const hinge = along(head, out, lift + half);
  return Array.from({ length: BEGINS }, (_, i) => {
    const from = (i * 2 * Math.PI) / BEGINS;
    return sector(hinge, [u, v, out], reach, half, from, from + (degrees * Math.PI) / 180);
  });
}

export interface Blocked<T> {
  /** Nothing stands in the best way, something does, or something may. */
  state: 'free' | 'blocked' | 'maybe';
  /** What stands in it or may, deepest first; of the way with the most room. */
  by: T[];
  /** Room in the best way; below 0 how deep something stands in it, mm. */
  room: number;
}

/** Distances of a way to solids around it that were worked out before: what is moved asks alone. */
const beside = new WeakMap<Way, { solid: Solid; d: number }[]>();
/** Solids that are kept for a way; the oldest goes. */
const MOST_BESIDE = 160;

function roomBeside(way: Way, solid: Solid): number {
  let list = beside.get(way);
  if (!list) beside.set(way, (list = []));
  const before = list.find((x) => sameSolid(x.solid, solid));
  if (before) return before.d;
  const d = Math.min(...way.solids.map((s) => distance(s, solid)));
  if (list.length >= MOST_BESIDE) list.shift();
  list.push({ solid, d });
  return d;
}

/**
 * Whether any of several ways is free of what stands around.
 *
 * @param loose how far the screw itself can be off, mm
 */
export function accessOf<T extends { solid: Solid; loose: number }>(
  ways: readonly Way[],
  around: readonly T[],
  loose: number,
): Blocked<T> {
  let best: Blocked<T> | null = null;
  for (const way of ways) {
    let room = Infinity;
    let sure = Infinity;
    let may = Infinity;
    const by: { of: T; d: number }[] = [];
    for (const of of around) {
      const d = roomBeside(way, of.solid);
      room = Math.min(room, d);
      sure = Math.min(sure, d - loose - of.loose);
      may = Math.min(may, d + loose + of.loose);
      if (d - loose - of.loose < 0) by.push({ of, d });
    }
    const state = sure >= 0 ? 'free' : may < 0 ? 'blocked' : 'maybe';
    const now: Blocked<T> = {
      state,
      room,
      by: by.sort((a, b) => a.d - b.d).map((x) => x.of),
    };
    if (!best || rank(now) < rank(best) || (rank(now) === rank(best) && now.room > best.room))
      best = now;
    if (state === 'free') break;
  }
  return best ?? { state: 'maybe', room: -Infinity, by: [] };
}

const RANK = { free: 0, maybe: 1, blocked: 2 } as const;
const rank = (b: { state: keyof typeof RANK }) => RANK[b.state];
