import { inWords } from '../../../checks/judge';
import { cuts, wayWithin, within } from '../../../solids/around';
import { distance } from '../../../solids/distance';
import { apart, type Bounds, type Vec } from '../../../solids/solid';
import { pieceKey } from '../../../place/piece';
import type { Piece, StandSolid } from '../../../place/setting';
import type { Stand } from '../../../stand/stand';
import { SWEPT } from '../../space/model/clearance';
import type { Socket } from './ports';
import type { Tied } from './via';

/** What stands on a rig, as it stood when it was asked for: a way that is laid out later asks for nothing more. */
export type Standing = Pick<Stand, 'memo' | 'pieces' | 'solids' | 'contacts'>;

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
  /** How long each stretch of it is from one tie that was put to the next, first and last to its bends. */
  stretches: readonly number[];
  /** Where it is tied, where somebody said. */
  ties: readonly Vec[];
}

/** Half of what a lead takes up beside its middle line, with a little air, mm. */
const THICK = 3.5;

/** So far off its socket a lead begins to lie along the rig: the bend of one 5 mm thick, mm. */
export const OFF = 20;

/** So far into a room something stands in it, mm. */
const IN = 1;

/** Blocks of the rig that a lead lies round. */
export interface Block {
  piece: string;
  name: string;
  swept: boolean;
  e: Bounds;
}

/** The block of a solid: the same one for as long as that stands as it stood. */
function blockOf(s: StandSolid, name: string): Block {
  const before = made.get(s);
  if (before?.name === name) return before;
  const { piece, role, reach: e } = s;
  const block: Block = {
    piece,
    name,
    swept: SWEPT.has(role),
    e: [e[0] - THICK, e[1] - THICK, e[2] - THICK, e[3] + THICK, e[4] + THICK, e[5] + THICK],
  };
  made.set(s, block);
  return block;
}

const made = new WeakMap<StandSolid, Block>();

/**
 * All that stands or sweeps, grown by its doubt and by half a lead; in an order that no list gives. A
 * cage is open where the sockets are that it goes round: it is in no lead's way.
 */
function blocksOf(stand: Standing): readonly Block[] {
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
      .map((s) => blockOf(s, by.get(s.piece)?.name ?? s.piece))
      .sort((a, b) => {
        for (let k = 0; k < 6; k++) if (a.e[k]! !== b.e[k]!) return a.e[k]! - b.e[k]!;
        return a.piece < b.piece ? -1 : 1;
      });
  });
}

