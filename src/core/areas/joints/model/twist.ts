import { pieceKey } from '../../../place/piece';
import type { Built } from '../../../build/build';
import { standOf } from '../../../stand/stand';
import { constant, given, type Given } from '../../../build/given';
import { at, givens, reader, type Read } from '../../../build/lin';
import { GRAVITY } from '../../support/model/load';
import type { FittedUse, Part } from '../../../kit/types';
import type { Piece, Pose, StandSolid } from '../../../place/setting';
import { poseOf } from '../place/pose';
import { bounds, union, type Bounds } from '../../../solids/solid';
import { each, hangingOn, isNamed, seatOf, spotOfSeat, type NamedSeat, type Seat } from './seats';
import type { Carrying } from './load-path';

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

/** A part where it stands, for what it weighs on a joint. */
interface Hung {
  part: Part;
  piece: Piece;
  solid: StandSolid;
}

/** What weighs on a joint, and what that is on: the same for as long as all of it stands the same. */
const HUNG = each(
  'what weighs on',
  (built, use): { all: readonly Hung[]; target: StandSolid | null; on: Pose | null } => {
    const { onCamera } = standOf(built);
    const find = (key: string) => onCamera.find((p) => p.key === key);
    const all = hangingOn(built, use).flatMap((key): Hung[] => {
      const piece = find(key);
      const solid = piece?.solids[0];
      const part = piece && built.kit.get(piece.part);
      return part && solid ? [{ part, piece, solid }] : [];
    });
    const host = seatOf(built, use)?.use.to;
    const below = (host === undefined ? undefined : find(pieceKey('fitted', host))) ?? onCamera[0];
    return { all, target: below?.solids[0] ?? null, on: below ? poseOf(below) : null };
  },
  (a, b) =>
    a.on === b.on &&
    a.all.length === b.all.length &&
    a.all.every((x, i) => {
      const y = b.all[i]!;
      return x.part === y.part && x.piece.pose !== undefined && x.piece.pose === y.piece.pose;
    }),
);

const mid = (e: Bounds, k: 0 | 1 | 2) => (e[k] + e[(k + 3) as 3 | 4 | 5]) / 2;

/** Leverage on the screw of a part; null while nothing of it stands. */
export function leverageOn(built: Built, seat: Seat): Leverage | null {
  const { use, part } = seat;
  const { all, target } = built.once(HUNG(use.id));
  const own = all[0];
  if (!own || !target) return null;
  const spot = isNamed(seat) ? spotOfSeat(built, seat) : null;
  const hung = all.map((a) => ({ part: a.part, solids: [a.solid] }));
  return leverageOf(part.name, all, hung, spot ? givens(spot.at) : target.inputs, (read) =>
    spot ? spot.at.map((l) => at(l, read)) : middleOf(use, own.solid, target, read),
  );
}

/**
 * Moment about a named joint of all that its loss would let fall, in the worst attitude; null while
 * nobody knows where it is, or a piece of what it carries stands nowhere.
 */
export function momentOn(
  built: Built,
  seat: NamedSeat,
  pieces: Carrying['pieces'],
): Leverage | null {
  const spot = spotOfSeat(built, seat);
  if (!spot) return null;
  const stand = standOf(built);
  const all: Weighs[] = [];
  // The order of the file says nothing, not even in the last digit of a sum.
  for (const [key, parts] of [...pieces].sort(([a], [b]) => (a < b ? -1 : 1))) {
    const solids = stand.pieces.find((p) => p.key === key)?.solids.filter((x) => !x.moving) ?? [];
    if (solids.length === 0 && parts.length > 0) return null;
    for (const part of parts) all.push({ part, solids });
  }
  return all.length === 0
    ? null
    : leverageOf(seat.part.name, [], all, givens(spot.at), (read) =>
        spot.at.map((l) => at(l, read)),
      );
}

/** A part with all that it is made of where it stands: its weight is in the middle of that. */
interface Weighs {
  part: Part;
  solids: readonly StandSolid[];
}

/**
 * Extent of a solid as its numbers are: what it is with them as they stand is remembered, since one
 * number after the other is tried and most solids do not mind.
 */
function extentOf(s: StandSolid, index: ReadonlyMap<Given, number>) {
  const own = s.inputs.map((g) => index.get(g)!);
  let first: { x: readonly number[]; b: Bounds } | null = null;
  return (x: readonly number[], read: Read): Bounds => {
    if (first) {
      let i = 0;
      while (i < own.length && x[own[i]!] === first.x[i]) i++;
      if (i === own.length) return first.b;
    }
    const b = bounds(s.make(read));
    first ??= { x: own.map((i) => x[i]!), b };
    return b;
  };
}

/**
 * |sum of mass x (its centre - the joint)| x g, plus what it is in doubt by where the weight of each
 * sits. Newton; a body weighs at its centre of gravity.
 */
function leverageOf(
  name: string,
  all: Leverage['all'],
  weighs: readonly Weighs[],
  places: readonly Given[],
  joint: (read: Read) => readonly number[],
): Leverage {
  const masses = weighs.map((a) => given(a.part, 'mass'));
  const sizes = [
    ...new Set([...weighs.flatMap((a) => a.solids.flatMap((s) => s.inputs)), ...places]),
  ];
  const centre: Given = constant(`where the weight of ${name} sits`, '', {
    value: 0,
    tol: CENTRE_DOUBT,
    from: 'guess',
    lo: -CENTRE_DOUBT,
    hi: CENTRE_DOUBT,
  });
  const inputs = [...new Set([...masses, ...sizes, centre])];
  const from = reader(inputs);
  const index = new Map(inputs.map((g, i) => [g, i]));
  const extents = weighs.map((a) => a.solids.map((s) => extentOf(s, index)));
  const moment = (x: readonly number[]) => {
    const read = from(x);
    const screw = joint(read);
    const sum = [0, 0, 0];
    let doubt = 0;
    weighs.forEach((_a, i) => {
      const b = extents[i]!.map((e) => e(x, read)).reduce(union);
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
