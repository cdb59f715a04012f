import type { Built } from '../../../build/build';
import { given, type Given } from '../../../build/given';
import { isCarrier, type Carrier, type CarrierKind } from '../../../kit/types';

/** What carries the rig, in the order of its parts' ids; only of one kind where one is asked for. */
export function carriersOf(built: Built, kind?: CarrierKind): Carrier[] {
  return (built.rig.carriers ?? [])
    .map((u) => built.kit.get(u.part))
    .filter(isCarrier)
    .filter((c) => kind === undefined || c.kind === kind)
    .sort((a, b) => (a.id < b.id ? -1 : 1));
}

/** What stands on each carrier besides the rig: a head on legs. */
export function above(built: Built, carrier: Carrier): Carrier[] {
  if (carrier.kind !== 'legs' && carrier.kind !== 'monopod') return [];
  return carriersOf(built).filter((c) => c.kind === 'head');
}

/** What a head, a gimbal, legs bear as their maker states it. */
export const bearsOf = (c: Carrier): Given => given(c, 'bears');
