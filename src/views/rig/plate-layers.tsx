'use client';

import dynamic from 'next/dynamic';
import type { RigFacts, Shading } from '../bench/use-rig';
import type { Layer } from '@/core/areas/front/model/chip-shading';
import { framePixels } from '@/core/areas/coverage/model/pixels';
import { circleSum, framingSqueeze } from '@/core/build/circle';
import type { Built } from '@/core/build/build';
import type { Verdict } from '@/core/checks/finding';
import type { Frame } from '@/core/kit/types';
import { farthestCorner, frameOnChip, type Rectangle } from '@/core/optics/coverage';
import type { Range } from '@/core/quantity/spread';
import { bareOptics, exact, mm } from '@/core/quantity/say';
import { Sum } from '@/ui/sum';
import { STATE_TEXT } from '@/ui/state-mark';
import { circlePath, Corner, DASH, H, W } from './plate-parts';

/** Contours and the picture of the shading come after the chip itself. */
const ShadingLayer = dynamic(
  () => import('../areas/front/shading-layer').then((m) => m.ShadingLayer),
  { ssr: false },
);

/** How the chip lies in its picture. */
export interface PlateFrame {
  mode: Rectangle;
  /** Pixels a millimetre. */
  k: number;
  rect: (r: Rectangle) => { x: number; y: number; width: number; height: number };
}

export const CX = W / 2;
export const CY = H / 2;

/** The chip is what is read: of a circle that reaches far beyond it only the near part is drawn. */
export function plateFrame(mode: Rectangle, circle: number): PlateFrame {
  const most = Math.max(mode.w * 1.1, Math.min(circle, mode.w * 1.25));
  const tall = Math.max(mode.h * 1.16, Math.min(circle, mode.h * 1.4));
  const k = Math.min((W - 24) / most, (H - 12) / tall);
  return {
    mode,
    k,
    rect: (r) => ({
      x: CX + (r.x - r.w / 2) * k,
      y: CY - (r.y + r.h / 2) * k,
      width: r.w * k,
      height: r.h * k,
    }),
  };
}

/** A delivery frame on the chip, with what is found about it. */
export interface PlacedFrame {
  frame: Frame;
  i: number;
  r: Rectangle;
  finding: Verdict | undefined;
  px: ReturnType<typeof framePixels>;
}

export function framesOn({ built, verdicts }: RigFacts, mode: Rectangle): PlacedFrame[] {
  const s = framingSqueeze(built);
  return built.frames.map((frame, i) => ({
    frame,
    i,
    r: frameOnChip(frame, mode, s),
    finding: verdicts.find((v) => v.key === `coverage.frame:${frame.id}`),
    px: framePixels(built, frame),
  }));
}

export function PlatePatterns({ frame: { rect, mode } }: { frame: PlateFrame }) {
  return (
    <defs>
      <pattern
        id="cut"
        width="5"
        height="5"
        patternUnits="userSpaceOnUse"
        patternTransform="rotate(45)"
      >
        <path d="M0 0v5" stroke="var(--fail)" strokeWidth="1.3" />
      </pattern>
      <pattern
        id="hard"
        width="7"
        height="7"
        patternUnits="userSpaceOnUse"
        patternTransform="rotate(-45)"
      >
        <path d="M0 0v7" stroke="var(--fail)" strokeWidth="2.4" />
      </pattern>
      <clipPath id="plate-mode">
        <rect {...rect(mode)} />
      </clipPath>
    </defs>
  );
}

/** The image circle with its doubt as a band; what of the chip lies outside it is hatched. */
export function Circle({ circle, k }: { circle: Range; k: number }) {
  const r = (circle.value / 2) * k;
  return (
    <>
      <circle cx={CX} cy={CY} r={r} fill="var(--glass)" fillOpacity="0.35" />
      {circle.hi - circle.lo > 1e-6 ? (
        <circle
          cx={CX}
          cy={CY}
          r={((circle.lo + circle.hi) / 4) * k}
          fill="none"
          stroke="var(--glass)"
          strokeWidth={((circle.hi - circle.lo) / 2) * k}
        />
      ) : null}
      <circle cx={CX} cy={CY} r={r} fill="none" stroke="var(--ink)" strokeWidth="1.4" />
      <path
        clipPath="url(#plate-mode)"
        fillRule="evenodd"
        fill="url(#cut)"
        d={`M-999 -999H1999V1999H-999Z${circlePath(CX, CY, r)}`}
      />
    </>
  );
}

