import { given, type Given } from '../../../build/given';
import type { Built } from '../../../build/build';
import { Memo } from '../../../build/memo';
import { pieceKey } from '../../../place/piece';
import type { Piece } from '../../../place/setting';
import { inWords } from '../../../checks/judge';
import { distance } from '../../../solids/distance';
import { standOf, type Stand } from '../../../stand/stand';
import { blindPieces, unsettledDrives } from '../../space/model/unsettled';
import {
  isFitting,
  type FedFrom,
  type Fitting,
  type Lead,
  type TieOn,
  type TiePoint,
} from '../../../kit/types';
import type { Device, Feed } from './fed';
import { partsByUse } from './fitted';
import { pointAlong } from '../../../solids/around';
import { turnedBox, UPRIGHT, type Bounds, type Vec } from '../../../solids/solid';
import { reachLength } from './lead-length';
import { mainsOn, type RigMains } from './outlets';
import { layOut, LEAST, roomBefore, type Laid, type Room, type Standing } from './lay';
import { inletPort, outletPort, socketOn, type Port, type Socket } from './ports';
import { tieOn, type Tied } from './via';

/** The way of a lead, from the part with the outlet to what it feeds, mm. */
export interface Run {
  from: Piece;
  to: Piece;
  /** Through the air, where the two sockets may come nearest, and where they may be farthest apart. */
  near: number;
  far: number;
  /** Numbers of their size and place that nobody gave. */
  missing: readonly Given[];
  /** What one of the two is taken as, where its shape is not known. */
  assumed: string | null;
  /** Both sockets, that of the outlet first. */
  sockets: readonly [Socket, Socket];
  /** Round all that stands on the rig; null where no way is clear of it. Worked out when it is asked for. */
  laid: () => Laid | null;
  /** What is free in front of each; null where nobody said on which face it is. */
  rooms: () => readonly [Room | null, Room | null];
}

/**
 * How far a lead has to go. A socket may be anywhere on its face, and on its part where nobody said on
 * which: the way is one from what is nearest to what is farthest. Null where one of the two is not on
 * the rig.
 */
export function runOf(
  built: Built,
  { device, from: of }: { device: Device; from: Pick<FedFrom, 'from' | 'id' | 'via'> },
): Run | null {
  const { memo } = standOf(built);
  const source = sourceOf(built, { from: of });
  // It is asked several times of each lead at every edit, mostly of one that hangs as it hung.
  const ways = memo.once(runOf, () => new WeakMap<object, Known[]>());
  let known = ways.get(of);
  if (!known) ways.set(of, (known = []));
  const { list, id, part } = device;
  const before = known.find(
    (k) => k.source === source && k.part === part && k.list === list && k.id === id,
  );
  if (before) return before.run;
  const run = source ? freshRun(built, device, of, source) : null;
  known.push({ source, part, list, id, run });
  return run;
}

interface Known extends Device {
  source: Fitting | null;
  run: Run | null;
}

function freshRun(
  built: Built,
  { list, id, part }: Device,
  of: Pick<FedFrom, 'from' | 'id' | 'via'>,
  source: Fitting,
): Run | null {
  const outlet = source.outlets?.find((o) => o.id === of.id);
  return wayBetween(
    built,
    {
      piece: keyOf('fitted', of.from),
      id: of.id,
      said: outlet,
      port: () => outletPort(source, outlet),
    },
    { piece: keyOf(list, id), id: '', said: part, port: () => inletPort(part) },
    of.via,
  );
}

/** One end of a lead. */
export interface WayEnd {
  /** The piece that it goes into. */
  piece: string;
  /** Its socket there, what says where that is, and where. */
  id: string;
  said: unknown;
  port: () => Port;
}

/** How far a lead has to go from one end to the other; null where one of them is not on the rig. */
export function wayBetween(
  built: Built,
  a: WayEnd,
  b: WayEnd,
  via?: readonly TiePoint[],
): Run | null {
  const stand = standOf(built);
  const by = stand.memo.once(byKey, () => byKey(stand.pieces));
  const [from, to] = [by.get(a.piece), by.get(b.piece)];
  if (!from || !to) return null;
  // What stands where it stood is as far from the other as it was, while nobody says more of a socket.
  const known = stand.memo
    .once(wayBetween, () => new Memo())
    .once(
      `${from.key} ${to.key} ${a.id} ${b.id}`,
      (): { ends: unknown[]; run: Run | null }[] => [],
    );
  const before = known.find(
    (k) => k.ends[0] === a.said && k.ends[1] === b.said && k.ends[2] === via,
  );
  if (before) return before.run;
  const ties = (via ?? []).map((t) => tieOn(by.get(keyOf(t.on.list, t.on.id)), t));
  const standing = stand.memo.once(asItStands, () => asItStands(stand));
  const run = between(stand, standing, [from, to], [a.port(), b.port()], ties);
  known.push({ ends: [a.said, b.said, via], run });
  return run;
}

