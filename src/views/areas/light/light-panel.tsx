'use client';

import { useId, useMemo } from 'react';
import {
  lightFigures,
  USUAL_ANGLE,
  USUAL_FPS,
  USUAL_ISO,
  type LightFigures,
} from '@/core/areas/light/model/light';
import { densityOfStops, evOfLux } from '@/core/optics/exposure';
import { exact, plain, say } from '@/core/quantity/say';
import { inWords } from '@/core/checks/judge';
import { profileOf } from '@/core/areas/light/model/setting';
import { wheelsOf } from '@/core/areas/light/model/wheel';
import { valueOf } from '@/core/quantity/quantity';
import { setLight, turnWheel } from '@/core/areas/light/moves/light';
import { lightCandidates } from '@/core/areas/light/fixes/light';
import type { LightUse, Side } from '@/core/kit/types';
import { Button } from '@/ui/button';
import { TextInput } from '@/views/part/cells';
import { useStore } from '@/views/store/store-context';
import { Choose } from '../../bench/panel-parts';
import type { RigFacts } from '../../bench/use-rig';

/** `13`, `EV 13` or `20000 lx`, as an exposure value at ISO 100; null when it is neither. */
function parseLight(text: string): number | null {
  const m = /^(?:ev\s*)?(-?\d+(?:[.,]\d+)?)\s*(lx|lux|ev)?$/i.exec(text.trim());
  if (!m) return null;
  const n = Number(m[1]!.replace(',', '.'));
  const ev = /^lu?x$/i.test(m[2] ?? '') ? (n > 0 ? evOfLux(n) : NaN) : n;
  return ev >= -15 && ev <= 25 ? Math.round(ev * 100) / 100 : null;
}

type Set = (patch: Partial<LightUse>, title: string) => void;

const number = (t: string) => Number(t.replace(',', '.'));

/** The light: what the scene gives, what the stack takes, what is still missing for the stop. */
export default function LightPanel({ facts }: { facts: RigFacts }) {
  const store = useStore();
  const { built, rig } = facts;
  const light = rig.light ?? {};
  const f = useMemo(() => lightFigures(built), [built]);
  const ways = useMemo(
    () =>
      lightCandidates(built)
        .filter((c) => c.family === 'nd' || c.family === 'stop')
        .slice(0, 3),
    [built],
  );
  const set: Set = (patch, title) => store?.edit(setLight(rig, patch, title));
  return (
    <div className="flex flex-col gap-1">
      <p className="pt-1.5 text-base font-semibold" role="status">
        {headline(f, light)}
      </p>
      {ways.length > 0 && f.missing !== null && Math.abs(f.missing) >= 0.05 ? (
        <div className="flex flex-col items-start gap-1">
          {ways.map((w) => (
            <Button key={w.edit.title} onClick={() => store?.edit(w.edit)}>
              {w.edit.title}
              {w.toHire > 0 ? ' (to hire)' : ''}
            </Button>
          ))}
        </div>
      ) : null}
      <Exposure light={light} set={set} />
      <LightSettings facts={facts} set={set} />
      <Figures f={f} />
    </div>
  );
}

/** What is missing for the stop, in a sentence. */
function headline(f: LightFigures, light: LightUse): string {
  if (f.missing === null)
    return light.ev === undefined
      ? 'Give the scene light: then the missing ND is computed.'
      : 'What is missing is not known: a filter or the lens does not say.';
  if (Math.abs(f.missing) < 0.05)
    return f.turnTo
      ? `Turn ${f.turnTo.name} to ${say(f.turnTo.stops, 'stops')}.`
      : 'The light is right for the stop.';
  if (f.missing < 0) return `${say(-f.missing, 'stops')} too dark.`;
  const darkest = f.total && f.total.most > f.total.least ? ', the variable ND at its darkest' : '';
  return `${say(f.missing, 'stops')} too bright${darkest}: ND ${exact(densityOfStops(f.missing), 1)} is missing.`;
}

