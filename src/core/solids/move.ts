import { type Solid, type Vec, cylinder, type Axes, dot, turnedBox } from './solid';

/** A solid moved by a vector. */
export function moved(s: Solid, by: Vec): Solid {
  const to = (p: Vec): Vec => [p[0] + by[0], p[1] + by[1], p[2] + by[2]];
  switch (s.kind) {
    case 'box':
      return s.prism
        ? {
            ...s,
            centre: to(s.centre),
            prism: {
              ...s.prism,
              x: s.prism.x + by[0],
              y: s.prism.y + by[1],
              z0: s.prism.z0 + by[2],
              z1: s.prism.z1 + by[2],
            },
          }
        : { ...s, centre: to(s.centre) };
    case 'cylinder':
      return cylinder(to(s.centre), s.radius, s.half, s.dir);
    case 'cone':
      return { ...s, centre: to(s.centre) };
    case 'capsule':
      return { ...s, a: to(s.a), b: to(s.b) };
    case 'sector':
      return { ...s, hinge: to(s.hinge) };
  }
}

/** A solid turned about the origin by a rotation given as its three rows. */
export function rotated(s: Solid, by: Axes): Solid {
  const to = (p: Vec): Vec => [dot(by[0], p), dot(by[1], p), dot(by[2], p)];
  const axes = (a: Axes): Axes => [to(a[0]), to(a[1]), to(a[2])];
  switch (s.kind) {
    case 'box':
      return turnedBox(to(s.centre), s.half, axes(s.axes));
    case 'cylinder':
      return cylinder(to(s.centre), s.radius, s.half, to(s.dir));
    case 'cone':
      return { ...s, centre: to(s.centre), dir: to(s.dir) };
    case 'capsule':
      return { ...s, a: to(s.a), b: to(s.b) };
    case 'sector':
      return { ...s, hinge: to(s.hinge), axes: axes(s.axes) };
  }
}
