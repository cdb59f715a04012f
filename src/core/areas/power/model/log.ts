import type { Built } from '../../../build/build';
import { constant, given, type Given } from '../../../build/given';
import { usableAt, type Mix } from '../../../feed/hours';
import { keyOf } from '../../../doc/side-by-side';
import type { PackRun } from '../../../kit/types';
import type { Interval } from '../../../quantity/spread';
import { allOf } from './fed';
import { hoursOf, lastingOf } from './lasting';
import { sayHours } from './say';
import { sourcesOn, type Source } from './sources';

/** Lamps and displays of packs are good to this, percent; a clock to this, h. Common practice, no source. */
const PERCENT = 3;
const CLOCK = 2 / 60;
/** Less of a pack than this says nothing of all of it, percent. */
const LEAST = 10;
/** A run says nothing of a day that is more than this warmer or colder, C. */
const AS_COLD = 15;

/** Where nobody said how cold it is, a room, C. */
const ROOM = 20;

/**
 * Hours that a run says of a pack from full to where it is changed: as long as all that is shown would
 * last, less what the house leaves in it; null where too little of it was used to tell.
 */
export function loggedHours(
  r: Pick<PackRun, 'hours' | 'full' | 'left'>,
  usable: number,
): Interval | null {
  const used = r.full - r.left;
  if (!(used >= LEAST) || !(r.hours > CLOCK)) return null;
  const of = (hours: number, percent: number) => (hours / percent) * 100 * usable;
  return {
    value: of(r.hours, used),
    lo: of(r.hours - CLOCK, used + 2 * PERCENT),
    hi: of(r.hours + CLOCK, used - 2 * PERCENT),
  };
}

/** What was on, and what hung on it, in one line: the same then and now, whatever the order. */
const all = (ids: readonly string[]) => [...ids].sort().join(' ');

const packsOf = (s: Source) => s.packs.map((p) => p.part.id);
const fedBy = (s: Source) => s.feeds.map((f) => f.device.part.id);

/** Whether a run was one of what stands here now: the same rig, packs, devices, and about as cold. */
function isOf(r: PackRun, { rig }: Built, s: Source): boolean {
  const here = r.rig !== undefined && (rig.id === r.rig || rig.id.startsWith(keyOf(r.rig, '')));
  return (
    here &&
    r.source === s.id &&
    all(r.parts) === all(packsOf(s)) &&
    all(r.fed) === all(fedBy(s)) &&
    Math.abs((r.celsius ?? ROOM) - (rig.celsius ?? ROOM)) <= AS_COLD
  );
}

/** What the log says of a source: its runs, latest first, and the hours that they agree on. */
export interface Logged {
  runs: readonly { run: PackRun; hours: Interval }[];
  hours: Interval;
}

/**
 * The latest says most: an earlier one that contradicts it is let go; stand-ins say nothing once
 * something really ran. Null where none is of it.
 */
export function loggedOf(built: Built, s: Source): Logged | null {
  const usable = built.rules['power.usable'];
  const all = [...(built.job.runs ?? [])].reverse().flatMap((run) => {
    const then = isOf(run, built, s) ? loggedHours(run, usable) : null;
    if (!then) return [];
    // What the cold takes of a pack it took then as well: only what is other now counts.
    const cold = usableAt(built.rig.celsius ?? ROOM) / usableAt(run.celsius ?? ROOM);
    const of = (h: number) => h * cold;
    return [{ run, hours: { value: of(then.value), lo: of(then.lo), hi: of(then.hi) } }];
  });
  const real = all.filter((r) => !r.run.standIn);
  const runs = real.length > 0 ? real : all;
  const [first] = runs;
  if (!first) return null;
  const hours = runs.reduce((h, r) => {
    const [lo, hi] = [Math.max(h.lo, r.hours.lo), Math.min(h.hi, r.hours.hi)];
    return lo <= hi ? { value: Math.min(hi, Math.max(lo, h.value)), lo, hi } : h;
  }, first.hours);
  return { runs, hours };
}

