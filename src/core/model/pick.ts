import type { Vec } from '../solids/solid';
import { dot, type Polyhedron } from './polyhedron';

/**
 * How far along a ray a polyhedron is first met, in lengths of `way`; null where it is missed, or
 * lies behind (slabs of its faces, as for any convex body; T. L. Kay, J. T. Kajiya, 1986).
 */
export function met(p: Polyhedron, from: Vec, way: Vec): number | null {
  let [enter, leave] = [0, Infinity];
  for (const f of p.faces) {
    const out = dot(f.normal, from) - f.d;
    const turn = dot(f.normal, way);
    if (Math.abs(turn) < 1e-12) {
      if (out > 0) return null;
      continue;
    }
    const t = -out / turn;
    if (turn < 0) enter = Math.max(enter, t);
    else leave = Math.min(leave, t);
    if (enter > leave) return null;
  }
  return enter;
}
