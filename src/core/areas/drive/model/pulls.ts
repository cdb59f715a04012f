import type { Built } from '../../../build/build';
import { said } from '../../../checks/judge';
import type { Verdict } from '../../../checks/finding';
import { keyOf } from '../../../doc/side-by-side';
import { WENT } from '../../../kit/records';
import type { MotorPull, Went } from '../../../kit/types';
import { exact, plain } from '../../../quantity/say';
import { spread, type Interval } from '../../../quantity/spread';
import { standOf } from '../../../stand/stand';
import { outletsOn, type RigOutlet } from '../../power/model/outlets';
import type { PlacedDrive } from '../place/drive';
import { turningOf, type Turning } from './turning';

/** Pulls of rings by motors: what was seen of them, and stand-ins to try it out with. */

/** What is shown on a meter is good to this, V. Common practice, no source. */
const METER = 0.1;

const WORDS: Readonly<Record<Went, string>> = {
  through: 'turned the ring through to the end',
  slowly: 'turned the ring slowly',
  stalled: 'stalled',
};

/** How a pull went, in words. */
export const sayWent = (went: Went): string => WORDS[went];

const onRig = ({ rig }: MotorPull, built: Built) =>
  rig !== undefined && (built.rig.id === rig || built.rig.id.startsWith(keyOf(rig, '')));

/** Whether it was a pull of what stands here now: the same motor, lens and outlet. */
const isOf = (p: MotorPull, built: Built, d: PlacedDrive, out: RigOutlet): boolean =>
  onRig(p, built) &&
  p.drive === d.use.id &&
  p.parts[0] === d.part.id &&
  p.parts[1] === built.lens?.id &&
  p.source === out.from &&
  p.outlet === out.id;

/** The pull that counts: the latest; stand-ins say nothing once something really pulled. */
export function pullOf(built: Built, d: PlacedDrive, out: RigOutlet): MotorPull | null {
  const all = (built.job.pulls ?? []).filter((p) => isOf(p, built, d, out));
  const real = all.filter((p) => !p.standIn);
  return (real.length > 0 ? real : all).at(-1) ?? null;
}

/**
 * What is computed, as a pull that was seen leaves it. One that stalled fails, whatever the numbers say;
 * one that went through is tight where they do not say so, since it says nothing of what is in hand. A
 * stand-in makes nothing better than it was.
 */
export function asPulled(pull: MotorPull | null, v: Verdict): Verdict {
  if (!pull) return v;
  const who = pull.standIn ? 'A stand-in' : 'It';
  const when = pull.when && !pull.standIn ? ` on ${pull.when}` : '';
  const seen = `${who} ${WORDS[pull.went]}${when}.`;
  const odd = ' The numbers say otherwise; one of them is wrong:';
  const as = (state: Verdict['state'], against: boolean): Verdict => ({
    ...said(v),
    state,
    basis: `[tried] ${v.basis}`,
    why: `${seen}${against ? odd : ''} ${v.why}`,
  });
  const { state } = v;
  if (pull.went === 'stalled') {
    if (pull.standIn) return as(state === 'ok' ? 'tight' : state, state === 'ok');
    return as('fail', state !== 'fail' && state !== 'unknown');
  }
  if (pull.standIn)
    return as(state === 'ok' && pull.went === 'slowly' ? 'tight' : state, state === 'fail');
  if (state === 'ok') return as(pull.went === 'slowly' ? 'tight' : 'ok', false);
  return as('tight', state === 'fail');
}

/** What a motor on a ring would be asked with; null where nothing feeds it, or its ring was not counted. */
function setOf(built: Built, d: PlacedDrive): { out: RigOutlet; turning: Turning } | null {
  const { gear } = d;
  const out = outletsOn(built).find(
    (o) => o.from === d.use.outlet?.from && o.id === d.use.outlet.id,
  );
  if (d.part.kind !== 'motor' || !out || !gear?.teeth || !built.lens) return null;
  return { out, turning: turningOf(built, d, gear.ring.id, gear.teeth, out) };
}

/** The same with all of its numbers known; null while one is missing. */
function knownOf(built: Built, d: PlacedDrive) {
  const set = setOf(built, d);
  const known = (set?.turning.inputs ?? []).flatMap((g) => g.known ?? []);
  const [least, most] = [set?.out.least.known, set?.out.most.known];
  return set && least && most && known.length === set.turning.inputs.length
    ? { ...set, known, least, most }
    : null;
}

