/**
 * What measurements of a whole say of its pieces: what no piece can be any more, and what each most
 * likely is. No rig in it, only numbers.
 */

export interface Ends {
  lo: number;
  hi: number;
}

/** Something that is not known exactly: a mass (g, never below 0) or how far a weight sits off (mm). */
export interface Unknown extends Ends {
  /** As it is taken so far; null where nobody said. */
  value: number | null;
}

/** A piece in a measurement: its mass, and where it was off the place that was measured. */
export interface Item {
  /** Of the masses. */
  mass: number;
  /** Lever, mm, with what it is in doubt by. */
  at: number;
  slack: number;
  /** What of the doubts moves it besides, and how: none where its centre was stated. */
  off: number | null;
}

/** One measurement: the sum of masses, or of moments about where it balanced (which is nothing). */
export type Row =
  | { id: string; what: 'sum'; items: readonly number[]; sum: Ends & { value: number } }
  | { id: string; what: 'moment'; items: readonly Item[] };

/** What measurements leave of masses and doubts, and which of them no numbers can explain. */
export interface Corrected {
  masses: Unknown[];
  offs: Unknown[];
  /** Measurements that contradict the numbers of the pieces; nothing was taken from them. */
  against: string[];
}

/** Turns after which nothing more is gained that anybody would see. */
const TURNS = 60;
const SEEN = 1e-6;

/**
 * Masses and doubts after measurements. Their intervals are narrowed to what every measurement lets
 * them be while all others stay in theirs (interval propagation: F. Benhamou and others, "Revising
 * hull and box consistency", 1999); so the true ones are never left outside. Inside them each is put
 * where weighted least squares has it (A. C. Aitken 1935: every number and every measurement weighted
 * by the square of its tolerance), moments taken as straight near where they are, in turns
 * (Gauss and Newton). Both from memory.
 */
export function corrected(
  masses: readonly Unknown[],
  offs: readonly Unknown[],
  rows: readonly Row[],
): Corrected {
  let now = { masses: masses.map((m) => ({ ...m, lo: Math.max(0, m.lo) })), offs: [...offs] };
  const taken: Row[] = [];
  const against: string[] = [];
  // One by one, so that what contradicts the rest can be told from the rest.
  for (const row of rows) {
    const next = narrowed(now, [...taken, row]);
    if (next) {
      now = next;
      taken.push(row);
    } else against.push(row.id);
  }
  return { ...settled(now, masses, offs, taken), against };
}

interface State {
  masses: Unknown[];
  offs: Unknown[];
}

/** Narrowed by all rows in turns; null where nothing is left of one of them. */
function narrowed(from: State, rows: readonly Row[]): State | null {
  const s: State = { masses: from.masses.map(copy), offs: from.offs.map(copy) };
  for (let turn = 0; turn < TURNS; turn++) {
    let gained = false;
    for (const row of rows) {
      const by = row.what === 'sum' ? bySum(s, row) : byMoment(s, row);
      if (by === null) return null;
      gained ||= by;
    }
    if (!gained) break;
  }
  return s;
}

const copy = (u: Unknown): Unknown => ({ ...u });

/** Narrows to an interval: whether that gained something, null where nothing is left. */
function narrow(u: Unknown, lo: number, hi: number): boolean | null {
  const slack = SEEN * Math.max(1, Math.abs(lo), Math.abs(hi));
  if (lo > u.hi + slack || hi < u.lo - slack) return null;
  const next = { lo: Math.max(u.lo, Math.min(lo, u.hi)), hi: Math.min(u.hi, Math.max(hi, u.lo)) };
  const gained = next.lo > u.lo + slack || next.hi < u.hi - slack;
  u.lo = next.lo;
  u.hi = next.hi;
  return gained;
}

/** Sums of several intervals without one of them; what has no end counts apart. */
class Sums {
  lo = 0;
  hi = 0;
  endless = { lo: 0, hi: 0 };

  add(e: Ends): void {
    if (Number.isFinite(e.lo)) this.lo += e.lo;
    else this.endless.lo++;
    if (Number.isFinite(e.hi)) this.hi += e.hi;
    else this.endless.hi++;
  }
  without(e: Ends): Ends {
    const lo = this.endless.lo - (Number.isFinite(e.lo) ? 0 : 1);
    const hi = this.endless.hi - (Number.isFinite(e.hi) ? 0 : 1);
    return {
      lo: lo > 0 ? -Infinity : this.lo - (Number.isFinite(e.lo) ? e.lo : 0),
      hi: hi > 0 ? Infinity : this.hi - (Number.isFinite(e.hi) ? e.hi : 0),
    };
  }
}