/** The scene, and how it is exposed. */
function Exposure({ light, set }: { light: LightUse; set: Set }) {
  return (
    <div className="grid grid-cols-2 gap-x-3">
      <Field
        label="light, EV or lx"
        value={light.ev === undefined ? '' : plain(light.ev)}
        check={(t) => (t === '' || parseLight(t) !== null ? null : 'Like 13, or 20000 lx.')}
        onKeep={(t) => {
          const ev = parseLight(t);
          set(
            { ev: ev ?? undefined },
            ev === null ? 'Clear the scene light' : `Scene light EV ${plain(ev)}`,
          );
        }}
      />
      <Field
        label="ISO"
        value={plain(light.iso ?? USUAL_ISO)}
        check={(t) => (number(t) >= 1 && number(t) <= 1e6 ? null : 'Like 800.')}
        onKeep={(t) => set({ iso: number(t) }, `ISO ${t}`)}
      />
      <Field
        label="fps"
        value={plain(light.fps ?? USUAL_FPS)}
        check={(t) => (number(t) > 0 && number(t) <= 1e5 ? null : 'Like 24.')}
        onKeep={(t) => set({ fps: number(t) }, `${t} fps`)}
      />
      <Field
        label="shutter, deg"
        value={plain(light.angle ?? USUAL_ANGLE)}
        check={(t) => (number(t) > 0 && number(t) <= 360 ? null : 'From 0 to 360.')}
        onKeep={(t) => set({ angle: number(t) }, `Shutter at ${t} degrees`)}
      />
    </div>
  );
}

/** Stops from the least to the most, one number where they are one. */
function stopsBetween(least: number | null, most: number | null, digits: number): string {
  if (least === null || most === null) return 'unknown';
  return least === most
    ? say(least, 'stops')
    : `${exact(least, digits)} to ${exact(most, digits)} stops`;
}

function Figures({ f }: { f: LightFigures }) {
  const stop = (t: number | null, digits: number, none: string) =>
    t === null ? none : `T${exact(t, digits)}`;
  return (
    <dl className="mt-1">
      <Figure label="exposure time" value={`1/${plain(1 / f.time, 1)} s`} />
      <Figure label="scene asks for, without filters" value={stop(f.scene, 1, 'no light given')} />
      <Figure label="stop at the chip" value={stop(f.chip, 2, 'unknown')} />
      {f.glass.map((g, i) => (
        <Figure
          key={`${g.id}${i}`}
          label={`${g.name}, ${g.where}`}
          value={stopsBetween(g.least, g.most, 1)}
        />
      ))}
      <Figure
        label="the stack takes"
        value={stopsBetween(f.total?.least ?? null, f.total?.most ?? null, 2)}
      />
      <Figure label="light the scene for" value={stop(f.lightFor, 1, 'unknown')} />
    </dl>
  );
}

const SIDES: readonly { id: Side; name: string }[] = [
  { id: 'top', name: 'above' },
  { id: 'bottom', name: 'below' },
  { id: 'left', name: 'camera left' },
  { id: 'right', name: 'camera right' },
];

/** What a place of a wheel takes, after its name; nothing for a clear one. */
function placeStops(stops: number | null): string {
  if (stops === null) return ', stops not known';
  return stops === 0 ? '' : `, ${say(stops, 'stops')}`;
}

/** Profile, wheels, mains, and where a hard light stands: chosen, not typed. */
function LightSettings({ facts, set }: { facts: RigFacts; set: Set }) {
  const store = useStore();
  const { built, rig } = facts;
  return (
    <>
      <Profiles facts={facts} set={set} />
      {wheelsOf(built).map((w) => (
        <Choose
          key={w.owner.id}
          label={w.use ? `in ${w.owner.name}` : 'filter wheel'}
          value={w.turned?.id ?? ''}
          none={w.turned ? null : 'nobody said'}
          options={w.places.map((p) => ({
            id: p.id,
            name: `${p.name}${placeStops(valueOf(p.stops))}`,
            pick: () => store?.edit(turnWheel(rig, w, p)),
          }))}
        />
      ))}
      <Lamps light={rig.light ?? {}} set={set} />
      <HardLight light={rig.light ?? {}} set={set} />
    </>
  );
}

