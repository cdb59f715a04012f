'use client';

import type { Verdict } from '@/core/checks/finding';
import { signed } from '@/core/quantity/say';
import { STATE_TEXT, StateShape } from '@/ui/state-mark';

/** Size of the plate, px. */
export const W = 416;
export const H = 268;

export const DASH = [undefined, '9 4', '3 3', '12 3 3 3'];

export function circlePath(cx: number, cy: number, r: number): string {
  return `M${cx - r} ${cy}a${r} ${r} 0 1 0 ${2 * r} 0a${r} ${r} 0 1 0 ${-2 * r} 0Z`;
}

interface CornerProps {
  r: { x: number; y: number; width: number; height: number };
  corner: number;
  finding: Verdict;
  name: string;
  lit: boolean;
  /** How far it keeps from the corner, where the corner's loss stands. */
  away: number;
  onPick: (key: string) => void;
}

/** A frame's corner with its state and margin; each frame speaks at a corner of its own. */
export function Corner({ r, corner, finding, name, lit, away, onPick }: CornerProps) {
  const right = corner === 0 || corner === 1;
  const top = corner === 0 || corner === 3;
  const x = right ? r.x + r.width : r.x;
  const y = top ? r.y : r.y + r.height;
  const bx = Math.min(W - 76, Math.max(2, right ? x - 78 : x + 4));
  const by = Math.min(H - 28, Math.max(2, top ? y + 5 + away : y - 31 - away));
  const m = finding.margin!;
  return (
    <g
      role="button"
      tabIndex={0}
      aria-label={`${name} frame, corner margin ${signed(m.value)} mm, ${finding.state}`}
      className={`group cursor-pointer outline-none ${STATE_TEXT[finding.state]}`}
      onClick={() => onPick(finding.key)}
      onKeyDown={(e) =>
        (e.key === 'Enter' || e.key === ' ') && (e.preventDefault(), onPick(finding.key))
      }
    >
      <circle cx={x} cy={y} r="4" fill="currentColor" />
      <rect x={bx - 4} y={by - 9} width="84" height="50" fill="transparent" />
      <rect
        x={bx}
        y={by}
        width="74"
        height="26"
        rx="2"
        fill="var(--panel)"
        stroke="currentColor"
        strokeWidth={lit ? 2.2 : 1}
        className="group-focus-visible:stroke-accent"
      />
      <g transform={`translate(${bx + 5} ${by + 4})`}>
        <StateShape state={finding.state} />
      </g>
      <text
        x={bx + 70}
        y={by + 18}
        textAnchor="end"
        fontSize="14"
        fontWeight="600"
        fill="currentColor"
      >
        {signed(m.value)}
      </text>
    </g>
  );
}
