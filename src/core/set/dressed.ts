import type { Built } from '../build/build';
import { outlinesOf, type Outlined } from '../drawing/elevation';
import type { Rig } from '../kit/types';
import type { PieceSort } from '../place/piece';

/** What travels with a lens from rig to rig, beside the lens. */
const WITH = new Set<PieceSort>(['gear', 'thread', 'box']);

/** A lens as it goes on the rig: with its gear rings and all that stands in front of it. */
export interface DressedLens {
  /** From the side, farthest first, in the frame of the rig, mm. */
  outlines: readonly Outlined[];
  /** Left, right, low and high end, mm; null where nothing is drawn. */
  bounds: { u0: number; u1: number; v0: number; v1: number } | null;
  /** What it is dressed with, by name, from the lens outwards. */
  dressed: readonly string[];
}

/**
 * The lens of a rig with what it is dressed with.
 *
 * @param built the rig with the lens on it, as it would be put on
 */
export function dressedLens(built: Built): DressedLens {
  const outlines = outlinesOf(built, 'side', ({ is }) => is === 'lens' || WITH.has(is));
  const points = outlines.flatMap((o) => o.points);
  const [us, vs] = [points.map((p) => p[0]), points.map((p) => p[1])];
  return {
    outlines,
    bounds:
      points.length === 0
        ? null
        : {
            u0: Math.min(...us),
            u1: Math.max(...us),
            v0: Math.min(...vs),
            v1: Math.max(...vs),
          },
    dressed: dressing(built.rig).flatMap((id) => built.kit.get(id)?.name ?? []),
  };
}

/** Parts that dress the lens of a rig, by id: rings of gears, then from the rim outwards; a sleeve closes between rim and box. */
function dressing({ gears, thread, box }: Rig): string[] {
  return [
    ...(gears ?? []).map((g) => g.part),
    ...(thread ?? []).map((t) => t.part),
    ...(box
      ? [
          box.ring,
          box.sleeve,
          box.part,
          ...(box.trays ?? []).flatMap((t) => (t.out ? [] : t.filter)),
        ]
      : []),
  ].filter((id) => id !== undefined);
}