/** Motors of a rig that something feeds, by the order of the rig. */
export const motorsOn = (built: Built): PlacedDrive[] =>
  standOf(built).drives.filter((d) => setOf(built, d) !== null);

/** What a motor brings to its ring at one state of what feeds it. */
export interface TorqueAtCharge {
  /** Of the pack, percent. */
  left: number;
  volts: Interval;
  /** At the ring, N m. */
  torque: Interval;
}

/** What a motor brings to its ring while a pack goes from full to empty, beside what the ring takes. */
export interface Pulling {
  steps: readonly TorqueAtCharge[];
  /** What the ring takes, and what is wanted of it with what is to be in hand, N m. */
  takes: Interval;
  wanted: number;
  /** Down to which percent of the pack it has that in hand, and turns at all; null where it never does. */
  holds: number | null;
  turns: number | null;
  /** Its outlet gives the same at any charge. */
  even: boolean;
}

/** So many steps a pack is drawn in, from full to empty. */
const STEPS = 20;

/**
 * Torque at the ring over the charge of what feeds its motor, its volts taken to fall evenly from full to
 * empty; null while a number is missing.
 */
export function pullingOf(built: Built, d: PlacedDrive): Pulling | null {
  const set = knownOf(built, d);
  if (!set) return null;
  const { turning, known, least, most } = set;
  const even = most.value - least.value < 1e-9;
  const ends = (left: number) => {
    const at = (a: number, b: number) => a + ((b - a) * left) / 100;
    const volts = {
      ...known[1]!,
      value: at(least.value, most.value),
      lo: at(least.lo, most.lo),
      hi: at(least.hi, most.hi),
    };
    return known.map((k, i) => (i === 1 ? volts : k));
  };
  const steps = Array.from({ length: STEPS + 1 }, (_, i): TorqueAtCharge => {
    const left = 100 - (100 * i) / STEPS;
    const x = ends(left);
    return { left, volts: spread(x, turning.arrives), torque: spread(x, turning.at) };
  });
  const takes = known[0]!;
  const wanted = built.rules['drive.torque-reserve'] * takes.value;
  const value = (left: number) => turning.at(ends(left).map((k) => k.value));
  return {
    steps,
    takes: { value: takes.value, lo: takes.lo, hi: takes.hi },
    wanted,
    holds: downTo(value, wanted),
    turns: downTo(value, takes.value),
    even,
  };
}

/** The lowest charge at which a torque that falls with it is still as much; null where it never is. */
function downTo(torque: (left: number) => number, wanted: number): number | null {
  if (torque(100) < wanted) return null;
  if (torque(0) >= wanted) return 0;
  let [below, above] = [0, 100];
  for (let i = 0; i < 40; i++) {
    const middle = (below + above) / 2;
    if (torque(middle) >= wanted) above = middle;
    else below = middle;
  }
  return above;
}

/** How far down a pack turns a ring, in a sentence. */
export function sayPulling(p: Pulling, reserve: number): string {
  const times = `${plain(reserve, 2)} times what the ring takes`;
  if (p.turns === null) return 'It turns the ring at no charge of what feeds it.';
  if (p.even)
    return p.holds === null
      ? `Its outlet holds its volts: it turns the ring at any charge, without ${times}.`
      : `Its outlet holds its volts: it brings ${times} at any charge.`;
  const percent = (x: number) => `${exact(Math.ceil(x - 1e-6), 0)} %`;
  const holds =
    p.holds === null
      ? `It never brings ${times}`
      : p.holds === 0
        ? `It brings ${times} down to the empty pack`
        : `It brings ${times} down to ${percent(p.holds)} of the pack`;
  const turns =
    p.holds === 0 || p.turns === 0
      ? p.holds === 0
        ? ''
        : ', and turns it down to the empty one'
      : `, and stalls under ${percent(p.turns)}`;
  return `${holds}${turns}, taking its volts to fall evenly.`;
}

/** What is noted of a pull. */
export type Pulled = Pick<MotorPull, 'went' | 'volts' | 'left' | 'when' | 'standIn'>;

