import { inWords } from '../../../checks/judge';
import { cuts, wayRound, within } from '../../../solids/around';
import { distance } from '../../../solids/distance';
import { apart, type Bounds, type Vec } from '../../../solids/solid';
import { pieceKey } from '../../../place/piece';
import type { Piece, StandSolid } from '../../../place/setting';
import type { Stand } from '../../../stand/stand';
import { SWEPT } from '../../space/model/clearance';
import type { Socket } from './ports';

/** The way of a lead along the rig, clear of all that stands on it. */
export interface Laid {
  /** From a bend off one socket to a bend off the other, with all bends between. */
  points: readonly Vec[];
  /** Both sockets, as likely as any place of their faces that is free. */
  ends: readonly [Vec, Vec];
  length: number;
  /** As long as it may have to be, wherever on their faces the sockets are. */
  most: number;
  /** What it goes round, in words; empty where nothing is in its way. */
  round: string;
}

/** Half of what a lead takes up beside its middle line, with a little air, mm. */
const THICK = 3.5;

/** So far off its socket a lead begins to lie along the rig: the bend of one 5 mm thick, mm. */
export const OFF = 20;

/** So far into a room something stands in it, mm. */
const IN = 1;

/** Blocks of the rig that a lead lies round. */
interface Block {
  piece: string;
  name: string;
  swept: boolean;
  e: Bounds;
}

/**
 * All that stands or sweeps, grown by its doubt and by half a lead; in an order that no list gives. A
 * cage is open where the sockets are that it goes round: it is in no lead's way.
 */
function blocksOf(stand: Stand): readonly Block[] {
  return stand.memo.once(blocksOf, () => {
    const by = new Map(stand.pieces.map((p) => [p.key, p]));
    const still = stand.solids.filter((s) => !SWEPT.has(s.role));
    // Room that something stands in already is none to keep free: what swings there cannot.
    const taken = (s: StandSolid) =>
      SWEPT.has(s.role) &&
      still.some(
        (x) =>
          x.piece !== s.piece &&
          apart(x.extent, s.extent) < -IN &&
          stand.contacts.between(x.named, s.named) === 'apart' &&
          distance(x.solid, s.solid) < -IN,
      );
    return stand.solids
      .filter((s) => by.get(s.piece)?.kind !== 'cage' && !taken(s))
      .map(({ piece, role, reach: e }): Block => ({
        piece,
        name: by.get(piece)?.name ?? piece,
        swept: SWEPT.has(role),
        e: [e[0] - THICK, e[1] - THICK, e[2] - THICK, e[3] + THICK, e[4] + THICK, e[5] + THICK],
      }))
      .sort((a, b) => {
        for (let k = 0; k < 6; k++) if (a.e[k]! !== b.e[k]!) return a.e[k]! - b.e[k]!;
        return a.piece < b.piece ? -1 : 1;
      });
  });
}

/** Where a lead begins to lie along the rig. */
interface Start {
  at: Vec;
  off: Vec;
  /** How far from the point the socket may be at most, mm. */
  doubt: number;
}

/** What is free straight out of a socket, mm. */
export interface Room {
  /** Where on its face it is narrowest, and where widest. */
  lo: number;
  hi: number;
  /** What stands in front of it where it is narrowest; null where nothing does. */
  by: string | null;
}

/** Nobody minds what is farther off than this, mm. */
export const WIDE = 200;

/** What is free in front of a socket, wherever on its face it may be; null where nobody said on which. */
export function roomBefore(stand: Stand, piece: Piece, { out, points }: Socket): Room | null {
  if (!out) return null;
  const blocks = blocksOf(stand).filter((b) => b.piece !== piece.key);
  let room: Room = { lo: WIDE, hi: 0, by: null };
  for (const { at } of points) {
    let [own, by]: [number, string | null] = [WIDE, null];
    for (const b of blocks) {
      const off = entered(at, out, b.e);
      if (off < own) [own, by] = [off, b.name];
    }
    room = { ...(own < room.lo ? { lo: own, by } : room), hi: Math.max(room.hi, own) };
  }
  return room;
}

