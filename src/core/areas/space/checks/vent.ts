import type { Built } from '../../../build/build';
import { given, type Given } from '../../../build/given';
import { leastGap, type Lin } from '../../../build/lin';
import type { Check } from '../../../checks/check';
import type { Verdict } from '../../../checks/finding';
import { inWords, judge, lacking, plainVerdict } from '../../../checks/judge';
import type { Vent } from '../../../engine/part';
import type { Faces, Piece, StandSolid } from '../../../place/setting';
import { exact, sayLength } from '../../../quantity/say';
import type { Range } from '../../../quantity/spread';
import { ruleBasis } from '../../../rules/names';
import { standOf, type Stand } from '../../../stand/stand';
import { edgeFrom, inputsOf, nameOf, pieceOf, SWEPT } from '../model/clearance';
import { blindPieces } from '../model/unsettled';

/** Direction that a face looks in: along x, y or z, and whether towards less or more of it. */
const LOOKS = {
  left: { axis: 0, out: -1 },
  right: { axis: 0, out: 1 },
  bottom: { axis: 1, out: -1 },
  top: { axis: 1, out: 1 },
  rear: { axis: 2, out: -1 },
  front: { axis: 2, out: 1 },
} as const;

/** House rules: what stays free before a vent, and before a fan. */
const AIR = 'space.vent-air';
const FAN = 'space.vent-fan';

/** Something that stands before a face. */
interface Before {
  solid: StandSolid;
  /** From the face to it, mm: nominal, and the least and most inside the tolerances. */
  gap: number;
  lo: number;
  hi: number;
  /** It stands before the face as the numbers are, and not only inside their tolerances. */
  sure: boolean;
}

export const spaceVent: Check = {
  id: 'space.vent',
  title: 'Vents',
  short: 'covers a vent',
  says: 'Whether the faces that let heat out, and those with a fan, stay free as far as the house asks.',
  formula: 'face to the nearest solid before it - what has to stay free',
  run(built) {
    const stand = standOf(built);
    return stand.pieces.flatMap((piece) => {
      const part = built.kit.get(piece.part) as { vents?: readonly Vent[] } | undefined;
      if (piece.is !== 'body' && piece.is !== 'fitted') return [];
      const own = piece.solids.find((s) => s.role === 'body' || s.role === 'block');
      if (!own) return [];
      return (part?.vents ?? []).map((vent) =>
        ofVent({ built, stand, piece, own, vent, what: `the ${vent.name} of ${piece.name}` }),
      );
    });
  },
};

/** One face of one part. */
interface Face {
  built: Built;
  stand: Stand;
  piece: Piece;
  own: StandSolid;
  vent: Vent;
  /** As it is said: `the rear fan of Pellin Pocket`. */
  what: string;
}

function ofVent(f: Face): Verdict {
  const { built, stand, piece, own, vent } = f;
  const part = built.kit.get(piece.part)!;
  const asked = (key: 'face' | 'fan') => [
    { ...given(part, 'vents', vent.id, key), unit: '', known: null },
  ];
  if (vent.face === undefined) return notKnown(f, 'nobody said on which face it is', asked('face'));
  if (!own.known)
    return notKnown(f, `${inWords(piece.missing.map((g) => g.label))} missing`, piece.missing);
  if (!own.faces) return notKnown(f, 'it is turned, and no face of it looks along the rig');
  const all = before(stand, own, vent.face);
  const isCage = (b: Before) => pieceOf(stand, b.solid).kind === 'cage';
  const others = all.filter((b) => !isCage(b));
  const verdict = vent.fan === false ? judged(f, others, AIR) : judged(f, others, FAN);
  if (vent.fan === undefined && verdict.state !== 'ok') {
    const least = judged(f, others, AIR);
    if (least.state === 'fail') return least;
    return notKnown(f, 'nobody said whether a fan blows through it', asked('fan'));
  }
  if (verdict.state === 'fail') return verdict;
  const limit = built.rules[vent.fan === false ? AIR : FAN];
  const wall = all.find((b) => isCage(b) && b.lo < limit);
  const cage = wall && pieceOf(stand, wall.solid);
  if (cage) return notKnown(f, `nobody said where the walls of ${cage.name} are cut out`, [], cage);
  const blind = blindPieces(stand).filter((p) => p !== piece);
  if (blind.length === 0) return verdict;
  const names = [...new Set(blind.map((p) => p.name))].slice(0, 3);
  const missing = [...new Set(blind.flatMap((p) => p.missing))];
  return notKnown(f, `where ${inWords(names)} may stand is not known`, missing);
}

/** What all verdicts of one face say alike. */
function baseOf({ piece, own, vent }: Face) {
  return {
    id: 'space.vent',
    key: `space.vent:${piece.key}:${vent.id}`,
    about: [piece.part],
    pieces: [piece.key],
    station: (own.extent[2] + own.extent[5]) / 2,
    basis: ruleBasis(vent.fan === false ? AIR : FAN),
  };
}

function notKnown(f: Face, why: string, missing: readonly Given[] = [], beside?: Piece): Verdict {
  return plainVerdict({
    ...baseOf(f),
    about: [...new Set([f.piece.part, ...(beside ? [beside.part] : [])])],
    state: 'unknown',
    why: `Whether ${f.what} stays free is not known: ${why}.`,
    sum: 'No sum.',
    measure: lacking(missing),
  });
}

