import type { Face } from '../../../engine/part';
import { given } from '../../../build/given';
import { lin, minus, of, plus, times, ZERO, type Lin } from '../../../build/lin';
import type { Part } from '../../../kit/types';
import type { Faces, Piece, Pose } from '../../../place/setting';
import { UPRIGHT, type Axes, type Vec } from '../../../solids/solid';
import { RODS } from '../kit/interfaces';
import type { Interface } from '../kit/parts';

/** Where interfaces stand: points as sums of given numbers, directions as exact vectors. */

export type Point = readonly [Lin, Lin, Lin];

/** An interface where it stands in the frame of reference. */
export interface Spot {
  /** Middle of it, or of the first hole that is taken. */
  at: Point;
  /** Out of its part. */
  out: Vec;
  /** Along its row, or what slides on it. */
  along: Vec;
}

/** Outward direction of a face of an upright part. */
export const OUT: Readonly<Record<Face, Vec>> = {
  left: [-1, 0, 0],
  right: [1, 0, 0],
  bottom: [0, -1, 0],
  top: [0, 1, 0],
  rear: [0, 0, -1],
  front: [0, 0, 1],
};

const AXIS: Readonly<Record<'x' | 'y' | 'z', Vec>> = {
  x: [1, 0, 0],
  y: [0, 1, 0],
  z: [0, 0, 1],
};

const KEYS = ['x', 'y', 'z'] as const;

/** The pose of an upright block between six faces. */
export function poseOfFaces(f: Faces): Pose {
  const mid = (a: Lin, b: Lin) => times(plus(a, b), 0.5);
  const half = (a: Lin, b: Lin) => times(minus(b, a), 0.5);
  return {
    middle: [mid(f.x0, f.x1), mid(f.y0, f.y1), mid(f.z0, f.z1)],
    half: [half(f.x0, f.x1), half(f.y0, f.y1), half(f.z0, f.z1)],
    axes: UPRIGHT,
  };
}

/** Where a piece stands; null for what has neither faces nor a pose. */
export function poseOf(piece: Piece): Pose | null {
  if (piece.pose) return piece.pose;
  if (!piece.faces) return null;
  let own = poses.get(piece.faces);
  if (!own) poses.set(piece.faces, (own = poseOfFaces(piece.faces)));
  return own;
}

/** Faces are never changed once they are made. */
const poses = new WeakMap<Faces, Pose>();

/** The six faces that hold a turned block: exact sums, as its axes are exact. */
export function facesOf(pose: Pose): Faces {
  let own = faces.get(pose);
  if (!own) faces.set(pose, (own = facesAround(pose)));
  return own;
}

/** Nor are poses. */
const faces = new WeakMap<Pose, Faces>();

function facesAround({ middle, half, axes }: Pose): Faces {
  const reach = (k: 0 | 1 | 2) =>
    plus(...half.map((h, i) => times(h, Math.abs(clean(axes[i as 0 | 1 | 2][k])))));
  const [x, y, z] = [reach(0), reach(1), reach(2)];
  return {
    x0: minus(middle[0], x),
    x1: plus(middle[0], x),
    y0: minus(middle[1], y),
    y1: plus(middle[1], y),
    z0: minus(middle[2], z),
    z1: plus(middle[2], z),
  };
}

/** Whether a block is turned by quarter turns only: then its faces are the block itself. */
export function isSquare(axes: Axes): boolean {
  return axes.every((a) => a.every((v) => Math.abs(v) < 1e-9 || Math.abs(Math.abs(v) - 1) < 1e-9));
}

const clean = (v: number) =>
  Math.abs(v) < 1e-12 ? 0 : Math.abs(Math.abs(v) - 1) < 1e-12 ? Math.sign(v) : v;

/** The face an interface is on; what does not say is on top of a host and below a guest. */
export function faceOfInterface(i: Interface): Face {
  return i.face ?? (i.side === 'guest' ? 'bottom' : 'top');
}

/** Direction of the row or slide of an interface in the axes of its part. */
export function alongOf(i: Interface): Vec {
  const out = OUT[faceOfInterface(i)];
  const usual: Vec = out[2] === 0 ? AXIS.z : AXIS.x;
  const said = i.along === undefined ? usual : AXIS[i.along];
  // A row cannot run out of its own face.
  return dot(said, out) === 0 ? said : usual;
}

/** Outward direction of an interface in the axes of its part. */
export function outOf(i: Interface): Vec {
  return OUT[faceOfInterface(i)];
}

/** How far an interface is off the middle of its face; on it, however the face stands out. */
function offset(part: Part, i: Interface, k: 0 | 1 | 2): Lin {
  return outOf(i)[k] === 0 && part.kind !== 'rod'
    ? of(given(part, 'interfaces', i.id, KEYS[k]))
    : ZERO;
}

/** Middle of the bore of a clamp of rods, in from its face. */
const bore = (part: Part, i: Interface): Lin => of(given(part, 'interfaces', i.id, 'inside'));

/** What makes a point unknown while nobody said how deep the bore is that a rod stands in. */
export function boreless(part: Part, i: Interface): Lin {
  return i.inside === undefined || !RODS.includes(i.type ?? '') ? bore(part, i) : ZERO;
}

