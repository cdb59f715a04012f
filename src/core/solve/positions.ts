import type { Built, Shared } from '../build/build';
import { CHECKS } from '../areas/checks';
import { namedSeats } from '../areas/joints/model/seats';
import { toPosition } from '../areas/joints/moves/seat';
import { runOne } from '../checks/run';
import { worstNew } from './places';
import { countOf, total, Trials, type Counts } from './trial';

/** A position of a joint that is kept by name, tried. */
export interface TriedPosition {
  /** The use, and the position of it. */
  use: string;
  position: string;
  name: string;
  /** The part stands there now. */
  here: boolean;
  /** How many more findings there are than as it stands now, by state; below 0 fewer. */
  more: Counts;
  /** The worst of what it brings, in a sentence; null when it brings nothing. */
  worst: string | null;
}

/**
 * Every named position of every joint, each tried by itself on a copy of the rig, everything else
 * as it stands: what cannot be shut, what folds into something.
 */
export function positionsOf(built: Built, base: Shared): TriedPosition[] {
  const trials = new Trials(built, base);
  const before = new Map(
    [...trials.said.values()].flatMap((s) => s.verdicts).map((v) => [v.key, v.state]),
  );
  return namedSeats(built).flatMap((s) =>
    (s.use.positions ?? []).flatMap((p): TriedPosition[] => {
      const after = trials.after(toPosition(built.rig, s.use, p, s.part.name).changes);
      if (!after) return [];
      const verdicts = CHECKS.map((c) => runOne(after, c));
      const now = total(verdicts.map(countOf));
      return [
        {
          use: s.use.id,
          position: p.id,
          name: p.name,
          here: (s.use.slide ?? 0) === (p.slide ?? 0) && (s.use.turn ?? 0) === (p.turn ?? 0),
          more: {
            fail: now.fail - trials.count.fail,
            unknown: now.unknown - trials.count.unknown,
            tight: now.tight - trials.count.tight,
          },
          worst: worstNew(verdicts.flat(), before),
        },
      ];
    }),
  );
}
