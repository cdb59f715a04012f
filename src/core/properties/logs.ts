import { motorsOn, pullAsKept } from '../areas/drive/model/pulls';
import { rateOf } from '../areas/media/model/cards';
import { runOfCards } from '../areas/media/model/log';
import { CARD_NAMES, cardsOnHand } from '../areas/media/model/marks';
import { packsOnHand } from '../areas/power/model/marks';
import { feedsOn } from '../areas/power/model/fed';
import { markPack, setAside } from '../areas/power/moves/mark-pack';
import { computedHours, runOfSource } from '../areas/power/model/log';
import { sourcesOn } from '../areas/power/model/sources';
import { build } from '../build/build';
import type { Edit } from '../edit/edit';
import { CARD_STATES, PACK_STATES, WENT } from '../kit/records';
import type { Job, Rig } from '../kit/types';

/** What may have been noted of a rig: runs of its packs, recordings, pulls of its motors. */
export const logs = (job: Job, rig: Rig): Edit[] => [
  ...runs(job, rig),
  ...recordings(job, rig),
  ...pulls(job, rig),
  ...marks(job, rig),
];

/** Every third pack and every second card on hand, left in each way there is; leads that had a fault. */
function marks(job: Job, rig: Rig): Edit[] {
  const built = build(job, rig);
  return [
    ...packsOnHand(built)
      .filter((_, i) => i % 3 === 0)
      .map((p, i) => markPack(p, PACK_STATES[i % PACK_STATES.length]!, 'noon')),
    ...cardsOnHand(built)
      .filter((_, i) => i % 2 === 0)
      .map((c, i) => markPack(c, CARD_STATES[(i + 2) % CARD_STATES.length]!, 'noon', CARD_NAMES)),
    ...feedsOn(built).flatMap(({ lead }) => (lead ? [setAside(job, lead, 1, 'noon')] : [])),
  ];
}

/** Runs of each source that feeds something: as computed, a long one, one that cannot be. */
function runs(job: Job, rig: Rig): Edit[] {
  const built = build(job, rig);
  return sourcesOn(built)
    .filter((s) => s.feeds.length > 0)
    .flatMap((s) => {
      const computed = computedHours(built, s)?.value ?? 2;
      return [0.7, 1.1, 4].map((times, i): Edit => {
        const hours = Math.min(200, Math.max(0.05, computed * times));
        const id = `run-${s.id}-${i}`;
        const run = runOfSource(built, s, id, { hours, full: 100, left: 12 + 9 * i });
        return { title: 'x', changes: [{ path: ['runs', id], value: run }] };
      });
    });
}

/** Recordings in the mode that is set: slower than it is said to be, as fast, much faster. */
function recordings(job: Job, rig: Rig): Edit[] {
  const built = build(job, rig);
  const rate = rateOf(built).known?.value ?? 800;
  return [0.7, 1, 1.6].flatMap((times, i): Edit[] => {
    const id = `clip-${i}`;
    const run = runOfCards(built, id, { minutes: 20, gigabytes: (rate * times * 1200) / 8000 });
    return run ? [{ title: 'x', changes: [{ path: ['cardRuns', id], value: run }] }] : [];
  });
}

/** Pulls of each motor, however they went: seen, and made up. */
function pulls(job: Job, rig: Rig): Edit[] {
  const built = build(job, rig);
  return motorsOn(built).flatMap((d, i) =>
    WENT.flatMap((went, k): Edit[] => {
      const standIn = (i + k) % 2 === 1;
      const id = `pull-${d.use.id}-${k}`;
      const pull = pullAsKept(built, d, id, { went, volts: 7 + 3 * k, left: 40 * k, standIn });
      return pull ? [{ title: 'x', changes: [{ path: ['pulls', id], value: pull }] }] : [];
    }),
  );
}
