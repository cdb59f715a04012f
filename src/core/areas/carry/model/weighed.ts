import { constant, given, type Given } from '../../../build/given';
import { lin, of, plus, type Lin } from '../../../build/lin';
import type { Built } from '../../../build/build';
import { node, sameList } from '../../../engine/reads';
import type { Part, SeenPiece, Weighing } from '../../../kit/types';
import { quotient } from './extremes';
import { filed, type Filed, type Poise } from './filed';
import { isOf, latestFirst, leverOf, matched, measuredOf, placeThen, weighedAs } from './rows';
import { unweighed, type Weight } from './weights';

/** Every part of the rig as a weight, by all that is known of it: its own numbers, and what was measured. */
export function weightsOf(built: Built): readonly Weight[] {
  return built.once(WEIGHTS);
}

const WEIGHTS = node('weights', (built: Built): readonly Weight[] => {
  const list = unweighed(built);
  const { masses, offs } = measuredOf(built);
  if (masses.size === 0 && offs.size === 0) return list;
  return list.map((w): Weight => {
    const off = w.off.map((g) => (g && offs.get(g)) ?? g) as unknown as Weight['off'];
    return {
      ...w,
      mass: masses.get(w.part.id) ?? w.mass,
      off,
      at: w.at.map((l, k) => swapped(l, w.off[k as 0], off[k as 0])) as unknown as Weight['at'],
    };
  });
});

function swapped(l: Lin, was: Given | null, now: Given | null): Lin {
  if (!was || !now || was === now) return l;
  const terms = l.terms.map((t) => (t.g === was ? { g: now, k: t.k } : t));
  return { c: l.c, terms, loose: l.loose - was.known!.tol + now.known!.tol };
}

/**
 * The weights of a rig as its balance is worked out of them. Where it was balanced, all that was on
 * then is as one weight there, and only what was moved, put on or taken off since counts by itself.
 */
export function poisedOf(built: Built): Filed {
  return built.once(POISED);
}

const POISED = node('weights to balance', (built: Built): Filed => {
  const weights = weightsOf(built);
  const raw = weights.map((w): Poise => ({ mass: w.mass, at: w.at, on: true }));
  const records = latestFirst(built).filter((w) => w.what !== 'scale' && isOf(w, built));
  if (records.length === 0) return filed(raw);
  const places = raw.map((p) => [...p.at] as [Lin, Lin, Lin]);
  const gone: Poise[] = [];
  for (const k of [0, 1, 2] as const) {
    const first = filed(raw);
    let best = { wide: widthAlong(first, k), poises: null as Poise[] | null };
    for (const w of records) {
      const poises = afterBalance(built, w, weights, k);
      if (!poises) continue;
      const wide = widthAlong(filed(poises), k);
      if (wide < best.wide) best = { wide, poises };
    }
    if (!best.poises) continue;
    best.poises.forEach((p, i) => {
      if (i < places.length) places[i]![k] = p.at[k];
      else gone.push(p);
    });
  }
  return filed([...raw.map((p, i): Poise => ({ ...p, at: places[i]! })), ...gone]);
});

const ONE = { plus: lin(1) };

/** How wide the doubt of the centre is along an axis; without end while a number is missing. */
function widthAlong(f: Filed, k: 0 | 1 | 2): number {
  const q = quotient(f, { [(['x', 'y', 'z'] as const)[k]]: 1 }, ONE);
  if (q.inputs.some((g) => g.known === null)) return Infinity;
  const { lo, hi } = q.spread();
  return hi - lo;
}

/** What counts as not moved, mm. */
const STILL = 0.05;

/** The weights along one axis by where they balanced together; what was taken off comes last. */
function afterBalance(
  built: Built,
  w: Weighing,
  weights: readonly Weight[],
  k: 0 | 1 | 2,
): Poise[] | null {
  const centre = centreThen(built, w, k);
  if (!centre) return null;
  const match = new Map<Weight, SeenPiece>();
  const own = unweighed(built);
  for (const [s, now] of matched(w, own)) match.set(weights[own.indexOf(now)]!, s);
  const none = lin(0);
  const along = (l: Lin): Poise['at'] => [
    k === 0 ? l : none,
    k === 1 ? l : none,
    k === 2 ? l : none,
  ];
  const on = weights.map((now): Poise => {
    const s = match.get(now);
    if (!s) return { mass: now.mass, at: along(now.at[k]), on: true };
    const moved = now.middle[k] - s.at[k];
    // Where nobody knew then where it was, it cannot be told from a number that was measured since.
    const slack = s.loose ? now.at[k].loose - (now.off[k]?.known?.tol ?? 0) : Infinity;
    const by =
      Math.abs(moved) < STILL ? [] : [lin(moved), of(looseBy(`where ${now.part.name} is`, slack))];
    return { mass: now.mass, at: along(plus(of(centre), ...by)), on: true };
  });
  const still = new Set(match.values());
  const off = w.on
    .filter((s) => !still.has(s))
    .map((s): Poise => {
      const then = placeThen(s);
      const place = plus(
        lin(-then.at[k]),
        of(looseBy(`where ${nameOf(built, s.part)} was`, then.slack[k]), -1),
      );
      return { mass: massIn(built, s.part), at: along(plus(of(centre), place)), on: false };
    });
  return [...on, ...off];
}

const nameOf = (built: Built, id: string) =>
  built.kit.get(id)?.name ?? 'a part that is not in the kit';

