import type { Built } from '../../../build/build';
import type { Check } from '../../../checks/check';
import type { Verdict } from '../../../checks/finding';
import { inWords, judge, plainVerdict, said } from '../../../checks/judge';
import type { Interval } from '../../../quantity/spread';
import { exact, plain } from '../../../quantity/say';
import { ruleBasis } from '../../../rules/names';
import { setsOf } from '../model/day';
import { judgedOnce } from '../model/judged';
import { hoursOf, type Hours } from '../model/lasting';
import { sayAside } from '../model/marks';
import { sayHours } from '../model/say';
import {
  byLog,
  computedHours,
  contradicts,
  loggedGiven,
  loggedOf,
  logWords,
  type Logged,
} from '../model/log';
import { sourcesOn, type Source } from '../model/sources';
import { whileDark } from './dark';

export const powerDay: Check = {
  id: 'power.day',
  title: 'Packs for the day',
  short: 'too few packs',
  says: 'Whether the packs that there are, used one after the other, last the day: those of the kit that are as what is on the rig. What is charged meanwhile is not counted.',
  formula: 'sets of packs x hours of one - hours of the day',
  run: (built) => {
    const day = built.job.goal?.day;
    return day === undefined ? [] : sourcesOn(built).flatMap((s) => dayOf(built, s, day));
  },
};

function dayOf(built: Built, source: Source, day: number): Verdict[] {
  const dark = whileDark(built, () => ({
    ...baseOf(source),
    open: `Whether ${namesOf(source)} last the day`,
  }));
  if (dark) return [dark];
  if (source.feeds.length === 0) return [];
  const own = hoursOf(built, source);
  const { sets, aside } = setsOf(built, source);
  const log = loggedOf(built, source);
  if (log) return [lastsThe(built, source, { own, sets, aside, day, log })];
  const rests = [powerDay.id, own, sets, aside, day];
  return [
    judgedOnce(source, rests, () => lastsThe(built, source, { own, sets, aside, day, log: null })),
  ];
}

const namesOf = ({ packs }: Source) => inWords([...new Set(packs.map((p) => p.part.name))]);

const baseOf = (source: Source): Pick<Verdict, 'id' | 'key' | 'about' | 'basis'> => ({
  id: powerDay.id,
  key: `power.day:${source.id}`,
  about: [...new Set(source.packs.map((p) => p.part.id))],
  basis: ruleBasis('power.usable'),
});

function lastsThe(
  built: Built,
  source: Source,
  {
    own: { inputs, hours, ends },
    sets,
    aside,
    day,
    log,
  }: {
    own: Hours;
    sets: number;
    aside: number;
    day: number;
    log: Logged | null;
  },
): Verdict {
  const names = namesOf(source);
  if (sets === 0)
    return plainVerdict({
      ...baseOf(source),
      state: 'fail',
      why: `Nothing is left to run on for the day: what there is of ${names} is set aside.`,
      sum: 'No sum: packs are counted.',
      wanted: [`another of ${names}, or another pack on the plate`],
    });
  const computed = log && computedHours(built, source);
  const v = judge({
    ...baseOf(source),
    ...(log && !computed
      ? {
          inputs: [loggedGiven(log, names)],
          margin: ([h]: readonly number[]) => sets * h! - day,
          assumed: `By the log alone: ${inWords(inputs.filter((g) => g.known === null).map((g) => g.label))} missing.`,
        }
      : {
          inputs: [...inputs],
          margin: (x: readonly number[]) => sets * hours(x) - day,
          spread: () => {
            const { value, lo, hi, shares } = ends();
            const of = (h: number) => sets * h - day;
            return { value: of(value), lo: of(lo), hi: of(hi), shares };
          },
          after: (s: Interval) => {
            const each = (h: number) => (h + day) / sets;
            const one = byLog(log, { value: each(s.value), lo: each(s.lo), hi: each(s.hi) });
            const of = (h: number) => sets * h - day;
            return { value: of(one.value), lo: of(one.lo), hi: of(one.hi) };
          },
          assumed: log && computed && contradicts(log, computed) ? logWords(log, computed) : null,
        }),
    unit: 'h',
    limit: { value: day, unit: 'h', rule: null },
    why: (o) => {
      const all = sayHours(o.value + day);
      const of = sets === 1 ? names : `${sets} of ${names}, one after the other,`;
      return `${of} ${sets === 1 && source.packs.length === 1 ? 'lasts' : 'last'} ${all}; the day has ${sayHours(day)}.${sayAside(aside)}`;
    },
    sum: (o) =>
      `${sets} x ${exact((o.value + day) / sets, 2)} - ${plain(day, 1)} = ${exact(o.value, 2)} h`,
    lacking: (missing) => `Whether ${names} last the day is not known: ${missing} missing.`,
  });
  return more(v, sets, day, names, source.packs.length);
}

/** How many sets would do at worst. */
function more(v: Verdict, sets: number, day: number, names: string, each: number): Verdict {
  if (!v.margin || v.state === 'ok' || v.state === 'unknown') return v;
  const one = (v.margin.lo + day) / sets;
  if (!(one > 0)) return v;
  const needed = Math.ceil(day / one) - sets;
  return {
    ...said(v),
    wanted: [`${needed} more of ${each > 1 ? `each of ${names}` : names}, or charging between`],
  };
}
