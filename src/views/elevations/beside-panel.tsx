'use client';

import type { PlacedDrive } from '@/core/build/stand-drive';
import type { Lin } from '@/core/build/lin';
import { standOf, type Stand } from '@/core/build/stand';
import { handUnitOf } from '@/core/areas/drive/hand-unit';
import { outletsOn } from '@/core/areas/drive/outlets';
import { KIND_NAME } from '@/core/kit/fields';
import {
  FITTING_KINDS,
  isDrive,
  isDriveArm,
  isFitting,
  isGearRing,
  isRods,
  isSupport,
  onHand,
  type FittedUse,
  type Part,
} from '@/core/kit/types';
import { valueOf } from '@/core/quantity/quantity';
import { exact, plain } from '@/core/quantity/say';
import { sayRod } from '@/core/areas/rods/lengths';
import {
  armOn,
  fit,
  putDrive,
  putGear,
  putRods,
  putSupport,
  setDrive,
  setFitted,
  setLimits,
  setPlateStation,
  setRodTip,
  setSupport,
  shutScreen,
  takeDrive,
  takeFitted,
  takeGear,
  takeRods,
  takeSupport,
} from '@/core/solve/beside-moves';
import { setHand, tieLensFoot } from '@/core/solve/moves';
import { Choose, Length, Piece, Section, useEdit } from '@/views/rig/panel-parts';
import { Under } from '@/views/rig/under-panel';
import type { RigFacts } from '@/views/rig/use-rig';

const PLACES = [
  { id: 'through', name: 'through both clamps' },
  { id: 'front', name: 'ahead of the plate' },
  { id: 'rear', name: 'behind the plate' },
] as const;
const TURNS = ['focus', 'iris', 'zoom'] as const;
const FACES: readonly { id: FittedUse['on']; name: string }[] = [
  { id: 'top', name: 'on top' },
  { id: 'bottom', name: 'below' },
  { id: 'left', name: 'at camera left' },
  { id: 'right', name: 'at camera right' },
  { id: 'front', name: 'in front' },
  { id: 'rear', name: 'behind' },
  { id: 'rods', name: 'on the rods' },
];

const named = (p: Part, more = '') => `${p.name}${more}${onHand(p) < 1 ? ' (to hire)' : ''}`;

/** What was found for a place that is left open; a stand-in is no find. */
function found(stand: Stand, l: Lin, word: string, digits = 0): string {
  return stand.missing([l]).length > 0
    ? 'not known yet'
    : `${exact(stand.value(l), digits)} ${word}`;
}

/** Whether everything is known that a drive's place was looked for by. */
function sure(stand: Stand, d: PlacedDrive): boolean {
  const missing = stand.pieces.find((p) => p.key === d.key)?.missing ?? [];
  return d.centres !== null && missing.length === 0;
}

/** Everything under and beside the camera: plate, rods, support, drives, what is fitted, limits. */
export default function BesidePanel({ facts }: { facts: RigFacts }) {
  return (
    <div className="flex flex-col gap-3">
      <Under facts={facts} />
      <RodsSection facts={facts} />
      <Supports facts={facts} />
      <Drives facts={facts} />
      <Fitted facts={facts} />
      <Limits facts={facts} />
    </div>
  );
}

function RodsSection({ facts }: { facts: RigFacts }) {
  const edit = useEdit();
  const { job, rig, built } = facts;
  const stand = standOf(built);
  const kit = job.kit.filter(isRods);
  const length = (p: Part) => {
    const l = isRods(p) ? valueOf(p.length) : null;
    return l === null ? ', length not known' : `, ${sayRod(l)}`;
  };
  return (
    <Section title="Rods">
      {stand.plate ? (
        <Length
          label="plate front at"
          value={rig.under?.find((u) => u.part === stand.plate!.plate.id)?.station}
          hint={found(stand, stand.plate.to, 'found')}
          onKeep={(v) => {
            const e = setPlateStation(job, rig, v);
            if (e) edit(e);
          }}
        />
      ) : null}
      {stand.rods.map((r) => (
        <div key={r.use.id}>
          <Piece
            part={r.rods}
            hint={PLACES.find((p) => p.id === r.use.place)!.name}
            onOff={() => edit(takeRods(rig, r.use.id, r.rods.name))}
          />
          <Length
            label="front tip at"
            value={r.use.tip}
            hint={found(stand, r.to, 'found')}
            onKeep={(v) => edit(setRodTip(rig, r.use.id, v, r.rods.name))}
          />
        </div>
      ))}
      <Choose
        label="put rods in"
        value=""
        none={kit.length === 0 ? 'no rods in the kit' : 'a pair ...'}
        options={PLACES.flatMap((place) =>
          kit.map((p) => ({
            id: `${place.id}:${p.id}`,
            name: `${named(p, length(p))}, ${place.name}`,
            pick: () => edit(putRods(rig, p, place.id)),
          })),
        )}
      />
    </Section>
  );
}