/**
 * Whether the log most likely says what cannot be by the numbers: where only the ends of both meet one
 * of them is wrong sooner than both are at their ends.
 */
export const contradicts = (log: Logged, s: Interval): boolean =>
  log.hours.value > s.hi || log.hours.value < s.lo;

/**
 * Computed hours as the log narrows them; where the two contradict each other anything from the one to
 * the other.
 */
export function byLog(log: Logged | null, s: Interval): Interval {
  if (!log) return s;
  const { lo, hi } = log.hours;
  if (contradicts(log, s))
    return { value: log.hours.value, lo: Math.min(lo, s.lo), hi: Math.max(hi, s.hi) };
  const ends = { lo: Math.max(lo, s.lo), hi: Math.min(hi, s.hi) };
  return { value: Math.min(ends.hi, Math.max(ends.lo, log.hours.value)), ...ends };
}

/** What a sentence of a source adds about its log; null where there is none, or it says no more. */
export function logWords(log: Logged | null, s: Interval): string | null {
  if (!log) return null;
  const by = log.runs[0]!.run.standIn ? 'a stand-in in the log' : 'the log';
  const said = `${by} says ${sayHours(log.hours.value)} (${sayHours(log.hours.lo)} to ${sayHours(log.hours.hi)})`;
  return contradicts(log, s)
    ? `Computed ${sayHours(s.value)}, ${said}: something takes more or less than is written, or the pack is not what it was.`
    : `${said[0]!.toUpperCase()}${said.slice(1)}.`;
}

/** The hours of the log as a number that all rests on, where those of the parts are not all known. */
export const loggedGiven = (log: Logged, names: string): Given =>
  constant(`hours that ${names} lasted`, 'h', {
    ...log.hours,
    tol: Math.max(log.hours.hi - log.hours.value, log.hours.value - log.hours.lo),
    from: 'measured',
  });

/**
 * Hours of a source by its numbers alone; null while one is missing.
 *
 * @param mix how the time is spent: as the house rules have it where it is not said
 */
export function computedHours(built: Built, s: Source, mix?: Mix): Interval | null {
  const { inputs, ends } = hoursOf(built, s, mix);
  if (inputs.some((g) => g.known === null)) return null;
  const { value, lo, hi } = ends();
  return { value, lo, hi };
}

/** One length of time beside others: what is written on the pack, what is counted on, what was logged. */
export interface Beside {
  name: string;
  hours: Interval;
}

/**
 * Hours of a source side by side: all that is written on its packs over what is drawn; what is counted
 * on in the mix of the day, and at work or at rest all the time; what each run of the log says.
 */
export function sideBySide(built: Built, s: Source): Beside[] {
  const computed = computedHours(built, s);
  const log = loggedOf(built, s);
  const { usable } = lastingOf(built, s);
  const whole = (h: number) => h / usable;
  return [
    ...(computed
      ? [
          {
            name: 'as written on it',
            hours: {
              value: whole(computed.value),
              lo: whole(computed.lo),
              hi: whole(computed.hi),
            },
          },
          { name: 'counted on', hours: computed },
          ...byWork(built, s),
        ]
      : []),
    ...(log?.runs ?? []).slice(0, 4).map(({ run, hours }) => ({
      name: run.standIn ? 'a stand-in' : run.when ? `logged ${run.when}` : 'logged',
      hours,
    })),
  ];
}

/** Where something takes less at rest or ready: at work, ready and at rest, all the time. */
function byWork(built: Built, s: Source): Beside[] {
  const said = (key: string) => s.feeds.some((f) => given(f.device.part, key).known);
  const [rests, waits] = [said('wattsIdle'), said('wattsReady')];
  if (!rests && !waits) return [];
  const of = (name: string, how: keyof Mix): Beside[] => {
    const hours = computedHours(built, s, allOf(how));
    return hours ? [{ name, hours }] : [];
  };
  return [
    ...of('all of it at work', 'rolling'),
    ...(waits ? of('all of it ready', 'ready') : []),
    ...(rests ? of('all of it at rest', 'idle') : []),
  ];
}

