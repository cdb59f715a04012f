import type { FrontLayout } from '@/core/areas/front/place/layout';
import type { Built } from '@/core/build/build';
import type { Layout, PlacedShape } from '@/core/build/layout';
import { BAND, frontNames } from './line-parts';

const PAD = 26;
export const TOP = 50;
export const RULER = 30;

/** How the line lies in its picture: stations and radii in mm become pixels. */
export interface LineFrame {
  w: number;
  h: number;
  /** Pixels a millimetre. */
  k: number;
  flipped: boolean;
  above: boolean;
  X: (z: number) => number;
  Y: (r: number) => number;
  /** As {@link Y}, with camera right below the axis when it is seen from above. */
  V: (r: number) => number;
  /** Height of the axis in the picture. */
  axis: number;
  /** Radius shown, and beyond which a tall body is broken off. */
  reach: number;
  clipR: number;
  /** Radius of the lens, for what is written on it. */
  lensR: number;
  /** Farthest station drawn. */
  far: number;
}

/** The parts in front of the body set the scale; a tall body is broken off. */
export function frameOf(
  l: Layout,
  fl: FrontLayout | null,
  { w, h }: { w: number; h: number },
  flipped: boolean,
  above: boolean,
): LineFrame {
  const radii = (keep: (s: PlacedShape) => boolean) =>
    l.shapes.filter(keep).flatMap((s) => s.profile.map((p) => p[1]));
  const reach =
    Math.max(
      34,
      ...radii((s) => s.role !== 'body'),
      fl?.box ? fl.box.half + Math.abs(fl.box.middle) + 3 : 0,
      ...(fl?.pieces.map((p) => p.r) ?? []),
    ) + 7;
  const far = Math.max(l.to, fl?.to ?? 0);
  // Room ahead for the light cones, and for what could be put there.
  const span = far - l.from + (fl ? 44 : 14);
  const room = h - TOP - BAND - RULER;
  const k = Math.min((w - 2 * PAD) / span, room / (2 * reach));
  const x0 = (w - span * k) / 2;
  const axis = TOP + room / 2;
  const Y = (r: number) => axis - r * k;
  return {
    w,
    h,
    k,
    flipped,
    above,
    X: (z) => {
      const x = x0 + (z - l.from) * k;
      return flipped ? w - x : x;
    },
    Y,
    V: (r) => Y(above ? -r : r),
    axis,
    reach,
    clipR: Math.min(reach, room / 2 / k),
    lensR: Math.max(30, ...radii((s) => s.role === 'lens')),
    far,
  };
}

/** The outline of a shape in the picture. */
export function pathIn({ X, Y, clipR }: LineFrame, s: PlacedShape): string {
  if (s.role === 'body') {
    const top = Math.min(s.profile[0]![1], clipR);
    const bottom = Math.min(s.below ?? top, clipR);
    const [z0, z1] = [s.profile[0]![0], s.profile[1]![0]];
    return `M${X(z0)} ${Y(top)}L${X(z1)} ${Y(top)}L${X(z1)} ${Y(-bottom)}L${X(z0)} ${Y(-bottom)}Z`;
  }
  const up = s.profile.map(([z, r]) => `${X(z)} ${Y(r)}`);
  const down = [...s.profile].reverse().map(([z, r]) => `${X(z)} ${Y(-r)}`);
  // Where the diameter changes there is an edge all round.
  const edges = s.profile
    .filter(([z, r], i) => {
      const before = s.profile[i - 1];
      return before && i < s.profile.length - 1 && before[0] === z && before[1] !== r;
    })
    .map(([z, r]) => {
      const before = s.profile.find((p) => p[0] === z && p[1] !== r)![1];
      const small = Math.min(r, before);
      return `M${X(z)} ${Y(small)}V${Y(-small)}`;
    })
    .join('');
  return `M${[...up, ...down].join('L')}Z${s.role === 'lens' ? edges : ''}`;
}

/** A stretch of the line as a rectangle to press. */
export function hitOf({ X, Y, clipR, k }: LineFrame, from: number, to: number) {
  const a = Math.min(X(from), X(to));
  const wide = Math.abs(X(to) - X(from));
  const grow = Math.max(0, 44 - wide);
  return { x: a - grow / 2, width: wide + grow, y: Y(clipR), height: 2 * clipR * k };
}

export type PlaceKind = 'body' | 'link' | 'lens' | 'front';

/** Where something can be put, or put in the place of what is there. */
export interface LinePlace {
  kind: PlaceKind;
  from: number;
  to: number;
  label: string;
  /** What is there and what the keys do, said in full. */
  say: string;
}

/** Where the lens begins in the drawing. */
export function lensFrom(l: Layout): number | null {
  return l.shapes.find((s) => s.role === 'lens')?.profile[0]![0] ?? null;
}

export function placesOf(
  built: Built,
  l: Layout,
  fl: FrontLayout | null,
  far: number,
): LinePlace[] {
  const { body, lens, links } = built;
  const places: LinePlace[] = [];
  const between = links.map((x) => x.link.name);
  if (body && l.mountFace !== null) {
    places.push({
      kind: 'body',
      from: l.from,
      to: l.mountFace,
      label: body.name,
      say: `Body: ${body.name}, ${built.mode?.name ?? 'no mode'}. Enter to change it, arrow keys step through its modes.`,
    });
    const end = l.shapes.filter((s) => s.role === 'link').at(-1)?.profile[1]![0] ?? l.mountFace;
    if (links.length > 0 || lens)
      places.push({
        kind: 'link',
        from: l.mountFace,
        to: end === l.mountFace ? l.mountFace + 4 : end,
        label: between.join(' + ') || 'nothing between',
        say: `Between body and lens: ${between.join(', ') || 'nothing'}. Enter to change it, arrow keys step through what closes.`,
      });
  }
  const from = lensFrom(l);
  if (lens && from !== null)
    places.push({
      kind: 'lens',
      from,
      to: l.to,
      label: lens.name,
      say: `Lens: ${lens.name}. Enter to put another, arrow keys step through the lens set.`,
    });
  if (lens && fl)
    places.push({
      kind: 'front',
      from: l.to,
      to: Math.max(far, l.to + 18),
      label: 'in front of the lens',
      say: `In front of the lens: ${frontNames(fl) || 'nothing'}. Enter to change it.`,
    });
  return [...places, ...l.places.map((p) => ({ ...p, say: `${p.label}. Enter to choose.` }))];
}
