import type { Built } from '../../../build/build';
import type { Piece } from '../../../place/setting';
import { exact } from '../../../quantity/say';
import { inWords } from '../../../checks/judge';
import { standOf } from '../../../stand/stand';
import { centreOf } from './balance';
import { hull } from './standing';

/** A way to lay the rig down, as it is drawn. */
export interface Lying {
  side: 'bottom' | 'top' | 'left' | 'right' | 'rear' | 'front';
  /** Pieces that it rests on. */
  on: readonly string[];
  /** Those of them that nothing should rest on: a screen, glass, a microphone. */
  tender: readonly string[];
  /** Lean at which it tips, degrees, below 0 where it tips by itself; null where nobody knows. */
  lean: number | null;
  /** It rests on nothing tender and stays as it lies. */
  safe: boolean;
  text: string;
}

/** Kinds that nothing rests on. */
export const TENDER: ReadonlySet<string> = new Set([
  'monitor',
  'recorder',
  'finder',
  'microphone',
  'cable-clamp',
]);
/** With the front down it stands on glass, or on what holds glass. */
const GLASS: ReadonlySet<string> = new Set(['lens', 'thread', 'box', 'swing']);
/** What comes as low as the lowest, mm. */
const TOUCHES = 1;

const SIDES = [
  { side: 'bottom', k: 1, sign: -1, name: 'as it stands' },
  { side: 'left', k: 0, sign: -1, name: 'on its left side' },
  { side: 'right', k: 0, sign: 1, name: 'on its right side' },
  { side: 'rear', k: 2, sign: -1, name: 'on its rear' },
  { side: 'top', k: 1, sign: 1, name: 'upside down' },
  { side: 'front', k: 2, sign: 1, name: 'on its front' },
] as const;

/**
 * Ways to lay the rig down, the safest first: on what it rests, whether that is tender, and how far
 * it leans before it tips (the least of `atan(room to an edge / height of the centre)`). As it is
 * drawn: a piece whose size nobody gave may stand out farther, and ports are not looked at.
 */
export function lyingOf(built: Built): Lying[] {
  const pieces = standOf(built).pieces.filter((p) => p.solids.some((s) => !s.moving));
  if (pieces.length === 0) return [];
  const axes = centreOf(built);
  const centre = axes.map((q) =>
    q.inputs.length === 0 || q.inputs.some((g) => g.known === null)
      ? null
      : q.f(q.inputs.map((g) => g.known!.value)),
  );
  return SIDES.map((s) => lying(pieces, centre, s)).sort(
    (a, b) => Number(b.safe) - Number(a.safe) || (b.lean ?? -90) - (a.lean ?? -90),
  );
}

function lying(
  pieces: readonly Piece[],
  centre: readonly (number | null)[],
  { side, k, sign, name }: (typeof SIDES)[number],
): Lying {
  const still = (p: Piece) => p.solids.filter((s) => !s.moving).map((s) => s.extent);
  // How far down each comes, with this side down.
  const reach = (p: Piece) =>
    Math.max(...still(p).map((e) => (sign > 0 ? e[(k + 3) as 3]! : -e[k]!)));
  const floor = Math.max(...pieces.map(reach));
  const touching = pieces.filter((p) => reach(p) >= floor - TOUCHES);
  const tender = touching.filter(
    (p) => TENDER.has(p.kind) || p.is === 'screen' || (side === 'front' && GLASS.has(p.is)),
  );
  const [u, v] = ([0, 1, 2] as const).filter((a) => a !== k) as [0 | 1 | 2, 0 | 1 | 2];
  const corners = touching.flatMap((p) =>
    still(p)
      .filter((e) => (sign > 0 ? e[(k + 3) as 3]! : -e[k]!) >= floor - TOUCHES)
      .flatMap((e) =>
        [e[u]!, e[(u + 3) as 3]!].flatMap((x) =>
          [e[v]!, e[(v + 3) as 3]!].map((y) => ({ u: x, v: y })),
        ),
      ),
  );
  const ring = hull(corners);
  const known = centre.every((c) => c !== null);
  const height = known ? floor - sign * centre[k]! : 0;
  const lean =
    !known || ring.length < 3
      ? known
        ? 0
        : null
      : (Math.atan2(roomIn(ring, centre[u]!, centre[v]!), Math.max(1e-6, height)) * 180) / Math.PI;
  const names = (list: readonly Piece[]) => [...new Set(list.map((p) => p.name))];
  const [on, soft] = [names(touching), names(tender)];
  const safe = soft.length === 0 && lean !== null && lean > 3;
  const rests = `${name}: rests on ${inWords(on.slice(0, 3))}`;
  const stays =
    lean === null
      ? 'whether it stays is not known'
      : lean <= 0
        ? 'it tips over'
        : `tips at ${exact(lean, 0)} deg`;
  return {
    side,
    on,
    tender: soft,
    lean,
    safe,
    text: `${rests}; ${stays}${soft.length > 0 ? `; ${inWords(soft)} ${soft.length > 1 ? 'are' : 'is'} not to be rested on` : ''}`,
  };
}

/** Room from a point to the nearest edge of a ring about it, mm; below 0 outside. */
function roomIn(ring: readonly { u: number; v: number }[], x: number, y: number): number {
  return Math.min(
    ...ring.map((a, i) => {
      const b = ring[(i + 1) % ring.length]!;
      const l = Math.hypot(b.u - a.u, b.v - a.v);
      return ((b.u - a.u) * (y - a.v) - (b.v - a.v) * (x - a.u)) / l;
    }),
  );
}
