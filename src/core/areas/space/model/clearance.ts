import type { Stand } from '../../../stand/stand';
import { pairNumber } from '../../../place/contacts';
import type { Faces, Layer, Piece, StandSolid } from '../../../place/setting';
import { Memo } from '../../../build/memo';
import type { Given } from '../../../build/given';
import type { Judgement } from '../../../checks/judge';
import { searched, spread } from '../../../quantity/spread';
import { asFunction, leastGap, reader, type Lin } from '../../../build/lin';
import { nearPairs } from '../../../solids/broad';
import { betweenPrisms, distance } from '../../../solids/distance';
import { apart, bounds, type Prism } from '../../../solids/solid';

/** Two solids that come near each other. */
export interface Near {
  a: StandSolid;
  b: StandSolid;
  /** Shortest distance, nominal; below 0 they overlap by that much. */
  d: number;
  /** They may lie against each other: no air is wanted. */
  meets: boolean;
  /** Air that is wanted between them, mm. */
  wants: number;
}

export interface Pairs {
  /** Nearest first within a pair of pieces: one entry for every pair that is not clear at once. */
  near: Near[];
  /** The nearest pair of all that are measured; null when no two solids come near. */
  nearest: Near | null;
  /** Pairs of solids whose distance was worked out. */
  tested: number;
  /** The key of the finding about two of them. */
  keyOf: (a: StandSolid, b: StandSolid) => string;
}

/** Pairs farther apart than this are not listed as the nearest, mm. */
const FAR = 60;
/** Pairs nearer than this are looked at whatever the rules ask for: one is named as the nearest, mm. */
const NEAR = 12;
/** What lies against something is not in it for as much as this, mm. */
const CONTACT = 0.05;

/** What is asked of pairs. */
export interface Asked {
  /** Air that is wanted between two solids, mm. */
  air: (a: StandSolid, b: StandSolid) => number;
  /** The most that is wanted between any two, mm. */
  most: number;
  /** Whether two are of interest at all. */
  wanted?: (a: StandSolid, b: StandSolid) => boolean;
}

/**
 * Every pair of solids that may come nearer than it should: found by their extents, grown by what
 * their tolerances can move them, then measured. What is meant to touch is left out. Within a layer
 * that stands as it stood, and between it and those below, nothing is measured again.
 *
 * @param name what is asked: the same name, the same question
 */
export function nearIn(
  stand: Stand,
  name: string,
  solids: readonly StandSolid[],
  asked: Asked,
): Pairs {
  return remembered(stand, name, () => {
    const { layers } = stand;
    const fresh = new Map<Layer, Tally>();
    for (const layer of layers) if (!layer.memo.get(name)) fresh.set(layer, new Tally());
    sweep(stand, solids, asked, (a, b) => fresh.get(upper(a.layer, b.layer)));
    for (const [layer, tally] of fresh) layer.memo.once(name, () => tally);
    return together(layers.map((l) => l.memo.get<Tally>(name)!));
  });
}

/** Of two layers the one that stands on the other: what is between them belongs to it. */
const upper = (a: Layer, b: Layer) => (a.depth >= b.depth ? a : b);

/** Pairs as they are found. */
class Tally {
  readonly near: Near[] = [];
  nearest: Near | null = null;
  tested = 0;
}

/** Measures what comes near and is not known yet; `into` says where it is put down, if at all. */
function sweep(
  stand: Stand,
  solids: readonly StandSolid[],
  { air, most, wanted = () => true }: Asked,
  into: (a: StandSolid, b: StandSolid) => Tally | undefined,
): void {
  const list = solids.filter((s) => s.known);
  const { contacts } = stand;
  const reaches = list.map((s) => s.reach);
  nearPairs(reaches, Math.max(most, NEAR), (i, j) => {
    const a = list[i]!;
    const b = list[j]!;
    const tally = into(a, b);
    if (!tally) return;
    const contact = contacts.between(a.named, b.named);
    if (contact === 'through' || !wanted(a, b)) return;
    tally.tested++;
    const d = between(stand, a, b);
    if (contact === 'against') {
      if (d < -CONTACT) tally.near.push({ a, b, d, meets: true, wants: 0 });
      return;
    }
    const wants = air(a, b);
    const nearest = d < FAR && (tally.nearest === null || d < tally.nearest.d);
    const near = mayComeWithin(a, b, d, wants);
    if (!nearest && !near) return;
    const one: Near = { a, b, d, meets: false, wants };
    if (nearest) tally.nearest = one;
    if (near) tally.near.push(one);
  });
}

