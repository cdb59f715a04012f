import type { Built } from '../../../build/build';
import { node, sameList, type Node } from '../../../engine/reads';
import { isFitting, type FittedUse, type Fitting, type Part } from '../../../kit/types';
import { pieceKey } from '../../../place/piece';
import { above, type Piece, type Pose } from '../../../place/setting';
import { boxAsHost } from '../../front/place/box-solids';
import { sameLin } from '../../../build/lin';
import { bareCamera, cameraOf } from '../../space/place/camera';
import { fittedOn, sameUse, type StandingUse } from '../../../place/fitted';
import { interfaceType, type InterfaceType } from '../kit/interfaces';
import type { Interface } from '../kit/parts';
import { poseOf, spotOf, type Spot } from '../place/pose';
import { interfacesOf } from '../kit/sides';
import { heldBy, holesTaken } from '../kit/pattern';

/** One part of the rig and what holds it: the joint that seats it. */
export interface Seat {
  use: StandingUse;
  part: Fitting;
  /** Key of its piece. */
  piece: string;
  /** What holds it; null where that is not on the rig. */
  host: { part: Part; piece: string; use: StandingUse | null } | null;
  /** Interface of the host and its own; null where none is named, or what is named is not there. */
  at: Interface | null;
  by: Interface | null;
  /** The sorts of the two. */
  types: { at: InterfaceType | null; by: InterfaceType | null };
}

/** Every fitted part with what holds it, by id; once for a rig. */
export function seatsOf(built: Built): readonly Seat[] {
  return built.once(SEATS);
}

const SEATS = node('seats', (built: Built): readonly Seat[] => {
  const { rig, kit, body } = built;
  const fitted = [...fittedOn(built)].sort((a, b) => (a.id < b.id ? -1 : 1));
  const plate = rig.under?.map((u) => kit.get(u.part)).find((p) => p?.kind === 'plate');
  // Without a lens there is nothing that the box would be on.
  const box = (rig.lens !== null && rig.box && kit.get(rig.box.part)) || null;
  return fitted.flatMap((use): Seat[] => {
    const part = kit.get(use.part);
    if (!isFitting(part)) return [];
    const host = hostOf(use, fitted, kit, { plate: plate ?? null, body, box });
    const at = find(host?.part, use.at);
    const by = find(part, use.by);
    return [
      {
        use,
        part,
        piece: pieceKey('fitted', use.id),
        host,
        at,
        by,
        types: { at: interfaceType(at?.type), by: interfaceType(by?.type) },
      },
    ];
  });
});

const find = (part: Part | undefined, id: string | undefined): Interface | null =>
  id === undefined ? null : (interfacesOf(part).find((i) => i.id === id) ?? null);

function hostOf(
  use: FittedUse,
  fitted: readonly FittedUse[],
  kit: ReadonlyMap<string, Part>,
  { plate, body, box }: { plate: Part | null; body: Part | null; box: Part | null },
): Seat['host'] {
  if (use.to !== undefined) {
    const on = fitted.find((u) => u.id === use.to);
    const part = on && kit.get(on.part);
    return on && part ? { part, piece: pieceKey('fitted', on.id), use: on } : null;
  }
  if (use.on === 'box') return box ? { part: box, piece: pieceKey('box'), use: null } : null;
  if (use.on === 'under' && plate) return { part: plate, piece: pieceKey('plate'), use: null };
  return body ? { part: body, piece: pieceKey('body'), use: null } : null;
}

/** Whether both sides of a joint are named and there. */
export function isNamed(
  s: Seat,
): s is Seat & { host: NonNullable<Seat['host']>; at: Interface; by: Interface } {
  return s.host !== null && s.at !== null && s.by !== null;
}
export type NamedSeat = Seat & { host: NonNullable<Seat['host']>; at: Interface; by: Interface };

/** Joints whose two sides are named; once for a rig. */
export function namedSeats(built: Built): readonly NamedSeat[] {
  return built.once(NAMED);
}

const NAMED = node('named seats', (built: Built): readonly NamedSeat[] =>
  seatsOf(built).filter(isNamed),
);

const BY_ID = node(
  'seats by id',
  (built: Built): ReadonlyMap<string, Seat> => new Map(seatsOf(built).map((s) => [s.use.id, s])),
);

/**
 * One seat by the id of its use. It is the same object for as long as it says the same: what is
 * worked out of one joint does not mind the others.
 */