function Supports({ facts }: { facts: RigFacts }) {
  const edit = useEdit();
  const { job, rig, built } = facts;
  const stand = standOf(built);
  const kit = job.kit.filter(isSupport);
  return (
    <Section title="Lens support">
      {stand.supports.map((s) => (
        <div key={s.key}>
          <Piece part={s.part} onOff={() => edit(takeSupport(rig, s.use.id, s.part.name))} />
          <Length
            label="stands at"
            value={s.use.station}
            hint={
              s.by.length > 0
                ? 'not known yet'
                : s.found
                  ? found(stand, s.station, 'found')
                  : 'no place found'
            }
            onKeep={(v) =>
              edit(
                setSupport(
                  rig,
                  s.use.id,
                  { station: v },
                  v === undefined
                    ? `Let ${s.part.name} find its place`
                    : `Stand ${s.part.name} at ${v} mm`,
                ),
              )
            }
          />
          <Length
            label="post height"
            value={s.use.post}
            hint={s.needed ? found(stand, s.needed, 'touches', 1) : undefined}
            onKeep={(v) =>
              edit(
                setSupport(
                  rig,
                  s.use.id,
                  { post: v },
                  v === undefined
                    ? `Let the post of ${s.part.name} touch`
                    : `Set the post of ${s.part.name} to ${v} mm`,
                ),
              )
            }
          />
        </div>
      ))}
      {built.lens && built.lens.footDown !== undefined ? (
        <label className="flex min-h-11 items-center gap-2">
          <input
            type="checkbox"
            className="size-5"
            checked={rig.footTied === true}
            onChange={(e) => edit(tieLensFoot(rig, e.target.checked, built.lens!.name))}
          />
          foot of {built.lens.name} tied down
        </label>
      ) : null}
      {built.lens ? (
        <Choose
          label="hand on the barrel"
          value={rig.hand ?? ''}
          none={null}
          options={[
            { id: '', name: 'none', pick: () => edit(setHand(rig, undefined)) },
            { id: 'focus', name: 'on the focus ring', pick: () => edit(setHand(rig, 'focus')) },
            { id: 'zoom', name: 'on the zoom ring', pick: () => edit(setHand(rig, 'zoom')) },
          ]}
        />
      ) : null}
      <Choose
        label="put a support"
        value=""
        none={kit.length === 0 ? 'no lens support in the kit' : 'a support ...'}
        options={kit.map((p) => ({
          id: p.id,
          name: named(p),
          pick: () => edit(putSupport(rig, p)),
        }))}
      />
    </Section>
  );
}