/** The worst of each pair of pieces, nearest first. */
function together(tallies: readonly Tally[]): Pairs {
  const worst = new Map<number, Near>();
  let nearest: Near | null = null;
  let tested = 0;
  for (const t of tallies) {
    tested += t.tested;
    if (t.nearest && (nearest === null || t.nearest.d < nearest.d)) nearest = t.nearest;
    for (const n of t.near) {
      const key = pairNumber(n.a.named.piece, n.b.named.piece);
      const before = worst.get(key);
      if (!before || n.d - n.wants < before.d - before.wants) worst.set(key, n);
    }
  }
  const near = [...worst.values()].sort((a, b) => a.d - b.d);
  return { near, nearest, tested, keyOf: pairKey };
}

/** Everything that was found on a rig, by the name it was asked for with. */
function found(stand: Stand): Map<string, Pairs> {
  return stand.memo.once(found, () => new Map());
}

function remembered(stand: Stand, name: string, make: () => Pairs): Pairs {
  const list = found(stand);
  let pairs = list.get(name);
  if (!pairs) list.set(name, (pairs = make()));
  return pairs;
}

/** As {@link nearIn}, of one solid and all others. */
export function nearTo(
  stand: Stand,
  name: string,
  one: StandSolid,
  others: readonly StandSolid[],
  air: number,
): Pairs {
  return remembered(stand, name, () => {
    const worst = new Map<string, Near>();
    let nearest: Near | null = null;
    let tested = 0;
    const { contacts } = stand;
    for (const b of others) {
      if (!b.known || contacts.between(one.named, b.named) === 'through') continue;
      if (apart(one.reach, b.reach) > air) continue;
      tested++;
      const near: Near = { a: one, b, d: between(stand, one, b), meets: false, wants: air };
      if (nearest === null || near.d < nearest.d) nearest = near;
      if (near.d - one.loose - b.loose >= air) continue;
      const known = worst.get(b.piece);
      if (!known || near.d < known.d) worst.set(b.piece, near);
    }
    const near = [...worst.values()].sort((a, b) => a.d - b.d);
    return { near, nearest, tested, keyOf: sweepKey };
  });
}

/** Shortest distance of two solids as they stand; below 0 they overlap. */
function between(stand: Stand, a: StandSolid, b: StandSolid): number {
  if (a.solid.prism && b.solid.prism) return betweenPrisms(a.solid.prism, b.solid.prism);
  return onceAmong([a, b], 'distance', () => distance(a.solid, b.solid));
}

/**
 * Whether two solids, `d` apart, can come nearer to each other than `wants` inside the tolerances,
 * by the faces that hold them. What both stand on cancels: two blocks on one cage do not come
 * nearer because the cage is wider. Tolerances are asked only where they can decide it: faces are
 * never farther apart than the solids, and one direction with room enough settles it.
 */
