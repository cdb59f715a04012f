import type { Built } from '../../../build/build';
import type { Edit } from '../../../edit/edit';
import { newId } from '../../../engine/ids';
import { runOfSource, type Noted } from '../model/log';
import { sayHours } from '../model/say';
import type { Source } from '../model/sources';

/** What is wrong with what was noted, in a sentence; null where it can be kept. */
export function runTrouble({ hours, full, left }: Noted): string | null {
  if (!(hours > 0 && hours <= 200)) return 'How long it ran: hours over 0, up to 200.';
  if (![full, left].every((p) => p >= 0 && p <= 100))
    return 'What was shown: percent from 0 to 100, before and after.';
  return left < full ? null : 'After it ran a pack shows less than before.';
}

/** Keeps how long the packs of a source lasted, with what hung on them. */
export function logRun(built: Built, s: Source, noted: Noted): Edit {
  const run = runOfSource(built, s, newId('run'), noted);
  const names = s.packs.map((p) => p.part.name).join(' and ');
  return {
    title: `Log a run of ${names}: ${sayHours(noted.hours)} from ${noted.full} to ${noted.left} %`,
    changes: [{ path: ['runs', run.id], value: run }],
  };
}

/** Takes a run out of the log. */
export function forgetRun(id: string): Edit {
  return {
    title: 'Take a run out of the log',
    changes: [{ path: ['runs', id], value: undefined, prune: 1 }],
  };
}
