'use client';

import { cardsOn } from '@/core/areas/media/model/cards';
import { modesBeside, sayMode } from '@/core/areas/media/model/modes';
import { setMode } from '@/core/areas/coverage/moves/picture';
import { areaOf } from '@/core/areas/checks';
import { deedsOf, putOn } from '@/core/areas/moves';
import { isCard, onHand } from '@/core/kit/types';
import { STATE_WORD, StateGlyph } from '@/ui/state-mark';
import { Choose, Piece, Section, useEdit } from '@/views/bench/panel-parts';
import type { RigFacts } from '@/views/bench/use-rig';
import { CardLog } from './card-log';
import { CardMarks } from './marks';

/** What is recorded on: the cards that are in, and those that could be. */
export function Cards({ facts }: { facts: RigFacts }) {
  const { job, rig, built, verdicts } = facts;
  const edit = useEdit();
  const on = cardsOn(built);
  const used = (id: string) => on.filter((c) => c.card.id === id).length;
  const more = job.kit.filter(isCard).filter((c) => used(c.id) < Math.max(1, onHand(c)));
  return (
    <div className="flex min-h-0 flex-1 flex-col gap-1 overflow-auto p-3">
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
      <Modes facts={facts} />
      <CardMarks facts={facts} />
      <CardLog facts={facts} />
    </div>
  );
}

const STATE = { yes: 'ok', maybe: 'tight', no: 'fail' } as const;

/** The recording modes side by side: how long what is in lasts in each, what a day of it is to off-load. */
function Modes({ facts: { rig, built } }: { facts: RigFacts }) {
  const edit = useEdit();
  const modes = modesBeside(built);
  if (modes.length === 0) return null;
  const most = Math.max(1, ...modes.map((m) => m.minutes?.value ?? 0));
  return (
    <Section title="Modes side by side">
      <ul>
        {modes.map((m) => (
          <li key={m.mode.id}>
            <button
              type="button"
              aria-pressed={m.here}
              className="w-full rounded-sm border border-transparent px-1 py-1.5 text-left hover:bg-sunk aria-pressed:border-edge aria-pressed:bg-sunk"
              onClick={() => (m.here ? null : edit(setMode(rig, m.mode)))}
            >
              <span className="flex items-center gap-2 font-semibold">
                {m.keepsUp ? <StateGlyph state={STATE[m.keepsUp]} /> : null}
                {m.mode.name}
                {m.here ? <span className="font-normal text-soft">recorded in</span> : null}
              </span>
              {m.minutes ? (
                <span
                  aria-hidden="true"
                  className="my-1 block h-2 rounded-sm bg-accent"
                  style={{ width: `${Math.max(1, (m.minutes.value / most) * 100)}%` }}
                />
              ) : null}
              <span className="block text-sm text-soft">{sayMode(m)}</span>
            </button>
          </li>
        ))}
      </ul>
    </Section>
  );
}
