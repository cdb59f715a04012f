'use client';

import {
  type FittedUse,
  type JobGoal,
  type Part,
  isFitting,
  FITTING_KINDS,
} from '@/core/kit/types';
import type { RigFacts } from '@/views/bench/use-rig';
import { useEdit, Section, Piece, Choose, Length } from '@/views/bench/panel-parts';
import { setFitted, takeFitted, fit, shutScreen } from '@/core/areas/space/moves/fitted';
import { named } from '../../bench/found';
import { valueOf } from '@/core/quantity/quantity';
import { sayMass } from '@/core/quantity/say';
import { isCarried, lightestFirst } from '@/core/solve/goal';
import { KIND_NAME } from '@/core/kit/fields';
import { Check } from '../../bench/check-box';

const FACES: readonly { id: FittedUse['on']; name: string }[] = [
  { id: 'top', name: 'on top' },
  { id: 'bottom', name: 'below' },
  { id: 'left', name: 'at camera left' },
  { id: 'right', name: 'at camera right' },
  { id: 'front', name: 'in front' },
  { id: 'rear', name: 'behind' },
  { id: 'under', name: 'under it all' },
  { id: 'rods', name: 'on the rods' },
  { id: 'box', name: 'on the matte box' },
];

/** What a part weighs, where somebody carries it. */
const weighs = (goal: JobGoal | undefined, p: Part) => {
  const mass = valueOf(p.mass);
  if (!isCarried(goal)) return '';
  return mass === null ? ', not weighed' : `, ${sayMass(mass)}`;
};

/** What a place said before: a part that stands by its face begins in the middle of it. */
const BY_FACE: Partial<FittedUse> = {
  at: undefined,
  by: undefined,
  n: undefined,
  slide: undefined,
  gap: undefined,
  x: undefined,
  y: undefined,
  z: undefined,
  station: undefined,
};

export function Fitted({ facts }: { facts: RigFacts }) {
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
            <Piece part={part} use={u.id} onOff={() => edit(takeFitted(rig, u.id, part.name))} />
            {part.kind === 'cage' ? null : (
              <>
                <Choose
                  label="stands"
                  value={u.at === undefined ? u.on : ''}
                  none={u.at === undefined ? null : 'where its joint holds it'}
                  options={FACES.filter((f) => f.id !== 'box' || rig.box || u.on === 'box').map(
                    (f) => ({
                      id: f.id,
                      name: f.name,
                      pick: () => move({ ...BY_FACE, on: f.id }, `Put ${part.name} ${f.name}`),
                    }),
                  )}
                />
                {u.at !== undefined ? null : u.on === 'rods' ? (
                  <Length
                    label="front at"
                    value={u.station}
                    hint="found"
                    onKeep={(v) => move({ station: v }, `Slide ${part.name}`)}
                  />
                ) : (
                  <OnFace
                    facts={facts}
                    use={u}
                    part={part}
                    hosts={fitted.slice(0, i)}
                    move={move}
                  />
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
          lightestFirst(
            job.goal,
            kit.filter((p) => p.kind === k),
          ).map((p) => ({
            id: p.id,
            name: `${named(p)}, ${KIND_NAME[k].one}${weighs(job.goal, p)}`,
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

/** Where on its face a part stands, and of what. */
function OnFace({
  facts,
  use,
  part,
  hosts,
  move,
}: {
  facts: RigFacts;
  use: FittedUse;
  part: Part;
  hosts: readonly FittedUse[];
  move: (to: Partial<FittedUse>, title: string) => void;
}) {
  return (
    <>
      <Choose
        label="of"
        value={use.to ?? ''}
        none={null}
        options={[
          {
            id: '',
            name: facts.built.body?.name ?? 'the camera',
            pick: () => move({ to: undefined }, `Put ${part.name} on the camera`),
          },
          ...hosts.flatMap((o) => {
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
          value={use[k]}
          onKeep={(v) => move({ [k]: v }, `Move ${part.name}`)}
        />
      ))}
    </>
  );
}
