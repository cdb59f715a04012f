import { given } from '../../../build/given';
import type { Built } from '../../../build/build';
import type { Check } from '../../../checks/check';
import type { Verdict } from '../../../checks/finding';
import { inWords, judge, said } from '../../../checks/judge';
import { gigabytesOf, keepsUp, minutesOn } from '../../../feed/card';
import { isCard, onHand, type Card } from '../../../kit/types';
import { exact, plain } from '../../../quantity/say';
import { ruleBasis } from '../../../rules/names';
import { sayAside, usableOn } from '../../power/model/marks';
import { cardsOn } from '../model/cards';
import { countedRate } from '../model/log';
import { fullOf } from '../model/marks';

export const mediaDay: Check = {
  id: 'media.day',
  title: 'Cards for the day',
  short: 'too few cards',
  byHand: true,
  says: 'Whether the cards on hand that go into the camera hold what is rolled in a day, so that none has to be copied and emptied before it is over; and how often what is in is changed.',
  formula:
    'GB of all cards on hand - hours of the day x 60 x share that is rolled x 60 x (Mb/s) / 8000',
  run(built) {
    const { day } = built.job.goal ?? {};
    const on = cardsOn(built).map((c) => c.card);
    return day === undefined || on.length === 0 ? [] : [forTheDay(built, on, day)];
  },
};

/** Cards on hand that take the place of what is in: the same, or such as go in and keep up for sure. */
function stockOf(built: Built, on: readonly Card[], most: number): Card[] {
  const spare = built.rules['media.spare'];
  const same = (c: Card) => on.some((o) => o.id === c.id);
  const fits = (c: Card) => c.plug !== undefined && on.some((o) => o.plug === c.plug);
  const fast = (c: Card) => {
    const writes = given(c, 'sustained').known;
    return writes !== null && keepsUp(writes.lo, most, spare) >= 1;
  };
  return [...built.kit.values()]
    .filter(
      (p): p is Card =>
        isCard(p) &&
        (same(p) || (onHand(p) > 0 && fits(p) && fast(p) && given(p, 'gigabytes').known !== null)),
    )
    .sort((a, b) => (a.id < b.id ? -1 : 1));
}

function forTheDay(built: Built, on: readonly Card[], day: number): Verdict {
  const { rate, assumed } = countedRate(built);
  const stock = stockOf(built, on, rate.known?.hi ?? Infinity);
  const all = stock.map((c) => usableOn(built, c, on.filter((o) => o.id === c.id).length));
  const full = stock.map((c, i) => fullOf(built, c, all[i]!.n + all[i]!.aside));
  const pieces = all.map(({ n }, i) => n - full[i]!);
  const rolled = day * 60 * built.rules['media.rolling'];
  const holds = (x: readonly number[]) => pieces.reduce((sum, n, i) => sum + n * x[i]!, 0);
  const now = [...stock.map((c) => given(c, 'gigabytes')), rate];
  const inIt = on.reduce((sum, c) => sum + (given(c, 'gigabytes').known?.value ?? 0), 0);
  const each = stock.flatMap((c, i) =>
    pieces[i]! > 1 ? [`${pieces[i]} of ${c.name}`] : pieces[i]! > 0 ? [c.name] : [],
  );
  const names = each.length > 0 ? inWords(each) : 'what is left';
  const many = pieces.reduce((sum, n) => sum + n, 0) > 1;
  const lost = full.reduce((sum, n) => sum + n, 0);
  const left =
    (lost > 0
      ? ` ${lost} ${lost > 1 ? 'are' : 'is'} marked full and not copied: not counted.`
      : '') + sayAside(all.reduce((sum, c) => sum + c.aside, 0));
  const v = judge({
    id: 'media.day',
    about: [...stock.map((c) => c.id), ...(built.body ? [built.body.id] : [])],
    inputs: now,
    margin: (x) => holds(x) - gigabytesOf(rolled, x[stock.length]!),
    // What does not hold a day is copied and emptied in it: more to do, and nothing that fails.
    after: (s) => ({ ...s, hi: Math.max(0, s.hi) }),
    unit: 'GB',
    limit: null,
    assumed,
    why: (o) => {
      const mbs = rate.known!.value;
      const every = minutesOn(inIt, mbs) / 60 / built.rules['media.rolling'];
      const need = gigabytesOf(rolled, mbs);
      const often = `what is in is full every ${plain(every, 1)} h`;
      return o.state === 'ok'
        ? `${names} ${many ? 'hold' : 'holds'} the ${plain(need, 0)} GB of a day; ${often}.${left}`
        : `A day is ${plain(need, 0)} GB; ${names} ${many ? 'hold' : 'holds'} ${plain(o.value + need, 0)} GB and ${many ? 'have' : 'has'} to be copied and emptied before it is over: ${often}.${left}`;
    },
    sum: (o) => {
      const need = gigabytesOf(rolled, rate.known!.value);
      return `${exact(o.value + need, 0)} - ${exact(rolled, 0)} min x 60 x ${exact(rate.known!.value, 0)} / 8000 = ${exact(o.value, 0)} GB`;
    },
    lacking: (m) => `Whether the cards on hand last a day is not known: ${m} missing.`,
    basis: ruleBasis('media.rolling'),
  });
  if (v.state !== 'tight' || !((v.margin?.lo ?? 0) < 0)) return v;
  // As many as fill what is missing at the worst.
  const card = on[0]!;
  const size = given(card, 'gigabytes').known!.lo;
  const more = Math.ceil(-v.margin!.lo / size - 1e-9);
  return Number.isFinite(more) && more <= MOST
    ? { ...said(v), wanted: [`${more} more of ${card.name}`] }
    : v;
}

/** More of one card than anybody carries are not asked for. */
const MOST = 100;