/** The same, with all room that is to be kept free, whatever stands in it. */
export const roomsOf = (stand: Standing): readonly Block[] =>
  stand.memo.once(roomsOf, () => {
    const by = new Map(stand.pieces.map((p) => [p.key, p]));
    return stand.solids
      .filter((s) => by.get(s.piece)?.kind !== 'cage')
      .map((s) => blockOf(s, by.get(s.piece)?.name ?? s.piece));
  });

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
export function roomBefore(stand: Standing, piece: Piece, { out, points }: Socket): Room | null {
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

/**
 * The way of a lead between two sockets of two pieces; null where none is clear.
 *
 * @param via where it is tied on its way, from the first socket on
 */
export function layOut(
  stand: Standing,
  pieces: readonly [Piece, Piece],
  sockets: readonly [Socket, Socket],
  via: readonly Tied[] = [],
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
  const over = via.map((t) => overTie(t, blocks));
  if (!over.every((p) => p !== null)) return null;
  const bends = [a.off, ...over, b.off];
  const legs: NonNullable<Found['way']>[] = [];
  for (let i = 1; i < bends.length; i++) {
    const way = wayOnce(stand, pieces, [bends[i - 1]!, bends[i]!], blocks);
    if (!way) return null;
    legs.push(way);
  }
  const stretches = legs.map((w) => w.length);
  const length = stretches.reduce((sum, l) => sum + l, 0);
  // Where a tie stands otherwise both stretches beside it are longer.
  const slack = sockets[0].loose + sockets[1].loose + 2 * via.reduce((sum, t) => sum + t.loose, 0);
  return {
    points: legs.flatMap((w, i) => (i === 0 ? w.points : w.points.slice(1))),
    ends: [a.at, b.at],
    length,
    most: length + a.doubt + b.doubt + slack,
    round: inWords([
      ...new Set(
        legs.flatMap((w) => w.round.flatMap((b) => (keys.includes(b.piece) ? [] : [b.name]))),
      ),
    ]),
    stretches,
    ties: via.map((t) => t.at),
  };
}

interface Found {
  all: readonly Block[];
  pieces: string;
  ends: readonly [Vec, Vec];
  way: { points: readonly Vec[]; length: number; round: readonly Block[] } | null;
  /** What a block has to reach into for another way to be found. */
  within: Bounds;
}

/** Ways that were found, with the piece whose lead it is. */
const found = new WeakMap<object, Found[]>();
/** So many are kept: a part may stand on several rigs. */
const MOST = 6;

/** The way between two points: that of before where nothing came, went or moved near it. */
function wayOnce(
  stand: Standing,
  pieces: readonly [Piece, Piece],
  ends: readonly [Vec, Vec],
  blocks: readonly Block[],
): Found['way'] {
  const all = blocksOf(stand);
  const names = `${pieces[0].key} ${pieces[1].key}`;
  const of = pieces[1].solids[0]!;
  const list = found.get(of) ?? [];
  const same = list.find(
    (f) =>
      f.pieces === names &&
      ends.every((p, i) => p.every((v, k) => v === f.ends[i]![k])) &&
      otherThan(all, f.all).every((b) => apart(b.e, f.within) >= 0),
  );
  if (same) return same.way;
  const { way, within } = wayWithin(
    ends[0],
    ends[1],
    blocks.map((x) => x.e),
  );
  const round = way && { ...way, round: way.round.map((i) => blocks[i]!) };
  list.unshift({ all, pieces: names, ends, way: round, within });
  list.length = Math.min(list.length, MOST);
  found.set(of, list);
  return round;
}

/** What is in one list and not in the other; worked out once for two rigs. */
function otherThan(now: readonly Block[], before: readonly Block[]): readonly Block[] {
  if (now === before) return [];
  let all = others.get(now);
  if (!all) others.set(now, (all = new WeakMap()));
  let list = all.get(before);
  if (!list) {
    const [a, b] = [new Set(now), new Set(before)];
    list = [...now.filter((x) => !b.has(x)), ...before.filter((x) => !a.has(x))];
    all.set(before, list);
  }
  return list;
}

const others = new WeakMap<object, WeakMap<object, readonly Block[]>>();

/** With less than this before it no lead comes out of a socket, mm. */
export const LEAST = 7;

/** So far off what it is tied to a lead lies, as near as is clear of that, mm. */
const OVER = [4, 5, 6, 8, 10] as const;

/** Where a lead lies over a tie; null where something stands there. */
function overTie({ at, out }: Tied, blocks: readonly Block[]): Vec | null {
  for (const room of OVER) {
    const off = at.map((v, k) => v + room * out[k]!) as unknown as Vec;
    if (blocks.every((b) => !within(off, b.e))) return off;
  }
  return null;
}

/** How far off its socket the first bend is looked for, the whole of it first, mm. */
const ROOM = [OFF, 14, 10, LEAST] as const;

/** Where a lead begins: at the likeliest point of its face that is free, else nowhere. */
function startOf(s: Socket, piece: Piece, towards: Vec, blocks: readonly Block[]): Start | null {
  const doubt = (p: Vec) =>
    Math.hypot(...p.map((v, k) => Math.max(s.extent[(k + 3) as 3] - v, v - s.extent[k as 0])));
  const { out } = s;
  if (!out) {
    const at = s.points[0]!.at;
    return { at, off: at, doubt: doubt(at) };
  }
  // The middle of its face first, then what is nearer to where the lead goes.
  const likely = s.points
    .map(({ at, away }) => ({ at, away: Math.round(away * 1e6), far: apartOf(at, towards) }))
    .sort((p, q) => p.away - q.away || p.far - q.far)
    .map(({ at }) => at);
  for (const room of ROOM) {
    for (const at of likely) {
      const off = at.map((v, k) => v + out[k]! * room) as unknown as Vec;
      const clear = blocks.every(
        (b) => !within(off, b.e) && (b.piece === piece.key || !cuts(at, off, b.e)),
      );
      if (clear) return { at, off, doubt: doubt(at) };
    }
  }
  return null;
}

const apartOf = (a: Vec, b: Vec) => Math.hypot(a[0] - b[0], a[1] - b[1], a[2] - b[2]);

const middleOf = (e: Bounds): Vec => [(e[0] + e[3]) / 2, (e[1] + e[4]) / 2, (e[2] + e[5]) / 2];