export function mayComeWithin(a: StandSolid, b: StandSolid, d: number, wants: number): boolean {
  if (d < wants) return true;
  if (d - a.loose - b.loose >= wants) return false;
  const [f, g] = [a.faces, b.faces];
  if (!f || !g) return true;
  // The direction in which they are farthest apart is asked first.
  const [e, o] = [a.extent, b.extent];
  const gap = (k: 0 | 1 | 2) => Math.max(e[k] - o[k + 3]!, o[k] - e[k + 3]!);
  const [x, y, z] = [gap(0), gap(1), gap(2)];
  const first = x >= y && x >= z ? 0 : y >= z ? 1 : 2;
  let sum = 0;
  for (let i = 0; i < 3; i++) {
    const k = (first + i) % 3;
    const [ahead, behind] = [e[k as 0]! - o[(k + 3) as 0]!, o[k as 0]! - e[(k + 3) as 0]!];
    const least =
      ahead >= behind ? leastAhead(f, g, k, ahead, wants) : leastAhead(g, f, k, behind, wants);
    if (least >= wants) return false;
    if (least > 0) sum += least * least;
  }
  return sum === 0 || Math.sqrt(sum) < wants;
}

/**
 * The least that one solid can be ahead of another in one direction, inside the tolerances, by how
 * far it is ahead as they stand. What cancels is looked for where all of it together could matter.
 */
function leastAhead(f: Faces, g: Faces, direction: number, ahead: number, wants: number): number {
  const from = direction === 0 ? f.x0 : direction === 1 ? f.y0 : f.z0;
  const to = direction === 0 ? g.x1 : direction === 1 ? g.y1 : g.z1;
  const least = ahead - from.loose - to.loose;
  return least >= wants ? least : leastGap(from, to);
}

/** The numbers that two solids rest on, each once. */
export function inputsOf(a: StandSolid, b: StandSolid): Given[] {
  return [...new Set([...a.inputs, ...b.inputs])];
}

/** Distance of two solids as a function of their numbers, in the order of `inputs`. */
export function distanceFrom(a: StandSolid, b: StandSolid, inputs: readonly Given[]) {
  const [p, q] = [prismFrom(a, inputs), prismFrom(b, inputs)];
  if (p && q) return (x: readonly number[]) => betweenPrisms(p(x), q(x));
  const from = reader(inputs);
  return (x: readonly number[]) => {
    const read = from(x);
    return distance(a.make(read), b.make(read));
  };
}

/**
 * One end of the extent of a solid as a function of its numbers, in the order of `inputs`.
 *
 * @param k place in {@link Bounds}: lowest x, y, z, then highest
 */
export function edgeFrom(s: StandSolid, k: 0 | 1 | 2 | 3 | 4 | 5, inputs: readonly Given[]) {
  if (s.faces) return asFunction(s.faces[EDGES[k]], inputs);
  const from = reader(inputs);
  return (x: readonly number[]) => bounds(s.make(from(x)))[k];
}

const EDGES = ['x0', 'y0', 'z0', 'x1', 'y1', 'z1'] as const;

/** A solid that its faces say all of, from its numbers: a block or a turned piece along z. */
function prismFrom(s: StandSolid, inputs: readonly Given[]) {
  const { faces } = s;
  const { prism } = s.solid;
  if (!faces || !prism) return null;
  const of = (l: Lin) => asFunction(l, inputs);
  const [x0, x1, y0, y1, z0, z1] = [
    of(faces.x0),
    of(faces.x1),
    of(faces.y0),
    of(faces.y1),
    of(faces.z0),
    of(faces.z1),
  ];
  const disc = prism.r > 0;
  const out: Prism = { ...prism };
  return (x: readonly number[]): Prism => {
    const [left, right, low, high, back, front] = [x0(x), x1(x), y0(x), y1(x), z0(x), z1(x)];
    const half = Math.abs(right - left) / 2;
    out.x = (left + right) / 2;
    out.y = (low + high) / 2;
    out.r = disc ? half : 0;
    out.hx = disc ? 0 : half;
    out.hy = disc ? 0 : Math.abs(high - low) / 2;
    out.z0 = Math.min(back, front);
    out.z1 = Math.max(back, front);
    return out;
  };
}

/**
 * Distances are bounded, not exact, and an arm that turns with its pivot does so in a curve: a
 * few thousandths of a millimetre cover both (drawn: up to two).
 */
