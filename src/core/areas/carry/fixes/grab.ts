import { candidate, type Generator } from '../../../checks/candidate';
import { standOf } from '../../../stand/stand';
import { sayLength } from '../../../quantity/say';
import { endsOf, holdOf } from '../model/hold';
import { grabName } from '../model/slides';
import { besideOf, handsOf } from '../model/touch';
import { setCarry } from '../moves/carry';

/** A hand with something in its way: grabbed so far along what is held that it is clear of it. */
export const grabElsewhere: Generator = (built, v) => {
  const hold = v.id === 'carry.touch' ? holdOf(built) : null;
  if (!hold || grabName(hold) === null) return [];
  const stand = standOf(built);
  const now = built.rig.carry?.z ?? 0;
  const [hand] = handsOf(built, hold);
  if (!hand || hand.along !== 2) return [];
  const [from, to] = endsOf(hand.faces, 2).map(stand.value) as [number, number];
  const clear = besideOf(built, hand)
    .filter((b) => b.lo < hand.air)
    // In front of it, or behind it, with what its tolerances can move it by.
    .flatMap(({ solid }) => [
      solid.extent[5] + solid.loose - from,
      solid.extent[2] - solid.loose - to,
    ])
    .map((by) => (by > 0 ? Math.ceil(by) : Math.floor(by)))
    .filter((by) => by !== 0 && Math.abs(now + by) <= hold.reach);
  return [...new Set(clear)].map((by) =>
    candidate(
      setCarry(
        built.rig,
        { z: now + by },
        `Hold it ${sayLength(Math.abs(by), 0)} further ${by > 0 ? 'forward' : 'back'}`,
      ),
      0,
      Math.abs(by) / 1000,
      'grab',
    ),
  );
};
