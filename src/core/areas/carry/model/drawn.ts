import type { Built } from '../../../build/build';
import { at } from '../../../build/lin';
import { project, type Point, type View } from '../../../drawing/project';
import { exact, say, sayLength, sayMass } from '../../../quantity/say';
import type { Vec } from '../../../solids/solid';
import { moment } from '../../support/model/load';
import { balanceOf, centreOf, degrees, leaning, massOf } from './balance';
import { endsOf, HANGS, HOLDS, type Hold } from './hold';
import { standingOf } from './standing';
import { handsOf, headBeside } from './touch';
import { weightsOf } from './weighed';

/** How the rig is carried, in one view: for the drawing. All of it lies on the sheet of the view. */
export interface CarriedView {
  view: 'side' | 'front';
  /** Where it is held; null while nobody said. */
  hold: { at: Point; name: string } | null;
  /** Centre of gravity with what it is in doubt by along the sheet; null while a number is missing. */
  centre: { at: Point; half: Point } | null;
  /** How far it leans as it hangs, degrees, to the right of the sheet down; 0 where it does not hang. */
  lean: number;
  /** Centre off the hold along the sheet, as it is said, and what pulls there. */
  lever: { text: string; length: number } | null;
  /** What it stands on when it is set down, along the sheet, and how high that is. */
  floor: { from: number; to: number; v: number } | null;
  /** Room of a hand or a head, its corners on the sheet; those alone whose place is known. */
  touches: { key: string; what: string; from: Point; to: Point }[];
}

/**
 * How the rig hangs or stands, from the side or from the front.
 *
 * @param down it is set down, not held
 */
export function carriedView(built: Built, view: 'side' | 'front', down = false): CarriedView {
  const b = balanceOf(built);
  const point = (p: Vec): Point => project(view as View, p);
  const hold =
    b?.hold.piece && !down && b.hold.kind !== 'table'
      ? {
          at: point(b.hold.at.map((l) => at(l, (g) => g.known?.value ?? 0)) as unknown as Vec),
          name: HOLDS[b.hold.kind].by,
        }
      : null;
  const centre = centreOn(built, point);
  const lean = hold && b && HANGS.has(b.hold.kind) && centre ? leanOf(built, view) : 0;
  const m = massOf(built);
  const along = hold && centre ? centre.at[0] - hold.at[0] : null;
  const lever =
    along === null || !m
      ? null
      : {
          length: along,
          text: `${sayLength(Math.abs(along), 0)} off, ${say(moment(m.value, Math.abs(along)), 'N m')}`,
        };
  const floor = down || b?.hold.kind === 'table' ? floorOf(built, view) : null;
  const touches = b && !down ? touchesOn(built, b.hold, point) : [];
  return { view, hold, centre, lean, lever, floor, touches };
}

function touchesOn(built: Built, hold: Hold, point: (p: Vec) => Point): CarriedView['touches'] {
  const head = headBeside(built, hold);
  return [...handsOf(built, hold), ...(head ? [head] : [])].flatMap((t) => {
    const ends = ([0, 1, 2] as const).map((k) => endsOf(t.faces, k));
    if (ends.flat().some((l) => l.terms.some((x) => x.g.known === null))) return [];
    const corner = (sign: 1 | -1): Vec =>
      ends.map((pair, k) => {
        const bare = t.bare.has(sign * (k + 1));
        return at(pair[sign < 0 ? 0 : 1], (g) => g.known!.value) + (bare ? 0 : sign * t.air);
      }) as unknown as Vec;
    const [a, b] = [point(corner(-1)), point(corner(1))];
    const low = (k: 0 | 1) => Math.min(a[k], b[k]);
    const high = (k: 0 | 1) => Math.max(a[k], b[k]);
    return [{ key: t.key, what: t.what, from: [low(0), low(1)], to: [high(0), high(1)] }];
  });
}

function centreOn(built: Built, point: (p: Vec) => Point): CarriedView['centre'] {
  const axes = centreOf(built);
  if (weightsOf(built).length === 0) return null;
  if (axes.some((q) => q.inputs.some((g) => g.known === null))) return null;
  const ends = axes.map((q) => q.spread());
  const mid = point(ends.map((s) => s.value) as unknown as Vec);
  const [lo, hi] = [
    point(ends.map((s) => s.lo) as unknown as Vec),
    point(ends.map((s) => s.hi) as unknown as Vec),
  ];
  return { at: mid, half: [Math.abs(hi[0] - lo[0]) / 2, Math.abs(hi[1] - lo[1]) / 2] };
}