/** All that stands before a face, or may inside the tolerances; nearest first. */
function before(stand: Stand, own: StandSolid, face: Vent['face'] & string): Before[] {
  const { axis, out } = LOOKS[face];
  const sides = ([0, 1, 2] as const).filter((k) => k !== axis);
  const outer = (s: StandSolid) => (out < 0 ? -s.extent[axis] : s.extent[axis + 3]!);
  const list: Before[] = [];
  for (const solid of stand.solids) {
    if (solid.piece === own.piece || !solid.known || SWEPT.has(solid.role)) continue;
    if (outer(solid) <= outer(own)) continue;
    // Apart to any side it does not stand before the face.
    const beside = sides.map((k) => roomBetween(own, solid, k, null));
    if (beside.some((r) => r.lo >= -TOUCH)) continue;
    const { value, lo, hi } = roomBetween(own, solid, axis, out);
    const over = (mm: number) => Math.max(0, mm);
    const sure = beside.every((r) => r.hi < -TOUCH);
    list.push({ solid, gap: over(value), lo: over(lo), hi: over(hi), sure });
  }
  return list.sort((a, b) => a.gap - b.gap);
}

/** What only touches is beside a face and not before it, mm. */
const TOUCH = 0.05;

/**
 * Room between two solids along one direction, with its interval: what both stand on cancels.
 *
 * @param out which side the second is looked for on; null for either
 */
function roomBetween(own: StandSolid, other: StandSolid, k: 0 | 1 | 2, out: -1 | 1 | null): Range {
  const ways = out === null ? ([-1, 1] as const) : [out];
  const all = ways.map((way): Range => {
    const [e, o] = [own.extent, other.extent];
    const value = way < 0 ? e[k] - o[k + 3]! : o[k] - e[k + 3]!;
    if (!own.faces || !other.faces) {
      const loose = own.loose + other.loose;
      return { value, lo: value - loose, hi: value + loose };
    }
    const [near, far] = apart(own.faces, other.faces, k, way);
    return { value, lo: leastGap(near, far), hi: -leastGap(far, near) };
  });
  const most = (of: (r: Range) => number) => Math.max(...all.map(of));
  return { value: most((r) => r.value), lo: most((r) => r.lo), hi: most((r) => r.hi) };
}

/** The two faces that look at each other, so that the first less the second is the gap. */
function apart(own: Faces, other: Faces, axis: 0 | 1 | 2, out: -1 | 1): [Lin, Lin] {
  const [low, high] = (
    [
      ['x0', 'x1'],
      ['y0', 'y1'],
      ['z0', 'z1'],
    ] as const
  )[axis];
  return out < 0 ? [own[low], other[high]] : [other[low], own[high]];
}

/** The nearest of what stands before a face, against what has to stay free. */
function judged(f: Face, all: readonly Before[], rule: typeof AIR | typeof FAN): Verdict {
  const { built, stand, own, vent, what } = f;
  const nearest = all[0];
  if (!nearest)
    return plainVerdict({
      ...baseOf(f),
      state: 'ok',
      why: `Nothing stands before ${what}.`,
      sum: `${stand.solids.length} solids looked at`,
    });
  const limit = built.rules[rule];
  const { axis, out } = LOOKS[vent.face!];
  const other = pieceOf(stand, nearest.solid);
  const name = nameOf(stand, nearest.solid);
  const inputs = inputsOf(own, nearest.solid);
  const low = axis;
  const high = (axis + 3) as 3 | 4 | 5;
  const mine = edgeFrom(own, out < 0 ? low : high, inputs);
  const its = edgeFrom(nearest.solid, out < 0 ? high : low, inputs);
  // What only may stand before it cannot be said to cover it.
  const most = Math.min(...all.map((b) => (b.sure ? b.hi : Math.max(b.hi, limit))));
  const least = Math.min(...all.map((b) => b.lo));
  return judge({
    ...baseOf(f),
    about: [...new Set([f.piece.part, other.part])],
    pieces: [own.piece, nearest.solid.piece],
    inputs,
    margin: (x) => Math.max(0, out * (its(x) - mine(x))) - limit,
    after: (s) => ({ ...s, lo: least - limit, hi: most - limit }),
    unit: 'mm',
    limit: { value: limit, unit: 'mm', rule },
    assumed: other.assumed,
    why: (o) => {
      const gap = o.value + limit;
      const free = `${sayLength(limit, 0)} have to stay free`;
      if (o.state === 'ok') return `${sayLength(gap)} are free before ${what}, up to ${name}.`;
      return gap < 0.5
        ? `${upper(name)} covers ${what}: ${free}.`
        : `${upper(name)} stands ${sayLength(gap)} before ${what}: ${free}.`;
    },
    sum: (o) =>
      `face to ${name} ${sayLength(o.value + limit, 1)} (${exact(least, 1)} to ${exact(most, 1)}); ${exact(limit, 0)} have to stay free`,
    lacking: (missing) => `Whether ${what} stays free is not known: ${missing} missing.`,
  });
}

const upper = (text: string) => text[0]!.toUpperCase() + text.slice(1);
