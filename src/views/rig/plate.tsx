'use client';

import dynamic from 'next/dynamic';
import { memo, useMemo } from 'react';
import type { RigFacts, Shading } from '../bench/use-rig';
import type { Layer } from '@/core/areas/front/model/chip-shading';
import type { Setting } from '@/core/areas/front/model/situations';
import type { Built } from '@/core/build/build';
import { modeSize, chipCircle } from '@/core/build/circle';
import { spread } from '@/core/quantity/spread';
import type { Rectangle } from '@/core/optics/coverage';
import { exact, mm } from '@/core/quantity/say';
import { H, W } from './plate-parts';
import {
  Circle,
  CX,
  CY,
  Darkened,
  Frames,
  framesOn,
  plateFrame,
  PlateFigures,
  PlatePatterns,
} from './plate-layers';

const CornerLosses = dynamic(
  () => import('../areas/front/corner-losses').then((m) => m.CornerLosses),
  { ssr: false },
);

const Probe = dynamic(() => import('./plate-probe').then((m) => m.Probe), { ssr: false });

const Scrubber = dynamic(() => import('./scrubber').then((m) => m.Scrubber), {
  ssr: false,
  loading: () => <div className="min-h-13 border-t border-rule" />,
});

interface PlateProps {
  facts: RigFacts;
  lit: string | null;
  onPick: (key: string) => void;
  shading?: Shading;
  layers?: ReadonlySet<Layer>;
  onLayers?: (l: ReadonlySet<Layer>) => void;
  /** The setting that is looked at; null for the worst case. */
  setting?: Setting | null;
  onSetting?: (s: Setting | null) => void;
}

/**
 * The plate: the chip seen from the lens, with mode, delivery frames and the image circle at true
 * scale; what lies outside the circle is hatched, each frame's corner says its margin.
 */
export const Plate = memo(function Plate(props: PlateProps) {
  const { built } = props.facts;
  const [w, h] = modeSize(built);
  return built.body && built.mode && w.known && h.known ? (
    <Chip {...props} mode={{ w: w.known.value, h: h.known.value, x: 0, y: 0 }} />
  ) : (
    <NoChip built={built} />
  );
});

/** What has to be said before there is a chip to draw. */
function NoChip({ built: { body, mode } }: { built: Built }) {
  return (
    <section
      aria-label="The plate"
      className="border-t border-rule bg-panel p-4 lg:border-l lg:border-t-0"
    >
      <h2>The plate</h2>
      <p className="mt-2 text-soft">
        {!body
          ? 'Put a body on the line: its chip is drawn here.'
          : !mode
            ? 'Choose what the body records: that part of the chip is drawn here.'
            : `The active area of ${mode.name} is not known. Give its width and height on the sheet of ${body.name}.`}
      </p>
    </section>
  );
}

/** The image circle at the chip with its interval; null while a number is missing. */
function useCircle(built: Built) {
  return useMemo(() => {
    const c = chipCircle(built);
    return c.inputs.every((g) => g.known)
      ? spread(
          c.inputs.map((g) => g.known!),
          c.value,
        )
      : null;
  }, [built]);
}

function Chip({
  facts,
  lit,
  onPick,
  shading,
  layers = NO_LAYERS,
  onLayers,
  setting = null,
  onSetting,
  mode,
}: PlateProps & { mode: Rectangle }) {
  const { built, verdicts } = facts;
  const circle = useCircle(built);
  const frame = plateFrame(mode, circle?.hi ?? 0);
  const { rect, k } = frame;
  const frames = framesOn(facts, mode);
  const darkened = shading?.view?.corners.some((c) => c.mechanical > 0.005) ?? false;
  return (
    <section
      aria-label="The plate"
      className="flex min-h-0 flex-col border-t border-rule bg-panel lg:border-l lg:border-t-0"
    >
      <svg
        viewBox={`0 0 ${W} ${H}`}
        className="min-h-0 w-full flex-1"
        role="group"
        aria-label={`The chip in ${built.mode!.name}, ${exact(mode.w, 2)} by ${mm(mode.h, 2)}, with frames and image circle`}
      >
        <PlatePatterns frame={frame} />
        <rect {...rect(mode)} fill={shading?.map ? 'var(--plate)' : 'var(--paper)'} />
        {circle ? <Circle circle={circle} k={k} /> : null}
        <Darkened shading={shading} layers={layers} frame={frame} />
        <rect {...rect(mode)} fill="none" stroke="var(--ink)" strokeWidth="2" />
        <path
          d={`M${CX - 7} ${CY}h14M${CX} ${CY - 7}v14`}
          stroke="var(--tight)"
          strokeWidth="1"
          fill="none"
        />
        <Frames
          frames={frames}
          frame={frame}
          facts={facts}
          lit={lit}
          away={darkened ? 25 : 0}
          onPick={onPick}
        />
        {shading?.map ? <Probe built={built} map={shading.map} frame={frame} /> : null}
        {shading?.view ? (
          <CornerLosses
            view={shading.view}
            layers={layers}
            verdicts={verdicts}
            at={(x, y) => [CX + x * k, CY - y * k]}
            onPick={onPick}
          />
        ) : null}
        {circle ? null : (
          <text
            x={CX}
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
      <PlateFigures facts={facts} circle={circle} frames={frames} onPick={onPick} />
    </section>
  );
}

const NO_LAYERS: ReadonlySet<Layer> = new Set();
