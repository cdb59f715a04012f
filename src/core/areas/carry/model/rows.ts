import { constant, given, type Given } from '../../../build/given';
import { at, type Lin } from '../../../build/lin';
import type { Built } from '../../../build/build';
import { keyOf } from '../../../doc/side-by-side';
import { node } from '../../../engine/reads';
import type { SeenPiece, Weighing } from '../../../kit/types';
import { known, type Known, type Quantity } from '../../../quantity/quantity';
import { waysOf, type Way } from './hold';
import { corrected, type Item, type Row, type Unknown } from './measured';
import { unweighed, type Weight } from './weights';

/** A mass or a place that a measurement of the whole corrected. */
export interface Correction {
  part: string;
  name: string;
  /** A mass, g; else how far along an axis its weight sits off its middle, mm. */
  of: 'mass' | 'x' | 'y' | 'z';
  was: Known | null;
  now: Known;
}

/** What the measurements of a job say of a rig. */
export interface Measured {
  masses: ReadonlyMap<string, Given>;
  /** Of a doubt about where a weight sits what is left of it. */
  offs: ReadonlyMap<Given, Given>;
  corrections: readonly Correction[];
  /** Measurements that the numbers of the parts cannot explain, by their ids. */
  against: ReadonlySet<string>;
}

const NOTHING: Measured = {
  masses: new Map(),
  offs: new Map(),
  corrections: [],
  against: new Set(),
};

export function measuredOf(built: Built): Measured {
  return built.once(MEASURED);
}

/** The latest says most: where two contradict each other it is the earlier one that is let go. */
export const latestFirst = (built: Built): Weighing[] => [...(built.job.weighings ?? [])].reverse();

const MEASURED = node('what was measured of it', (built: Built): Measured => {
  const list = latestFirst(built);
  if (list.length === 0) return NOTHING;
  const seen = new Seen(built);
  const rows = list.flatMap((w) => seen.row(w) ?? []);
  if (rows.length === 0) return NOTHING;
  const out = corrected(seen.masses, seen.offs, rows);
  const corrections: Correction[] = [];
  const masses = new Map<string, Given>();
  for (const [id, i] of seen.massAt) {
    const g = seen.massGivens[i]!;
    const now = knownOf(out.masses[i]!, g.known);
    if (!now || sameEnds(g.known, now)) continue;
    masses.set(id, { ...g, known: now });
    const { name } = built.kit.get(id)!;
    corrections.push({ part: id, name, of: 'mass', was: g.known, now });
  }
  const offs = new Map<Given, Given>();
  for (const [g, i] of seen.offAt) {
    const now = knownOf(out.offs[i]!, g.known);
    if (!now || sameEnds(g.known, now)) continue;
    offs.set(g, { ...g, known: now });
    const w = seen.ownerOf.get(g)!;
    const axis = (['x', 'y', 'z'] as const)[w.off.indexOf(g)]!;
    corrections.push({ part: w.part.id, name: w.part.name, of: axis, was: g.known, now });
  }
  return { masses, offs, corrections, against: new Set(out.against) };
});

/** Nothing that anybody would see of it. */
const sameEnds = (a: Known | null, b: Known) =>
  a !== null &&
  Math.abs(Math.max(0, a.lo) - Math.max(0, b.lo)) < 0.05 &&
  Math.abs(a.hi - b.hi) < 0.05 &&
  Math.abs(a.value - b.value) < 0.05;

/** What is left of a number; null where it still has no end. */
function knownOf(u: Unknown, before: Known | null): Known | null {
  if (u.value === null || !Number.isFinite(u.hi - u.lo)) return null;
  const tol = Math.max(u.hi - u.value, u.value - u.lo);
  return { value: u.value, tol, from: before?.from ?? 'measured', lo: u.lo, hi: u.hi };
}

/** Whether it was this rig that was measured, in whichever of its configurations. */
export const isOf = (w: Weighing, { rig }: Built): boolean =>
  w.rig !== undefined && (rig.id === w.rig || rig.id.startsWith(keyOf(w.rig, '')));

/** Measurements as rows over the masses and doubts of a rig. */
class Seen {
  readonly masses: Unknown[] = [];
  readonly massGivens: Given[] = [];
  readonly massAt = new Map<string, number>();
  readonly offs: Unknown[] = [];
  readonly offAt = new Map<Given, number>();
  readonly ownerOf = new Map<Given, Weight>();

  constructor(readonly built: Built) {}

  mass(id: string): number {
    let i = this.massAt.get(id);
    if (i === undefined) {
      i = this.masses.length;
      this.massAt.set(id, i);
      const part = this.built.kit.get(id);
      const g = part ? given(part, 'mass') : constant(`mass of ${id}`, 'g', null);
      this.massGivens.push(g);
      const k = g.known;
      this.masses.push(k ? { value: k.value, lo: k.lo, hi: k.hi } : FREE);
      // What is not in the kit corrects nothing; it stands in the sum all the same.
      if (!part) this.massAt.delete(id);
    }
    return i;
  }

  off(w: Weight, k: 0 | 1 | 2): number | null {
    const g = w.off[k];
    if (!g?.known) return null;
    let i = this.offAt.get(g);
    if (i === undefined) {
      i = this.offs.length;
      this.offAt.set(g, i);
      this.ownerOf.set(g, w);
      this.offs.push({ value: g.known.value, lo: g.known.lo, hi: g.known.hi });
    }
    return i;
  }

