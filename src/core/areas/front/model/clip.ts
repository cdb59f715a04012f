import {
  isReduction,
  isRing,
  onHand,
  type Part,
  type ReductionRing,
  type Ring,
} from '../../../kit/types';
import { valueOf } from '../../../quantity/quantity';
import { ringChains } from './threads';

/** A way to hold a clip-on box: what is screwed on, and the reduction ring between it and the box. */
export interface ClipWay {
  /** Added to the thread, from the lens outwards; the last one is clamped. Empty: on the lens itself. */
  rings: Ring[];
  reduction: ReductionRing | null;
  toHire: number;
}

/**
 * Every way to close a clip-on opening on a lens: on its front or on a ring on its thread, straight
 * or through one reduction ring. Fewest pieces first, then what is on hand.
 *
 * @param opening back opening of the box, mm
 * @param front outside diameter of the lens front, mm; null when it is not known or already covered
 * @param thread thread that is free ahead, mm; null when there is none
 * @param slack how much wider than what it grips a clamp may be, mm
 * @param enough as many are wanted: what has more pieces is not looked for
 */
export function clipWays(
  opening: number,
  front: number | null,
  thread: number | null,
  kit: readonly Part[],
  slack: number,
  enough = Infinity,
): ClipWay[] {
  const closes = (outer: number | null, inner: number | null) =>
    outer !== null && inner !== null && outer - inner >= 0 && outer - inner <= slack;
  const rings = kit.filter(isRing);
  const through: (ReductionRing | null)[] = [
    null,
    ...kit.filter(isReduction).filter((r) => closes(opening, valueOf(r.outer))),
  ];
  const ways: ClipWay[] = [];
  for (const reduction of through) {
    const bore = reduction ? valueOf(reduction.bore) : opening;
    const hire = reduction && onHand(reduction) < 1 ? 1 : 0;
    if (closes(bore, front)) ways.push({ rings: [], reduction, toHire: hire });
    if (thread !== null && bore !== null)
      for (const chain of ringChains(thread, { clamp: bore, slack }, rings, 3, enough))
        ways.push({ rings: chain.rings, reduction, toHire: hire + chain.toHire });
  }
  const pieces = (w: ClipWay) => w.rings.length + (w.reduction ? 1 : 0);
  return ways.sort((a, b) => pieces(a) - pieces(b) || a.toHire - b.toHire);
}

/** What to look for when there is no way. */
export function clipSpecification(
  opening: number,
  front: number | null,
  thread: number | null,
): string[] {
  return [
    front === null ? null : `reduction ring ${opening} to ${front} mm`,
    thread === null ? null : `clamp ring from a ${thread} thread to ${opening} mm outside`,
  ].filter((s): s is string => s !== null);
}
