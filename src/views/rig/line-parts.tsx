'use client';

import { shownUnit } from '@/core/quantity/shown';
import type { PlacedShape, Dimension } from '@/core/build/layout';
import type { FrontLayout } from '@/core/areas/front/place/layout';
import { bareLength, plain } from '@/core/quantity/say';

export interface PlacedDimension extends Dimension {
  /** Where its number stands: beside its middle when there is no room. */
  at: number;
}

/** Band of the dimension lines, above the ruler. */
export const BAND = 46;

export const LABEL = 54;

/** A body from above: its width on both sides of the axis; dashed when nobody gave it. */
export function fromAbove(s: PlacedShape, width: number | null): PlacedShape {
  const half = (width ?? 2 * s.profile[0]![1]) / 2;
  return {
    ...s,
    profile: s.profile.map(([z]) => [z, half] as const),
    below: half,
    assumed: s.assumed || width === null,
  };
}

/** What stands in front, as it is read out. */
export function frontNames(f: FrontLayout): string {
  return [
    ...f.pieces.map((p) => p.name),
    ...(f.box
      ? [f.box.name, ...f.box.stages.flatMap((s) => (s.filter ? [s.filter.name] : []))]
      : []),
  ].join(', ');
}

/** Lengths at the front that are worth a dimension line. */
export function frontDimensions(f: FrontLayout): Dimension[] {
  const list: Dimension[] = [];
  const end = f.free.from;
  if (end > f.rim)
    list.push({
      from: f.rim,
      to: end,
      text: bareLength(end - f.rim, 1),
      label: 'length on the thread',
      path: [],
    });
  if (f.box)
    list.push({
      from: f.box.from,
      to: f.box.to,
      text: bareLength(f.box.to - f.box.from, 1),
      label: `back of ${f.box.name} to its mouth`,
      path: [],
    });
  return list;
}

export function bodyBroken(shapes: readonly PlacedShape[], clipR: number): boolean {
  const body = shapes.find((s) => s.role === 'body');
  return body !== undefined && (body.profile[0]![1] > clipR || (body.below ?? 0) > clipR);
}

/** The body goes on beyond the picture: a broken edge. */
export function BreakLines({
  x1,
  x2,
  top,
  bottom,
}: {
  x1: number;
  x2: number;
  top: number;
  bottom: number;
}) {
  const [a, b] = x1 < x2 ? [x1, x2] : [x2, x1];
  const n = Math.max(3, Math.round((b - a) / 18));
  const zig = (y: number, s: number) =>
    `M${a} ${y}` +
    Array.from(
      { length: n },
      (_, i) => `L${a + ((i + 0.5) * (b - a)) / n} ${y + (i % 2 ? s : -s)}`,
    ).join('') +
    `L${b} ${y}`;
  return (
    <g fill="none" stroke="var(--paper)" strokeWidth="5">
      <path d={zig(top + 2, 3)} />
      <path d={zig(bottom - 2, 3)} />
    </g>
  );
}

/** Whether a station is a whole number of steps. */
const isStep = (z: number, step: number) => Math.abs(z / step - Math.round(z / step)) < 1e-6;

export function Ruler({
  ticks,
  X,
  y,
  w,
}: {
  ticks: readonly number[];
  X: (z: number) => number;
  y: number;
  w: number;
}) {
  const { unit, per, more } = shownUnit('mm');
  const step = more > 0 ? 50.8 : 50;
  return (
    <g stroke="var(--soft)" fill="var(--soft)" fontSize="13">
      <path d={`M0 ${y}H${w}`} strokeWidth="1" />
      {ticks.map((z) => (
        <path key={z} d={`M${X(z)} ${y}v${isStep(z, step) ? 9 : 5}`} strokeWidth="1" />
      ))}
      {ticks
        // A figure every 50 mm where there is room, else every 100; none over the image plane's name.
        .filter((z) => isStep(z, Math.abs(X(50) - X(0)) < 42 ? 2 * step : step))
        .filter((z) => z === 0 || Math.abs(X(z) - X(0)) > 60)
        .map((z) => (
          <text key={z} x={X(z)} y={y + 22} textAnchor="middle" stroke="none">
            {z === 0 ? 'image plane 0' : plain(z * per, 1)}
          </text>
        ))}
      <text x={w - 8} y={y + 22} textAnchor="end" stroke="none">
        {unit}
      </text>
    </g>
  );
}

/** Numbers that would run into each other are moved apart along the band. */
export function dimensionLabels(
  dims: readonly Dimension[],
  X: (z: number) => number,
  w: number,
): PlacedDimension[] {
  const placed = dims
    .map((d) => ({ ...d, at: (X(d.from) + X(d.to)) / 2 }))
    .sort((a, b) => a.at - b.at);
  // A first guess from the left, then what runs out of the picture comes back from the right.
  for (let i = 1; i < placed.length; i++)
    placed[i]!.at = Math.max(placed[i]!.at, placed[i - 1]!.at + LABEL);
  let limit = w - LABEL / 2;
  for (let i = placed.length - 1; i >= 0; i--) {
    placed[i]!.at = Math.min(placed[i]!.at, limit);
    limit = placed[i]!.at - LABEL;
  }
  return placed;
}

/** Dimension lines: witness lines down from the faces, the stretch between them, its number. */
export function Dimensions({
  dims,
  X,
  y,
}: {
  dims: readonly PlacedDimension[];
  X: (z: number) => number;
  y: number;
}) {
  return (
    <g stroke="var(--soft)" fill="none" strokeWidth="1">
      {dims.map((d) => {
        const a = Math.min(X(d.from), X(d.to));
        const b = Math.max(X(d.from), X(d.to));
        return (
          <g key={d.label}>
            <path d={`M${a} ${y - 6}v16M${b} ${y - 6}v16M${a} ${y + 5}H${b}`} />
            <path
              d={`M${a} ${y + 5}l5 -2.5v5zM${b} ${y + 5}l-5 -2.5v5z`}
              fill="var(--soft)"
              stroke="none"
            />
            <path d={`M${(a + b) / 2} ${y + 5}L${d.at} ${y + 15}`} strokeDasharray="2 2" />
          </g>
        );
      })}
    </g>
  );
}