/** Degrees by which the right of the sheet hangs down. */
function leanOf(built: Built, view: 'side' | 'front'): number {
  const b = balanceOf(built)!;
  const of = leaning(b, view === 'side' ? b.fore : b.side);
  const down = b.above.f(b.above.inputs.map((g) => g.known!.value));
  // Over the hold it turns over: no angle says how.
  if (!(down < 0)) return 0;
  const tangent = of.f(of.inputs.map((g) => g.known!.value));
  // From the subject camera right is at the left of the sheet.
  return degrees(tangent) * (view === 'side' ? 1 : -1);
}

function floorOf(built: Built, view: 'side' | 'front'): CarriedView['floor'] {
  const { by, also } = built.rig.carry ?? {};
  if ((by !== 'table' && also !== 'table') || built.rig.upright !== undefined) return null;
  const s = standingOf(built);
  if (!s || s.polygon.length === 0 || !s.on[0]) return null;
  const along = s.polygon.map(([u, v]) => (view === 'side' ? v : -u));
  const bottom = Math.min(
    ...s.on.flatMap((p) => p.solids.filter((x) => !x.moving).map((x) => x.extent[1])),
  );
  return { from: Math.min(...along), to: Math.max(...along), v: bottom };
}

/** How the rig hangs in space: about what, and which way of the rig is down then; unit vector. */
export interface Hanging {
  about: Vec;
  down: Vec;
  /** Centre of gravity. */
  centre: Vec;
}

/** How it hangs; null where it does not, a number is missing, or its centre is over its hold. */
export function hangingOf(built: Built): Hanging | null {
  const b = balanceOf(built);
  if (!b || !HANGS.has(b.hold.kind)) return null;
  const axes = centreOf(built);
  const all = [b.above, ...axes].flatMap((q) => q.inputs);
  if ([...all, ...b.hold.at.flatMap((l) => l.terms.map((t) => t.g))].some((g) => g.known === null))
    return null;
  const about = b.hold.at.map((l) => at(l, (g) => g.known!.value)) as unknown as Vec;
  const centre = axes.map((q) => q.value()) as unknown as Vec;
  const off = ([0, 1, 2] as const).map((k) => centre[k] - about[k]);
  const l = Math.hypot(...off);
  if (!(b.above.value() < 0) || l < 1e-6) return null;
  return { about, centre, down: off.map((v) => v / l) as unknown as Vec };
}

/** One bar: a part and what all of it on the rig weighs. */
export interface MassBar {
  part: string;
  name: string;
  count: number;
  /** g; null while nobody weighed it. */
  mass: number | null;
  text: string;
  /** Of the heaviest, 0 to 1. */
  share: number;
}

/** Masses by part, largest first; what was not weighed first of all. */
export function massBars(built: Built): MassBar[] {
  const by = new Map<string, { name: string; count: number; mass: number | null }>();
  for (const w of weightsOf(built)) {
    const one = by.get(w.part.id) ?? { name: w.part.name, count: 0, mass: 0 as number | null };
    const own = w.mass.known?.value;
    one.count++;
    one.mass = own === undefined || one.mass === null ? null : one.mass + own;
    by.set(w.part.id, one);
  }
  const most = Math.max(1, ...[...by.values()].map((b) => b.mass ?? 0));
  return [...by]
    .map(([part, b]): MassBar => ({
      part,
      ...b,
      text: b.mass === null ? 'not weighed' : sayMass(b.mass),
      share: (b.mass ?? 0) / most,
    }))
    .sort(
      (a, b) =>
        Number(a.mass !== null) - Number(b.mass !== null) ||
        (b.mass ?? 0) - (a.mass ?? 0) ||
        (a.part < b.part ? -1 : 1),
    );
}

/** `5.4 kg, 34 mm ahead of the middle of the head` in a line, for who looks first. */
export function carriedWords(built: Built): string {
  const m = massOf(built);
  const b = balanceOf(built);
  if (!m) return 'What it weighs is not known: something on it was not weighed.';
  const weighs = `It weighs ${sayMass(m.value)} (${sayMass(m.lo)} to ${sayMass(m.hi)})`;
  if (!b) return `${weighs}. Say how it is held, and it is balanced.`;
  const { name } = HOLDS[b.hold.kind];
  return `${weighs}, ${b.hold.kind === 'table' ? name : `held ${name}`}.`;
}

/** `0.031 kg m2` */
export const sayInertia = (kgm2: number) => `${exact(kgm2, 4)} kg m²`;
