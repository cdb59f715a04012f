import type { Point } from '@/core/drawing/project';
import type { DressedLens } from '@/core/set/dressed';

/** Room for the drawing of a lens, px. */
const DRAWN = { w: 176, h: 72 };
const EDGE = 4;

/** The scale at which the largest of the lenses fits as it is dressed: all are drawn to it. */
export function oneScale(all: readonly DressedLens[]): number {
  const most = (of: (b: NonNullable<DressedLens['bounds']>) => number) =>
    all.reduce((m, { bounds }) => (bounds ? Math.max(m, of(bounds)) : m), 1);
  return Math.min(
    (DRAWN.w - 2 * EDGE) / most((b) => b.u1 - b.u0),
    // About the axis, so that all of them lie on one line.
    (DRAWN.h / 2 - EDGE) / most((b) => Math.max(b.v1, -b.v0)),
  );
}

/** A lens as it goes on the rig, seen from the side; all of them stand on their mounts. */
export function DressedDrawing({ dressed, k }: { dressed: DressedLens; k: number }) {
  const { outlines, bounds } = dressed;
  const X = (u: number) => EDGE + (u - (bounds?.u0 ?? 0)) * k;
  const Y = (v: number) => DRAWN.h / 2 - v * k;
  const path = (p: readonly Point[]) =>
    `M${p.map(([u, v]) => `${X(u).toFixed(1)} ${Y(v).toFixed(1)}`).join('L')}Z`;
  return (
    <svg width={DRAWN.w} height={DRAWN.h} aria-hidden="true" className="shrink-0">
      {bounds ? (
        <path
          d={`M${X(bounds.u0) - 4} ${Y(0)}H${X(bounds.u1) + 4}`}
          stroke="var(--soft)"
          strokeWidth="0.6"
          strokeDasharray="8 3 2 3"
        />
      ) : null}
      {outlines.map((o) => (
        <path
          key={o.key}
          d={path(o.points)}
          fill={o.piece === 'lens' ? 'var(--metal)' : 'var(--metal-2)'}
          stroke="var(--ink)"
          strokeWidth="0.7"
          strokeLinejoin="round"
          strokeDasharray={o.assumed ? '3 2' : undefined}
        />
      ))}
    </svg>
  );
}
