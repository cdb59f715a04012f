'use client';

import { FlipHorizontal2, ArrowDownToLine, Scan, type LucideIcon } from 'lucide-react';
import { dimensionSum, type Layout } from '@/core/build/layout';
import type { Built } from '@/core/build/build';
import { Button } from '@/ui/button';
import { Sum } from '@/ui/sum';
import { RULER, type LineFrame } from './line-frame';
import { BAND, LABEL, type dimensionLabels } from './line-parts';

/** Numbers of the drawing as buttons over it, so that each opens to where it comes from. */
export function DimensionSums({
  dims,
  built,
  frame,
}: {
  dims: ReturnType<typeof dimensionLabels>;
  built: Built;
  frame: LineFrame;
}) {
  return dims.map((d) => (
    <div
      key={d.label}
      className="absolute"
      style={{ left: d.at - LABEL / 2, top: frame.h - RULER - BAND + 1, width: LABEL }}
    >
      <Sum
        label={d.label}
        sum={dimensionSum(built, d)}
        basis="number of the part"
        className="w-full px-0! text-center"
      >
        {d.text}
      </Sum>
    </div>
  ));
}

/** What the depths are, beside their lines, and how much is missing in a gap. */
export function MarkLabels({ l, frame }: { l: Layout; frame: LineFrame }) {
  const { X, Y, w, flipped, axis } = frame;
  /** To the body's side of its line, unless that runs out of the picture. */
  const beside = (x: number, room: number) => {
    if (flipped) return x + 3 + room < w ? { left: x + 3 } : { right: 2 };
    return x - 3 - room > 2 ? { right: w - x + 3 } : { left: 2 };
  };
  return (
    <>
      {l.marks.map((m, i) => (
        <span
          key={m.label}
          className="pointer-events-none absolute whitespace-nowrap bg-panel/85 px-0.5 text-[13px] text-soft"
          style={{ top: Y(m.r + 3) - 20 - i * 18, ...beside(X(m.z), m.label.length * 7) }}
        >
          {m.label}
        </span>
      ))}
      {l.gap ? (
        <span
          className="pointer-events-none absolute -translate-x-1/2 whitespace-nowrap bg-paper px-1 font-semibold text-fail"
          style={{ left: (X(l.gap.from) + X(l.gap.to)) / 2, top: axis - 11 }}
        >
          {l.gap.text}
        </span>
      ) : null}
    </>
  );
}

/** From which side the line is looked at. */
export interface LineView {
  flipped: boolean;
  above: boolean;
  whole: boolean;
}

/** Small, at the edge: pins stand along the top. */
export function LineViews({ view, onView }: { view: LineView; onView: (v: LineView) => void }) {
  const sideName = view.flipped ? "operator's side" : "assistant's side";
  const buttons: { key: keyof LineView; icon: LucideIcon; label: string }[] = [
    { key: 'flipped', icon: FlipHorizontal2, label: sideName },
    { key: 'above', icon: ArrowDownToLine, label: 'from above' },
    { key: 'whole', icon: Scan, label: 'whole rig' },
  ];
  const seen = view.above ? 'from above' : view.whole ? 'from camera right' : sideName;
  return (
    <div className="absolute left-1 top-1">
      <div className="flex">
        {buttons.map(({ key, icon: Icon, label }) => (
          <Button
            key={key}
            look="bare"
            className={`w-11 px-0 text-soft ${key === 'flipped' ? '' : 'aria-pressed:bg-sunk aria-pressed:text-ink'}`}
            aria-pressed={view[key]}
            onClick={() => onView({ ...view, [key]: !view[key] })}
          >
            <Icon size={18} aria-hidden="true" />
            <span className="sr-only">{label}</span>
          </Button>
        ))}
      </div>
      <p className="pointer-events-none px-2 text-sm leading-4 text-soft" aria-hidden="true">
        {view.whole ? `whole rig, ${seen}` : seen}
      </p>
    </div>
  );
}
