import { given, type Given } from '../../../build/given';
import type { Built } from '../../../build/build';
import { usableAt, type Mix } from '../../../feed/hours';
import type { Range, Spread } from '../../../quantity/spread';
import { node } from '../../../engine/reads';
import { efficiencyOf, oddOn } from './branch';
import { drawOf } from './draw';
import { mixOf } from './fed';
import { keeper } from './judged';
import { sourcesOn, type Source } from './sources';

/** What a source holds, and what is taken of it, from its inputs in their order. */
export interface Lasting {
  inputs: readonly Given[];
  /** Watt-hours of all of its packs. */
  held: (x: readonly number[]) => number;
  /** Share of them that is counted on. */
  usable: number;
  /** Watts that are taken on the mean of the day: what leads lose and regulated outlets turn into heat counted in. */
  watts: (x: readonly number[]) => number;
  /** How many of the inputs are what the packs hold; they come first. */
  packs: number;
  /** What each outlet is drawn, from the numbers of its own that come next; no two share one. */
  draws: readonly { inputs: readonly Given[]; watts: (own: readonly number[]) => number }[];
}

/** Where nobody said how cold it is, a room, C. */
const ROOM = 20;

/** Share of a pack that is counted on at the temperature of the rig: the house rule is of a room. */
export function usableOf({ rules, rig }: Built): number {
  return (rules['power.usable'] * usableAt(rig.celsius ?? ROOM)) / usableAt(ROOM);
}

/**
 * @param source all of whose feeds have an outlet that is there
 * @param mix how the time is spent: as the house rules have it where it is not said
 */
export function lastingOf(
  built: Built,
  { packs, feeds }: Source,
  mix: Mix = mixOf(built),
): Lasting {
  const full = packs.map((p) => given(p.part, 'wattHours'));
  // What hangs on something that gives on is drawn by that.
  const own = feeds.filter((f) => f.out!.over.length === 0);
  const draws = own.map((f) => {
    const draw = drawOf(built, f, f.out!.volts, mix);
    const n = draw.inputs.length;
    const eff = f.out!.outlet.passes === true ? null : efficiencyOf(built, undefined, f.out!.name);
    return {
      inputs: eff ? [...draw.inputs, eff] : draw.inputs,
      watts: (own: readonly number[]) => draw.watts(own) / (own[n] ?? 1),
    };
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
      draws.reduce(
        (sum, { inputs, watts }, i) => sum + watts(x.slice(starts[i], starts[i]! + inputs.length)),
        0,
      ),
    packs: full.length,
    draws,
  };
}

/** Nothing that is on draws less, W: no pack lasts for ever. */
const LEAST = 0.01;

/** Hours of a source, from its inputs in their order. */
export interface Hours extends Lasting {
  hours: (x: readonly number[]) => number;
  /** All of it inside the tolerances; asked for where none of its inputs is missing. */
  ends: () => Spread;
}

/** What hangs on outlets by itself, as it is fed, lasts as long as before. */
const kept = keeper<Hours>();

/** How long the packs of a source last, h; with the day spent as the house rules have it once for a rig. */
export function hoursOf(built: Built, source: Source, mix?: Mix): Hours {
  if (mix) return hoursIn(built, source, mix);
  return built.once(HOURS).get(source) ?? hoursIn(built, source, mixOf(built));
}

const HOURS = node('hours of sources', (built: Built): ReadonlyMap<Source, Hours> => {
  const mix = mixOf(built);
  return new Map(sourcesOn(built).map((s) => [s, hoursIn(built, s, mix)]));
});

function hoursIn(built: Built, source: Source, mix: Mix): Hours {
  const fresh = () => hoursOfLasting(lastingOf(built, source, mix));
  const odd = oddOn(built);
  if (odd.size > 0 && source.feeds.some((f) => odd.has(f))) return fresh();
  const { idle, ready, rolling } = mix;
  const rests = [idle, ready, rolling, usableOf(built), built.rules['power.efficiency']];
  return kept(source, rests, fresh);
}

/** The hours of what a source holds and what is drawn of it. */
export function hoursOfLasting(lasting: Lasting): Hours {
  const { watts, held, usable } = lasting;
  let known: Spread | null = null;
  return {
    ...lasting,
    hours: (x) => (held(x) * usable) / Math.max(LEAST, watts(x)),
    ends: () => (known ??= endsOf(lasting)),
  };
}

/**
 * What {@link spread} comes to for the hours. What is held and each of the draws are moved by
 * themselves, since no number of one is in another: as many steps as there are numbers, each of one
 * outlet, in place of all outlets for each.
 */
function endsOf({ inputs, usable, packs, draws }: Lasting): Spread {
  const ranges = inputs.map((g) => g.known!);
  const full = ranges.slice(0, packs);
  const held = {
    value: full.reduce((sum, r) => sum + r.value, 0),
    lo: full.reduce((sum, r) => sum + r.lo, 0),
    hi: full.reduce((sum, r) => sum + r.hi, 0),
  };
  const hours = (wh: number, watts: number) => (wh * usable) / Math.max(LEAST, watts);
  const taken = { value: 0, lo: 0, hi: 0 };
  const moved: (readonly [number, number])[] = [];
  let from = packs;
  for (const d of draws) {
    const own = stepsOf(ranges.slice(from, from + d.inputs.length), d.watts);
    from += d.inputs.length;
    taken.value += own.value;
    taken.lo += own.lo;
    taken.hi += own.hi;
    moved.push(...own.steps);
  }
  const value = hours(held.value, taken.value);
  const width = (a: number, b: number) => (Number.isFinite(a - b) ? Math.abs(a - b) : 0);
  const widths = [
    ...full.map((r) =>
      width(
        hours(held.value - r.value + r.lo, taken.value),
        hours(held.value - r.value + r.hi, taken.value),
      ),
    ),
    ...moved.map(([a, b]) =>
      width(hours(held.value, taken.value + a), hours(held.value, taken.value + b)),
    ),
  ];
  const total = widths.reduce((sum, w) => sum + w, 0);
  return {
    value,
    lo: Math.min(value, hours(held.lo, taken.hi)),
    hi: Math.max(value, hours(held.hi, taken.lo)),
    shares: widths.map((w) => (total > 0 ? w / total : 0)),
  };
}

/** A draw at its ends, and how far each number of it moves it down and up from where it is likely. */
function stepsOf(
  ranges: readonly Range[],
  f: (x: readonly number[]) => number,
): Range & { steps: (readonly [number, number])[] } {
  const x = ranges.map((r) => r.value);
  const value = f(x);
  const [low, high] = [[...x], [...x]];
  const steps = ranges.map((r, i) => {
    if (r.lo === r.hi) return [0, 0] as const;
    x[i] = r.lo;
    const atLo = f(x);
    x[i] = r.hi;
    const atHi = f(x);
    x[i] = r.value;
    const up = atHi >= atLo;
    low[i] = up ? r.lo : r.hi;
    high[i] = up ? r.hi : r.lo;
    return [atLo - value, atHi - value] as const;
  });
  return { value, lo: f(low), hi: f(high), steps };
}
