import { pieceKey } from '../../../place/piece';
import type { Stand } from '../../../stand/stand';
import type { StandSolid } from '../../../place/setting';
import { distance } from '../../../solids/distance';
import { onceAmong } from './clearance';
import { moved } from '../../../solids/move';

/** Farthest that is looked for when something has to be slid away, mm. */
const FARTHEST = 300;

/** The piece on the rods or against the camera that carries another one, and all it carries. */
export function assemblyOf(stand: Stand, piece: string): { root: string; all: string[] } {
  const uses = stand.fitted;
  const fittedAs = (key: string) => uses.find((u) => pieceKey('fitted', u.id) === key);
  let root = piece;
  for (let up = fittedAs(root); up?.to !== undefined; up = fittedAs(root))
    root = pieceKey('fitted', up.to);
  const all = [root];
  for (const u of uses)
    if (u.to !== undefined && all.includes(pieceKey('fitted', u.to)))
      all.push(pieceKey('fitted', u.id));
  return { root, all };
}

/**
 * How far a piece, with all it carries, has to be slid along z away from the camera until it
 * clears a sweep by `air` in the worst case; null when it never does.
 */
export function slideClear(
  stand: Stand,
  sweep: StandSolid,
  piece: string,
  air: number,
): number | null {
  const { root, all } = assemblyOf(stand, piece);
  // What is screwed on does not slide, nor what is not fitted at all.
  if (stand.fitted.find((u) => pieceKey('fitted', u.id) === root)?.on !== 'rods') return null;
  const own = stand.solids.filter((s) => all.includes(s.piece));
  const body = stand.solids.find((s) => s.piece === 'body');
  const at = stand.solids.find((s) => s.piece === root);
  if (!body || !at) return null;
  const find = () => search(sweep, own, at, body, air);
  return onceAmong([sweep, body, ...own], `slide ${air}`, find);
}

function search(
  sweep: StandSolid,
  own: readonly StandSolid[],
  at: StandSolid,
  body: StandSolid,
  air: number,
): number | null {
  const middle = (s: StandSolid) => (s.extent[2] + s.extent[5]) / 2;
  const sign = middle(at) < middle(body) ? -1 : 1;
  const need = air + sweep.loose + Math.max(0, ...own.map((s) => s.loose));
  const clears = (dz: number) =>
    own.every((s) => distance(sweep.solid, moved(s.solid, [0, 0, sign * dz])) >= need);
  if (!clears(FARTHEST)) return null;
  let lo = 0;
  let hi = FARTHEST;
  for (let i = 0; i < 10; i++) {
    const mid = (lo + hi) / 2;
    if (clears(mid)) hi = mid;
    else lo = mid;
  }
  return sign * Math.ceil(hi);
}