/** The chip darkened by what shades it. */
export function Darkened({
  shading,
  layers,
  frame: { rect, mode },
}: {
  shading: Shading | undefined;
  layers: ReadonlySet<Layer>;
  frame: PlateFrame;
}) {
  return shading?.map ? (
    <g clipPath="url(#plate-mode)">
      <ShadingLayer map={shading.map} layers={layers} {...rect(mode)} />
    </g>
  ) : null;
}

/** Delivery frames, each in its own dashes, each with its margin at a corner. */
export function Frames({
  frames,
  frame: { rect },
  facts: { verdicts },
  lit,
  away,
  onPick,
}: {
  frames: readonly PlacedFrame[];
  frame: PlateFrame;
  facts: RigFacts;
  lit: string | null;
  away: number;
  onPick: (key: string) => void;
}) {
  const litFrame = verdicts.find((v) => v.key === lit)?.frame;
  return (
    <>
      {frames.map(({ frame, r, i }) => (
        <rect
          key={frame.id}
          {...rect(r)}
          fill="none"
          stroke="var(--accent)"
          strokeWidth={litFrame === frame.id ? 3 : 1.6}
          strokeDasharray={DASH[i % DASH.length]}
        />
      ))}
      {frames.map(({ frame, r, finding, i }) =>
        finding?.margin ? (
          <Corner
            key={frame.id}
            r={rect(r)}
            corner={i % 4}
            finding={finding}
            name={frame.name}
            lit={lit === finding.key}
            away={away}
            onPick={onPick}
          />
        ) : null,
      )}
    </>
  );
}

/** The figures below the plate, each with its sum. */
export function PlateFigures({
  facts,
  circle,
  frames,
  onPick,
}: {
  facts: RigFacts;
  circle: Range | null;
  frames: readonly PlacedFrame[];
  onPick: (key: string) => void;
}) {
  const chip = facts.verdicts.find((v) => v.id === 'coverage.chip');
  return (
    <div className="flex flex-wrap items-center gap-x-3 overflow-hidden border-t border-rule px-3 text-sm lg:max-h-11">
      {circle ? (
        <Sum
          label="Image circle at the chip"
          sum={circleSum(facts.built) ?? ''}
          basis="[math] min(m D, exit circle)"
        >
          {`circle ${bareOptics(circle.value, 1)}`}
        </Sum>
      ) : null}
      {frames.map((f) => (
        <Sum
          key={f.frame.id}
          label={`${f.frame.name} frame`}
          sum={frameSum(facts.built, f)}
          basis="[math]"
        >
          <svg width="22" height="8" aria-hidden="true" className="mr-1 inline">
            <path
              d="M0 4h22"
              stroke="var(--accent)"
              strokeWidth="2"
              strokeDasharray={DASH[f.i % DASH.length]}
            />
          </svg>
          {f.frame.name}
          {f.px ? ` ${f.px.says}` : ''}
        </Sum>
      ))}
      {chip && chip.state !== 'ok' ? (
        <button
          type="button"
          className={`min-h-11 underline underline-offset-4 ${STATE_TEXT[chip.state]}`}
          onClick={() => onPick(chip.key)}
        >
          corners of the chip
        </button>
      ) : null}
    </div>
  );
}

function frameSum(built: Built, { r, px }: PlacedFrame): string {
  const size = `On the chip ${exact(r.w, 2)} x ${mm(r.h, 2)}`;
  if (!px) return `${size}; its pixels are not known.`;
  const wide =
    framingSqueeze(built) === 1
      ? ''
      : `, ${Math.floor(px.desqueezedW)} x ${Math.floor(px.h)} desqueezed`;
  return `${size}, corner at ${mm(farthestCorner(r), 2)}; ${Math.floor(px.w)} x ${Math.floor(px.h)} recorded${wide}.`;
}
