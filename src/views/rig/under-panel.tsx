'use client';

import { isPlate, isRiser } from '@/core/kit/types';
import { putUnder, takeUnder } from '@/core/solve/front-moves';
import { Choose, Piece, Section, useEdit } from './panel-parts';
import type { RigFacts } from './use-rig';

/** What the rods hang on: plate and risers. */
export function Under({ facts }: { facts: RigFacts }) {
  const edit = useEdit();
  const { job, rig } = facts;
  const parts = job.kit.filter((p) => isPlate(p) || isRiser(p));
  return (
    <Section title="Under the camera">
      {(rig.under ?? []).map((u, i) => {
        const part = facts.base.kit.get(u.part);
        return part ? (
          <Piece
            key={`${u.part}${i}`}
            part={part}
            hint={isRiser(part) ? `under the ${u.at ?? 'body'}` : undefined}
            onOff={() => edit(takeUnder(job, rig, i))}
          />
        ) : null;
      })}
      <Choose
        label="put"
        value=""
        none={parts.length === 0 ? 'no plate or riser in the kit' : 'a plate or riser ...'}
        options={parts.flatMap((p) =>
          isRiser(p)
            ? (['rods', 'body'] as const).map((place) => ({
                id: `${p.id}:${place}`,
                name: `${p.name} under the ${place}`,
                pick: () => edit(putUnder(job, rig, p, place)),
              }))
            : [{ id: p.id, name: p.name, pick: () => edit(putUnder(job, rig, p)) }],
        )}
      />
    </Section>
  );
}
