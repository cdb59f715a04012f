'use client';

import { useRef, useState } from 'react';
import { sayHours } from '@/core/areas/power/model/say';
import type { DayEvent } from '@/core/kit/types';
import { useSize } from '@/ui/use-size';
import { Handle } from '@/views/bench/handle';

/** An end of an event stays on full five minutes. */
const STEP = 5 / 60;
const H = 96;
/** Beginnings are taken hold of over the bar, ends under it: a thumb finds either where both are near. */
const OVER = 22;
const UNDER = H - 22;
const SIDE = 22;

type End = 'from' | 'to';

/** The day with its events: their beginnings and ends are dragged, or moved by arrow keys, five minutes each. */
export function DayBar({
  events,
  day,
  onSet,
}: {
  events: readonly DayEvent[];
  day: number;
  onSet: (e: DayEvent, more: Partial<DayEvent>) => void;
}) {
  const { ref, w } = useSize({ w: 340, h: H }, { w: 240, h: H });
  const [held, setHeld] = useState<{ id: string; end: End; hours: number } | null>(null);
  const start = useRef<number | null>(null);
  const scale = (w - 2 * SIDE) / day;
  const x = (h: number) => SIDE + Math.min(h, day) * scale;
  const at = (e: DayEvent, end: End) =>
    held?.id === e.id && held.end === end ? held.hours : e[end];
  /** As near as it may be: never past its own other end, never out of the day. */
  const kept = (e: DayEvent, end: End, hours: number) => {
    const round = Math.round(hours / STEP) * STEP;
    const [lo, hi] = end === 'from' ? [0, e.to - STEP] : [e.from + STEP, day];
    return Math.round(Math.min(hi, Math.max(lo, round)) * 3600) / 3600;
  };
  const handle = (e: DayEvent, end: End) => (
    <Handle
      key={`${e.id} ${end}`}
      x={x(at(e, end))}
      y={end === 'from' ? OVER : UNDER}
      label={`${e.name}: when it ${end === 'from' ? 'begins' : 'ends'}`}
      value={Math.round(at(e, end) * 60)}
      text={sayHours(at(e, end))}
      min={0}
      max={Math.round(day * 60)}
      onMove={(dx) => {
        start.current ??= e[end];
        setHeld({ id: e.id, end, hours: kept(e, end, start.current + dx / scale) });
      }}
      onStep={(by) => onSet(e, { [end]: kept(e, end, e[end] + by * STEP) })}
      onDrop={() => {
        start.current = null;
        setHeld(null);
        if (held && held.hours !== e[end]) onSet(e, { [end]: held.hours });
      }}
    />
  );
  return (
    <div ref={ref} className="h-24 w-full max-w-xl">
      <svg width={w} height={H} role="group" aria-label="The day, and what is in it">
        <rect x={x(0)} y={H / 2 - 5} width={day * scale} height={10} className="fill-sunk" />
        {events.map((e) => {
          const [a, b] = [at(e, 'from'), at(e, 'to')];
          return (
            <g key={e.id}>
              <path
                d={`M${x(a)} ${OVER}V${H / 2}M${x(b)} ${UNDER}V${H / 2}`}
                className="stroke-edge"
              />
              <rect
                x={x(a)}
                y={H / 2 - 5}
                width={Math.max(1, x(b) - x(a))}
                height={10}
                className={e.is === 'break' ? 'fill-paper stroke-edge' : 'fill-ink stroke-ink'}
              />
            </g>
          );
        })}
        {held ? (
          <text
            x={x(held.hours)}
            y={held.end === 'from' ? UNDER + 4 : OVER + 4}
            textAnchor="middle"
            className="fill-ink text-[12px]"
          >
            {sayHours(held.hours)}
          </text>
        ) : null}
        {events.map((e) => [handle(e, 'from'), handle(e, 'to')])}
      </svg>
    </div>
  );
}
