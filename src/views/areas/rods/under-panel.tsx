'use client';

import { underCamera } from '@/core/areas/rods/under/under';
import { isPlate, isRiser, isSettable } from '@/core/kit/types';
import { bareLength } from '@/core/quantity/say';
import { setPlateHeight } from '@/core/areas/rods/moves/under';
import { putUnder, takeUnder } from '@/core/areas/rods/moves/under';
import { Choose, Length, Piece, Section, useEdit } from '../../bench/panel-parts';
import type { RigFacts } from '../../bench/use-rig';

/** What the rods hang on: plate and risers. */
export function Under({ facts }: { facts: RigFacts }) {
  const edit = useEdit();
  const { job, rig, built } = facts;
  const { height } = underCamera(built);
  const parts = job.kit.filter((p) => isPlate(p) || isRiser(p));
  return (
    <Section title="Under the camera">
      {(rig.under ?? []).map((u, i) => {
        const part = facts.base.kit.get(u.part);
        return part ? (
          <div key={`${u.part}${i}`}>
            <Piece
              part={part}
              hint={isRiser(part) ? `under the ${u.at ?? 'body'}` : undefined}
              onOff={() => edit(takeUnder(job, rig, i))}
            />
            {isPlate(part) && isSettable(part) ? (
              <Length
                label="set to"
                value={u.height}
                hint={`${found(height?.set ?? null)}, where the rods come out right`}
                onKeep={(v) => {
                  const next = setPlateHeight(job, rig, v);
                  if (next) edit(next);
                }}
              />
            ) : null}
          </div>
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

/** A height that was found; `not known yet` while a number is missing. */
function found(height: number | null): string {
  return height === null ? 'not known yet' : bareLength(height, 1);
}
