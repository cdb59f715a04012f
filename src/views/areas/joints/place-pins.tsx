'use client';

import { nearness, project, type View } from '@/core/drawing/project';
import type { TriedPlace } from '@/core/solve/places';
import { STATE_TEXT, StateShape } from '@/ui/state-mark';
import type { Sheet } from '@/views/bench/sheet';
import type { FreeHost } from '@/core/solve/fill';
import type { State } from '@/core/checks/finding';
import { partsWords, stateOf } from './place-words';

/** Room that a pin takes on the sheet, px. */
const ROOM = 44;

/** A place on the drawing that can be pressed. */
export interface Pin {
  key: string;
  at: readonly [number, number, number];
  out: readonly [number, number, number];
  /** What pressing does, said aloud. */
  label: string;
  /** What stands in it: a rank, or how many would go there. */
  text: string;
  /** Null where nothing was tried yet. */
  state: State | null;
  onPress: () => void;
}

/** Places that were tried, as pins with their rank. */
export const pinsOf = (
  places: readonly TriedPlace[],
  onPlace: (place: TriedPlace) => void,
): Pin[] =>
  places.map((p, i) => ({
    key: p.name,
    at: p.at,
    out: p.out,
    label: `Put it on ${p.name}. ${p.worst ?? 'Brings no new finding.'}`,
    text: String(i + 1),
    state: stateOf(p),
    onPress: () => onPlace(p),
  }));

/** Places that are free, as pins with how many parts of the kit would go there. */
export const freePins = (
  hosts: readonly FreeHost[],
  onHost: (key: string, name: string) => void,
): Pin[] =>
  hosts
    .filter((h) => h.parts > 0)
    .map((h) => ({
      key: h.key,
      at: h.at,
      out: h.out,
      label: `What could go on ${h.name}? ${h.free}, ${partsWords(h.parts)}`,
      text: String(h.parts),
      state: null,
      onPress: () => onHost(h.key, h.name),
    }));

/**
 * Places lit up on the drawing; those on the far side are drawn fainter. The first stands out.
 */
export function PlacePins({
  pins,
  view,
  sheet,
}: {
  pins: readonly Pin[];
  view: View;
  sheet: Sheet;
}) {
  const taken: { x: number; y: number }[] = [];
  return (
    <g>
      {pins.map((p, i) => {
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
        const away = nearness(view, p.out) < -0.5;
        return (
          <g
            key={p.key}
            role="button"
            tabIndex={0}
            aria-label={p.label}
            className={`group cursor-pointer outline-none ${p.state ? STATE_TEXT[p.state] : 'text-accent'} ${away ? 'opacity-60' : ''}`}
            onClick={p.onPress}
            onKeyDown={(e) =>
              (e.key === 'Enter' || e.key === ' ') && (e.preventDefault(), p.onPress())
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
              strokeWidth={i === 0 && p.state ? 2.5 : 1.25}
              className="group-focus-visible:stroke-accent"
            />
            {p.state ? (
              <g transform={`translate(${x - 16} ${y - 8}) scale(0.9)`}>
                <StateShape state={p.state} />
              </g>
            ) : null}
            <text
              x={p.state ? x + 9 : x}
              y={y + 5}
              textAnchor="middle"
              fontSize="13"
              fontWeight="600"
              fill="currentColor"
            >
              {p.text}
            </text>
          </g>
        );
      })}
    </g>
  );
}

const near = (taken: readonly { x: number; y: number }[], x: number, y: number) =>
  taken.some((p) => Math.abs(p.x - x) < ROOM && Math.abs(p.y - y) < ROOM * 0.7);
