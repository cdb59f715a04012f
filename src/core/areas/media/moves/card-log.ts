import type { Built } from '../../../build/build';
import type { Edit } from '../../../edit/edit';
import { newId } from '../../../engine/ids';
import { exact } from '../../../quantity/say';
import { runOfCards, type Recorded } from '../model/log';

/** What is wrong with what was noted, in a sentence; null where it can be kept. */
export function recordedTrouble({ minutes, gigabytes }: Recorded): string | null {
  if (!(minutes > 0 && minutes <= 100_000))
    return 'How long was recorded: minutes over 0, like 24.';
  if (!(gigabytes > 0 && gigabytes <= 1_000_000))
    return 'What it came to: gigabytes over 0, like 210.';
  return null;
}

/** Keeps what a recording came to; null without a camera, or without its mode. */
export function logCards(built: Built, noted: Recorded): Edit | null {
  const run = runOfCards(built, newId('clip'), noted);
  return run
    ? {
        title: `Log a recording: ${exact(noted.minutes, 1)} min, ${exact(noted.gigabytes, 1)} GB`,
        changes: [{ path: ['cardRuns', run.id], value: run }],
      }
    : null;
}

/** Takes a recording out of the log. */
export function forgetCards(id: string): Edit {
  return {
    title: 'Take a recording out of the log',
    changes: [{ path: ['cardRuns', id], value: undefined, prune: 1 }],
  };
}
