'use client';

import { memo, useCallback, useId, useMemo } from 'react';
import { elevation, type Elevation, type LightCone, type Outlined } from '@/core/drawing/elevation';
import { dimensionLines } from '@/core/drawing/svg';
import { VIEW_NAMES, type Point, type View } from '@/core/drawing/project';
import type { Verdict } from '@/core/checks/finding';
import { exact } from '@/core/quantity/say';
import type { Edit } from '@/core/edit/edit';
import { StateShape, STATE_TEXT, STATE_WORD } from '@/ui/state-mark';
import { useSize } from '@/ui/use-size';
import type { RigFacts } from '@/views/bench/use-rig';
import { Grips } from './grips';
import type { Sheet } from './sheet';

/** Room around the parts for dimensions, px. */
const LEFT = 30;
const RIGHT = 62;
const TOP = 34;
const BOTTOM = 30;
/** Narrower than this there is room for the outermost dimensions only, px. */
const NARROW = 500;
/** One dimension line below another. */
const ROW = 19;

/**
 * One elevation of the rig, to scale: outlines far to near, hidden ones dashed, dimensions, what
 * fouls hatched and pinned with its millimetres, and grips on what can be moved.
 */
export const ElevationDrawing = memo(function ElevationDrawing({
  facts,
  view,
  lit,
  litParts,
  onPick,
  onDraft,
  onDrop,
  few = false,
  bare = false,
}: {
  facts: RigFacts;
  view: View;
  lit: string | null;
  litParts: readonly string[];
  onPick: (key: string) => void;
  onDraft: (edit: Edit | null) => void;
  onDrop: (edit: Edit | null) => void;
  /** Only the dimensions people ask for first. */
  few?: boolean;
  /** Who shows it says which view it is. */
  bare?: boolean;
}) {
  const id = useId();
  const { ref, w, h } = useSize({ w: 600, h: 300 }, { w: 220, h: 180 });
  const e = useMemo(() => elevation(facts.built, view), [facts.built, view]);
  const dims = useMemo(() => dimensionLines(e), [e]);
  const below = dims.filter((d) => !d.across);
  const beside = dims.filter((d) => d.across);
  // On a phone the rig comes first.
  const shownBelow = few || w < NARROW ? below.slice(-2) : below;
  const room = {
    b: BOTTOM + ROW * shownBelow.length,
    r: RIGHT + 24 * Math.max(0, beside.length - 1),
  };
  const { u0, u1, v0, v1 } = e.bounds;
  const k = Math.max(
    0.05,
    Math.min((w - LEFT - room.r) / Math.max(1, u1 - u0), (h - TOP - room.b) / Math.max(1, v1 - v0)),
  );
  const x0 = LEFT + Math.max(0, (w - LEFT - room.r - (u1 - u0) * k) / 2);
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
  const { X, Y } = sheet;
  const path = useCallback(
    (p: readonly Point[]) =>
      p.length === 0
        ? ''
        : `M${p.map(([u, v]) => `${X(u).toFixed(1)} ${Y(v).toFixed(1)}`).join('L')}Z`,
    [X, Y],
  );
  const bottom = Y(v0);
  const ticks: number[] = [];
  const step = k > 1.6 ? 50 : 100;
  if (view !== 'front') for (let z = Math.ceil(u0 / step) * step; z <= u1; z += step) ticks.push(z);

  return (
    <figure className="relative flex min-h-0 min-w-0 flex-1 flex-col bg-paper">
      <figcaption
        hidden={bare}
        className="pointer-events-none absolute left-2 top-1 z-10 text-sm text-soft"
      >
        {VIEW_NAMES[view]}
      </figcaption>
      <div ref={ref} className="relative min-h-72 flex-1 overflow-hidden lg:min-h-0">
        <svg
          width={w}
          height={h}
          className="absolute inset-0"
          role="group"
          aria-label={`The rig from the ${VIEW_NAMES[view]}, to scale`}
        >
          <defs>
            <pattern
              id={`${id}foul`}
              width="6"
              height="6"
              patternUnits="userSpaceOnUse"
              patternTransform="rotate(45)"
            >
              <path d="M0 0v6" stroke="var(--fail)" strokeWidth="2" />
            </pattern>
          </defs>
          {view !== 'front' ? (
            <g stroke="var(--soft)" fill="var(--soft)" fontSize="12">
              <path
                d={`M${X(u0) - 8} ${Y(0)}H${X(u1) + 20}`}
                strokeDasharray="14 3 3 3"
                strokeWidth="0.8"
              />
            </g>
          ) : (
            <path
              d={`M${X(0) - 12} ${Y(0)}h24M${X(0)} ${Y(0) - 12}v24`}
              stroke="var(--soft)"
              strokeWidth="0.8"
            />
          )}
          <Parts outlines={e.outlines} path={path} litParts={litParts} />
          {e.cone ? <Cone cone={e.cone} sheet={sheet} /> : null}
          {e.meshes.map((m) => (
            <g key={m.drive} fill="none" stroke="var(--accent)" strokeWidth="1">
              <circle cx={X(0)} cy={Y(0)} r={m.circle * k} strokeDasharray="2 3" />
              <circle
                cx={X(m.pivot[0])}
                cy={Y(m.pivot[1])}
                r={m.from * k}
                strokeDasharray="6 4"
                opacity="0.6"
              />
              <circle
                cx={X(m.pivot[0])}
                cy={Y(m.pivot[1])}
                r={m.to * k}
                strokeDasharray="6 4"
                opacity="0.6"
              />
              {m.arcs.map((a) => (
                <path
                  key={a.from}
                  d={arc(X(0), Y(0), m.circle * k, a.from, a.to)}
                  strokeWidth="3"
                  opacity="0.7"
                />
              ))}
            </g>
          ))}
          {e.fouls.map((f) => (
            <path
              key={f.key}
              d={path(f.points)}
              fill={`url(#${id}foul)`}
              stroke="var(--fail)"
              strokeWidth="1.2"
            />
          ))}
          <Ruler ticks={ticks} X={X} y={bottom + 6} />
          {shownBelow.map((d, i) => {
            const y = bottom + 20 + ROW * (i + 1) - 6;
            const [a, b] = [Math.min(X(d.a[0]), X(d.b[0])), Math.max(X(d.a[0]), X(d.b[0]))];
            return (
              <g
                key={d.label}
                stroke="var(--soft)"
                fill="var(--soft)"
                strokeWidth="0.8"
                strokeDasharray={d.unknown ? '4 3' : undefined}
              >
                <title>{d.told}</title>
                <path d={`M${a} ${y - 5}v10M${b} ${y - 5}v10M${a} ${y}H${b}`} fill="none" />
                <path d={`M${a} ${y}l6 -2.5v5zM${b} ${y}l-6 -2.5v5z`} stroke="none" />
                <text
                  x={fits(b - a, d) ? (a + b) / 2 : b + 6}
                  y={y + 4}
                  fontSize="12.5"
                  textAnchor={fits(b - a, d) ? 'middle' : 'start'}
                  stroke="var(--paper)"
                  strokeWidth="4"
                  paintOrder="stroke"
                >
                  {`${d.text} ${d.label}`}
                </text>
              </g>
            );
          })}
          {beside.map((d, i) => {
            const x = X(u1) + 22 + 24 * i;
            const [a, b] = [Math.min(Y(d.a[1]), Y(d.b[1])), Math.max(Y(d.a[1]), Y(d.b[1]))];
            return (
              <g
                key={d.label}
                stroke="var(--soft)"
                fill="var(--soft)"
                strokeWidth="0.8"
                strokeDasharray={d.unknown ? '4 3' : undefined}
              >
                <title>{d.told}</title>
                <path d={`M${x - 5} ${a}h10M${x - 5} ${b}h10M${x} ${a}V${b}`} fill="none" />
                <path d={`M${x} ${a}l-2.5 6h5zM${x} ${b}l-2.5 -6h5z`} stroke="none" />
                <text
                  fontSize="12.5"
                  textAnchor="middle"
                  stroke="var(--paper)"
                  strokeWidth="4"
                  paintOrder="stroke"
                  transform={`translate(${x + 4} ${(a + b) / 2}) rotate(-90)`}
                >
                  {`${d.text} ${d.label}`}
                </text>
              </g>
            );
          })}
          <FoulPins e={e} facts={facts} sheet={sheet} lit={lit} onPick={onPick} />
          <Grips facts={facts} view={view} sheet={sheet} onDraft={onDraft} onDrop={onDrop} />
        </svg>
      </div>
    </figure>
  );
});

