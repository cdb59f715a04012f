import { node } from '../engine/reads';
import { isFilter, isRing, type Filter, type Ring } from '../kit/types';
import { flangeOf, type Built, type BuiltLink } from './build';
import { given, type Given } from './given';
import { at, givens, of, plus, ZERO, type Lin } from './lin';

/** An adapter or reducer on the axis, by its place in the chain. */
export interface AxisLink extends BuiltLink {
  from: Lin;
  to: Lin;
}

/** A ring or filter on the thread, by its place on it. */
export interface AxisRing {
  part: Ring | Filter;
  index: number;
  thickness: Given;
  from: Lin;
  to: Lin;
  /** How far ahead of the front rim of the lens it ends. */
  ahead: Lin;
}

/**
 * What stands along the optical axis, from the image plane forwards: every station is derived here
 * and nowhere else, as a sum of the numbers it rests on. The line, the solids, the checks and the
 * shading all read these.
 */
export interface Axis {
  face: Lin;
  links: readonly AxisLink[];
  /** Where the lens sits. */
  seat: Lin;
  /** Front rim of the lens, focused at infinity; its seat without a lens. */
  rim: Lin;
  thread: readonly AxisRing[];
  /** What a number that nobody gave is drawn as, mm; never computed with. */
  standIns: ReadonlyMap<Given, number>;
}

/** Stand-ins along the axis, mm. */
export const AXIS_STAND_IN = { flange: 20, link: 20, lens: 90, ring: 6 } as const;

const FACE = node(
  'mount face',
  (built: Built): Lin => (built.body ? of(flangeOf(built, built.body)) : ZERO),
  { same: (a, b) => a.terms[0]?.g === b.terms[0]?.g },
);

/** Face of the body's mount: its flange distance; where stations begin without a body. */
export function faceOf(built: Built): Lin {
  return built.once(FACE);
}

export function axisOf(built: Built): Axis {
  return built.once(AXIS);
}

const AXIS = node('axis', (built: Built): Axis => {
  const { lens } = built;
  const standIns = new Map<Given, number>();
  const taken = (g: Given, standIn: number): Lin => {
    if (g.known === null) standIns.set(g, standIn);
    return of(g);
  };
  const face = faceOf(built);
  for (const g of missingOf(face)) standIns.set(g, AXIS_STAND_IN.flange);
  let z = face;
  const links = built.links.map((l): AxisLink => {
    const from = z;
    z = plus(z, taken(given(l.link, 'length'), AXIS_STAND_IN.link));
    return { ...l, from, to: z };
  });
  const seat = z;
  const rim = lens ? plus(seat, taken(given(lens, 'length'), AXIS_STAND_IN.lens)) : seat;
  let ahead = ZERO;
  const thread = (built.rig.thread ?? []).flatMap((use, index): AxisRing[] => {
    const part = built.kit.get(use.part);
    if (!isRing(part) && !isFilter(part)) return [];
    const thickness = given(part, 'thickness');
    const from = plus(rim, ahead);
    ahead = plus(ahead, taken(thickness, AXIS_STAND_IN.ring));
    return [{ part, index, thickness, from, to: plus(rim, ahead), ahead }];
  });
  return { face, links, seat, rim, thread, standIns };
});

/** Where something on the axis is drawn: what nobody gave at its stand-in. */
export function drawnAt(axis: Axis, l: Lin): number {
  return at(l, (g) => g.known?.value ?? axis.standIns.get(g) ?? 0);
}

/** Where something stands; null while a number on the way is not known. */
export function stationOf(l: Lin): number | null {
  let z = l.c;
  for (const { g, k } of l.terms) {
    if (g.known === null) return null;
    z += k * g.known.value;
  }
  return z;
}

/** Numbers on the way that nobody gave. */
export function missingOf(l: Lin): Given[] {
  return givens([l]).filter((g) => g.known === null);
}
