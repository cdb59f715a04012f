import { bareLength, mm, sayLength, bareOptics } from '../quantity/say';
import { valueOf } from '../quantity/quantity';
import { isReducer, type Body, type Lens, type Part, type Reducer } from '../kit/types';
import { axisOf, AXIS_STAND_IN, drawnAt, type Axis, type AxisLink } from './axis';
import type { Lin } from './lin';
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
const STAND_IN = { bodyDepth: 70, bodyHalf: 45, radius: 34, throat: 50, chip: 24 };

/** What is drawn so far. */
class Drawing {
  readonly shapes: PlacedShape[] = [];
  readonly dimensions: Dimension[] = [];
  readonly places: Place[] = [];
  readonly marks: Mark[] = [];
  readonly axis: Axis;
  /** Without a body the rest is drawn from where its mount would be. */
  readonly #from: number;

  constructor(readonly built: Built) {
    this.axis = axisOf(built);
    this.#from = built.body ? 0 : AXIS_STAND_IN.flange;
  }

  at(l: Lin): number {
    return this.#from + drawnAt(this.axis, l);
  }
}

/** Stations and outlines of everything on the optical axis, for the line. */
export function layout(built: Built): Layout {
  const d = new Drawing(built);
  const { body, lens } = built;
  const face = d.at(d.axis.face);
  if (body) drawBody(d, body, face);
  else d.places.push({ kind: 'body', from: -50, to: face, label: 'put a body here' });
  for (const l of d.axis.links) drawLink(d, l);
  const end = d.at(d.axis.seat);
  const { gap, front } = lens ? drawLens(d, lens, end) : { gap: null, front: end };
  const empty = !lens && body !== null;
  if (empty)
    d.places.push({
      kind: 'lens',
      from: end,
      to: end + AXIS_STAND_IN.lens,
      label: 'put a lens here',
    });
  return {
    shapes: d.shapes,
    dimensions: d.dimensions,
    places: d.places,
    marks: d.marks,
    gap,
    ...extentOf(d.shapes),
    to: empty ? end + AXIS_STAND_IN.lens : front,
    mountFace: body ? face : null,
  };
}

/** Where the drawing begins, and how far out it goes. */
function extentOf(shapes: readonly PlacedShape[]): Pick<Layout, 'from' | 'radius'> {
  let radius = 30;
  let from = -12;
  for (const s of shapes)
    for (const [z, r] of s.profile) {
      radius = Math.max(radius, r, s.role === 'body' ? (s.below ?? 0) : 0);
      from = Math.min(from, z);
    }
  return { from, radius };
}

/** A straight stretch at one radius. */
function straight(from: number, to: number, r: number): ProfilePoint[] {
  return [
    [from, r],
    [to, r],
  ];
}

/** The body with its cavity, what lies over the chip, and the chip. */
function drawBody(d: Drawing, body: Body, face: number): void {
  const { built, shapes } = d;
  const depth = valueOf(body.depth);
  const height = valueOf(body.height);
  const base = valueOf(body.axisToBase);
  const flange = flangeOf(built, body);
  const above = height !== null && base !== null ? height - base : STAND_IN.bodyHalf;
  shapes.push({
    part: body.id,
    role: 'body',
    profile: straight(face - (depth ?? STAND_IN.bodyDepth), face, above),
    below: base ?? STAND_IN.bodyHalf,
    assumed: depth === null || height === null || base === null || flange.known === null,
    name: body.name,
  });
  drawCavity(d, body, face);
  const [w, h] = modeSize(built);
  const half = (h.known?.value ?? STAND_IN.chip) / 2;
  const stack = valueOf(body.stackGlass);
  if (stack !== null)
    shapes.push({
      part: body.id,
      role: 'stack',
      profile: straight(0.8, 0.8 + stack, half + 2),
      assumed: false,
      name: `glass over the chip of ${body.name}`,
    });
  shapes.push({
    part: body.id,
    role: 'chip',
    profile: straight(-1.5, 0, half),
    assumed: !w.known || !h.known,
    name: built.mode ? `chip of ${body.name}, ${built.mode.name}` : `chip of ${body.name}`,
  });
  if (flange.known)
    d.dimensions.push({
      from: 0,
      to: face,
      text: bareOptics(flange.known.value, 2),
      label: `flange distance of ${body.name}`,
      path: flange.path,
    });
}

