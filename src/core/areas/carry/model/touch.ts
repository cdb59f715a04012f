import { constant, type Given } from '../../../build/given';
import { at, leastGap, lin, minus, of, plus, times, type Lin } from '../../../build/lin';
import type { Built } from '../../../build/build';
import { operator } from '../../../kit/operator';
import type { Faces, Piece, StandSolid } from '../../../place/setting';
import { standOf } from '../../../stand/stand';
import { SWEPT } from '../../space/model/clearance';
import { endsOf, facesOf, IN_HAND, waysOf, type Hold, type Way } from './hold';

/**
 * Room that a person takes where they touch the rig: six faces, and what belongs there. A hand is as
 * broad as a palm in a glove along what it holds; a head is one of DIN 33402-2 (from memory: 160 broad,
 * 200 deep, chin 120 under the eyes, crown 115 over them), about as far off the shoulder as its owner
 * measured.
 */
export interface Touch {
  key: string;
  /** `the hand on Stirrup handle`, `your head`. */
  what: string;
  faces: Faces;
  /** How far off them everything has to stay: fingers. */
  air: number;
  /**
   * Sides where there are none: beyond the ends of a palm, and where what is held lies against what
   * holds it. 1, 2, 3 along x, y, z, or the less of it.
   */
  bare: ReadonlySet<number>;
  /** What is held, or lies on the shoulder. */
  piece: Piece;
  /** Along this way it may be moved along what is held. */
  along: 0 | 1 | 2;
}

const PALM = 100;
const HEAD = { broad: 160, behind: 80, before: 120, under: 120, over: 115 } as const;
/** A shoulder is measured over clothes, a head is never held still, mm. */
const ABOUT = 10;

/** Hands where the rig is held by one or two of them; none for other ways of holding it. */
export function handsOf(built: Built, hold: Hold): Touch[] {
  if (!IN_HAND.has(hold.kind)) return [];
  const air = built.rules['carry.fingers'];
  const { up } = waysOf(built.rig.upright);
  return hold.pieces.map((piece): Touch => {
    const f = facesOf(piece);
    const size = ([0, 1, 2] as const).map((k) => {
      const [lo, hi] = endsOf(f, k).map(nominal);
      return hi! - lo!;
    });
    // A palm lies along the longest side; a handle is never held upright.
    const ways = ([0, 1, 2] as const).filter((k) => piece.kind === 'grip' || k !== up.k);
    const along = ways.reduce((a, k) => (size[k]! > size[a]! ? k : a));
    const own = hold.pieces.length === 1 ? hold.at[along] : middleOf(f, along);
    const closed = closedSides(built, piece, f);
    const ends = ([0, 1, 2] as const).flatMap((k): readonly Lin[] =>
      k === along ? [plus(own, lin(-PALM / 2)), plus(own, lin(PALM / 2))] : endsOf(f, k),
    );
    return {
      key: `hand:${piece.key}`,
      what: `the hand on ${piece.name}`,
      faces: facesFrom(ends),
      air,
      bare: new Set([...closed, along + 1, -(along + 1)]),
      piece,
      along,
    };
  });
}

/** Under this no finger goes between, whatever the house wants besides, mm. */
export const leastForFingers = ({ rules }: Built): number =>
  Math.min(rules['carry.fingers-least'], rules['carry.fingers']);

/** As good as touching, mm. */
const TOUCHES = 1;

