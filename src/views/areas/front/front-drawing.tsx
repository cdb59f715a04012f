'use client';

import type { DrawnBox, FrontLayout } from '@/core/build/front-layout';
import { frontOf } from '@/core/build/front';
import { coneOf } from '@/core/areas/front/model/cones';
import type { ShadingView } from '@/core/areas/front/model/view';
import type { RigFacts } from '../../bench/use-rig';

/** From millimetres on the rig to the picture. */
export interface Scale {
  X: (z: number) => number;
  Y: (r: number) => number;
  k: number;
}

/** Rings, filters, box, stages and flags, to scale, in the section through the axis. */
export function FrontShapes({
  front,
  scale,
  litParts,
}: {
  front: FrontLayout;
  scale: Scale;
  litParts: readonly string[];
}) {
  const { X, Y } = scale;
  const lit = (id: string) => litParts.includes(id);
  const stroke = (id: string) => (lit(id) ? 'var(--ink)' : 'var(--soft)');
  const slab = (from: number, to: number, a: number, b: number) =>
    `M${X(from)} ${Y(a)}L${X(to)} ${Y(a)}L${X(to)} ${Y(b)}L${X(from)} ${Y(b)}Z`;
  return (
    <g>
      {front.longest > front.rim + 0.5 ? (
        <path
          d={`M${X(front.longest)} ${Y(front.free.r)}V${Y(-front.free.r)}`}
          stroke="var(--soft)"
          strokeDasharray="3 4"
          fill="none"
        >
          <title>Farthest that the front of the lens comes</title>
        </path>
      ) : null}
      {front.pieces.map((p) => (
        <g key={p.index}>
          {[1, -1].map((s) => (
            <path
              key={s}
              d={slab(p.from, p.to, s * p.r, s * p.clear)}
              fill="var(--metal-2)"
              stroke={stroke(p.part)}
              strokeWidth={lit(p.part) ? 2 : 1.2}
              strokeDasharray={p.assumed ? '4 3' : undefined}
            >
              <title>{p.assumed ? `${p.name} (a size is not known)` : p.name}</title>
            </path>
          ))}
          {p.glass ? (
            <path
              d={slab(
                p.from + (p.to - p.from) * 0.35,
                p.from + (p.to - p.from) * 0.65,
                p.clear,
                -p.clear,
              )}
              fill="var(--glass)"
              fillOpacity="0.8"
              stroke={stroke(p.part)}
              strokeWidth="0.8"
            >
              <title>{p.name}</title>
            </path>
          ) : null}
        </g>
      ))}
      {front.box ? <BoxShapes box={front.box} scale={scale} litParts={litParts} /> : null}
    </g>
  );
}

function BoxShapes({
  box,
  scale,
  litParts,
}: {
  box: DrawnBox;
  scale: Scale;
  litParts: readonly string[];
}) {
  const { X, Y } = scale;
  const lit = litParts.includes(box.part);
  const line = lit ? 'var(--ink)' : 'var(--soft)';
  const m = box.middle;
  const back = Math.min(...box.stages.filter((s) => !s.out).map((s) => s.half), box.mouth.half);
  return (
    <g strokeDasharray={box.assumed ? '6 4' : undefined}>
      {box.sleeve ? (
        <g fill="none" stroke={line} strokeDasharray="2 2">
          {[1, -1].map((s) => (
            <path
              key={s}
              d={`M${X(box.sleeve!.from)} ${Y(s * box.sleeve!.r)}L${X(box.from)} ${Y(m + s * back)}`}
            />
          ))}
        </g>
      ) : null}
      {[1, -1].map((s) => (
        <path
          key={s}
          d={`M${X(box.from)} ${Y(m + s * box.half)}L${X(box.to)} ${Y(m + s * box.half)}L${X(box.to)} ${Y(m + s * box.mouth.half)}L${X(box.from)} ${Y(m + s * (back + 3))}Z`}
          fill="var(--metal)"
          stroke={line}
          strokeWidth={lit ? 2 : 1.2}
        >
          <title>{box.assumed ? `${box.name} (a size is not known)` : box.name}</title>
        </path>
      ))}
      {box.stages.map((s) =>
        s.out ? null : (
          <g key={s.id}>
            {[1, -1].map((side) => (
              <path
                key={side}
                d={`M${X(s.z)} ${Y(m + side * s.half)}L${X(s.z)} ${Y(m + side * box.half)}`}
                stroke={line}
                strokeWidth="2.4"
                fill="none"
                strokeDasharray="none"
              />
            ))}
            {s.filter ? (
              <path
                d={`M${X(s.z - s.filter.thickness / 2)} ${Y(m + s.half)}L${X(s.z + s.filter.thickness / 2)} ${Y(m + s.half)}L${X(s.z + s.filter.thickness / 2)} ${Y(m - s.half)}L${X(s.z - s.filter.thickness / 2)} ${Y(m - s.half)}Z`}
                fill="var(--glass)"
                fillOpacity="0.85"
                stroke={litParts.includes(s.filter.id) ? 'var(--ink)' : 'var(--soft)'}
                strokeWidth={litParts.includes(s.filter.id) ? 2 : 0.9}
                strokeDasharray="none"
              >
                <title>{`${s.filter.name} in ${s.name}`}</title>
              </path>
            ) : (
              <path
                d={`M${X(s.z)} ${Y(m + s.half)}V${Y(m - s.half)}`}
                stroke="var(--edge)"
                strokeDasharray="2 5"
                fill="none"
              >
                <title>{`${s.name}: free`}</title>
              </path>
            )}
          </g>
        ),
      )}
      {box.mask
        ? [1, -1].map((s) => (
            <path
              key={s}
              d={`M${X(box.to)} ${Y(m + s * box.mask!.half)}L${X(box.to)} ${Y(m + s * box.half)}`}
              stroke={line}
              strokeWidth="4"
              strokeDasharray="none"
              fill="none"
            >
              <title>{box.mask!.name}</title>
            </path>
          ))
        : null}
      <path
        d={`M${X(box.from) - 5} ${Y(m)}H${X(box.to)}`}
        stroke="var(--edge)"
        strokeDasharray="8 3 2 3"
        fill="none"
        opacity={Math.abs(m) > 0.2 ? 1 : 0}
      />
      {box.flags.map((f) => (
        <path
          key={f.id}
          d={`M${X(f.hinge[0])} ${Y(f.hinge[1])}L${X(f.tip[0])} ${Y(f.tip[1])}`}
          stroke={line}
          strokeWidth="3"
          strokeDasharray="none"
          fill="none"
        >
          <title>{`${f.name} at ${f.angle} degrees`}</title>
        </path>
      ))}
    </g>
  );
}

/**
 * The light of the upper and lower (from above: left and right) corner that lose most: their extreme rays as far as they get,
 * and a cross where an edge stops one.
 */
export function Cones({
  facts,
  view,
  scale,
  above,
  until,
}: {
  facts: RigFacts;
  view: ShadingView;
  scale: Scale;
  /** Seen from above: left and right in the place of up and down. */
  above: boolean;
  /** Station at which rays that get out end. */
  until: number;
}) {
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
