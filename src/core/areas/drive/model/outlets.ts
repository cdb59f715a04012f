import type { Built } from '../../../build/build';
import { byId } from '../../space/place/fitted';
import type { PlacedDrive } from '../place/drive';
import { given, type Given } from '../../../build/given';
import { isFitting, type Motor } from '../../../kit/types';
import { valueOf } from '../../../quantity/quantity';
import { torqueAt, torqueAtLens } from '../kit/gears';

/** An outlet of something that is fitted to the rig. */
export interface RigOutlet {
  from: string;
  id: string;
  name: string;
  volts: Given;
  part: string;
}

/** Every outlet on the rig, by id of the fitted part: the order of the list says nothing. */
export function outletsOn({ rig, kit }: Built): RigOutlet[] {
  return byId(rig.fitted).flatMap((u) => {
    const part = kit.get(u.part);
    if (!isFitting(part)) return [];
    return (part.outlets ?? []).map((o) => ({
      from: u.id,
      id: o.id,
      name: `${o.name} of ${part.name}`,
      volts: given(part, 'outlets', o.id, 'volts'),
      part: part.id,
    }));
  });
}

/**
 * Torque at the lens that a motor has at a supply, nominal, N m; null when it does not say.
 *
 * @param efficiency of the mesh, 0 to 1
 */
export function lensTorque(d: PlacedDrive, volts: number, efficiency: number): number | null {
  const rows = tableOf(d.part as Motor);
  const { gear } = d;
  if (rows.length === 0 || !gear?.teeth?.known || !d.teeth.known) return null;
  return torqueAtLens(
    torqueAt(rows, volts),
    gear.teeth.known.value,
    d.teeth.known.value,
    efficiency,
  );
}

function tableOf(m: Motor): { volts: number; torque: number }[] {
  return (m.torques ?? []).flatMap((r) => {
    const torque = valueOf(r.torque);
    return torque === null ? [] : [{ volts: r.volts, torque }];
  });
}