/** Whether a dimension's words fit between its arrows, px. */
function fits(px: number, d: { text: string; label: string }): boolean {
  return px > (d.text.length + d.label.length) * 6.4 + 24;
}

const FILL: Record<string, string> = {
  body: 'var(--metal)',
  lens: 'var(--metal)',
  rods: 'var(--metal-2)',
  filter: 'var(--glass)',
};

/** Filled from far to near, then all of them once more in thin dashes: what is hidden shows. */
function Parts({
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
  return (
    <path
      d={path(o.points)}
      fill={o.sweep ? 'none' : (FILL[o.kind] ?? 'var(--metal-2)')}
      fillOpacity={o.assumed ? 0.45 : 1}
      stroke={on ? 'var(--ink)' : 'var(--soft)'}
      strokeWidth={on ? 2 : 1.1}
      strokeDasharray={o.sweep || o.assumed ? '5 4' : undefined}
    >
      <title>{o.assumed ? `${o.name} (a size is not known)` : o.name}</title>
    </path>
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
function Cone({ cone, sheet }: { cone: LightCone; sheet: Sheet }) {
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

function Ruler({ ticks, X, y }: { ticks: readonly number[]; X: (u: number) => number; y: number }) {
  return (
    <g stroke="var(--soft)" fill="var(--soft)" fontSize="12" className="pointer-events-none">
      {ticks.map((z) => (
        <g key={z}>
          <path d={`M${X(z)} ${y}v5`} strokeWidth="0.8" />
          <text x={X(z)} y={y + 16} textAnchor="middle" stroke="none">
            {z < 0 ? `\u2212${-z}` : z}
          </text>
        </g>
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

/** What fouls, pinned with how deep; pressed, it opens its finding. */
function FoulPins({
  e,
  facts,
  sheet,
  lit,
  onPick,
}: {
  e: Elevation;
  facts: RigFacts;
  sheet: Sheet;
  lit: string | null;
  onPick: (key: string) => void;
}) {
  const { X, Y } = sheet;
  const told = new Map<string, Verdict>(facts.verdicts.map((v) => [v.key, v]));
  const placed: { x: number; y: number }[] = [];
  return (
    <>
      {e.fouls
        .filter((f) => told.get(f.key)?.state === 'fail')
        .slice(0, 6)
        .map((f) => {
          const x = Math.min(sheet.w - 42, Math.max(42, X(f.at[0])));
          // Above what is hatched, so that the hatching and the grips stay free.
          const top = Math.min(...f.points.map((p) => Y(p[1])));
          let y = Math.min(sheet.h - 26, Math.max(26, top - 18));
          while (placed.some((p) => Math.abs(p.x - x) < 84 && Math.abs(p.y - y) < 44)) y += 44;
          placed.push({ x, y });
          const v = told.get(f.key)!;
          return (
            <g
              key={f.key}
              role="button"
              tabIndex={0}
              aria-label={`${STATE_WORD[v.state]}: ${v.why}`}
              className={`group cursor-pointer outline-none ${STATE_TEXT[v.state]}`}
              onClick={() => onPick(f.key)}
              onKeyDown={(ev) =>
                (ev.key === 'Enter' || ev.key === ' ') && (ev.preventDefault(), onPick(f.key))
              }
            >
              <rect x={x - 40} y={y - 22} width="80" height="44" fill="transparent" />
              <rect
                x={x - 36}
                y={y - 13}
                width="72"
                height="26"
                rx="2"
                fill="var(--panel)"
                stroke="currentColor"
                strokeWidth={lit === f.key ? 2.5 : 1}
                className="group-focus-visible:stroke-accent"
              />
              <g transform={`translate(${x - 33} ${y - 9})`}>
                <StateShape state={v.state} />
              </g>
              <text
                x={x + 10}
                y={y + 5}
                textAnchor="middle"
                fontSize="13"
                fontWeight="600"
                fill="currentColor"
              >
                {f.deep >= 10 ? `${exact(f.deep, 0)} mm` : f.text}
              </text>
            </g>
          );
        })}
    </>
  );
}
