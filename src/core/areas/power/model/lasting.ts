import { given, type Given } from '../../../build/given';
import type { Built } from '../../../build/build';
import { usableAt } from '../../../feed/hours';
import { efficiencyOf } from './branch';
import { drawOf } from './draw';
import type { Source } from './sources';

/** What a source holds, and what is taken of it, from its inputs in their order. */
export interface Lasting {
  inputs: readonly Given[];
  /** Watt-hours of all of its packs. */
  held: (x: readonly number[]) => number;
  /** Share of them that is counted on. */
  usable: number;
  /** Watts that are taken on the mean of the day: what leads lose and regulated outlets turn into heat counted in. */
  watts: (x: readonly number[]) => number;
}

/** Where nobody said how cold it is, a room, C. */
const ROOM = 20;

/** Share of a pack that is counted on at the temperature of the rig: the house rule is of a room. */
export function usableOf({ rules, rig }: Built): number {
  return (rules['power.usable'] * usableAt(rig.celsius ?? ROOM)) / usableAt(ROOM);
}

/**
 * @param source all of whose feeds have an outlet that is there
 * @param share of the time that is at work, the rest at rest: that of the day where it is not said
 */
export function lastingOf(
  built: Built,
  { packs, feeds }: Source,
  share: number = built.rules['media.rolling'],
): Lasting {
  const full = packs.map((p) => given(p.part, 'wattHours'));
  // What hangs on something that gives on is drawn by that.
  const own = feeds.filter((f) => f.out!.over.length === 0);
  const draws = own.map((f) => {
    const draw = drawOf(built, f, f.out!.volts, share);
    const eff = f.out!.outlet.passes === true ? null : efficiencyOf(built, undefined, f.out!.name);
    return { draw, inputs: [...draw.inputs, ...(eff ? [eff] : [])] };
  });
  const starts: number[] = [];
  let n = full.length;
  for (const d of draws) {
    starts.push(n);
    n += d.inputs.length;
  }
  return {
    inputs: [...full, ...draws.flatMap((d) => d.inputs)],
    held: (x) => full.reduce((sum, _, i) => sum + x[i]!, 0),
    usable: usableOf(built),
    watts: (x) =>
      draws.reduce((sum, { draw, inputs }, i) => {
        const own = x.slice(starts[i], starts[i]! + inputs.length);
        return sum + draw.watts(own) / (own[draw.inputs.length] ?? 1);
      }, 0),
  };
}

/** Nothing that is on draws less, W: no pack lasts for ever. */
const LEAST = 0.01;

/** How long the packs of a source last, from its inputs in their order, h. */
export function hoursOf(
  built: Built,
  source: Source,
  share?: number,
): { inputs: readonly Given[]; hours: (x: readonly number[]) => number } {
  const { inputs, watts, held, usable } = lastingOf(built, source, share);
  return { inputs, hours: (x) => (held(x) * usable) / Math.max(LEAST, watts(x)) };
}