const BOUND = 5e-3;

/** Surfaces that move by no more than this keep their sides, mm. */
const LOOSE = 4;

/**
 * The margin of a pair for the judge: worked out from its numbers where they could change the
 * state; where no tolerance could, one bound for all of them together (a distance changes by no
 * more than the surfaces move).
 */
export function pairMargin(
  stand: Stand,
  n: Near,
  wanted: number,
): Pick<Judgement, 'inputs' | 'margin' | 'after' | 'spread'> {
  const inputs = inputsOf(n.a, n.b);
  const loose = n.a.loose + n.b.loose;
  if (n.d + loose < 0 || n.d - loose >= wanted)
    return {
      inputs: inputs.filter((g) => g.known === null),
      margin: () => n.d,
      after: (s) => ({ ...s, lo: n.d - loose, hi: n.d + loose }),
    };
  const margin = distanceFrom(n.a, n.b, inputs);
  // Between prisms the distance is exact; other solids are bounded.
  const bound = n.a.solid.prism && n.b.solid.prism && n.a.faces && n.b.faces ? 0 : BOUND;
  return {
    inputs,
    margin,
    spread: () =>
      onceAmong([n.a, n.b], `spread ${wanted}`, () =>
        // Guesses may put one on either side of the other: then no single move shows the worst.
        loose > LOOSE
          ? searched(
              inputs.map((g) => g.known!),
              margin,
              wanted,
            )
          : spread(
              inputs.map((g) => g.known!),
              margin,
            ),
      ),
    after: (s) => ({ ...s, lo: s.lo - bound, hi: s.hi + bound }),
  };
}

/**
 * What is worked out between solids, once for as long as the uppermost of their layers stands: those
 * below it stand then, too.
 */
export function onceAmong<T>(solids: readonly StandSolid[], what: string, make: () => T): T {
  const layer = solids.map((s) => s.layer).reduce(upper);
  return solids
    .reduce<Memo>((memo, s) => memo.once(s, () => new Memo()), layer.memo)
    .once(what, make);
}

/** Roles of solids that take their room only now and then: what swings, tilts, travels. */
export const SWEPT: ReadonlySet<string> = new Set(['sweep', 'tilt', 'travel']);

/** The piece that a solid belongs to. */
export function pieceOf(stand: Stand, s: StandSolid): Piece {
  return stand.pieces.find((p) => p.key === s.piece)!;
}

/** What it is called in a sentence: `the arm of Pintle wheel`. */
export function nameOf(stand: Stand, s: StandSolid): string {
  const piece = pieceOf(stand, s);
  const own = s.called ?? ROLE[s.role];
  return own ? `the ${own} of ${piece.name}` : piece.name;
}

const ROLE: Record<string, string> = {
  arm: 'arm',
  gear: 'gear',
  clamp: 'clamp',
  bracket: 'bracket',
  foot: 'foot',
  post: 'post',
  cradle: 'cradle',
  flag: 'flag',
  travel: 'moving front',
  tilt: 'tilting screen',
};

/** What was found so far on a rig, each with the key of its finding. */
export function nearest(stand: Stand): (Near & { key: string })[] {
  return [...found(stand).values()].flatMap((pairs) =>
    pairs.near.map((n) => ({ ...n, key: pairs.keyOf(n.a, n.b) })),
  );
}

/** Key of the finding about what swings and what stands in its way. */
export function sweepKey(sweep: StandSolid, other: StandSolid): string {
  return `space.sweep:${sweep.piece}|${other.piece}`;
}

/** Key of the finding about two pieces. */
export function pairKey(a: StandSolid, b: StandSolid): string {
  return `space.pair:${[a.piece, b.piece].sort().join('|')}`;
}

/** How many pairs of solids were measured for a rig so far. */
export function pairsTested(stand: Stand): number {
  let n = 0;
  for (const pairs of found(stand).values()) n += pairs.tested;
  return n;
}
