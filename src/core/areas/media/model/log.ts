import { constant, given, type Given } from '../../../build/given';
import type { Built } from '../../../build/build';
import { keyOf } from '../../../doc/side-by-side';
import type { CardRun } from '../../../kit/types';
import { minutesOn } from '../../../feed/card';
import { exact, plain } from '../../../quantity/say';
import type { Interval } from '../../../quantity/spread';
import { cardsOn, rateOf } from './cards';

/** A clip is timed to this, min; what is shown of a card is good to this share. Common practice, no source. */
const CLOCK = 0.1;
const SHOWN = 0.01;
/** Less than this says nothing of a rate, min. */
const LEAST = 1;

/** Mb/s of one recording: its size over its length; null where it is too short to tell. */
export function rateOfRun({
  minutes,
  gigabytes,
}: Pick<CardRun, 'minutes' | 'gigabytes'>): Interval | null {
  if (!(minutes >= LEAST && gigabytes > 0)) return null;
  const rate = (gb: number, min: number) => (gb * 8000) / (min * 60);
  return {
    value: rate(gigabytes, minutes),
    lo: rate(gigabytes * (1 - SHOWN), minutes + CLOCK),
    hi: rate(gigabytes * (1 + SHOWN), minutes - CLOCK),
  };
}

/** What the log says of the mode that is recorded in now: the fastest that it was seen to fill. */
export interface LoggedRate {
  run: CardRun;
  rate: Interval;
}

/**
 * The recording that filled fastest counts, since a rate that varies counts at its greatest; stand-ins
 * say nothing once something was really recorded. Null where none was in this mode on this rig.
 */
export function loggedRate(built: Built): LoggedRate | null {
  const { body, mode, job } = built;
  if (!body || !mode) return null;
  const all = (job.cardRuns ?? []).flatMap((run): LoggedRate[] => {
    if (run.mode !== mode.id || run.parts[0] !== body.id || !onRig(run, built)) return [];
    const rate = rateOfRun(run);
    return rate ? [{ run, rate }] : [];
  });
  const real = all.filter((r) => !r.run.standIn);
  const runs = real.length > 0 ? real : all;
  return runs.reduce<LoggedRate | null>(
    (a, r) => (a && a.rate.value >= r.rate.value ? a : r),
    null,
  );
}

const onRig = ({ rig }: CardRun, built: Built) =>
  rig !== undefined && (built.rig.id === rig || built.rig.id.startsWith(keyOf(rig, '')));

/** More was written than the mode is said to send at its greatest: one of the two is wrong. */
export const isFaster = ({ rate }: LoggedRate, said: Interval): boolean => rate.lo > said.hi;

/** The data rate that is counted with, and why it is not as well known as it could be. */
export interface Counted {
  rate: Given;
  assumed: string | null;
  log: LoggedRate | null;
}

/**
 * What is written counts, at its greatest. Where nobody wrote it the log alone does; where the log was
 * faster one of the two is wrong, and it may be anything from the one to the other.
 */
export function countedRate(built: Built): Counted {
  const said = rateOf(built);
  const log = loggedRate(built);
  if (!log) return { rate: said, assumed: null, log };
  if (!said.known)
    return { rate: logged(log.rate), assumed: `By the log alone: ${said.label} missing.`, log };
  if (!isFaster(log, said.known)) return { rate: said, assumed: null, log };
  return {
    rate: logged({ ...log.rate, lo: Math.min(log.rate.lo, said.known.lo) }),
    assumed: `The mode is said to send ${plain(said.known.value, 0)} Mb/s; ${sayRate(log)}: one of the two is wrong.`,
    log,
  };
}

const logged = (rate: Interval): Given =>
  constant('data rate by the log', 'Mb/s', {
    ...rate,
    tol: Math.max(rate.hi - rate.value, rate.value - rate.lo),
    from: 'measured',
  });

/** `The log filled 1180 Mb/s (1160 to 1210)`. */
export const sayRate = ({ run, rate }: LoggedRate): string =>
  `${run.standIn ? 'a stand-in in the log' : 'the log'} filled ${plain(rate.value, 0)} Mb/s (${exact(rate.lo, 0)} to ${exact(rate.hi, 0)})`;

/** What is noted of a recording. */
export type Recorded = Pick<CardRun, 'minutes' | 'gigabytes' | 'when' | 'standIn'>;

/**
 * A recorder that fills: anywhere from a tenth of what goes on the cards to all of it, at a rate that
 * with what is in the picture falls as far as to two thirds of the mode's. Null while a number is missing.
 *
 * @param draw anywhere from 0 to 1, another at each call
 */
export function standInCard(built: Built, draw: () => number): Recorded | null {
  const rate = rateOf(built).known;
  const sizes = cardsOn(built).map((c) => given(c.card, 'gigabytes').known);
  if (!rate || sizes.length === 0) return null;
  let size = 0;
  for (const known of sizes) {
    if (!known) return null;
    size += known.lo + draw() * (known.hi - known.lo);
  }
  const anywhere = rate.lo + draw() * (rate.hi - rate.lo);
  const mbs = anywhere * (1 - draw() / 3);
  const gigabytes = size * (0.1 + 0.9 * draw());
  const tenths = (x: number) => Math.round(x * 10) / 10;
  return {
    minutes: tenths(minutesOn(gigabytes, mbs)),
    gigabytes: tenths(gigabytes),
    standIn: true,
  };
}

/** A recording as it is kept: the camera, the cards that were in, the mode. */
export function runOfCards(built: Built, id: string, noted: Recorded): CardRun | null {
  const { body, mode, rig } = built;
  if (!body || !mode) return null;
  const { minutes, gigabytes, when, standIn } = noted;
  return {
    id,
    parts: [body.id, ...cardsOn(built).map((c) => c.card.id)],
    // As a whole, whichever of its configurations it was.
    rig: rig.id.split(' ')[0]!,
    ...(when === undefined ? {} : { when }),
    mode: mode.id,
    minutes,
    gigabytes,
    ...(standIn ? { standIn } : {}),
  };
}

/** Recordings of the rig in lines, latest first: for a list, for paper. */
export interface RecordedLine {
  id: string;
  /** `24 min, 210 GB in open gate`. */
  said: string;
  when: string | null;
  rate: Interval | null;
  /** More than the mode is said to send. */
  faster: boolean;
}

export function recordedLines(built: Built): RecordedLine[] {
  const { body } = built;
  return [...(built.job.cardRuns ?? [])].reverse().flatMap((run): RecordedLine[] => {
    if (!onRig(run, built)) return [];
    const mode =
      body?.id === run.parts[0] ? body?.modes?.find((m) => m.id === run.mode) : undefined;
    const rate = rateOfRun(run);
    const said = mode?.id === built.mode?.id ? rateOf(built).known : null;
    return [
      {
        id: run.id,
        said: `${run.standIn ? 'A stand-in: ' : ''}${exact(run.minutes, 1)} min, ${exact(run.gigabytes, 1)} GB in ${mode?.name ?? 'a mode that is gone'}`,
        when: run.when ?? null,
        rate,
        faster: rate !== null && said !== null && isFaster({ run, rate }, said),
      },
    ];
  });
}