/** What makes a point unknown while nobody said on which face it is. */
function faceless(part: Part, i: Interface): Lin {
  return i.face === undefined && part.kind !== 'rod'
    ? of(given(part, 'interfaces', i.id, 'face'))
    : ZERO;
}

/**
 * An interface in the axes of its part, from the middle of the block.
 *
 * @param half half the size of the block
 * @param first of a row the first hole that is taken, @param held how many are, @param step how many
 *   holes lie from one taken to the next
 * @param slide mm along what it slides on
 */
function local(
  part: Part,
  i: Interface,
  half: readonly [Lin, Lin, Lin],
  { first = 0, held = i.count ?? 1, step = 1, slide = 0 }: RowAt = {},
): Point {
  const out = outOf(i);
  const along = alongOf(i);
  const count = i.count ?? 1;
  const steps = first + ((held - 1) * step) / 2 - (count - 1) / 2;
  const row = steps === 0 || count === 1 ? ZERO : of(given(part, 'interfaces', i.id, 'spacing'));
  // A rod is taken about its middle line, a clamp of rods about its bore.
  const deep = i.inside === undefined || !RODS.includes(i.type ?? '') ? ZERO : bore(part, i);
  const face = (k: number) => (part.kind === 'rod' ? ZERO : minus(half[k]!, deep));
  return [0, 1, 2].map((k) =>
    plus(
      out[k]! === 0 ? ZERO : times(face(k), out[k]!),
      offset(part, i, k as 0 | 1 | 2),
      k === 0 ? faceless(part, i) : ZERO,
      along[k]! === 0 ? ZERO : times(row, along[k]! * steps),
      along[k]! === 0 || slide === 0 ? ZERO : lin(along[k]! * slide),
    ),
  ) as unknown as Point;
}

/** Which holes of a row are meant, and where along a slide. */
export interface RowAt {
  first?: number;
  held?: number;
  step?: number;
  slide?: number;
}

/** A direction of a part as its axes stand. */
export function turnedBy(axes: Axes, v: Vec): Vec {
  return [0, 1, 2].map((k) =>
    clean(axes[0][k]! * v[0] + axes[1][k]! * v[1] + axes[2][k]! * v[2]),
  ) as unknown as Vec;
}

function rotated(axes: Axes, p: Point): Point {
  return [0, 1, 2].map((k) =>
    plus(...p.map((l, i) => (clean(axes[i]![k]!) === 0 ? ZERO : times(l, clean(axes[i]![k]!))))),
  ) as unknown as Point;
}

const add = (a: Point, b: Point, sign = 1): Point =>
  a.map((l, k) => (sign > 0 ? plus(l, b[k]!) : minus(l, b[k]!))) as unknown as Point;

/** An interface of a piece that stands. */
export function spotOf(pose: Pose, part: Part, i: Interface, row?: RowAt): Spot {
  return {
    at: add(pose.middle, rotated(pose.axes, local(part, i, pose.half, row))),
    out: turnedBy(pose.axes, outOf(i)),
    along: turnedBy(pose.axes, alongOf(i)),
  };
}

export const dot = (a: Vec, b: Vec) => a[0] * b[0] + a[1] * b[1] + a[2] * b[2];

export const cross = (a: Vec, b: Vec): Vec => [
  a[1] * b[2] - a[2] * b[1],
  a[2] * b[0] - a[0] * b[2],
  a[0] * b[1] - a[1] * b[0],
];

/** Rotation about a unit vector by an angle (Rodrigues' formula), as axes of what it turns. */
export function about(u: Vec, degrees: number): Axes {
  const t = (degrees * Math.PI) / 180;
  const quarter = Math.round(degrees / 90);
  const [c, s] =
    degrees === quarter * 90
      ? [[1, 0, -1, 0][mod(quarter, 4)]!, [0, 1, 0, -1][mod(quarter, 4)]!]
      : [Math.cos(t), Math.sin(t)];
  const image = (v: Vec): Vec => {
    const w = cross(u, v);
    const d = dot(u, v);
    return [0, 1, 2].map((k) =>
      clean(v[k]! * c + w[k]! * s + u[k]! * d * (1 - c)),
    ) as unknown as Vec;
  };
  return [image([1, 0, 0]), image([0, 1, 0]), image([0, 0, 1])];
}

const mod = (a: number, b: number) => ((a % b) + b) % b;

/** One rotation after another. */
export function then(first: Axes, second: Axes): Axes {
  return first.map((v) => turnedBy(second, v)) as unknown as Axes;
}

/**
 * How a part has to be turned so that one of its faces looks the other way of where it is put, by
 * the smallest turn; upright parts stay upright where they can.
 *
 * @param own outward direction of its interface, in its own axes
 * @param out outward direction of the host
 */
export function facing(own: Vec, out: Vec): Axes {
  const to: Vec = [-out[0] + 0, -out[1] + 0, -out[2] + 0];
  const c = dot(own, to);
  if (c > 1 - 1e-9) return UPRIGHT;
  // The other way round: about the vertical, so that its top stays on top where it can.
  if (c < -1 + 1e-9) return about(Math.abs(own[1]) > 0.5 ? [0, 0, 1] : [0, 1, 0], 180);
  const axis = cross(own, to);
  const length = Math.hypot(...axis);
  return about(
    [axis[0] / length, axis[1] / length, axis[2] / length],
    (Math.acos(Math.max(-1, Math.min(1, c))) * 180) / Math.PI,
  );
}
