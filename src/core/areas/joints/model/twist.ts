import { pieceKey } from '../../../place/piece';
import type { Built } from '../../../build/build';
import { standOf, type Stand } from '../../../stand/stand';
import { constant, given, type Given } from '../../../build/given';
import { at, givens, reader, type Read } from '../../../build/lin';
import { GRAVITY } from '../../support/model/load';
import type { FittedUse, Part } from '../../../kit/types';
import type { StandSolid } from '../../../place/setting';
import { bounds, type Bounds } from '../../../solids/solid';
import { isNamed, spotOfSeat, type Seat } from './seats';

/** Where the weight of a part sits that nobody weighed: its middle, within this of its extents. */
const CENTRE_DOUBT = 0.15;

/** What pulls on the screw of a part, and by how much. */
export interface Leverage {
  /** The part and all that hangs on it. */
  all: readonly { part: Part; solid: StandSolid }[];
  masses: readonly Given[];
  inputs: Given[];
  /** Moment about the screw in the worst attitude, N m, from the inputs in their order. */
  moment: (x: readonly number[]) => number;
}

/** A fitted part and all that hangs on it. */
function carried(stand: Stand, use: FittedUse): FittedUse[] {
  const all = [use];
  const { fitted } = stand;
  for (let i = 0; i < all.length; i++)
    for (const u of fitted) if (u.to === all[i]!.id && !all.includes(u)) all.push(u);
  return all;
}

const mid = (e: Bounds, k: 0 | 1 | 2) => (e[k] + e[(k + 3) as 3 | 4 | 5]) / 2;

/** Leverage on the screw of a part; null while nothing of it stands. */
export function leverageOn(built: Built, seat: Seat): Leverage | null {
  const { use, part } = seat;
  const stand = standOf(built);
  const all = carried(stand, use).flatMap((u) => {
    const p = built.kit.get(u.part);
    const piece = stand.onCamera.find((x) => x.key === pieceKey('fitted', u.id));
    const solid = piece?.solids[0];
    return p && piece && solid ? [{ part: p, piece, solid }] : [];
  });
  const target: StandSolid | undefined = (
    stand.onCamera.find((p) => p.key === pieceKey('fitted', use.to)) ?? stand.onCamera[0]
  )?.solids[0];
  const own = all[0];
  if (!own || !target) return null;
  const spot = isNamed(seat) ? spotOfSeat(built, seat) : null;
  const masses = all.map((a) => given(a.part, 'mass'));
  const sizes = [
    ...new Set([
      ...all.flatMap((a) => a.solid.inputs),
      ...(spot ? givens(spot.at) : target.inputs),
    ]),
  ];
  const centre: Given = constant(`where the weight of ${part.name} sits`, '', {
    value: 0,
    tol: CENTRE_DOUBT,
    from: 'guess',
    lo: -CENTRE_DOUBT,
    hi: CENTRE_DOUBT,
  });
  const inputs = [...new Set([...masses, ...sizes, centre])];
  const from = reader(inputs);
  const moment = (x: readonly number[]) => {
    const read = from(x);
    const screw = spot ? spot.at.map((l) => at(l, read)) : middleOf(use, own.solid, target, read);
    const sum = [0, 0, 0];
    let doubt = 0;
    all.forEach((a, i) => {
      const b = bounds(a.solid.make(read));
      const m = read(masses[i]!) / 1000;
      for (const k of [0, 1, 2] as const) sum[k]! += (m * (mid(b, k) - screw[k]!)) / 1000;
      doubt += (m * Math.hypot(b[3] - b[0], b[4] - b[1], b[5] - b[2])) / 2000;
    });
    return GRAVITY * Math.max(0, Math.hypot(sum[0]!, sum[1]!, sum[2]!) + read(centre) * doubt);
  };
  return { all, masses, inputs, moment };
}

/**
 * Where nobody named it the screw stands where the part meets the face: its middle, as far as the
 * face goes.
 */
function middleOf(use: FittedUse, own: StandSolid, target: StandSolid, read: Read): number[] {
  const out =
    use.on === 'left' || use.on === 'right' ? 0 : use.on === 'front' || use.on === 'rear' ? 2 : 1;
  const e = bounds(own.make(read));
  const t = bounds(target.make(read));
  return ([0, 1, 2] as const).map((k) => {
    if (k === out) {
      const ahead = mid(e, k) >= mid(t, k);
      return ahead ? e[k] : e[(k + 3) as 3 | 4 | 5];
    }
    return Math.min(t[(k + 3) as 3 | 4 | 5], Math.max(t[k], mid(e, k)));
  });
}
