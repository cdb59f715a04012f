import { node } from '../../../engine/reads';
import type { Built } from '../../../build/build';
import { lin, times, type Lin } from '../../../build/lin';
import type { Spread } from '../../../quantity/spread';
import { moment } from '../../support/model/load';
import type { Measurement } from '../../../checks/finding';
import { along, holdOf, waysOf, type Hold, type Way } from './hold';
import { quotient, type Quotient } from './extremes';
import type { Filed, Side } from './filed';
import { endsOfTotal, poisedOf, totalOf, weightsOf, type Total } from './weighed';
import type { Weight } from './weights';

/** The rig as a weight, and how it sits on what holds it. */
export interface Balance {
  weights: readonly Weight[];
  /** The same as its balance is worked out of them. */
  poised: Filed;
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
  return hold && weights.length > 0 ? balanceAt(built, weights, poisedOf(built), hold) : null;
});

/** How the rig would sit on a hold. */
function balanceAt(built: Built, weights: readonly Weight[], poised: Filed, hold: Hold): Balance {
  const { up, side, fore } = waysOf(built.rig.upright);
  const off = (w: Way) => mean(poised, awayFrom(along(hold.at, w), w));
  const once = new Map<Way, Quotient>();
  // Each is worked out when somebody asks: a rig that hangs is asked other things than one that stands.
  const lazily = (w: Way): Quotient => {
    const known = once.get(w) ?? off(w);
    once.set(w, known);
    return known;
  };
  return {
    weights,
    poised,
    hold,
    up,
    side,
    fore,
    get ahead() {
      return lazily(fore);
    },
    get right() {
      return lazily(side);
    },
    get above() {
      return lazily(up);
    },
  };
}

const EACH: Side = { plus: lin(1) };
const AXES = ['x', 'y', 'z'] as const;

/** Of every weight how far it lies along a way, `k` times. */
export const lies = (w: Way, k = 1): Side => ({ [AXES[w.k]]: w.sign * k });

/** Of every weight how far it lies along a way off a place. */
export const awayFrom = (place: Lin, w: Way): Side => ({ ...lies(w), plus: times(place, -1) });

/** Mean of a length over the weights: a coordinate of the centre of gravity. */
export const mean = (poised: Filed, of: Side): Quotient => quotient(poised, of, EACH);

/** Centre of gravity in the frame of reference, x, y and z, mm. */
export function centreOf(built: Built): readonly [Quotient, Quotient, Quotient] {
  return built.once(CENTRE);
}

const CENTRE = node('centre of gravity', (built: Built) => {
  const poised = poisedOf(built);
  return AXES.map((axis) => mean(poised, { [axis]: 1 })) as unknown as readonly [
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
  return quotient(b.poised, awayFrom(along(b.hold.at, way), way), {
    ...lies(b.up, -1),
    plus: along(b.hold.at, b.up),
  });
}

/** The mass of the rig, g, with its interval; null while a part was not weighed. */
export function massOf(built: Built): { value: number; lo: number; hi: number } | null {
  const total = totalOf(built);
  return total.inputs.length === 0 ? null : endsOfTotal(total);
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
export function momentEnds(lever: Spread, total: Total): Spread {
  const mass = endsOfTotal(total)!;
  return {
    value: moment(mass.value, lever.value),
    lo: moment(lever.lo < 0 ? mass.hi : mass.lo, lever.lo),
    hi: moment(lever.hi < 0 ? mass.lo : mass.hi, lever.hi),
    get shares() {
      return lever.shares;
    },
  };
}

/** A tangent as an angle, degrees. */
export const degrees = (tangent: number): number => (Math.atan(tangent) * 180) / Math.PI;
