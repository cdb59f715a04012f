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
  let c = 0;
  const terms: { g: Given; k: number }[] = [];
  for (const l of list) {
    c += l.c;
    for (const t of l.terms) terms.push(t);
  }
  return { c, terms };
}

export function times(l: Lin, k: number): Lin {
  return { c: l.c * k, terms: l.terms.map((t) => ({ g: t.g, k: t.k * k })) };
}

export function minus(a: Lin, b: Lin): Lin {
  return plus(a, times(b, -1));
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
  const terms = l.terms.map((t) => ({ k: t.k, i: inputs.indexOf(t.g) }));
  return (x: readonly number[]) => {
    let sum = l.c;
    for (const t of terms) sum += t.k * x[t.i]!;
    return sum;
  };
}
