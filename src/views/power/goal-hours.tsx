'use client';

import { useId } from 'react';
import { setGoal } from '@/core/solve/goal';
import type { Job } from '@/core/kit/types';
import { useEdit } from '@/views/bench/panel-parts';
import { TextInput } from '@/views/part/cells';

/** How many hours the day, or the night, has: typed where they are laid out. */
export function GoalHours({ job, of }: { job: Job; of: 'day' | 'night' }) {
  const edit = useEdit();
  const id = useId();
  const hours = job.goal?.[of];
  const read = (t: string) => Number(t.replace(',', '.'));
  return (
    <span className="flex items-center gap-2">
      <label htmlFor={id} className="w-36 shrink-0 text-soft">
        hours of the {of}
      </label>
      <TextInput
        id={id}
        value={hours === undefined ? '' : String(hours)}
        className="w-24 text-right"
        check={(t) =>
          t === '' || (read(t) > 0 && read(t) <= 24) ? null : 'Hours, like 10; 24 at most.'
        }
        onKeep={(t) =>
          edit(
            setGoal(
              job,
              of,
              t === '' ? undefined : read(t),
              t === '' ? `hours of the ${of}` : `a ${of} of ${t} hours`,
            ),
          )
        }
      />
    </span>
  );
}
