import type { Edit } from '../../../edit/edit';
import { at, without } from '../../../edit/rig-path';
import { newId } from '../../../engine/ids';
import type { CarrierUse, Part, Rig } from '../../../kit/types';

/** Another carrier in the place of one that is there. */
export function swapCarrier(rig: Rig, id: string, to: Part, name: string): Edit {
  return {
    title: `${to.name} in place of ${name}`,
    changes: [{ path: at(rig, 'carriers', id, 'part'), value: to.id }],
  };
}

/** A carrier under the rig; one of its kind that is there gives way. */
export function putCarrier(rig: Rig, part: Part, sameKind: readonly string[]): Edit {
  const use: CarrierUse = { id: newId('carrier'), part: part.id };
  return {
    title: `Carry it on ${part.name}`,
    changes: [
      ...sameKind.map((id) => without(rig, 'carriers', id)),
      { path: at(rig, 'carriers', use.id), value: use },
    ],
  };
}
