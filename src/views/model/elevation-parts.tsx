'use client';

import { memo } from 'react';
import type { LightCone, Elevation, Outlined } from '@/core/drawing/elevation';
import type { Point, View } from '@/core/drawing/project';
import type { Sheet } from '@/views/bench/sheet';

/** What is filled where two parts would have to stand in the same place. */
export function Hatch({ id }: { id: string }) {
  return (
    <defs>
      <pattern
        id={id}
        width="6"
        height="6"
        patternUnits="userSpaceOnUse"
        patternTransform="rotate(45)"
      >
        <path d="M0 0v6" stroke="var(--fail)" strokeWidth="2" />
      </pattern>
    </defs>
  );
}

/** The optical axis: along the picture, or a cross where it is looked along. */
export function Axes({
  view,
  sheet: { X, Y },
  from,
  to,
}: {
  view: View;
  sheet: Sheet;
  from: number;
  to: number;
}) {
  return view === 'front' ? (
    <path
      d={`M${X(0) - 12} ${Y(0)}h24M${X(0)} ${Y(0) - 12}v24`}
      stroke="var(--soft)"
      strokeWidth="0.8"
    />
  ) : (
    <path
      d={`M${X(from) - 8} ${Y(0)}H${X(to) + 20}`}
      stroke="var(--soft)"
      fill="none"
      strokeDasharray="14 3 3 3"
      strokeWidth="0.8"
    />
  );
}

const FILL: Record<string, string> = {
  body: 'var(--metal)',
  lens: 'var(--metal)',
  rods: 'var(--metal-2)',
  filter: 'var(--glass)',
};

/** Filled from far to near, then all of them once more in thin dashes: what is hidden shows. */
export function Parts({
  outlines,
  path,
  litParts,
}: {
  outlines: readonly Outlined[];
  path: (p: readonly Point[]) => string;
  litParts: readonly string[];
}) {
  return (
    <g strokeLinejoin="round">
      {outlines.map((o) => (
        <PartPath key={o.key} o={o} path={path} on={litParts.includes(o.part)} />
      ))}
      <g fill="none" stroke="var(--soft)" strokeWidth="0.7" strokeDasharray="3 3" opacity="0.75">
        {outlines.map((o) => (o.sweep ? null : <HiddenPath key={o.key} o={o} path={path} />))}
      </g>
    </g>
  );
}

/** An outline is drawn again only when it, or the scale, is another. */
const PartPath = memo(function PartPath({
  o,
  path,
  on,
}: {
  o: Outlined;
  path: (p: readonly Point[]) => string;
  on: boolean;
}) {
  const fill = FILL[o.kind] ?? 'var(--metal-2)';
  const look = {
    fillOpacity: o.assumed ? 0.45 : 1,
    stroke: on ? 'var(--ink)' : 'var(--soft)',
    strokeDasharray: o.sweep || o.assumed ? '5 4' : undefined,
  };
  const title = <title>{o.assumed ? `${o.name} (a size is not known)` : o.name}</title>;
  if (o.sketch === null)
    return (
      <path d={path(o.points)} fill={o.sweep ? 'none' : fill} strokeWidth={on ? 2 : 1.1} {...look}>
        {title}
      </path>
    );
  // Its block is what is computed with: it stays in sight, thin, and takes the pointer.
  return (
    <g {...look}>
      {title}
      <path d={path(o.points)} fill={fill} fillOpacity={0.25} strokeWidth="0.6" />
      {o.sketch.map((l, i) => (
        <path
          key={i}
          d={l.closed ? path(l.points) : path(l.points).replace('Z', '')}
          fill={l.inner ? 'none' : fill}
          strokeWidth={l.inner ? 0.8 : on ? 2 : 1.1}
        />
      ))}
    </g>
  );
});

const HiddenPath = memo(function HiddenPath({
  o,
  path,
}: {
  o: Outlined;
  path: (p: readonly Point[]) => string;
}) {
  return <path d={path(o.points)} />;
});

/** The cone that the edges of the frame see, from the entrance pupil on. */
export function Cone({ cone, sheet }: { cone: LightCone; sheet: Sheet }) {
  const { X, Y } = sheet;
  const end = (sheet.w - X(0)) / sheet.k;
  return (
    <path
      d={`M${X(end)} ${Y((end - cone.z) * cone.tan)}L${X(cone.z)} ${Y(0)}L${X(end)} ${Y(-(end - cone.z) * cone.tan)}`}
      fill="none"
      stroke="var(--accent)"
      strokeWidth="1.2"
      strokeDasharray="8 4"
      className="pointer-events-none"
    />
  );
}

/** Where the gear of a drive meshes, and what its arm reaches. */
export function Mesh({
  mesh: m,
  sheet: { X, Y, k },
}: {
  mesh: Elevation['meshes'][number];
  sheet: Sheet;
}) {
  return (
    <g fill="none" stroke="var(--accent)" strokeWidth="1">
      <circle cx={X(0)} cy={Y(0)} r={m.circle * k} strokeDasharray="2 3" />
      {[m.from, m.to].map((r, i) => (
        <circle
          key={i}
          cx={X(m.pivot[0])}
          cy={Y(m.pivot[1])}
          r={r * k}
          strokeDasharray="6 4"
          opacity="0.6"
        />
      ))}
      {m.arcs.map((a) => (
        <path
          key={a.from}
          d={arc(X(0), Y(0), m.circle * k, a.from, a.to)}
          strokeWidth="3"
          opacity="0.7"
        />
      ))}
    </g>
  );
}

/** A part of a circle, degrees counter-clockwise on the sheet. */
function arc(x: number, y: number, r: number, from: number, to: number): string {
  const at = (a: number) => {
    const t = (a * Math.PI) / 180;
    return `${x + r * Math.cos(t)} ${y - r * Math.sin(t)}`;
  };
  return `M${at(from)}A${r} ${r} 0 ${to - from > 180 ? 1 : 0} 0 ${at(to)}`;
}

interface FoulsProps {
  fouls: Elevation['fouls'];
  path: (p: readonly Point[]) => string;
  /** Id of the hatching. */
  hatch: string;
}

/** Where two parts would have to stand in the same place, hatched. */
export function Fouls({ fouls, path, hatch }: FoulsProps) {
  return fouls.map((f) => (
    <path
      key={f.key}
      d={path(f.points)}
      fill={`url(#${hatch})`}
      stroke="var(--fail)"
      strokeWidth="1.2"
    />
  ));
}
