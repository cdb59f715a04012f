import { node } from '../../../engine/reads';
import { valueOf } from '../../../quantity/quantity';
import { isRing, type Side } from '../../../kit/types';
import type { Built } from '../../../build/build';
import { axisOf, stationOf } from '../../../build/axis';
import { onAnyRods } from '../kit/attach';
import { frontOf, travelOf } from './front';
import type { Front, PlacedBox, PlacedFlag, PlacedStage, ThreadPiece } from './parts';

/** A ring or filter on the thread, for the drawing. Stations from the image plane, mm. */
export interface DrawnPiece {
  part: string;
  index: number;
  name: string;
  from: number;
  to: number;
  /** Outer radius and clear radius. */
  r: number;
  clear: number;
  glass: boolean;
  assumed: boolean;
}

export interface DrawnStage {
  id: string;
  name: string;
  z: number;
  /** Half of the clear window, up and across. */
  half: number;
  halfWide: number;
  filter: { id: string; name: string; thickness: number } | null;
  out: boolean;
  rotates: boolean;
}

export interface DrawnFlag {
  id: string;
  name: string;
  side: Side;
  angle: number;
  /** Hinge and tip: station, and height over the axis (or distance to the right for side flags). */
  hinge: readonly [number, number];
  tip: readonly [number, number];
  length: number;
  offset: number;
  from: number;
  to: number;
}

export interface DrawnBox {
  part: string;
  name: string;
  rods: boolean;
  /** Set on its rods by hand; else it follows the lens. */
  pinned: boolean;
  from: number;
  to: number;
  /** Outer half height and half width. */
  half: number;
  halfWide: number;
  /** Height of its middle over the axis: below it when the rods are low. */
  middle: number;
  mouth: { half: number; halfWide: number };
  mask: { half: number; halfWide: number; name: string } | null;
  stages: DrawnStage[];
  flags: DrawnFlag[];
  /** Where the sleeve closes the gap to the lens, if it has one. */
  sleeve: { from: number; r: number } | null;
  assumed: boolean;
}

export interface FrontLayout {
  /** Station of the front rim, focused at infinity. */
  rim: number;
  /** Farthest that the rim comes when zoomed or focused close. */
  longest: number;
  pieces: DrawnPiece[];
  box: DrawnBox | null;
  /** Stretch ahead of the last piece that takes another one; null when a box is over it. */
  free: { from: number; to: number; r: number };
  from: number;
  to: number;
  /** Largest half height drawn. */
  radius: number;
}

/** Stand-in sizes, drawn dashed and never computed with. */
const STAND_IN = { radius: 42, mouth: 80, window: 98, wide: 140, wall: 8, stage: 12 };

/**
 * The front of the rig as it is drawn: nominal sizes, stand-ins where one is missing.
 *
 * @param rim station at which the drawing has the front rim of the lens
 */
export function frontLayout(built: Built, rim: number): FrontLayout {
  const front = frontOf(built);
  const lensR = (valueOf(built.lens?.frontDiameter) ?? STAND_IN.radius * 2) / 2;
  const pieces = front.thread.map((t) => drawnPiece(t, rim, lensR));
  const threadEnd = rim + (front.thread.at(-1)?.to ?? 0);
  const box = front.box ? drawnBox(front, front.box, rim, threadEnd, lensR) : null;
  const upright = (f: DrawnFlag) => f.side === 'top' || f.side === 'bottom';
  const flags = box?.flags ?? [];
  return {
    rim,
    longest: Math.max(rim, travelOf(built) ?? rim),
    pieces,
    box,
    free: { from: threadEnd, to: threadEnd + 16, r: pieces[pieces.length - 1]?.r ?? lensR },
    from: rim,
    to: Math.max(box?.to ?? threadEnd, threadEnd, ...flags.map((f) => f.tip[0])),
    radius: Math.max(
      ...pieces.map((p) => p.r),
      box ? box.half + Math.abs(box.middle) : 0,
      ...flags.filter(upright).map((f) => Math.abs(f.tip[1])),
      0,
    ),
  };
}

/** A ring or filter, by its sizes or by those of its threads. */
function drawnPiece(t: ThreadPiece, rim: number, lensR: number): DrawnPiece {
  const { part } = t;
  const clear = valueOf(part.clear);
  const biggest = Math.max(
    valueOf(part.male) ?? 0,
    valueOf(part.female) ?? 0,
    isRing(part) ? (valueOf(part.clamp) ?? 0) : 0,
    (clear ?? 0) + 3,
  );
  const outer = isRing(part) ? valueOf(part.outerDiameter) : null;
  return {
    part: part.id,
    index: t.index,
    name: part.name,
    from: rim + t.from,
    to: rim + t.to,
    r: (outer ?? (biggest > 0 ? biggest + 2 : lensR * 2)) / 2,
    clear: (clear ?? (biggest > 0 ? biggest - 4 : lensR * 2 - 6)) / 2,
    glass: part.kind === 'filter',
    assumed: t.assumed || clear === null,
  };
}

