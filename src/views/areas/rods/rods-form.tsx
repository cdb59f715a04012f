'use client';

import type { RigFacts } from '@/views/bench/use-rig';
import { useEdit, Section, Length, Piece, Choose } from '@/views/bench/panel-parts';
import { standOf } from '@/core/stand/stand';
import { isRods, type Part } from '@/core/kit/types';
import { valueOf } from '@/core/quantity/quantity';
import { sayRod } from '@/core/areas/rods/model/lengths';
import { found, named } from '../../bench/found';
import { setPlateStation } from '@/core/areas/rods/moves/under';
import { takeRods, setRodTip, putRods } from '@/core/areas/rods/moves/rods';

const PLACES = [
  { id: 'through', name: 'through both clamps' },
  { id: 'front', name: 'ahead of the plate' },
  { id: 'rear', name: 'behind the plate' },
] as const;

export function RodsSection({ facts }: { facts: RigFacts }) {
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
            use={r.use.id}
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
