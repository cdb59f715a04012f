import type { Built } from '../../../build/build';
import { given } from '../../../build/given';
import { valueOf } from '../../../quantity/quantity';
import { onHand, type FedFrom, type Lead } from '../../../kit/types';
import { atInlet, peakOf, type Device } from './fed';
import { goesBetween } from './plugs';
import type { RigOutlet } from './outlets';

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
  /** Amps that it draws at most; null where that is not known. */
  amps: number | null;
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
  const [least, most] = [given(part, 'voltsFrom').known, given(part, 'voltsTo').known];
  const peak = peakOf(part).known;
  const reserve = built.rules['power.volts-reserve'];
  return outlets.flatMap((out): Way[] => {
    const [low, high, amps] = [out.least.known, out.most.known, out.amps.known];
    if (out.packs.length === 0) return [];
    if (high && most && high.hi > most.hi) return [];
    const unsure = low && high && least && most && peak && amps ? 0 : 1;
    const pulled = out.packs.includes(out.from) ? 1 : 0;
    const way = (lead: Lead | null): Way[] => {
      const length = lead && valueOf(lead.length);
      const copper = lead && valueOf(lead.copper);
      const numbers = [low?.lo, length ?? 0, copper ?? 1e6, peak?.hi];
      const at = numbers.every((x) => x !== undefined) ? atInlet(numbers) : null;
      if (at && least && at.volts < least.hi + (lead ? reserve : 0)) return [];
      if (at && amps && at.amps > amps.lo) return [];
      const blind = lead && (length === null || copper === null) ? 1 : 0;
      return [
        {
          from: { from: out.from, id: out.id, ...(lead ? { lead: lead.id } : {}) },
          outlet: `${out.from}/${out.id}`,
          lead: lead?.id ?? null,
          amps: at?.amps ?? null,
          cost: [0, lead ? 0 : 1, Math.max(unsure, blind), pulled, length ?? 0],
        },
      ];
    };
    return [
      ...leads.filter((l) => goesBetween(out.outlet, l, part) === true).flatMap(way),
      ...way(null),
    ];
  });
}

/**
 * The best way to feed several devices at once: one plug in one socket, no lead twice. Every way is
 * looked at that can still be the best (branch and bound), so it is exact.
 *
 * @param ways of each device; @param counts how many of a lead there are
 * @returns which way each is fed, null where it stays dark, and what that costs
 */
export function assigned(
  ways: readonly (readonly Way[])[],
  counts: ReadonlyMap<string, number>,
): { picks: readonly (Way | null)[]; cost: Cost } {
  let best: { picks: readonly (Way | null)[]; cost: Cost } = {
    picks: ways.map(() => null),
    cost: ways.reduce((sum) => plus(sum, DARK), [0, 0, 0, 0, 0] as Cost),
  };
  const outlets = new Set<string>();
  const left = new Map(counts);
  const picks: (Way | null)[] = [];
  const sorted = ways.map((w) => [...w].sort((a, b) => compared(a.cost, b.cost)));
  // What the rest costs at the least, each by itself.
  const rest: Cost[] = [[0, 0, 0, 0, 0]];
  for (const w of [...sorted].reverse())
    rest.unshift(plus(rest[0]!, least([DARK, ...w.map((x) => x.cost)])));
  const walk = (i: number, cost: Cost) => {
    if (compared(plus(cost, rest[i]!), best.cost) >= 0) return;
    if (i === ways.length) {
      best = { picks: [...picks], cost };
      return;
    }
    for (const w of sorted[i]!) {
      const stock = w.lead === null ? 1 : (left.get(w.lead) ?? 1);
      if (outlets.has(w.outlet) || stock < 1) continue;
      outlets.add(w.outlet);
      if (w.lead !== null) left.set(w.lead, stock - 1);
      picks.push(w);
      walk(i + 1, plus(cost, w.cost));
      picks.pop();
      if (w.lead !== null) left.set(w.lead, stock);
      outlets.delete(w.outlet);
    }
    picks.push(null);
    walk(i + 1, plus(cost, DARK));
    picks.pop();
  };
  walk(0, [0, 0, 0, 0, 0]);
  return best;
}

const least = (costs: readonly Cost[]): Cost =>
  costs.reduce((a, b) => (compared(b, a) < 0 ? b : a));

/** How many of each lead there are; one to be hired counts as one. */
export const stockOf = (leads: readonly Lead[]): Map<string, number> =>
  new Map(leads.map((l) => [l.id, Math.max(1, onHand(l))]));
