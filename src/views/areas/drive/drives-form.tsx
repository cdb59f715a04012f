'use client';

import { type Stand, standOf } from '@/core/stand/stand';
import type { PlacedDrive } from '@/core/areas/drive/place/drive';
import type { RigFacts } from '@/views/bench/use-rig';
import { useEdit, Section, Piece, Choose, Length } from '@/views/bench/panel-parts';
import { isDrive, isGearRing, isDriveArm, isFitting } from '@/core/kit/types';
import { outletsOn } from '@/core/areas/power/model/outlets';
import { takeGear, putGear } from '@/core/areas/drive/moves/gear';
import { takeDrive, setDrive, armOn, putDrive } from '@/core/areas/drive/moves/drive';
import { found, named } from '../../bench/found';
import { exact, plain, plainLength } from '@/core/quantity/say';
import { Check } from '../../bench/check-box';
import { OnRods } from '../rods/on-rods';
import { handUnitOf } from '@/core/areas/drive/model/hand-unit';

const TURNS = ['focus', 'iris', 'zoom'] as const;

/** Whether everything is known that a drive's place was looked for by. */
function sure(stand: Stand, d: PlacedDrive): boolean {
  const missing = stand.pieces.find((p) => p.key === d.key)?.missing ?? [];
  return d.centres !== null && missing.length === 0;
}

/** One drive: edits of it, each with its title. */
interface OneDrive {
  facts: RigFacts;
  d: PlacedDrive;
  set: (change: Parameters<typeof setDrive>[2], title: string) => void;
}

/** Which ring it turns. */
function Turns({ d, set }: OneDrive) {
  return (
    <Choose
      label="turns"
      value={d.use.turns}
      none={null}
      options={TURNS.map((t) => ({
        id: t,
        name: `the ${t} ring`,
        pick: () => set({ turns: t }, `Turn the ${t} ring with ${d.part.name}`),
      }))}
    />
  );
}

/** Where it is clamped, and how it swings. */
function Place({ facts, d, set }: OneDrive) {
  const stand = standOf(facts.built);
  const { name } = d.part;
  return (
    <>
      <OnRods
        facts={facts}
        on={d.use.on}
        name={name}
        pick={(on, title) => set({ on, station: undefined, angle: undefined }, title)}
      />
      <Choose
        label="side"
        value={d.use.side ?? ''}
        none={null}
        options={[
          {
            id: '',
            name: sure(stand, d) ? `found: camera ${d.side}` : 'to be found',
            pick: () => set({ side: undefined, angle: undefined }, `Let ${name} find its side`),
          },
          ...(['left', 'right'] as const).map((side) => ({
            id: side,
            name: `camera ${side}`,
            pick: () => set({ side, angle: undefined }, `Put ${name} at camera ${side}`),
          })),
        ]}
      />
      <Length
        label="clamped at"
        value={d.use.station}
        hint={found(stand, d.station, 'meshes')}
        onKeep={(v) =>
          set(
            { station: v },
            v === undefined ? `Let ${name} follow the gear` : `Clamp ${name} at ${plainLength(v)}`,
          )
        }
      />
      <Length
        label="angle"
        unit="deg"
        value={d.use.angle}
        hint={
          !sure(stand, d)
            ? 'not known yet'
            : d.angle === null
              ? 'nothing reaches'
              : `${exact((d.angle * 180) / Math.PI, 0)} found`
        }
        onKeep={(v) =>
          set(
            { angle: v },
            v === undefined ? `Let ${name} find its angle` : `Swing ${name} to ${v} degrees`,
          )
        }
      />
    </>
  );
}

/** How it is fitted and which way it turns. */
function Fitting({ facts, d, set }: OneDrive) {
  const edit = useEdit();
  const { name } = d.part;
  const arms = facts.job.kit.filter(isDriveArm);
  return (
    <>
      {d.part.flips || d.use.flipped !== undefined ? (
        <Check
          label="flipped on its bracket"
          on={d.flipped}
          onChange={(on) => set({ flipped: on }, on ? `Flip ${name} over` : `Flip ${name} back`)}
        />
      ) : null}
      {d.part.kind === 'motor' || d.part.reversible ? (
        <Check
          label="reversed"
          on={d.use.reversed === true}
          onChange={(on) =>
            set(
              { reversed: on ? true : undefined },
              on ? `Set ${name} reversed` : `Set ${name} straight`,
            )
          }
        />
      ) : null}
      {arms.length > 0 ? (
        <Choose
          label="extension arm"
          value={d.use.arm ?? ''}
          none={null}
          options={[
            {
              id: '',
              name: 'none',
              pick: () => set({ arm: undefined }, `Take the arm off ${name}`),
            },
            ...arms.map((a) => ({
              id: a.id,
              name: named(a),
              pick: () => edit(armOn(facts.rig, d.use, a)),
            })),
          ]}
        />
      ) : null}
    </>
  );
}