function bySum(s: State, row: Extract<Row, { what: 'sum' }>): boolean | null {
  const counts = new Map<number, number>();
  for (const m of row.items) counts.set(m, (counts.get(m) ?? 0) + 1);
  const part = ([m, n]: readonly [number, number]) => scaled(s.masses[m]!, n);
  let gained = false;
  for (const [m, n] of counts) {
    const sums = new Sums();
    for (const c of counts) sums.add(part(c));
    const rest = sums.without(part([m, n]));
    const by = narrow(s.masses[m]!, (row.sum.lo - rest.hi) / n, (row.sum.hi - rest.lo) / n);
    if (by === null) return null;
    gained ||= by;
  }
  // A sum of nothing weighs nothing.
  return counts.size === 0 && (row.sum.lo > 0 || row.sum.hi < 0) ? null : gained;
}

const scaled = ({ lo, hi }: Ends, n: number): Ends => ({ lo: lo * n, hi: hi * n });

/** Product of a mass and a lever; nothing of a lever weighs nothing however heavy it is. */
function product(m: Ends, a: Ends): Ends {
  const all = [m.lo, m.hi].flatMap((x) => [a.lo, a.hi].map((y) => (y === 0 ? 0 : x * y)));
  return {
    lo: all.some(Number.isNaN) ? -Infinity : Math.min(...all),
    hi: all.some(Number.isNaN) ? Infinity : Math.max(...all),
  };
}

function byMoment(s: State, row: Extract<Row, { what: 'moment' }>): boolean | null {
  const lever = (i: Item): Ends => {
    const off = i.off === null ? { lo: 0, hi: 0 } : s.offs[i.off]!;
    return { lo: i.at - i.slack + off.lo, hi: i.at + i.slack + off.hi };
  };
  const groups = new Map<number, Item[]>();
  for (const i of row.items) {
    const list = groups.get(i.mass);
    if (list) list.push(i);
    else groups.set(i.mass, [i]);
  }
  const levers = (list: readonly Item[]): Ends =>
    list.map(lever).reduce((a, b) => ({ lo: a.lo + b.lo, hi: a.hi + b.hi }), { lo: 0, hi: 0 });
  const own = (m: number, list: readonly Item[]) => product(s.masses[m]!, levers(list));
  let gained = false;
  for (const [m, list] of groups) {
    const sums = new Sums();
    for (const [n, l] of groups) sums.add(own(n, l));
    const rest = sums.without(own(m, list));
    const mass = s.masses[m]!;
    // m A = -rest
    const a = levers(list);
    if (a.lo > 0 || a.hi < 0) {
      const q = divided({ lo: -rest.hi, hi: -rest.lo }, a);
      const by = narrow(mass, q.lo, q.hi);
      if (by === null) return null;
      gained ||= by;
    } else if (rest.lo > 0 && !reaches(mass, a, -rest.lo, -1)) return null;
    else if (rest.hi < 0 && !reaches(mass, a, -rest.hi, 1)) return null;
    if (!(mass.lo > 0)) continue;
    for (const i of list) {
      if (i.off === null) continue;
      const others = list.filter((o) => o !== i).map(lever);
      const beside = others.reduce((x, y) => ({ lo: x.lo + y.lo, hi: x.hi + y.hi }), {
        lo: 0,
        hi: 0,
      });
      const q = divided({ lo: -rest.hi, hi: -rest.lo }, mass);
      const by = narrow(
        s.offs[i.off]!,
        q.lo - beside.hi - i.at - i.slack,
        q.hi - beside.lo - i.at + i.slack,
      );
      if (by === null) return null;
      gained ||= by;
    }
  }
  return gained;
}

/** Whether a mass on levers may pull as hard as the rest asks for. */
function reaches(mass: Ends, a: Ends, wanted: number, sign: 1 | -1): boolean {
  const own = product(mass, a);
  const slack = SEEN * Math.max(1, Math.abs(wanted));
  return sign > 0 ? own.hi >= wanted - slack : own.lo <= wanted + slack;
}

/** Quotient of two intervals, the second without 0. */
function divided(a: Ends, b: Ends): Ends {
  const all = [a.lo, a.hi].flatMap((x) => [b.lo, b.hi].map((y) => x / y));
  return {
    lo: all.some(Number.isNaN) ? -Infinity : Math.min(...all),
    hi: all.some(Number.isNaN) ? Infinity : Math.max(...all),
  };
}

/** A measurement as one straight equation: factors of the unknowns, what is left, and its weight. */
interface Line {
  k: Map<number, number>;
  left: number;
  tol: number;
}

/**
 * Each unknown where weighted least squares puts it inside its interval. Masses come first in the
 * list, doubts after them.
 */
function settled(
  s: State,
  masses: readonly Unknown[],
  offs: readonly Unknown[],
  rows: readonly Row[],
): State {
  const n = s.masses.length;
  const ends = [...s.masses, ...s.offs];
  const was = [...masses, ...offs];
  // Nothing is known of it but what is left: the middle of that, as loose as it is wide.
  const start = ends.map((e, i) => was[i]!.value ?? middle(e));
  const tol = ends.map((e, i) => {
    const w = was[i]!;
    return w.value === null || !Number.isFinite(w.hi - w.lo)
      ? halfOf(e)
      : Math.max(0, (w.hi - w.lo) / 2);
  });
  let x = [...start];
  const said = rows.filter((r) => finite(r, s));
  for (let turn = 0; turn < 6; turn++) x = step(x, start, tol, ends, linesOf(said, x, n));
  const put = (e: Unknown, i: number): Unknown => ({
    ...e,
    value: Number.isFinite(e.hi) ? x[i]! : was[i]!.value,
  });
  return {
    masses: s.masses.map((e, i) => put(e, i)),
    offs: s.offs.map((e, i) => put(e, n + i)),
  };
}

