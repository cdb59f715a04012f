import type { Vec } from '../solids/solid';
import type { Face, Polyhedron } from './polyhedron';
import { along, dot, minus } from './polyhedron';

/** A point this far outside a plane still lies in it, mm. */
const IN_PLANE = 1e-6;

/**
 * The skin of what two convex polyhedra share: the faces of each, cut by the other (I. E. Sutherland,
 * G. W. Hodgman, 1974). Empty where they share nothing.
 */
export function shared(a: Polyhedron, b: Polyhedron): Vec[][] {
  if (parted(a.faces, b) || parted(b.faces, a)) return [];
  return [...inside(a, b), ...inside(b, a)];
}

const inside = (of: Polyhedron, by: Polyhedron): Vec[][] =>
  of.faces.flatMap((f) => {
    const cut = clipped(
      f.corners.map((c) => of.points[c]!),
      by.faces,
    );
    return cut.length < 3 ? [] : [cut];
  });

/** Some face of one has all of the other in front of it. */
const parted = (faces: readonly Face[], p: Polyhedron) =>
  faces.some((f) => p.points.every((q) => dot(f.normal, q) - f.d > -IN_PLANE));

/** What of a flat piece lies behind all of the faces. */
export function clipped(
  piece: readonly Vec[],
  faces: readonly Pick<Face, 'normal' | 'd'>[],
): Vec[] {
  let out: Vec[] = [...piece];
  for (const f of faces) {
    if (out.length === 0) return out;
    const high = out.map((p) => dot(f.normal, p) - f.d);
    if (high.every((h) => h <= IN_PLANE)) continue;
    const next: Vec[] = [];
    out.forEach((p, i) => {
      const j = (i + 1) % out.length;
      const [h, k] = [high[i]!, high[j]!];
      if (h <= IN_PLANE) next.push(p);
      if (h <= IN_PLANE !== k <= IN_PLANE) next.push(along(p, minus(out[j]!, p), h / (h - k)));
    });
    out = next;
  }
  return out;
}
