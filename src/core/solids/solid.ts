/**
 * The solids that parts are made of, in the frame of reference of the rig: z forwards from the
 * image plane, y up, x to camera right; millimetres and radians. All of them are convex.
 */
export type Vec = readonly [x: number, y: number, z: number];

/** Three unit vectors at right angles, as the rows of a rotation. */
export type Axes = readonly [Vec, Vec, Vec];

export interface Box {
  kind: 'box';
  centre: Vec;
  /** Half of its extent along each of its own axes. */
  half: Vec;
  axes: Axes;
  prism: Prism | null;
}

export interface Cylinder {
  kind: 'cylinder';
  centre: Vec;
  /** Unit vector along its axis. */
  dir: Vec;
  radius: number;
  /** Half of its length. */
  half: number;
  prism: Prism | null;
}

/** A truncated cone: radius `from` at the tail of its axis, `to` at the head. */
export interface Cone {
  kind: 'cone';
  centre: Vec;
  dir: Vec;
  half: number;
  from: number;
  to: number;
  prism: null;
}

/** A ball moved along a stretch: a hand, an arm, a cable. */
export interface Capsule {
  kind: 'capsule';
  a: Vec;
  b: Vec;
  radius: number;
  prism: null;
}

/**
 * What a plate sweeps that turns about a hinge: a slice of a disc, `2 half` thick along the hinge
 * (its third axis), from angle `from` to angle `to` (at most half a turn) counted from its first
 * axis to its second.
 */
export interface Sector {
  kind: 'sector';
  hinge: Vec;
  axes: Axes;
  radius: number;
  half: number;
  from: number;
  to: number;
  prism: null;
}

/** What a few corners span: the pyramid that a lens sees. */
export interface Hull {
  kind: 'hull';
  corners: readonly Vec[];
  prism: null;
}

export type Solid = Box | Cylinder | Cone | Capsule | Sector;

/** Anything that distances are measured to. */
export type Convex = Solid | Hull;

/**
 * A solid that is the same all along z: an outline in x and y over a stretch of stations. Nearly
 * everything on a rig is one, and between two of them the distance has a closed form.
 */
export interface Prism {
  z0: number;
  z1: number;
  x: number;
  y: number;
  /** Radius of a disc; 0 for a rectangle. */
  r: number;
  /** Half sizes of a rectangle and how it is turned. */
  hx: number;
  hy: number;
  cos: number;
  sin: number;
}

export const X_AXIS: Vec = [1, 0, 0];

export const Y_AXIS: Vec = [0, 1, 0];

export const Z_AXIS: Vec = [0, 0, 1];

export const UPRIGHT: Axes = [X_AXIS, Y_AXIS, Z_AXIS];

/** A box that is turned about the optical axis, radians from x to y. */
export function box(centre: Vec, half: Vec, turn = 0): Box {
  const cos = turn === 0 ? 1 : Math.cos(turn);
  const sin = turn === 0 ? 0 : Math.sin(turn);
  return {
    kind: 'box',
    centre,
    half,
    axes: turn === 0 ? UPRIGHT : [[cos, sin, 0], [-sin, cos, 0], Z_AXIS],
    prism: {
      z0: centre[2] - half[2],
      z1: centre[2] + half[2],
      x: centre[0],
      y: centre[1],
      r: 0,
      hx: half[0],
      hy: half[1],
      cos,
      sin,
    },
  };
}

/** A box with axes of its own, any rotation. */
export function turnedBox(centre: Vec, half: Vec, axes: Axes): Box {
  return { kind: 'box', centre, half, axes, prism: null };
}

/** A box from corner to corner, in any order. */
export function boxBetween(a: Vec, b: Vec): Box {
  return box(
    [(a[0] + b[0]) / 2, (a[1] + b[1]) / 2, (a[2] + b[2]) / 2],
    [Math.abs(a[0] - b[0]) / 2, Math.abs(a[1] - b[1]) / 2, Math.abs(a[2] - b[2]) / 2],
  );
}

/** A cylinder along any axis; along z unless told otherwise. */
export function cylinder(centre: Vec, radius: number, half: number, dir: Vec = Z_AXIS): Cylinder {
  return {
    kind: 'cylinder',
    centre,
    dir,
    radius,
    half,
    prism:
      dir[0] === 0 && dir[1] === 0
        ? {
            z0: centre[2] - half,
            z1: centre[2] + half,
            x: centre[0],
            y: centre[1],
            r: radius,
            hx: 0,
            hy: 0,
            cos: 1,
            sin: 0,
          }
        : null,
  };
}

/** A turned piece about the line (x, y) from station `z0` to `z1`. */
export function turned(x: number, y: number, z0: number, z1: number, radius: number): Cylinder {
  return cylinder([x, y, (z0 + z1) / 2], radius, Math.abs(z1 - z0) / 2);
}

