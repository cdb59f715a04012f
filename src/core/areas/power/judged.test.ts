import fc from 'fast-check';
import { eachKept, keeper } from './model/judged';

/** What is kept of lists against making all of it anew. */

interface Item {
  n: number;
}

const items = Array.from({ length: 12 }, (_, n): Item => ({ n }));
const list = fc.array(fc.constantFrom(...items), { maxLength: 15 });
const deps = fc.constantFrom(1, 2);

it('comes to what is made of each, whatever came before', () => {
  fc.assert(
    fc.property(fc.array(fc.tuple(list, deps), { minLength: 1, maxLength: 12 }), (rounds) => {
      const each = eachKept<Item, string>();
      for (const [now, by] of rounds)
        expect(each(now, [by], ({ n }) => `${n} by ${by}`)).toEqual(
          now.map((i) => `${i.n} by ${by}`),
        );
    }),
    { numRuns: 500 },
  );
});

it('makes nothing of what stood in the list before, nor of what moved because something came in', () => {
  const each = eachKept<Item, string>();
  const made: number[] = [];
  const of = (now: readonly Item[], by = 1) =>
    each(now, [by], ({ n }) => {
      made.push(n);
      return String(n);
    });
  const [a, b, c, d] = items as [Item, Item, Item, Item];
  const first = of([a, b, c]);
  expect(of([a, b, c])).toBe(first);
  of([a, d, b, c]);
  of([a, b, c]);
  expect(made).toEqual([0, 1, 2, 3]);
  of([a, b, c], 2);
  expect(made).toEqual([0, 1, 2, 3, 0, 1, 2]);
});

it('is made anew where what it rests on is another, and of a changed thing', () => {
  const kept = keeper<object>();
  const [a, b] = items as [Item, Item];
  const one = kept(a, [1, b], () => ({}));
  expect(kept(a, [1, b], () => ({}))).toBe(one);
  expect(kept(a, [2, b], () => ({}))).not.toBe(one);
  expect(kept(a, [1], () => ({}))).not.toBe(one);
  expect(kept({ ...a }, [1, b], () => ({}))).not.toBe(one);
});
