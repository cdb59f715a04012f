'use client';

import dynamic from 'next/dynamic';
import { memo, useState, useMemo } from 'react';
import type { RigFacts, Shading } from '../bench/use-rig';
import type { Layer } from '@/core/areas/front/model/chip-shading';
import type { Setting } from '@/core/areas/front/model/situations';
import { modeSize, chipCircle, framingSqueeze, circleSum } from '@/core/build/circle';
import { spread } from '@/core/quantity/spread';
import { type Rectangle, frameOnChip, farthestCorner } from '@/core/optics/coverage';
import { framePixels } from '@/core/areas/coverage/model/pixels';
import { exact } from '@/core/quantity/say';
import { circlePath, DASH, Corner, H, W } from './plate-parts';
import { pointText } from '@/core/areas/front/model/view';
import { Sum } from '@/ui/sum';
import { STATE_TEXT } from '@/ui/state-mark';

/** Contours and the picture of the shading come after the chip itself. */
const ShadingLayer = dynamic(
  () => import('../areas/front/shading-layer').then((m) => m.ShadingLayer),
  {
    ssr: false,
  },
);

const CornerLosses = dynamic(
  () => import('../areas/front/corner-losses').then((m) => m.CornerLosses),
  {
    ssr: false,
  },
);

const Scrubber = dynamic(() => import('./scrubber').then((m) => m.Scrubber), {
  ssr: false,
  loading: () => <div className="min-h-13 border-t border-rule" />,
});

/**
 * The plate: the chip seen from the lens, with mode, delivery frames and the image circle at true
 * scale; what lies outside the circle is hatched, each frame's corner says its margin.
 */
