import type { Built } from '../../../build/build';
import { cellsOf } from '../../../engine/plugs';
import { valueOf } from '../../../quantity/quantity';
import { onHand, type FedFrom, type Lead } from '../../../kit/types';
import { ownOf } from './branch';
import { atInlet, windowOf, type Device } from './fed';
import { goesBetween, goesInto } from './plugs';
import { positionsOf, swapped, switchOf, type RigOutlet } from './outlets';
import { reachOf } from './run';

/** One device fed in a proposal. */
export interface Proposed {
  device: Device;
  from: FedFrom;
}

/** One way to feed one device, and what it costs. */
export interface Way {
  from: FedFrom;
  outlet: string;
  lead: string | null;
  cost: Cost;
}

/**
 * What is weighed, first that counts most: devices left dark, without a lead that goes for sure, with
 * numbers that are missing, plugs that are pulled when the pack is changed, length of lead, mm.
 */
export type Cost = readonly [
  dark: number,
  bare: number,
  unsure: number,
  pulled: number,
  length: number,
];

const DARK: Cost = [1, 0, 0, 0, 0];

const plus = (a: Cost, b: Cost): Cost => a.map((v, i) => v + b[i]!) as unknown as Cost;

/** Below 0 where `a` is better. */
export function compared(a: Cost, b: Cost): number {
  for (let i = 0; i < a.length; i++) if (Math.abs(a[i]! - b[i]!) > 1e-9) return a[i]! - b[i]!;
  return 0;
}

/** Every way to feed a device: an outlet that suits, by each lead that goes, or by none yet. */
export function waysOf(
  built: Built,
  device: Device,
  outlets: readonly RigOutlet[],
  leads: readonly Lead[],
): Way[] {
  const { part } = device;
  const peak = ownOf(part, 'most').known;
  const reserve = built.rules['power.volts-reserve'];
  return outlets
    .flatMap((o) => positionsOf(built, o))
    .flatMap((out): Way[] => {
      const [low, high, amps] = [out.least.known, out.most.known, out.amps.known];
      if (out.packs.length === 0 || out.over.includes(device.id)) return [];
      const from = { from: out.from, id: out.id, ...switchOf(out) };
      const [least, most] = windowOf({ device, from, out, lead: null }).map((g) => g.known);
      const straight = goesInto(out.outlet, part);
      if (cellsOf(out.outlet.plug) !== null && straight !== true) return [];
      if (high && most && high.hi > most.hi) return [];
      const reach = reachOf(built, device, { from: out.from, id: out.id });
      // What is left behind something that gives on is known when it is tried.
      const known = low && high && least && most && peak && amps && out.over.length === 0;
      const unsure = known ? 0 : 1;
      const pulled = swapped(out) ? 1 : 0;
      const way = (lead: Lead | null): Way[] => {
        const length = lead && valueOf(lead.length);
        const copper = lead && valueOf(lead.copper);
        const numbers = [low?.lo, length ?? 0, copper ?? 1e6, peak?.hi];
        const at = numbers.every((x) => x !== undefined) ? atInlet(numbers) : null;
        if (at && least && at.volts < least.hi + (lead ? reserve : 0)) return [];
        if (at && amps && at.amps > amps.lo) return [];
        const blind = lead && (length === null || copper === null || reach(lead) !== 'yes') ? 1 : 0;
        return [
          {
            from: lead ? { ...from, lead: lead.id } : from,
            outlet: `${out.from}/${out.id}`,
            lead: lead?.id ?? null,
            cost: [0, lead || straight ? 0 : 1, Math.max(unsure, blind), pulled, length ?? 0],
          },
        ];
      };
      return [
        ...leads
          .filter((l) => goesBetween(out.outlet, l, part) === true && reach(l) !== 'no')
          .flatMap(way),
        ...way(null),
      ];
    });
}

/** So many steps are taken at most: enough for every rig that a person would plug together. */
const MOST_STEPS = 60_000;

/**
 * The best way to feed several devices at once: one plug in one socket, no lead twice. Every way is
 * looked at that can still be the best (branch and bound), so it is exact; where that takes too long the
 * best that was found is given, and that it may not be the best.
 *
 * @param ways of each device; @param counts how many of a lead, and of a socket, there are; 1 of others
 * @returns which way each is fed, null where it stays dark, and what that costs
 */
