import { isGearRing, onHand, type GearRing } from '../../../kit/types';
import { valueOf } from '../../../quantity/quantity';
import { exact } from '../../../quantity/say';
import { MODULE, ringRoom } from '../kit/gears';

/** Slack of a seamless ring on its barrel that shims take up, mm. Common practice, no source. */
export const SLACK = 0.5;

/** Gear rings of a kit that close on a barrel, seamless ones first. */
export function ringsThatFit(kit: Iterable<{ kind: string }>, barrel: number | null): GearRing[] {
  if (barrel === null) return [];
  const order = { seamless: 0, split: 1, strap: 2 };
  const list: GearRing[] = [];
  for (const p of kit) {
    const ring = p as GearRing;
    if (!isGearRing(ring) || ring.style === undefined) continue;
    const bore = valueOf(ring.bore);
    const from = valueOf(ring.from);
    const to = valueOf(ring.to);
    const room =
      ring.style === 'seamless'
        ? bore === null
          ? -1
          : ringRoom({ style: 'seamless', bore }, barrel, SLACK)
        : from === null || to === null
          ? -1
          : ringRoom({ style: ring.style, from, to }, barrel, SLACK);
    if (room >= 0) list.push(ring);
  }
  return list.sort((a, b) => order[a.style!] - order[b.style!] || onHand(b) - onHand(a));
}

/** The ring to look for: `seamless gear ring, bore 67.5 to 68.0, 0.8 module`. */
export function specification(barrel: number): string {
  return `seamless gear ring, bore ${exact(barrel, 1)} to ${exact(barrel + SLACK, 1)}, ${MODULE} module`;
}
