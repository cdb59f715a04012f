'use client';

import { memo, useCallback, useMemo, useRef } from 'react';
import { carriedView, type CarriedView } from '@/core/areas/carry/model/drawn';
import { sayMeasured } from '@/core/areas/carry/model/log';
import { elevation } from '@/core/drawing/elevation';
import type { Point } from '@/core/drawing/project';
import type { Edit } from '@/core/edit/edit';
import { exact } from '@/core/quantity/say';
import { useSize } from '@/ui/use-size';
import { useStill } from '@/ui/use-still';
import { Handle } from '@/views/bench/handle';
import type { Sheet } from '@/views/bench/sheet';
import type { RigFacts } from '@/views/bench/use-rig';
import { Parts } from '@/views/model/elevation-parts';
import { Grips } from '@/views/model/grips';

const ROOM = 46;

/** The rig from one side, to scale, as it hangs or stands: leaning about what holds it. */
export const CarriedDrawing = memo(function CarriedDrawing({
  facts,
  view,
  down,
  litParts,
  edge,
  dragging,
  onDraft,
  onDrop,
}: {
  facts: RigFacts;
  view: 'side' | 'front';
  /** Set down, not held. */
  down: boolean;
  litParts: readonly string[];
  /** The edge that it balances on while that is measured: where, and what moves it. */
  edge: { at: number; onAt: (mm: number) => void } | null;
  /** Something is being dragged: the scale stays. */
  dragging: boolean;
  onDraft: (edit: Edit | null) => void;
  onDrop: (edit: Edit | null) => void;
}) {
  const { ref, w, h } = useSize({ w: 600, h: 300 }, { w: 220, h: 180 });
  const e = useMemo(() => elevation(facts.built, view), [facts.built, view]);
  // On an edge it lies level, whatever it does as it hangs.
  const lying = down || edge !== null;
  const c = useMemo(() => carriedView(facts.built, view, lying), [facts.built, view, lying]);
  // A head stands beside the rig: there is room for all of it.
  const bounds = useMemo(() => around(e.bounds, c.touches), [e, c]);
  const sheet = useCarriedSheet(useStill(bounds, dragging), w, h);
  const { X, Y } = sheet;
  const path = useCallback(
    (p: readonly Point[]) =>
      p.length === 0
        ? ''
        : `M${p.map(([u, v]) => `${X(u).toFixed(1)} ${Y(v).toFixed(1)}`).join('L')}Z`,
    [X, Y],
  );
  const outlines = useMemo(() => e.outlines.filter((o) => !o.sweep), [e]);
  const about = c.hold?.at ?? [0, 0];
  const name = view === 'side' ? 'side, from camera right' : 'front, from the subject';
  return (
    <figure className="relative flex min-h-0 min-w-0 flex-1 flex-col bg-paper">
      <figcaption className="pointer-events-none absolute left-2 top-1 z-10 text-sm text-soft">
        {name}
        {c.lean === 0 ? '' : `, leaning ${exact(Math.abs(c.lean), 1)}° as it hangs`}
      </figcaption>
      <div ref={ref} className="relative min-h-72 flex-1 overflow-hidden lg:min-h-0">
        <svg
          width={w}
          height={h}
          className="absolute inset-0"
          role="group"
          aria-label={`The rig as it is carried, ${name}`}
        >
          {c.floor ? <Floor floor={c.floor} sheet={sheet} /> : null}
          <g transform={`rotate(${c.lean.toFixed(2)} ${X(about[0])} ${Y(about[1])})`}>
            <Parts outlines={outlines} path={path} litParts={litParts} />
            <Touches touches={c.touches} sheet={sheet} />
            {c.centre ? <Centre centre={c.centre} sheet={sheet} /> : null}
          </g>
          <Lever c={c} sheet={sheet} />
          {edge ? <Edge edge={edge} view={view} low={e.bounds.v0} sheet={sheet} /> : null}
          {view === 'side' ? (
            <g transform={`rotate(${c.lean.toFixed(2)} ${X(about[0])} ${Y(about[1])})`}>
              <Grips
                facts={facts}
                view={view}
                sheet={sheet}
                dragging={dragging}
                onDraft={onDraft}
                onDrop={onDrop}
              />
            </g>
          ) : null}
        </svg>
      </div>
    </figure>
  );
});

type Bounds = ReturnType<typeof elevation>['bounds'];

/** What is drawn of the rig, and of whoever holds it. */
const around = (b: Bounds, touches: CarriedView['touches']): Bounds => ({
  u0: Math.min(b.u0, ...touches.map((t) => t.from[0])),
  u1: Math.max(b.u1, ...touches.map((t) => t.to[0])),
  v0: Math.min(b.v0, ...touches.map((t) => t.from[1])),
  v1: Math.max(b.v1, ...touches.map((t) => t.to[1])),
});

/** Room all round, so that it may lean. */
function useCarriedSheet(
  { u0, u1, v0, v1 }: { u0: number; u1: number; v0: number; v1: number },
  w: number,
  h: number,
): Sheet {
  return useMemo(() => {
    const k = Math.max(
      0.05,
      Math.min((w - 2 * ROOM) / Math.max(1, u1 - u0), (h - 2 * ROOM) / Math.max(1, v1 - v0)),
    );
    const x0 = (w - (u1 - u0) * k) / 2;
    const y0 = (h - (v1 - v0) * k) / 2;
    return { X: (u) => x0 + (u - u0) * k, Y: (v) => y0 + (v1 - v) * k, k, w, h };
  }, [u0, u1, v0, v1, w, h]);
}