/** The room behind the mount, and the depths that matter in it. */
function drawCavity(d: Drawing, body: Body, face: number): void {
  const cavity = valueOf(body.cavityDepth);
  const throat = d.built.mounts.get(body.mount ?? '')?.throat?.value ?? null;
  const r = (throat ?? STAND_IN.throat) / 2;
  d.shapes.push({
    part: body.id,
    role: 'cavity',
    profile: straight(face - (cavity ?? face * 0.8), face, r),
    assumed: cavity === null || throat === null,
    name: `cavity of ${body.name}`,
  });
  const needed = valueOf(body.reducerDepth);
  if (needed !== null && d.built.reducers.length > 0)
    d.marks.push({ z: face - needed, r, label: `reducer to here: ${bareOptics(needed, 1)}` });
  if (cavity !== null)
    d.marks.push({ z: face - cavity, r, label: `cavity ${bareOptics(cavity, 1)}` });
}

/** An adapter or reducer, with its glass or its bore. */
function drawLink(d: Drawing, { link, index, from, to }: AxisLink): void {
  const [z, end] = [d.at(from), d.at(to)];
  const length = valueOf(link.length);
  const outer = valueOf(link.outerDiameter);
  const r = outer !== null ? outer / 2 : STAND_IN.radius;
  d.shapes.push({
    part: link.id,
    role: 'link',
    profile: straight(z, end, r),
    assumed: length === null || outer === null,
    name: link.name,
    index,
  });
  if (isReducer(link)) drawGlass(d, link, index, z, end, r);
  else {
    const bore = valueOf(link.bore) ?? d.built.mounts.get(link.bodyMount ?? '')?.throat?.value;
    if (bore)
      d.shapes.push({
        part: link.id,
        role: 'bore',
        profile: straight(z, end, bore / 2),
        assumed: false,
        name: `bore of ${link.name}`,
        index,
      });
  }
  if (length !== null)
    d.dimensions.push({
      from: z,
      to: end,
      text: bareLength(length, 2),
      label: `length of ${link.name}`,
      path: ['kit', link.id, 'length'],
    });
}

function drawGlass(
  d: Drawing,
  link: Reducer,
  index: number,
  z: number,
  end: number,
  r: number,
): void {
  const rear = valueOf(link.rearProtrusion);
  const wide = valueOf(link.rearDiameter);
  const half = (wide ?? 30) / 2;
  const clear = valueOf(link.frontClearance);
  d.shapes.push(
    {
      part: link.id,
      role: 'rear',
      profile: straight(z - (rear ?? 6), z, half),
      assumed: rear === null || wide === null,
      name: `rear group of ${link.name}`,
      index,
    },
    {
      part: link.id,
      role: 'link-glass',
      profile: [
        [z, half],
        [Math.max(z, end - (clear ?? 4)), Math.min(r - 3, half + 3)],
      ],
      assumed: clear === null,
      name: `glass of ${link.name}`,
      index,
    },
  );
}

/**
 * The lens: where the chain ends, or, where nothing joins it, where it would have to sit; the gap
 * is the missing part.
 */
function drawLens(d: Drawing, lens: Lens, end: number): { gap: Layout['gap']; front: number } {
  const { built } = d;
  const mates = built.joints.length > 0 && built.joints.every((j) => j.mates);
  const wants = flangeOf(built, lens).known?.value ?? null;
  const at = mates || wants === null ? end : wants;
  const length = valueOf(lens.length);
  const profile = lensProfile(lens, length ?? AXIS_STAND_IN.lens);
  d.shapes.push({
    part: lens.id,
    role: 'lens',
    profile: profile.points.map(([z, r]) => [at + z, r] as const),
    assumed: length === null || profile.assumed,
    name: lens.name,
  });
  const rear = valueOf(lens.rearProtrusion);
  const wide = valueOf(lens.rearDiameter);
  if (rear !== null && rear > 0)
    d.shapes.push({
      part: lens.id,
      role: 'rear',
      profile: straight(at - rear, at, (wide ?? 30) / 2),
      assumed: wide === null,
      name: `rear group of ${lens.name}`,
    });
  if (length !== null)
    d.dimensions.push({
      from: at,
      to: at + length,
      text: bareLength(length, 1),
      label: `length of ${lens.name}${isZoom(lens) ? ', zoom as stated' : ''}`,
      path: ['kit', lens.id, 'length'],
    });
  const front = at + (length ?? AXIS_STAND_IN.lens);
  if (!built.body || mates || wants === null || Math.abs(wants - end) <= 0.05)
    return { gap: null, front };
  const text = wants > end ? `${mm(wants - end, 2)} missing` : `${mm(end - wants, 2)} too long`;
  return { gap: { from: Math.min(end, wants), to: Math.max(end, wants), text }, front };
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
  return `${d.label}: ${bareLength(g.known.value, 2)} \u00b1${sayLength(g.known.tol, 2)}, ${sourceWords[g.known.from]}`;
}

const sourceWords = {
  measured: 'measured on this piece',
  sheet: "from the maker's data",
  guess: 'a guess',
} as const;
