import type { Built } from '../build/build';
import { seatsOf } from '../areas/joints/model/seats';
import { onAxis, pieceKey } from '../place/piece';
import type { Piece } from '../place/setting';
import { standOf } from '../stand/stand';
import { Y_AXIS, Z_AXIS, type Bounds, type Vec } from '../solids/solid';
import { plus, scale } from './polyhedron';

/** Room between what was joined when the rig is drawn apart, mm. */
export const APART = 24;

/**
 * Where each piece goes when the rig is drawn apart, mm: away from what holds it, along the way it
 * comes off, and with all that holds it in turn. The body stays.
 */
export function exploded(built: Built): ReadonlyMap<string, Vec> {
  const { pieces } = standOf(built);
  const seats = new Map(seatsOf(built).map((s) => [s.piece, s.host?.piece]));
  const hosts = hostsOf(pieces, seats);
  const at = new Map<string, Vec>();
  const extents = new Map(pieces.map((p) => [p.key, extentOf(p)]));
  const go = (key: string, seen: readonly string[]): Vec => {
    const known = at.get(key);
    if (known) return known;
    const host = hosts.get(key);
    const [own, under] = [extents.get(key), host === undefined ? null : extents.get(host)];
    // A ring of hosts holds nothing: what is in it stays.
    if (host === undefined || !own || !under || seen.includes(key)) return [0, 0, 0];
    const away = plus(go(host, [...seen, key]), step(key, own, under));
    at.set(key, away);
    return away;
  };
  return new Map(pieces.map((p) => [p.key, go(p.key, [])]));
}

/** What each piece comes off. */
function hostsOf(
  pieces: readonly Piece[],
  seats: ReadonlyMap<string, string | undefined>,
): ReadonlyMap<string, string> {
  const has = (key: string) => pieces.some((p) => p.key === key);
  const first = (...keys: string[]) => keys.find(has);
  const plate = first('plate', 'body');
  const rods = pieces.find((p) => p.is === 'rods')?.key ?? plate;
  const ahead = pieces
    .filter((p) => onAxis(p) || p.is === 'box')
    .map((p) => ({ key: p.key, z: extentOf(p)?.[5] ?? 0 }))
    .sort((a, b) => a.z - b.z || (a.key < b.key ? -1 : 1));
  const out = new Map<string, string>();
  const put = (key: string, host: string | undefined) => {
    if (host !== undefined && host !== key) out.set(key, host);
  };
  ahead.forEach((p, i) => put(p.key, i === 0 ? first('body') : ahead[i - 1]!.key));
  for (const p of pieces) {
    if (p.is === 'fitted') put(p.key, seats.get(p.key) ?? first('body'));
    else if (p.is === 'rods') put(p.key, plate);
    else if (p.is === 'support' || p.is === 'drive') put(p.key, rods);
    else if (p.is === 'swing') put(p.key, first(pieceKey('box')) ?? ahead.at(-1)?.key);
    else if (p.is === 'plate' || p.is === 'screen') put(p.key, first('body'));
  }
  return out;
}

/** How far a piece is taken from what holds it: along the way on which it is out of it soonest. */
function step(key: string, own: Bounds, under: Bounds): Vec {
  const ways: { d: Vec; by: number }[] = [0, 1, 2].flatMap((k) => {
    const d = (s: number) => [0, 1, 2].map((i) => (i === k ? s : 0)) as unknown as Vec;
    return [
      { d: d(1), by: under[k + 3]! - own[k]! },
      { d: d(-1), by: own[k + 3]! - under[k]! },
    ];
  });
  const is = key.split(':')[0]!;
  const along = FIXED[is];
  const best = along
    ? ways.find((w) => w.d.every((x, i) => x === along[i]))!
    : ways.reduce((a, b) => (b.by < a.by - 1e-9 ? b : a));
  return scale(best.d, Math.max(0, best.by) + APART);
}

/** Threads, mounts and rings come off ahead; a plate comes off below. */
const FIXED: Readonly<Record<string, Vec>> = {
  link: Z_AXIS,
  lens: Z_AXIS,
  gear: Z_AXIS,
  thread: Z_AXIS,
  box: Z_AXIS,
  plate: scale(Y_AXIS, -1),
};

/** What a piece takes up, without what it sweeps. */
export function extentOf(p: Piece): Bounds | null {
  const still = p.solids.filter((s) => !s.moving);
  const all = still.length > 0 ? still : p.solids;
  if (all.length === 0) return null;
  return [0, 1, 2, 3, 4, 5].map((k) =>
    (k < 3 ? Math.min : Math.max)(...all.map((s) => s.extent[k]!)),
  ) as unknown as Bounds;
}
