import { constant, given, type Given } from '../../../build/given';
import { at, lin, of, plus, sameLin, times, type Lin } from '../../../build/lin';
import type { Built } from '../../../build/build';
import { node } from '../../../engine/reads';
import { isBody, isLead, isLens, type Part } from '../../../kit/types';
import { valueOf } from '../../../quantity/quantity';
import { onAxis } from '../../../place/piece';
import type { Piece, StandSolid } from '../../../place/setting';
import { bulkOf } from '../../../solids/bulk';
import { union, type Vec } from '../../../solids/solid';
import { standOf, type Stand } from '../../../stand/stand';
import { usesOf } from '../../../roles/uses';
import { heldTogether } from '../../joints/model/load-path';

/** A part of the rig as a weight: what it weighs, where that sits, how far it spreads. */
export interface Weight {
  /** The piece that it is of. */
  key: string;
  part: Part;
  mass: Given;
  /** Centre of gravity, x, y and z in the frame of reference, with the doubt of it. */
  at: readonly [Lin, Lin, Lin];
  /** Mean square of what it is made of about that, mm2, at equal density. */
  spread: Vec;
  /** Room that it takes, mm3: how much it may matter while nobody weighed it. */
  volume: number;
  /** Middle of its solids and their size, mm: where it is, whatever its weight does inside. */
  middle: Vec;
  size: Vec;
  /** How far along x, y and z its weight may sit off that middle; null where that is stated. */
  off: readonly [Given | null, Given | null, Given | null];
}

/** A weight that nobody looked for sits within this share of its extent about its middle. */
export const CENTRE_DOUBT = 0.15;
/** What is in or on another piece and has no place of its own sits anywhere in it. */
const SOMEWHERE = 0.5;

const UNKNOWN: readonly [null, null, null] = [null, null, null];

const doubts = new WeakMap<Part, Map<string, Given[][]>>();
/** Doubts of one piece that are kept: sizes it had. */
const SIZES = 6;

/**
 * Where the weight of a part sits, off the middle of it: one number for one piece, so that it is
 * the same weight from one edit to the next.
 */
function doubt(part: Part, key: string, k: 0 | 1 | 2, tol: number, path: string[]): Given {
  let pieces = doubts.get(part);
  if (!pieces) doubts.set(part, (pieces = new Map()));
  let axes = pieces.get(key);
  if (!axes) pieces.set(key, (axes = [[], [], []]));
  const list = axes[k]!;
  for (const g of list) if (Math.abs(g.known!.tol - tol) < 1e-7) return g;
  const known = { value: 0, tol, from: 'guess' as const, lo: -tol, hi: tol };
  const label = `where the weight of ${part.name} sits`;
  const g = { ...constant(label, 'mm', known), path, part: path.length > 0 ? part.id : '' };
  list.unshift(g);
  list.length = Math.min(list.length, SIZES);
  return g;
}

/**
 * Every part of the rig as a weight by its own numbers, in the order of their keys; what carries it
 * is none of it. What was measured of the rig as a whole is not in it.
 */
export function unweighed(built: Built): readonly Weight[] {
  return built.once(UNWEIGHED);
}

const UNWEIGHED = node('weights by their own numbers', (built: Built): readonly Weight[] => {
  const stand = standOf(built);
  const { parts } = heldTogether(built);
  const pieces = new Map(stand.pieces.map((p) => [p.key, p]));
  const own = ownPieces(stand.pieces, pieces);
  const list: Weight[] = [];
  for (const key of inOrder(parts)) {
    for (const part of parts.get(key)!) {
      const piece = own(part.id, key);
      list.push(weight(stand, part, piece ?? pieces.get(key), key, piece !== undefined));
    }
  }
  for (const id of usesOf(built)) if (!built.kit.has(id)) list.push(gone(id));
  return list;
});

