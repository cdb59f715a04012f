'use client';

import { useId } from 'react';
import { focalRange, isZoom } from '@/core/build/lens';
import type { Layer } from '@/core/areas/front/model/chip-shading';
import type { Setting } from '@/core/areas/front/model/situations';
import type { ShadingView } from '@/core/areas/front/model/view';
import { metres, plain } from '@/core/quantity/say';
import { valueOf } from '@/core/quantity/quantity';
import { Pop } from '@/ui/pop';
import type { RigFacts } from '../bench/use-rig';

/** Steps of the focus slider from infinity to close focus. */
const FOCI = 20;
/** Thirds of a stop from the widest stop to the deepest. */
const THIRDS = 3;

const LAYER_NAME: Record<Layer, string> = {
  mechanical: 'what stands in front',
  natural: 'falloff of the lens',
  reducer: 'shading of the reducer',
};

/** What the plate looks at: the worst case, or a setting of zoom, stop and focus run through by hand. */
export function Scrubber({
  facts,
  view,
  setting,
  onSetting,
  layers,
  onLayers,
}: {
  facts: RigFacts;
  view: ShadingView | null;
  setting: Setting | null;
  onSetting: (s: Setting | null) => void;
  layers: ReadonlySet<Layer>;
  onLayers: (l: ReadonlySet<Layer>) => void;
}) {
  const { built } = facts;
  const { lens } = built;
  const range = focalRange(lens);
  const zoom = isZoom(lens) && range !== null;
  const close = valueOf(lens?.closeFocus);
  const widest = built.stop.known?.value ?? null;
  const deepest = Math.max(widest ?? 1, built.rules['front.deep-stop']);
  const shown = view?.situation.setting ?? setting;
  const now: Setting = shown ?? { focal: zoom ? range.from : null, focus: Infinity, stop: 'used' };
  const t =
    typeof now.stop === 'number' ? now.stop : now.stop === 'deep' ? deepest : (widest ?? deepest);
  const set = (patch: Partial<Setting>) => onSetting({ ...now, stop: t, ...patch });
  // Even steps of 1 / distance: that is how a focus ring runs.
  const focusAt = (i: number) =>
    i === 0 || close === null ? Infinity : i === FOCI ? close : (close * FOCI) / i;
  const focusIndex =
    close === null || !Number.isFinite(now.focus) ? 0 : Math.round((close / now.focus) * FOCI);
  const steps = widest === null ? 0 : Math.round(2 * Math.log2(deepest / widest) * THIRDS);
  const stopIndex =
    widest === null ? 0 : Math.round(2 * Math.log2(Math.max(1, t / widest)) * THIRDS);
  return (
    <div className="flex items-stretch border-t border-rule text-sm">
      <button
        type="button"
        aria-pressed={setting === null}
        onClick={() => onSetting(null)}
        className="min-h-11 shrink-0 border-r border-rule px-2 text-left leading-tight hover:bg-sunk aria-pressed:bg-sunk aria-pressed:font-semibold"
      >
        worst case
        <span className="block text-soft">
          {setting === null ? (view?.situation.label ?? 'not known') : 'show it'}
        </span>
      </button>
      {zoom ? (
        <Slider
          label="zoom"
          text={`${plain(now.focal ?? range.from, 1)} mm`}
          min={range.from}
          max={range.to}
          step={range.to - range.from > 60 ? 2 : 0.5}
          value={now.focal ?? range.from}
          onChange={(v) => set({ focal: v })}
        />
      ) : null}
      {steps > 0 ? (
        <Slider
          label="stop"
          text={`T${plain(t, 1)}`}
          min={0}
          max={steps}
          step={1}
          value={stopIndex}
          onChange={(v) =>
            set({
              stop: v === 0 ? 'used' : v === steps ? 'deep' : widest! * 2 ** (v / THIRDS / 2),
            })
          }
        />
      ) : null}
      {close !== null ? (
        <Slider
          label="focus"
          text={Number.isFinite(now.focus) ? metres(now.focus) : '\u221e'}
          min={0}
          max={FOCI}
          step={1}
          value={focusIndex}
          onChange={(v) => set({ focus: focusAt(v) })}
        />
      ) : null}
      <Pop
        label="What darkens the plate"
        align="end"
        className="p-2"
        trigger={
          <button
            type="button"
            className="min-h-11 shrink-0 border-l border-rule px-2 hover:bg-sunk"
          >
            layers
          </button>
        }
      >
        {(Object.keys(LAYER_NAME) as Layer[]).map((l) => (
          <label key={l} className="flex min-h-11 items-center gap-2 px-1">
            <input
              type="checkbox"
              className="size-5"
              checked={layers.has(l)}
              onChange={() => {
                const next = new Set(layers);
                if (!next.delete(l)) next.add(l);
                onLayers(next);
              }}
            />
            {LAYER_NAME[l]}
            {l === 'natural' ? (
              <span className="text-soft">
                {lens?.falloff?.length ? '(its table)' : '(cos\u2074, an estimate)'}
              </span>
            ) : null}
            {l === 'reducer' && built.reducers.some((r) => !r.falloff?.length) ? (
              <span className="text-unknown">(not known)</span>
            ) : null}
          </label>
        ))}
      </Pop>
    </div>
  );
}

function Slider({
  label,
  text,
  min,
  max,
  step,
  value,
  onChange,
}: {
  label: string;
  text: string;
  min: number;
  max: number;
  step: number;
  value: number;
  onChange: (v: number) => void;
}) {
  const id = useId();
  return (
    <div className="relative min-w-0 flex-1 px-1.5">
      <label
        htmlFor={id}
        className="pointer-events-none absolute inset-x-0 top-0.5 block truncate text-center leading-4"
      >
        <span className="sr-only">{label}: </span>
        {text}
      </label>
      <input
        id={id}
        type="range"
        min={min}
        max={max}
        step={step}
        value={value}
        aria-valuetext={text}
        className="mt-2 h-11 w-full accent-current"
        onChange={(e) => onChange(Number(e.target.value))}
      />
    </div>
  );
}
