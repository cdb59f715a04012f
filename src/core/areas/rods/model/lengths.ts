import { exact } from '../../../quantity/say';

/** Rod lengths that are sold, mm; those thought of in inches stand with their inches. */
export interface StockRod {
  mm: number;
  inch: number | null;
}

/** Source: common practice, no single one. */
export const STOCK: readonly StockRod[] = [
  { mm: 100, inch: null },
  { mm: 101.6, inch: 4 },
  { mm: 150, inch: null },
  { mm: 177.8, inch: 7 },
  { mm: 200, inch: null },
  { mm: 203.2, inch: 8 },
  { mm: 228.6, inch: 9 },
  { mm: 250, inch: null },
  { mm: 300, inch: null },
  { mm: 304.8, inch: 12 },
  { mm: 400, inch: null },
  { mm: 406.4, inch: 16 },
  { mm: 450, inch: null },
  { mm: 457.2, inch: 18 },
];

/** The shortest rod sold that is at least so long; null when none is. */
export function shortestStock(length: number): StockRod | null {
  return STOCK.find((s) => s.mm >= length - 1e-9) ?? null;
}

/** `300 mm`, `203.2 mm (8 in)`, `300 mm (11.8 in)`: both units, as people order them. */
export function sayRod(length: number): string {
  const stock = STOCK.find((s) => Math.abs(s.mm - length) < 0.05);
  const inch = stock?.inch ?? length / 25.4;
  const digits = Number.isInteger(inch) ? 0 : 1;
  const mm = Number.isInteger(length) ? String(length) : exact(length, 1);
  return `${mm} mm (${exact(inch, digits)} in)`;
}

/** What a pair of rods has to do, stations in mm from the image plane. */
export interface RodTask {
  /** Rear edge of the clamp that holds them farthest back, front edge of the foremost. */
  clampFrom: number;
  clampTo: number;
  /** Front edge of the farthest clamp ahead, rear edge of the farthest behind; null: none. */
  ahead: number | null;
  behind: number | null;
}

/**
 * Length that a pair needs, and where its tip then stands: from the rearmost of clamp and what is
 * behind to the foremost of clamp and what is ahead.
 */
export function neededRod(task: RodTask): { length: number; tip: number } {
  const tip = Math.max(task.clampTo, task.ahead ?? -Infinity);
  const end = Math.min(task.clampFrom, task.behind ?? Infinity);
  return { length: tip - end, tip };
}

/** Stretch of rod inside a clamp, mm; below 0 how far the rod ends short of it. */
export function gripOf(rod: { from: number; to: number }, clamp: { from: number; to: number }) {
  return Math.min(rod.to, clamp.to) - Math.max(rod.from, clamp.from);
}

/**
 * How far a rod tip stays below the frame, mm; below 0 it stands in the picture. In the picture if
 * `y + r > -(z - pupil) tan(vfov / 2)` and `|x| - r < (z - pupil) tan(hfov / 2)` [math].
 *
 * @param tip station of the tip, @param pupil station of the entrance pupil
 * @param halfUp, @param halfAcross half fields of view, radians
 */
export function belowFrame(
  tip: { x: number; y: number; z: number; r: number },
  pupil: number,
  halfUp: number,
  halfAcross: number,
): number {
  const ahead = tip.z - pupil;
  if (ahead <= 0) return Infinity;
  const under = -ahead * Math.tan(halfUp) - (tip.y + tip.r);
  const beside = Math.abs(tip.x) - tip.r - ahead * Math.tan(halfAcross);
  return Math.max(under, beside);
}

/** Largest radius about the lens axis that clears a pair of rods [math]. */
export function clearRadius(centres: number, drop: number, rod: number): number {
  return Math.hypot(centres / 2, drop) - rod / 2;
}
