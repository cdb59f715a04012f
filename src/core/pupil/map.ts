import {
  CIRCLE,
  emptyStack,
  stackOf,
  walkOf,
  type Aperture,
  type Pupil,
  type Stack,
} from './aperture';
import { chiefRay, fraction } from './region';

/** Everything a beam has to pass, for one setting of the lens. */
export interface Scene {
  pupil: Pupil;
  apertures: readonly Aperture[];
  /** From the pupil to the object plane, mm; `Infinity` for parallel rays. */
  distance: number;
}

/** Loss beyond which nothing is seen any more: said as a hard cut, and finite for arithmetic. */
export const BLACK = 10;

/** Light lost, in stops, for a share of the pupil that is left; at most {@link BLACK}. */
export function lossOf(share: number): number {
  return share >= 1 ? 0 : share <= 2 ** -BLACK ? BLACK : -Math.log2(share);
}

/** What one field point sees. */
export interface Seen {
  /** Share of the pupil left, 0 to 1. */
  fraction: number;
  /** Mechanical loss, stops. */
  loss: number;
  /** The chief ray, or the whole pupil, is blocked: stopping down does not help. */
  hard: boolean;
  /** Index of the aperture that takes most; null when none takes anything. */
  culprit: number | null;
}

/** The scene laid flat for the middle of the field, where the pupil stands at its own station. */
export function sceneStack(scene: Scene): Stack {
  return stackOf(scene.apertures, scene.pupil, scene.distance);
}

/**
 * Stacks of a scene by ray direction: one and the same while the pupil does not wander, else one
 * for each.
 */
export function stacks(scene: Scene): (tx: number, ty: number) => Stack {
  if (!scene.pupil.walk) {
    const st = sceneStack(scene);
    return () => st;
  }
  return (tx, ty) =>
    stackOf(scene.apertures, scene.pupil, scene.distance, undefined, walkOf(scene.pupil, tx, ty));
}

/**
 * What the field point in direction (tx, ty) sees.
 *
 * @param tx tangent of the ray direction to the right, `x s / f`; ty up, `y / f`
 */
export function seen(st: Stack, tx: number, ty: number): Seen {
  const share = fraction(st, tx, ty);
  if (share >= 1) return { fraction: 1, loss: 0, hard: false, culprit: null };
  return {
    fraction: share,
    loss: lossOf(share),
    hard: share <= 0 || !chiefRay(st, tx, ty),
    culprit: culpritAt(st, tx, ty),
  };
}

/**
 * The aperture that takes most: the one that alone leaves the least of the pupil. When several
 * leave nothing, the one whose edge lies farthest beyond the beam.
 */
export function culpritAt(st: Stack, tx: number, ty: number): number | null {
  const R = st.pupil * Math.max(1, st.aspect);
  let best: number | null = null;
  let least = 1;
  let deepest = Infinity;
  let last = -1;
  for (let i = 0; i < st.n; i++) {
    const o = st.owner[i]!;
    // Room of this edge on the pupil plane: R and more leaves the pupil whole.
    const room =
      st.kind[i] === CIRCLE
        ? st.r[i]! - Math.hypot(st.a[i]! - tx * st.s[i]!, st.b[i]! - ty * st.s[i]!)
        : st.r[i]! - (st.a[i]! * tx + st.b[i]! * ty) * st.s[i]!;
    if (room >= R) continue;
    const alone = o === last ? null : fraction(st, tx, ty, o);
    last = o;
    if (alone !== null && alone < least - 1e-12) {
      least = alone;
      best = o;
      deepest = room;
    } else if (room < deepest && (o === best || (alone !== null && alone <= least + 1e-12))) {
      deepest = room;
      best = o;
    }
  }
  return best;
}

/** A rectangle of field points, by their directions. */
export interface Field {
  nx: number;
  ny: number;
  /** Direction of the left-most and right-most column, of the lowest and highest row. */
  left: number;
  right: number;
  bottom: number;
  top: number;
}

/** Shading over a field: row 0 is the lowest, column 0 the left-most. */
export interface ShadingMap {
  nx: number;
  ny: number;
  /** Share of the pupil left at each point. */
  fraction: Float64Array;
  /** Chief ray or whole pupil blocked. */
  hard: Uint8Array;
  /** Index of the aperture that takes most, -1 where none takes anything; absent unless asked for. */
  culprit: Int16Array | null;
}

/**
 * The stack without the shapes that contain the whole pupil over the whole of a field, or of one
 * row of it. What each needs
 * is convex in the ray direction (a distance, a linear form), so its corners decide.
 */
function within(st: Stack, field: Field): Stack {
  const kept = emptyStack(st.n);
  kept.pupil = st.pupil;
  kept.aspect = st.aspect;
  const R = st.pupil * Math.max(1, st.aspect);
  for (let i = 0; i < st.n; i++) {
    let room = Infinity;
    for (const tx of [field.left, field.right])
      for (const ty of [field.bottom, field.top]) {
        const x = st.a[i]! - tx * st.s[i]!;
        const y = st.b[i]! - ty * st.s[i]!;
        room = Math.min(
          room,
          st.kind[i] === CIRCLE
            ? st.r[i]! - Math.hypot(x, y)
            : st.r[i]! - (st.a[i]! * tx + st.b[i]! * ty) * st.s[i]!,
        );
      }
    if (room >= R) continue;
    const k = kept.n++;
    kept.kind[k] = st.kind[i]!;
    kept.a[k] = st.a[i]!;
    kept.b[k] = st.b[i]!;
    kept.r[k] = st.r[i]!;
    kept.s[k] = st.s[i]!;
    kept.owner[k] = st.owner[i]!;
  }
  return kept;
}

/** Shading at every point of a field, of any size. */
export function shadingMap(
  scene: Scene,
  field: Field,
  options: { culprits?: boolean; cull?: boolean } = {},
): ShadingMap {
  const { nx, ny } = field;
  const still = scene.pupil.walk
    ? null
    : options.cull === false
      ? sceneStack(scene)
      : within(sceneStack(scene), field);
  const wandering = stacks(scene);
  const map: ShadingMap = {
    nx,
    ny,
    fraction: new Float64Array(nx * ny),
    hard: new Uint8Array(nx * ny),
    culprit: options.culprits ? new Int16Array(nx * ny).fill(-1) : null,
  };
  const cull = options.cull ?? true;
  for (let j = 0; j < ny; j++) {
    const ty = at(field.bottom, field.top, j, ny);
    const row = still && cull ? within(still, { ...field, bottom: ty, top: ty }) : still;
    if (row && cull && row.n === 0) {
      // Nothing reaches into this row.
      map.fraction.fill(1, j * nx, (j + 1) * nx);
      continue;
    }
    for (let i = 0; i < nx; i++) {
      const tx = at(field.left, field.right, i, nx);
      const st = row ?? wandering(tx, ty);
      const share = fraction(st, tx, ty, -1, cull);
      const k = j * nx + i;
      map.fraction[k] = share;
      if (share >= 1) continue;
      map.hard[k] = share <= 0 || !chiefRay(st, tx, ty) ? 1 : 0;
      if (map.culprit) map.culprit[k] = culpritAt(st, tx, ty) ?? -1;
    }
  }
  return map;
}

function at(from: number, to: number, i: number, n: number): number {
  return n < 2 ? (from + to) / 2 : from + ((to - from) * i) / (n - 1);
}
