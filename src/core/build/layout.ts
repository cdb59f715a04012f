import { exact } from '../quantity/say';
import { valueOf } from '../quantity/quantity';
import { isReducer, type Lens, type Part } from '../kit/types';
import { flangeOf, type Built } from './build';
import { isZoom } from './lens';
import { modeSize } from './circle';
import { given } from './given';

/** An outline of a turned part: radius `r` from station `z`, as corner points. */
export type ProfilePoint = readonly [z: number, r: number];

export interface PlacedShape {
  /** Part it belongs to. */
  part: string;
  role: 'body' | 'cavity' | 'chip' | 'stack' | 'link' | 'link-glass' | 'lens' | 'rear' | 'bore';
  /** Upper half of the outline, mm; the lower half mirrors it, except for `below`. */
  profile: ProfilePoint[];
  /** Extent below the axis for parts that are not turned (the body). */
  below?: number;
  /** Sizes that are not known are drawn dashed at a stand-in size. */
  assumed: boolean;
  name: string;
  index?: number;
}

/** A dimension between two stations. */
export interface Dimension {
  from: number;
  to: number;
  text: string;
  label: string;
  /** Whose number it is; empty for a sum. */
  path: string[];
}

/** A depth worth a line in the drawing: the cavity's end, the depth a reducer has to reach. */
export interface Mark {
  z: number;
  r: number;
  label: string;
}

/** An empty place on the line that takes a part. */
export interface Place {
  kind: 'body' | 'link' | 'lens';
  from: number;
  to: number;
  label: string;
}

export interface Layout {
  shapes: PlacedShape[];
  dimensions: Dimension[];
  places: Place[];
  marks: Mark[];
  /** A stretch that no part fills, or two parts claim: length, negative when they overlap. */
  gap: { from: number; to: number; text: string } | null;
  /** Stations that bound the drawing. */
  from: number;
  to: number;
  /** Largest radius drawn. */
  radius: number;
  mountFace: number | null;
}

/** Stand-in sizes for what is not known; always drawn dashed and never computed with. */
const STAND_IN = { bodyDepth: 70, bodyHalf: 45, radius: 34, lens: 90, link: 20, flange: 20 };

