'use client';

import { useId } from 'react';
import { frontOf } from '@/core/build/front';
import { beyond, flagSight } from '@/core/areas/front/model/flags';
import { stageFit } from '@/core/areas/light/model/light';
import { tray } from '@/core/areas/front/kit/trays';
import {
  isBox,
  isFilter,
  isReduction,
  isRing,
  isSleeve,
  onHand,
  type Filter,
  type Ring,
} from '@/core/kit/types';
import { parseLength } from '@/core/quantity/parse';
import { valueOf } from '@/core/quantity/quantity';
import { exact, plain } from '@/core/quantity/say';
import {
  putBox,
  setFlag,
  setMask,
  setReduction,
  setSleeve,
  setStation,
  takeBoxOff,
} from '@/core/areas/front/moves/box';
import { putFilter, setStageOut, takeFilter, turnStage } from '@/core/areas/front/moves/trays';
import { ringsFor, screwOn, unscrew } from '@/core/areas/front/moves/thread';
import { Button } from '@/ui/button';
import { TextInput } from '@/views/part/field-editor';
import { usePartSheet } from '@/views/part/part-sheet';
import { Choose, Piece, Section, useEdit } from '../../bench/panel-parts';
import { Under } from '../rods/under-panel';
import type { RigFacts } from '../../bench/use-rig';

/** What a filter is, in a few letters: `ND 0.9, 3 stops`. */
function filterName(f: Filter): string {
  const s = valueOf(f.stops);
  const to = valueOf(f.stopsTo);
  const light =
    s === null
      ? ''
      : to === null
        ? `, ${plain(s, 1)} stops`
        : `, ${plain(s, 1)} to ${plain(to, 1)}`;
  return `${f.name}${light}${onHand(f) < 1 ? ' (to hire)' : ''}`;
}

/** Everything in front of the lens and what holds it, in the order in which light meets it last. */
export default function FrontPanel({ facts }: { facts: RigFacts }) {
  return (
    <div className="flex flex-col gap-3">
      <OnTheThread facts={facts} />
      <Box facts={facts} />
      <Under facts={facts} />
    </div>
  );
}

function OnTheThread({ facts }: { facts: RigFacts }) {
  const edit = useEdit();
  const { built, job, rig } = facts;
  const thread = frontOf(built).thread;
  const size = valueOf(built.lens?.filterThread);
  const screws = job.kit.filter(
    (p): p is Ring | Filter =>
      isRing(p) || (isFilter(p) && (p.shape === 'screw' || p.male !== undefined)),
  );
  return (
    <Section
      title={`On the thread${size === null ? ', size not known' : `, ${plain(size, 1)} mm`}`}
    >
      {thread.map((t) => (
        <Piece
          key={t.index}
          part={t.part}
          hint={isFilter(t.part) ? undefined : 'ring'}
          onOff={() => edit(unscrew(job, rig, t.index))}
        />
      ))}
      <Choose
        label="screw on"
        value=""
        none={screws.length === 0 ? 'no ring or filter in the kit' : 'a ring or filter ...'}
        options={screws.map((p) => {
          const rings = ringsFor(job, rig, p);
          const way =
            rings === null
              ? ' (no ring for it)'
              : rings.length > 0
                ? ` with ${rings.map((r) => r.name).join(' + ')}`
                : '';
          return {
            id: p.id,
            name: `${isFilter(p) ? filterName(p) : p.name}${way}`,
            pick: () => edit(screwOn(job, rig, p)),
          };
        })}
      />
    </Section>
  );
}