function looseBy(label: string, tol: number): Given {
  return constant(
    label,
    'mm',
    Number.isFinite(tol) ? { value: 0, tol, from: 'guess', lo: -tol, hi: tol } : null,
  );
}

/** The mass of a part by all that is known of it. */
function massIn(built: Built, id: string): Given {
  const own = measuredOf(built).masses.get(id);
  if (own) return own;
  const part: Part | undefined = built.kit.get(id);
  return part ? given(part, 'mass') : constant('mass of a part that is not in the kit', 'g', null);
}

/** Where the centre was when it was measured, along an axis; null where it says nothing of that. */
function centreThen(built: Built, w: Weighing, k: 0 | 1 | 2): Given | null {
  const lever = leverOf(w);
  if (lever?.way.k !== k) return null;
  const { at, tol, way, turned } = lever;
  const label = w.what === 'edge' ? 'where it balanced on an edge' : 'where it hung';
  const made = (value: number, loose: number) =>
    constant(label, 'mm', {
      value: way.sign * value,
      tol: loose,
      from: 'measured',
      lo: way.sign * value - loose,
      hi: way.sign * value + loose,
    });
  if (!turned) return made(at, tol);
  // How far the centre hung below the hold is only worked out: that doubt comes with it.
  const high = filed(
    w.on.map((s): Poise => {
      const then = placeThen(s);
      const l = plus(
        lin(then.at[turned.up.k]),
        of(looseBy('where it was', then.slack[turned.up.k])),
      );
      return { mass: massIn(built, s.part), at: [l, l, l], on: true };
    }),
  );
  const q = quotient(high, { x: turned.up.sign }, ONE);
  if (q.inputs.some((g) => g.known === null)) return null;
  const c = q.spread();
  const drop = turned.from - c.value;
  const loose = Math.max(c.hi - c.value, c.value - c.lo);
  return made(
    at + turned.t * drop,
    Math.abs(turned.t) * loose + turned.tol * (Math.abs(drop) + loose),
  );
}

/** All of its mass, g: what was weighed together as one, what came on and went off since by itself. */
export interface Total {
  /** Parts that are weighed, each once, and how many pieces they are. */
  parts: readonly string[];
  pieces: number;
  inputs: Given[];
  /** Each number of it as often as it counts; below 0 what was taken off since it was weighed. */
  counts: readonly number[];
  value: (x: readonly number[]) => number;
}

export function totalOf(built: Built): Total {
  return built.once(TOTAL);
}

/** What is weighed, part by part; where it stands says nothing of its mass. */
const WEIGHED = node(
  'what is weighed',
  (built: Built): readonly string[] => unweighed(built).map((w) => w.part.id),
  { same: sameList },
);

const TOTAL = node('mass of all', (built: Built): Total => {
  const own = tally(built.once(WEIGHED));
  const on = [...own.keys()];
  let best = sumOf(built, on, own, []);
  for (const w of latestFirst(built)) {
    if (w.what !== 'scale') continue;
    const known = weighedAs(w);
    if (!known) continue;
    const rest = new Map(own);
    for (const [id, n] of tally(w.on.map((s) => s.part))) rest.set(id, (rest.get(id) ?? 0) - n);
    const loose = (known.hi - known.lo) / 2;
    const whole = constant('what the scale said', 'g', {
      value: known.value,
      tol: loose,
      from: 'measured',
      lo: known.lo,
      hi: known.hi,
    });
    const one = sumOf(built, on, rest, [whole]);
    if (widthOf(one) < widthOf(best)) best = one;
  }
  return best;
});

function tally(ids: readonly string[]): Map<string, number> {
  const out = new Map<string, number>();
  for (const id of ids) out.set(id, (out.get(id) ?? 0) + 1);
  return out;
}

function sumOf(
  built: Built,
  parts: readonly string[],
  times: ReadonlyMap<string, number>,
  whole: readonly Given[],
): Total {
  const of = [...times].filter(([, n]) => n !== 0);
  const inputs = [...whole, ...of.map(([id]) => massIn(built, id))];
  const counts = [...whole.map(() => 1), ...of.map(([, n]) => n)];
  return {
    parts,
    pieces: built.once(WEIGHED).length,
    inputs,
    counts,
    value: (x) => counts.reduce((sum, n, i) => sum + n * x[i]!, 0),
  };
}

const widthOf = ({ inputs, counts }: Total) =>
  inputs.reduce((sum, g, i) => sum + Math.abs(counts[i]!) * (g.known ? g.known.tol : Infinity), 0);

/** Ends of a sum of masses, g; null while one is missing. */
export function endsOfTotal({
  inputs,
  counts,
}: Pick<Total, 'inputs' | 'counts'>): { value: number; lo: number; hi: number } | null {
  const out = { value: 0, lo: 0, hi: 0 };
  for (const [i, g] of inputs.entries()) {
    if (!g.known) return null;
    const n = counts[i]!;
    const [lo, hi] = [Math.max(0, g.known.lo), g.known.hi];
    out.value += n * g.known.value;
    out.lo += n * (n > 0 ? lo : hi);
    out.hi += n * (n > 0 ? hi : lo);
  }
  return out;
}

/** Share of the doubt of a sum of masses that each of its numbers causes. */
export function sharesOfTotal({ inputs, counts }: Total): number[] {
  const wide = inputs.map(({ known }, i) =>
    known ? Math.abs(counts[i]!) * (known.hi - Math.max(0, known.lo)) : 0,
  );
  const all = wide.reduce((a, b) => a + b, 0);
  return wide.map((w) => (all > 0 ? w / all : 0));
}
