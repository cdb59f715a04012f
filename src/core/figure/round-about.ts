import type { Pt } from '../engine/figure';

/** Marks that would lie on each other go round the place they are of, each to the first free spot. */
export function roundAbout<T extends { of: Pt }>(
  grips: readonly T[],
  least: number,
): (T & { at: Pt })[] {
  const done: (T & { at: Pt })[] = [];
  const free = (p: Pt) => done.every(({ at: q }) => Math.hypot(p[0] - q[0], p[1] - q[1]) >= least);
  for (const g of grips) {
    let at = g.of;
    for (let i = 0; i < 240 && !free(at); i++) {
      const r = least * (1 + Math.floor(i / 12) * 0.5);
      const turn = (Math.PI * 2 * (i % 12)) / 12;
      at = [g.of[0] + r * Math.cos(turn), g.of[1] + r * Math.sin(turn)];
    }
    done.push({ ...g, at });
  }
  return done;
}
