'use client';

import { useId, type ReactNode } from 'react';
import { Button } from '@/ui/button';
import { LabelledSelect } from '@/ui/labelled-select';
import type { Against } from './against';
import { VIEWS, type Act } from './keys';
import { STANDARD, type Standard } from './looks';

/** How the model is shown. */
export interface Options {
  standard: Standard;
  perspective: boolean;
  names: boolean;
  sweeps: boolean;
  load: boolean;
  /** Turned as it hangs. */
  hangs: boolean;
  /** 0 together, 1 apart. */
  apart: number;
  /** Axis of the section; null without one. */
  axis: keyof typeof AXES | null;
  /** Where it is, as a share of the rig along that axis. */
  cut: number;
}

/** Axes a section goes across, and its ends. */
export const AXES = {
  x: { n: 0, name: 'across', ends: ['camera left', 'camera right'] },
  y: { n: 1, name: 'level', ends: ['low', 'high'] },
  z: { n: 2, name: 'along', ends: ['rear', 'front'] },
} as const;

/** What can be done to the picture, under it. */
export function Controls({
  options,
  onOptions,
  onAct,
  against,
  hanging,
}: {
  options: Options;
  onOptions: (f: (o: Options) => Options) => void;
  onAct: (act: Act) => void;
  against: Against;
  /** It hangs, and it is known how. */
  hanging: boolean;
}) {
  const set = (more: Partial<Options>) => onOptions((o) => ({ ...o, ...more }));
  const axis = options.axis === null ? null : AXES[options.axis];
  return (
    <div className="flex flex-wrap items-center gap-x-3 border-t border-rule bg-panel px-2 py-0.5">
      <div role="group" aria-label="Look from" className="flex flex-wrap">
        {VIEWS.map((v, i) => (
          <Button
            key={v}
            look="bare"
            className="!px-2"
            aria-keyshortcuts={String(i + 1)}
            onClick={() => onAct({ look: v })}
          >
            {STANDARD[v].name}
          </Button>
        ))}
        <Button look="bare" className="!px-2" onClick={() => onAct({ fit: true })}>
          Whole rig
        </Button>
      </div>
      {against.options.length > 1 ? (
        <LabelledSelect
          label="Against"
          value={against.chosen}
          options={against.options}
          onPick={against.choose}
        />
      ) : null}
      <div role="group" aria-label="Show" className="flex flex-wrap">
        <Toggle on={options.perspective} onPress={() => onAct({ perspective: true })}>
          Perspective
        </Toggle>
        <Toggle on={options.names} onPress={() => set({ names: !options.names })}>
          Names
        </Toggle>
        <Toggle on={options.sweeps} onPress={() => set({ sweeps: !options.sweeps })}>
          Sweeps
        </Toggle>
        <Toggle on={options.load} onPress={() => set({ load: !options.load })}>
          Load path
        </Toggle>
        {hanging ? (
          <Toggle on={options.hangs} onPress={() => set({ hangs: !options.hangs })}>
            As it hangs
          </Toggle>
        ) : null}
      </div>
      <Slider
        label="Taken apart"
        ends={['together', 'apart']}
        value={options.apart}
        onValue={(apart) => set({ apart })}
      />
      <LabelledSelect
        label="Section"
        value={options.axis ?? '-'}
        options={[
          { id: '-', name: 'none' },
          ...Object.entries(AXES).map(([id, a]) => ({ id, name: a.name })),
        ]}
        onPick={(id) => set({ axis: id === '-' ? null : (id as keyof typeof AXES), cut: 0.5 })}
      />
      {axis ? (
        <Slider
          label="Section at"
          ends={axis.ends}
          value={options.cut}
          onValue={(cut) => set({ cut })}
        />
      ) : null}
    </div>
  );
}

function Toggle({
  on,
  onPress,
  children,
}: {
  on: boolean;
  onPress: () => void;
  children: ReactNode;
}) {
  return (
    <Button
      look="bare"
      aria-pressed={on}
      className={`!px-2 ${on ? 'text-accent underline decoration-2 underline-offset-4' : ''}`}
      onClick={onPress}
    >
      {children}
    </Button>
  );
}

/** A slider with its two ends written. */
function Slider({
  label,
  ends,
  value,
  onValue,
}: {
  label: string;
  ends: readonly [string, string];
  value: number;
  onValue: (value: number) => void;
}) {
  const id = useId();
  return (
    <span className="flex min-h-11 items-center gap-2">
      <label htmlFor={id} className="sr-only">
        {label}
      </label>
      <span className="text-sm text-soft">{ends[0]}</span>
      <input
        id={id}
        type="range"
        min={0}
        max={1}
        step={0.01}
        value={value}
        aria-valuetext={`${Math.round(100 * value)} % from ${ends[0]} to ${ends[1]}`}
        className="h-11 w-24 accent-accent"
        onChange={(e) => onValue(Number(e.target.value))}
      />
      <span className="text-sm text-soft">{ends[1]}</span>
    </span>
  );
}
