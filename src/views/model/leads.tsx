'use client';

import { memo, useMemo } from 'react';
import type { Bay } from '@/core/areas/power/model/bays';
import { leadsDrawn } from '@/core/areas/power/model/drawn';
import { project, type View } from '@/core/drawing/project';
import type { Bounds, Vec } from '@/core/solids/solid';
import type { RigFacts } from '@/views/bench/use-rig';
import type { Sheet } from '@/views/bench/sheet';

/** A line through points of the sheet, px. */
export const polyline = (points: readonly (readonly [number, number])[]) =>
  `M${points.map(([x, y]) => `${x.toFixed(1)} ${y.toFixed(1)}`).join('L')}`;

/**
 * Leads as they lie along the rig: a ring at each socket, a square at each tie, dashed where a socket is
 * not said. One that is pressed is tied on the drawing.
 */
export const Leads = memo(function Leads({
  facts: { built },
  view,
  sheet: { X, Y },
  onTie,
}: {
  facts: RigFacts;
  view: View;
  sheet: Sheet;
  onTie?: (line: string) => void;
}) {
  const leads = useMemo(() => leadsDrawn(built), [built]);
  const on = (p: readonly [number, number, number]) => {
    const [u, v] = project(view, p);
    return [X(u), Y(v)] as const;
  };
  return leads.map(({ line, key, says, points, ties, open, bay }) => {
    const at = points.map(on);
    const d = polyline(at);
    const press = onTie && (() => onTie(line.key));
    return (
      <g
        key={key}
        fill="none"
        strokeLinejoin="round"
        {...(press
          ? {
              role: 'button',
              tabIndex: 0,
              'aria-label': `Tie ${says}`,
              className: 'group cursor-pointer outline-none',
              onClick: press,
              onKeyDown: (e) =>
                (e.key === 'Enter' || e.key === ' ') && (e.preventDefault(), press()),
            }
          : { role: 'img', 'aria-label': says })}
      >
        <title>{says}</title>
        {press ? <Room at={at} d={d} /> : null}
        <path d={d} stroke="var(--paper)" strokeWidth="5" />
        <path
          d={d}
          stroke="var(--ink)"
          strokeWidth="2"
          strokeDasharray={open ? '6 4' : undefined}
          className="group-hover:stroke-accent group-focus-visible:stroke-accent group-focus-visible:stroke-[4]"
        />
        {bay?.box ? <Ring bay={bay} from={on(lower(bay.box))} to={on(upper(bay.box))} /> : null}
        {ties.map(on).map(([x, y], i) => (
          <path key={i} d={`M${x - 4} ${y - 4}h8v8h-8Z`} fill="var(--ink)" stroke="none" />
        ))}
        {[at[0]!, at.at(-1)!].map(([x, y], i) => (
          <circle
            key={i}
            cx={x}
            cy={y}
            r="4"
            fill="var(--paper)"
            stroke="var(--ink)"
            strokeWidth="2"
          />
        ))}
      </g>
    );
  });
});

const lower = ([x, y, z]: Bounds): Vec => [x, y, z];
const upper = ([, , , x, y, z]: Bounds): Vec => [x, y, z];

/** What is left over of a lead, wound up: a ring seen flat, or from its edge. */
function Ring({
  bay: { coil },
  from,
  to,
}: {
  bay: Bay;
  from: readonly [number, number];
  to: readonly [number, number];
}) {
  const [x, y] = [(from[0] + to[0]) / 2, (from[1] + to[1]) / 2];
  const [rx, ry] = [Math.abs(to[0] - from[0]) / 2, Math.abs(to[1] - from[1]) / 2];
  const inner = 1 - (2 * coil.thick) / coil.across;
  const flat = Math.min(rx, ry) > 0.9 * Math.max(rx, ry);
  return (
    <g stroke="var(--ink)" strokeWidth="1.5" strokeDasharray="3 2">
      {flat ? (
        <>
          <ellipse cx={x} cy={y} rx={rx} ry={ry} />
          <ellipse cx={x} cy={y} rx={rx * inner} ry={ry * inner} />
        </>
      ) : (
        <rect x={x - rx} y={y - ry} width={2 * rx} height={2 * ry} rx={Math.min(rx, ry)} />
      )}
    </g>
  );
}

/** Where a lead can be pressed: along it, and as much as a gloved thumb wants at the middle of it. */
function Room({ at, d }: { at: readonly (readonly [number, number])[]; d: string }) {
  const [x, y] = middleOf(at);
  return (
    <>
      <path d={d} stroke="transparent" strokeWidth="22" pointerEvents="stroke" />
      <rect x={x - THUMB / 2} y={y - THUMB / 2} width={THUMB} height={THUMB} fill="transparent" />
    </>
  );
}

const THUMB = 44;

/** Half way along a line. */
function middleOf(at: readonly (readonly [number, number])[]): readonly [number, number] {
  const steps = at.slice(1).map(([x, y], i) => Math.hypot(x - at[i]![0], y - at[i]![1]));
  let left = steps.reduce((sum, s) => sum + s, 0) / 2;
  for (const [i, step] of steps.entries()) {
    const [a, b] = [at[i]!, at[i + 1]!];
    if (left <= step && step > 0) {
      const k = left / step;
      return [a[0] + k * (b[0] - a[0]), a[1] + k * (b[1] - a[1])];
    }
    left -= step;
  }
  return at[0]!;
}