/**
 * A stand-in for a motor and its hand unit: it pulls on the volts that are computed for a pack so full,
 * every number anywhere inside its tolerance, and is read as a person reads it. Null while a number is missing.
 *
 * @param left of the pack, percent
 * @param draw anywhere from 0 to 1, another at each call
 */
export function standInPull(
  built: Built,
  d: PlacedDrive,
  left: number,
  draw: () => number,
): Pulled | null {
  const set = knownOf(built, d);
  if (!set) return null;
  const { turning, known, least, most } = set;
  const x = known.map((k) => k.lo + draw() * (k.hi - k.lo));
  const within = draw();
  const end = (k: typeof least) => k.lo + within * (k.hi - k.lo);
  x[1] = end(least) + ((end(most) - end(least)) * left) / 100;
  const has = turning.at(x) / x[0]!;
  const volts = Math.round(turning.arrives(x) / METER) * METER;
  return {
    went: has < 1 ? 'stalled' : has < built.rules['drive.torque-reserve'] ? 'slowly' : 'through',
    volts: Math.round(volts * 10) / 10,
    left,
    standIn: true,
  };
}

/** A pull as it is kept; null where nothing feeds the motor. */
export function pullAsKept(
  built: Built,
  d: PlacedDrive,
  id: string,
  { went, volts, left, when, standIn }: Pulled,
): MotorPull | null {
  const set = setOf(built, d);
  if (!set) return null;
  return {
    id,
    parts: [d.part.id, built.lens!.id],
    // As a whole, whichever of its configurations it was.
    rig: built.rig.id.split(' ')[0]!,
    ...(when === undefined ? {} : { when }),
    drive: d.use.id,
    source: set.out.from,
    outlet: set.out.id,
    went,
    ...(volts === undefined ? {} : { volts }),
    ...(left === undefined ? {} : { left }),
    ...(standIn ? { standIn } : {}),
  };
}

/** A pull in a line: for a list, for paper. */
export interface PullLine {
  id: string;
  said: string;
  when: string | null;
  /** Why it counts for nothing here; null where it does. */
  elsewhere: string | null;
  /** What was read is not what is computed: `10.9 to 11.6 V computed`; null where it is, or nobody read. */
  odd: string | null;
}

/** The pulls of a motor on its rig, latest first. */
export function pullLines(built: Built, d: PlacedDrive): PullLine[] {
  const set = setOf(built, d);
  const all = knownOf(built, d);
  const computed = all && spread(all.known, all.turning.arrives);
  return [...(built.job.pulls ?? [])]
    .reverse()
    .filter((p) => onRig(p, built) && p.drive === d.use.id)
    .map((p): PullLine => {
      const here = set !== null && isOf(p, built, d, set.out);
      const lens = built.kit.get(p.parts[1] ?? '')?.name ?? p.parts[1];
      const at = [
        p.volts === undefined ? null : `${exact(p.volts, 1)} V read`,
        p.left === undefined ? null : `pack at ${exact(p.left, 0)} %`,
      ].filter((t) => t !== null);
      const off =
        here && computed && p.volts !== undefined
          ? p.volts + METER < computed.lo || p.volts - METER > computed.hi
          : false;
      return {
        id: p.id,
        said: `${p.standIn ? 'A stand-in ' : ''}${WORDS[p.went]}${here ? '' : ` on ${lens}`}${at.length > 0 ? `, ${at.join(', ')}` : ''}`,
        when: p.when ?? null,
        elsewhere: here
          ? null
          : 'from another outlet, of another motor or on another lens: it counts for nothing here',
        odd: off ? `${plain(computed!.lo, 1)} to ${plain(computed!.hi, 1)} V computed` : null,
      };
    });
}

/** What is wrong with what was noted, in a sentence; null where it can be kept. */
export function pullTrouble({ went, volts, left }: Partial<Pulled>): string | null {
  if (!went || !WENT.includes(went)) return 'How it went: say whether it turned the ring.';
  if (volts !== undefined && !(volts >= 0 && volts <= 100))
    return 'What was read at it: volts from 0 to 100, like 11.4.';
  if (left !== undefined && !(left >= 0 && left <= 100))
    return 'What was shown of the pack: percent from 0 to 100.';
  return null;
}
