/** A tray size: the glass it takes, mm. */
export interface Tray {
  id: string;
  name: string;
  /** Rectangular glass: width and height; round glass: diameter. */
  w: number;
  h: number;
  round: boolean;
}

/** Source: common practice (4 x 4 and 4 x 5.65 inch and so on, in millimetres). */
export const TRAYS: readonly Tray[] = [
  { id: '4x4', name: '4 x 4 in', w: 101.6, h: 101.6, round: false },
  { id: '4x5.65', name: '4 x 5.65 in', w: 143.5, h: 101.6, round: false },
  { id: '100', name: '100 mm system', w: 100, h: 100, round: false },
  { id: '6.6x6.6', name: '6.6 x 6.6 in', w: 167.6, h: 167.6, round: false },
  { id: '4.5r', name: '4.5 in round', w: 114.3, h: 114.3, round: true },
  { id: '138r', name: '138 mm round', w: 138, h: 138, round: true },
];

export function tray(id: string | undefined): Tray | null {
  return TRAYS.find((t) => t.id === id) ?? null;
}

/** How far glass may be off its nominal size and still slide into the tray, mm. */
const SLACK = 1;

export type TrayFit = 'fits' | 'insert' | 'no' | 'unknown';

/**
 * Whether glass goes into a tray. A 4 x 4 in a 4 x 5.65 tray needs an insert; a round one needs a
 * round tray. Either way round for rectangles, since trays turn.
 *
 * @param glass sizes in mm; null where nobody gave one
 */
export function trayFit(
  t: Tray | null,
  glass: { shape: 'rectangle' | 'round'; w: number | null; h: number | null },
): TrayFit {
  if (!t) return 'unknown';
  if ((glass.shape === 'round') !== t.round) return 'no';
  const { w, h } = glass;
  if (w === null || h === null) return 'unknown';
  const same = (a: number, b: number) => Math.abs(a - b) <= SLACK;
  if ((same(w, t.w) && same(h, t.h)) || (same(w, t.h) && same(h, t.w))) return 'fits';
  // Held on two sides, free on the others: an insert fills the rest.
  const shares = same(h, t.h) || same(w, t.w) || same(w, t.h) || same(h, t.w);
  return !t.round && shares && w <= t.w + SLACK && h <= t.h + SLACK ? 'insert' : 'no';
}
