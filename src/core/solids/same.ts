import type { Axes, Solid, Vec } from './solid';

const sameVec = (a: Vec, b: Vec): boolean => a[0] === b[0] && a[1] === b[1] && a[2] === b[2];
const sameAxes = (a: Axes, b: Axes): boolean => a.every((v, i) => sameVec(v, b[i as 0 | 1 | 2]));

/** Whether two solids are the same, to the last digit, wherever they were made. */
export function sameSolid(a: Solid, b: Solid): boolean {
  if (a === b) return true;
  if (a.kind === 'box')
    return (
      b.kind === 'box' &&
      sameVec(a.centre, b.centre) &&
      sameVec(a.half, b.half) &&
      sameAxes(a.axes, b.axes)
    );
  if (a.kind === 'cylinder')
    return (
      b.kind === 'cylinder' &&
      sameVec(a.centre, b.centre) &&
      sameVec(a.dir, b.dir) &&
      a.radius === b.radius &&
      a.half === b.half
    );
  if (a.kind === 'cone')
    return (
      b.kind === 'cone' &&
      sameVec(a.centre, b.centre) &&
      sameVec(a.dir, b.dir) &&
      a.half === b.half &&
      a.from === b.from &&
      a.to === b.to
    );
  if (a.kind === 'capsule')
    return b.kind === 'capsule' && sameVec(a.a, b.a) && sameVec(a.b, b.b) && a.radius === b.radius;
  return (
    b.kind === 'sector' &&
    sameVec(a.hinge, b.hinge) &&
    sameAxes(a.axes, b.axes) &&
    a.radius === b.radius &&
    a.half === b.half &&
    a.from === b.from &&
    a.to === b.to
  );
}
