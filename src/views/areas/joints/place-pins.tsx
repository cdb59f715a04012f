'use client';

import { nearness, project, type View } from '@/core/drawing/project';
import type { TriedPlace } from '@/core/solve/places';
import { STATE_TEXT, StateShape } from '@/ui/state-mark';
import type { Sheet } from '@/views/bench/sheet';
import { stateOf } from './place-words';

/** Room that a pin takes on the sheet, px. */
const ROOM = 44;

/**
 * Every place that is free for a part, lit up on the drawing with its rank and whether it brings
 * trouble; pressed, the part goes there. Places on the far side are drawn fainter.
 */
export function PlacePins({
  places,
  view,
  sheet,
  onPlace,
}: {
  places: readonly TriedPlace[];
  view: View;
  sheet: Sheet;
  onPlace: (place: TriedPlace) => void;
}) {
  const taken: { x: number; y: number }[] = [];
  return (
    <g>
      {places.map((p, i) => {
        const [u, v] = project(view, p.at);
        const [hx, hy] = [sheet.X(u), sheet.Y(v)];
        let [x, y] = [
          Math.min(sheet.w - 22, Math.max(22, hx)),
          Math.min(sheet.h - 22, Math.max(22, hy)),
        ];
        for (let n = 0; n < 24 && near(taken, x, y); n++) {
          const a = (n * 2.4) % (2 * Math.PI);
          const r = ROOM * (0.6 + n / 8);
          x = Math.min(sheet.w - 22, Math.max(22, hx + r * Math.cos(a)));
          y = Math.min(sheet.h - 22, Math.max(22, hy + r * Math.sin(a)));
        }
        taken.push({ x, y });
        const state = stateOf(p);
        const away = nearness(view, p.out) < -0.5;
        return (
          <g
            key={p.name}
            role="button"
            tabIndex={0}
            aria-label={`Put it on ${p.name}. ${p.worst ?? 'Brings no new finding.'}`}
            className={`group cursor-pointer outline-none ${STATE_TEXT[state]} ${away ? 'opacity-60' : ''}`}
            onClick={() => onPlace(p)}
            onKeyDown={(e) =>
              (e.key === 'Enter' || e.key === ' ') && (e.preventDefault(), onPlace(p))
            }
          >
            <line x1={hx} y1={hy} x2={x} y2={y} stroke="currentColor" strokeWidth="1" />
            <circle cx={hx} cy={hy} r="3.5" fill="currentColor" />
            <rect x={x - 22} y={y - 22} width="44" height="44" fill="transparent" />
            <rect
              x={x - 19}
              y={y - 13}
              width="38"
              height="26"
              rx="13"
              fill="var(--panel)"
              stroke="currentColor"
              strokeWidth={i === 0 ? 2.5 : 1.25}
              className="group-focus-visible:stroke-accent"
            />
            <g transform={`translate(${x - 16} ${y - 8}) scale(0.9)`}>
              <StateShape state={state} />
            </g>
            <text
              x={x + 9}
              y={y + 5}
              textAnchor="middle"
              fontSize="13"
              fontWeight="600"
              fill="currentColor"
            >
              {i + 1}
            </text>
          </g>
        );
      })}
    </g>
  );
}

const near = (taken: readonly { x: number; y: number }[], x: number, y: number) =>
  taken.some((p) => Math.abs(p.x - x) < ROOM && Math.abs(p.y - y) < ROOM * 0.7);
