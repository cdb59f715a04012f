import type { StandingUse } from '../../../place/fitted';

/**
 * The fitted parts in the order they are placed in: what carries before what it carries, then by
 * id. The order of the list says nothing. What leads in a circle, or to something that is not
 * there, comes last and stands against the camera.
 */
export function fittedInOrder(fitted: readonly StandingUse[]): StandingUse[] {
  const left = [...fitted].sort((a, b) => (a.id < b.id ? -1 : 1));
  const there = new Set(left.map((u) => u.id));
  const out: StandingUse[] = [];
  const placed = new Set<string>();
  for (let before = -1; before !== out.length;) {
    before = out.length;
    for (const u of left)
      if (!placed.has(u.id) && (u.to === undefined || !there.has(u.to) || placed.has(u.to))) {
        out.push(u);
        placed.add(u.id);
      }
  }
  return [...out, ...left.filter((u) => !placed.has(u.id))];
}

/** Uses in an order that does not hang on the list: by id. */
export function byId<T extends { id: string }>(list: readonly T[] | undefined): T[] {
  return [...(list ?? [])].sort((a, b) => (a.id < b.id ? -1 : a.id > b.id ? 1 : 0));
}

/** Whether what a fitted part hangs on ends at the rods. */
export function onRods(fitted: readonly StandingUse[], use: StandingUse): boolean {
  const seen = new Set<string>();
  let at: StandingUse | undefined = use;
  while (at && at.on !== 'rods' && at.to !== undefined && !seen.has(at.id)) {
    seen.add(at.id);
    const up: string = at.to;
    at = fitted.find((u) => u.id === up);
  }
  return at?.on === 'rods';
}
