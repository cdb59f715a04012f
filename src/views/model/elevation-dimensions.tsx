'use client';

import { plain } from '@/core/quantity/say';
import { shownUnit } from '@/core/quantity/shown';
import type { dimensionLines } from '@/core/drawing/svg';
import type { Sheet } from '@/views/bench/sheet';

type Line = ReturnType<typeof dimensionLines>[number];

/** One dimension line below another. */
export const ROW = 19;

/** Whole steps between two stations. */
export function ticksOf(from: number, to: number, step: number): number[] {
  const ticks: number[] = [];
  for (let z = Math.ceil(from / step) * step; z <= to; z += step) ticks.push(z);
  return ticks;
}

export function Ruler({
  ticks,
  X,
  y,
}: {
  ticks: readonly number[];
  X: (u: number) => number;
  y: number;
}) {
  return (
    <g stroke="var(--soft)" fill="var(--soft)" fontSize="12" className="pointer-events-none">
      {ticks.map((z) => (
        <g key={z}>
          <path d={`M${X(z)} ${y}v5`} strokeWidth="0.8" />
          <text x={X(z)} y={y + 16} textAnchor="middle" stroke="none">
            {plain(z * shownUnit('mm').per, 1)}
          </text>
        </g>
      ))}
    </g>
  );
}

/** Whether a dimension's words fit between its arrows, px. */
function fits(px: number, d: { text: string; label: string }): boolean {
  return px > (d.text.length + d.label.length) * 6.4 + 24;
}

const LINE = { stroke: 'var(--soft)', fill: 'var(--soft)', strokeWidth: '0.8' } as const;
const TEXT = {
  fontSize: '12.5',
  stroke: 'var(--paper)',
  strokeWidth: '4',
  paintOrder: 'stroke',
} as const;

/** What lies under a dimension line is broken off round it, as on a drawing made by hand. */
const GAP = {
  fill: 'none',
  stroke: 'var(--paper)',
  strokeWidth: '9',
  strokeDasharray: 'none',
} as const;

/** A dimension along the rig, under it. */
function Below({ d, X, y }: { d: Line; X: (u: number) => number; y: number }) {
  const [a, b] = [Math.min(X(d.a[0]), X(d.b[0])), Math.max(X(d.a[0]), X(d.b[0]))];
  const inside = fits(b - a, d);
  return (
    <g {...LINE} strokeDasharray={d.unknown ? '4 3' : undefined}>
      <title>{d.told}</title>
      <path d={`M${a} ${y}H${b}`} {...GAP} />
      <path d={`M${a} ${y - 5}v10M${b} ${y - 5}v10M${a} ${y}H${b}`} fill="none" />
      <path d={`M${a} ${y}l6 -2.5v5zM${b} ${y}l-6 -2.5v5z`} stroke="none" />
      <text
        {...TEXT}
        x={inside ? (a + b) / 2 : b + 6}
        y={y + 4}
        textAnchor={inside ? 'middle' : 'start'}
      >
        {`${d.text} ${d.label}`}
      </text>
    </g>
  );
}

/** A dimension across the rig, beside it. */
function Beside({ d, Y, x }: { d: Line; Y: (v: number) => number; x: number }) {
  const [a, b] = [Math.min(Y(d.a[1]), Y(d.b[1])), Math.max(Y(d.a[1]), Y(d.b[1]))];
  return (
    <g {...LINE} strokeDasharray={d.unknown ? '4 3' : undefined}>
      <title>{d.told}</title>
      <path d={`M${x} ${a}V${b}`} {...GAP} />
      <path d={`M${x - 5} ${a}h10M${x - 5} ${b}h10M${x} ${a}V${b}`} fill="none" />
      <path d={`M${x} ${a}l-2.5 6h5zM${x} ${b}l-2.5 -6h5z`} stroke="none" />
      <text
        {...TEXT}
        textAnchor="middle"
        transform={`translate(${x + 4} ${(a + b) / 2}) rotate(-90)`}
      >
        {`${d.text} ${d.label}`}
      </text>
    </g>
  );
}

interface DimensionsProps {
  below: readonly Line[];
  beside: readonly Line[];
  sheet: Sheet;
  /** Right end and bottom of the rig, mm. */
  right: number;
  bottom: number;
}

/** All dimensions there is room for, each line farther out than the one before. */
export function Dimensions({ below, beside, sheet: { X, Y }, right, bottom }: DimensionsProps) {
  return (
    <>
      {below.map((d, i) => (
        <Below key={d.label} d={d} X={X} y={Y(bottom) + 20 + ROW * (i + 1) - 6} />
      ))}
      {beside.map((d, i) => (
        <Beside key={d.label} d={d} Y={Y} x={X(right) + 22 + 24 * i} />
      ))}
    </>
  );
}