/** What works a motor, and what feeds it. */
function Motor({ facts: { built, job }, d, set }: OneDrive) {
  const { name } = d.part;
  const outlets = outletsOn(built);
  const units = job.kit.filter(isFitting).filter((p) => p.kind === 'hand-unit');
  return (
    <>
      {units.length > 0 ? (
        <Choose
          label="worked with"
          value={d.use.unit ?? ''}
          none={null}
          options={[
            {
              id: '',
              name: handUnitOf(built, { ...d.use, unit: undefined })?.name ?? 'nobody said',
              pick: () => set({ unit: undefined }, `Leave open what works ${name}`),
            },
            ...units.map((u) => ({
              id: u.id,
              name: named(u),
              pick: () => set({ unit: u.id }, `Work ${name} with ${u.name}`),
            })),
          ]}
        />
      ) : null}
      <Choose
        label="fed from"
        value={d.use.outlet ? `${d.use.outlet.from}/${d.use.outlet.id}` : ''}
        none={outlets.length === 0 ? 'nothing on this rig has an outlet' : 'nobody said'}
        options={outlets.map((o) => ({
          id: `${o.from}/${o.id}`,
          name: `${o.name}${o.volts.known ? `, ${plain(o.volts.known.value, 1)} V` : ''}`,
          pick: () => set({ outlet: { from: o.from, id: o.id } }, `Feed ${name} from ${o.name}`),
        }))}
      />
    </>
  );
}

/** Gear rings that are closed on the lens. */
function Gears({ facts: { rig, base } }: { facts: RigFacts }) {
  const edit = useEdit();
  return (rig.gears ?? []).map((g) => {
    const part = base.kit.get(g.part);
    return part ? (
      <Piece
        key={g.turns}
        part={part}
        hint={`on the ${g.turns} ring`}
        onOff={() => edit(takeGear(rig, g.turns, part.name))}
      />
    ) : null;
  });
}

export function Drives({ facts }: { facts: RigFacts }) {
  const edit = useEdit();
  const { job, rig, built } = facts;
  const drives = job.kit.filter(isDrive);
  const rings = job.kit.filter(isGearRing);
  return (
    <Section title="Follow focus, motors, gears">
      <Gears facts={facts} />
      {standOf(built).drives.map((d) => {
        const set: OneDrive['set'] = (change, title) =>
          edit(setDrive(rig, d.use.id, change, title));
        return (
          <div key={d.key} className="border-t border-rule pt-1">
            <Piece
              part={d.part}
              use={d.use.id}
              onOff={() => edit(takeDrive(rig, d.use.id, d.part.name))}
            />
            <Turns facts={facts} d={d} set={set} />
            <Place facts={facts} d={d} set={set} />
            <Fitting facts={facts} d={d} set={set} />
            {d.part.kind === 'motor' ? <Motor facts={facts} d={d} set={set} /> : null}
          </div>
        );
      })}
      <Choose
        label="put a drive"
        value=""
        none={
          drives.length === 0
            ? 'no follow focus or motor in the kit'
            : 'a follow focus or motor ...'
        }
        options={drives.map((p) => ({
          id: p.id,
          name: named(p),
          pick: () => edit(putDrive(job, rig, p)),
        }))}
      />
      <Choose
        label="close a gear ring"
        value=""
        none={rings.length === 0 ? 'no gear ring in the kit' : 'a gear ring ...'}
        options={TURNS.flatMap((t) =>
          built.lens?.rings?.some((r) => r.turns === t)
            ? rings.map((p) => ({
                id: `${t}:${p.id}`,
                name: `${named(p)} on the ${t} ring`,
                pick: () => edit(putGear(rig, p, t)),
              }))
            : [],
        )}
      />
    </Section>
  );
}