/** Stations and outlines of everything on the optical axis, for the line. */
export function layout(built: Built): Layout {
  const { body, lens } = built;
  const shapes: PlacedShape[] = [];
  const dimensions: Dimension[] = [];
  const places: Place[] = [];
  const marks: Mark[] = [];
  const flange = body ? (flangeOf(built, body).known?.value ?? null) : null;
  const face = flange ?? STAND_IN.flange;

  if (body) {
    const depth = valueOf(body.depth);
    const height = valueOf(body.height);
    const base = valueOf(body.axisToBase);
    const [w, h] = modeSize(built);
    const below = base ?? STAND_IN.bodyHalf;
    const above = height !== null && base !== null ? height - base : STAND_IN.bodyHalf;
    shapes.push({
      part: body.id,
      role: 'body',
      profile: [
        [face - (depth ?? STAND_IN.bodyDepth), above],
        [face, above],
      ],
      below,
      assumed: depth === null || height === null || base === null || flange === null,
      name: body.name,
    });
    const cavity = valueOf(body.cavityDepth);
    const throat = built.mounts.get(body.mount ?? '')?.throat?.value ?? null;
    shapes.push({
      part: body.id,
      role: 'cavity',
      profile: [
        [face - (cavity ?? face * 0.8), (throat ?? 50) / 2],
        [face, (throat ?? 50) / 2],
      ],
      assumed: cavity === null || throat === null,
      name: `cavity of ${body.name}`,
    });
    const needed = valueOf(body.reducerDepth);
    if (needed !== null && built.reducers.length > 0)
      marks.push({
        z: face - needed,
        r: (throat ?? 50) / 2,
        label: `reducer to here: ${exact(needed, 1)}`,
      });
    if (cavity !== null)
      marks.push({
        z: face - cavity,
        r: (throat ?? 50) / 2,
        label: `cavity ${exact(cavity, 1)}`,
      });
    const stack = valueOf(body.stackGlass);
    if (stack !== null)
      shapes.push({
        part: body.id,
        role: 'stack',
        profile: [
          [0.8, (h.known?.value ?? 24) / 2 + 2],
          [0.8 + stack, (h.known?.value ?? 24) / 2 + 2],
        ],
        assumed: false,
        name: `glass over the chip of ${body.name}`,
      });
    shapes.push({
      part: body.id,
      role: 'chip',
      profile: [
        [-1.5, (h.known?.value ?? 24) / 2],
        [0, (h.known?.value ?? 24) / 2],
      ],
      assumed: !w.known || !h.known,
      name: built.mode ? `chip of ${body.name}, ${built.mode.name}` : `chip of ${body.name}`,
    });
    if (flange !== null)
      dimensions.push({
        from: 0,
        to: face,
        text: exact(flange, 2),
        label: `flange distance of ${body.name}`,
        path: flangeOf(built, body).path,
      });
  } else places.push({ kind: 'body', from: -50, to: face, label: 'put a body here' });

  let z = face;
  let broken: number | null = null;
  built.links.forEach(({ link, index }, i) => {
    const j = built.joints[i];
    if (j && !j.mates && broken === null) broken = z;
    const length = valueOf(link.length);
    const outer = valueOf(link.outerDiameter);
    const r = outer !== null ? outer / 2 : STAND_IN.radius;
    const end = z + (length ?? STAND_IN.link);
    shapes.push({
      part: link.id,
      role: 'link',
      profile: [
        [z, r],
        [end, r],
      ],
      assumed: length === null || outer === null,
      name: link.name,
      index,
    });
    if (isReducer(link)) {
      const rear = valueOf(link.rearProtrusion);
      const wide = valueOf(link.rearDiameter);
      shapes.push({
        part: link.id,
        role: 'rear',
        profile: [
          [z - (rear ?? 6), (wide ?? 30) / 2],
          [z, (wide ?? 30) / 2],
        ],
        assumed: rear === null || wide === null,
        name: `rear group of ${link.name}`,
        index,
      });
      const clear = valueOf(link.frontClearance);
      shapes.push({
        part: link.id,
        role: 'link-glass',
        profile: [
          [z, (wide ?? 30) / 2],
          [Math.max(z, end - (clear ?? 4)), Math.min(r - 3, (wide ?? 30) / 2 + 3)],
        ],
        assumed: clear === null,
        name: `glass of ${link.name}`,
        index,
      });
    } else {
      const bore = valueOf(link.bore) ?? built.mounts.get(link.bodyMount ?? '')?.throat?.value;
      if (bore)
        shapes.push({
          part: link.id,
          role: 'bore',
          profile: [
            [z, bore / 2],
            [end, bore / 2],
          ],
          assumed: false,
          name: `bore of ${link.name}`,
          index,
        });
    }
    if (length !== null)
      dimensions.push({
        from: z,
        to: end,
        text: exact(length, 2),
        label: `length of ${link.name}`,
        path: ['kit', link.id, 'length'],
      });
    z = end;
  });

  let gap: Layout['gap'] = null;
  let front = z;
  if (lens) {
    const last = built.joints[built.joints.length - 1];
    const mates = last !== undefined && last.mates && broken === null;
    const wants = flangeOf(built, lens).known?.value ?? null;
    // A lens that nothing joins is drawn where it would have to sit: the gap is the missing part.
    const at = mates || wants === null ? z : wants;
    if (body && !mates && wants !== null && Math.abs(wants - z) > 0.05)
      gap = {
        from: Math.min(z, wants),
        to: Math.max(z, wants),
        text:
          wants > z ? `${exact(wants - z, 2)} mm missing` : `${exact(z - wants, 2)} mm too long`,
      };
    const length = valueOf(lens.length);
    const profile = lensProfile(lens, length ?? STAND_IN.lens);
    shapes.push({
      part: lens.id,
      role: 'lens',
      profile: profile.points.map(([pz, r]) => [at + pz, r] as const),
      assumed: length === null || profile.assumed,
      name: lens.name,
    });
    const rear = valueOf(lens.rearProtrusion);
    if (rear !== null && rear > 0) {
      const wide = valueOf(lens.rearDiameter);
      shapes.push({
        part: lens.id,
        role: 'rear',
        profile: [
          [at - rear, (wide ?? 30) / 2],
          [at, (wide ?? 30) / 2],
        ],
        assumed: wide === null,
        name: `rear group of ${lens.name}`,
      });
    }
    if (length !== null)
      dimensions.push({
        from: at,
        to: at + length,
        text: exact(length, 1),
        label: `length of ${lens.name}${isZoom(lens) ? ', zoom as stated' : ''}`,
        path: ['kit', lens.id, 'length'],
      });
    front = at + (length ?? STAND_IN.lens);
  } else if (body) {
    places.push({ kind: 'lens', from: z, to: z + STAND_IN.lens, label: 'put a lens here' });
    front = z + STAND_IN.lens;
  }

  let radius = 30;
  let from = -12;
  for (const s of shapes) {
    for (const [pz, r] of s.profile) {
      if (s.role !== 'body') radius = Math.max(radius, r);
      else radius = Math.max(radius, r, s.below ?? 0);
      from = Math.min(from, pz);
    }
  }
  return {
    shapes,
    dimensions,
    places,
    marks,
    gap,
    from,
    to: front,
    radius,
    mountFace: body ? face : null,
  };
}

function lensProfile(lens: Lens, length: number): { points: ProfilePoint[]; assumed: boolean } {
  const steps = (lens.outline ?? [])
    .map((s) => ({ z: valueOf(s.z), d: valueOf(s.d) }))
    .filter((s): s is { z: number; d: number } => s.z !== null && s.d !== null)
    .sort((a, b) => a.z - b.z);
  const front = valueOf(lens.frontDiameter);
  if (steps.length > 0) {
    const points: ProfilePoint[] = [];
    steps.forEach((s, i) => {
      const end = steps[i + 1]?.z ?? length;
      points.push([s.z, s.d / 2], [end, s.d / 2]);
    });
    return { points, assumed: false };
  }
  const r = front !== null ? front / 2 : STAND_IN.radius;
  return {
    points: [
      [0, r],
      [length, r],
    ],
    assumed: true,
  };
}

/** Station of the front rim of a part that is on the axis, for notes and pins. */
export function stationOf(l: Layout, part: Part): number | null {
  const shape = l.shapes.find((s) => s.part === part.id && s.role !== 'rear');
  return shape ? shape.profile[shape.profile.length - 1]![0] : null;
}

/** The number behind a dimension, for its sum. */
export function dimensionSum(built: Built, d: Dimension): string {
  const part = built.kit.get(d.path[1] ?? '');
  if (!part) return d.text;
  const g = given(part, ...d.path.slice(2));
  if (!g.known) return `${d.label}: ${d.text} mm, from the standard of its mount`;
  return `${d.label}: ${exact(g.known.value, 2)} \u00b1${exact(g.known.tol, 2)} mm, ${sourceWords[g.known.from]}`;
}

const sourceWords = {
  measured: 'measured on this piece',
  sheet: "from the maker's data",
  guess: 'a guess',
} as const;
