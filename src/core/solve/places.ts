import type { Built, Shared } from '../build/build';
import { seatingsFor, spotsOfHost, type Seating } from '../areas/joints/model/free';
import { loadLines } from '../areas/joints/model/load-lines';
import { placeName, reseat, seat } from '../areas/joints/moves/seat';
import { CHECKS } from '../areas/checks';
import { runOne } from '../checks/run';
import { STATES, type Verdict } from '../checks/finding';
import type { Edit } from '../edit/edit';
import type { FittedUse, JobGoal, Part } from '../kit/types';
import { at as valueAt } from '../build/lin';
import { pieceKey } from '../place/piece';
import type { Piece } from '../place/setting';
import { exact, sayLength } from '../quantity/say';
import { apart } from '../solids/solid';
import { standOf } from '../stand/stand';
import { inTheHand, isAlone, isCarried } from './goal';
import { driverOf } from '../areas/joints/kit/drivers';
import type { Vent } from '../engine/part';
import { countOf, total, Trials, type Counts } from './trial';

/** A place that a part could go, tried. */
export interface TriedPlace {
  edit: Edit;
  /** `top holes of Lattice cage, hole 2`. */
  name: string;
  /** Where it is, mm in the frame of reference, and out of what holds it. */
  at: readonly [number, number, number];
  out: readonly [number, number, number];
  /** How many more findings there are than before, by state; below 0 fewer. */
  more: Counts;
  /** The worst of what it brings, in a sentence; null when it brings nothing. */
  worst: string | null;
  /** What hangs on its joint there in the worst attitude, N m; null where it is not known. */
  moment: number | null;
  /** The radio that it would stand nearest to, and the air between them, mm. */
  radio: { name: string; away: number } | null;
  /** The highest point of the rig with it there, mm above the axis. */
  height: number;
  /** A fan that a microphone would stand nearest to, and the air between them, mm. */
  fan: { name: string; away: number } | null;
  /** It is where the hand goes that holds the camera by its own grip; only where that is wanted. */
  inHand: boolean;
  /** Its screw asks for a tool; only where one is alone. */
  tool: boolean;
}

/** What a place brings with it besides its findings, in words; empty where there is nothing to say. */
export function placeWords({
  moment,
  radio,
  fan,
  inHand,
  tool,
}: Pick<TriedPlace, 'moment' | 'radio' | 'fan' | 'inHand' | 'tool'>): string {
  return [
    moment === null ? '' : `${exact(moment, 2)} N m on its joint`,
    radio === null ? '' : `at least ${sayLength(radio.away, 0)} from ${radio.name}`,
    fan === null ? '' : `at least ${sayLength(fan.away, 0)} from the fan of ${fan.name}`,
    inHand ? 'where the hand holds the camera' : '',
    tool ? 'with a tool' : '',
  ]
    .filter(Boolean)
    .join(', ');
}

/** As many places are tried as can be told apart on a drawing. */
const MOST = 40;

/**
 * Where a part could go: one place of every host that is free for it, each tried on a copy of the
 * rig and ranked; see {@link byTrouble}.
 *
 * @param use the part where it is on the rig already: where else it could go
 */
export function placesFor(built: Built, base: Shared, part: Part, use?: FittedUse): TriedPlace[] {
  const trials = new Trials(built, base);
  return onePerHost(seatingsFor(built, part, use?.id))
    .slice(0, MOST)
    .flatMap((place) =>
      tried(
        built,
        trials,
        place,
        use ? reseat(built.rig, use, part, place) : seat(built.rig, part, place),
        placeName(place),
        use?.id,
      ),
    )
    .sort(byTroubleFor(built.job.goal));
}

/** One place, tried on a copy of the rig; none where it leads nowhere. */
export function tried(
  built: Built,
  trials: Trials,
  place: Seating,
  edit: Edit,
  name: string,
  // Nothing is changed by putting a part where it is.
  use: string = edit.changes[0]!.path[3]!,
): TriedPlace[] {
  const after = trials.after(edit.changes);
  const spots = spotsOfHost(built, place.host, place.slide);
  const spot = spots[place.n] ?? spots[0];
  if (!after || !spot) return [];
  const verdicts = CHECKS.flatMap((c) => runOne(after, c));
  const now = total(CHECKS.map((c) => countOf(runOne(after, c))));
  const before = new Map(
    [...trials.said.values()].flatMap((s) => s.verdicts).map((v) => [v.key, v.state]),
  );
  const { goal } = built.job;
  const key = pieceKey('fitted', use);
  const value = (g: { known: { value: number } | null }) => g.known?.value ?? 0;
  return [
    {
      edit,
      name,
      at: spot.at.map((l) => valueAt(l, value)) as unknown as TriedPlace['at'],
      out: spot.out,
      more: {
        fail: now.fail - trials.count.fail,
        unknown: now.unknown - trials.count.unknown,
        tight: now.tight - trials.count.tight,
      },
      worst: worstNew(verdicts, before),
      moment: loadLines(after).find((l) => l.use === use)?.moment ?? null,
      radio: nearestRadio(after, use),
      height: Math.max(0, ...standOf(after).solids.map((s) => s.extent[4])),
      fan: nearestFan(after, use),
      inHand: goal?.grip === 'free' && inTheHand(after).some((p) => p.key === key),
      tool: isAlone(goal) && driverOf(place.by.driver ?? place.host.i.driver)?.free !== true,
    },
  ];
}