function Box({ facts }: { facts: RigFacts }) {
  const edit = useEdit();
  const sheet = usePartSheet();
  const id = useId();
  const { built, job, rig } = facts;
  const placed = frontOf(built).box;
  const boxes = job.kit.filter(isBox);
  return (
    <Section title="Matte box">
      <Choose
        label="box"
        value={placed?.box.id ?? ''}
        none={boxes.length === 0 ? 'no matte box in the kit' : 'none'}
        options={[
          ...boxes.map((b) => ({
            id: b.id,
            name: `${b.name}, ${b.attach === 'rods' ? 'on rods' : b.attach === 'clip-on' ? 'clip-on' : 'how it is held is not known'}`,
            pick: () => edit(putBox(job, rig, b)),
          })),
        ]}
      />
      {placed ? (
        <>
          <div className="flex gap-2">
            <Button
              look="bare"
              className="underline underline-offset-4"
              onClick={() => sheet.open(placed.box.id)}
            >
              Sheet of {placed.box.name}
            </Button>
            <Button look="bare" onClick={() => edit(takeBoxOff(job, rig))}>
              take it off
            </Button>
          </div>
          {placed.box.attach === 'clip-on' ? (
            <Choose
              label="reduction ring"
              value={placed.ring?.id ?? ''}
              none="none, straight on"
              options={job.kit.filter(isReduction).map((r) => ({
                id: r.id,
                name: r.name,
                pick: () => edit(setReduction(rig, r)),
              }))}
            />
          ) : (
            <>
              <div className="flex items-center gap-2 py-0.5">
                <label htmlFor={`${id}st`} className="w-32 shrink-0 text-soft">
                  stands at, mm
                </label>
                <TextInput
                  id={`${id}st`}
                  value={placed.use.station === undefined ? '' : plain(placed.use.station, 1)}
                  className="w-24 text-right"
                  check={(t) => {
                    if (t === '') return null;
                    const r = parseLength(t, 1);
                    return r.ok && Math.abs(r.value) <= 5000 ? null : 'A station, like 240.';
                  }}
                  onKeep={(t) => {
                    const r = parseLength(t, 1);
                    edit(setStation(rig, t === '' || !r.ok ? undefined : r.value, placed.box.name));
                  }}
                />
                <span className="text-sm text-soft">
                  {placed.use.station === undefined
                    ? 'as close to the lens as it goes'
                    : 'from the image plane; empty: as close as it goes'}
                </span>
              </div>
              <Choose
                label="sleeve"
                value={placed.sleeve?.id ?? ''}
                none="its own"
                options={[
                  ...(placed.sleeve
                    ? [{ id: 'own', name: 'its own', pick: () => edit(setSleeve(rig, null)) }]
                    : []),
                  ...job.kit.filter(isSleeve).map((s) => ({
                    id: s.id,
                    name: s.name,
                    pick: () => edit(setSleeve(rig, s)),
                  })),
                ]}
              />
            </>
          )}
          {placed.ring ? (
            <Button look="bare" onClick={() => edit(setReduction(rig, null))}>
              take {placed.ring.name} out
            </Button>
          ) : null}
          <Stages facts={facts} />
          {placed.box.masks?.length ? (
            <Choose
              label="mask"
              value={placed.use.mask ?? ''}
              none="none"
              options={[
                ...(placed.use.mask
                  ? [{ id: 'none', name: 'take it out', pick: () => edit(setMask(rig, null)) }]
                  : []),
                ...placed.box.masks.map((m) => ({
                  id: m.id,
                  name: m.name,
                  pick: () => edit(setMask(rig, m)),
                })),
              ]}
            />
          ) : null}
          <Flags facts={facts} />
        </>
      ) : null}
    </Section>
  );
}