const asItStands = ({ memo, pieces, solids, contacts }: Stand): Standing => ({
  memo,
  pieces,
  solids,
  contacts,
});

const byKey = (pieces: readonly Piece[]) => new Map(pieces.map((p) => [p.key, p]));

function between(
  stand: Stand,
  standing: Standing,
  [from, to]: readonly [Piece, Piece],
  [out, into]: readonly [Port, Port],
  ties: readonly (Tied | null)[],
): Run | null {
  // A drive that finds its place by what is beside it stands nowhere for sure while that is not known.
  const sought = unsettledDrives(stand).some((d) => d.key === to.key);
  const beside = sought ? blindPieces(stand).flatMap((p) => p.missing) : [];
  const onWay = ties.flatMap((t) => t?.missing ?? []);
  const missing = [...new Set([...from.missing, ...to.missing, ...beside, ...onWay])];
  const [a, b] = [socketOn(from, out), socketOn(to, into)];
  if (!a || !b) return null;
  const slack = a.loose + b.loose;
  const most = ([0, 1, 2] as const).map((k) =>
    Math.max(a.extent[(k + 3) as 3]! - b.extent[k]!, b.extent[(k + 3) as 3]! - a.extent[k]!),
  );
  // What is inside the other is no distance from it.
  const near = through(
    ties,
    (t) => Math.min(...a.solids.map((s) => distance(s, pointOf(t)))),
    (t) => Math.min(...b.solids.map((s) => distance(pointOf(t), s))),
    () => Math.min(...a.solids.flatMap((s) => b.solids.map((t) => distance(s, t)))),
  );
  const far = through(
    ties,
    (t) => farthestIn(a.extent, t.at),
    (t) => farthestIn(b.extent, t.at),
    () => Math.hypot(...most),
  );
  const loose = slack + 2 * ties.reduce((sum, t) => sum + (t?.loose ?? 0), 0);
  const there = ties.filter((t) => t !== null);
  let laid: Laid | null | undefined;
  let rooms: [Room | null, Room | null] | undefined;
  return {
    from,
    to,
    near: Math.max(0, near - loose),
    far: far + loose,
    missing,
    assumed: from.assumed ?? to.assumed ?? (ties.includes(null) ? NOWHERE : null),
    sockets: [a, b],
    laid: () => (laid === undefined ? (laid = layOut(standing, [from, to], [a, b], there)) : laid),
    rooms: () => (rooms ??= [roomBefore(standing, from, a), roomBefore(standing, to, b)]),
  };
}

/** What is said of a lead that is tied to something that stands nowhere. */
const NOWHERE = 'Where something that it is tied to stands is not known.';

/** A tie as a solid, to be as far from as it is. */
const pointOf = ({ at }: Tied) => turnedBox(at, [0, 0, 0], UPRIGHT);

const farthestIn = (e: Bounds, p: Vec) =>
  Math.hypot(...p.map((v, k) => Math.max(e[(k + 3) as 3] - v, v - e[k as 0])));

/** From one socket to the other over all ties that stand somewhere, by ways through the air. */
function through(
  ties: readonly (Tied | null)[],
  first: (t: Tied) => number,
  last: (t: Tied) => number,
  straight: () => number,
): number {
  const there = ties.filter((t) => t !== null);
  if (there.length === 0) return straight();
  const between = there.slice(1).reduce((sum, t, i) => {
    const p = there[i]!.at;
    return sum + Math.hypot(...t.at.map((v, k) => v - p[k]!));
  }, 0);
  return first(there[0]!) + between + last(there.at(-1)!);
}

/** The part that a lead comes from, whether it has that outlet or not; null where it is not on the rig. */
export function sourceOf(built: Built, { from }: Pick<Feed, 'from'>): Fitting | null {
  const part = partsByUse(built).get(from.from);
  return isFitting(part) ? part : null;
}

/** The mains unit that a lead comes from; null where it comes from something on the rig. */
export function mainsOf(built: Built, { from }: { from: Pick<FedFrom, 'from'> }): RigMains | null {
  return mainsOn(built).find((m) => m.use.id === from.from) ?? null;
}

