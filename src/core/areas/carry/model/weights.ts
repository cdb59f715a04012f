import { constant, given, type Given } from '../../../build/given';
import { at, lin, of, plus, sameLin, times, type Lin } from '../../../build/lin';
import type { Built } from '../../../build/build';
import { alike } from '../../../doc/alike';
import { node, sameList } from '../../../engine/reads';
import { isBody, isLead, isLens, type Part } from '../../../kit/types';
import { valueOf } from '../../../quantity/quantity';
import { onAxis } from '../../../place/piece';
import type { Faces, Piece, StandSolid } from '../../../place/setting';
import { bulkOf } from '../../../solids/bulk';
import { union, type Vec } from '../../../solids/solid';
import { standOf } from '../../../stand/stand';
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
/** In a millimetre: a doubt is told in whole ones. */
const NANOMETRES = 1e6;
/** Doubts of one piece that are kept: sizes it had. */
const SIZES = 6;

/**
 * Where the weight of a part sits, off the middle of it: one number for one piece, so that it is
 * the same weight from one edit to the next.
 */
function doubt(part: Part, key: string, k: 0 | 1 | 2, size: number, path: string[]): Given {
  // By its size alone, not by what it was before: the last digits of that hang on where it stands.
  const tol = Math.ceil(size * NANOMETRES) / NANOMETRES;
  let pieces = doubts.get(part);
  if (!pieces) doubts.set(part, (pieces = new Map()));
  let axes = pieces.get(key);
  if (!axes) pieces.set(key, (axes = [[], [], []]));
  const list = axes[k]!;
  for (const g of list) if (g.known!.tol === tol) return g;
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
  const frame = { seat: stand.seat, face: stand.face };
  for (const key of inOrder(parts)) {
    for (const part of parts.get(key)!) {
      const itself = own(part.id, key);
      const piece = itself ?? pieces.get(key);
      const on = { part, host: key, own: itself !== undefined, ...frame };
      list.push(piece ? weight(on, piece, list.length) : freshWeight(on, piece));
    }
  }
  for (const id of built.once(GONE)) list.push(gone(id));
  return list;
});

const GONE = node(
  'parts that are not in the kit',
  (built: Built): readonly string[] => usesOf(built).filter((id) => !built.kit.has(id)),
  { same: sameList },
);

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

/** A part as it is on: of which piece, as that itself or only with it, and what is counted from. */
interface On {
  part: Part;
  host: string;
  own: boolean;
  /** What a centre along the lens is counted from: the seat of the lens, the face of the body's mount. */
  seat: Lin;
  face: Lin;
}

/** A piece that stands where it stood weighs there what it did. */
interface Made extends On {
  weight: Weight;
  piece: Piece;
}

const made = new WeakMap<object, Made[]>();
/** Those of the rig before, in their order: most of them stand at the same place of it again. */
const row: Made[] = [];

function weight(on: On, piece: Piece, n: number): Weight {
  const before = row[n];
  if (before?.piece === piece && sameOn(before, on)) return before.weight;
  const now = found(on, piece);
  row[n] = now;
  return now.weight;
}

const sameOn = (a: On, b: On): boolean =>
  a.part === b.part &&
  a.host === b.host &&
  a.own === b.own &&
  sameLin(a.seat, b.seat) &&
  sameLin(a.face, b.face);

function found(on: On, piece: Piece): Made {
  const same = (m: Made) => m.piece.key === piece.key && sameOn(m, on);
  // What is held by an interface has the same pose for as long as that stands; all of it follows.
  const by = piece.pose && piece.missing.length === 0 ? piece.pose : piece;
  let list = made.get(by);
  if (!list) made.set(by, (list = []));
  const before = list.find(same);
  if (before) return before;
  // What was laid out anew mostly stands as it stood.
  let last = laid.get(on.part);
  if (!last) laid.set(on.part, (last = new Map()));
  const ago = last.get(piece.key);
  const weight =
    ago && same(ago) && standsAs(ago.piece, piece) ? ago.weight : freshWeight(on, piece);
  const now: Made = { ...on, weight, piece };
  last.set(piece.key, now);
  list.push(now);
  return now;
}

/** The last of each piece of a part. */
const laid = new WeakMap<Part, Map<string, Made>>();

/** Whether two pieces of one key are made of the same solids, by the same numbers, in the same place. */
function standsAs(a: Piece, b: Piece): boolean {
  return (
    a.is === b.is &&
    a.kind === b.kind &&
    a.name === b.name &&
    a.pose === b.pose &&
    sameList(a.missing, b.missing) &&
    sameFaces(a.faces, b.faces) &&
    a.solids.length === b.solids.length &&
    a.solids.every((s, i) => sameSolid(s, b.solids[i]!))
  );
}

const sameSolid = (a: StandSolid, b: StandSolid): boolean =>
  a.moving === b.moving &&
  a.known === b.known &&
  a.loose === b.loose &&
  sameList(a.inputs, b.inputs) &&
  sameFaces(a.faces, b.faces) &&
  alike(a.solid, b.solid);

const FACES = ['x0', 'x1', 'y0', 'y1', 'z0', 'z1'] as const;

const sameFaces = (a: Faces | null, b: Faces | null): boolean =>
  a === b || (a !== null && b !== null && FACES.every((k) => sameLin(a[k], b[k])));

function freshWeight(on: On, piece: Piece | undefined): Weight {
  const { part, host, own } = on;
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
  const stated = own ? statedAt(on, part, piece) : null;
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
  frame: Pick<On, 'seat' | 'face'>,
  part: Part,
  piece: Piece,
): readonly [Lin | null, Lin | null, Lin] | null {
  if (!(isBody(part) || isLens(part)) || part.centreOfGravity === undefined) return null;
  const along = given(part, 'centreOfGravity');
  if (onAxis(piece)) return [lin(0), lin(0), plus(frame.seat, of(along))];
  return [null, null, plus(frame.face, of(along, -1))];
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