export function seatOf(built: Built, id: string): Seat | null {
  return built.once(ONE(id));
}

const ONE = each('seat', (built, id) => built.once(BY_ID).get(id) ?? null, sameSeat);

function sameSeat(a: Seat | null, b: Seat | null): boolean {
  if (a === null || b === null) return a === b;
  return (
    a.part === b.part &&
    a.at === b.at &&
    a.by === b.by &&
    a.host?.part === b.host?.part &&
    a.host?.piece === b.host?.piece &&
    sameUse(a.use, b.use)
  );
}

/** A node for every joint of a rig, by the id of its use. */
export function each<T>(
  id: string,
  make: (built: Built, use: string) => T,
  same?: (a: T, b: T) => boolean,
): (use: string) => Node<Built, T> {
  const nodes = new Map<string, Node<Built, T>>();
  return (use) => {
    let own = nodes.get(use);
    if (!own)
      nodes.set(use, (own = node(`${id} ${use}`, (built: Built) => make(built, use), { same })));
    return own;
  };
}

/** The piece of a key on the camera. */
export function pieceAt(built: Built, key: string): Piece | null {
  if (key === pieceKey('box')) return built.once(BOX);
  return built.once(PIECES).get(key) ?? null;
}

/** The matte box is placed with the lens; what stands on it stands with the camera. */
const BOX = node('the box as a host', (built: Built) => boxAsHost(above(bareCamera(built), built)));

const PIECES = node(
  'pieces of the camera',
  (built: Built): ReadonlyMap<string, Piece> =>
    new Map(cameraOf(built).s.pieces.map((p) => [p.key, p])),
);

/** Where a piece stands; the same object for as long as it stands the same. */
export function poseAt(built: Built, key: string): Pose | null {
  return built.once(POSE(key));
}

const POSE = each(
  'pose',
  (built, key) => {
    const piece = pieceAt(built, key);
    return piece && poseOf(piece);
  },
  samePose,
);

function samePose(a: Pose | null, b: Pose | null): boolean {
  if (a === b) return true;
  return (
    a !== null &&
    b !== null &&
    a.middle.every((l, k) => sameLin(l, b.middle[k]!)) &&
    a.half.every((l, k) => sameLin(l, b.half[k]!)) &&
    a.axes.every((v, k) => v.every((x, i) => x === b.axes[k]![i]))
  );
}

/** Where the joint is: middle of what is taken of the host, and out of it. */
export function spotOfSeat(built: Built, s: NamedSeat): Spot | null {
  const pose = poseAt(built, s.host.piece);
  if (!pose) return null;
  const { held, step } = heldBy(s.at, s.by);
  return spotOf(pose, s.host.part, s.at, {
    first: s.use.n ?? 0,
    held,
    step,
    slide: s.use.slide ?? 0,
  });
}

/** Each of its screws, where they stand. */
export function screwSpots(built: Built, s: NamedSeat): Spot[] {
  const pose = poseAt(built, s.host.piece);
  if (!pose) return [];
  const slide = s.use.slide ?? 0;
  return holesTaken(s.at, s.by, s.use.n ?? 0).map((n) =>
    spotOf(pose, s.host.part, s.at, { first: n, held: 1, slide }),
  );
}

/** All fitted parts that hang on one, with it: what its joint carries besides. */
export function hangingWith(seats: readonly Seat[], s: Seat): Seat[] {
  const all = [s];
  for (let i = 0; i < all.length; i++)
    for (const x of seats) if (x.use.to === all[i]!.use.id && !all.includes(x)) all.push(x);
  return all;
}

/** Pieces of all that hangs on a part, and its own; the same list for as long as they are the same. */
export function hangingOn(built: Built, use: string): readonly string[] {
  return built.once(HANGING(use));
}

const HANGING = each(
  'hanging',
  (built, use): readonly string[] => {
    const s = built.once(BY_ID).get(use);
    return s ? hangingWith(seatsOf(built), s).map((x) => x.piece) : [];
  },
  sameList,
);

/** How the joint is said: `Stirrup handle on the top holes of Lattice cage`. */
export function saidOf(s: Seat): string {
  if (!s.host) return s.part.name;
  return s.at
    ? `${s.part.name} on ${s.at.name} of ${s.host.part.name}`
    : `${s.part.name} on ${s.host.part.name}`;
}