/** The profile that is recorded in, each with its base sensitivities. */
function Profiles({ facts: { built }, set }: { facts: RigFacts; set: Set }) {
  const profiles = built.body?.profiles ?? [];
  const names = profiles.filter((p, i) => profiles.findIndex((q) => q.name === p.name) === i);
  const chosen = profileOf(built)?.[0]?.name;
  if (names.length === 0) return null;
  const bases = (name: string) =>
    inWords(
      profiles
        .filter((q) => q.name === name)
        .map((q) => (q.base === undefined ? 'base not known' : plain(q.base))),
    );
  return (
    <Choose
      label="profile"
      value={names.find((p) => p.name === chosen)?.id ?? ''}
      none={chosen === undefined ? 'nobody said' : null}
      options={names.map((p) => ({
        id: p.id,
        name: `${p.name}, ${bases(p.name)}`,
        pick: () => set({ profile: p.id }, `Record in ${p.name}`),
      }))}
    />
  );
}

/** A choice that can be left open again. */
function open(now: unknown, name: string, pick: () => void) {
  return now === undefined ? [] : [{ id: 'none', name, pick }];
}

function Lamps({ light, set }: { light: LightUse; set: Set }) {
  return (
    <Choose
      label="lamps on mains"
      value={String(light.mains ?? '')}
      none={light.mains === undefined ? 'none' : null}
      options={[
        ...open(light.mains, 'none', () => set({ mains: undefined }, 'No lamps on the mains')),
        ...([50, 60] as const).map((hz) => ({
          id: String(hz),
          name: `${hz} Hz`,
          pick: () => set({ mains: hz }, `Lamps on ${hz} Hz`),
        })),
      ]}
    />
  );
}

/** Where a hard light stands that may strike the front glass. */
function HardLight({ light, set }: { light: LightUse; set: Set }) {
  const side = SIDES.find((s) => s.id === light.from);
  const nowhere = 'nowhere in particular';
  const inside = (t: string) => number(t) >= 0 && number(t) <= 90;
  return (
    <>
      <Choose
        label="hard light from"
        value={light.from ?? ''}
        none={light.from === undefined ? nowhere : null}
        options={[
          ...open(light.from, nowhere, () =>
            set({ from: undefined, at: undefined, flare: undefined }, 'No hard light'),
          ),
          ...SIDES.map((s) => ({
            id: s.id,
            name: s.name,
            pick: () => set({ from: s.id }, `Hard light from ${s.name}`),
          })),
        ]}
      />
      {side ? (
        <div className="grid grid-cols-2 items-center gap-x-3">
          <Field
            label="off the axis, deg"
            value={light.at === undefined ? '' : plain(light.at)}
            check={(t) => (t === '' || inside(t) ? null : 'From 0 to 90.')}
            onKeep={(t) =>
              set(
                { at: t === '' ? undefined : number(t) },
                t === '' ? `Light from ${side.name}` : `Light ${t}\u00b0 from ${side.name}`,
              )
            }
          />
          <label className="flex min-h-11 items-center gap-2">
            <input
              type="checkbox"
              className="size-5"
              checked={light.flare === true}
              onChange={(e) =>
                set(
                  { flare: e.target.checked ? true : undefined },
                  e.target.checked ? 'Flare is wanted' : 'Flare is not wanted',
                )
              }
            />
            flare is wanted
          </label>
        </div>
      ) : null}
    </>
  );
}

function Field({
  label,
  value,
  check,
  onKeep,
}: {
  label: string;
  value: string;
  check: (t: string) => string | null;
  onKeep: (t: string) => void;
}) {
  const id = useId();
  return (
    <div className="flex items-center gap-2">
      <label htmlFor={id} className="min-w-0 flex-1 leading-tight text-soft">
        {label}
      </label>
      <TextInput
        id={id}
        value={value.replace('\u2212', '-')}
        className="w-20 text-right"
        check={check}
        onKeep={onKeep}
      />
    </div>
  );
}

function Figure({ label, value }: { label: string; value: string }) {
  return (
    <div className="flex min-h-8 items-center justify-between gap-2 border-b border-rule">
      <dt className="min-w-0 leading-tight text-soft">{label}</dt>
      <dd className="shrink-0 font-semibold">{value}</dd>
    </div>
  );
}
