'use client';

import { useMemo } from 'react';
import type { Built } from '@/core/build/build';
import { elevation, type Elevation } from '@/core/drawing/elevation';
import type { Point } from '@/core/drawing/project';
import { sayLength } from '@/core/quantity/say';

const W = 1080;
const H = 300;
/** Room between the two and around them, and for what is written under them. */
const GAP = 48;
const FOOT = 58;

/** Both rigs from the side, to one scale, their image planes named. */
export function RigsDrawing({ a, b }: { a: Built; b: Built }) {
  const [left, right] = useMemo(() => [elevation(a, 'side'), elevation(b, 'side')], [a, b]);
  const long = (e: Elevation) => Math.max(1, e.bounds.u1 - e.bounds.u0);
  const tall = (e: Elevation) => Math.max(1, e.bounds.v1 - e.bounds.v0);
  const k = Math.min(
    (W - 3 * GAP) / (long(left) + long(right)),
    (H - FOOT - 16) / Math.max(tall(left), tall(right)),
  );
  const spare = (W - 3 * GAP - (long(left) + long(right)) * k) / 3;
  const x = [GAP + spare, GAP + spare + long(left) * k + GAP + spare];
  return (
    <svg
      viewBox={`0 0 ${W} ${H}`}
      className="mt-3 w-full border border-rule bg-paper"
      role="img"
      aria-label={`${a.rig.name} and ${b.rig.name} from the side, to one scale: ${sizeOf(left)} against ${sizeOf(right)}`}
    >
      {[left, right].map((e, i) => (
        <One
          key={i}
          e={e}
          k={k}
          x={x[i]!}
          name={i === 0 ? `A: ${a.rig.name}` : `B: ${b.rig.name}`}
        />
      ))}
    </svg>
  );
}

const sizeOf = ({ bounds: { u0, u1, v0, v1 } }: Elevation) =>
  `${sayLength(u1 - u0, 0)} long, ${sayLength(v1 - v0, 0)} tall`;

function One({ e, k, x, name }: { e: Elevation; k: number; x: number; name: string }) {
  const { u0, u1, v0 } = e.bounds;
  const foot = H - FOOT;
  // Both stand on one floor.
  const X = (u: number) => x + (u - u0) * k;
  const Y = (v: number) => foot - (v - v0) * k;
  const path = (p: readonly Point[]) =>
    `M${p.map(([u, v]) => `${X(u).toFixed(1)} ${Y(v).toFixed(1)}`).join('L')}`;
  return (
    <g strokeLinejoin="round">
      {e.outlines.map((o) =>
        o.sweep || o.points.length === 0 ? null : (
          <g key={o.key} stroke="var(--soft)" strokeWidth="1">
            <title>{o.name}</title>
            {o.sketch === null ? (
              <path d={`${path(o.points)}Z`} fill="var(--metal)" />
            ) : (
              o.sketch.map((l, i) => (
                <path
                  key={i}
                  d={`${path(l.points)}${l.closed ? 'Z' : ''}`}
                  fill={l.inner || !l.closed ? 'none' : 'var(--metal-2)'}
                />
              ))
            )}
          </g>
        ),
      )}
      <path
        d={`M${X(u0) - 10} ${Y(0)}H${X(u1) + 10}`}
        stroke="var(--soft)"
        strokeWidth="0.8"
        strokeDasharray="12 3 3 3"
      />
      <path
        d={`M${X(u0)} ${foot + 8}H${X(u1)}M${X(u0)} ${foot + 3}v10M${X(u1)} ${foot + 3}v10`}
        stroke="var(--soft)"
        fill="none"
      />
      <text
        x={X((u0 + u1) / 2)}
        y={foot + 28}
        textAnchor="middle"
        fontSize="15"
        fontWeight="600"
        fill="var(--ink)"
      >
        {name}
      </text>
      <text x={X((u0 + u1) / 2)} y={foot + 47} textAnchor="middle" fontSize="14" fill="var(--soft)">
        {e.outlines.length === 0 ? 'nothing stands on it' : sizeOf(e)}
      </text>
    </g>
  );
}
