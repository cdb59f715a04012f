'use client';

import { CARD_NAMES, cardsOnHand, sayCards } from '@/core/areas/media/model/marks';
import { packsOnHand, sayMarks, STATE_NAMES, type OnHand } from '@/core/areas/power/model/marks';
import { markPack } from '@/core/areas/power/moves/mark-pack';
import type { PackMark } from '@/core/kit/records';
import type { Part } from '@/core/kit/types';
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
        <OnePiece key={`${p.part.id} ${p.n}`} piece={p} names={STATE_NAMES} />
      ))}
    </Section>
  );
}

/** Every card that there is: what may go in next, what is not to be emptied yet. */
export function CardMarks({ facts: { built } }: { facts: RigFacts }) {
  const cards = cardsOnHand(built);
  if (cards.length === 0) return null;
  return (
    <Section title="Cards on hand">
      {sayCards(cards).map((line) => (
        <p key={line}>{line}</p>
      ))}
      {cards.map((c) => (
        <OnePiece key={`${c.part.id} ${c.n}`} piece={c} names={CARD_NAMES} />
      ))}
      <p className="text-soft">Their labels are printed with this rig.</p>
    </Section>
  );
}

function OnePiece({
  piece,
  names,
}: {
  piece: OnHand<Part>;
  names: Readonly<Partial<Record<PackMark['state'], string>>>;
}) {
  const edit = useEdit();
  const { mark, name } = piece;
  const set = (state: PackMark['state'] | null) => edit(markPack(piece, state, now(), names));
  return (
    <>
      <Choose
        label={name}
        value={mark?.state ?? ''}
        none={null}
        options={[
          { id: '', name: 'not marked', pick: () => set(null) },
          ...Object.entries(names).map(([id, as]) => ({
            id,
            name: as,
            pick: () => set(id as PackMark['state']),
          })),
        ]}
      />
      {mark?.when ? <p className="pl-34 text-sm text-soft">{mark.when}</p> : null}
    </>
  );
}

/** Day and time as they are written on a label: `2026-04-07 14:05`. */
export function now(): string {
  const two = (n: number) => String(n).padStart(2, '0');
  const d = new Date();
  return `${d.getFullYear()}-${two(d.getMonth() + 1)}-${two(d.getDate())} ${two(d.getHours())}:${two(d.getMinutes())}`;
}
