'use client';

import { shownUnit } from '@/core/quantity/shown';
import { memo, useCallback, useId, useMemo, type ReactNode } from 'react';
import { elevation, type Elevation } from '@/core/drawing/elevation';
import { dimensionLines } from '@/core/drawing/svg';
import { type Point, type View } from '@/core/drawing/project';
import type { Edit } from '@/core/edit/edit';
import { useSize } from '@/ui/use-size';
import { useStill } from '@/ui/use-still';
import type { RigFacts } from '@/views/bench/use-rig';
import { Dimensions, ROW, Ruler, ticksOf } from './elevation-dimensions';
import { Axes, Cone, Fouls, Hatch, Mesh, Parts } from './elevation-parts';
import { Names } from './elevation-names';
import { FoulPins } from './foul-pins';
import { Leads } from './leads';
import { Grips } from './grips';
import type { Sheet } from '@/views/bench/sheet';

/** Room around the parts for dimensions, px. */
const LEFT = 30;
const RIGHT = 62;
const TOP = 34;
const BOTTOM = 30;
/** Narrower than this there is room for the outermost dimensions only, px. */
const NARROW = 500;

interface ElevationProps {
  facts: RigFacts;
  view: View;
  lit: string | null;
  litParts: readonly string[];
  /** Something is being dragged: the scale stays, and what stands beside it is quiet. */
  dragging: boolean;
  onPick: (key: string) => void;
  onDraft: (edit: Edit | null) => void;
  onDrop: (edit: Edit | null) => void;
  /** What is laid over it in place of pins and grips. */
  over?: (view: View, sheet: Sheet) => ReactNode;
  /** What is laid under pins and grips. */
  under?: (view: View, sheet: Sheet) => ReactNode;
  /** A lead was pressed, to be tied. */
  onTie?: (line: string) => void;
  /** Only the dimensions people ask for first. */
  few?: boolean;
  /** Who shows it says which view it is. */
  bare?: boolean;
}

/** The picture as millimetres lie in it, with the dimensions there is room for. */
function useSheet(e: Elevation, w: number, h: number, few: boolean, dragging: boolean) {
  const dims = useMemo(() => dimensionLines(e), [e]);
  const below = dims.filter((d) => !d.across);
  const beside = dims.filter((d) => d.across);
  // On a phone the rig comes first.
  const shown = few || w < NARROW ? below.slice(-2) : below;
  const bottom = BOTTOM + ROW * shown.length;
  const right = RIGHT + 24 * Math.max(0, beside.length - 1);
  // Under the hand the scale stays: what is held would run away from the pointer.
  const { u0, u1, v0, v1 } = useStill(e.bounds, dragging);
  const k = Math.max(
    0.05,
    Math.min((w - LEFT - right) / Math.max(1, u1 - u0), (h - TOP - bottom) / Math.max(1, v1 - v0)),
  );
  const x0 = LEFT + Math.max(0, (w - LEFT - right - (u1 - u0) * k) / 2);
  const sheet = useMemo(
    (): Sheet => ({
      X: (u) => x0 + (u - u0) * k,
      Y: (v) => TOP + (v1 - v) * k,
      k,
      w,
      h,
    }),
    [x0, u0, v1, k, w, h],
  );
  return { sheet, below: shown, beside };
}

/**
 * One elevation of the rig, to scale: outlines far to near, hidden ones dashed, dimensions, what
 * fouls hatched and pinned with its millimetres, and grips on what can be moved.
 */
export const ElevationDrawing = memo(function ElevationDrawing({
  facts,
  view,
  lit,
  litParts,
  dragging,
  onPick,
  onDraft,
  onDrop,
  over,
  under,
  onTie,
  few = false,
  bare = false,
}: ElevationProps) {
  const id = useId();
  const { ref, w, h } = useSize({ w: 600, h: 300 }, { w: 220, h: 180 });
  const e = useMemo(() => elevation(facts.built, view), [facts.built, view]);
  const { sheet, below, beside } = useSheet(e, w, h, few, dragging);
  const { X, Y, k } = sheet;
  const path = useCallback(
    (p: readonly Point[]) =>
      p.length === 0
        ? ''
        : `M${p.map(([u, v]) => `${X(u).toFixed(1)} ${Y(v).toFixed(1)}`).join('L')}Z`,
    [X, Y],
  );
  const { u0, u1, v0 } = e.bounds;
  return (
    <figure className="relative flex min-h-0 min-w-0 flex-1 flex-col bg-paper">
      <figcaption
        hidden={bare}
        className="pointer-events-none absolute left-2 top-1 z-10 text-sm text-soft"
      >
        {e.name}
      </figcaption>
      <div ref={ref} className="relative min-h-72 flex-1 overflow-hidden lg:min-h-0">
        <svg
          width={w}
          height={h}
          className="absolute inset-0"
          role="group"
          aria-label={`The rig from the ${e.name}, to scale`}
        >
          <Hatch id={`${id}foul`} />
          <Axes view={view} sheet={sheet} from={u0} to={u1} />
          <Parts outlines={e.outlines} path={path} litParts={litParts} />
          {e.cone ? <Cone cone={e.cone} sheet={sheet} /> : null}
          {e.meshes.map((m) => (
            <Mesh key={m.drive} mesh={m} sheet={sheet} />
          ))}
          <Fouls fouls={e.fouls} path={path} hatch={`${id}foul`} />
          {view === 'front' ? null : (
            <Ruler
              ticks={ticksOf(u0, u1, (k > 1.6 ? 1 : 2) * (shownUnit('mm').more > 0 ? 50.8 : 50))}
              X={X}
              y={Y(v0) + 6}
            />
          )}
          <Dimensions below={below} beside={beside} sheet={sheet} right={u1} bottom={v0} />
          {few || over || w < NARROW ? null : (
            <Names e={e} sheet={sheet} litParts={litParts} litOnly={dragging} />
          )}
          {bare || over || dragging ? null : (
            <Leads facts={facts} view={view} sheet={sheet} onTie={onTie} />
          )}
          {under?.(view, sheet)}
          {over ? (
            over(view, sheet)
          ) : (
            <>
              <FoulPins e={e} facts={facts} sheet={sheet} lit={lit} onPick={onPick} />
              <Grips
                facts={facts}
                view={view}
                sheet={sheet}
                dragging={dragging}
                onDraft={onDraft}
                onDrop={onDrop}
              />
            </>
          )}
        </svg>
      </div>
    </figure>
  );
});