/** How far along a direction a block begins; endless where it is not met. */
function entered(from: Vec, way: Vec, e: Bounds): number {
  let [near, far] = [0, Infinity];
  for (let k = 0; k < 3; k++) {
    const [lo, hi, p, d] = [e[k as 0], e[(k + 3) as 3], from[k as 0], way[k as 0]];
    if (Math.abs(d) < 1e-9) {
      if (p <= lo || p >= hi) return Infinity;
      continue;
    }
    near = Math.max(near, Math.min((lo - p) / d, (hi - p) / d));
    far = Math.min(far, Math.max((lo - p) / d, (hi - p) / d));
  }
  return near < far ? near : Infinity;
}

/** The way of a lead between two sockets of two pieces; null where none is clear. */
export function layOut(
  stand: Stand,
  pieces: readonly [Piece, Piece],
  sockets: readonly [Socket, Socket],
): Laid | null {
  // A socket that may be anywhere on its part, as that of a motor: its own part is not in its way.
  const own = pieces.flatMap((p, i) => {
    if (sockets[i]!.out) return [];
    return p.kind === 'dummy-battery' ? [p.key, pieceKey('body')] : [p.key];
  });
  // What swings or tilts takes its lead along: its own room is not in the way of that.
  const keys = pieces.map((p) => p.key);
  const blocks = blocksOf(stand).filter(
    (b) => !own.includes(b.piece) && !(b.swept && keys.includes(b.piece)),
  );
  const starts = sockets.map((s, i) =>
    startOf(s, pieces[i]!, middleOf(sockets[1 - i]!.extent), blocks),
  );
  const [a, b] = starts;
  if (!a || !b) return null;
  const way = wayRound(
    a.off,
    b.off,
    blocks.map((x) => x.e),
  );
  if (!way) return null;
  const slack = sockets[0].loose + sockets[1].loose;
  return {
    points: way.points,
    ends: [a.at, b.at],
    length: way.length,
    most: way.length + a.doubt + b.doubt + slack,
    round: inWords([
      ...new Set(
        way.round.map((i) => blocks[i]!).flatMap((b) => (keys.includes(b.piece) ? [] : [b.name])),
      ),
    ]),
  };
}

/** How far off its socket the first bend is looked for, the whole of it first, mm. */
const ROOM = [OFF, 14, 10, 7] as const;

/** Where a lead begins: at the likeliest point of its face that is free, else nowhere. */
function startOf(s: Socket, piece: Piece, towards: Vec, blocks: readonly Block[]): Start | null {
  const doubt = (p: Vec) =>
    Math.hypot(...p.map((v, k) => Math.max(s.extent[(k + 3) as 3] - v, v - s.extent[k as 0])));
  const { out } = s;
  if (!out) {
    const at = s.points[0]!.at;
    return { at, off: at, doubt: doubt(at) };
  }
  for (const room of ROOM) {
    const free = s.points.flatMap(({ at, away }) => {
      const off = at.map((v, k) => v + out[k]! * room) as unknown as Vec;
      const clear = blocks.every(
        (b) => !within(off, b.e) && (b.piece === piece.key || !cuts(at, off, b.e)),
      );
      return clear ? [{ at, off, away, far: apartOf(off, towards) }] : [];
    });
    const best = free.reduce<(typeof free)[0] | null>(
      (a, p) =>
        a && (a.away < p.away - 1e-6 || (a.away < p.away + 1e-6 && a.far <= p.far)) ? a : p,
      null,
    );
    if (best) return { at: best.at, off: best.off, doubt: doubt(best.at) };
  }
  return null;
}

const apartOf = (a: Vec, b: Vec) => Math.hypot(a[0] - b[0], a[1] - b[1], a[2] - b[2]);

const middleOf = (e: Bounds): Vec => [(e[0] + e[3]) / 2, (e[1] + e[4]) / 2, (e[2] + e[5]) / 2];
