import type { Rig, LensSupport, SupportUse } from '../../../kit/types';
import type { Edit } from '../../../edit/edit';
import { at, without } from '../../../edit/rig-path';
import { newId } from '../../../engine/ids';

/** Ties the lens's own foot to plate, cage or rods, or unties it. */
export function tieLensFoot(rig: Rig, tied: boolean, name: string): Edit {
  return {
    title: tied ? `Tie the foot of ${name}` : `Untie the foot of ${name}`,
    changes: [{ path: at(rig, 'footTied'), value: tied ? true : undefined }],
  };
}

export function putSupport(rig: Rig, support: LensSupport): Edit {
  const use: SupportUse = { id: newId('support'), part: support.id };
  return {
    title: `Put ${support.name} under the lens`,
    changes: [{ path: at(rig, 'supports', use.id), value: use }],
  };
}

export function setSupport(
  rig: Rig,
  id: string,
  to: Partial<Pick<SupportUse, 'station' | 'post' | 'part' | 'on'>>,
  title: string,
): Edit {
  return {
    title,
    changes: Object.entries(to).map(([k, value]) => ({
      path: at(rig, 'supports', id, k),
      value,
    })),
    group: `support ${rig.id} ${id} ${Object.keys(to).join()}`,
  };
}

export function takeSupport(rig: Rig, id: string, name: string): Edit {
  return {
    title: `Take ${name} away`,
    changes: [without(rig, 'supports', id)],
  };
}
