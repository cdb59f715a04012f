'use client';

import { createContext, useMemo, useState } from 'react';
import { project, type View } from '@/core/drawing/project';
import { loadLines, loadWords, type LoadLine } from '@/core/areas/joints/model/load-lines';
import type { Range } from '@/core/solve/range';
import type { Sheet } from '@/views/bench/sheet';
import type { RigFacts } from '@/views/bench/use-rig';

const NONE: readonly LoadLine[] = [];

/** Tells the drawings which range of a joint is asked for; null when none is any more. */
export const RangeDrawn = createContext<(range: Range | null) => void>(() => undefined);

/**
 * The load path over the elevations while joints are looked at, one of them may be lit; and the ends
 * of a range that was asked for.
 */
export function useLoadLayer(facts: RigFacts, on: boolean) {
  const [lit, setLit] = useState<string | null>(null);
  const lines = useMemo(() => (on ? loadLines(facts.built) : NONE), [on, facts]);
  const [range, setRange] = useState<Range | null>(null);
  const under = useMemo(
    () =>
      on
        ? function Under(view: View, sheet: Sheet) {
            return (
              <>
                {range ? <Ends range={range} view={view} sheet={sheet} /> : null}
                <LoadLayer lines={lines} view={view} sheet={sheet} lit={lit} />
              </>
            );
          }
        : undefined,
    [on, lines, lit, range],
  );
  return { lines, under, setLit, setRange };
}

/** What moves at either end of its range: dashed, with where that is. */
function Ends({ range, view, sheet }: { range: Range; view: View; sheet: Sheet }) {
  return (
    <g pointerEvents="none" aria-hidden="true" className="text-accent">
      {range.ends.map(({ says, drawn }, i) => {
        const shapes = drawn[view].map((ps) => ps.map(([u, v]) => [sheet.X(u), sheet.Y(v)]));
        const top = shapes
          .flat()
          .reduce<number[] | null>((m, p) => (m && m[1]! < p[1]! ? m : p), null);
        return (
          <g key={i === 0 ? 'from' : 'to'}>
            {shapes.map((ps, n) => (
              <polygon
                key={n}
                points={ps.map((p) => p.join(',')).join(' ')}
                fill="none"
                stroke="currentColor"
                strokeWidth="1.5"
                strokeDasharray="7 4"
              />
            ))}
            {top && view === 'side' ? (
              <text
                x={top[0]}
                y={top[1]! - 6}
                fontSize="13"
                fontWeight="600"
                fill="currentColor"
                stroke="var(--panel)"
                strokeWidth="4"
                paintOrder="stroke"
              >
                {says}
              </text>
            ) : null}
          </g>
        );
      })}
    </g>
  );
}

/**
 * How the weight gets from every part to what the rig is held by: a line through each joint, heavy
 * where nothing else holds what is beyond it, doubled where something does.
 */
function LoadLayer({
  lines,
  view,
  sheet,
  lit,
}: {
  lines: readonly LoadLine[];
  view: View;
  sheet: Sheet;
  /** The joint that is looked at in the list. */
  lit: string | null;
}) {
  return (
    <g pointerEvents="none" aria-hidden="true">
      {lines.map((l) => {
        const points = l.points.map((p) => {
          const [u, v] = project(view, p);
          return [sheet.X(u), sheet.Y(v)] as const;
        });
        const d = points.map(([x, y], i) => `${i === 0 ? 'M' : 'L'}${x} ${y}`).join('');
        const [jx, jy] = points[points.length === 3 ? 1 : 0]!;
        const on = l.use === lit;
        return (
          <g key={l.use} className="text-accent" opacity={lit === null || on ? 1 : 0.35}>
            <title>{`${l.name}: ${loadWords(l)}`}</title>
            <path
              d={d}
              fill="none"
              stroke="var(--panel)"
              strokeWidth={l.only ? 7 : 6}
              strokeLinejoin="round"
            />
            <path
              d={d}
              fill="none"
              stroke="currentColor"
              strokeWidth={on ? 4 : l.only ? 3 : 1.25}
              strokeDasharray={l.only ? undefined : '5 3'}
              strokeLinejoin="round"
            />
            <rect
              x={jx - 4.5}
              y={jy - 4.5}
              width="9"
              height="9"
              transform={`rotate(45 ${jx} ${jy})`}
              fill={l.only ? 'currentColor' : 'var(--panel)'}
              stroke="currentColor"
              strokeWidth="1.5"
            />
            {on && view === 'side' ? (
              <text
                x={jx + 10}
                y={jy - 8}
                fontSize="13"
                fontWeight="600"
                fill="currentColor"
                stroke="var(--panel)"
                strokeWidth="4"
                paintOrder="stroke"
              >
                {loadWords(l)}
              </text>
            ) : null}
          </g>
        );
      })}
    </g>
  );
}
