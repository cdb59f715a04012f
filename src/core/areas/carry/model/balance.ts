import { node } from '../../../engine/reads';
import type { Built } from '../../../build/build';
import { lin, minus, type Lin } from '../../../build/lin';
import type { Given } from '../../../build/given';
import type { Spread } from '../../../quantity/spread';
import { moment } from '../../support/model/load';
import type { Measurement } from '../../../checks/finding';
import { along, holdOf, waysOf, type Hold, type Way } from './hold';
import { quotient, type Quotient } from './extremes';
import { weightsOf, type Weight } from './weights';

/** The rig as a weight, and how it sits on what holds it. */
export interface Balance {
  weights: readonly Weight[];
  hold: Hold;
  up: Way;
  side: Way;
  fore: Way;
  /** Centre of gravity ahead of the hold, to the right of it and above it, mm. */
  ahead: Quotient;
  right: Quotient;
  above: Quotient;
}

/** How the rig sits on its hold; null while nobody said how it is held, or nothing is on it. */
export function balanceOf(built: Built): Balance | null {
  return built.once(BALANCE);
}

const BALANCE = node('balance', (built: Built): Balance | null => {
  const hold = holdOf(built);
  const weights = weightsOf(built);
  return hold && weights.length > 0 ? balanceAt(built, weights, hold) : null;
});

/** How the rig would sit on a hold. */
export function balanceAt(built: Built, weights: readonly Weight[], hold: Hold): Balance {
  const { up, side, fore } = waysOf(built.rig.upright);
  const off = (w: Way) => mean(weights, (x) => minus(along(x.at, w), along(hold.at, w)));
  return {
    weights,
    hold,
    up,
    side,
    fore,
    ahead: off(fore),
    right: off(side),
    above: off(up),
  };
}

const ONE = lin(1);

/** Mean of a length over the weights: a coordinate of the centre of gravity. */
export function mean(weights: readonly Weight[], of: (w: Weight) => Lin): Quotient {
  return quotient(weights.map((w) => ({ mass: w.mass, over: of(w), under: ONE })));
}

/** Centre of gravity in the frame of reference, x, y and z, mm. */
export function centreOf(built: Built): readonly [Quotient, Quotient, Quotient] {
  return built.once(CENTRE);
}

const CENTRE = node('centre of gravity', (built: Built) => {
  const weights = weightsOf(built);
  return [0, 1, 2].map((k) => mean(weights, (w) => w.at[k as 0 | 1 | 2])) as unknown as readonly [
    Quotient,
    Quotient,
    Quotient,
  ];
});

/**
 * Tangent of how far a rig that hangs leans along one way: how far its centre is off the hold over
 * how far it is below. In one quotient: what moves both cancels as it does in the rig.
 */
export function leaning(b: Balance, way: Way): Quotient {
  return quotient(
    b.weights.map((w) => ({
      mass: w.mass,
      over: minus(along(w.at, way), along(b.hold.at, way)),
      under: minus(along(b.hold.at, b.up), along(w.at, b.up)),
    })),
  );
}

/** All of its mass, g: every part as often as it is on. */
export interface Total {
  inputs: Given[];
  value: (x: readonly number[]) => number;
  /** Each number of it as often as it counts. */
  counts: readonly number[];
}

export function totalOf(weights: readonly Weight[]): Total {
  const inputs = [...new Set(weights.map((w) => w.mass))];
  const counts = inputs.map((g) => weights.filter((w) => w.mass === g).length);
  return { inputs, counts, value: (x) => counts.reduce((sum, n, i) => sum + n * x[i]!, 0) };
}

/** The mass of the rig, g, with its interval; null while a part was not weighed. */
export function massOf(built: Built): { value: number; lo: number; hi: number } | null {
  const { inputs, counts } = totalOf(weightsOf(built));
  if (inputs.length === 0) return null;
  const out = { value: 0, lo: 0, hi: 0 };
  for (const [i, g] of inputs.entries()) {
    if (!g.known) return null;
    out.value += counts[i]! * g.known.value;
    out.lo += counts[i]! * Math.max(0, g.known.lo);
    out.hi += counts[i]! * g.known.hi;
  }
  return out;
}

/**
 * Which of the numbers that are missing would settle most: a mass by the room its piece takes, which
 * is what one would guess it by.
 */
export function weighFirst(
  weights: readonly Weight[],
  measure: readonly Measurement[],
): Measurement[] {
  const room = (m: Measurement) =>
    m.path[2] === 'mass'
      ? weights.reduce((sum, w) => sum + (w.part.id === m.part ? w.volume : 0), 0)
      : 0;
  const all = measure.reduce((sum, m) => sum + room(m), 0);
  if (!(all > 0)) return [...measure];
  // What is no mass stands in the way of the sum as well: none of it goes to nothing.
  const even = 1 / measure.length;
  return measure
    .map((m) => ({ ...m, share: m.path[2] === 'mass' ? room(m) / all : even }))
    .sort((a, b) => b.share - a.share);
}

/** The interval of a distance without its sign. */
export function sizeOf({ lo, hi }: { lo: number; hi: number }): { lo: number; hi: number } {
  return {
    lo: lo <= 0 && hi >= 0 ? 0 : Math.min(Math.abs(lo), Math.abs(hi)),
    hi: Math.max(Math.abs(lo), Math.abs(hi)),
  };
}

/** Moment of the whole rig at a lever, N m, over the tolerances of both: never too narrow. */
export function momentEnds(lever: Spread, weights: readonly Weight[]): Spread {
  const { inputs, value } = totalOf(weights);
  const mass = (k: 'lo' | 'hi' | 'value') => value(inputs.map((g) => Math.max(0, g.known![k])));
  return {
    value: moment(mass('value'), lever.value),
    lo: moment(mass(lever.lo < 0 ? 'hi' : 'lo'), lever.lo),
    hi: moment(mass(lever.hi < 0 ? 'lo' : 'hi'), lever.hi),
    shares: lever.shares,
  };
}

/** A tangent as an angle, degrees. */
export const degrees = (tangent: number): number => (Math.atan(tangent) * 180) / Math.PI;
