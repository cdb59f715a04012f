'use client';

import { useId, type ComponentProps } from 'react';
import { readHours, sayHours } from '@/core/areas/power/model/say';
import { newId } from '@/core/engine/ids';
import { setGoal } from '@/core/solve/goal';
import type { DayEvent, Job } from '@/core/kit/types';
import { Button } from '@/ui/button';
import { useEdit } from '@/views/bench/panel-parts';
import { TextInput } from '@/views/part/cells';
import { DayBar } from './day-bar';

/** What of the day must not be missed, and its breaks: typed here, drawn on the day of each source. */
export function Events({ job }: { job: Job }) {
  const edit = useEdit();
  const events = [...(job.goal?.events ?? [])].sort((a, b) => a.from - b.from);
  const day = job.goal?.day ?? 24;
  const keep = (list: readonly DayEvent[], title: string) =>
    edit(setGoal(job, 'events', list.length > 0 ? [...list] : undefined, title));
  const set = (e: DayEvent, more: Partial<DayEvent>) =>
    keep(
      events.map((x) => (x.id === e.id ? { ...e, ...more } : x)),
      `${more.name ?? e.name}: ${sayHours(more.from ?? e.from)} to ${sayHours(more.to ?? e.to)}`,
    );
  const add = (is: DayEvent['is'], name: string) => {
    const long = is === 'break' ? 0.5 : 1;
    const after = events.reduce((last, e) => Math.max(last, e.to), 0) + 1;
    const from = Math.max(0, Math.min(day - long, after));
    const to = Math.min(24, from + long);
    keep([...events, { id: newId('event'), name, from, to, is }], `Add ${name} to the day`);
  };
  return (
    <div className="flex flex-col gap-1">
      {events.length > 0 ? <DayBar events={events} day={day} onSet={set} /> : null}
      {events.map((e) => (
        <div key={e.id} className="flex flex-wrap items-center gap-1">
          <Named
            label={e.is === 'break' ? 'name of the break' : 'name of what must not be missed'}
            value={e.name}
            className="w-28"
            check={(t) => (t.trim() === '' || t.length > 80 ? 'A name, 80 letters at most.' : null)}
            onKeep={(t) => set(e, { name: t.trim() })}
          />
          <Hour label={`${e.name} begins`} value={e.from} onKeep={(from) => set(e, { from })} />
          <span className="text-soft">to</span>
          <Hour label={`${e.name} ends`} value={e.to} onKeep={(to) => set(e, { to })} />
          <Button
            look="bare"
            aria-label={`Take ${e.name} out of the day`}
            onClick={() =>
              keep(
                events.filter((x) => x.id !== e.id),
                `Take ${e.name} out of the day`,
              )
            }
          >
            take out
          </Button>
        </div>
      ))}
      <div className="flex flex-wrap gap-2">
        <Button look="bare" onClick={() => add('keep', 'long take')}>
          Add what must not be missed
        </Button>
        <Button look="bare" onClick={() => add('break', 'break')}>
          Add a break
        </Button>
      </div>
    </div>
  );
}

function Hour({
  label,
  value,
  onKeep,
}: {
  label: string;
  value: number;
  onKeep: (h: number) => void;
}) {
  const read = (t: string) => {
    const h = readHours(t);
    return h !== null && h <= 24 ? h : null;
  };
  return (
    <Named
      label={label}
      value={sayHours(value)}
      className="w-18 text-right"
      check={(t) => (read(t) === null ? 'Hours of the day, like 2 h 30; 24 at most.' : null)}
      onKeep={(t) => onKeep(read(t)!)}
    />
  );
}

/** A field whose label is read, not seen: its row says what it is. */
function Named({
  label,
  ...rest
}: { label: string } & Omit<ComponentProps<typeof TextInput>, 'id'>) {
  const id = useId();
  return (
    <>
      <label htmlFor={id} className="sr-only">
        {label}
      </label>
      <TextInput id={id} {...rest} />
    </>
  );
}
