import type { Built } from '../../../build/build';
import type { Stand } from '../../../stand/stand';
import type { Clamped, PlacedRods } from '../../../place/setting';
import { isRods, onHand, type Rods } from '../../../kit/types';
import { valueOf } from '../../../quantity/quantity';
import { shortestStock, type StockRod } from './lengths';

/** The pair that goes that way: the one that was named so, else the one through both clamps. */
export function pairFor(stand: Stand, way: 'ahead' | 'behind'): PlacedRods | null {
  const place = way === 'ahead' ? 'front' : 'rear';
  return (
    stand.rods.find((r) => r.use.place === place) ??
    stand.rods.find((r) => r.use.place === 'through') ??
    null
  );
}

/** What is clamped farthest from the plate that way; null when nothing is. */
export function farthestClamp(stand: Stand, way: 'ahead' | 'behind'): Clamped | null {
  const edge = stand.plate
    ? stand.value(way === 'ahead' ? stand.plate.to : stand.plate.from)
    : stand.value(stand.face);
  let found: Clamped | null = null;
  let most = -Infinity;
  for (const c of stand.clamped) {
    if (c.on !== undefined) continue;
    const by = way === 'ahead' ? stand.value(c.to) - edge : edge - stand.value(c.from);
    if (by > 0 && by > most) {
      most = by;
      found = c;
    }
  }
  return found;
}

/** The rods of a kit, picked out once. */
function rodsOfKit(kit: Built['kit']): readonly Rods[] {
  let list = rodsIn.get(kit);
  if (!list) rodsIn.set(kit, (list = [...kit.values()].filter(isRods)));
  return list;
}

const rodsIn = new WeakMap<Built['kit'], readonly Rods[]>();

/** The length a pair would need as it is held now, and the shortest sold and in the kit that has it. */
export function rodsNeeded(
  built: Built,
  stand: Stand,
  rods: PlacedRods | null,
  c: Clamped,
  way: 'ahead' | 'behind',
): { length: number; stock: StockRod | null; kit: string | null } {
  const held = rods
    ? stand.value(way === 'ahead' ? rods.from : rods.to)
    : stand.value(stand.plate ? stand.plate.from : stand.face);
  const length = way === 'ahead' ? stand.value(c.to) - held : held - stand.value(c.from);
  const system = stand.plate?.plate.rods ?? rods?.rods.rods;
  const kit = rodsOfKit(built.kit)
    .filter((p) => p.rods === system && (valueOf(p.length) ?? 0) >= length - 1e-9)
    .sort(
      (a, b) => (valueOf(a.length) ?? 0) - (valueOf(b.length) ?? 0) || onHand(b) - onHand(a),
    )[0];
  return { length, stock: shortestStock(length), kit: kit?.name ?? null };
}
