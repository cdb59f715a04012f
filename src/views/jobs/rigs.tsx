'use client';

import { useRouter } from 'next/navigation';
import { useCallback } from 'react';
import type { Point } from '@/core/drawing/project';
import type { Job } from '@/core/kit/types';
import { howMany, sayLength } from '@/core/quantity/say';
import type { RigCard } from '@/core/set/rig-cards';
import { StateGlyph, STATE_TEXT, STATE_WORD } from '@/ui/state-mark';
import { useAnswer } from '@/views/bench/use-answer';
import { Parts } from '@/views/model/elevation-parts';
import { useSnapshot, useStore } from '@/views/store/store-context';

const W = 300;
const H = 150;
const MARGIN = 8;

/** The rigs of the open job, drawn to one scale on one floor, each with what is said of it. */
export function RigsOfJob({ job }: { job: Job }) {
  const ask = useCallback(async () => {
    const { sweeper } = await import('@/workers/rig');
    return sweeper.ask(job, (w, n) => w.cards(n));
  }, [job]);
  const { answer, trouble } = useAnswer(job.id, ask);
  if (job.rigs.length === 0) return null;
  return (
    <section aria-label="Rigs of this job" aria-busy={answer === null} className="mt-5">
      <h2 className="font-semibold">Rigs of this job</h2>
      {trouble ? <p className="text-fail">{trouble}</p> : null}
      {answer === null && !trouble ? (
        <p className="min-h-44 text-soft">Looking at {howMany(job.rigs.length, 'rig')} ...</p>
      ) : null}
      {answer ? <Cards cards={answer} /> : null}
    </section>
  );
}

function Cards({ cards }: { cards: readonly RigCard[] }) {
  const longest = Math.max(1, ...cards.map((c) => c.bounds.u1 - c.bounds.u0));
  const tallest = Math.max(1, ...cards.map((c) => c.bounds.v1 - c.bounds.v0));
  const k = Math.min((W - 2 * MARGIN) / longest, (H - 2 * MARGIN) / tallest);
  return (
    <ul className="mt-1 grid grid-cols-[repeat(auto-fill,minmax(15.5rem,1fr))] border-l border-t border-rule">
      {cards.map((c) => (
        <li key={c.id} className="border-b border-r border-rule">
          <Card card={c} k={k} />
        </li>
      ))}
    </ul>
  );
}

const STATES = ['fail', 'tight', 'unknown'] as const;

function Card({ card: c, k }: { card: RigCard; k: number }) {
  const store = useStore();
  const router = useRouter();
  const { rigId } = useSnapshot();
  const open = rigId === c.id;
  const said = STATES.filter((s) => c.counts[s] > 0);
  return (
    <button
      type="button"
      aria-current={open || undefined}
      onClick={() => {
        store?.selectRig(c.id);
        router.push('/');
      }}
      className={`block h-full w-full p-2 text-left hover:bg-sunk ${open ? 'bg-paper' : ''}`}
    >
      <Drawn card={c} k={k} />
      <span className="block font-semibold">
        {c.name}
        {open ? <span className="font-normal text-soft">, open</span> : null}
      </span>
      <span className="block text-sm text-soft">
        {[
          c.body ?? 'no body',
          c.lens ?? 'no lens',
          ...(c.configurations > 0 ? [howMany(c.configurations, 'configuration')] : []),
        ].join(', ')}
      </span>
      <span className="mt-1 flex flex-wrap gap-x-3 text-sm">
        {said.map((s) => (
          <span key={s} className={`inline-flex items-center gap-1 font-semibold ${STATE_TEXT[s]}`}>
            <StateGlyph state={s} size={14} /> {c.counts[s]}{' '}
            {s === 'fail' && c.counts[s] > 1 ? 'fail' : STATE_WORD[s]}
          </span>
        ))}
        {said.length === 0 && c.counts.ok > 0 ? (
          <span className={`inline-flex items-center gap-1 font-semibold ${STATE_TEXT.ok}`}>
            <StateGlyph state="ok" size={14} /> {c.counts.ok} {STATE_WORD.ok}
          </span>
        ) : null}
      </span>
    </button>
  );
}

/** From the side, on a floor that all of them share. */
function Drawn({ card: { bounds: b, outlines }, k }: { card: RigCard; k: number }) {
  const x = W / 2 - ((b.u0 + b.u1) / 2) * k;
  const path = (p: readonly Point[]) =>
    `M${p.map(([u, v]) => `${(x + u * k).toFixed(1)} ${(H - MARGIN - (v - b.v0) * k).toFixed(1)}`).join('L')}Z`;
  return (
    <svg viewBox={`0 0 ${W} ${H}`} className="block w-full" aria-hidden="true">
      <title>{`${sayLength(b.u1 - b.u0, 0)} long, ${sayLength(b.v1 - b.v0, 0)} tall`}</title>
      <Parts outlines={outlines} path={path} litParts={[]} />
    </svg>
  );
}
