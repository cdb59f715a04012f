'use client';

import { memo, useMemo } from 'react';
import { leadsDrawn } from '@/core/areas/power/model/drawn';
import { project, type View } from '@/core/drawing/project';
import type { RigFacts } from '@/views/bench/use-rig';
import type { Sheet } from '@/views/bench/sheet';

/** Leads as they lie along the rig: a ring at each socket, a square at each tie, dashed where a socket is not said. */
export const Leads = memo(function Leads({
  facts: { built },
  view,
  sheet: { X, Y },
}: {
  facts: RigFacts;
  view: View;
  sheet: Sheet;
}) {
  const leads = useMemo(() => leadsDrawn(built), [built]);
  const on = (p: readonly [number, number, number]) => {
    const [u, v] = project(view, p);
    return [X(u), Y(v)] as const;
  };
  return leads.map(({ key, says, points, ties, open }) => {
    const at = points.map(on);
    const d = `M${at.map(([x, y]) => `${x.toFixed(1)} ${y.toFixed(1)}`).join('L')}`;
    return (
      <g key={key} role="img" aria-label={says} fill="none" strokeLinejoin="round">
        <title>{says}</title>
        <path d={d} stroke="var(--paper)" strokeWidth="5" />
        <path
          d={d}
          stroke="var(--ink)"
          strokeWidth="2"
          strokeDasharray={open ? '6 4' : undefined}
        />
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
