import type { Given } from './given';

/**
 * A length that is a sum of given numbers: where a part stands, how far out it goes. Stations on a
 * rig are such sums, so their doubt is too, and a number that stands in two of them cancels when
 * the two are compared.
 */
export interface Lin {
  c: number;
  terms: readonly { g: Given; k: number }[];
}

export const ZERO: Lin = { c: 0, terms: [] };

export function lin(c: number): Lin {
  return { c, terms: [] };
}

export function of(g: Given, k = 1): Lin {
  return { c: 0, terms: [{ g, k }] };
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

function joined(a: Lin, b: Lin, k: number): Lin {
  const n = a.terms.length;
  const terms = new Array<{ g: Given; k: number }>(n + b.terms.length);
  for (let i = 0; i < n; i++) terms[i] = a.terms[i]!;
  for (let i = 0; i < b.terms.length; i++) {
    const t = b.terms[i]!;
    terms[n + i] = k === 1 ? t : { g: t.g, k: t.k * k };
  }
  return { c: a.c + k * b.c, terms };
}

/** The same sum with every number in it once; what cancels is gone. */
export function net(l: Lin): Lin {
  const terms: { g: Given; k: number }[] = [];
  for (const t of l.terms) {
    const known = terms.find((x) => x.g === t.g);
    if (known) known.k += t.k;
    else terms.push({ ...t });
  }
  return { c: l.c, terms: terms.filter((t) => t.k !== 0) };
}

/** The least that `a - b` can be inside the tolerances: what stands in both cancels. */
export function leastGap(a: Lin, b: Lin): number {
  let sum = a.c - b.c;
  let loose = 0;
  const seen: Given[] = [];
  const weigh = (g: Given) => {
    if (seen.includes(g)) return;
    seen.push(g);
    let k = 0;
    for (const t of a.terms) if (t.g === g) k += t.k;
    for (const t of b.terms) if (t.g === g) k -= t.k;
    if (k === 0) return;
    sum += k * (g.known?.value ?? 0);
    loose += Math.abs(k) * (g.known?.tol ?? Infinity);
  };
  for (const t of a.terms) weigh(t.g);
  for (const t of b.terms) weigh(t.g);
  return sum - loose;
}

/** Reads a given number: as it is, or as something tries it. */
export type Read = (g: Given) => number;

/** The value, every number as `read` has it. */
export function at(l: Lin, read: Read): number {
  let sum = l.c;
  for (const { g, k } of l.terms) sum += k * read(g);
  return sum;
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
