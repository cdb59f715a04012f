import type { Given } from '../build/given';
import type { Built } from '../build/build';
import { lacking } from '../checks/judge';
import {
  balanceOf,
  centreOf,
  degrees,
  leaning,
  massOf,
  weighFirst,
} from '../areas/carry/model/balance';
import type { Quotient } from '../areas/carry/model/extremes';
import { HANGS } from '../areas/carry/model/hold';
import { inertiaOf } from '../areas/carry/model/inertia';
import { WIND, windNeeds, windOn } from '../areas/carry/model/wind';
import { totalOf, weightsOf } from '../areas/carry/model/weighed';
import { exact, say, sayLength, sayMass, sayRange } from '../quantity/say';
import type { Reading } from './reading';

interface Ends {
  value: number;
  lo: number;
  hi: number;
}

/** What the rig weighs, where that sits, how it resists turning, and how it hangs. */
export function carried(built: Built): Reading[] {
  const weights = weightsOf(built);
  if (weights.length === 0) return [];
  const masses = totalOf(built).inputs;
  const of = (
    id: string,
    what: string,
    unit: string,
    inputs: readonly Given[],
    ends: () => Ends | null,
    text: (v: number) => string,
    sum: string,
  ): Reading => {
    const missing = inputs.filter((g) => g.known === null);
    const e = missing.length > 0 ? null : ends();
    const base = { id, label: what, what, atFocus: false, unit, basis: '[math]' };
    if (!e)
      return {
        ...base,
        value: null,
        lo: NaN,
        hi: NaN,
        text: 'unknown',
        sum: `No sum: ${missing.map((g) => g.label).join(', ')} not known.`,
        missing: weighFirst(weights, lacking(missing)),
      };
    const range = e.hi - e.lo > 1e-9 ? ` (${sayRange(e.lo, e.hi, unit)})` : '';
    return { ...base, ...e, text: `${text(e.value)}${range}`, sum, missing: [] };
  };
  const quotient = (q: Quotient) => () => q.spread();
  const [x, y, z] = centreOf(built);
  const length = (v: number) => sayLength(v, 1);
  const places = [
    ['centre:x', 'centre of gravity, to camera right', x],
    ['centre:y', 'centre of gravity, above the axis', y],
    ['centre:z', 'centre of gravity, ahead of the image plane', z],
  ] as const;
  const all = [...new Set([...x.inputs, ...y.inputs, ...z.inputs])];
  const turning = [
    ['inertia:tilt', 'inertia to tilt', 'tilt'],
    ['inertia:pan', 'inertia to pan', 'pan'],
    ['inertia:roll', 'inertia to roll', 'roll'],
  ] as const;
  return [
    of(
      'mass',
      'mass of the rig',
      'g',
      masses,
      () => massOf(built),
      sayMass,
      `sum of ${weights.length} masses`,
    ),
    ...places.map(([id, what, q]) =>
      of(id, what, 'mm', q.inputs, quotient(q), length, 'sum(m r) / sum(m)'),
    ),
    ...turning.map(([id, what, key]) =>
      of(
        id,
        what,
        'kg m2',
        all,
        () => inertiaOf(built)?.[key] ?? null,
        (v) => say(v, 'kg m2'),
        'sum(own + m d^2)',
      ),
    ),
    ...tilts(built, of),
    ...winds(built, of),
  ];
}

type Of = (
  id: string,
  what: string,
  unit: string,
  inputs: readonly Given[],
  ends: () => Ends | null,
  text: (v: number) => string,
  sum: string,
) => Reading;

/** What wind does about the hold; none where nobody said how it is held. */
function winds(built: Built, of: Of): Reading[] {
  const ways = [
    ['wind:side', `wind of ${WIND} m/s across the lens, about the hold`, 'side'],
    ['wind:fore', `wind of ${WIND} m/s into the lens, about the hold`, 'fore'],
  ] as const;
  return ways.flatMap(([id, what, from]) => {
    const wind = windOn(built, from);
    if (!wind) return [];
    const sum = `1/2 rho v^2 c_d x ${exact(wind.area / 100, 0)} cm2 x ${exact(wind.arm, 0)} mm; most on ${wind.most}`;
    const ends = () => wind.moment;
    return [of(id, what, 'N m', windNeeds(built), ends, (v) => say(v, 'N m'), sum)];
  });
}

/** How it hangs: nose and roll; none where it does not hang, or not surely below its hold. */
function tilts(built: Built, of: Of): Reading[] {
  const b = balanceOf(built);
  if (!b || !HANGS.has(b.hold.kind)) return [];
  const known = b.above.inputs.every((g) => g.known !== null);
  if (known && b.above.spread().hi >= 0) return [];
  const ways = [
    ['tilt:nose', 'nose down as it hangs', b.fore],
    ['tilt:roll', 'right side down as it hangs', b.side],
  ] as const;
  return ways.map(([id, what, way]) => {
    const q = leaning(b, way);
    const ends = () => {
      const s = q.spread();
      return { value: degrees(s.value), lo: degrees(s.lo), hi: degrees(s.hi) };
    };
    return of(id, what, 'deg', q.inputs, ends, (v) => `${exact(v, 1)} deg`, 'atan(offset / drop)');
  });
}
