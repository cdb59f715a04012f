/**
 * What stands ahead of a lens, as light sees it: every opening is a circle, a rectangle or one
 * edge (a flag). Lengths in mm; z grows towards the subject, from any common datum.
 */
export type Aperture = { z: number } & (
  | { kind: 'circle'; cx: number; cy: number; r: number }
  /** Half width and half height; `turn` in radians, counter-clockwise seen from behind. */
  | { kind: 'rectangle'; cx: number; cy: number; hw: number; hh: number; turn: number }
  /** Clear where `nx x + ny y <= d`; (nx, ny) is a unit vector. */
  | { kind: 'edge'; nx: number; ny: number; d: number }
);

/** The entrance pupil: a disc of radius `r` at station `z`. */
export interface Pupil {
  z: number;
  r: number;
}

export const CIRCLE = 0;
export const LINE = 1;

/**
 * Apertures laid flat for one pupil and one object distance. On the pupil plane each is a circle
 * or a half-plane whose place is linear in the ray direction: centre `(a - tx s, b - ty s)`, or
 * `(a, b) . p <= r - (a tx + b ty) s`.
 */
export interface Stack {
  pupil: number;
  n: number;
  kind: Uint8Array;
  a: Float64Array;
  b: Float64Array;
  r: Float64Array;
  s: Float64Array;
  /** Index of the aperture it came from. */
  owner: Uint8Array;
}

/**
 * Lays apertures flat. From an object at distance `L` ahead of the pupil the point `q` of an
 * aperture at `dz` ahead of it is seen at `(q - t dz) / (1 - dz / L)`; at infinity the divisor
 * is 1. Source: similar triangles; handbook chapter on optics, close focus.
 *
 * @param distance from the pupil to the object plane, mm; `Infinity` for parallel rays
 * @param into a stack to lay them into, where one is made thousands of times and used once; it
 *   must have room
 * @returns apertures behind the pupil or beyond the object are left out: they shade nothing
 */
export function stackOf(
  apertures: readonly Aperture[],
  pupil: Pupil,
  distance: number,
  into?: Stack,
): Stack {
  const stack = into ?? emptyStack(shapesOf(apertures));
  stack.pupil = pupil.r;
  stack.n = 0;
  for (let i = 0; i < apertures.length; i++) {
    const ap = apertures[i]!;
    const dz = ap.z - pupil.z;
    const k = 1 - dz / distance;
    if (dz < 0 || k <= 1e-9) continue;
    if (ap.kind === 'circle') push(stack, CIRCLE, ap.cx / k, ap.cy / k, ap.r / k, dz / k, i);
    else if (ap.kind === 'edge') push(stack, LINE, ap.nx, ap.ny, ap.d / k, dz / k, i);
    else {
      const c = Math.cos(ap.turn);
      const s = Math.sin(ap.turn);
      const along = ap.cx * c + ap.cy * s;
      const across = -ap.cx * s + ap.cy * c;
      push(stack, LINE, c, s, (ap.hw + along) / k, dz / k, i);
      push(stack, LINE, -c, -s, (ap.hw - along) / k, dz / k, i);
      push(stack, LINE, -s, c, (ap.hh + across) / k, dz / k, i);
      push(stack, LINE, s, -c, (ap.hh - across) / k, dz / k, i);
    }
  }
  return stack;
}

/** How many circles and half-planes apertures come to. */
function shapesOf(apertures: readonly Aperture[]): number {
  let n = 0;
  for (const a of apertures) n += a.kind === 'rectangle' ? 4 : 1;
  return n;
}

/** A stack with room for `n` circles and half-planes. */
export function emptyStack(n: number): Stack {
  return {
    pupil: 0,
    n: 0,
    kind: new Uint8Array(n),
    a: new Float64Array(n),
    b: new Float64Array(n),
    r: new Float64Array(n),
    s: new Float64Array(n),
    owner: new Uint8Array(n),
  };
}

function push(
  st: Stack,
  kind: number,
  a: number,
  b: number,
  r: number,
  s: number,
  owner: number,
): void {
  const i = st.n++;
  st.kind[i] = kind;
  st.a[i] = a;
  st.b[i] = b;
  st.r[i] = r;
  st.s[i] = s;
  st.owner[i] = owner;
}

/**
 * Room between the beam of one field point and the edge of an aperture, mm in the plane of the
 * aperture. 0 or more: nothing of the beam is touched. A zero or negative half size gives a
 * clearance below zero for every beam.
 */
export function clearance(
  ap: Aperture,
  pupil: Pupil,
  distance: number,
  tx: number,
  ty: number,
): number {
  const dz = ap.z - pupil.z;
  const k = 1 - dz / distance;
  if (dz < 0 || k <= 1e-9) return Infinity;
  const x = tx * dz;
  const y = ty * dz;
  const beam = pupil.r * k;
  if (ap.kind === 'circle') return ap.r - Math.hypot(x - ap.cx, y - ap.cy) - beam;
  if (ap.kind === 'edge') return ap.d - (ap.nx * x + ap.ny * y) - beam;
  const c = Math.cos(ap.turn);
  const s = Math.sin(ap.turn);
  const u = Math.abs((x - ap.cx) * c + (y - ap.cy) * s);
  const v = Math.abs(-(x - ap.cx) * s + (y - ap.cy) * c);
  return Math.min(ap.hw - u, ap.hh - v) - beam;
}
