import { plainLength } from '../../../quantity/say';
import type { Rig, Rods, RodUse } from '../../../kit/types';
import { type Edit } from '../../../edit/edit';
import { listChanges } from '../../../edit/list-changes';
import { newId } from '../../../engine/ids';
import { at, without } from '../../../edit/rig-path';
import { withoutLinks } from '../../../edit/write-signals';

/** Puts a pair of rods in: in place of those of the same place, those through both clamps first. */
export function putRods(rig: Rig, rods: Rods, place: RodUse['place'] = 'through'): Edit {
  const rest = (rig.rods ?? []).filter((r) =>
    place === 'through' ? false : r.place !== place && r.place !== 'through',
  );
  const gone = (rig.rods ?? []).filter((r) => !rest.includes(r));
  const use: RodUse = {
    id: newId(place === 'through' ? 'rods' : place),
    part: rods.id,
    place,
  };
  const where = place === 'through' ? '' : place === 'front' ? ' ahead' : ' behind';
  return {
    title: `Put ${rods.name} in${where}`,
    changes: [
      ...listChanges(at(rig, 'rods'), rig.rods, [...rest, use]),
      ...withoutLinks(rig, 'rods', new Set(gone.map((r) => r.id))),
    ],
  };
}

/** Puts other rods in the place of a pair. */
export function swapRods(rig: Rig, id: string, rods: Rods): Edit {
  return {
    title: `Use ${rods.name} instead`,
    changes: [
      { path: at(rig, 'rods', id, 'part'), value: rods.id },
      // Another pair finds its place anew.
      { path: at(rig, 'rods', id, 'tip'), value: undefined },
    ],
  };
}

export function takeRods(rig: Rig, id: string, name: string): Edit {
  return {
    title: `Take ${name} out`,
    changes: [without(rig, 'rods', id), ...withoutLinks(rig, 'rods', new Set([id]))],
  };
}

/** Slides rods in their clamps; undefined lets them find their place again. */
export function setRodTip(rig: Rig, id: string, tip: number | undefined, name: string): Edit {
  return {
    title:
      tip === undefined ? `Let ${name} find their place` : `Slide ${name} to ${plainLength(tip)}`,
    changes: [{ path: at(rig, 'rods', id, 'tip'), value: tip }],
    group: `rods ${rig.id} ${id}`,
  };
}
