import type { Built } from '../../../build/build';
import { inTheDark } from './fed';
import { changesAround } from '../../../feed/changes';
import type { DayEvent } from '../../../kit/types';
import type { Interval } from '../../../quantity/spread';
import { keeper } from './judged';
import { hoursOf } from './lasting';
import { byLog, computedHours, loggedOf } from './log';
import { usableOn } from './marks';
import { packsOn } from './outlets';
import { sayHours } from './say';
import { sourcesOn, type Source } from './sources';

/** How often a source can be filled, and how many packs that are as those on it are not counted. */
export interface Sets {
  sets: number;
  aside: number;
}

/**
 * How often a source can be filled: by the packs of the kit that are as those on it, themselves counted in,
 * and none that was set aside. Two sources of a rig that take the same pack share them.
 */
export function setsOf(built: Built, { packs }: Source): Sets {
  const all = packsOn(built);
  const each = [...new Set(packs.map((p) => p.part))].map((part) => {
    const on = all.filter((p) => p.part.id === part.id).length;
    return { on, ...usableOn(built, part, on) };
  });
  return {
    sets: Math.min(...each.map(({ n, on }) => Math.floor(n / on))),
    aside: each.reduce((sum, e) => sum + e.aside, 0),
  };
}

/** One source over a day. */
export interface SourceDay {
  id: string;
  /** What is on it, as it is called. */
  packs: readonly string[];
  /** Hours of one set of packs: as it is most likely, at worst, at best; null while that is not known. */
  lasts: Interval | null;
  /** Sets that there are. */
  sets: number;
}

/** The sources of a rig that feed something, for a day's plan. */
export const dayOf = (built: Built): SourceDay[] =>
  sourcesOn(built).flatMap((source) => sourceDay(built, source) ?? []);

/** One source over a day; null where nothing hangs on it. */
export function sourceDay(built: Built, source: Source): SourceDay | null {
  if (source.feeds.length === 0) return null;
  const { sets } = setsOf(built, source);
  const dark = inTheDark(built).length > 0;
  const log = dark ? null : loggedOf(built, source);
  const own = dark ? null : hoursOf(built, source);
  const made = (): SourceDay => {
    const computed = dark ? null : computedHours(built, source);
    return {
      id: source.id,
      packs: source.packs.map((p) => p.part.name),
      sets,
      lasts: computed ? byLog(log, computed) : (log?.hours ?? null),
    };
  };
  return log ? made() : kept(source, [sets, own], made);
}

/** While no log says otherwise a source lasts as long as it is computed to. */
const kept = keeper<SourceDay>();

/** When packs are changed over a day, h from its beginning, as it is most likely and at worst. */
export function changesIn(
  { lasts, sets }: SourceDay,
  day: number,
): { at: number; worst: number }[] {
  if (!lasts || !(lasts.lo > 0)) return [];
  return Array.from({ length: Math.max(0, sets - 1) }, (_, i) => ({
    at: (i + 1) * lasts.value,
    worst: (i + 1) * lasts.lo,
  })).filter((c) => c.worst < day);
}

/** A day of one source in lines, for a list and for paper. */
export function sayDay(s: SourceDay, day: number): string[] {
  const names = s.packs.join(' and ');
  if (!s.lasts) return [`How long ${names} ${s.packs.length > 1 ? 'last' : 'lasts'} is not known.`];
  const { value, lo } = s.lasts;
  const set = (i: number) => `${names}${s.sets > 1 ? `, ${i + 1} of ${s.sets}` : ''}`;
  const last = Math.min(s.sets, Math.max(1, Math.ceil(day / lo)));
  const lines = Array.from({ length: last }, (_, i) => {
    // By what is likely the day is over before: it is there for the worst.
    if (i * value >= day) return `${set(i)}: only at worst, from ${sayHours(i * lo)}`;
    const until = Math.min(day, (i + 1) * value);
    const worst = Math.min(day, (i + 1) * lo);
    return `${set(i)}: ${i === 0 ? '' : `from ${sayHours(i * value)} `}to ${sayHours(until)}${worst < until ? `, at worst to ${sayHours(worst)}` : ''}`;
  });
  const end = s.sets * value;
  return end < day
    ? [...lines, `Nothing is left from ${sayHours(end)} to ${sayHours(day)}.`]
    : lines;
}

/** One that was written the wrong way round is meant the right way round. */
const eventsOf = (built: Built, is: DayEvent['is']): DayEvent[] =>
  (built.job.goal?.events ?? [])
    .filter((e) => e.is === is)
    .map((e) => ({ ...e, from: Math.min(e.from, e.to), to: Math.max(e.from, e.to) }));

/** What must not be missed, in the order of the day. */
export const notToMiss = (built: Built): DayEvent[] =>
  eventsOf(built, 'keep').sort((a, b) => a.from - b.from || (a.id < b.id ? -1 : 1));

/** Changes of a source that miss nothing, at a pack that surely lasts so long, h; null: there are none. */
export function changesThrough(built: Built, day: number, lasts: number): number[] | null {
  return changesAround(day, lasts, notToMiss(built), eventsOf(built, 'break'));
}
