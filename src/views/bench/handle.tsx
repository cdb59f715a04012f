'use client';

import { useRef, type KeyboardEvent, type PointerEvent } from 'react';

interface HandleProps {
  x: number;
  y: number;
  label: string;
  value: number;
  /** The value as it is read out. */
  text: string;
  min: number;
  max: number;
  /** Where the pointer is, relative to where it took hold, px. */
  onMove: (dx: number, dy: number) => void;
  onStep: (by: number) => void;
  onDrop: () => void;
}

/**
 * Something in the drawing that is taken hold of and moved: by pointer, or by arrow keys in steps
 * of one, with shift in steps of ten.
 */
export function Handle({
  x,
  y,
  label,
  value,
  text,
  min,
  max,
  onMove,
  onStep,
  onDrop,
}: HandleProps) {
  const start = useRef<{ x: number; y: number } | null>(null);
  const down = (e: PointerEvent<SVGGElement>) => {
    e.preventDefault();
    e.stopPropagation();
    e.currentTarget.setPointerCapture(e.pointerId);
    e.currentTarget.focus();
    start.current = { x: e.clientX, y: e.clientY };
  };
  const move = (e: PointerEvent<SVGGElement>) => {
    if (start.current) onMove(e.clientX - start.current.x, e.clientY - start.current.y);
  };
  const up = () => {
    if (!start.current) return;
    start.current = null;
    onDrop();
  };
  const key = (e: KeyboardEvent) => {
    const step = { ArrowUp: 1, ArrowRight: 1, ArrowDown: -1, ArrowLeft: -1 }[e.key];
    if (step === undefined) return;
    e.preventDefault();
    onStep(step * (e.shiftKey ? 10 : 1));
  };
  return (
    <g
      role="slider"
      tabIndex={0}
      aria-label={label}
      aria-valuenow={value}
      aria-valuetext={text}
      aria-valuemin={min}
      aria-valuemax={max}
      className="group cursor-grab touch-none outline-none active:cursor-grabbing"
      onPointerDown={down}
      onPointerMove={move}
      onPointerUp={up}
      onPointerCancel={up}
      onKeyDown={key}
      onClick={(e) => e.stopPropagation()}
    >
      <Knob x={x} y={y} />
    </g>
  );
}

/** What is taken hold of, with room for a thumb around it. */
function Knob({ x, y }: { x: number; y: number }) {
  return (
    <>
      <circle cx={x} cy={y} r="22" fill="transparent" />
      <circle
        cx={x}
        cy={y}
        r="8"
        fill="var(--panel)"
        stroke="var(--accent)"
        strokeWidth="2"
        className="group-hover:fill-sunk group-focus-visible:stroke-[4]"
      />
      <path d={`M${x - 3} ${y}h6M${x} ${y - 3}v6`} stroke="var(--accent)" strokeWidth="1.5" />
    </>
  );
}
