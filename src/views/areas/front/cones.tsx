'use client';

import { frontOf } from '@/core/areas/front/place/front';
import { coneOf } from '@/core/areas/front/model/cones';
import type { ShadingView } from '@/core/areas/front/model/view';
import type { RigFacts } from '../../bench/use-rig';
import type { Scale } from './front-drawing';

interface ConesProps {
  facts: RigFacts;
  view: ShadingView;
  scale: Scale;
  /** Seen from above: left and right in the place of up and down. */
  above: boolean;
  /** Station at which rays that get out end. */
  until: number;
}

/**
 * The light of the upper and lower (from above: left and right) corner that lose most: their extreme rays as far as they get,
 * and a cross where an edge stops one.
 */
export function Cones({ facts, view, scale, above, until }: ConesProps) {
  const { X, Y } = scale;
  const { look } = view;
  const worse = (a: number, b: number) =>
    look.corners[a]!.fraction <= look.corners[b]!.fraction ? a : b;
  const corners = above ? [worse(0, 2), worse(1, 3)] : [worse(0, 1), worse(2, 3)];
  /** Height of a point of a ray in this elevation. */
  const v = (at: readonly [number, number, number]) => Y(above ? at[0] : at[1]);
  const edges = frontOf(facts.built).edges;
  return (
    <g className="pointer-events-none">
      {corners.map((c) => {
        const rays = coneOf(look, c, until);
        const near = rays[0]!;
        const far = rays[2]!;
        const chief = rays[1]!;
        const loss = look.corners[c]!;
        const tone = loss.hard
          ? 'var(--fail)'
          : loss.loss > 0.005
            ? 'var(--tight)'
            : 'var(--accent)';
        return (
          <g key={c}>
            <path
              d={`M${X(near.from[2])} ${v(near.from)}L${X(near.to[2])} ${v(near.to)}L${X(far.to[2])} ${v(far.to)}L${X(far.from[2])} ${v(far.from)}Z`}
              fill={tone}
              fillOpacity="0.13"
            />
            {[near, far].map((r, i) => (
              <path
                key={i}
                d={`M${X(r.from[2])} ${v(r.from)}L${X(r.to[2])} ${v(r.to)}`}
                stroke={tone}
                strokeWidth="1.3"
                fill="none"
              />
            ))}
            <path
              d={`M${X(chief.from[2])} ${v(chief.from)}L${X(chief.to[2])} ${v(chief.to)}`}
              stroke={tone}
              strokeWidth="1"
              strokeDasharray="7 4"
              fill="none"
            />
            {rays.map((r, i) =>
              r.stopped === null ? null : (
                <g key={i}>
                  <path
                    d={`M${X(r.to[2]) - 5} ${v(r.to) - 5}l10 10m0 -10l-10 10`}
                    stroke={tone}
                    strokeWidth="2.4"
                    fill="none"
                  >
                    <title>{`stopped by the ${edges[r.stopped]!.label}`}</title>
                  </path>
                </g>
              ),
            )}
          </g>
        );
      })}
      <circle cx={X(look.scene.pupil.z)} cy={Y(0)} r="2.5" fill="var(--accent)">
        <title>entrance pupil</title>
      </circle>
      <path
        d={`M${X(look.scene.pupil.z)} ${Y(look.scene.pupil.r)}V${Y(-look.scene.pupil.r)}`}
        stroke="var(--accent)"
        strokeWidth="2.2"
        fill="none"
      />
    </g>
  );
}
