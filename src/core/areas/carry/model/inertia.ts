import type { Built } from '../../../build/build';
import { node } from '../../../engine/reads';
import { at } from '../../../build/lin';
import { weightsOf } from './weighed';
import type { Weight } from './weights';

/** Moments of inertia about the three axes through the centre of gravity, kg m2. */
export interface Inertia {
  /** About x: how hard it is to tilt; about y: to pan; about z: to roll. */
  tilt: Ends;
  pan: Ends;
  roll: Ends;
}

export interface Ends {
  value: number;
  lo: number;
  hi: number;
}

/** The inertia of the rig; null while a number of it is missing. */
export function inertiaOf(built: Built): Inertia | null {
  return built.once(INERTIA);
}

const INERTIA = node('inertia', (built: Built) => inertiaFrom(weightsOf(built)));

/** A weight as it lies: mass from to, and each coordinate from to. */
interface Laid {
  m: Ends;
  at: readonly [Ends, Ends, Ends];
  spread: readonly [number, number, number];
}

/**
 * `sum(own + m d^2)` about the centre of gravity, own from the solids at equal density
 * (parallel-axis theorem). The interval is bounded from both sides. The sum of squares about the
 * centre is the least about any point, and grows with every mass: so the sum about the nominal centre
 * with all masses and distances at their largest is never passed, and the least is that of the
 * smallest masses, each as near to the common centre as its tolerance lets it (found by turns; the
 * sum is convex). The own part scales with the mass alone.
 */
export function inertiaFrom(weights: readonly Weight[]): Inertia | null {
  const laid = weights.map(layOut);
  if (laid.length === 0 || laid.some((l) => l === null)) return null;
  const all = laid as Laid[];
  const squares = ([0, 1, 2] as const).map((k) => squareAlong(all, k));
  const about = (a: Ends, b: Ends): Ends => ({
    value: (a.value + b.value) / 1e9,
    lo: (a.lo + b.lo) / 1e9,
    hi: (a.hi + b.hi) / 1e9,
  });
  const [x, y, z] = squares as [Ends, Ends, Ends];
  return { tilt: about(y, z), pan: about(x, z), roll: about(x, y) };
}

function layOut(w: Weight): Laid | null {
  const { known } = w.mass;
  if (!known || w.at.some((l) => l.terms.some((t) => t.g.known === null))) return null;
  const ends = w.at.map((l): Ends => {
    const value = at(l, (g) => g.known!.value);
    const loose = l.terms.reduce((sum, t) => sum + Math.abs(t.k) * t.g.known!.tol, 0);
    return { value, lo: value - loose, hi: value + loose };
  }) as unknown as readonly [Ends, Ends, Ends];
  return {
    m: { value: known.value, lo: Math.max(0, known.lo), hi: known.hi },
    at: ends,
    spread: w.spread,
  };
}

/** `sum(m ((u - centre)^2 + own spread))` along one axis, g mm2. */
function squareAlong(all: readonly Laid[], k: 0 | 1 | 2): Ends {
  const sum = (f: (l: Laid) => number) => all.reduce((s, l) => s + f(l), 0);
  const mass = sum((l) => l.m.value);
  const centre = sum((l) => l.m.value * l.at[k].value) / mass;
  const value = sum((l) => l.m.value * ((l.at[k].value - centre) ** 2 + l.spread[k]));
  const most = (e: Ends) => Math.max(Math.abs(e.lo - centre), Math.abs(e.hi - centre));
  const hi = sum((l) => l.m.hi * (most(l.at[k]) ** 2 + l.spread[k]));
  let c = centre;
  const least = sum((l) => l.m.lo);
  for (let n = 0; n < 60 && least > 0; n++) {
    const next = sum((l) => l.m.lo * clamp(c, l.at[k])) / least;
    if (Math.abs(next - c) < 1e-9) break;
    c = next;
  }
  const lo = sum((l) => l.m.lo * ((clamp(c, l.at[k]) - c) ** 2 + l.spread[k]));
  return { value, lo: Math.min(lo, value), hi: Math.max(hi, value) };
}

const clamp = (x: number, e: Ends) => Math.min(e.hi, Math.max(e.lo, x));
