'use client';

import { modeSize, framingSqueeze } from '@/core/build/circle';
import type { Built } from '@/core/build/build';
import type { Comparison } from '@/core/compare/compare';

const W = 520;
const H = 300;

/** Tangent of half the field, across and up, of a rig; null when it is not known. */
function halves(built: Built): { x: number; y: number } | null {
  const [w, h] = modeSize(built);
  const f = built.focal.known?.value;
  const m = built.magnifications.reduce((p, g) => p * (g.known?.value ?? NaN), 1);
  if (!w.known || !h.known || f === undefined || !Number.isFinite(m)) return null;
  return {
    x: (w.known.value * framingSqueeze(built)) / (2 * f * m),
    y: h.known.value / (2 * f * m),
  };
}

/** What both see from the same place, one field laid over the other at the same scale. */
export function FieldsDrawing({ comparison: c }: { comparison: Comparison }) {
  const a = halves(c.a.built);
  const b = halves(c.b.built);
  const most = Math.max(a?.x ?? 0, b?.x ?? 0, ((a?.y ?? 0) * W) / H, ((b?.y ?? 0) * W) / H) || 1;
  const k = (W / 2 - 24) / most;
  const box = (s: { x: number; y: number }) => ({
    x: W / 2 - s.x * k,
    y: H / 2 - s.y * k,
    width: 2 * s.x * k,
    height: 2 * s.y * k,
  });
  return (
    <svg
      viewBox={`0 0 ${W} ${H}`}
      className="w-full border border-rule bg-panel"
      role="img"
      aria-label={`Fields of ${c.a.built.rig.name} and ${c.b.built.rig.name} from the same place, to scale`}
    >
      <path
        d={`M0 ${H / 2}H${W}M${W / 2} 0V${H}`}
        stroke="var(--rule)"
        strokeDasharray="14 4 3 4"
        fill="none"
      />
      {a ? <FieldA box={box(a)} /> : null}
      {b ? <FieldB box={box(b)} /> : null}
      {!a || !b ? (
        <text x={W / 2} y={H - 12} textAnchor="middle" fontSize="14" fill="var(--unknown)">
          the field of {!a && !b ? 'both' : !a ? 'A' : 'B'} is not known
        </text>
      ) : null}
    </svg>
  );
}

interface Box {
  x: number;
  y: number;
  width: number;
  height: number;
}

function FieldA({ box }: { box: Box }) {
  return (
    <>
      <rect {...box} fill="var(--glass)" fillOpacity="0.3" stroke="var(--ink)" strokeWidth="2" />
      <text x={box.x + 6} y={box.y + 18} fontSize="15" fontWeight="600" fill="var(--ink)">
        A
      </text>
    </>
  );
}

function FieldB({ box }: { box: Box }) {
  return (
    <>
      <rect {...box} fill="none" stroke="var(--accent)" strokeWidth="2" strokeDasharray="9 4" />
      <text
        x={box.x + box.width - 6}
        y={box.y + box.height - 8}
        fontSize="15"
        fontWeight="600"
        textAnchor="end"
        fill="var(--accent)"
      >
        B
      </text>
    </>
  );
}
