import type { Look } from './looks';
import { walkOf } from '../../../pupil/aperture';
import type { Scene } from '../../../pupil/map';

/** One ray of the cone of a corner, as far as it gets. */
export interface Ray {
  /** From the pupil, and where it is stopped or leaves the drawing; x, y, z in mm. */
  from: readonly [number, number, number];
  to: readonly [number, number, number];
  /** Index of the edge that stops it; null when it gets out. */
  stopped: number | null;
}

/**
 * The extreme rays of a corner's cone: from the edge of the pupil that is nearest to the axis, its
 * middle, and its far edge, in the plane through the axis and the corner.
 *
 * @param until station at which rays that get out end
 */
export function coneOf(look: Look, corner: number, until: number): Ray[] {
  const { scene } = look;
  const { pupil, apertures, distance } = scene;
  const t = look.directions[corner]!;
  const size = Math.hypot(t.tx, t.ty) || 1;
  const z0 = pupil.z + walkOf(pupil, t.tx, t.ty);
  const order = apertures.map((a, i) => ({ a, i })).sort((p, q) => p.a.z - q.a.z);
  return [-1, 0, 1].map((side) => {
    const px = (side * pupil.r * (pupil.aspect ?? 1) * t.tx) / size;
    const py = (side * pupil.r * t.ty) / size;
    const at = (z: number): readonly [number, number, number] => {
      const dz = z - z0;
      const k = 1 - dz / distance;
      return [px * k + t.tx * dz, py * k + t.ty * dz, z];
    };
    for (const { a, i } of order) {
      const [qx, qy] = at(a.z);
      if (!inside(a, qx, qy)) return { from: at(z0), to: at(Math.max(z0, a.z)), stopped: i };
    }
    return { from: at(z0), to: at(until), stopped: null };
  });
}

function inside(a: Scene['apertures'][number], x: number, y: number): boolean {
  if (a.kind === 'circle') return Math.hypot(x - a.cx, y - a.cy) <= a.r;
  if (a.kind === 'edge') return a.nx * x + a.ny * y <= a.d;
  const c = Math.cos(a.turn);
  const s = Math.sin(a.turn);
  return (
    Math.abs((x - a.cx) * c + (y - a.cy) * s) <= a.hw &&
    Math.abs(-(x - a.cx) * s + (y - a.cy) * c) <= a.hh
  );
}
