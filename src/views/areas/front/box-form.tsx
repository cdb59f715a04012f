'use client';

import { shownUnit } from '@/core/quantity/shown';
import { useId } from 'react';
import { clips } from '@/core/areas/front/kit/attach';
import { frontOf } from '@/core/areas/front/place/front';
import type { PlacedBox } from '@/core/areas/front/place/parts';
import { isBox, isReduction, isSleeve } from '@/core/kit/types';
import { parseLength } from '@/core/quantity/parse';
import { plain } from '@/core/quantity/say';
import {
  putBox,
  setBoxRod,
  setMask,
  setReduction,
  setSleeve,
  setStation,
  takeBoxOff,
} from '@/core/areas/front/moves/box';
import { Button } from '@/ui/button';
import { TextInput } from '@/views/part/cells';
import { usePartSheet } from '@/views/part/part-sheet';
import { Choose, Section, useEdit } from '../../bench/panel-parts';
import type { RigFacts } from '../../bench/use-rig';
import { OnRods } from '../rods/on-rods';
import { Flags, Stages } from './stages-form';

export function Box({ facts }: { facts: RigFacts }) {
  const edit = useEdit();
  const { built, job, rig } = facts;
  const placed = frontOf(built).box;
  const boxes = job.kit.filter(isBox);
  return (
    <Section title="Matte box">
      <Choose
        label="box"
        value={placed?.box.id ?? ''}
        none={boxes.length === 0 ? 'no matte box in the kit' : 'none'}
        options={boxes.map((b) => ({
          id: b.id,
          name: `${b.name}, ${b.attach === 'rods' ? 'on rods' : b.attach === 'clip-on' ? 'clip-on' : b.attach === 'both' ? 'on the lens and rods' : 'how it is held is not known'}`,
          pick: () => edit(putBox(job, rig, b)),
        }))}
      />
      {placed ? <PlacedOne facts={facts} placed={placed} /> : null}
    </Section>
  );
}

interface OnBox {
  facts: RigFacts;
  placed: PlacedBox;
}

/** How the box is held, and all that is in it. */
function PlacedOne({ facts, placed }: OnBox) {
  const edit = useEdit();
  const sheet = usePartSheet();
  const { job, rig } = facts;
  const { box, ring, use } = placed;
  return (
    <>
      <div className="flex gap-2">
        <Button
          look="bare"
          className="underline underline-offset-4"
          onClick={() => sheet.open(box.id)}
        >
          Sheet of {box.name}
        </Button>
        <Button look="bare" onClick={() => edit(takeBoxOff(job, rig))}>
          take it off
        </Button>
      </div>
      {clips(box) ? (
        <Choose
          label="reduction ring"
          value={ring?.id ?? ''}
          none="none, straight on"
          options={job.kit.filter(isReduction).map((r) => ({
            id: r.id,
            name: r.name,
            pick: () => edit(setReduction(rig, r)),
          }))}
        />
      ) : (
        <>
          {box.attach === 'rods' ? (
            <OnRods
              facts={facts}
              on={use.on}
              name={box.name}
              pick={(on, title) => edit(setBoxRod(rig, on, title))}
            />
          ) : null}
          <Station facts={facts} placed={placed} />
        </>
      )}
      {ring ? (
        <Button look="bare" onClick={() => edit(setReduction(rig, null))}>
          take {ring.name} out
        </Button>
      ) : null}
      <Stages facts={facts} />
      {box.masks?.length ? (
        <Choose
          label="mask"
          value={use.mask ?? ''}
          none="none"
          options={[
            ...(use.mask
              ? [{ id: 'none', name: 'take it out', pick: () => edit(setMask(rig, null)) }]
              : []),
            ...box.masks.map((m) => ({
              id: m.id,
              name: m.name,
              pick: () => edit(setMask(rig, m)),
            })),
          ]}
        />
      ) : null}
      <Flags facts={facts} />
    </>
  );
}

/** Where a box stands on its rods, and what closes the gap to the lens. */
function Station({ facts: { job, rig }, placed }: OnBox) {
  const edit = useEdit();
  const id = useId();
  const { station } = placed.use;
  return (
    <>
      <div className="flex items-center gap-2 py-0.5">
        <label htmlFor={id} className="w-32 shrink-0 text-soft">
          stands at, {shownUnit('mm').unit}
        </label>
        <TextInput
          id={id}
          value={
            station === undefined
              ? ''
              : plain(station * shownUnit('mm').per, shownUnit('mm').more > 0 ? 3 : 1)
          }
          className="w-24 text-right"
          check={(t) => {
            if (t === '') return null;
            const r = parseLength(t, 1 / shownUnit('mm').per);
            return r.ok && Math.abs(r.value) <= 5000 ? null : 'A station, like 240.';
          }}
          onKeep={(t) => {
            const r = parseLength(t, 1 / shownUnit('mm').per);
            edit(setStation(rig, t === '' || !r.ok ? undefined : r.value, placed.box.name));
          }}
        />
        <span className="text-sm text-soft">
          {station === undefined
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
  );
}
