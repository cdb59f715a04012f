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

interface ScrubberProps {
  facts: RigFacts;
  view: ShadingView | null;
  setting: Setting | null;
  onSetting: (s: Setting | null) => void;
  layers: ReadonlySet<Layer>;
  onLayers: (l: ReadonlySet<Layer>) => void;
}

/** What the plate looks at: the worst case, or a setting of zoom, stop and focus run through by hand. */
export function Scrubber(props: ScrubberProps) {
  const { facts, view, setting, onSetting } = props;
  const { built } = facts;
  const range = focalRange(built.lens);
  const zoom = isZoom(built.lens) && range ? range : null;
  const widest = built.stop.known?.value ?? null;
  const deepest = Math.max(widest ?? 1, built.rules['front.deep-stop']);
  const now: Setting = view?.situation.setting ??
    setting ?? { focal: zoom?.from ?? null, focus: Infinity, stop: 'used' };
  const used = widest ?? deepest;
  const t = typeof now.stop === 'number' ? now.stop : now.stop === 'deep' ? deepest : used;
  const set = (patch: Partial<Setting>) => onSetting({ ...now, stop: t, ...patch });
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
          text={`${plain(now.focal ?? zoom.from, 1)} mm`}
          ends={[plain(zoom.from, 1), plain(zoom.to, 1)]}
          min={zoom.from}
          max={zoom.to}
          step={zoom.to - zoom.from > 60 ? 2 : 0.5}
          value={now.focal ?? zoom.from}
          onChange={(v) => set({ focal: v })}
        />
      ) : null}
      {widest === null ? null : (
        <StopSlider t={t} widest={widest} deepest={deepest} onStop={(stop) => set({ stop })} />
      )}
      <FocusSlider
        close={valueOf(built.lens?.closeFocus)}
        focus={now.focus}
        onFocus={(focus) => set({ focus })}
      />
      <Layers {...props} />
    </div>
  );
}

/** By thirds of a stop. */
function StopSlider({
  t,
  widest,
  deepest,
  onStop,
}: {
  t: number;
  widest: number;
  deepest: number;
  onStop: (stop: Setting['stop']) => void;
}) {
  const thirds = (stop: number) => Math.round(2 * Math.log2(stop / widest) * THIRDS);
  const steps = thirds(deepest);
  if (steps <= 0) return null;
  return (
    <Slider
      label="stop"
      text={`T${plain(t, 1)}`}
      ends={[`T${plain(widest, 1)}`, `T${plain(deepest, 1)}`]}
      min={0}
      max={steps}
      step={1}
      value={thirds(Math.max(widest, t))}
      onChange={(v) =>
        onStop(v === 0 ? 'used' : v === steps ? 'deep' : widest * 2 ** (v / THIRDS / 2))
      }
    />
  );
}

/** Even steps of 1 / distance: that is how a focus ring runs. */
function FocusSlider({
  close,
  focus,
  onFocus,
}: {
  close: number | null;
  focus: number;
  onFocus: (mm: number) => void;
}) {
  if (close === null) return null;
  const at = (i: number) => (i === 0 ? Infinity : i === FOCI ? close : (close * FOCI) / i);
  return (
    <Slider
      label="focus"
      text={Number.isFinite(focus) ? metres(focus) : '\u221e'}
      ends={['\u221e', metres(close)]}
      min={0}
      max={FOCI}
      step={1}
      value={Number.isFinite(focus) ? Math.round((close / focus) * FOCI) : 0}
      onChange={(v) => onFocus(at(v))}
    />
  );
}

/** What darkens the plate, each to be left out. */
function Layers({ facts: { built }, layers, onLayers }: ScrubberProps) {
  const toggle = (l: Layer) => {
    const next = new Set(layers);
    if (!next.delete(l)) next.add(l);
    onLayers(next);
  };
  return (
    <Pop
      label="What darkens the plate"
      align="end"
      className="p-2"
      trigger={
        <button type="button" className="min-h-11 shrink-0 border-l border-rule px-2 hover:bg-sunk">
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
            onChange={() => toggle(l)}
          />
          {LAYER_NAME[l]}
          {l === 'natural' ? (
            <span className="text-soft">
              {built.lens?.falloff?.length ? '(its table)' : '(cos\u2074, an estimate)'}
            </span>
          ) : null}
          {l === 'reducer' && built.reducers.some((r) => !r.falloff?.length) ? (
            <span className="text-unknown">(not known)</span>
          ) : null}
        </label>
      ))}
    </Pop>
  );
}

function Slider({
  label,
  text,
  ends,
  min,
  max,
  step,
  value,
  onChange,
}: {
  label: string;
  text: string;
  /** What its left and its right end are. */
  ends: readonly [string, string];
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
      <span
        aria-hidden="true"
        className="pointer-events-none absolute inset-x-2 bottom-0 flex justify-between text-xs leading-4 text-soft"
      >
        {ends.map((end, i) => (
          <span key={i}>{end}</span>
        ))}
      </span>
    </div>
  );
}