export const Plate = memo(function Plate({
  facts,
  lit,
  onPick,
  shading,
  layers = NO_LAYERS,
  onLayers,
  setting = null,
  onSetting,
}: {
  facts: RigFacts;
  lit: string | null;
  onPick: (key: string) => void;
  shading?: Shading;
  layers?: ReadonlySet<Layer>;
  onLayers?: (l: ReadonlySet<Layer>) => void;
  /** The setting that is looked at; null for the worst case. */
  setting?: Setting | null;
  onSetting?: (s: Setting | null) => void;
}) {
  const { built, verdicts } = facts;
  /** The point under the pointer, as shares of the chip from its lower left. */
  const [probe, setProbe] = useState<{ x: number; y: number } | null>(null);
  const [wq, hq] = modeSize(built);
  const circle = useMemo(() => {
    const c = chipCircle(built);
    return c.inputs.every((g) => g.known)
      ? spread(
          c.inputs.map((g) => g.known!),
          c.value,
        )
      : null;
  }, [built]);
  if (!built.body || !built.mode || !wq.known || !hq.known)
    return (
      <section
        aria-label="The plate"
        className="border-t border-rule bg-panel p-4 lg:border-l lg:border-t-0"
      >
        <h2>The plate</h2>
        <p className="mt-2 text-soft">
          {!built.body
            ? 'Put a body on the line: its chip is drawn here.'
            : !built.mode
              ? 'Choose what the body records: that part of the chip is drawn here.'
              : `The active area of ${built.mode.name} is not known. Give its width and height on the sheet of ${built.body.name}.`}
        </p>
      </section>
    );

  const mode: Rectangle = { w: wq.known.value, h: hq.known.value, x: 0, y: 0 };
  const s = framingSqueeze(built);
  // The chip is what is read: of a circle that reaches far beyond it only the near part is drawn.
  const most = Math.max(mode.w * 1.1, Math.min(circle?.hi ?? 0, mode.w * 1.25));
  const tall = Math.max(mode.h * 1.16, Math.min(circle?.hi ?? 0, mode.h * 1.4));
  const k = Math.min((W - 24) / most, (H - 12) / tall);
  const cx = W / 2;
  const cy = H / 2;
  const rect = (r: Rectangle) => ({
    x: cx + (r.x - r.w / 2) * k,
    y: cy - (r.y + r.h / 2) * k,
    width: r.w * k,
    height: r.h * k,
  });
  const frames = built.frames.map((f, i) => ({
    frame: f,
    i,
    r: frameOnChip(f, mode, s),
    finding: verdicts.find((v) => v.key === `coverage.frame:${f.id}`),
    px: framePixels(built, f),
  }));
  const darkened = shading?.view?.corners.some((c) => c.mechanical > 0.005) ?? false;
  const chip = verdicts.find((v) => v.id === 'coverage.chip');
  return (
    <section
      aria-label="The plate"
      className="flex min-h-0 flex-col border-t border-rule bg-panel lg:border-l lg:border-t-0"
    >
      <svg
        viewBox={`0 0 ${W} ${H}`}
        className="min-h-0 w-full flex-1"
        role="group"
        aria-label={`The chip in ${built.mode.name}, ${exact(mode.w, 2)} by ${exact(mode.h, 2)} mm, with frames and image circle`}
      >
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
        <rect {...rect(mode)} fill={shading?.map ? 'var(--plate)' : 'var(--paper)'} />
        {circle ? (
          <>
            <circle
              cx={cx}
              cy={cy}
              r={(circle.value / 2) * k}
              fill="var(--glass)"
              fillOpacity="0.35"
            />
            {circle.hi - circle.lo > 1e-6 ? (
              <circle
                cx={cx}
                cy={cy}
                r={((circle.lo + circle.hi) / 4) * k}
                fill="none"
                stroke="var(--glass)"
                strokeWidth={((circle.hi - circle.lo) / 2) * k}
              />
            ) : null}
            <circle
              cx={cx}
              cy={cy}
              r={(circle.value / 2) * k}
              fill="none"
              stroke="var(--ink)"
              strokeWidth="1.4"
            />
            <path
              clipPath="url(#plate-mode)"
              fillRule="evenodd"
              fill="url(#cut)"
              d={`M-999 -999H1999V1999H-999Z${circlePath(cx, cy, (circle.value / 2) * k)}`}
            />
          </>
        ) : null}
        {shading?.map ? (
          <g clipPath="url(#plate-mode)">
            <ShadingLayer map={shading.map} layers={layers} {...rect(mode)} />
          </g>
        ) : null}
        <rect {...rect(mode)} fill="none" stroke="var(--ink)" strokeWidth="2" />
        <path
          d={`M${cx - 7} ${cy}h14M${cx} ${cy - 7}v14`}
          stroke="var(--tight)"
          strokeWidth="1"
          fill="none"
        />
        {frames.map(({ frame, r, i }) => (
          <rect
            key={frame.id}
            {...rect(r)}
            fill="none"
            stroke="var(--accent)"
            strokeWidth={lit?.endsWith(`:${frame.id}`) ? 3 : 1.6}
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
              away={darkened ? 25 : 0}
              onPick={onPick}
            />
          ) : null,
        )}
        {shading?.map ? (
          <rect
            {...rect(mode)}
            fill="transparent"
            onPointerMove={(e) => {
              const r = e.currentTarget.getBoundingClientRect();
              setProbe({
                x: Math.min(1, Math.max(0, (e.clientX - r.left) / r.width)),
                y: Math.min(1, Math.max(0, 1 - (e.clientY - r.top) / r.height)),
              });
            }}
            onPointerLeave={() => setProbe(null)}
          />
        ) : null}
        {shading?.map && probe ? (
          <text
            x={W / 2}
            y={16}
            textAnchor="middle"
            fontSize="13"
            fill="var(--ink)"
            stroke="var(--panel)"
            strokeWidth="4"
            paintOrder="stroke"
            className="pointer-events-none"
          >
            {pointText(built, shading.map, probe.x, probe.y)}
          </text>
        ) : null}
        {shading?.view ? (
          <CornerLosses
            view={shading.view}
            layers={layers}
            verdicts={verdicts}
            at={(x, y) => [cx + x * k, cy - y * k]}
            onPick={onPick}
          />
        ) : null}
        {circle ? null : (
          <text
            x={cx}
            y={H - 8}
            textAnchor="middle"
            fontSize="14"
            fill="var(--unknown)"
            fontWeight="600"
          >
            {built.lens ? 'image circle not known' : 'no lens, no image circle'}
          </text>
        )}
      </svg>
      {shading && onSetting && onLayers && built.lens ? (
        <Scrubber
          facts={facts}
          view={shading.view}
          setting={setting}
          onSetting={onSetting}
          layers={layers}
          onLayers={onLayers}
        />
      ) : null}
      <div className="flex flex-wrap items-center gap-x-3 overflow-hidden border-t border-rule px-3 text-sm lg:max-h-11">
        {circle ? (
          <Sum
            label="Image circle at the chip"
            sum={circleSum(facts.built) ?? ''}
            basis="[math] min(m D, exit circle)"
          >
            {`circle ${exact(circle.value, 1)}`}
          </Sum>
        ) : null}
        {frames.map(({ frame, px, r, i }) => (
          <Sum
            key={frame.id}
            label={`${frame.name} frame`}
            sum={
              px
                ? `On the chip ${exact(r.w, 2)} x ${exact(r.h, 2)} mm, corner at ${exact(farthestCorner(r), 2)} mm; ${Math.floor(px.w)} x ${Math.floor(px.h)} recorded${s === 1 ? '' : `, ${Math.floor(px.desqueezedW)} x ${Math.floor(px.h)} desqueezed`}.`
                : `On the chip ${exact(r.w, 2)} x ${exact(r.h, 2)} mm; its pixels are not known.`
            }
            basis="[math]"
          >
            <svg width="22" height="8" aria-hidden="true" className="mr-1 inline">
              <path
                d="M0 4h22"
                stroke="var(--accent)"
                strokeWidth="2"
                strokeDasharray={DASH[i % DASH.length]}
              />
            </svg>
            {frame.name}
            {px ? ` ${Math.floor(px.desqueezedW)} x ${Math.floor(px.h)}` : ''}
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
    </section>
  );
});

const NO_LAYERS: ReadonlySet<Layer> = new Set();
