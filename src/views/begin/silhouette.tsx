'use client';

import { useId, useMemo } from 'react';
import type { Elevation, Outlined } from '@/core/drawing/elevation';
import type { Point } from '@/core/drawing/project';
import { Parts } from '@/views/model/elevation-parts';

const W = 720;
const H = 384;
const MARGIN = 28;
/** Lengths of the scale bar, mm: the largest that is no longer than a third of the drawing. */
const BARS = [10, 20, 50, 100, 200, 500] as const;

/** A rig from the side, to scale, with a bar that says which. */
export function Silhouette({
  outlines,
  bounds: b,
}: {
  outlines: readonly Outlined[];
  bounds: Elevation['bounds'];
}) {
  const title = useId();
  const { X, Y, k } = useMemo(() => {
    const scale = Math.min(
      (W - 2 * MARGIN) / Math.max(1, b.u1 - b.u0),
      (H - 2 * MARGIN - 24) / Math.max(1, b.v1 - b.v0),
    );
    const [mu, mv] = [(b.u0 + b.u1) / 2, (b.v0 + b.v1) / 2];
    return {
      k: scale,
      X: (u: number) => W / 2 + (u - mu) * scale,
      Y: (v: number) => (H - 24) / 2 - (v - mv) * scale,
    };
  }, [b]);
  const path = (p: readonly Point[]) =>
    `M${p.map(([u, v]) => `${X(u).toFixed(1)} ${Y(v).toFixed(1)}`).join('L')}Z`;
  const bar = [...BARS].reverse().find((n) => n * k <= W / 3) ?? BARS[0];
  return (
    <svg viewBox={`0 0 ${W} ${H}`} role="img" aria-labelledby={title} className="block w-full">
      <title id={title}>The rig from the side, to scale</title>
      <path
        d={`M${MARGIN} ${Y(0)}H${W - MARGIN}`}
        stroke="var(--soft)"
        strokeWidth="0.8"
        strokeDasharray="14 3 3 3"
      />
      <Parts outlines={outlines.filter((o) => !o.sweep)} path={path} litParts={[]} />
      <g stroke="var(--ink)" strokeWidth="1" fill="none">
        <path
          d={`M${MARGIN} ${H - 18}h${bar * k}M${MARGIN} ${H - 23}v10M${MARGIN + bar * k} ${H - 23}v10`}
        />
      </g>
      <text x={MARGIN + bar * k + 8} y={H - 13} fontSize="14" fill="var(--soft)">
        {bar} mm
      </text>
    </svg>
  );
}
