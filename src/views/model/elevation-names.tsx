'use client';

import { memo, useDeferredValue, useMemo } from 'react';
import type { Elevation } from '@/core/drawing/elevation';
import { placeNames, type Named } from '@/core/drawing/names';
import type { Sheet } from '@/views/bench/sheet';

const SIZE = 12;
/** Width of a letter of that size, px, with room to spare. */
const LETTER = 6.6;

/** What each piece is called, beside it; a name for which there is no room is left out. */
export const Names = memo(function Names({
  e: now,
  sheet,
  litParts,
  litOnly,
}: {
  e: Elevation;
  sheet: Sheet;
  litParts: readonly string[];
  /** Only what is lit is named: something is in the hand. */
  litOnly: boolean;
}) {
  // What is dragged comes first; its name follows.
  const e = useDeferredValue(now);
  const placed = useMemo(
    () => placeNames(namesOf(e, sheet, litParts, litOnly), sheet, takenBy(e, sheet)),
    [e, sheet, litParts, litOnly],
  );
  return (
    <g className="pointer-events-none" aria-hidden="true">
      {placed.map((n) => {
        const x = Math.min(n.left + n.w, Math.max(n.left, n.x));
        const y = Math.min(n.top + n.h, Math.max(n.top, n.y));
        return (
          <g key={n.key}>
            <path d={`M${n.x} ${n.y}L${x} ${y}`} stroke="var(--soft)" strokeWidth="0.7" />
            <circle cx={n.x} cy={n.y} r="1.6" fill="var(--soft)" />
            <text
              x={n.left + 2}
              y={n.top + SIZE}
              fontSize={SIZE}
              fontWeight={litParts.includes(n.part) ? 600 : 400}
              fill="var(--ink)"
              stroke="var(--paper)"
              strokeWidth="3.5"
              strokeLinejoin="round"
              paintOrder="stroke"
            >
              {n.name}
            </text>
          </g>
        );
      })}
    </g>
  );
});

/** Names stand beside the rig: not on its parts, its dimensions, or the words over the drawing. */
function takenBy(e: Elevation, { X, Y, w, h }: Sheet) {
  const parts = e.outlines
    .filter((o) => !o.sweep && o.points.length > 0)
    .map((o) => boxOf(o.points.map((p) => [X(p[0]), Y(p[1])] as const)));
  const { u0, u1, v0, v1 } = e.bounds;
  return [
    ...parts,
    { left: X(u1) + 6, top: Y(v1), w: BESIDE, h: Y(v0) - Y(v1) },
    { left: X(u0) - 10, top: Y(v0), w: X(u1) - X(u0) + BESIDE, h: h - Y(v0) },
    { left: 0, top: 0, w, h: HEAD },
  ];
}

/** Dimensions beside the rig take this much, and words and switches over it, px. */
const BESIDE = 80;
const HEAD = 30;

const boxOf = (points: readonly (readonly [number, number])[]) => {
  const [xs, ys] = [points.map((p) => p[0]), points.map((p) => p[1])];
  const [left, top] = [Math.min(...xs), Math.min(...ys)];
  return { left, top, w: Math.max(...xs) - left, h: Math.max(...ys) - top };
};

interface PieceName extends Named {
  part: string;
  name: string;
}

/** One name a piece, at the middle of the largest of its outlines; what is lit comes first. */
function namesOf(
  e: Elevation,
  { X, Y }: Sheet,
  litParts: readonly string[],
  litOnly: boolean,
): PieceName[] {
  const best = new Map<string, { n: PieceName; size: number }>();
  for (const o of e.outlines) {
    if (o.sweep || o.points.length === 0 || (litOnly && !litParts.includes(o.part))) continue;
    const box = boxOf(o.points.map((p) => [X(p[0]), Y(p[1])] as const));
    const size = box.w * box.h;
    if ((best.get(o.piece)?.size ?? -1) >= size) continue;
    const n = {
      key: o.piece,
      part: o.part,
      name: o.name,
      x: box.left + box.w / 2,
      y: box.top + box.h / 2,
      w: o.name.length * LETTER + 4,
      h: SIZE + 4,
    };
    best.set(o.piece, { n, size });
  }
  // Small ones are hardest to tell: they are named before large ones.
  return [...best.values()]
    .sort(
      (a, b) =>
        Number(litParts.includes(b.n.part)) - Number(litParts.includes(a.n.part)) ||
        a.size - b.size,
    )
    .map(({ n }) => n);
}
