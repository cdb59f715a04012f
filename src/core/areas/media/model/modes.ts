import { given, type Given } from '../../../build/given';
import type { Built } from '../../../build/build';
import { gigabytesOf, minutesOn } from '../../../feed/card';
import type { Mode } from '../../../kit/types';
import { spread, type Interval } from '../../../quantity/spread';
import { exact, plain } from '../../../quantity/say';
import { cardsOn } from './cards';

/** Whether the slowest of the cards that are in keeps up, with the spare of the house; null: not known. */
export type KeepsUp = 'yes' | 'maybe' | 'no' | null;

/** One recording mode beside the others, as media see it. */
export interface ModeMedia {
  mode: Mode;
  /** It is the one that is recorded in. */
  here: boolean;
  /** Mb/s. */
  rate: Interval | null;
  /** Minutes that go on the cards that are in; null while a number is missing, or none is in. */
  minutes: Interval | null;
  keepsUp: KeepsUp;
  /** What a day comes to: null while nobody said how long it is. */
  day: {
    /** Minutes that are rolled. */
    rolled: number;
    /** Size of the off-load, GB. */
    gigabytes: Interval;
    /** How often the cards that are in are filled; null where that is not known. */
    fills: Interval | null;
  } | null;
}

/** The recording modes of the camera side by side, in their order; none without a camera. */
export function modesBeside(built: Built): ModeMedia[] {
  const { body, rules } = built;
  if (!body) return [];
  const cards = cardsOn(built).map((c) => c.card);
  const full = cards.map((c) => given(c, 'gigabytes'));
  const writes = cards.map((c) => given(c, 'sustained'));
  const { day } = built.job.goal ?? {};
  const rolled = day === undefined ? null : day * 60 * rules['media.rolling'];
  return (body.modes ?? []).map((mode): ModeMedia => {
    const rate = given(body, 'modes', mode.id, 'rate');
    const over = (list: readonly Given[], f: (x: readonly number[]) => number) =>
      within([rate, ...list], f);
    const sum = (x: readonly number[]) => x.slice(1).reduce((a, b) => a + b, 0);
    const size = rolled === null ? null : over([], ([mbs]) => gigabytesOf(rolled, mbs!));
    return {
      mode,
      here: mode.id === built.mode?.id,
      rate: within([rate], ([mbs]) => mbs!),
      minutes: cards.length === 0 ? null : over(full, (x) => minutesOn(sum(x), x[0]!)),
      keepsUp: keepsUp(over, writes, rules['media.spare']),
      day:
        rolled === null || size === null
          ? null
          : {
              rolled,
              gigabytes: size,
              fills:
                cards.length === 0 ? null : over(full, (x) => gigabytesOf(rolled, x[0]!) / sum(x)),
            },
    };
  });
}

/** The slowest of them decides; what nobody said of one of them leaves it open unless another is too slow. */
function keepsUp(
  over: (list: readonly Given[], f: (x: readonly number[]) => number) => Interval | null,
  writes: readonly Given[],
  spare: number,
): KeepsUp {
  if (writes.length === 0) return null;
  const each = writes.map((w) => over([w], (x) => x[1]! * 8 - spare * x[0]!));
  if (each.some((m) => m !== null && m.hi < 0)) return 'no';
  if (each.some((m) => m === null)) return null;
  return each.every((m) => m!.lo >= 0) ? 'yes' : 'maybe';
}

function within(list: readonly Given[], f: (x: readonly number[]) => number): Interval | null {
  const ends = list.map((g) => g.known);
  if (!ends.every((e) => e !== null)) return null;
  const { value, lo, hi } = spread(ends, f);
  return { value, lo, hi };
}

/** A number with its ends where they differ: `40`, `38 to 42`. */
function ends({ value, lo, hi }: Interval, digits: number): string {
  const [a, b] = [exact(lo, digits), exact(hi, digits)];
  return a === b ? exact(value, digits) : `${a} to ${b}`;
}

const KEEPS: Readonly<Record<'yes' | 'maybe' | 'no', string>> = {
  yes: 'what is in keeps up',
  maybe: 'what is in may keep up',
  no: 'what is in is too slow',
};

/** What media see of a mode, in words: for a list, for paper. */
export function sayMode({ rate, minutes, keepsUp, day }: ModeMedia): string {
  if (!rate) return 'data rate not known';
  return [
    `${plain(rate.value, 0)} Mb/s`,
    minutes ? `${ends(minutes, 0)} min on what is in` : '',
    keepsUp ? KEEPS[keepsUp] : '',
    day
      ? `a day is ${plain(day.rolled, 0)} min rolled, ${ends(day.gigabytes, 0)} GB${day.fills ? `, what is in filled ${ends(day.fills, 1)} times` : ''}`
      : '',
  ]
    .filter(Boolean)
    .join('; ');
}