/** The box with its stages and flags; `off` of the rods' height where that is known. */
function drawnBox(
  front: Front,
  placed: PlacedBox,
  rim: number,
  threadEnd: number,
  lensR: number,
): DrawnBox {
  const { box: b, use, shorter } = placed;
  const nominal = front.inputs.map((g) => g.known?.value ?? NaN);
  const seat = front.seat?.(nominal, rim);
  const from = seat !== undefined && Number.isFinite(seat) ? seat : threadEnd;
  const { drop } = front;
  const off =
    b.attach === 'rods' && drop?.standard.known && drop.inputs.every((g) => g.known)
      ? drop.value(drop.inputs.map((g) => g.known!.value)) - drop.standard.known.value
      : 0;
  const half = (valueOf(b.mouthH) ?? STAND_IN.window) / 2;
  const halfWide = (valueOf(b.mouthW) ?? STAND_IN.wide) / 2;
  const mouth = from + (valueOf(b.mouthZ) ?? STAND_IN.mouth) - shorter;
  const mask = b.masks?.find((m) => m.id === use.mask);
  const closes = placed.sleeve
    ? placed.sleeve.reach !== undefined
    : b.sleeveTo !== undefined || b.sleeveReach !== undefined;
  return {
    part: b.id,
    name: b.name,
    rods: onAnyRods(b),
    pinned: use.station !== undefined,
    from,
    to: mouth,
    half: (valueOf(b.height) ?? half * 2 + STAND_IN.wall * 2) / 2,
    halfWide: (valueOf(b.width) ?? halfWide * 2 + STAND_IN.wall * 2) / 2,
    middle: -off,
    mouth: { half, halfWide },
    mask: mask
      ? {
          half: (valueOf(mask.h) ?? half * 2) / 2,
          halfWide: (valueOf(mask.w) ?? halfWide * 2) / 2,
          name: mask.name,
        }
      : null,
    stages: placed.stages.map((s, i) => drawnStage(s, from + (s.z ?? STAND_IN.stage * (i + 1)))),
    flags: placed.flags.map((f) => {
      const z = valueOf(f.leaf.z);
      const hinge = z === null ? mouth : from + z - shorter;
      return drawnFlag(f, hinge, half, halfWide, off);
    }),
    sleeve: b.attach === 'rods' && closes ? { from: rim - 6, r: lensR } : null,
    assumed: front.inputs.some((g) => g.known === null),
  };
}

function drawnStage(s: PlacedStage, z: number): DrawnStage {
  const filter = s.filter && !s.out ? s.filter : null;
  return {
    id: s.stage.id,
    name: s.stage.name,
    z,
    half: (valueOf(s.stage.clearH) ?? STAND_IN.window) / 2,
    halfWide: (valueOf(s.stage.clearW) ?? STAND_IN.wide) / 2,
    filter: filter && {
      id: filter.id,
      name: filter.name,
      thickness: valueOf(filter.thickness) ?? 4,
    },
    out: s.out,
    rotates: s.stage.rotates === true,
  };
}

function drawnFlag(
  { leaf, use }: PlacedFlag,
  hinge: number,
  half: number,
  halfWide: number,
  off: number,
): DrawnFlag {
  const length = valueOf(leaf.length) ?? STAND_IN.mouth;
  const upright = leaf.side === 'top' || leaf.side === 'bottom';
  const offset = valueOf(leaf.offset) ?? (upright ? half : halfWide);
  const sign = leaf.side === 'top' || leaf.side === 'right' ? 1 : -1;
  const a = (use.angle * Math.PI) / 180;
  const middle = upright ? -off : 0;
  return {
    id: leaf.id,
    name: leaf.name,
    side: leaf.side,
    angle: use.angle,
    hinge: [hinge, middle + sign * offset],
    tip: [hinge + length * Math.cos(a), middle + sign * (offset + length * Math.sin(a))],
    length,
    offset,
    from: leaf.from ?? -90,
    to: leaf.to ?? 90,
  };
}

/**
 * A box as one of the two elevations shows it: from the side as it is, from above with its widths
 * in the place of its heights and the flags of the sides. Above, camera right counts as up; who
 * draws turns it over.
 */
export function boxFrom(box: DrawnBox, above: boolean): DrawnBox {
  const shown = (f: DrawnFlag) => (f.side === 'left' || f.side === 'right') === above;
  const flags = box.flags.filter(shown);
  if (!above) return { ...box, flags };
  return {
    ...box,
    flags,
    half: box.halfWide,
    middle: 0,
    mouth: { half: box.mouth.halfWide, halfWide: box.mouth.half },
    mask: box.mask && { ...box.mask, half: box.mask.halfWide, halfWide: box.mask.half },
    stages: box.stages.map((s) => ({ ...s, half: s.halfWide, halfWide: s.half })),
  };
}

/** The front where it really stands; null while the station of the lens is not known. */
export function frontPlaces(built: Built): FrontLayout | null {
  return built.once(PLACES);
}

const PLACES = node('front places', (built: Built): FrontLayout | null => {
  const rim = built.body && built.lens ? stationOf(axisOf(built).rim) : null;
  return rim === null ? null : frontLayout(built, rim);
});

/** Station of a piece on the thread, by its place in the chain. */
export function threadStation(built: Built, index: number): number | null {
  return frontPlaces(built)?.pieces.find((p) => p.index === index)?.from ?? null;
}

/** Station of a stage, by its id, or of the back of the box without one. */
export function boxStation(built: Built, stage?: string): number | null {
  const box = frontPlaces(built)?.box ?? null;
  if (!box) return null;
  return stage === undefined ? box.from : (box.stages.find((s) => s.id === stage)?.z ?? box.from);
}
