import type { FittedUse, Rig } from '../kit/types';

/** What stands on the matte box of a rig, and what stands on that. */
export function onTheBox(rig: Pick<Rig, 'fitted'>): FittedUse[] {
  const fitted = rig.fitted ?? [];
  const on = fitted.filter((u) => u.to === undefined && u.on === 'box');
  for (const u of on) on.push(...fitted.filter((x) => x.to === u.id && !on.includes(x)));
  return on;
}