/** Sides of a piece that lie against something it is joined to: 1, 2, 3 along x, y, z, or the less of it. */
function closedSides(built: Built, piece: Piece, f: Faces): ReadonlySet<number> {
  const { solids, contacts } = standOf(built);
  const own = piece.solids[0];
  const out = new Set<number>();
  if (!own) return out;
  const lo = ([0, 1, 2] as const).map((k) => nominal(endsOf(f, k)[0]));
  const hi = ([0, 1, 2] as const).map((k) => nominal(endsOf(f, k)[1]));
  for (const s of solids) {
    if (s.piece === piece.key) continue;
    // Asked of every solid at every edit: whether they are joined is asked once, of the few that touch.
    let joined: boolean | null = null;
    for (let side = -3; side <= 3; side++) {
      if (side === 0 || out.has(side)) continue;
      const k = Math.abs(side) - 1;
      const off = side < 0 ? s.extent[(k + 3) as 3] - lo[k]! : s.extent[k as 0] - hi[k]!;
      if (Math.abs(off) >= TOUCHES) continue;
      joined ??= contacts.between(own.named, s.named) !== 'apart';
      if (joined) out.add(side);
    }
  }
  return out;
}

const nominal = (l: Lin) => at(l, (g) => g.known?.value ?? 0);

const middleOf = (f: Faces, k: 0 | 1 | 2) => times(plus(...endsOf(f, k)), 0.5);

const facesFrom = ([x0, x1, y0, y1, z0, z1]: readonly Lin[]): Faces => ({
  x0: x0!,
  x1: x1!,
  y0: y0!,
  y1: y1!,
  z0: z0!,
  z1: z1!,
});

/** What a profile lacks to say where its owner's head is beside a rig on the shoulder. */
export function unsaidOfHead(): string[] {
  const who = operator();
  return [
    ...(who?.shoulder === undefined ? ['the height of your shoulder'] : []),
    ...(who?.eyes === undefined ? ['the height of your eyes'] : []),
    ...(who?.cheek === undefined ? ['how far your cheek is off the middle of your shoulder'] : []),
    ...(who?.handed === undefined ? ['the hand that holds, whose shoulder it is'] : []),
  ];
}

/** The head beside a rig on the shoulder; null while the profile does not say enough. */
export function headBeside(built: Built, hold: Hold): Touch | null {
  const who = operator();
  const [piece] = hold.pieces;
  if (
    hold.kind !== 'shoulder' ||
    !piece ||
    who?.shoulder === undefined ||
    who.eyes === undefined ||
    who.cheek === undefined ||
    who.handed === undefined
  )
    return null;
  const { up, side, fore } = waysOf(built.rig.upright);
  const eyes = who.eyes - who.shoulder;
  // On the right shoulder the head is to the left.
  const inwards = who.handed === 'right' ? -1 : 1;
  const ends: Lin[] = [];
  const put = (w: Way, lo: number, hi: number) => {
    const [a, b] = w.sign === 1 ? [lo, hi] : [-hi, -lo];
    const about = of(ABOUT_GIVEN[w.k]);
    ends[2 * w.k] = plus(hold.at[w.k], lin(a), about);
    ends[2 * w.k + 1] = plus(hold.at[w.k], lin(b), about);
  };
  const [near, far] = [who.cheek, who.cheek + HEAD.broad];
  if (inwards > 0) put(side, near, far);
  else put(side, -far, -near);
  put(up, eyes - HEAD.under, eyes + HEAD.over);
  put(fore, -HEAD.behind, HEAD.before);
  return {
    key: 'head',
    what: 'your head',
    faces: facesFrom(ends),
    air: 0,
    bare: new Set(),
    piece,
    along: fore.k,
  };
}

const ABOUT_GIVEN = ['x', 'y', 'z'].map((axis) =>
  constant(`where your head is along ${axis}`, 'mm', {
    value: 0,
    tol: ABOUT,
    from: 'guess',
    lo: -ABOUT,
    hi: ABOUT,
  }),
) as unknown as readonly [Given, Given, Given];

/** Something beside a hand or a head: how much room it leaves, below 0 how deep it is in it, mm. */
export interface Beside {
  solid: StandSolid;
  value: number;
  lo: number;
  hi: number;
  /** How far it is off each side, and what that leaves; null where the solid has no faces. */
  sides: readonly { gap: Lin; leaves: (mm: number) => number }[] | null;
}

/** On a bare side all that is off it leaves room enough; what is not does not pass there. */
const left = (t: Touch, side: number, mm: number) =>
  t.bare.has(side) && mm >= 0 ? mm + t.air : mm;

