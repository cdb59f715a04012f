import type { StandingUse } from './fitted';

/** What stands on the matte box of a rig, and what stands on that. */
export function onTheBox<T extends StandingUse>(fitted: readonly T[]): T[] {
  const on = fitted.filter((u) => u.to === undefined && u.on === 'box');
  for (const u of on) on.push(...fitted.filter((x) => x.to === u.id && !on.includes(x)));
  return on;
}
