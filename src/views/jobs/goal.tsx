'use client';

import type { Job, JobGoal } from '@/core/kit/types';
import { GOALS } from '@/core/shelf/goals';
import { goalMeans, setGoal } from '@/core/solve/goal';
import { LabelledSelect } from '@/ui/labelled-select';
import { TextInput } from '@/views/part/cells';
import { useStore } from '@/views/store/store-context';
import { useId } from 'react';

type Said<K extends keyof JobGoal> = readonly (readonly [NonNullable<JobGoal[K]>, string])[];

const HOLD: Said<'hold'> = [
  ['legs', 'on legs'],
  ['shoulder', 'on the shoulder'],
  ['hand', 'in the hand'],
  ['gimbal', 'on a gimbal'],
];
const CREW: Said<'crew'> = [
  ['alone', 'alone'],
  ['crew', 'with a focus puller'],
];
const GRIP: Said<'grip'> = [['free', 'kept free for the hand']];
const SOUND: Said<'sound'> = [
  ['camera', 'in the camera'],
  ['recorder', 'in a recorder'],
  ['none', 'none'],
];
const LIGHT: Said<'light'> = [
  ['daylight', 'daylight'],
  ['indoors', 'indoors'],
  ['night', 'night'],
];
const SHOT: Said<'shot'> = GOALS.map((g) => [g.id, g.name] as const);

const OPEN = '-';

/** What is shot, and how: kept with the job, and what proposals are ranked by. */
export function GoalOfJob({ job }: { job: Job }) {
  const goal = job.goal ?? {};
  return (
    <section aria-label="What is shot" className="mt-4">
      <h2 className="font-semibold">What is shot</h2>
      <div className="mt-1 flex flex-wrap gap-x-5 gap-y-2">
        <One job={job} goal={goal} field="shot" label="for" said={SHOT} />
        <One job={job} goal={goal} field="hold" label="held" said={HOLD} />
        <One job={job} goal={goal} field="crew" label="crew" said={CREW} />
        <One job={job} goal={goal} field="grip" label="own grip" said={GRIP} />
        <One job={job} goal={goal} field="sound" label="sound" said={SOUND} />
        <One job={job} goal={goal} field="light" label="light" said={LIGHT} />
        <Hours job={job} goal={goal} />
      </div>
      <p className="mt-1 max-w-3xl text-soft">{goalMeans(goal)}</p>
    </section>
  );
}

function One<K extends 'shot' | 'hold' | 'crew' | 'grip' | 'sound' | 'light'>({
  job,
  goal,
  field,
  label,
  said,
}: {
  job: Job;
  goal: JobGoal;
  field: K;
  label: string;
  said: Said<K>;
}) {
  const store = useStore();
  return (
    <LabelledSelect
      label={label}
      value={goal[field] ?? OPEN}
      options={[
        { id: OPEN, name: 'not said' },
        ...said.map(([id, name]) => ({ id: id as string, name })),
      ]}
      onPick={(id) => {
        const choice = said.find(([x]) => x === id);
        // One that has a single answer is no sentence without its name.
        const name = choice && (said.length === 1 ? `${label} ${choice[1]}` : choice[1]);
        store?.edit(setGoal(job, field, choice?.[0], name ?? label));
      }}
    />
  );
}

/** Hours without a change of battery or card. */
function Hours({ job, goal }: { job: Job; goal: JobGoal }) {
  const store = useStore();
  const id = useId();
  const read = (t: string) => Number(t.replace(',', '.'));
  return (
    <span className="flex items-center gap-2">
      <label htmlFor={id} className="text-soft">
        hours without a change
      </label>
      <TextInput
        id={id}
        value={goal.hours === undefined ? '' : String(goal.hours)}
        className="w-16 text-right"
        check={(t) => {
          if (t === '') return null;
          const n = read(t);
          return n > 0 && n <= 100 ? null : 'Hours, like 1.5; 100 at most.';
        }}
        onKeep={(t) =>
          store?.edit(
            setGoal(
              job,
              'hours',
              t === '' ? undefined : read(t),
              t === '' ? 'hours' : `${t} hours without a change`,
            ),
          )
        }
      />
    </span>
  );
}
