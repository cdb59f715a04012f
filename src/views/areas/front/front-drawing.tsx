'use client';

import type { DrawnBox, FrontLayout } from '@/core/areas/front/place/layout';

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
        <PieceShape key={p.index} p={p} scale={scale} lit={litParts.includes(p.part)} />
      ))}
      {front.box ? <BoxShapes box={front.box} scale={scale} litParts={litParts} /> : null}
    </g>
  );
}

/** A ring or filter: its rim above and below, and its glass. */
function PieceShape({
  p,
  scale: { X, Y },
  lit,
}: {
  p: FrontLayout['pieces'][number];
  scale: Scale;
  lit: boolean;
}) {
  const stroke = lit ? 'var(--ink)' : 'var(--soft)';
  const slab = (from: number, to: number, a: number, b: number) =>
    `M${X(from)} ${Y(a)}L${X(to)} ${Y(a)}L${X(to)} ${Y(b)}L${X(from)} ${Y(b)}Z`;
  return (
    <g>
      {[1, -1].map((s) => (
        <path
          key={s}
          d={slab(p.from, p.to, s * p.r, s * p.clear)}
          fill="var(--metal-2)"
          stroke={stroke}
          strokeWidth={lit ? 2 : 1.2}
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
          stroke={stroke}
          strokeWidth="0.8"
        >
          <title>{p.name}</title>
        </path>
      ) : null}
    </g>
  );
}

interface BoxProps {
  box: DrawnBox;
  scale: Scale;
  litParts: readonly string[];
}

/** Above and below the middle of a box. */
const BOTH = [1, -1] as const;

function BoxShapes({ box, scale, litParts }: BoxProps) {
  const { X, Y } = scale;
  const lit = litParts.includes(box.part);
  const line = lit ? 'var(--ink)' : 'var(--soft)';
  const m = box.middle;
  const back = Math.min(...box.stages.filter((s) => !s.out).map((s) => s.half), box.mouth.half);
  return (
    <g strokeDasharray={box.assumed ? '6 4' : undefined}>
      {box.sleeve ? (
        <g fill="none" stroke={line} strokeDasharray="2 2">
          {BOTH.map((s) => (
            <path
              key={s}
              d={`M${X(box.sleeve!.from)} ${Y(s * box.sleeve!.r)}L${X(box.from)} ${Y(m + s * back)}`}
            />
          ))}
        </g>
      ) : null}
      {BOTH.map((s) => (
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
          <StageShape
            key={s.id}
            stage={s}
            box={box}
            scale={scale}
            litParts={litParts}
            line={line}
          />
        ),
      )}
      <path
        d={`M${X(box.from) - 5} ${Y(m)}H${X(box.to)}`}
        stroke="var(--edge)"
        strokeDasharray="8 3 2 3"
        fill="none"
        opacity={Math.abs(m) > 0.2 ? 1 : 0}
      />
      <Edges box={box} scale={scale} line={line} />
    </g>
  );
}

/** The mask in the mouth, and the flags: thin plates, drawn by their edge. */
function Edges({ box, scale: { X, Y }, line }: { box: DrawnBox; scale: Scale; line: string }) {
  const { mask, middle } = box;
  const edge = { stroke: line, strokeDasharray: 'none', fill: 'none' };
  return (
    <>
      {mask
        ? BOTH.map((s) => (
            <path
              key={s}
              {...edge}
              d={`M${X(box.to)} ${Y(middle + s * mask.half)}L${X(box.to)} ${Y(middle + s * box.half)}`}
              strokeWidth="4"
            >
              <title>{mask.name}</title>
            </path>
          ))
        : null}
      {box.flags.map((f) => (
        <path
          key={f.id}
          {...edge}
          d={`M${X(f.hinge[0])} ${Y(f.hinge[1])}L${X(f.tip[0])} ${Y(f.tip[1])}`}
          strokeWidth="3"
        >
          <title>{`${f.name} at ${f.angle} degrees`}</title>
        </path>
      ))}
    </>
  );
}

/** A stage with the filter in it, or what is free of it. */
function StageShape({
  stage: s,
  box,
  scale: { X, Y },
  litParts,
  line,
}: BoxProps & { stage: DrawnBox['stages'][number]; line: string }) {
  const m = box.middle;
  const lit = s.filter !== null && litParts.includes(s.filter.id);
  const half = (s.filter?.thickness ?? 0) / 2;
  return (
    <g>
      {BOTH.map((side) => (
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
          d={`M${X(s.z - half)} ${Y(m + s.half)}H${X(s.z + half)}V${Y(m - s.half)}H${X(s.z - half)}Z`}
          fill="var(--glass)"
          fillOpacity="0.85"
          stroke={lit ? 'var(--ink)' : 'var(--soft)'}
          strokeWidth={lit ? 2 : 0.9}
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
  );
}