function Drives({ facts }: { facts: RigFacts }) {
  const edit = useEdit();
  const { job, rig, built } = facts;
  const stand = standOf(built);
  const drives = job.kit.filter(isDrive);
  const rings = job.kit.filter(isGearRing);
  const arms = job.kit.filter(isDriveArm);
  const outlets = outletsOn(built);
  const units = job.kit.filter(isFitting).filter((p) => p.kind === 'hand-unit');
  return (
    <Section title="Follow focus, motors, gears">
      {(rig.gears ?? []).map((g) => {
        const part = facts.base.kit.get(g.part);
        return part ? (
          <Piece
            key={g.turns}
            part={part}
            hint={`on the ${g.turns} ring`}
            onOff={() => edit(takeGear(rig, g.turns, part.name))}
          />
        ) : null;
      })}
      {stand.drives.map((d) => (
        <div key={d.key} className="border-t border-rule pt-1">
          <Piece part={d.part} onOff={() => edit(takeDrive(rig, d.use.id, d.part.name))} />
          <Choose
            label="turns"
            value={d.use.turns}
            none={null}
            options={TURNS.map((t) => ({
              id: t,
              name: `the ${t} ring`,
              pick: () =>
                edit(
                  setDrive(rig, d.use.id, { turns: t }, `Turn the ${t} ring with ${d.part.name}`),
                ),
            }))}
          />
          <Choose
            label="side"
            value={d.use.side ?? ''}
            none={null}
            options={[
              {
                id: '',
                name: sure(stand, d) ? `found: camera ${d.side}` : 'to be found',
                pick: () =>
                  edit(
                    setDrive(
                      rig,
                      d.use.id,
                      { side: undefined, angle: undefined },
                      `Let ${d.part.name} find its side`,
                    ),
                  ),
              },
              ...(['left', 'right'] as const).map((side) => ({
                id: side,
                name: `camera ${side}`,
                pick: () =>
                  edit(
                    setDrive(
                      rig,
                      d.use.id,
                      { side, angle: undefined },
                      `Put ${d.part.name} at camera ${side}`,
                    ),
                  ),
              })),
            ]}
          />
          <Length
            label="clamped at"
            value={d.use.station}
            hint={found(stand, d.station, 'meshes')}
            onKeep={(v) =>
              edit(
                setDrive(
                  rig,
                  d.use.id,
                  { station: v },
                  v === undefined
                    ? `Let ${d.part.name} follow the gear`
                    : `Clamp ${d.part.name} at ${v} mm`,
                ),
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
              edit(
                setDrive(
                  rig,
                  d.use.id,
                  { angle: v },
                  v === undefined
                    ? `Let ${d.part.name} find its angle`
                    : `Swing ${d.part.name} to ${v} degrees`,
                ),
              )
            }
          />
          {d.part.flips || d.use.flipped !== undefined ? (
            <Check
              label="flipped on its bracket"
              on={d.flipped}
              onChange={(on) =>
                edit(
                  setDrive(
                    rig,
                    d.use.id,
                    { flipped: on },
                    on ? `Flip ${d.part.name} over` : `Flip ${d.part.name} back`,
                  ),
                )
              }
            />
          ) : null}
          {d.part.kind === 'motor' || d.part.reversible ? (
            <Check
              label="reversed"
              on={d.use.reversed === true}
              onChange={(on) =>
                edit(
                  setDrive(
                    rig,
                    d.use.id,
                    { reversed: on ? true : undefined },
                    on ? `Set ${d.part.name} reversed` : `Set ${d.part.name} straight`,
                  ),
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
                  pick: () =>
                    edit(
                      setDrive(
                        rig,
                        d.use.id,
                        { arm: undefined },
                        `Take the arm off ${d.part.name}`,
                      ),
                    ),
                },
                ...arms.map((a) => ({
                  id: a.id,
                  name: named(a),
                  pick: () => edit(armOn(rig, d.use, a)),
                })),
              ]}
            />
          ) : null}
          {d.part.kind === 'motor' && units.length > 0 ? (
            <Choose
              label="worked with"
              value={d.use.unit ?? ''}
              none={null}
              options={[
                {
                  id: '',
                  name: handUnitOf(built, { ...d.use, unit: undefined })?.name ?? 'nobody said',
                  pick: () =>
                    edit(
                      setDrive(
                        rig,
                        d.use.id,
                        { unit: undefined },
                        `Leave open what works ${d.part.name}`,
                      ),
                    ),
                },
                ...units.map((u) => ({
                  id: u.id,
                  name: named(u),
                  pick: () =>
                    edit(
                      setDrive(rig, d.use.id, { unit: u.id }, `Work ${d.part.name} with ${u.name}`),
                    ),
                })),
              ]}
            />
          ) : null}
          {d.part.kind === 'motor' ? (
            <Choose
              label="fed from"
              value={d.use.outlet ? `${d.use.outlet.from}/${d.use.outlet.id}` : ''}
              none={outlets.length === 0 ? 'nothing on this rig has an outlet' : 'nobody said'}
              options={outlets.map((o) => ({
                id: `${o.from}/${o.id}`,
                name: `${o.name}${o.volts.known ? `, ${plain(o.volts.known.value, 1)} V` : ''}`,
                pick: () =>
                  edit(
                    setDrive(
                      rig,
                      d.use.id,
                      { outlet: { from: o.from, id: o.id } },
                      `Feed ${d.part.name} from ${o.name}`,
                    ),
                  ),
              }))}
            />
          ) : null}
        </div>
      ))}
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

function Check({
  label,
  on,
  onChange,
}: {
  label: string;
  on: boolean;
  onChange: (on: boolean) => void;
}) {
  return (
    <label className="flex min-h-11 items-center gap-2">
      <input
        type="checkbox"
        className="size-5"
        checked={on}
        onChange={(e) => onChange(e.target.checked)}
      />
      {label}
    </label>
  );
}

function Fitted({ facts }: { facts: RigFacts }) {
  const edit = useEdit();
  const { job, rig, built } = facts;
  const kit = job.kit.filter(isFitting);
  const fitted = rig.fitted ?? [];
  return (
    <Section title="Fitted to the camera">
      {fitted.map((u, i) => {
        const part = facts.base.kit.get(u.part);
        if (!part) return null;
        const move = (to: Partial<FittedUse>, title: string) =>
          edit(setFitted(rig, u.id, to, title));
        return (
          <div key={u.id} className="border-t border-rule pt-1">
            <Piece part={part} onOff={() => edit(takeFitted(rig, u.id, part.name))} />
            {part.kind === 'cage' ? null : (
              <>
                <Choose
                  label="stands"
                  value={u.on}
                  none={null}
                  options={FACES.map((f) => ({
                    id: f.id,
                    name: f.name,
                    pick: () =>
                      move(
                        { on: f.id, x: undefined, y: undefined, z: undefined, station: undefined },
                        `Put ${part.name} ${f.name}`,
                      ),
                  }))}
                />
                {u.on === 'rods' ? (
                  <Length
                    label="front at"
                    value={u.station}
                    hint="found"
                    onKeep={(v) => move({ station: v }, `Slide ${part.name}`)}
                  />
                ) : (
                  <>
                    <Choose
                      label="of"
                      value={u.to ?? ''}
                      none={null}
                      options={[
                        {
                          id: '',
                          name: built.body?.name ?? 'the camera',
                          pick: () => move({ to: undefined }, `Put ${part.name} on the camera`),
                        },
                        ...fitted.slice(0, i).flatMap((o) => {
                          const p = facts.base.kit.get(o.part);
                          return p && p.kind !== 'cage'
                            ? [
                                {
                                  id: o.id,
                                  name: p.name,
                                  pick: () => move({ to: o.id }, `Put ${part.name} on ${p.name}`),
                                },
                              ]
                            : [];
                        }),
                      ]}
                    />
                    {(
                      [
                        ['x', 'moved right by'],
                        ['y', 'moved up by'],
                        ['z', 'moved forward by'],
                      ] as const
                    ).map(([k, label]) => (
                      <Length
                        key={k}
                        label={label}
                        value={u[k]}
                        onKeep={(v) => move({ [k]: v }, `Move ${part.name}`)}
                      />
                    ))}
                  </>
                )}
              </>
            )}
          </div>
        );
      })}
      <Choose
        label="fit"
        value=""
        none={
          kit.length === 0 ? 'nothing in the kit to fit' : 'a cage, handle, screen, battery ...'
        }
        options={FITTING_KINDS.flatMap((k) =>
          kit
            .filter((p) => p.kind === k)
            .map((p) => ({
              id: p.id,
              name: `${named(p)}, ${KIND_NAME[k].one}`,
              pick: () => edit(fit(job, rig, p)),
            })),
        )}
      />
      {built.body?.screenSide ? (
        <Check
          label="screen folded out"
          on={rig.screenShut !== true}
          onChange={(on) => edit(shutScreen(rig, !on))}
        />
      ) : null}
    </Section>
  );
}

function Limits({ facts }: { facts: RigFacts }) {
  const edit = useEdit();
  const { rig } = facts;
  const now = rig.limits ?? {};
  const keep = (key: 'height' | 'width' | 'length' | 'standsAt', v: number | undefined) => {
    const { [key]: _gone, ...rest } = now;
    const next = v === undefined ? rest : { ...rest, [key]: v };
    const empty = Object.keys(next).filter((k) => k !== 'name').length === 0;
    edit(setLimits(rig, empty ? undefined : next));
  };
  return (
    <Section title={`Has to fit${now.name ? `: ${now.name}` : ''}`}>
      <Length label="height at most" value={now.height} onKeep={(v) => keep('height', v)} />
      <Length
        label="it stands at"
        value={now.standsAt}
        hint="0"
        onKeep={(v) => keep('standsAt', v)}
      />
      <Length label="width at most" value={now.width} onKeep={(v) => keep('width', v)} />
      <Length label="length at most" value={now.length} onKeep={(v) => keep('length', v)} />
    </Section>
  );
}
