import type { Built, Shared } from '../build/build';
import { seatingsFor, spotsOfHost, type Seating } from '../areas/joints/model/free';
import { placeName, reseat, seat } from '../areas/joints/moves/seat';
import { CHECKS } from '../areas/checks';
import { runOne } from '../checks/run';
import { STATES, type Verdict } from '../checks/finding';
import type { Edit } from '../edit/edit';
import type { FittedUse, Part } from '../kit/types';
import { at as valueAt } from '../build/lin';
import { standOf } from '../stand/stand';
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
  /** The highest point of the rig with it there, mm above the axis. */
  height: number;
}

/** As many places are tried as can be told apart on a drawing. */
const MOST = 40;

/**
 * Where a part could go: one place of every host that is free for it, each tried on a copy of the
 * rig and ranked: fewest fails first, then what is not known, then what is tight, then the lowest.
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
      ),
    )
    .sort(byTrouble);
}

/** One place, tried on a copy of the rig; none where it leads nowhere. */
export function tried(
  built: Built,
  trials: Trials,
  place: Seating,
  edit: Edit,
  name: string,
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
      height: Math.max(0, ...standOf(after).solids.map((s) => s.extent[4])),
    },
  ];
}

/** Fewest fails first, then what is not known, then what is tight, then the lowest. */
export function byTrouble(a: TriedPlace, b: TriedPlace): number {
  return (
    a.more.fail - b.more.fail ||
    a.more.unknown - b.more.unknown ||
    a.more.tight - b.more.tight ||
    a.height - b.height ||
    (a.name < b.name ? -1 : 1)
  );
}

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
