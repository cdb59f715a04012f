'use client';

import {
  changesIn,
  changesThrough,
  dayOf,
  notToMiss,
  sayDay,
  type SourceDay,
} from '@/core/areas/power/model/day';
import { sayHours } from '@/core/areas/power/model/say';
import { STATE_WORD, StateGlyph } from '@/ui/state-mark';
import { Section } from '@/views/bench/panel-parts';
import type { RigFacts } from '@/views/bench/use-rig';
import type { DayEvent } from '@/core/kit/types';
import { Events } from './events';
import { GoalHours } from './goal-hours';

/** The day of each source: packs one after the other, when they are changed, what is left dark. */
export function Day({ facts }: { facts: RigFacts }) {
  const { job, built } = facts;
  const day = job.goal?.day;
  const sources = dayOf(built);
  // Where nothing must not be missed packs are simply used up.
  const plan = ({ lasts }: SourceDay) =>
    (lasts && day !== undefined && notToMiss(built).length > 0
      ? changesThrough(built, day, lasts.lo)
      : null) ?? [];
  return (
    <div className="flex flex-col gap-3">
      <GoalHours job={job} of="day" />
      {day === undefined ? null : <Events job={job} />}
      {day === undefined && sources.length > 0 ? (
        <p>Say how long the day is, and packs and changes are laid out on it.</p>
      ) : null}
      {day === undefined
        ? null
        : sources.map((s) => (
            <Section key={s.id} title={`The day of ${s.packs.join(' and ')}`}>
              <Bar of={s} day={day} events={job.goal?.events ?? []} plan={plan(s)} />
              <Around verdicts={facts.verdicts} source={s.id} />
              <ul className="list-disc pl-5">
                {sayDay(s, day).map((line) => (
                  <li key={line}>{line}</li>
                ))}
              </ul>
            </Section>
          ))}
    </div>
  );
}

/** Whether it can be changed around what must not be missed, and when. */
function Around({ verdicts, source }: { verdicts: RigFacts['verdicts']; source: string }) {
  const v = verdicts.find((x) => x.key === `power.event:${source}`);
  return v ? (
    <p className="flex gap-2 py-1">
      <StateGlyph state={v.state} />
      <span>
        <span className="sr-only">{STATE_WORD[v.state]}: </span>
        {v.why}
      </span>
    </p>
  ) : null;
}

const W = 340;
const H = 56;
const TOP = 14;

/** Packs along the day: a box each, its end as wide as it is in doubt, a mark where it is changed. */
function Bar({
  of,
  day,
  events,
  plan,
}: {
  of: SourceDay;
  day: number;
  events: readonly DayEvent[];
  /** Changes that miss nothing, h. */
  plan: readonly number[];
}) {
  const x = (h: number) => (Math.min(h, day) / day) * W;
  const { lasts, sets } = of;
  if (!lasts || !(lasts.lo > 0)) return null;
  const shown = Math.min(sets, Math.ceil(day / lasts.lo));
  const end = sets * lasts.value;
  return (
    <svg
      viewBox={`0 0 ${W} ${H}`}
      role="img"
      aria-label={`The day of ${of.packs.join(' and ')}: ${sayDay(of, day).join('; ')}`}
      className="w-full max-w-xl"
    >
      {Array.from({ length: shown }, (_, i) => {
        const [a, b] = [x(i * lasts.value), x((i + 1) * lasts.value)];
        const doubt = x((i + 1) * lasts.lo);
        return b > a ? (
          <g key={i}>
            <rect x={a} y={TOP} width={b - a} height={20} className="fill-sunk stroke-edge" />
            {doubt < b ? (
              <rect
                x={Math.max(a, doubt)}
                y={TOP}
                width={b - Math.max(a, doubt)}
                height={20}
                className="fill-tight-wash stroke-edge"
              />
            ) : null}
            {b - a > 16 ? (
              <text
                x={(a + b) / 2}
                y={TOP + 14}
                textAnchor="middle"
                className="fill-ink text-[11px]"
              >
                {i + 1}
              </text>
            ) : null}
          </g>
        ) : null;
      })}
      {end < day ? (
        <rect
          x={x(end)}
          y={TOP}
          width={W - x(end)}
          height={20}
          className="fill-fail-wash stroke-fail"
          strokeDasharray="3 2"
        />
      ) : null}
      {events.map((e) => (
        <rect
          key={e.id}
          x={x(Math.min(e.from, e.to))}
          y={TOP + 22}
          width={Math.abs(x(e.to) - x(e.from))}
          height={6}
          className={e.is === 'break' ? 'fill-none stroke-edge' : 'fill-ink'}
        />
      ))}
      {plan.map((h) => (
        <path key={h} d={`M ${x(h)} ${TOP + 20} l 4 8 h -8 z`} className="fill-ok stroke-paper" />
      ))}
      {changesIn(of, day).map((c) =>
        c.at < day ? (
          <g key={c.at}>
            <line x1={x(c.at)} x2={x(c.at)} y1={TOP - 4} y2={TOP + 24} className="stroke-ink" />
            <text
              x={Math.min(W - 2, x(c.at))}
              y={10}
              textAnchor={x(c.at) > W - 24 ? 'end' : 'middle'}
              className="fill-soft text-[10px]"
            >
              {sayHours(c.at)}
            </text>
          </g>
        ) : null,
      )}
      <text x={0} y={H - 6} className="fill-soft text-[10px]">
        0
      </text>
      <text x={W} y={H - 6} textAnchor="end" className="fill-soft text-[10px]">
        {sayHours(day)}
      </text>
    </svg>
  );
}
