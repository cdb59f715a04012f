import type { Vec } from './solid';

/** Two unit vectors across a direction. */
export function across(dir: Vec): [Vec, Vec] {
  const seed: Vec = Math.abs(dir[0]) < 0.8 ? [1, 0, 0] : [0, 1, 0];
  const c: Vec = [
    dir[1] * seed[2] - dir[2] * seed[1],
    dir[2] * seed[0] - dir[0] * seed[2],
    dir[0] * seed[1] - dir[1] * seed[0],
  ];
  const l = Math.hypot(...c);
  const u: Vec = [c[0] / l, c[1] / l, c[2] / l];
  return [
    u,
    [dir[1] * u[2] - dir[2] * u[1], dir[2] * u[0] - dir[0] * u[2], dir[0] * u[1] - dir[1] * u[0]],
  ];
}
