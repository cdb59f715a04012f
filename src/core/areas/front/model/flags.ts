import type { Built } from '../../../build/build';
import { flagEdge } from '../place/box';
import { frontOf, lensSeat } from '../place/front';
import { type Front } from '../place/parts';
import { mostClosed, worstClearance } from '../../../pupil/inverse';
import { valueOf } from '../../../quantity/quantity';
import type { FlagLeaf } from '../../../kit/types';
import { cornerDirections, judgedFrames } from './judged';
import { nominal } from './looks';
import { situations, type Situation } from './situations';

/** Where a flag stands between the frame and the sun. */
export interface FlagSight {
  leaf: FlagLeaf;
  angle: number;
  /** Lowest angle at which it touches nothing of any delivery frame; null when it always does. */
  lowest: number | null;
  /** Room to the nearest beam of a frame, mm at the tip; below 0 it stands in the light. */
  room: number;
  /** Where the room is least. */
  situation: Situation;
  /** The whole front glass is in shade from light higher than this, degrees; null if unknown. */
  shades: number | null;
  shadesAtLowest: number | null;
}

/** How the light that a flag shades is said: above an angle, below it, or beyond it to the side. */
export function beyond(side: FlagLeaf['side']): string {
  return side === 'top' ? 'above' : side === 'bottom' ? 'below' : 'beyond';
}

/** The middle of the box as built, mm above the axis: below it when the rods are low. */
function middleOf(front: Front, x: readonly number[]): number {
  const mouth = front.edges.find((e) => e.key === 'mouth');
  const ap = mouth?.at(x, 0);
  return ap?.kind === 'rectangle' ? ap.cy : 0;
}

/** Rectangles that flags must stay out of: delivery frames, or the chip when there are none. */
function framesOf(built: Built) {
  const all = judgedFrames(built);
  return built.frames.length > 0 ? all.filter((j) => j.frame) : all;
}

/** Whether what a flag says of itself is enough to place it on its box. */
export function flagStands(front: Front, id: string): boolean {
  const leaf = front.box?.flags.find((f) => f.leaf.id === id)?.leaf;
  return (
    leaf !== undefined &&
    front.seat !== null &&
    front.edges.some((e) => e.key === `flag:${id}`) &&
    valueOf(leaf.offset) !== null &&
    valueOf(leaf.length) !== null &&
    leaf.z !== undefined
  );
}

/**
 * Each flag that is on: how far it can come down, and how low a light it still shades. The light
 * shines from the flag's side along the axis plane; the glass ahead of all others is what it
 * would strike. Null when a number is missing.
 */
export function flagSight(built: Built, id: string): FlagSight | null {
  const front = frontOf(built);
  const { box } = front;
  const placed = box?.flags.find((f) => f.leaf.id === id);
  if (!box || !placed) return null;
  const { leaf } = placed;
  if (!flagStands(front, id)) return null;
  const index = front.edges.findIndex((e) => e.key === `flag:${id}`);
  const off = valueOf(leaf.offset)!;
  const len = valueOf(leaf.length)!;
  let room = Infinity;
  let at: Situation | null = null;
  let lowest: number | null = -Infinity;
  const open = Math.max(leaf.to ?? 90, placed.use.angle);
  const closed = Math.min(leaf.from ?? -90, placed.use.angle);
  let middle = 0;
  for (const sit of situations(built)) {
    const x = nominal(sit);
    if (!x) return null;
    const scene = sit.scene(x);
    middle = middleOf(front, x);
    const directions = framesOf(built).flatMap((j) =>
      cornerDirections(sit, x, j.rectangle(sit.mode(x))),
    );
    const r = worstClearance(scene, index, directions);
    if (r < room) {
      room = r;
      at = sit;
    }
    const tip = scene.apertures[index]!;
    const hinge = tip.z - len * Math.cos((placed.use.angle * Math.PI) / 180);
    const without = { ...scene, apertures: scene.apertures.filter((_, i) => i !== index) };
    const own = mostClosed(
      without,
      (a) => flagEdge(leaf.side, hinge, off, len, a, middle),
      directions,
      0,
      open,
      closed,
    );
    lowest = own === null || lowest === null ? null : Math.max(lowest, own);
  }
  if (!at) return null;
  const glass = frontGlass(built, front);
  const shade = (angle: number) => (glass ? shadedBy(leaf, glass, angle) : null);
  return {
    leaf,
    angle: placed.use.angle,
    lowest,
    room,
    situation: at,
    shades: shade(placed.use.angle),
    shadesAtLowest: lowest === null ? null : shade(lowest),
  };
}

/** How far the front rim of the lens lies behind the back of the box, mm, focused at infinity. */
function gapBehind(built: Built, front: Front): number {
  const seat = lensSeat(built);
  const length = valueOf(built.lens?.length);
  if (!front.seat || seat === null || length === null) return 0;
  const nominal = front.inputs.map((g) => g.known?.value ?? NaN);
  const gap = front.seat(nominal, seat + length) - (seat + length);
  return Number.isFinite(gap) ? Math.max(0, gap) : 0;
}

/** The glass farthest ahead, from the back of the box: the last tray in use, else the lens itself. */
function frontGlass(built: Built, front: Front) {
  const box = front.box!;
  const stage = [...box.stages].reverse().find((s) => s.filter && !s.out && s.z !== null);
  if (stage) {
    const h = valueOf(stage.stage.clearH);
    const w = valueOf(stage.stage.clearW);
    return h === null || w === null
      ? null
      : { z: stage.z!, half: h / 2, halfWide: w / 2, shorter: box.shorter };
  }
  const clear = valueOf(built.lens?.frontClear);
  return clear === null
    ? null
    : { z: -gapBehind(built, front), half: clear / 2, halfWide: clear / 2, shorter: box.shorter };
}

/** How low a light a flag keeps off the front glass at an angle, degrees. */
function shadedBy(
  leaf: FlagLeaf,
  glass: NonNullable<ReturnType<typeof frontGlass>>,
  angle: number,
): number | null {
  const a = (angle * Math.PI) / 180;
  const len = valueOf(leaf.length)!;
  const high = valueOf(leaf.offset)! + len * Math.sin(a);
  const ahead = valueOf(leaf.z)! - glass.shorter + len * Math.cos(a) - glass.z;
  const half = leaf.side === 'top' || leaf.side === 'bottom' ? glass.half : glass.halfWide;
  return ahead <= 0 ? null : (Math.atan2(high + half, ahead) * 180) / Math.PI;
}
