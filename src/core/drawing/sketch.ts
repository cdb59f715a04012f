import type { Line, Silhouette } from '../areas/space/kit/silhouettes';
import type { Box, Vec } from '../solids/solid';
import { project, type Point, type View } from './project';

/** A line of what a part is recognised by, in a view. */
export interface SketchLine {
  points: readonly Point[];
  /** An outline of the part; else a line on it. */
  closed: boolean;
  inner: boolean;
}

/** Corners on a circle of a sketch. */
const ROUND = 24;

/** Which way one looks in a view. */
const LOOK: Readonly<Record<View, Vec>> = { side: [1, 0, 0], top: [0, 1, 0], front: [0, 0, 1] };

/**
 * What a fitted part is recognised by, drawn into its block as that stands: seen along its own width
 * its side, along its own length its front. Turned by anything between, or seen from above, it is its
 * block.
 */
export function sketchOf(view: View, block: Box, own: Silhouette): SketchLine[] | null {
  const look = LOOK[view];
  const along = block.axes.findIndex((a) => Math.abs(dot(a, look)) > 1 - 1e-6);
  if (along !== 0 && along !== 2) return null;
  const lines = along === 0 ? own.side : own.front;
  const [hx, hy, hz] = block.half;
  // The front is told from camera right to camera left, as it is drawn.
  const local = ([u, v]: Point): Vec =>
    along === 0 ? [0, hy * (2 * v - 1), hz * (2 * u - 1)] : [hx * (1 - 2 * u), hy * (2 * v - 1), 0];
  const on = (p: Point): Point => {
    const l = local(p);
    return project(
      view,
      [0, 1, 2].map(
        (k) =>
          block.centre[k]! +
          l[0] * block.axes[0][k]! +
          l[1] * block.axes[1][k]! +
          l[2] * block.axes[2][k]!,
      ) as unknown as Vec,
    );
  };
  return lines.map((l) => ({
    points: (l.r === undefined ? l.points : circleIn(l, along === 0 ? hz / hy : hx / hy)).map(on),
    closed: l.open !== true,
    inner: l.inner === true,
  }));
}

/** A circle in shares of a block that is `wide` times as long as it is high. */
export function circleIn({ points, r = 0 }: Line, wide: number): Point[] {
  const [u, v] = points[0]!;
  const [ru, rv] = wide > 1 ? [r / wide, r] : [r, r * wide];
  return Array.from({ length: ROUND }, (_, i) => {
    const a = (2 * Math.PI * i) / ROUND;
    return [u + ru * Math.cos(a), v + rv * Math.sin(a)];
  });
}

const dot = (a: Vec, b: Vec) => a[0] * b[0] + a[1] * b[1] + a[2] * b[2];
