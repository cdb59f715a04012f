'use client';

import { packsOnHand, sayMarks, STATE_NAMES, type OnHand } from '@/core/areas/power/model/marks';
import { markPack } from '@/core/areas/power/moves/mark-pack';
import { PACK_STATES } from '@/core/kit/records';
import { Choose, Section, useEdit } from '@/views/bench/panel-parts';
import type { RigFacts } from '@/views/bench/use-rig';

/** Every pack that there is, and how it was left when somebody last looked. */
export function Marks({ facts: { built } }: { facts: RigFacts }) {
  const packs = packsOnHand(built);
  if (packs.length === 0) return null;
  return (
    <Section title="Packs on hand">
      <p>{`${sayMarks(packs)}. Their labels are printed with this rig.`}</p>
      {packs.map((p) => (
        <OnePack key={`${p.part.id} ${p.n}`} pack={p} />
      ))}
    </Section>
  );
}

function OnePack({ pack }: { pack: OnHand }) {
  const edit = useEdit();
  const { mark, name } = pack;
  return (
    <>
      <Choose
        label={name}
        value={mark?.state ?? ''}
        none={null}
        options={[
          { id: '', name: 'not marked', pick: () => edit(markPack(pack, null, now())) },
          ...PACK_STATES.map((id) => ({
            id,
            name: STATE_NAMES[id],
            pick: () => edit(markPack(pack, id, now())),
          })),
        ]}
      />
      {mark?.when ? <p className="pl-34 text-sm text-soft">{mark.when}</p> : null}
    </>
  );
}

/** Day and time as they are written on a label: `2026-04-07 14:05`. */
function now(): string {
  const two = (n: number) => String(n).padStart(2, '0');
  const d = new Date();
  return `${d.getFullYear()}-${two(d.getMonth() + 1)}-${two(d.getDate())} ${two(d.getHours())}:${two(d.getMinutes())}`;
}
