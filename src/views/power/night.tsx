'use client';

import {
  changesOf,
  nightOf,
  sayNight,
  type Night as Charged,
} from '@/core/areas/power/model/night';
import { sayHours } from '@/core/areas/power/model/say';
import { Section } from '@/views/bench/panel-parts';
import type { RigFacts } from '@/views/bench/use-rig';
import { GoalHours } from './goal-hours';

/** The night of the chargers: which pack goes into which bay, and when somebody has to get up. */
export function Night({ facts: { job, built } }: { facts: RigFacts }) {
  const night = job.goal?.night;
  const n = nightOf(built);
  const up = changesOf(n);
  return (
    <div className="flex flex-col gap-3">
      <GoalHours job={job} of="night" />
      {night === undefined ? (
        n.plan ? (
          <p>Say how long the night is, and packs are laid out in the bays of the chargers.</p>
        ) : null
      ) : (
        <Section title="The night of the chargers">
          {n.plan ? (
            <>
              <Bays of={n} plan={n.plan} night={night} />
              <ul className="list-disc pl-5">
                {sayNight(n).map((line) => (
                  <li key={line}>{line}</li>
                ))}
                <li>
                  {up.length === 0
                    ? 'Nothing has to be changed before the morning.'
                    : `To be changed at ${up.map(sayHours).join(', ')}.`}
                </li>
              </ul>
            </>
          ) : (
            <p>
              {n.lots.length === 0
                ? 'No charger of the kit is said to take a pack.'
                : 'What they need is not known yet: see what is said of it.'}
            </p>
          )}
        </Section>
      )}
    </div>
  );
}

const W = 340;
const LEFT = 96;
const ROW = 26;
const TOP = 16;

/** A row for each bay, a box for each pack in it; the end of the night as a line. */
function Bays({
  of,
  plan,
  night,
}: {
  of: Charged;
  plan: NonNullable<Charged['plan']>;
  night: number;
}) {
  const used = of.bays.map((_, bay) => bay).filter((bay) => plan.at.some((p) => p.bay === bay));
  const end = Math.max(night, plan.done);
  const x = (h: number) => LEFT + (h / end) * (W - LEFT - 2);
  const height = TOP + used.length * ROW + 16;
  return (
    <svg
      viewBox={`0 0 ${W} ${height}`}
      role="img"
      aria-label={`The night of the chargers: ${sayNight(of).join('. ')}`}
      className="w-full max-w-xl"
    >
      {used.map((bay, row) => (
        <g key={bay} transform={`translate(0 ${TOP + row * ROW})`}>
          <text x={0} y={14} className="fill-soft text-[10px]">
            {of.bays[bay]!.name}
          </text>
          {plan.at.map((p, i) =>
            p.bay === bay ? (
              <g key={i}>
                <rect
                  x={x(p.from)}
                  y={0}
                  width={Math.max(1, x(p.to) - x(p.from) - 1)}
                  height={20}
                  className={p.to > night ? 'fill-fail-wash stroke-fail' : 'fill-sunk stroke-edge'}
                />
                {x(p.to) - x(p.from) > 40 ? (
                  <text
                    x={(x(p.from) + x(p.to)) / 2}
                    y={14}
                    textAnchor="middle"
                    className="fill-ink text-[10px]"
                  >
                    {of.packs[i]!.lot.part.name}
                  </text>
                ) : null}
              </g>
            ) : null,
          )}
        </g>
      ))}
      <line x1={x(night)} x2={x(night)} y1={TOP - 4} y2={height - 14} className="stroke-ink" />
      <text x={x(night)} y={10} textAnchor="end" className="fill-soft text-[10px]">
        morning
      </text>
      <text x={LEFT} y={height - 3} className="fill-soft text-[10px]">
        0
      </text>
      <text x={x(night)} y={height - 3} textAnchor="end" className="fill-soft text-[10px]">
        {sayHours(night)}
      </text>
    </svg>
  );
}
