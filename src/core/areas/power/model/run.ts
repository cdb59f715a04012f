import { given, type Given } from '../../../build/given';
import type { Built } from '../../../build/build';
import { Memo } from '../../../build/memo';
import { pieceKey } from '../../../place/piece';
import type { Piece, StandSolid } from '../../../place/setting';
import { plain, sayLength } from '../../../quantity/say';
import { distance } from '../../../solids/distance';
import { union } from '../../../solids/solid';
import { standOf, type Stand } from '../../../stand/stand';
import { SWEPT } from '../../space/model/clearance';
import { blindPieces, unsettledDrives } from '../../space/model/unsettled';
import type { Lead, Part } from '../../../kit/types';
import type { Device, Feed } from './fed';

/** The way of a lead through the air, from the part with the outlet to what it feeds, mm. */
export interface Run {
  from: Piece;
  to: Piece;
  /** Where the two come nearest to each other, and from the farthest corner of one to that of the other. */
  near: number;
  far: number;
  /** Numbers of their size and place that nobody gave. */
  missing: readonly Given[];
  /** What one of the two is taken as, where its shape is not known. */
  assumed: string | null;
}

/**
 * How far a lead has to go. Where on a part its sockets are nobody said: they may be anywhere on it, so
 * the way is one from what is nearest to what is farthest. Null where one of the two is not on the rig.
 */
export function runOf(
  built: Built,
  { device, from: of }: Pick<Feed, 'device' | 'from'>,
): Run | null {
  const stand = standOf(built);
  const { list, id } = device;
  const by = stand.memo.once(byKey, () => byKey(stand.pieces));
  const from = by.get(pieceKey('fitted', of.from));
  const to = by.get(list === 'body' ? pieceKey('body') : keyOf(list, id));
  if (!from || !to) return null;
  // What stands where it stood is as far from the other as it was.
  return stand.memo
    .once(runOf, () => new Memo())
    .once(`${from.key} ${to.key}`, () => between(stand, from, to));
}

const byKey = (pieces: readonly Piece[]) => new Map(pieces.map((p) => [p.key, p]));

function between(stand: Stand, from: Piece, to: Piece): Run | null {
  // A drive that finds its place by what is beside it stands nowhere for sure while that is not known.
  const sought = unsettledDrives(stand).some((d) => d.key === to.key);
  const beside = sought ? blindPieces(stand).flatMap((p) => p.missing) : [];
  const missing = [...new Set([...from.missing, ...to.missing, ...beside])];
  const [a, b] = [solidsOf(from), solidsOf(to)];
  if (a.length === 0 || b.length === 0) return null;
  const loose = (l: readonly StandSolid[]) => Math.max(...l.map((s) => s.loose));
  const slack = loose(a) + loose(b);
  const [x, y] = [a, b].map((l) => l.map((s) => s.extent).reduce(union)) as [
    StandSolid['extent'],
    StandSolid['extent'],
  ];
  const most = ([0, 1, 2] as const).map((k) =>
    Math.max(x[(k + 3) as 3]! - y[k]!, y[(k + 3) as 3]! - x[k]!),
  );
  // What is inside the other is no distance from it.
  const near = Math.min(...a.flatMap((s) => b.map((t) => distance(s.solid, t.solid))));
  return {
    from,
    to,
    near: Math.max(0, near - slack),
    far: Math.hypot(...most) + slack,
    missing,
    assumed: from.assumed ?? to.assumed,
  };
}

/** The part that a lead comes from, whether it has that outlet or not; null where it is not on the rig. */
export function sourceOf({ rig, kit }: Built, { from }: Pick<Feed, 'from'>): Part | null {
  const use = rig.fitted?.find((u) => u.id === from.from);
  return (use && kit.get(use.part)) ?? null;
}

const keyOf = (list: 'drives' | 'fitted', id: string) =>
  pieceKey(list === 'drives' ? 'drive' : 'fitted', id);

const solidsOf = (p: Piece) => p.solids.filter((s) => !SWEPT.has(s.role));

/** A lead of which nobody said how thick it is: from a thin one to one in rubber, mm. */
export const THICKNESS = { value: 5, tol: 2, from: 'guess', lo: 3, hi: 7 } as const;
/** Bends at both plugs, as often as the lead is thick: inside radius. Common practice, no source. */
export const BENDS = 2 * 4;

/** Whether a lead is long enough: wherever the sockets are, by where they are, or nowhere. */
export type Reach = 'yes' | 'maybe' | 'no';

/** How far leads reach from a part with an outlet to a device; `maybe` while a number is missing. */
export function reachOf(built: Built, device: Device, from: string): (lead: Lead) => Reach {
  const run = runOf(built, { device, from: { from, id: '' } });
  if (!run || run.missing.length > 0) return () => 'maybe';
  return (lead) => {
    const length = given(lead, 'length').known;
    const { lo, hi } = given(lead, 'width').known ?? THICKNESS;
    if (!length) return 'maybe';
    if (length.hi < run.near + BENDS * lo) return 'no';
    return length.lo < run.far + BENDS * hi ? 'maybe' : 'yes';
  };
}

/** `way 119 mm to 356 mm, tied at its plugs`: what a list of leads says besides the lead itself. */
export function sayRun(built: Built, f: Feed): string {
  const run = runOf(built, f);
  const way =
    !run || run.missing.length > 0
      ? 'its way is not known'
      : `way ${sayLength(run.near, 0)} to ${sayLength(run.far, 0)}`;
  const at = f.out?.switched === null ? null : f.out?.volts.known;
  const set =
    at && typeof f.out?.switched === 'boolean' ? [`its switch at ${plain(at.value, 1)} V`] : [];
  return [way, ...(f.from.tied === true ? ['tied at its plugs'] : []), ...set].join(', ');
}
