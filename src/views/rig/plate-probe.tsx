'use client';

import { useState } from 'react';
import type { Shading } from '../bench/use-rig';
import type { Built } from '@/core/build/build';
import { pointText } from '@/core/areas/front/model/view';
import type { PlateFrame } from './plate-layers';
import { W } from './plate-parts';

/** What is left of the light at the point under the pointer. */
export function Probe({
  built,
  map,
  frame: { rect, mode },
}: {
  built: Built;
  map: NonNullable<Shading['map']>;
  frame: PlateFrame;
}) {
  /** As shares of the chip from its lower left. */
  const [at, setAt] = useState<{ x: number; y: number } | null>(null);
  return (
    <>
      <rect
        {...rect(mode)}
        fill="transparent"
        onPointerMove={(e) => {
          const r = e.currentTarget.getBoundingClientRect();
          setAt({
            x: Math.min(1, Math.max(0, (e.clientX - r.left) / r.width)),
            y: Math.min(1, Math.max(0, 1 - (e.clientY - r.top) / r.height)),
          });
        }}
        onPointerLeave={() => setAt(null)}
      />
      {at ? (
        <text
          x={W / 2}
          y={16}
          textAnchor="middle"
          fontSize="13"
          fill="var(--ink)"
          stroke="var(--panel)"
          strokeWidth="4"
          paintOrder="stroke"
          className="pointer-events-none"
        >
          {pointText(built, map, at.x, at.y)}
        </text>
      ) : null}
    </>
  );
}