/** What is not in the kit weighs something, too, and nobody knows what and where. */
function gone(id: string): Weight {
  const part: Part = { id, kind: 'unknown', name: 'a part that is not in the kit' };
  const nowhere = of(constant(`where ${part.name} is`, 'mm', null));
  return {
    key: `gone ${id}`,
    part,
    mass: constant(`mass of ${part.name}`, 'g', null),
    at: [nowhere, nowhere, nowhere],
    spread: [0, 0, 0],
    volume: 0,
    middle: [0, 0, 0],
    size: [0, 0, 0],
    off: UNKNOWN,
  };
}

let order: readonly string[] = [];

/** Keys in their order, which the file says nothing of, not even in the last digit of a sum. */
function inOrder(parts: ReadonlyMap<string, unknown>): readonly string[] {
  // An edit mostly leaves all of them on the rig.
  if (order.length !== parts.size || !order.every((key) => parts.has(key)))
    order = [...parts.keys()].sort();
  return order;
}

/** A screen that is folded out, a box that is swung away, is no second weight. */
const counts = (p: Piece) => p.is !== 'screen' && p.is !== 'swing';

/** Finds the piece of a part, its own before another one's of the same part; each of them once. */
function ownPieces(pieces: readonly Piece[], byKey: ReadonlyMap<string, Piece>) {
  const taken = new Set<Piece>();
  let free: Map<string, Piece[]> | null = null;
  return (part: string, key: string): Piece | undefined => {
    const at = byKey.get(key);
    const own = at?.part === part && counts(at) && !taken.has(at) ? at : undefined;
    if (!own) free ??= byPart(pieces.filter(counts));
    const piece = own ?? free?.get(part)?.find((p) => !taken.has(p));
    if (piece) taken.add(piece);
    return piece;
  };
}

function byPart(pieces: readonly Piece[]): Map<string, Piece[]> {
  const by = new Map<string, Piece[]>();
  for (const p of pieces) {
    const list = by.get(p.part);
    if (list) list.push(p);
    else by.set(p.part, [p]);
  }
  return by;
}

/** A piece that stands where it stood weighs there what it did. */
const made = new WeakMap<object, Made[]>();
interface Made {
  weight: Weight;
  piece: string;
  seat: Lin;
  face: Lin;
  host: string;
  own: boolean;
}

function weight(
  stand: Stand,
  part: Part,
  piece: Piece | undefined,
  host: string,
  own: boolean,
): Weight {
  if (!piece) return freshWeight(stand, part, piece, host, own);
  // What is held by an interface has the same pose for as long as that stands; all of it follows.
  const by = piece.pose && piece.missing.length === 0 ? piece.pose : piece;
  let list = made.get(by);
  if (!list) made.set(by, (list = []));
  const { seat, face } = stand;
  const before = list.find(
    (m) =>
      m.weight.part === part &&
      m.piece === piece.key &&
      m.host === host &&
      m.own === own &&
      sameLin(m.seat, seat) &&
      sameLin(m.face, face),
  );
  if (before) return before.weight;
  const fresh = freshWeight(stand, part, piece, host, own);
  list.push({ weight: fresh, piece: piece.key, seat, face, host, own });
  return fresh;
}