export function assigned(
  ways: readonly (readonly Way[])[],
  counts: ReadonlyMap<string, number>,
): { picks: readonly (Way | null)[]; cost: Cost; sure: boolean } {
  let best: { picks: readonly (Way | null)[]; cost: Cost } = {
    picks: ways.map(() => null),
    cost: ways.reduce((sum) => plus(sum, DARK), [0, 0, 0, 0, 0] as Cost),
  };
  let steps = 0;
  const left = new Map(counts);
  const has = (key: string | null) => key === null || (left.get(key) ?? 1) > 0;
  const take = (key: string | null, n: number) => {
    if (key !== null) left.set(key, (left.get(key) ?? 1) - n);
  };
  const picks: (Way | null)[] = [];
  const sorted = ways.map((w) => [...w].sort((a, b) => compared(a.cost, b.cost)));
  // What the rest costs at the least, each by itself.
  const rest: Cost[] = [[0, 0, 0, 0, 0]];
  for (const w of [...sorted].reverse())
    rest.unshift(plus(rest[0]!, least([DARK, ...w.map((x) => x.cost)])));
  const walk = (i: number, cost: Cost) => {
    if (++steps > MOST_STEPS || compared(plus(cost, rest[i]!), best.cost) >= 0) return;
    if (i === ways.length) {
      best = { picks: [...picks], cost };
      return;
    }
    for (const w of sorted[i]!) {
      if (!has(w.outlet) || !has(w.lead)) continue;
      take(w.outlet, 1);
      take(w.lead, 1);
      picks.push(w);
      walk(i + 1, plus(cost, w.cost));
      picks.pop();
      take(w.outlet, -1);
      take(w.lead, -1);
    }
    picks.push(null);
    walk(i + 1, plus(cost, DARK));
    picks.pop();
  };
  walk(0, [0, 0, 0, 0, 0]);
  return { ...best, sure: steps <= MOST_STEPS };
}

const least = (costs: readonly Cost[]): Cost =>
  costs.reduce((a, b) => (compared(b, a) < 0 ? b : a));

/** Things that are alike in all that counts here, under the name of the first. */
class Sorts<T> {
  readonly groups = new Map<string, T[]>();
  constructor(list: readonly T[], what: (x: T) => unknown) {
    for (const x of list) {
      const key = JSON.stringify(what(x));
      this.groups.set(key, [...(this.groups.get(key) ?? []), x]);
    }
  }
  /** One of each sort. */
  get firsts(): T[] {
    return [...this.groups.values()].map((g) => g[0]!);
  }
  of(first: T): T[] {
    return [...this.groups.values()].find((g) => g[0] === first)!;
  }
}

/** The best way to feed what is in the dark, of outlets and leads that are free. */
export function proposed(
  built: Built,
  dark: readonly Device[],
  outlets: readonly RigOutlet[],
  leads: readonly Lead[],
): { fed: readonly Proposed[]; sure: boolean } {
  // Two sockets that are alike, two leads that are alike: which of them it is makes no odds.
  const sockets = new Sorts(outlets, (o) => {
    const { id: _, name: __, ...rest } = o.outlet;
    // Which part they are on says how far they are from what they feed.
    return [o.from, o.packs, swapped(o), rest];
  });
  const sorts = new Sorts(leads, (l) => [l.plug, l.plugTo, l.length, l.copper, l.width]);
  const stock = (l: Lead) => Math.max(1, onHand(l));
  const socketKey = (o: RigOutlet) => `${o.from}/${o.id}`;
  const counts = new Map<string, number>();
  for (const o of sockets.firsts) counts.set(socketKey(o), sockets.of(o).length);
  for (const l of sorts.firsts)
    counts.set(
      l.id,
      sorts.of(l).reduce((sum, x) => sum + stock(x), 0),
    );
  const { picks, sure } = assigned(
    dark.map((d) => waysOf(built, d, sockets.firsts, sorts.firsts)),
    counts,
  );
  // Those that are alike are handed out one after the other.
  const free = new Map(sockets.firsts.map((o) => [socketKey(o), [...sockets.of(o)]]));
  const pile = new Map(
    sorts.firsts.map((l) => [
      l.id,
      sorts.of(l).flatMap((x) => Array.from({ length: stock(x) }, () => x.id)),
    ]),
  );
  const fed = dark.flatMap((device, i): Proposed[] => {
    const pick = picks[i];
    if (!pick) return [];
    const out = free.get(pick.outlet)!.shift()!;
    const lead = pick.lead === null ? undefined : pile.get(pick.lead)!.shift();
    const { switched } = pick.from;
    return [
      {
        device,
        from: {
          from: out.from,
          id: out.id,
          ...(lead ? { lead } : {}),
          ...(switched === undefined ? {} : { switched }),
        },
      },
    ];
  });
  return { fed, sure };
}
