import { given, type Given } from '../../../build/given';
import type { Built } from '../../../build/build';
import type { Check } from '../../../checks/check';
import type { Verdict } from '../../../checks/finding';
import { inWords, judge } from '../../../checks/judge';
import { minutesOn } from '../../../feed/card';
import { exact, plain } from '../../../quantity/say';
import { ruleBasis } from '../../../rules/names';
import { cardsOn } from '../model/cards';
import { countedRate, sayRate, type LoggedRate } from '../model/log';

export const mediaMinutes: Check = {
  id: 'media.minutes',
  title: 'Minutes on the cards',
  short: 'cards too small',
  says: 'How many minutes go on the cards that are in, and whether that is as long as the job wants without a change, by the share of the time that is rolled.',
  formula: 'minutes = GB x 8000 / (Mb/s) / 60 - hours x 60 x share that is rolled',
  run: (built) => minutesOf(built),
};

function minutesOf(built: Built): Verdict[] {
  const cards = cardsOn(built);
  if (cards.length === 0) return [];
  const full = cards.map((c) => given(c.card, 'gigabytes'));
  const { rate, assumed, log } = countedRate(built);
  const hours = built.job.goal?.hours;
  const wanted = hours === undefined ? 0 : hours * 60 * built.rules['media.rolling'];
  const names = inWords(cards.map((c) => c.card.name));
  const holds = (x: readonly number[]) => full.reduce((sum, _, i) => sum + x[i]!, 0);
  const of = (x: readonly number[]) => minutesOn(holds(x), x[full.length]!);
  return [
    judge({
      id: 'media.minutes',
      about: [...cards.map((c) => c.card.id), ...(built.body ? [built.body.id] : [])],
      inputs: [...full, rate],
      margin: (x) => of(x) - wanted,
      unit: 'min',
      limit: hours === undefined ? null : { value: wanted, unit: 'min', rule: 'media.rolling' },
      assumed,
      why: (o) =>
        `${names} ${cards.length > 1 ? 'take' : 'takes'} ${plain(o.value + wanted, 0)} min at ${plain(rate.known!.value, 0)} Mb/s${hours === undefined ? '' : `; ${plain(wanted, 0)} min are rolled in the ${plain(hours, 1)} h that the job wants`}.${log && !assumed ? ` ${byLog(log, full)}` : ''}`,
      sum: (o) =>
        `${plain(
          full.reduce((sum, g) => sum + g.known!.value, 0),
          1,
        )} GB x 8000 / ${plain(rate.known!.value, 1)} / 60 = ${exact(o.value + wanted, 1)} min`,
      lacking: (missing) =>
        `How long ${names} ${cards.length > 1 ? 'last' : 'lasts'} is not known: ${missing} missing.`,
      basis: ruleBasis('media.rolling'),
    }),
  ];
}

/** What the log makes of it, which is no less than what is written. */
function byLog(log: LoggedRate, full: readonly Given[]): string {
  const gigabytes = full.reduce((sum, g) => sum + (g.known?.value ?? 0), 0);
  const words = sayRate(log);
  return `${words[0]!.toUpperCase()}${words.slice(1)}: ${plain(minutesOn(gigabytes, log.rate.value), 0)} min.`;
}
