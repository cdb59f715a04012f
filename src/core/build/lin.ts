import type { Given } from './given';

/**
 * A length that is a sum of given numbers: where a part stands, how far out it goes. Stations on a
 * rig are such sums, so their doubt is too, and a number that stands in two of them cancels when
 * the two are compared.
 */
export interface Lin {
  c: number;
  /** Every number once. */
  terms: readonly { g: Given; k: number }[];
  /** No tolerance moves it by more than this; without bound while a number is missing. */
  loose: number;
  /** Kept by {@link nominal}. */
  value?: number;
}

export const ZERO: Lin = { c: 0, terms: [], loose: 0 };

export function lin(c: number): Lin {
  return { c, terms: [], loose: 0 };
}

export function of(g: Given, k = 1): Lin {
  return { c: 0, terms: [{ g, k }], loose: k === 0 ? 0 : Math.abs(k) * (g.known?.tol ?? Infinity) };
}

export function plus(...list: readonly Lin[]): Lin {
  let sum = list[0] ?? ZERO;
  for (let i = 1; i < list.length; i++) sum = joined(sum, list[i]!, 1);
  return sum;
}

export function times(l: Lin, k: number): Lin {
  return joined(ZERO, l, k);
}

export function minus(a: Lin, b: Lin): Lin {
  return joined(a, b, -1);
}

/** `a + k b`; a number that stands in both stands once in the sum, also where it cancels. */
function joined(a: Lin, b: Lin, k: number): Lin {
  const n = a.terms.length;
  const terms = a.terms.slice();
  for (const t of b.terms) {
    let i = 0;
    while (i < n && terms[i]!.g !== t.g) i++;
    const own = k * t.k;
    if (i < n) terms[i] = { g: t.g, k: terms[i]!.k + own };
    else terms.push(k === 1 ? t : { g: t.g, k: own });
  }
  return { c: a.c + k * b.c, terms, loose: a.loose + (k === 0 ? 0 : Math.abs(k) * b.loose) };
}

/** Whether two sums are of the same numbers, as often, in the same order. */
export function sameLin(a: Lin, b: Lin): boolean {
  return (
    a === b ||
    (a.c === b.c &&
      a.terms.length === b.terms.length &&
      a.terms.every((t, i) => t.g === b.terms[i]!.g && t.k === b.terms[i]!.k))
  );
}

/** The same sum without the numbers that cancel. */
export function net(l: Lin): Lin {
  return { c: l.c, terms: l.terms.filter((t) => t.k !== 0), loose: l.loose };
}

/** The least that `a - b` can be inside the tolerances: what stands in both cancels. */
export function leastGap(a: Lin, b: Lin): number {
  const [x, y] = [a.terms, b.terms];
  let least = a.c - b.c;
  for (let i = 0; i < x.length; i++) {
    const t = x[i]!;
    let k = t.k;
    for (let j = 0; j < y.length; j++) if (y[j]!.g === t.g) k -= y[j]!.k;
    if (k !== 0) least += leastOf(t.g, k);
  }
  for (let j = 0; j < y.length; j++) {
    const t = y[j]!;
    let i = 0;
    while (i < x.length && x[i]!.g !== t.g) i++;
    if (i === x.length && t.k !== 0) least += leastOf(t.g, -t.k);
  }
  return least;
}

/** The least that `k` times a number can be; without bound where nobody gave it. */
function leastOf({ known }: Given, k: number): number {
  return known === null ? -Infinity : k * known.value - Math.abs(k) * known.tol;
}

/** Reads a given number: as it is, or as something tries it. */
export type Read = (g: Given) => number;

/** The value, every number as `read` has it. */
export function at(l: Lin, read: Read): number {
  let sum = l.c;
  for (const { g, k } of l.terms) sum += k * read(g);
  return sum;
}

/**
 * The value as the numbers are given; not a number while one is missing. What stands where it stood is
 * the same sum from one edit to the next, and is not added up again.
 */
export function nominal(l: Lin): number {
  return (l.value ??= at(l, (g) => g.known?.value ?? NaN));
}

/** Turns values in the order of `inputs` into a {@link Read}; other numbers stay as they are. */
export function reader(inputs: readonly Given[]): (x: readonly number[]) => Read {
  const index = new Map(inputs.map((g, i) => [g, i]));
  return (x) => (g) => {
    const i = index.get(g);
    return i === undefined ? (g.known?.value ?? 0) : x[i]!;
  };
}

/** The numbers it rests on, each once. */
export function givens(list: readonly Lin[]): Given[] {
  const seen = new Set<Given>();
  for (const l of list) for (const t of l.terms) seen.add(t.g);
  return [...seen];
}

/** A sum as a function of its numbers. */
export function asFunction(l: Lin, inputs: readonly Given[]) {
  const n = l.terms.length;
  const k = l.terms.map((t) => t.k);
  const i = l.terms.map((t) => inputs.indexOf(t.g));
  return (x: readonly number[]) => {
    let sum = l.c;
    for (let t = 0; t < n; t++) sum += k[t]! * x[i[t]!]!;
    return sum;
  };
}
