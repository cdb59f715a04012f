import { cagesOn } from '../../../place/fitted';
import { node } from '../../../engine/reads';
import {
  isPlate,
  isSettable,
  isRiser,
  isRods,
  type Part,
  type Plate,
  type Rods,
  type UnderUse,
} from '../../../kit/types';
import { rodSystem, type RodSystem } from '../kit/systems';
import type { Built } from '../../../build/build';
import { constant, given, type Given } from '../../../build/given';
import { at, lin, minus, of, plus, ZERO, type Lin } from '../../../build/lin';
import type { PlateHeight } from '../../../place/setting';

/** What is under the camera, from the body downwards. */
export interface UnderCamera {
  plate: Plate | null;
  use: UnderUse | null;
  /** Axis down to the top of the plate. */
  top: Lin;
  /** Axis down to the middle of the rods; null without a plate: then nobody knows. */
  drop: Lin | null;
  height: PlateHeight | null;
}

/** How well a plate is set to a height, by calipers on the day, mm. Common practice, no source. */
const SET_TO = 0.2;

type Reader = (part: Part, path: readonly string[], standIn: number) => Given;

const plainly: Reader = (part, path) => given(part, ...path);

/**
 * How far below the axis the rods come out: axis to base, plus cage and risers under the body, plus
 * plate top to rods, less risers between plate and rods. A plate that can be set from-to stands
 * where the rods come out at the height of their system, as near as its range allows, unless a
 * person set it.
 *
 * @param q reads a number; lengths in mm
 */
export function underCamera(built: Built, q: Reader = plainly): UnderCamera {
  const { body, rig, kit } = built;
  if (!body) return { plate: null, use: null, top: ZERO, drop: null, height: null };
  let top: Lin = of(q(body, ['axisToBase'], 50));
  for (const use of cagesOn(built)) {
    const cage = kit.get(use.part);
    if (cage?.kind === 'cage') top = plus(top, of(q(cage, ['bottom'], 8)));
  }
  let plate: Plate | null = null;
  let own: UnderUse | null = null;
  let risers: Lin = ZERO;
  for (const use of rig.under ?? []) {
    const part = kit.get(use.part);
    if (isPlate(part)) [plate, own] = [part, use];
    else if (isRiser(part)) {
      const t = of(q(part, ['thickness'], 5));
      if (use.at === 'rods') risers = plus(risers, t);
      else top = plus(top, t);
    }
  }
  if (!plate || !own) return { plate: null, use: null, top, drop: null, height: null };
  const rest = minus(top, risers);
  if (!isSettable(plate)) {
    const drop = plus(rest, of(q(plate, ['topToRods'], 40)));
    return { plate, use: own, top, drop, height: null };
  }
  const lowest = q(plate, ['heightFrom'], 40);
  const highest = q(plate, ['heightTo'], 40);
  const its = rodSystem(plate.rods ?? rodsOf(built));
  const needed = its ? minus(lin(its.drop), rest) : null;
  const [to, set] = settled(plate, own, rest, its, lowest, highest, needed);
  return {
    plate,
    use: own,
    top,
    drop: to,
    height: { plate, use: own, needed, lowest, highest, set },
  };
}

/** The rod system that the rods of the rig say they are of. */
export function rodsOf(built: Built): string | undefined {
  return built.once(SYSTEM);
}

const SYSTEM = node(
  'system of the rods',
  ({ rig, kit }: Built): string | undefined =>
    (rig.rods ?? [])
      .map((u) => kit.get(u.part))
      .find((p): p is Rods => isRods(p) && p.rods !== undefined)?.rods,
);

/** The axis to the rods, and what the plate is set to for it. */
function settled(
  plate: Plate,
  use: UnderUse,
  rest: Lin,
  system: RodSystem | null,
  lowest: Given,
  highest: Given,
  needed: Lin | null,
): [Lin, number | null] {
  const own = (value: number) =>
    constant(`height that ${plate.name} is set to`, 'mm', {
      value,
      tol: SET_TO,
      from: 'measured',
      lo: value - SET_TO,
      hi: value + SET_TO,
    });
  if (use.height !== undefined) return [plus(rest, of(own(use.height))), use.height];
  // Whatever it is set to, both ends are asked for before it counts as set.
  const open = plus(rest, of(lowest), of(highest, 0));
  if (!needed || !system)
    return [plus(open, of(constant(`rod system of ${plate.name}`, 'mm', null), 0)), null];
  const known = [...rest.terms.map((t) => t.g), lowest, highest].every((g) => g.known !== null);
  if (!known) return [open, null];
  const wanted = at(needed, (g) => g.known!.value);
  const [lo, hi] = [lowest.known!.value, highest.known!.value];
  if (wanted < lo) return [open, lo];
  if (wanted > hi) return [plus(rest, of(highest), of(lowest, 0)), hi];
  return [plus(lin(system.drop - wanted), of(own(wanted))), wanted];
}