/**
 * What is nearest to a hand or a head, nearest first, and all that inside the tolerances may be nearer
 * than that; what is held and what holds that is left out.
 */
export function besideOf(built: Built, t: Touch): Beside[] {
  const { solids, contacts } = standOf(built);
  const own = t.piece.solids[0];
  const ends = ([0, 1, 2] as const).map((k) => endsOf(t.faces, k));
  const box = ends.map((pair) => pair.map(nominal) as [number, number]);
  const loose = Math.max(...ends.flat().map((l) => l.loose));
  const joined = (s: StandSolid) =>
    own !== undefined && contacts.between(own.named, s.named) !== 'apart';
  const bounds: { solid: StandSolid; lo: number; hi: number }[] = [];
  // Asked of every solid at every edit: most are farther off than the nearest that was met before.
  let most = Infinity;
  for (const solid of solids) {
    if (!solid.known || SWEPT.has(solid.role) || solid.is === 'swing') continue;
    if (solid.piece === t.piece.key) continue;
    const slack = loose + solid.loose;
    if (apart(box, solid.extent) - slack > most) continue;
    let [lo, hi] = [-Infinity, -Infinity];
    for (let k = 0; k < 3; k++) {
      const below = box[k]![0] - solid.extent[(k + 3) as 3]!;
      const above = solid.extent[k as 0]! - box[k]![1];
      lo = Math.max(lo, left(t, -(k + 1), below - slack), left(t, k + 1, above - slack));
      hi = Math.max(hi, left(t, -(k + 1), below + slack), left(t, k + 1, above + slack));
    }
    if (lo > most || joined(solid)) continue;
    most = Math.min(most, hi);
    bounds.push({ solid, lo, hi });
  }
  bounds.sort((a, b) => a.hi - b.hi);
  // Of what is surely farther off than another is at its farthest nothing has to be worked out.
  const list: Beside[] = [];
  let nearest = Infinity;
  for (const { solid, lo } of bounds) {
    if (lo > nearest) continue;
    const one = roomTo(t, solid);
    nearest = Math.min(nearest, one.hi);
    list.push(one);
  }
  return list.sort((a, b) => a.lo - b.lo || (a.solid.piece < b.solid.piece ? -1 : 1));
}

/** How far a box is off another along the axis that parts them most, mm: no side leaves less than that. */
function apart(box: readonly (readonly [number, number])[], extent: StandSolid['extent']): number {
  let most = -Infinity;
  for (let k = 0; k < 3; k++) {
    const [lo, hi] = box[k]!;
    most = Math.max(most, lo - extent[(k + 3) as 3], extent[k as 0] - hi);
  }
  return most;
}

function roomTo(t: Touch, solid: StandSolid): Beside {
  const read = (g: Given) => g.known!.value;
  const g = solid.faces;
  const slack = g ? 0 : solid.loose;
  const out = { value: -Infinity, lo: -Infinity, hi: -Infinity };
  const sides: { gap: Lin; leaves: (mm: number) => number }[] = [];
  for (const k of [0, 1, 2] as const) {
    const [a0, a1] = endsOf(t.faces, k);
    const [b0, b1] = g ? endsOf(g, k) : [lin(solid.extent[k]), lin(solid.extent[(k + 3) as 3]!)];
    for (const [side, ahead, behind] of [
      [-(k + 1), a0, b1],
      [k + 1, b0, a1],
    ] as const) {
      const gap = minus(ahead, behind);
      const leaves = (mm: number) => left(t, side, mm);
      sides.push({ gap, leaves });
      out.value = Math.max(out.value, leaves(at(gap, read)));
      out.lo = Math.max(out.lo, leaves(leastGap(ahead, behind) - slack));
      out.hi = Math.max(out.hi, leaves(-leastGap(behind, ahead) + slack));
    }
  }
  return { solid, ...out, sides: g ? sides : null };
}