export function cone(centre: Vec, half: number, from: number, to: number, dir: Vec = Z_AXIS): Cone {
  return { kind: 'cone', centre, dir, half, from, to, prism: null };
}

export function capsule(a: Vec, b: Vec, radius: number): Capsule {
  return { kind: 'capsule', a, b, radius, prism: null };
}

/**
 * The slice of a disc that a plate sweeps about a hinge.
 *
 * @throws RangeError when it sweeps more than half a turn: then it is two of them
 */
export function sector(
  hinge: Vec,
  axes: Axes,
  radius: number,
  half: number,
  from: number,
  to: number,
): Sector {
  if (to - from > Math.PI + 1e-9) throw new RangeError('a sector sweeps at most half a turn');
  return { kind: 'sector', hinge, axes, radius, half, from, to, prism: null };
}

/** The convex body that corners span; at least four, not all in one plane. */
export function hull(corners: readonly Vec[]): Hull {
  return { kind: 'hull', corners, prism: null };
}

export const dot = (a: Vec, b: Vec) => a[0] * b[0] + a[1] * b[1] + a[2] * b[2];

/**
 * The point of a solid that lies farthest in a direction; a capsule answers for its middle line
 * only, its radius is added to distances afterwards.
 *
 * @param out filled with the point
 */
export function farthest(s: Convex, dx: number, dy: number, dz: number, out: number[]): void {
  switch (s.kind) {
    case 'box': {
      const [u, v, w] = s.axes;
      const a = dx * u[0] + dy * u[1] + dz * u[2] >= 0 ? s.half[0] : -s.half[0];
      const b = dx * v[0] + dy * v[1] + dz * v[2] >= 0 ? s.half[1] : -s.half[1];
      const c = dx * w[0] + dy * w[1] + dz * w[2] >= 0 ? s.half[2] : -s.half[2];
      out[0] = s.centre[0] + a * u[0] + b * v[0] + c * w[0];
      out[1] = s.centre[1] + a * u[1] + b * v[1] + c * w[1];
      out[2] = s.centre[2] + a * u[2] + b * v[2] + c * w[2];
      return;
    }
    case 'cylinder':
    case 'cone': {
      const [ux, uy, uz] = s.dir;
      const along = dx * ux + dy * uy + dz * uz;
      const px = dx - along * ux;
      const py = dy - along * uy;
      const pz = dz - along * uz;
      const across = Math.sqrt(px * px + py * py + pz * pz);
      let end: number;
      let r: number;
      if (s.kind === 'cylinder') {
        end = along >= 0 ? s.half : -s.half;
        r = s.radius;
      } else if (along * s.half + across * s.to >= -along * s.half + across * s.from) {
        end = s.half;
        r = s.to;
      } else {
        end = -s.half;
        r = s.from;
      }
      // Straight along the axis every point of the end is as far; rounding would leave the end.
      const k = across > 1e-9 * Math.abs(along) ? r / across : 0;
      out[0] = s.centre[0] + end * ux + k * px;
      out[1] = s.centre[1] + end * uy + k * py;
      out[2] = s.centre[2] + end * uz + k * pz;
      return;
    }
    case 'capsule': {
      const atB = dx * (s.b[0] - s.a[0]) + dy * (s.b[1] - s.a[1]) + dz * (s.b[2] - s.a[2]) > 0;
      const p = atB ? s.b : s.a;
      out[0] = p[0];
      out[1] = p[1];
      out[2] = p[2];
      return;
    }
    case 'hull': {
      let most = -Infinity;
      for (const c of s.corners) {
        const d = dx * c[0] + dy * c[1] + dz * c[2];
        if (d <= most) continue;
        most = d;
        out[0] = c[0];
        out[1] = c[1];
        out[2] = c[2];
      }
      return;
    }
    case 'sector': {
      const [u, v, w] = s.axes;
      const du = dx * u[0] + dy * u[1] + dz * u[2];
      const dv = dx * v[0] + dy * v[1] + dz * v[2];
      const dw = dx * w[0] + dy * w[1] + dz * w[2];
      const at = Math.atan2(dv, du);
      // The direction itself when the slice has it, else the better of its two straight edges, or
      // the hinge when both fall back.
      let best = 0;
      let angle = s.from;
      const turnIn = at < s.from ? at + 2 * Math.PI : at;
      if (turnIn <= s.to) {
        best = Math.hypot(du, dv);
        angle = at;
      } else {
        const a = du * Math.cos(s.from) + dv * Math.sin(s.from);
        const b = du * Math.cos(s.to) + dv * Math.sin(s.to);
        if (a > best) {
          best = a;
          angle = s.from;
        }
        if (b > best) {
          best = b;
          angle = s.to;
        }
      }
      const r = best > 0 ? s.radius : 0;
      const cu = r * Math.cos(angle);
      const cv = r * Math.sin(angle);
      const cw = dw >= 0 ? s.half : -s.half;
      out[0] = s.hinge[0] + cu * u[0] + cv * v[0] + cw * w[0];
      out[1] = s.hinge[1] + cu * u[1] + cv * v[1] + cw * w[1];
      out[2] = s.hinge[2] + cu * u[2] + cv * v[2] + cw * w[2];
    }
  }
}