/** The centre of gravity, and the ellipse that it is surely in as far as each way goes by itself. */
function Centre({
  centre,
  sheet: { X, Y, k },
}: {
  centre: NonNullable<CarriedView['centre']>;
  sheet: Sheet;
}) {
  const [x, y] = [X(centre.at[0]), Y(centre.at[1])];
  return (
    <g className="pointer-events-none">
      <title>Centre of gravity, with what it is in doubt by</title>
      <ellipse
        cx={x}
        cy={y}
        rx={Math.max(2, centre.half[0] * k)}
        ry={Math.max(2, centre.half[1] * k)}
        fill="var(--panel)"
        fillOpacity="0.55"
        stroke="var(--ink)"
        strokeDasharray="3 3"
        strokeWidth="1"
      />
      <circle cx={x} cy={y} r="7" fill="var(--panel)" stroke="var(--ink)" strokeWidth="1.5" />
      <path d={`M${x} ${y}h-7a7 7 0 0 1 7-7zM${x} ${y}h7a7 7 0 0 1-7 7z`} fill="var(--ink)" />
    </g>
  );
}

/** Where a hand or a head is, so far as nothing else may come. */
function Touches({ touches, sheet: { X, Y } }: { touches: CarriedView['touches']; sheet: Sheet }) {
  return touches.map(({ key, what, from, to }) => (
    <g key={key} className="pointer-events-none">
      <rect
        x={X(from[0])}
        y={Y(to[1])}
        width={X(to[0]) - X(from[0])}
        height={Y(from[1]) - Y(to[1])}
        rx="10"
        fill="var(--accent)"
        fillOpacity="0.12"
        stroke="var(--accent)"
        strokeWidth="1.2"
        strokeDasharray="2 3"
      />
      <text
        x={X(from[0]) + 6}
        y={Y(to[1]) - 5}
        fontSize="12"
        fill="var(--soft)"
        stroke="var(--paper)"
        strokeWidth="3"
        paintOrder="stroke"
      >
        {what}
      </text>
    </g>
  ));
}

/** What it stands on, as wide as it touches. */
function Floor({
  floor,
  sheet: { X, Y, w },
}: {
  floor: NonNullable<CarriedView['floor']>;
  sheet: Sheet;
}) {
  const y = Y(floor.v);
  return (
    <g className="pointer-events-none">
      <path d={`M16 ${y}H${w - 16}`} stroke="var(--soft)" strokeWidth="1" />
      <path d={`M${X(floor.from)} ${y + 4}H${X(floor.to)}`} stroke="var(--ink)" strokeWidth="4" />
      <text x={X(floor.from)} y={y + 20} fontSize="12" fill="var(--soft)">
        stands on
      </text>
    </g>
  );
}

/** The edge under the rig, where it is dragged to. */
function Edge({
  edge: { at, onAt },
  view,
  low,
  sheet: { X, Y, k },
}: {
  edge: { at: number; onAt: (mm: number) => void };
  view: 'side' | 'front';
  low: number;
  sheet: Sheet;
}) {
  const from = useRef<number | null>(null);
  // From the subject camera right is at the left of the sheet.
  const sign = view === 'side' ? 1 : -1;
  const [x, y] = [X(sign * at), Y(low) + 16];
  return (
    <>
      <path d={`M${x} ${y - 14}l13 24h-26z`} fill="var(--accent)" className="pointer-events-none" />
      <Handle
        x={x}
        y={y}
        label="Where it balances on an edge"
        value={Math.round(at)}
        text={sayMeasured({ what: 'edge', axis: view === 'side' ? 'z' : 'x' }, Math.round(at))}
        min={-2000}
        max={2000}
        onMove={(dx) => {
          from.current ??= at;
          onAt(Math.round(from.current + (sign * dx) / k));
        }}
        onStep={(by) => onAt(Math.round(at + by))}
        onDrop={() => (from.current = null)}
      />
    </>
  );
}

/** The plumb line through the hold, and how far the centre is off it with what pulls there. */
function Lever({ c, sheet: { X, Y, h, w } }: { c: CarriedView; sheet: Sheet }) {
  if (!c.hold) return null;
  const [x, y] = [X(c.hold.at[0]), Y(c.hold.at[1])];
  const off = c.lever && c.centre ? { x: X(c.centre.at[0]), y: Y(c.centre.at[1]) } : null;
  const hangs = c.lean !== 0;
  const at = Math.min(w - 190, Math.max(8, (off ? Math.max(x, off.x) : x) + 10));
  return (
    <g className="pointer-events-none">
      <path
        d={`M${x} 22V${h - 10}`}
        stroke="var(--accent)"
        strokeWidth="1.2"
        strokeDasharray="10 3 2 3"
      />
      <path d={`M${x - 9} ${y}l9-9 9 9-9 9z`} fill="none" stroke="var(--accent)" strokeWidth="2" />
      {off && c.lever && !hangs ? (
        <g>
          <path d={`M${x} ${off.y}H${off.x}`} stroke="var(--accent)" strokeWidth="2" />
          <text
            x={at}
            y={h - 16}
            fontSize="13"
            fill="var(--ink)"
            stroke="var(--paper)"
            strokeWidth="4"
            paintOrder="stroke"
          >
            {c.lever.text}
          </text>
        </g>
      ) : null}
    </g>
  );
}
