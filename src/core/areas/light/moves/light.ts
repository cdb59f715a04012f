import type { Rig, WheelPlace, LightUse } from '../../../kit/types';
import type { Wheel } from '../model/wheel';
import { type Edit, keyOf } from '../../../edit/edit';
import { at, groupChanges } from '../../../edit/rig-path';

/** Turns a place of a filter wheel in, or puts another filter into the slot it stands for. */
export function turnWheel(rig: Rig, wheel: Wheel, place: WheelPlace): Edit {
  const { owner, use } = wheel;
  return {
    title: `Turn ${place.name} in on ${owner.name}`,
    changes: [
      {
        path: use ? at(rig, 'between', keyOf(use) ?? use.part, 'wheel') : at(rig, 'wheel'),
        value: place.id,
      },
    ],
  };
}

export function setLight(rig: Rig, patch: Partial<LightUse>, title: string): Edit {
  return { title, changes: groupChanges(rig, 'light', rig.light, patch) };
}
