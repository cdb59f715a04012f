import type { PlacedDrive } from '../place/drive';
import type { Motor } from '../../../kit/types';
import { valueOf } from '../../../quantity/quantity';
import { torqueAt, torqueAtLens } from '../kit/gears';

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
