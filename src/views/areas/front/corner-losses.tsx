'use client';

import type { Verdict } from '@/core/checks/finding';
import { CORNERS } from '@/core/areas/front/model/judged';
import { type Layer } from '@/core/areas/front/model/chip-shading';
import type { ShadingView } from '@/core/areas/front/model/view';
import { BLACK } from '@/core/pupil/map';
import { exact } from '@/core/quantity/say';

interface CornerLossesProps {
  view: ShadingView;
  layers: ReadonlySet<Layer>;
  verdicts: readonly Verdict[];
  /** From millimetres on the chip to the picture. */
  at: (x: number, y: number) => readonly [number, number];
  onPick: (key: string) => void;
}

/** Stops lost in each corner of the frame that is looked at, at the corner; each leads to its finding. */
export function CornerLosses({ view, layers, verdicts, at, onPick }: CornerLossesProps) {
  const key = `front.vignette:${view.judged.id}`;
  const finding = verdicts.find((v) => v.key === key);
  const losses = view.corners.map(
    (c) =>
      (layers.has('mechanical') ? c.mechanical : 0) +
      (layers.has('natural') ? c.natural : 0) +
      (layers.has('reducer') ? (c.reducer ?? 0) : 0),
  );
  if (losses.every((l) => l < 0.005)) return null;
  const narrow = at(view.corners[1]!.x, 0)[0] - at(view.corners[0]!.x, 0)[0] < 104;
  const frame = view.judged.frame ? `${view.judged.name} frame` : 'chip';
  return (
    <>
      {view.corners.map((c, i) => {
        const [x, y] = at(c.x, c.y);
        const left = i % 2 === 0;
        const top = i < 2;
        const loss = losses[i]!;
        const text = loss >= BLACK ? 'black' : loss < 0.005 ? '0' : exact(loss, 2);
        const tone = c.hard ? 'var(--fail)' : loss > 0.005 ? 'var(--tight)' : 'var(--soft)';
        // A frame too narrow for two of them side by side has them outside.
        const bx = left === narrow ? x - 3 - 46 : x + 3;
        const by = top ? y + 3 : y - 3 - 21;
        return (
          <g
            key={CORNERS[i]}
            role={finding ? 'button' : 'img'}
            tabIndex={finding ? 0 : undefined}
            aria-label={`${CORNERS[i]} corner of the ${frame}: ${loss >= BLACK ? 'black' : `${text} stops`} lost${c.hard ? ', a hard cut' : ''}${c.culprit ? `, by the ${c.culprit}` : ''}`}
            className={`group outline-none ${finding ? 'cursor-pointer' : ''}`}
            onClick={() => finding && onPick(key)}
            onKeyDown={(e) =>
              finding && (e.key === 'Enter' || e.key === ' ') && (e.preventDefault(), onPick(key))
            }
          >
            <rect x={bx - 3} y={by - 16} width="52" height="53" fill="transparent" />
            <rect
              x={bx}
              y={by}
              width="46"
              height="21"
              rx="2"
              fill="var(--panel)"
              stroke={tone}
              strokeWidth={c.hard ? 2 : 1}
              strokeDasharray={c.hard ? undefined : '4 2'}
              className="group-focus-visible:stroke-accent"
            />
            <text
              x={bx + 23}
              y={by + 15}
              textAnchor="middle"
              fontSize="13"
              fontWeight="600"
              fill={tone}
            >
              {text}
            </text>
            <title>{c.culprit ?? 'nothing takes anything here'}</title>
          </g>
        );
      })}
    </>
  );
}