function Stages({ facts }: { facts: RigFacts }) {
  const edit = useEdit();
  const { built, job, rig } = facts;
  const placed = frontOf(built).box!;
  const filters = job.kit.filter(isFilter).filter((f) => f.shape !== 'screw');
  return (
    <>
      {placed.stages.map((s) => {
        const size = tray(s.stage.tray);
        const fit = (f: Filter) => stageFit(placed.box, s.stage.id, f);
        const order = { fits: 0, insert: 1, unknown: 2, no: 3 } as const;
        return (
          <div key={s.stage.id}>
            <Choose
              label={`${s.stage.name}${s.stage.rotates ? ', turns' : ''}`}
              value={s.out ? 'out' : (s.filter?.id ?? '')}
              none={`free${size ? `, ${size.name}` : ''}`}
              options={[
                ...(s.filter
                  ? [
                      {
                        id: 'free',
                        name: `take ${s.filter.name} out`,
                        pick: () => edit(takeFilter(rig, s.stage, s.filter!.name)),
                      },
                    ]
                  : []),
                ...(s.out
                  ? [
                      {
                        id: 'back',
                        name: 'put the stage back in',
                        pick: () => edit(setStageOut(rig, s.stage, false)),
                      },
                    ]
                  : []),
                ...(s.stage.removable
                  ? [
                      {
                        id: 'out',
                        name: 'stage taken out of the box',
                        pick: () => edit(setStageOut(rig, s.stage, true)),
                      },
                    ]
                  : []),
                ...[...filters]
                  .sort((a, b) => order[fit(a)] - order[fit(b)])
                  .map((f) => ({
                    id: f.id,
                    name: `${filterName(f)}${{ fits: '', insert: ' (needs an insert)', unknown: ' (size not known)', no: ' (does not fit)' }[fit(f)]}`,
                    pick: () => edit(putFilter(rig, s.stage, f)),
                  })),
              ]}
            />
            {s.stage.rotates && s.filter && !s.out ? (
              <Slide
                label={`turned, ${s.stage.name}`}
                value={s.use?.turn ?? 0}
                min={-90}
                max={90}
                text={`${s.use?.turn ?? 0}\u00b0`}
                onChange={(v) => edit(turnStage(rig, s.stage, v))}
              />
            ) : null}
          </div>
        );
      })}
    </>
  );
}

function Slide({
  label,
  value,
  min,
  max,
  text,
  onChange,
}: {
  label: string;
  value: number;
  min: number;
  max: number;
  text: string;
  onChange: (v: number) => void;
}) {
  const id = useId();
  return (
    <div className="flex items-center gap-2">
      <label htmlFor={id} className="w-32 shrink-0 text-soft">
        {label}
      </label>
      <input
        id={id}
        type="range"
        min={min}
        max={max}
        step={1}
        value={value}
        aria-valuetext={text}
        className="h-11 min-w-0 flex-1 accent-current"
        onChange={(e) => onChange(Number(e.target.value))}
      />
      <span className="w-12 text-right">{text}</span>
    </div>
  );
}

function Flags({ facts }: { facts: RigFacts }) {
  const edit = useEdit();
  const { built, rig } = facts;
  const placed = frontOf(built).box!;
  return (
    <>
      {(placed.box.flags ?? []).map((leaf) => {
        const on = placed.flags.find((f) => f.leaf.id === leaf.id);
        const sight = on ? flagSight(built, leaf.id) : null;
        return (
          <div key={leaf.id}>
            <label className="flex min-h-11 items-center gap-2">
              <input
                type="checkbox"
                className="size-5"
                checked={on !== undefined}
                onChange={() => edit(setFlag(rig, leaf, on ? undefined : 45))}
              />
              {leaf.name}
            </label>
            {on ? (
              <>
                <Slide
                  label="angle"
                  value={on.use.angle}
                  min={leaf.from ?? -90}
                  max={leaf.to ?? 90}
                  text={`${plain(on.use.angle, 1)}\u00b0`}
                  onChange={(v) =>
                    edit({ ...setFlag(rig, leaf, v), group: `flag ${rig.id} ${leaf.id}` })
                  }
                />
                {sight ? (
                  <p className="flex flex-wrap items-center gap-x-2 text-sm text-soft">
                    {sight.shades !== null
                      ? `Shades the glass from light ${beyond(leaf.side)} ${exact(sight.shades, 0)}\u00b0. `
                      : ''}
                    {sight.lowest !== null ? (
                      <Button
                        look="bare"
                        className="underline underline-offset-4"
                        onClick={() => edit(setFlag(rig, leaf, Math.ceil(sight.lowest! * 2) / 2))}
                      >
                        {`down to the frame: ${exact(sight.lowest, 0)}\u00b0${sight.shadesAtLowest !== null ? `, shades ${beyond(leaf.side)} ${exact(sight.shadesAtLowest, 0)}\u00b0` : ''}`}
                      </Button>
                    ) : (
                      'It is in the frame even fully open.'
                    )}
                  </p>
                ) : null}
              </>
            ) : null}
          </div>
        );
      })}
    </>
  );
}