/** The piece that something on a rig stands as. */
export const keyOf = (list: TieOn['list'], id: string) =>
  list === 'body' ? pieceKey('body') : pieceKey(SORT[list], id);

const SORT = { drives: 'drive', fitted: 'fitted', rods: 'rods' } as const;

/** A lead of which nobody said how thick it is: from a thin one to one in rubber, mm. */
export const THICKNESS = { value: 5, tol: 2, from: 'guess', lo: 3, hi: 7 } as const;
/** Bends at both plugs, as often as the lead is thick: inside radius. Common practice, no source. */
export const BENDS = 2 * 4;

/** Whether a lead is long enough: wherever the sockets are, by where they are, or nowhere. */
export type Reach = 'yes' | 'maybe' | 'no';

/** How far leads reach from an outlet to a device; `maybe` while a number is missing. */
export function reachOf(
  built: Built,
  device: Device,
  from: Pick<FedFrom, 'from' | 'id' | 'via'>,
): (lead: Lead) => Reach {
  const mains = mainsOf(built, { from });
  if (mains) return overFloor(mains.use.away, built.rules['cable.slack']);
  return reachAlong(built, runOf(built, { device, from }));
}

/** The same along a way; null where that is none. */
export function reachAlong(built: Built, run: Run | null): (lead: Lead) => Reach {
  if (!run || run.missing.length > 0) return () => 'maybe';
  return (lead) => {
    const length = reachLength(lead).known;
    const { lo, hi } = given(lead, 'width').known ?? THICKNESS;
    if (!length) return 'maybe';
    if (length.hi < run.near + BENDS * lo) return 'no';
    if (length.lo < run.far + BENDS * hi) return 'maybe';
    if (length.lo < farthest(run) + BENDS * hi) return 'maybe';
    return given(lead, 'width').known && doubtOf(built, run) === null ? 'yes' : 'maybe';
  };
}

/** The same from the mains, by how far that was said to be. */
const overFloor =
  (away: number | undefined, slack: number) =>
  (lead: Lead): Reach => {
    const length = reachLength(lead).known;
    if (!length || away === undefined) return 'maybe';
    return length.hi < away ? 'no' : length.lo < slack * away ? 'maybe' : 'yes';
  };

/** Why the way of a lead is not known as well as it could be; null where it is: nothing is ok before. */
export function doubtOf(built: Built, run: Run): string | null {
  // A way is one of a rig as it stands: so is what is not known of it.
  const known = standOf(built).memo.once(doubtOf, () => new Map<Run, string | null>());
  let doubt = known.get(run);
  if (doubt === undefined) known.set(run, (doubt = freshDoubt(built, run)));
  return doubt;
}

function freshDoubt(built: Built, run: Run): string | null {
  if (run.assumed) return run.assumed;
  const open = run.sockets.flatMap((s, i) => (s.open ? [[run.from, run.to][i]!.name] : []));
  if (open.length > 0)
    return `On which face of ${inWords(open)} its socket is nobody said: say it on the sheet of the part.`;
  const blind = blindPieces(standOf(built)).map((p) => p.name);
  if (blind.length > 0)
    return `What it has to go round is not known: sizes of ${inWords([...new Set(blind)].slice(0, 3))} are missing.`;
  if (!run.laid()) return 'No way along the rig was found that is clear of all that stands on it.';
  const shut = run.sockets.findIndex((s, i) => {
    const room = s.asks.length > 0 ? run.rooms()[i as 0 | 1] : null;
    return room !== null && room.lo < LEAST;
  });
  if (shut >= 0)
    return `Where on its face the socket of ${[run.from, run.to][shut]!.name} is nobody said, and ${run.rooms()[shut as 0 | 1]!.by ?? 'something'} stands before a part of it.`;
  return null;
}

/** As far as a lead may have to go, round what stands between; endless where no way is clear. */
export const farthest = (run: Run): number => Math.max(run.far, run.laid()?.most ?? Infinity);

/** How many ties leave no stretch of a way longer than that, mm. */
export const tiesFor = (length: number, stretch: number): number =>
  Math.max(0, Math.ceil(length / stretch - 1e-9) - 1);

/** Where so many ties go between two bends: as far from each other. */
export function tiesOf({ points, length }: Pick<Laid, 'points' | 'length'>, n: number): Vec[] {
  return Array.from({ length: n }, (_, i) => pointAlong(points, ((i + 1) * length) / (n + 1)));
}
