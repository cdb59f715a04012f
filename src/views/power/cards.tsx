'use client';

import { cardsOn } from '@/core/areas/media/model/cards';
import { areaOf } from '@/core/areas/checks';
import { deedsOf, putOn } from '@/core/areas/moves';
import { isCard, onHand } from '@/core/kit/types';
import { STATE_WORD, StateGlyph } from '@/ui/state-mark';
import { Choose, Piece, useEdit } from '@/views/bench/panel-parts';
import type { RigFacts } from '@/views/bench/use-rig';

/** What is recorded on: the cards that are in, and those that could be. */
export function Cards({ facts: { job, rig, built, verdicts } }: { facts: RigFacts }) {
  const edit = useEdit();
  const on = cardsOn(built);
  const used = (id: string) => on.filter((c) => c.card.id === id).length;
  const more = job.kit.filter(isCard).filter((c) => used(c.id) < Math.max(1, onHand(c)));
  return (
    <div className="flex flex-col gap-1 p-3">
      {on.length === 0 ? <p>No card is in the camera yet.</p> : null}
      {on.map(({ id, card }) => (
        <Piece
          key={id}
          part={card}
          use={id}
          onOff={() => {
            const off = deedsOf(job, rig).find((d) => d.changes[0]?.path.includes(id));
            if (off) edit(off);
          }}
        />
      ))}
      <ul>
        {verdicts
          .filter((v) => areaOf(v.id)?.id === 'media')
          .map((v) => (
            <li key={v.key} className="flex gap-2 py-1.5">
              <StateGlyph state={v.state} />
              <span>
                <span className="sr-only">{STATE_WORD[v.state]}: </span>
                {v.why}
              </span>
            </li>
          ))}
      </ul>
      {more.length > 0 ? (
        <Choose
          label="put in"
          value=""
          none="another card"
          options={more.map((c) => ({
            id: c.id,
            name: c.name,
            pick: () => {
              const put = putOn(job, rig, c);
              if (put) edit(put);
            },
          }))}
        />
      ) : null}
    </div>
  );
}
