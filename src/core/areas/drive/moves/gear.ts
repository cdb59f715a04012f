import type { Rig, GearRing, DriveUse } from '../../../kit/types';
import { type Edit } from '../../../edit/edit';
import { listChanges } from '../../../edit/list-changes';
import { at } from '../../../edit/rig-path';

/** Closes a gear ring on a ring of the lens, in place of the one there. */
export function putGear(rig: Rig, gear: GearRing, turns: DriveUse['turns']): Edit {
  const rest = (rig.gears ?? []).filter((g) => g.turns !== turns);
  return {
    title: `Close ${gear.name} on the ${turns} ring`,
    changes: listChanges(at(rig, 'gears'), rig.gears, [...rest, { part: gear.id, turns }]),
  };
}

export function takeGear(rig: Rig, turns: DriveUse['turns'], name: string): Edit {
  return {
    title: `Take ${name} off`,
    changes: listChanges(
      at(rig, 'gears'),
      rig.gears,
      (rig.gears ?? []).filter((g) => g.turns !== turns),
    ),
  };
}
