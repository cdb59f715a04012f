'use client';

import { plainLength } from '@/core/quantity/say';
import type { RigFacts } from '@/views/bench/use-rig';
import { useEdit, Section, Piece, Length, Choose } from '@/views/bench/panel-parts';
import { standOf } from '@/core/stand/stand';
import { isSupport } from '@/core/kit/types';
import {
  takeSupport,
  setSupport,
  tieLensFoot,
  putSupport,
} from '@/core/areas/support/moves/support';
import { found, named } from '../../bench/found';
import { OnRods } from '../rods/on-rods';
import { setHand } from '@/core/areas/drive/moves/drive';

export function Supports({ facts }: { facts: RigFacts }) {
  const edit = useEdit();
  const { job, rig, built } = facts;
  const stand = standOf(built);
  const kit = job.kit.filter(isSupport);
  return (
    <Section title="Lens support">
      {stand.supports.map((s) => (
        <div key={s.key}>
          <Piece
            part={s.part}
            use={s.use.id}
            onOff={() => edit(takeSupport(rig, s.use.id, s.part.name))}
          />
          <OnRods
            facts={facts}
            on={s.use.on}
            name={s.part.name}
            pick={(on, title) =>
              edit(setSupport(rig, s.use.id, { on, station: undefined, post: undefined }, title))
            }
          />
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
                    : `Stand ${s.part.name} at ${plainLength(v)}`,
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
                    : `Set the post of ${s.part.name} to ${plainLength(v)}`,
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