/** What a run that is about to be noted would say; null while it says nothing. */
export const notedHours = (
  built: Built,
  { hours, full, left }: Pick<PackRun, 'hours' | 'full' | 'left'>,
): Interval | null => loggedHours({ hours, full, left }, built.rules['power.usable']);

/** What is noted of a run: how long, what was shown before and after, the day; or that it is made up. */
export type Noted = Pick<PackRun, 'hours' | 'full' | 'left' | 'when' | 'standIn'>;

/** A pack is run down to about this by a stand-in, percent. */
const STOPS = [20, 50] as const;

/**
 * A stand-in for a pack: it drains under what is computed to hang on it, every number anywhere inside
 * its tolerance, and is read as a person reads it, to a percent and a minute. Null while a number is missing.
 *
 * @param draw anywhere from 0 to 1, another at each call
 */
export function standIn(built: Built, s: Source, draw: () => number): Noted | null {
  const { inputs, held, watts } = lastingOf(built, s);
  const x = inputs.map(({ known }) => known && known.lo + draw() * (known.hi - known.lo));
  if (!x.every((v) => v !== null) || !(watts(x) > 0)) return null;
  const cold = usableAt(built.rig.celsius ?? ROOM) / usableAt(ROOM);
  const left = Math.round(STOPS[0] + draw() * (STOPS[1] - STOPS[0]));
  const all = (held(x) * cold) / watts(x);
  const minutes = Math.round(all * (1 - left / 100) * 60);
  return minutes > 0 && minutes <= 200 * 60
    ? { hours: minutes / 60, full: 100, left, standIn: true }
    : null;
}

/** A run as it is kept: what was on, what hung on it, what was forecast. */
export function runOfSource(
  built: Built,
  s: Source,
  id: string,
  { hours, full, left, when, standIn }: Noted,
): PackRun {
  const now = computedHours(built, s);
  const round = (x: number) => Math.round(x * 1000) / 1000;
  return {
    id,
    parts: packsOf(s).sort(),
    // As a whole, whichever of its configurations it was.
    rig: built.rig.id.split(' ')[0]!,
    ...(when === undefined ? {} : { when }),
    source: s.id,
    fed: fedBy(s).sort(),
    hours,
    full,
    left,
    ...(standIn ? { standIn } : {}),
    ...(built.rig.celsius === undefined ? {} : { celsius: built.rig.celsius }),
    ...(now ? { forecast: { value: round(now.value), lo: round(now.lo), hi: round(now.hi) } } : {}),
  };
}

/** A run in a line: for a list, for paper, for the terminal. */
export interface LoggedLine {
  id: string;
  when: string | null;
  /** `Keel 98: 1 h 12 from 100 to 31 %`. */
  said: string;
  /** From full to where it is changed, by this run; null where too little was used. */
  hours: Interval | null;
  forecast: Interval | null;
  state: 'inside' | 'outside' | 'none';
  /** It is of what stands here now, so it corrects. */
  here: boolean;
}

/** The log of the packs of a rig, latest first. */
export function runLines(built: Built): LoggedLine[] {
  const { rig, kit, job, rules } = built;
  const sources = sourcesOn(built);
  return [...(job.runs ?? [])]
    .reverse()
    .filter((r) => r.rig !== undefined && (rig.id === r.rig || rig.id.startsWith(keyOf(r.rig, ''))))
    .map((r) => {
      const hours = loggedHours(r, rules['power.usable']);
      const forecast = r.forecast ?? null;
      const made = r.standIn ? ' (a stand-in)' : '';
      const names = [...new Set(r.parts.map((p) => kit.get(p)?.name ?? p))].join(' and ');
      return {
        id: r.id,
        when: r.when ?? null,
        said: `${names}: ${sayHours(r.hours)} from ${r.full} to ${r.left} %${made}`,
        hours,
        forecast,
        state:
          !hours || !forecast
            ? 'none'
            : hours.value <= forecast.hi && hours.value >= forecast.lo
              ? 'inside'
              : 'outside',
        here: sources.some((s) => isOf(r, built, s)),
      };
    });
}
