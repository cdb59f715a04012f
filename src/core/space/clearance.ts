import type { Stand } from '../build/stand';
import { touching, type Piece, type StandSolid } from '../build/stand-setting';
import type { Given } from '../build/given';
import type { Judgement } from '../checks/judge';
import { reader } from '../build/lin';
import { nearPairs } from '../solids/broad';
import { distance } from '../solids/distance';
import type { Bounds } from '../solids/solid';

/** Two solids that come near each other. */
export interface Near {
  a: StandSolid;
  b: StandSolid;
  /** Shortest distance, nominal; below 0 they overlap by that much. */
  d: number;
}

export interface Pairs {
  /** Nearest first within a pair of pieces: one entry for every pair that is not clear at once. */
  near: Near[];
  /** The nearest pair of all that are measured; null when no two solids come near. */
  nearest: Near | null;
  /** Pairs of solids whose distance was worked out. */
  tested: number;
}

/** Pairs farther apart than this are not listed as the nearest, mm. */
const FAR = 60;

const kept = new WeakMap<Stand, Map<string, Pairs>>();

/**
 * Every pair of solids that may come nearer than it should: found by their extents, grown by what
 * their tolerances can move them, then measured. What is meant to touch is left out.
 *
 * @param air distance that is wanted between two solids, mm
 */
export function nearIn(
  stand: Stand,
  name: string,
  solids: readonly StandSolid[],
  air: (a: StandSolid, b: StandSolid) => number,
  wanted: (a: StandSolid, b: StandSolid) => boolean = () => true,
): Pairs {
  let byName = kept.get(stand);
  if (!byName) kept.set(stand, (byName = new Map()));
  const before = byName.get(name);
  if (before) return before;
  const list = solids.filter((s) => s.known);
  const extents = list.map((s): Bounds => {
    const e = s.extent;
    const g = s.loose;
    return [e[0] - g, e[1] - g, e[2] - g, e[3] + g, e[4] + g, e[5] + g];
  });
  const worst = new Map<string, Near>();
  let nearest: Near | null = null;
  let tested = 0;
  nearPairs(extents, NEAR, (i, j) => {
    const a = list[i]!;
    const b = list[j]!;
    if (touching(stand.contacts, a, b) || !wanted(a, b)) return;
    tested++;
    const d = distance(a.solid, b.solid);
    const one = { a, b, d };
    if (d < FAR && (nearest === null || d < nearest.d)) nearest = one;
    if (d - a.loose - b.loose >= air(a, b)) return;
    const key = a.piece < b.piece ? `${a.piece}|${b.piece}` : `${b.piece}|${a.piece}`;
    const known = worst.get(key);
    if (!known || d < known.d) worst.set(key, one);
  });
  const pairs = { near: [...worst.values()].sort((a, b) => a.d - b.d), nearest, tested };
  byName.set(name, pairs);
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
  let byName = kept.get(stand);
  if (!byName) kept.set(stand, (byName = new Map()));
  const before = byName.get(name);
  if (before) return before;
  const worst = new Map<string, Near>();
  let nearest: Near | null = null;
  let tested = 0;
  for (const b of others) {
    if (!b.known || touching(stand.contacts, one, b)) continue;
    if (apart(one.extent, b.extent) > air + one.loose + b.loose) continue;
    tested++;
    const near: Near = { a: one, b, d: distance(one.solid, b.solid) };
    if (nearest === null || near.d < nearest.d) nearest = near;
    if (near.d - one.loose - b.loose >= air) continue;
    const known = worst.get(b.piece);
    if (!known || near.d < known.d) worst.set(b.piece, near);
  }
  const pairs = { near: [...worst.values()].sort((a, b) => a.d - b.d), nearest, tested };
  byName.set(name, pairs);
  return pairs;
}

/** Widest gap of two extents along one axis: they are at least that far apart. */
export function apart(a: Bounds, b: Bounds): number {
  return Math.max(a[0] - b[3], b[0] - a[3], a[1] - b[4], b[1] - a[4], a[2] - b[5], b[2] - a[5]);
}

/** Pairs are looked at when they come nearer than this, mm: more than any rule asks for. */
const NEAR = 12;

/** The numbers that two solids rest on, each once. */
export function inputsOf(a: StandSolid, b: StandSolid): Given[] {
  return [...new Set([...a.inputs, ...b.inputs])];
}

/** Distance of two solids as a function of their numbers, in the order of `inputs`. */
export function distanceFrom(a: StandSolid, b: StandSolid, inputs: readonly Given[]) {
  const from = reader(inputs);
  return (x: readonly number[]) => {
    const read = from(x);
    return distance(a.make(read), b.make(read));
  };
}

/**
 * Distances are bounded, not exact, and an arm that turns with its pivot does so in a curve: a
 * thousandth of a millimetre covers both.
 */
const BOUND = 1e-3;

/**
 * The margin of a pair for the judge: worked out from its numbers where they could change the
 * state; where no tolerance could, one bound for all of them together (a distance changes by no
 * more than the surfaces move).
 */
export function pairMargin(
  n: Near,
  wanted: number,
): Pick<Judgement, 'inputs' | 'margin' | 'after'> {
  const inputs = inputsOf(n.a, n.b);
  const loose = n.a.loose + n.b.loose;
  if (n.d + loose < 0 || n.d - loose >= wanted)
    return {
      inputs: inputs.filter((g) => g.known === null),
      margin: () => n.d,
      after: (s) => ({ ...s, lo: n.d - loose, hi: n.d + loose }),
    };
  return {
    inputs,
    margin: distanceFrom(n.a, n.b, inputs),
    after: (s) => ({ ...s, lo: s.lo - BOUND, hi: s.hi + BOUND }),
  };
}

/** The piece that a solid belongs to. */
export function pieceOf(stand: Stand, s: StandSolid): Piece {
  return stand.pieces.find((p) => p.key === s.piece)!;
}

/** What it is called in a sentence: `the arm of Pintle wheel`. */
export function nameOf(stand: Stand, s: StandSolid): string {
  const piece = pieceOf(stand, s);
  const own = ROLE[s.role] ?? (s.role.startsWith('gear-') ? `${s.role.slice(5)} gear` : null);
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

/** What {@link nearIn} found so far on a rig, each with the key of its finding. */
export function nearest(stand: Stand): (Near & { key: string })[] {
  const out: (Near & { key: string })[] = [];
  for (const [name, pairs] of kept.get(stand) ?? [])
    for (const n of pairs.near)
      out.push({
        ...n,
        key:
          name === 'pair'
            ? pairKey(n.a, n.b)
            : `space.${name}|${name.endsWith(n.a.piece) ? n.b.piece : n.a.piece}`,
      });
  return out;
}

/** Key of the finding about two pieces. */
export function pairKey(a: StandSolid, b: StandSolid): string {
  return `space.pair:${[a.piece, b.piece].sort().join('|')}`;
}

/** How many pairs of solids were measured for a rig so far. */
export function pairsTested(stand: Stand): number {
  let n = 0;
  for (const pairs of kept.get(stand)?.values() ?? []) n += pairs.tested;
  return n;
}
