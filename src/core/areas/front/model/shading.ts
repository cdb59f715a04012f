import { cornerDirections } from './judged';
import type { FrontEdge, Front } from '../place/parts';
import { type Look, nominal } from './looks';
import { smallestOpening, farthestStation, largestFrame } from '../../../pupil/inverse';
import type { Built } from '../../../build/build';
import type { Frame } from '../../../kit/types';
import { framingSqueeze } from '../../../build/circle';
import { situations } from './situations';
import { frameOnChip } from '../../../optics/coverage';

/** What a culprit would have to do, at one setting, to stay within a limit of loss. */
export interface Way {
  edge: FrontEdge;
  /** Smallest clear width or diameter that does it, and its size now; null if none does. */
  opening: { needed: number; now: number } | null;
  /** How far it would have to come back towards the lens, mm; null if that does not do it. */
  back: number | null;
}

export function wayOut(front: Front, look: Look, edge: number, limit: number): Way {
  const { scene, directions } = look;
  const ap = scene.apertures[edge]!;
  const factor = smallestOpening(scene, edge, directions, limit);
  const now =
    ap.kind === 'circle' ? ap.r * 2 : ap.kind === 'rectangle' ? bindingSide(look, edge) : 0;
  const z = farthestStation(scene, edge, directions, limit);
  return {
    edge: front.edges[edge]!,
    opening: factor === null || ap.kind === 'edge' ? null : { needed: now * factor, now },
    back: z === null || z >= ap.z ? null : ap.z - z,
  };
}

/** The side of a rectangle that is in the way: its width or its height, mm. */
export function bindingSide(look: Look, edge: number): number {
  const ap = look.scene.apertures[edge]!;
  if (ap.kind !== 'rectangle') return 0;
  const t = look.directions[look.worst]!;
  const dz = ap.z - look.scene.pupil.z;
  const across = ap.hw - Math.abs(t.tx * dz - ap.cx);
  const up = ap.hh - Math.abs(t.ty * dz - ap.cy);
  return 2 * (across < up ? ap.hw : ap.hh);
}

/** Largest scale of a frame whose corners stay within a loss, over every setting; null if unknown. */
export function cleanScale(built: Built, frame: Frame, limit: number): number | null {
  const s = framingSqueeze(built);
  let least = frame.scale ?? 1;
  for (const sit of situations(built)) {
    const x = nominal(sit);
    if (!x) return null;
    const mode = sit.mode(x);
    least = Math.min(
      least,
      largestFrame(
        sit.scene(x),
        (u) =>
          cornerDirections(sit, x, frameOnChip({ ...frame, scale: Math.max(1e-6, u) }, mode, s)),
        limit,
        least,
      ),
    );
  }
  return least;
}