  row(w: Weighing): Row | null {
    const value = weighedAs(w);
    if (!value) return null;
    if (w.what === 'scale')
      return { id: w.id, what: 'sum', items: w.on.map((s) => this.mass(s.part)), sum: value };
    const lever = leverOf(w);
    if (!lever) return null;
    const match = isOf(w, this.built) ? matched(w, unweighed(this.built)) : NO_MATCH;
    return {
      id: w.id,
      what: 'moment',
      items: w.on.map((s) => this.item(s, match.get(s), lever)),
    };
  }

  item(s: SeenPiece, now: Weight | undefined, lever: Lever): Item {
    const { way, at, tol, turned } = lever;
    const { k } = way;
    // Where nobody knew then where it was, what is known now says nothing of then.
    const same = s.loose ? now : undefined;
    const place = same ? placeNow(s, same) : placeThen(s);
    // What leans on the height as well (a tilt) has that doubt besides.
    const up = turned ? turned.up.k : null;
    const high = up === null ? 0 : turned!.up.sign * place.at[up];
    const drop = turned ? turned.from - high : 0;
    const slack =
      place.slack[k] +
      tol +
      (turned
        ? Math.abs(turned.t) * (place.slack[up!] + place.doubt[up!]) +
          turned.tol * (Math.abs(drop) + place.slack[up!] + place.doubt[up!])
        : 0);
    const own = same ? this.off(same, k) : null;
    return {
      mass: this.mass(s.part),
      // Along the way it is off: the sign of the axis goes with the doubt of it.
      at: place.at[k] - way.sign * (at + (turned ? turned.t * drop : 0)),
      slack: slack + (own === null ? place.doubt[k] : 0),
      off: own,
    };
  }
}

const FREE: Unknown = { value: null, lo: 0, hi: Infinity };
const NO_MATCH: ReadonlyMap<SeenPiece, Weight> = new Map();

type Three = readonly [number, number, number];

/** Where the weight of a piece was taken to be, how loose its place was, and its weight in it. */
interface Placed {
  at: Three;
  slack: Three;
  doubt: Three;
}

const three = (f: (k: 0 | 1 | 2) => number): Three => [f(0), f(1), f(2)];

export function placeThen(s: SeenPiece): Placed {
  const slack = three((k) => s.loose?.[k] ?? Infinity);
  return { at: three((k) => s.at[k] + s.off[k]), slack, doubt: [0, 0, 0] };
}

/** By what is known now of the same piece, where it was then. */
function placeNow(s: SeenPiece, now: Weight): Placed {
  const nominal = three((k) => nominalOf(now.at[k]));
  const doubt = three((k) => now.off[k]?.known?.tol ?? 0);
  return {
    at: three((k) => s.at[k] + nominal[k] - now.middle[k]),
    slack: three((k) => Math.max(0, now.at[k].loose - doubt[k])),
    doubt,
  };
}

const nominalOf = (l: Lin) => at(l, (g) => g.known?.value ?? 0);

/** A number that was measured, with what it may be off by. */
export function weighedAs(w: Pick<Weighing, 'what' | 'value'>): Known | null {
  const q: Quantity = typeof w.value === 'number' ? { value: w.value } : w.value;
  return known({ tol: GOOD_TO[w.what], from: 'measured', ...q });
}

/**
 * What a reading is good to where nobody said: a scale for luggage g, a rig on an edge mm, a level
 * on a rig that sways degrees. Common practice, no source.
 */
export const GOOD_TO: Readonly<Record<Weighing['what'], number>> = {
  scale: 10,
  edge: 2,
  hung: 0.5,
};

/** About what the moments of a measurement are nothing, along one way of the rig. */
export interface Lever {
  way: Way;
  at: number;
  tol: number;
  /** Of a tilt: its tangent, where the hold is upwards, and which way that is. */
  turned: { t: number; tol: number; from: number; up: Way } | null;
}

const AXIS = { x: 0, y: 1, z: 2 } as const;

export function leverOf(w: Weighing): Lever | null {
  const value = weighedAs(w);
  if (!value || w.axis === undefined) return null;
  const tol = (value.hi - value.lo) / 2;
  if (w.what === 'edge')
    return { way: { k: AXIS[w.axis], sign: 1 }, at: value.value, tol, turned: null };
  if (!w.hold || w.axis === 'y' || Math.abs(value.value) + tol >= 80) return null;
  const { up, side, fore } = waysOf(w.upright);
  const way = w.axis === 'z' ? fore : side;
  const tan = (deg: number) => Math.tan((deg * Math.PI) / 180);
  const t = tan(value.value);
  const loose = Math.max(tan(value.hi) - t, t - tan(value.lo));
  return {
    way,
    at: way.sign * w.hold[way.k],
    tol: 0,
    turned: { t, tol: loose, from: up.sign * w.hold[up.k], up },
  };
}

/** Pieces of a measurement that are still on as they were: same part, same place on the rig, as large. */
export function matched(w: Weighing, weights: readonly Weight[]): ReadonlyMap<SeenPiece, Weight> {
  const free = new Map<string, Weight[]>();
  for (const x of weights) {
    const id = `${x.key} ${x.part.id}`;
    const list = free.get(id);
    if (list) list.push(x);
    else free.set(id, [x]);
  }
  const out = new Map<SeenPiece, Weight>();
  for (const s of w.on) {
    const now = free.get(`${s.key} ${s.part}`)?.shift();
    if (now && s.size.every((v, k) => Math.abs(v - now.size[k as 0]) < 0.2)) out.set(s, now);
  }
  return out;
}
