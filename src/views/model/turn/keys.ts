import type { Standard } from './looks';

/** What can be done to the picture. */
export type Act =
  | { turn: [az: number, pol: number] }
  | { pan: [x: number, y: number] }
  | { zoom: number }
  | { fit: true }
  | { perspective: true }
  /** To the next part, or the one before. */
  | { part: 1 | -1 }
  | { look: Standard };

/** Standard views in the order of their keys. */
export const VIEWS: readonly Standard[] = [
  'side',
  'other',
  'front',
  'rear',
  'top',
  'bottom',
  'corner',
];

const TURN = 15;
const PAN = 0.08;
const ZOOM = 1.25;

const ARROWS: Readonly<Record<string, readonly [number, number]>> = {
  ArrowLeft: [-1, 0],
  ArrowRight: [1, 0],
  ArrowUp: [0, -1],
  ArrowDown: [0, 1],
};

/** What a key does to the picture; null where it is none of its keys. */
export function keyOf(e: {
  key: string;
  shiftKey: boolean;
  ctrlKey: boolean;
  metaKey: boolean;
  altKey: boolean;
}): Act | null {
  if (e.ctrlKey || e.metaKey || e.altKey) return null;
  const arrow = ARROWS[e.key];
  if (arrow)
    return e.shiftKey
      ? { pan: [arrow[0] * PAN, -arrow[1] * PAN] }
      : { turn: [arrow[0] * TURN, arrow[1] * TURN] };
  if (e.key === '+' || e.key === '=') return { zoom: ZOOM };
  if (e.key === '-') return { zoom: 1 / ZOOM };
  if (e.key === '0') return { fit: true };
  if (e.key === 'PageDown') return { part: 1 };
  if (e.key === 'PageUp') return { part: -1 };
  const view = VIEWS[Number(e.key) - 1];
  return view ? { look: view } : null;
}
