import type { Edit } from '../../../edit/edit';
import { at, groupChanges } from '../../../edit/rig-path';
import type { CarryUse, Rig } from '../../../kit/types';
import { sayLength } from '../../../quantity/say';
import { HOLDS } from '../model/hold';
import { slideChanges, type Slid } from '../model/slides';

/** Sets how the rig is carried, field by field; undefined takes one away. */
export function setCarry(rig: Rig, patch: Partial<CarryUse>, title: string): Edit {
  return {
    title,
    changes: groupChanges(rig, 'carry', rig.carry, patch),
    group: `carry ${rig.id} ${Object.keys(patch).join()}`,
  };
}

/** How the rig is held; the place goes with the hold it was of. */
export function holdBy(rig: Rig, by: CarryUse['by']): Edit {
  return setCarry(
    rig,
    { by, ...(by === rig.carry?.by ? {} : { x: undefined, z: undefined }) },
    by === undefined
      ? 'Nobody says how it is held'
      : by === 'table'
        ? 'Set down'
        : `Held ${HOLDS[by].name}`,
  );
}

/** Slides things along the lens, each by so many mm. */
export function slide(rig: Rig, slid: readonly Slid[]): Edit {
  return {
    title: slid
      .map(({ slider, by }, i) => {
        const far = `${sayLength(Math.abs(by), 0)} ${by < 0 ? 'back' : 'forward'}`;
        const verb = slider.grab ? 'move' : 'slide';
        return `${i === 0 ? verb[0]!.toUpperCase() + verb.slice(1) : verb} ${slider.name} ${far}`;
      })
      .join(' and '),
    changes: slideChanges(slid).map((c) => ({ ...c, path: at(rig, ...c.path) })),
    group: `slide ${rig.id} ${slid.map((s) => s.slider.id).join()}`,
  };
}
