import type { Built } from '../../../build/build';
import type { Check } from '../../../checks/check';
import type { State, Verdict } from '../../../checks/finding';
import { inWords, plainVerdict } from '../../../checks/judge';
import { plain } from '../../../quantity/say';
import { changesThrough, notToMiss, sourceDay, type SourceDay } from '../model/day';
import { keeper } from '../model/judged';
import { sayHours } from '../model/say';
import { sourcesOn, type Source } from '../model/sources';
import { swapsOf, type Swap } from '../model/swap';
import { whileDark } from './dark';

export const powerEvent: Check = {
  id: 'power.event',
  title: 'Changes around what must not be missed',
  short: 'change in a take',
  says: 'Whether packs can be changed so that none is off while something must not be missed: as few changes as bring each source through the day, before or after that, in breaks where as few do. What goes on while a pack is changed wants none of this.',
  formula:
    'changes at most as far apart as a pack lasts at worst, none within what must not be missed',
  run(built) {
    const day = built.job.goal?.day;
    if (day === undefined || notToMiss(built).length === 0) return [];
    return sourcesOn(built).flatMap((source): Verdict[] => {
      // What is fed by nobody knows what may hang on this one, whatever is said to.
      const dark = whileDark(built, () => ({
        ...baseOf(source),
        open: `Whether ${inWords(source.packs.map((p) => p.part.name))} can be changed around what must not be missed`,
      }));
      if (dark) return [dark];
      const own = sourceDay(built, source);
      if (!own) return [];
      const swaps = swapsOf(built, source);
      const { events } = built.job.goal!;
      return [
        judged(own, [source, swaps, day, events], () => around(built, own, { source, swaps, day })),
      ];
    });
  },
};

/** A day of the same source, with the same events, comes to the same. */
const judged = keeper<Verdict>();

interface Changing {
  source: Source;
  swaps: readonly Swap[];
  day: number;
}

const baseOf = ({ id, packs }: Source) => ({
  id: 'power.event',
  key: `power.event:${id}`,
  about: [...new Set(packs.map((p) => p.part.id))],
  basis: '[math] as few changes as reach from one end of the day to the other',
});

function around(built: Built, s: SourceDay, { source, swaps, day }: Changing): Verdict {
  const names = inWords(s.packs);
  const events = inWords(notToMiss(built).map((e) => e.name));
  const base = { ...baseOf(source), sum: 'No sum: changes are laid out over the day.' };
  const goesOn = swaps.every((x) => x.dark.length + x.open.length + x.unsaid.length === 0);
  if (goesOn)
    return plainVerdict({
      ...base,
      state: 'ok',
      why: `Nothing goes dark while ${names} ${s.packs.length > 1 ? 'are' : 'is'} changed: ${events} may go on.`,
    });
  if (!s.lasts)
    return plainVerdict({
      ...base,
      state: 'unknown',
      why: `Whether ${names} can be changed around ${events} is not known: how long ${s.packs.length > 1 ? 'they last' : 'it lasts'} is not.`,
    });
  const [worst, best] = [s.lasts.lo, s.lasts.hi].map((h) => changesThrough(built, day, h));
  const enough = (plan: number[] | null | undefined) => !!plan && plan.length + 1 <= s.sets;
  const state: State = enough(worst) ? 'ok' : enough(best) ? 'tight' : 'fail';
  // What goes on after the day nobody looked at.
  const late = notToMiss(built).filter((e) => e.to > day);
  if (late.length > 0 && state !== 'fail')
    return plainVerdict({
      ...base,
      state: 'unknown',
      why: `Whether ${names} can be changed around ${inWords(late.map((e) => e.name))} is not known: the day is over at ${sayHours(day)}, and ${late.length > 1 ? 'they go' : 'it goes'} on to ${sayHours(Math.max(...late.map((e) => e.to)))}.`,
    });
  if (worst && state === 'ok')
    return plainVerdict({
      ...base,
      state,
      why:
        worst.length === 0
          ? `${names} ${s.packs.length > 1 ? 'last' : 'lasts'} the day: ${events} ${notToMiss(built).length > 1 ? 'go' : 'goes'} on.`
          : `Change ${names} by ${inWords(worst.map(sayHours))}: nothing is off during ${events}.`,
    });
  const longest = notToMiss(built).reduce((a, e) => Math.max(a, e.to - e.from), 0);
  const may = state === 'tight' ? 'may not ' : s.packs.length > 1 ? 'do not ' : 'does not ';
  const why = !worst
    ? `${names} ${s.packs.length > 1 ? 'together ' : ''}${may}last through ${events}: ${sayHours(s.lasts.lo)} at worst.`
    : `Around ${events} ${worst.length + 1} of ${names} are used over the day; there ${s.sets === 1 ? 'is one' : `are ${s.sets}`}.`;
  return plainVerdict({
    ...base,
    state,
    why,
    wanted: [
      worst
        ? `${worst.length + 1 - s.sets} more of ${names}, or a change that keeps it up`
        : `packs that last ${plain(longest, 1)} h at worst, or a change that keeps it up`,
    ],
  });
}
