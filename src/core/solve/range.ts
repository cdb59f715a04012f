import { buildTrial, type Built, type Shared } from '../build/build';
import { elevation } from '../drawing/elevation';
import type { Point, View } from '../drawing/project';
import { spacePair } from '../areas/space/checks/pair';
import { closing } from '../areas/joints/model/fit';
import { hangingOn, isNamed, seatOf, type NamedSeat } from '../areas/joints/model/seats';
import { runOne } from '../checks/run';
import { standOf } from '../stand/stand';
import { exact, sayLength } from '../quantity/say';

/** How far a joint lets a part slide or turn before it, or what hangs on it, meets something. */
export interface Range {
  what: 'slide' | 'turn';
  /** Mm off the middle of what it slides on, or degrees as it goes on. */
  from: number;
  to: number;
  /** What it meets at either end; null where the joint itself ends there. */
  meets: readonly [string | null, string | null];
  /** It goes all the way round. */
  round: boolean;
  /** Pieces whose size or place nobody knows: whether it meets them is not looked at. */
  unknown: number;
  /** What moves, drawn at either end of it. */
  ends: readonly RangeEnd[];
}

/** What moves where its range ends, in each view. */
export interface RangeEnd {
  /** `45.0 mm`. */
  says: string;
  drawn: Readonly<Record<View, readonly (readonly Point[])[]>>;
}

const VIEWS: readonly View[] = ['side', 'top', 'front'];

/** Steps that are tried, and how finely the last one is divided. */
const STEP = { slide: 2, turn: 3 } as const;
const FINE = { slide: 0.05, turn: 0.05 } as const;

/**
 * The range of a joint about where it stands, by trying: every step is a rig laid out and looked
 * through for fouls. Thinner things than a step may be stepped over: 2 mm and 3 degrees.
 *
 * @returns null where the part is not on a named joint that lets it move so, where it is not known
 *   how far the joint goes or how large what moves is, or where it fouls or may foul as it stands
 */
export function rangeOf(
  built: Built,
  base: Shared,
  use: string,
  what: Range['what'],
): Range | null {
  const seat = seatOf(built, use);
  if (!seat || !isNamed(seat) || letsMove(seat) !== what) return null;
  const moved = new Set(hangingOn(built, use));
  const now = seat.use[what] ?? 0;
  const end = what === 'turn' ? 180 : endOf(seat);
  if (end === null || Math.abs(now) > end) return null;
  const { pieces } = standOf(built);
  if (pieces.some((p) => moved.has(p.key) && p.missing.length > 0)) return null;
  const { job, rig } = built;
  const movedTo = (value: number) => {
    const fitted = rig.fitted!.map((u) => (u.id === use ? { ...u, [what]: value } : u));
    return buildTrial(built, job, { ...rig, fitted }, base);
  };
  const meets = (value: number): string | null => {
    const after = movedTo(value);
    const foul = runOne(after, spacePair).find(
      (v) =>
        // Free is only what is free with every number at its worst.
        (v.margin?.lo ?? 0) < 0 &&
        v.pieces.length === 2 &&
        moved.has(v.pieces[0]!) !== moved.has(v.pieces[1]!),
    );
    if (!foul) return null;
    const other = foul.pieces.find((p) => !moved.has(p));
    return standOf(after).pieces.find((p) => p.key === other)?.name ?? 'something';
  };
  if (meets(now) !== null) return null;
  const last = what === 'turn' ? [now - end, now + end] : [-end, end];
  const drawnAt = (value: number): RangeEnd => {
    const after = movedTo(value);
    const of = (view: View) =>
      elevation(after, view)
        .outlines.filter((o) => moved.has(o.piece) && !o.swings && !o.sweep)
        .map((o) => o.points);
    return {
      says: sayAt(what, value),
      drawn: Object.fromEntries(VIEWS.map((v) => [v, of(v)])) as unknown as RangeEnd['drawn'],
    };
  };
  const [a, b] = [walk(meets, now, last[0]!, what), walk(meets, now, last[1]!, what)];
  const round = what === 'turn' && a.meets === null && b.meets === null;
  return {
    what,
    from: a.at,
    to: b.at,
    meets: [a.meets, b.meets],
    round,
    ends: round ? [] : [a, b].map((e) => drawnAt(e.at)),
    unknown: pieces.filter((p) => p.missing.length > 0).length,
  };
}

/**
 * What a joint lets its part do: slide along what it is clamped to, turn about its one screw or its
 * teeth. Two screws, pins, a shoe and a lock let it do neither.
 */
export function letsMove({ at, by, types }: NamedSeat): Range['what'] | null {
  if (types.at?.family === 'slide') return 'slide';
  if (types.by?.family === 'rosette') return 'turn';
  const pinned = at.pinned === true && by.pinned === true;
  return types.by?.family === 'thread' && (by.count ?? 1) === 1 && !pinned ? 'turn' : null;
}

/** How far off its middle a clamp still sits on its rail whole; null while that is not known. */
function endOf(seat: NamedSeat): number | null {
  const { run, clamp } = closing(
    { part: seat.host.part, i: seat.at },
    { part: seat.part, i: seat.by },
  );
  return run.known && clamp.known ? Math.max(0, (run.known.lo - clamp.known.hi) / 2) : null;
}

function walk(
  meets: (value: number) => string | null,
  from: number,
  to: number,
  what: Range['what'],
): { at: number; meets: string | null } {
  const way = Math.sign(to - from);
  let free = from;
  for (let n = 1; free !== to; n++) {
    const next = way * Math.min(way * (from + way * n * STEP[what]), way * to);
    const met = meets(next);
    if (met === null) {
      free = next;
      continue;
    }
    let [lo, hi, name] = [free, next, met];
    while (Math.abs(hi - lo) > FINE[what]) {
      const middle = (lo + hi) / 2;
      const other = meets(middle);
      if (other === null) lo = middle;
      else [hi, name] = [middle, other];
    }
    return { at: lo, meets: name };
  }
  return { at: free, meets: null };
}

const sayAt = (what: Range['what'], v: number) =>
  what === 'slide' ? sayLength(v) : `${exact(v, 0)} deg`;

/** The range in a sentence. */
export function rangeWords(r: Range): string {
  const end = (v: number, what: string | null) =>
    `${sayAt(r.what, v)}${what === null ? '' : `, where it meets ${what}`}`;
  const all = r.round
    ? 'It turns all the way round and meets nothing.'
    : `Free from ${end(r.from, r.meets[0])}, to ${end(r.to, r.meets[1])}.`;
  const open =
    r.unknown === 0
      ? ''
      : ` ${r.unknown} ${r.unknown === 1 ? 'part' : 'parts'} of unknown size not looked at.`;
  return all + open;
}