function freshWeight(
  stand: Stand,
  part: Part,
  piece: Piece | undefined,
  host: string,
  own: boolean,
): Weight {
  const key = own && piece ? piece.key : host;
  const all = piece?.solids.filter((s) => !s.moving) ?? [];
  const solids = all.length > 0 ? all : (piece?.solids ?? []);
  const b = bulkOf(solids.map((s) => s.solid));
  const mass = given(part, 'mass');
  // The middle of a lead is no farther from what it feeds than half its length.
  const slack = isLead(part) ? valueOf(part.length) : 0;
  if (!b || !piece || slack === null) {
    // It stands nowhere: nobody knows where it weighs.
    const nowhere = of(constant(`where ${part.name} is`, 'mm', null));
    const none: Vec = [0, 0, 0];
    return {
      key,
      part,
      mass,
      at: [nowhere, nowhere, nowhere],
      spread: none,
      volume: 0,
      middle: none,
      size: none,
      off: UNKNOWN,
    };
  }
  const extent = solids.map((s) => s.extent).reduce(union);
  const share = own ? CENTRE_DOUBT : SOMEWHERE;
  const size: Vec = [extent[3] - extent[0], extent[4] - extent[1], extent[5] - extent[2]];
  const doubtAlong = (k: 0 | 1 | 2) =>
    doubt(
      part,
      key,
      k,
      share * size[k] + slack / 2,
      k === 2 && own && (isBody(part) || isLens(part)) ? ['kit', part.id, 'centreOfGravity'] : [],
    );
  const stated = own ? statedAt(stand, part, piece) : null;
  const off = ([0, 1, 2] as const).map((k) =>
    stated?.[k] ? null : doubtAlong(k),
  ) as unknown as Weight['off'];
  const places = ([0, 1, 2] as const).map(
    (k) => stated?.[k] ?? plus(middleOf(piece, solids, k, b.centre), of(off[k]!)),
  ) as unknown as Weight['at'];
  const volume = own ? b.volume : 0;
  return { key, part, mass, at: places, spread: b.spread, volume, middle: b.centre, size, off };
}

/** Of a lens or a body whose centre somebody stated: along the lens. Turned pieces are round about it. */
function statedAt(
  stand: Stand,
  part: Part,
  piece: Piece,
): readonly [Lin | null, Lin | null, Lin] | null {
  if (!(isBody(part) || isLens(part)) || part.centreOfGravity === undefined) return null;
  const along = given(part, 'centreOfGravity');
  if (onAxis(piece)) return [lin(0), lin(0), plus(stand.seat, of(along))];
  return [null, null, plus(stand.face, of(along, -1))];
}

/**
 * Middle of a piece along one axis as a sum of its numbers: from its faces, else from where its block
 * stands, else as it is drawn with what its numbers can move it by.
 */
function middleOf(piece: Piece, solids: readonly StandSolid[], k: 0 | 1 | 2, centre: Vec): Lin {
  const only = solids.length === 1 ? solids[0]! : null;
  const ends = (s: { faces: StandSolid['faces'] }) => {
    const f = s.faces!;
    return times(k === 0 ? plus(f.x0, f.x1) : k === 1 ? plus(f.y0, f.y1) : plus(f.z0, f.z1), 0.5);
  };
  // A block that is held by an interface is about the middle of its pose.
  if (piece.pose && piece.is === 'fitted' && piece.missing.length === 0) {
    const middle = piece.pose.middle[k];
    const off = centre[k] - at(middle, (g) => g.known!.value);
    return Math.abs(off) < 1e-9 ? middle : plus(middle, lin(off));
  }
  // The middle of the largest that has faces moves with them; how the others lie about it stays.
  const held = largest(solids.filter((s) => s.faces !== null));
  if (held) {
    const e = held.extent;
    return plus(ends(held), lin(centre[k] - (e[k] + e[(k + 3) as 3]!) / 2));
  }
  if (piece.pose && (only || piece.faces === null)) return piece.pose.middle[k];
  const missing = solids.flatMap((s) => s.inputs.filter((g) => g.known === null));
  const loose = Math.max(0, ...solids.filter((s) => s.known).map((s) => s.loose));
  return plus(
    lin(centre[k]),
    ...missing.map((g) => of(g, 0)),
    ...(loose > 0 ? [of(constant(`where ${piece.name} stands`, 'mm', around(loose)))] : []),
  );
}

const around = (tol: number) => ({
  value: 0,
  tol,
  from: 'guess' as const,
  lo: -tol,
  hi: tol,
});

function largest(solids: readonly StandSolid[]): StandSolid | null {
  const room = (s: StandSolid) => {
    const e = s.extent;
    return (e[3] - e[0]) * (e[4] - e[1]) * (e[5] - e[2]);
  };
  return solids.reduce<StandSolid | null>((a, s) => (a && room(a) >= room(s) ? a : s), null);
}
