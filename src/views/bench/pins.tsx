'use client';

import type { State } from '@/core/checks/finding';
import type { RigFacts } from './use-rig';
import { STATE_WORD, STATE_TEXT, StateShape } from '@/ui/state-mark';

interface Pin {
  /** Where its flag stands, and the station it speaks of. */
  x: number;
  at: number;
  keys: string[];
  state: State;
  text: string;
}

const RANK: Record<State, number> = { fail: 0, tight: 1, unknown: 2, ok: 3 };

/** Room for the buttons at the left edge: no flag stands over them. */
const TOOLS = 166;

export function pinsOf(
  facts: RigFacts,
  X: (z: number) => number,
  w: number,
  /** Where the first flag may stand, px. */
  from = TOOLS,
): Pin[] {
  const pins: Pin[] = [];
  const within = (x: number, from: number, to: number) => Math.max(from, Math.min(to, x));
  for (const v of facts.verdicts) {
    if (v.state === 'ok' || v.station === null) continue;
    // What stands off the line, a battery behind the camera, is pinned at its edge.
    const at = within(X(v.station), 4, w - 4);
    const x = within(at, from, Math.max(from, w - 26));
    const near = pins.find((p) => Math.abs(p.x - x) < 47);
    if (near) {
      near.keys.push(v.key);
      if (RANK[v.state] < RANK[near.state]) near.state = v.state;
    } else pins.push({ x, at, keys: [v.key], state: v.state, text: v.why });
  }
  return pins;
}

interface PinsProps {
  pins: readonly Pin[];
  y: number;
  axisTop: number;
  lit: string | null;
  onPick: (key: string) => void;
  /** Height of what answers to a thumb, px, where that is more than the flag. */
  hit?: number;
}

export function Pins({ pins, y, axisTop, lit, onPick, hit }: PinsProps) {
  return (
    <>
      {pins.map((p) => {
        const on = lit !== null && p.keys.includes(lit);
        const at = on ? p.keys.indexOf(lit) : -1;
        const next = p.keys[(at + 1) % p.keys.length]!;
        return (
          <g
            key={p.keys.join()}
            role="button"
            tabIndex={0}
            aria-label={`${STATE_WORD[p.state]} here, ${p.keys.length} ${p.keys.length === 1 ? 'finding' : 'findings'}: ${p.text}`}
            className={`group cursor-pointer outline-none ${STATE_TEXT[p.state]}`}
            onClick={() => onPick(next)}
            onKeyDown={(e) =>
              (e.key === 'Enter' || e.key === ' ') && (e.preventDefault(), onPick(next))
            }
          >
            {hit === undefined ? null : (
              <rect x={p.x - 23} y={0} width="46" height={hit} fill="transparent" />
            )}
            <Flag p={p} y={y} axisTop={axisTop} on={on} />
          </g>
        );
      })}
    </>
  );
}

/** The flag of a pin and the line down to what it is about. */
function Flag({ p, y, axisTop, on }: { p: Pin; y: number; axisTop: number; on: boolean }) {
  return (
    <>
      <path
        d={`M${p.x} ${y + 16}L${p.at} ${y + 28}V${axisTop}`}
        stroke="currentColor"
        strokeWidth={on ? 2 : 1}
        fill="none"
      />
      <rect
        x={p.x - 22}
        y={y - 18}
        width="44"
        height="36"
        rx="2"
        fill="var(--panel)"
        stroke="currentColor"
        strokeWidth={on ? 2.5 : 1}
        className="group-focus-visible:stroke-accent"
      />
      <g transform={`translate(${p.x - (p.keys.length > 1 ? 17 : 9)} ${y - 9})`}>
        <StateShape state={p.state} />
      </g>
      {p.keys.length > 1 ? (
        <text
          x={p.x + 10}
          y={y + 5}
          textAnchor="middle"
          fontSize="14"
          fontWeight="600"
          fill="currentColor"
        >
          {p.keys.length}
        </text>
      ) : null}
    </>
  );
}