const middle = (e: Ends) => (Number.isFinite(e.hi - e.lo) ? (e.lo + e.hi) / 2 : 0);
const halfOf = (e: Ends) => (Number.isFinite(e.hi - e.lo) ? (e.hi - e.lo) / 2 : 0);
const inside = (v: number, e: Ends) => Math.min(e.hi, Math.max(e.lo, v));

/** Whether all that a measurement rests on has an end; what has none can be taken as anything. */
function finite(row: Row, s: State): boolean {
  const known = (u: Unknown) => Number.isFinite(u.lo) && Number.isFinite(u.hi);
  return row.what === 'sum'
    ? row.items.every((m) => known(s.masses[m]!))
    : row.items.every(
        (i) =>
          known(s.masses[i.mass]!) &&
          Number.isFinite(i.slack) &&
          (i.off === null || known(s.offs[i.off]!)),
      );
}

/** Measurements as straight lines near x. */
function linesOf(rows: readonly Row[], x: readonly number[], n: number): Line[] {
  return rows.map((row): Line => {
    const k = new Map<number, number>();
    const add = (i: number, by: number) => k.set(i, (k.get(i) ?? 0) + by);
    if (row.what === 'sum') {
      let sum = 0;
      for (const m of row.items) {
        add(m, 1);
        sum += x[m]!;
      }
      return { k, left: row.sum.value - sum, tol: (row.sum.hi - row.sum.lo) / 2 };
    }
    let sum = 0;
    let loose = 0;
    for (const i of row.items) {
      const lever = i.at + (i.off === null ? 0 : x[n + i.off]!);
      add(i.mass, lever);
      if (i.off !== null) add(n + i.off, x[i.mass]!);
      sum += x[i.mass]! * lever;
      loose += x[i.mass]! * i.slack;
    }
    return { k, left: -sum, tol: loose };
  });
}

/**
 * One step of weighted least squares towards `start`: `x0 + W A' (A W A' + R)^-1 (b - A x0)`. What would
 * leave its interval is put to its end and the rest is solved again.
 */
function step(
  at: readonly number[],
  start: readonly number[],
  tol: readonly number[],
  ends: readonly Ends[],
  lines: readonly Line[],
): number[] {
  const held = new Map<number, number>();
  for (let turn = 0; turn <= at.length; turn++) {
    const base = start.map((v, i) => held.get(i) ?? v);
    const w = tol.map((t, i) => (held.has(i) ? 0 : t * t));
    const right = lines.map(({ k, left }) =>
      [...k].reduce((sum, [i, f]) => sum + f * (at[i]! - base[i]!), left),
    );
    const matrix = lines.map((a, r) =>
      lines.map((b, c) => {
        let sum = r === c ? a.tol * a.tol + 1e-9 : 0;
        for (const [i, f] of a.k) sum += f * w[i]! * (b.k.get(i) ?? 0);
        return sum;
      }),
    );
    const y = solved(matrix, right);
    const x = base.map((v, i) =>
      held.has(i) ? v : v + w[i]! * lines.reduce((sum, l, r) => sum + (l.k.get(i) ?? 0) * y[r]!, 0),
    );
    const out = x.findIndex(
      (v, i) => !held.has(i) && (v < ends[i]!.lo - 1e-9 || v > ends[i]!.hi + 1e-9),
    );
    if (out < 0) return x.map((v, i) => inside(v, ends[i]!));
    x.forEach((v, i) => {
      if (!held.has(i) && (v < ends[i]!.lo - 1e-9 || v > ends[i]!.hi + 1e-9))
        held.set(i, inside(v, ends[i]!));
    });
  }
  return at.map((v, i) => inside(v, ends[i]!));
}

/** Solves a small set of equations by elimination, the largest first. */
function solved(matrix: number[][], right: number[]): number[] {
  const n = right.length;
  const m = matrix.map((row, i) => [...row, right[i]!]);
  for (let c = 0; c < n; c++) {
    let best = c;
    for (let r = c + 1; r < n; r++) if (Math.abs(m[r]![c]!) > Math.abs(m[best]![c]!)) best = r;
    [m[c], m[best]] = [m[best]!, m[c]!];
    const pivot = m[c]![c]!;
    if (Math.abs(pivot) < 1e-12) continue;
    for (let r = 0; r < n; r++) {
      if (r === c) continue;
      const f = m[r]![c]! / pivot;
      if (f !== 0) for (let k = c; k <= n; k++) m[r]![k]! -= f * m[c]![k]!;
    }
  }
  return m.map((row, i) => (Math.abs(row[i]!) < 1e-12 ? 0 : row[n]! / row[i]!));
}
