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

/**
 * The entrance pupil at station `z`: a disc of radius `r`, or behind a squeezing front an ellipse of
 * that half height.
 */
export interface Pupil {
  z: number;
  r: number;
  /** Half width over half height; 1 when absent. */
  aspect?: number;
  /**
   * How far it comes forward for a field point 45 degrees off the axis, mm: in wide lenses the iris
   * wanders towards the eye that looks in from the side. In between by `(1 - cos) / (1 - cos 45)`.
   */
  walk?: number;
}

const AT_45 = 1 - Math.SQRT1_2;

/** How far a pupil comes forward for a ray direction, mm. */
export function walkOf(pupil: Pupil, tx: number, ty: number): number {
  if (!pupil.walk) return 0;
  return (pupil.walk * (1 - 1 / Math.sqrt(1 + tx * tx + ty * ty))) / AT_45;
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
  /** Half width of the pupil over its half height. */
  aspect: number;
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
 * @param forward what the pupil has come forward for the field point, mm
 * @returns apertures beyond the object are left out: they shade nothing. One behind the pupil cuts
 *   as well: the rays go on through it.
 */
export function stackOf(
  apertures: readonly Aperture[],
  pupil: Pupil,
  distance: number,
  into?: Stack,
  forward = 0,
): Stack {
  const stack = into ?? emptyStack(shapesOf(apertures));
  stack.pupil = pupil.r;
  stack.aspect = pupil.aspect ?? 1;
  stack.n = 0;
  for (let i = 0; i < apertures.length; i++) {
    const ap = apertures[i]!;
    const dz = ap.z - pupil.z - forward;
    const k = 1 - dz / (distance - forward);
    if (k <= 1e-9) continue;
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
    aspect: 1,
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
  const forward = walkOf(pupil, tx, ty);
  const dz = ap.z - pupil.z - forward;
  const k = 1 - dz / (distance - forward);
  if (k <= 1e-9) return Infinity;
  const x = tx * dz;
  const y = ty * dz;
  const up = pupil.r * k;
  const across = up * (pupil.aspect ?? 1);
  // How far the beam reaches in a direction: the support of an ellipse.
  const reach = (nx: number, ny: number) => Math.hypot(across * nx, up * ny);
  if (ap.kind === 'circle')
    return across === up
      ? ap.r - Math.hypot(x - ap.cx, y - ap.cy) - up
      : ap.r - farthestOfEllipse(x - ap.cx, y - ap.cy, across, up);
  if (ap.kind === 'edge') return ap.d - (ap.nx * x + ap.ny * y) - reach(ap.nx, ap.ny);
  const c = Math.cos(ap.turn);
  const s = Math.sin(ap.turn);
  const u = Math.abs((x - ap.cx) * c + (y - ap.cy) * s);
  const v = Math.abs(-(x - ap.cx) * s + (y - ap.cy) * c);
  return Math.min(ap.hw - u - reach(c, s), ap.hh - v - reach(-s, c));
}

/** The farthest that an ellipse about (x, y) reaches from the origin: tried all round, refined. */
function farthestOfEllipse(x: number, y: number, a: number, b: number): number {
  const at = (t: number) => Math.hypot(x + a * Math.cos(t), y + b * Math.sin(t));
  let best = 0;
  for (let i = 1; i < 32; i++) if (at((i * Math.PI) / 16) > at((best * Math.PI) / 16)) best = i;
  let t = (best * Math.PI) / 16;
  for (let step = Math.PI / 32; step > 1e-6; step /= 2)
    for (const u of [t - step, t + step]) if (at(u) > at(t)) t = u;
  return at(t);
}