/** Of a radio that is put on: the nearest other one; of any other part the nearest. */
const nearestRadio = (built: Built, use: string) =>
  nearest(built, use, (p) => built.kit.get(p.part)?.kind === 'radio');

/** The fan that a microphone stands nearest to, where the sound is taken in the camera. */
function nearestFan(built: Built, use: string): TriedPlace['fan'] {
  const own = built.rig.fitted?.find((u) => u.id === use);
  if (built.job.goal?.sound !== 'camera' || built.kit.get(own?.part ?? '')?.kind !== 'microphone')
    return null;
  return nearest(built, use, (p) =>
    ((built.kit.get(p.part) as { vents?: readonly Vent[] } | undefined)?.vents ?? []).some(
      (v) => v.fan !== false,
    ),
  );
}

/** Boxes around two pieces tell how far they are apart, closely enough to rank places by. */
function nearest(built: Built, use: string, is: (p: Piece) => boolean): TriedPlace['radio'] {
  const { pieces } = standOf(built);
  const own = pieces.find((p) => p.key === pieceKey('fitted', use));
  // How far it is from anything is not known while its own size or place is not.
  if (!own || own.missing.length > 0) return null;
  const others = pieces.filter((p) => p !== own && is(p));
  const solids = (p: Piece) => p.solids.filter((s) => s.known && !s.moving);
  const list = others.flatMap((p) => {
    const gaps = solids(own).flatMap((a) => solids(p).map((b) => apart(a.reach, b.reach)));
    return gaps.length === 0 ? [] : [{ name: p.name, away: Math.max(0, Math.min(...gaps)) }];
  });
  return list.sort((a, b) => a.away - b.away)[0] ?? null;
}

/** Moments that nobody tells apart by hand, N m. */
const ALIKE = 0.05;

/**
 * Fewest fails first, then what is not known, then what is tight, then the least moment, then the
 * lowest, then what stands farthest from a radio. What the goal of the job asks for comes before the
 * moment: the hand's room free, no tool, far from a fan.
 */
export const byTrouble = byTroubleFor(undefined);

/**
 * As {@link byTrouble}; of a rig that somebody carries the lowest comes before the least moment: what
 * stands high tips it at every step, and its joint can be tightened.
 */
export function byTroubleFor(goal: JobGoal | undefined) {
  const carried = isCarried(goal);
  return (a: TriedPlace, b: TriedPlace): number => {
    const moment = steps(a.moment) - steps(b.moment);
    const height = levels(a.height) - levels(b.height);
    return (
      a.more.fail - b.more.fail ||
      a.more.unknown - b.more.unknown ||
      a.more.tight - b.more.tight ||
      Number(a.inHand) - Number(b.inHand) ||
      Number(a.tool) - Number(b.tool) ||
      // What is nearer to a fan comes after; where there is none nothing is.
      (b.fan?.away ?? 0) - (a.fan?.away ?? 0) ||
      (carried ? height || moment : moment || a.height - b.height) ||
      (b.radio?.away ?? 0) - (a.radio?.away ?? 0) ||
      (a.name < b.name ? -1 : 1)
    );
  };
}

/** Heights that nobody tells apart on the shoulder, mm. */
const LEVEL = 5;
const levels = (height: number) => Math.round(height / LEVEL);

/** What is not known comes last. */
const steps = (moment: number | null) => (moment === null ? 1e9 : Math.round(moment / ALIKE));

/** Of a row of holes the one nearest to its middle. */
export function onePerHost(list: readonly Seating[]): Seating[] {
  const rows = new Map<string, Seating[]>();
  for (const s of list) {
    const key = `${s.host.piece} ${s.host.i.id} ${s.by.id}`;
    rows.set(key, [...(rows.get(key) ?? []), s]);
  }
  return [...rows.values()].map((row) => row[Math.floor((row.length - 1) / 2)]!);
}

/** The worst finding that was not there, or was not as bad. */
export function worstNew(
  verdicts: readonly Verdict[],
  before: ReadonlyMap<string, string>,
): string | null {
  const rank = (s: string) => STATES.findIndex((x) => x === s);
  const worse = verdicts
    .filter((v) => v.state !== 'ok' && rank(v.state) < rank(before.get(v.key) ?? 'ok'))
    .sort((a, b) => rank(a.state) - rank(b.state));
  return worse[0]?.why ?? null;
}