/** How much is added around what {@link farthest} answers for. */
export function skin(s: Convex): number {
  return s.kind === 'capsule' ? s.radius : 0;
}

/** A point inside the solid. */
export function middle(s: Convex): Vec {
  switch (s.kind) {
    case 'capsule':
      return [(s.a[0] + s.b[0]) / 2, (s.a[1] + s.b[1]) / 2, (s.a[2] + s.b[2]) / 2];
    case 'sector': {
      const a = (s.from + s.to) / 2;
      const [u, v] = s.axes;
      const r = s.radius / 2;
      return [
        s.hinge[0] + r * (Math.cos(a) * u[0] + Math.sin(a) * v[0]),
        s.hinge[1] + r * (Math.cos(a) * u[1] + Math.sin(a) * v[1]),
        s.hinge[2] + r * (Math.cos(a) * u[2] + Math.sin(a) * v[2]),
      ];
    }
    case 'hull': {
      const n = s.corners.length;
      const mean = (i: 0 | 1 | 2) => s.corners.reduce((sum, c) => sum + c[i], 0) / n;
      return [mean(0), mean(1), mean(2)];
    }
    default:
      return s.centre;
  }
}

/** The extent of a solid along the three axes: lowest corner, then highest. */
export type Bounds = readonly [
  x0: number,
  y0: number,
  z0: number,
  x1: number,
  y1: number,
  z1: number,
];

export function bounds(s: Solid): Bounds {
  if (s.prism) return extentOfPrism(s.prism);
  const p: number[] = [0, 0, 0];
  const r = skin(s);
  const low = (i: 0 | 1 | 2) => {
    farthest(s, i === 0 ? -1 : 0, i === 1 ? -1 : 0, i === 2 ? -1 : 0, p);
    return p[i]! - r;
  };
  const high = (i: 0 | 1 | 2) => {
    farthest(s, i === 0 ? 1 : 0, i === 1 ? 1 : 0, i === 2 ? 1 : 0, p);
    return p[i]! + r;
  };
  return [low(0), low(1), low(2), high(0), high(1), high(2)];
}

/** The extent of an outline over its stretch. */
export function extentOfPrism(p: Prism): Bounds {
  const [across, up] = [acrossOf(p), upOf(p)];
  return [p.x - across, p.y - up, p.z0, p.x + across, p.y + up, p.z1];
}

const acrossOf = (p: Prism) => p.r || Math.abs(p.hx * p.cos) + Math.abs(p.hy * p.sin);

const upOf = (p: Prism) => p.r || Math.abs(p.hx * p.sin) + Math.abs(p.hy * p.cos);

/** Whether an outline could come nearer than `d` to what an extent holds. */
export function mayReach(p: Prism, e: Bounds, d: number): boolean {
  if (e[2] - p.z1 >= d || p.z0 - e[5] >= d) return false;
  const across = acrossOf(p) + d;
  if (p.x - e[3] >= across || e[0] - p.x >= across) return false;
  const up = upOf(p) + d;
  return p.y - e[4] < up && e[1] - p.y < up;
}

/** An outline over its stretch as a solid. */
export function prismatic(p: Prism): Solid {
  if (p.r > 0) return turned(p.x, p.y, p.z0, p.z1, p.r);
  const turn = Math.atan2(p.sin, p.cos);
  return box([p.x, p.y, (p.z0 + p.z1) / 2], [p.hx, p.hy, (p.z1 - p.z0) / 2], turn);
}

/** Widest gap of two extents along one axis: they are at least that far apart. */
export function apart(a: Bounds, b: Bounds): number {
  return Math.max(a[0] - b[3], b[0] - a[3], a[1] - b[4], b[1] - a[4], a[2] - b[5], b[2] - a[5]);
}

/** The smallest extent that holds two. */
export function union(a: Bounds, b: Bounds): Bounds {
  return [
    Math.min(a[0], b[0]),
    Math.min(a[1], b[1]),
    Math.min(a[2], b[2]),
    Math.max(a[3], b[3]),
    Math.max(a[4], b[4]),
    Math.max(a[5], b[5]),
  ];
}
