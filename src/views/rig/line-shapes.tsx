'use client';

import type { RigFacts } from '../bench/use-rig';
import type { FrontLayout } from '@/core/areas/front/place/layout';
import type { Layout, PlacedShape } from '@/core/build/layout';
import type { ShadingView } from '@/core/areas/front/model/view';
import { valueOf } from '@/core/quantity/quantity';
import { ShapeGroup } from '../bench/shapes';
import dynamic from 'next/dynamic';
import { FrontShapes } from '../areas/front/front-drawing';
import { hitOf, lensFrom, pathIn, RULER, TOP, type LineFrame } from './line-frame';
import { BreakLines, bodyBroken, fromAbove } from './line-parts';

/** The light comes with what shades it. */
const Cones = dynamic(() => import('../areas/front/cones').then((m) => m.Cones), { ssr: false });

interface Drawn {
  facts: RigFacts;
  l: Layout;
  fl: FrontLayout | null;
  frame: LineFrame;
}

/** Body, links, lens and what is ahead of it, with the light that the corners see. */
export function LineShapes({
  facts,
  l,
  fl,
  frame,
  litParts,
  view,
}: Drawn & { litParts: readonly string[]; view: ShadingView | null }) {
  const { built } = facts;
  const { X, Y, V, k, clipR, above } = frame;
  const body = l.shapes
    .filter((s) => s.part === built.body?.id)
    .map((s) => (above && s.role === 'body' ? fromAbove(s, valueOf(built.body?.width)) : s));
  const links = new Set(built.links.map((x) => x.link.id));
  const lit = (id: string | undefined) => id !== undefined && litParts.includes(id);
  const pathOf = (s: PlacedShape) => pathIn(frame, s);
  return (
    <g clipPath="url(#line-field)">
      <ShapeGroup shapes={body} pathOf={pathOf} lit={lit(built.body?.id)} />
      <ShapeGroup
        shapes={l.shapes.filter((s) => links.has(s.part))}
        pathOf={pathOf}
        lit={[...links].some(lit)}
      />
      <ShapeGroup
        shapes={l.shapes.filter((s) => s.part === built.lens?.id)}
        pathOf={pathOf}
        lit={lit(built.lens?.id)}
      />
      {fl ? <FrontShapes front={fl} scale={{ X, Y: V, k }} litParts={litParts} /> : null}
      {view && fl ? (
        <Cones
          facts={facts}
          view={view}
          scale={{ X, Y: V, k }}
          above={above}
          until={frame.far + 36}
        />
      ) : null}
      {built.body && l.mountFace !== null && bodyBroken(body, clipR) ? (
        <BreakLines x1={X(l.from)} x2={X(l.mountFace)} top={Y(clipR)} bottom={Y(-clipR)} />
      ) : null}
    </g>
  );
}

/** A stretch that no part fills, or that two claim. */
export function Gap({ gap, frame }: { gap: Layout['gap']; frame: LineFrame }) {
  const { X, Y, k, reach } = frame;
  if (!gap) return null;
  return (
    <rect
      x={Math.min(X(gap.from), X(gap.to))}
      width={Math.abs(X(gap.to) - X(gap.from))}
      y={Y(reach * 0.7)}
      height={reach * 1.4 * k}
      fill="url(#foul)"
      stroke="var(--fail)"
    />
  );
}

/** What the parts are called, each on its own. */
export function LineNames({ facts, l, fl, frame }: Drawn) {
  const { built } = facts;
  const { X, Y, k, axis, reach, lensR } = frame;
  const from = lensFrom(l);
  const name = {
    textAnchor: 'middle',
    fontSize: '15',
    fill: 'var(--ink)',
    className: 'pointer-events-none',
  } as const;
  return (
    <>
      {built.lens && from !== null ? (
        <text {...name} x={(X(from) + X(l.to)) / 2} y={axis - Math.min(reach, lensR) * 0.5 * k}>
          {built.lens.name}
        </text>
      ) : null}
      {fl?.box ? (
        <text
          {...name}
          x={(X(fl.box.from) + X(fl.box.to)) / 2}
          y={Math.max(TOP + 12, Y(fl.box.middle + fl.box.half) - 6)}
          stroke="var(--paper)"
          strokeWidth="3"
          paintOrder="stroke"
        >
          {fl.box.name}
        </text>
      ) : null}
      {built.body && l.mountFace !== null ? (
        <text {...name} x={(X(l.from) + X(0)) / 2} y={axis + Math.min(reach, 41) * 0.62 * k}>
          {built.body.name}
        </text>
      ) : null}
    </>
  );
}

/** The optical axis, the image plane, and the depths that matter. */
export function LineMarks({ l, frame }: { l: Layout; frame: LineFrame }) {
  const { X, Y, w, h, axis } = frame;
  return (
    <>
      {l.marks.map((m) => (
        <path
          key={m.label}
          d={`M${X(m.z)} ${Y(m.r + 3)}V${Y(-m.r - 3)}`}
          stroke="var(--soft)"
          strokeDasharray="5 3"
          fill="none"
        />
      ))}
      <path
        d={`M6 ${axis}H${w - 6}`}
        stroke="var(--tight)"
        strokeWidth="1"
        strokeDasharray="18 4 3 4"
        fill="none"
      />
      <path d={`M${X(0)} ${TOP - 8}V${h - RULER}`} stroke="var(--accent)" strokeWidth="1.2" />
    </>
  );
}

/** A dashed frame where nothing stands yet. */
function Empty({
  x,
  width,
  y,
  height,
  children,
}: {
  x: number;
  width: number;
  y: number;
  height: number;
  children: React.ReactNode;
}) {
  return (
    <g className="pointer-events-none">
      <rect
        x={x}
        width={width}
        y={y}
        height={height}
        fill="none"
        stroke="var(--edge)"
        strokeDasharray="7 5"
      />
      {children}
    </g>
  );
}

/** Places with nothing in them. */
export function EmptyPlaces({ facts, l, fl, frame }: Drawn) {
  const { Y, k, axis, reach, lensR } = frame;
  const ahead = hitOf(frame, l.to, l.to + 18);
  const r = Math.min(reach, lensR) * 0.9;
  const text = { textAnchor: 'middle', fill: 'var(--soft)' } as const;
  return (
    <>
      {l.places.map((p) => {
        const { x, width } = hitOf(frame, p.from, p.to);
        return (
          <Empty key={p.kind} x={x} width={width} y={Y(reach * 0.75)} height={reach * 1.5 * k}>
            <text {...text} x={x + width / 2} y={axis - 8} fontSize="15">
              {p.label}
            </text>
          </Empty>
        );
      })}
      {facts.built.lens && fl && fl.pieces.length === 0 && !fl.box ? (
        <Empty x={ahead.x} width={ahead.width} y={Y(r)} height={2 * r * k}>
          <text {...text} x={ahead.x + ahead.width / 2} y={Y(r) - 6} fontSize="13">
            in front
          </text>
        </Empty>
      ) : null}
    </>
  );
}
