'use client';

import type { Elevation } from '@/core/drawing/elevation';
import type { Verdict } from '@/core/checks/finding';
import { sayLength } from '@/core/quantity/say';
import { StateShape, STATE_TEXT, STATE_WORD } from '@/ui/state-mark';
import type { RigFacts } from '@/views/bench/use-rig';
import type { Sheet } from '@/views/bench/sheet';

/** What fouls, pinned with how deep; pressed, it opens its finding. */
export function FoulPins({
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
            <FoulPin key={f.key} f={f} v={v} x={x} y={y} lit={lit === f.key} onPick={onPick} />
          );
        })}
    </>
  );
}

function FoulPin({
  f,
  v,
  x,
  y,
  lit,
  onPick,
}: {
  f: Elevation['fouls'][number];
  v: Verdict;
  x: number;
  y: number;
  lit: boolean;
  onPick: (key: string) => void;
}) {
  return (
    <g
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
        strokeWidth={lit ? 2.5 : 1}
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
        {f.deep >= 10 ? `${sayLength(f.deep, 0)}` : f.text}
      </text>
    </g>
  );
}
