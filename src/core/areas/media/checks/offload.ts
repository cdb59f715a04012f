import { given } from '../../../build/given';
import type { Built } from '../../../build/build';
import type { Check } from '../../../checks/check';
import type { Verdict } from '../../../checks/finding';
import { inWords, judge, plainVerdict, said } from '../../../checks/judge';
import { copyingHours, gigabytesOf } from '../../../feed/card';
import { isReader, onHand, type Card, type Reader } from '../../../kit/types';
import { exact, plain } from '../../../quantity/say';
import { ruleBasis } from '../../../rules/names';
import { cardsOn } from '../model/cards';
import { countedRate } from '../model/log';

export const mediaOffload: Check = {
  id: 'media.offload',
  title: 'Copies by the next morning',
  short: 'copies not done',
  says: 'Whether what is rolled in a day is copied off its cards in the hours of the night, by the fastest reader of the kit that takes them, as often as the house wants it read: copied, and compared.',
  formula: 'hours of the night - GB x 1000 x times it is read / (MB/s) / 3600',
  run(built) {
    const { day, night } = built.job.goal ?? {};
    const cards = cardsOn(built).map((c) => c.card);
    if (day === undefined || night === undefined || cards.length === 0) return [];
    return [inTheNight(built, cards, day, night)];
  },
};

/** Whether a reader takes all of some cards; null where nobody said which it takes. */
function takes(reader: Reader, cards: readonly Card[]): boolean | null {
  if (!reader.madeFor?.length) return null;
  return cards.every((c) => reader.madeFor!.includes(c.id));
}

const often = (times: number) =>
  times === 1 ? 'once' : times === 2 ? 'twice' : `${plain(times, 1)} times`;

function inTheNight(built: Built, cards: readonly Card[], day: number, night: number): Verdict {
  const names = inWords([...new Set(cards.map((c) => c.name))]);
  const base = {
    id: 'media.offload',
    key: 'media.offload:night',
    basis: ruleBasis('media.passes'),
  };
  const readers = [...built.kit.values()]
    .filter((p): p is Reader => isReader(p) && onHand(p) > 0)
    .sort((a, b) => (a.id < b.id ? -1 : 1));
  const sure = readers.filter((r) => takes(r, cards) === true);
  const open = readers.filter((r) => takes(r, cards) === null);
  const { rate, assumed } = countedRate(built);
  const times = built.rules['media.passes'];
  const rolled = day * 60 * built.rules['media.rolling'];
  if (sure.length === 0) {
    const none = readers.length === 0;
    return plainVerdict({
      ...base,
      about: [...new Set([...cards, ...open].map((p) => p.id))],
      state: none || open.length > 0 ? 'unknown' : 'fail',
      why: none
        ? `What copies ${names} is not known: no reader is in the kit.`
        : open.length > 0
          ? `What copies ${names} is not known: which cards ${inWords(open.map((r) => r.name))} ${open.length > 1 ? 'take' : 'takes'} nobody said.`
          : `No reader of the kit takes ${names}.`,
      sum: 'No sum: readers are looked through.',
      ...(none || open.length > 0 ? {} : { wanted: [`a reader for ${names}`] }),
    });
  }
  // The fastest of those of which it is known how fast they are.
  const speed = (r: Reader) => given(r, 'copies').known?.lo ?? -1;
  const reader = sure.reduce((a, b) => (speed(b) > speed(a) ? b : a));
  const hours = (x: readonly number[]) => copyingHours(gigabytesOf(rolled, x[0]!), x[1]!, times);
  const v = judge({
    ...base,
    about: [
      ...new Set([reader, ...cards].map((p) => p.id)),
      ...(built.body ? [built.body.id] : []),
    ],
    inputs: [rate, given(reader, 'copies')],
    margin: (x) => night - hours(x),
    unit: 'h',
    limit: { value: night, unit: 'h', rule: null },
    assumed,
    why: (o) =>
      `${reader.name} reads the ${plain(gigabytesOf(rolled, rate.known!.value), 0)} GB of a day ${often(times)} in ${plain(night - o.value, 1)} h; the night has ${plain(night, 1)} h.`,
    sum: (o) =>
      `${exact(night, 2)} - ${exact(gigabytesOf(rolled, rate.known!.value), 0)} GB x 1000 x ${exact(times, 1)} / ${exact(given(reader, 'copies').known!.value, 0)} / 3600 = ${exact(o.value, 2)} h`,
    lacking: (m) => `Whether a day is copied in the night is not known: ${m} missing.`,
  });
  if (v.state === 'ok' || v.state === 'unknown') return v;
  const least = (gigabytesOf(rolled, rate.known!.hi) * 1000 * times) / (night * 3600);
  return {
    ...said(v),
    wanted: [
      `a reader that copies ${plain(Math.ceil(least / 10) * 10, 0)} MB/s at the least, or two at once`,
    ],
  };
}
