import fc from 'fast-check';
import { Kept, node, onLateRead, sameList, type Cell, type Node, type Reader } from './reads';

interface Doc {
  a: number;
  b: number;
  list: Readonly<Record<string, number>>;
}
interface View {
  a: number;
  b: number;
  at: (key: string) => number | undefined;
  of: <T>(n: Node<View, T>) => T;
}

const A: Cell<Doc> = { read: (d) => d.a };
const B: Cell<Doc> = { read: (d) => d.b };
const AT: Cell<Doc> = { read: (d, key) => d.list[key] };

const viewOf = (r: Reader<Doc, View>): View => ({
  get a() {
    return r.cell(A) as number;
  },
  get b() {
    return r.cell(B) as number;
  },
  at: (key) => r.cell(AT, key) as number | undefined,
  of: (n) => r.node(n),
});
const kept = () => new Kept<Doc, View>(viewOf);
const doc = (more: Partial<Doc> = {}): Doc => ({ a: 1, b: 2, list: {}, ...more });

/** A node that counts how often it is made. */
function counted<T>(make: (v: View) => T, more: Pick<Node<View, T>, 'same' | 'settle'> = {}) {
  const made = { n: 0 };
  const own = node<View, T>(
    'own',
    (v) => {
      made.n++;
      return make(v);
    },
    more,
  );
  return { own, made };
}

describe('recorded reads', () => {
  test('a value stands while what it read is the same, and only then', () => {
    const store = kept();
    const { own, made } = counted((v) => v.a * 10);
    expect(store.at(doc()).node(own)).toBe(10);
    expect(store.at(doc({ b: 9, list: { x: 1 } })).node(own)).toBe(10);
    expect(made.n).toBe(1);
    expect(store.at(doc({ a: 3 })).node(own)).toBe(30);
    // Back again: the value of before is still there.
    expect(store.at(doc()).node(own)).toBe(10);
    expect(made.n).toBe(2);
    expect(store.counts).toEqual({ made: 2, stood: 2 });
  });

  test('what is not looked at does not count, also behind a turn in the way', () => {
    const store = kept();
    const { own, made } = counted((v) => (v.a > 0 ? v.at('x') : v.at('y')));
    const at = (a: number, x: number, y: number) => store.at(doc({ a, list: { x, y } })).node(own);
    expect(at(1, 5, 6)).toBe(5);
    expect(at(1, 5, 7)).toBe(5);
    expect(made.n).toBe(1);
    expect(at(-1, 5, 7)).toBe(7);
    expect(at(-1, 8, 7)).toBe(7);
    expect(made.n).toBe(2);
    // What is missing is read too: that it comes is a change.
    expect(store.at(doc({ list: {} })).node(own)).toBeUndefined();
    expect(at(1, 4, 7)).toBe(4);
  });

  test('nodes of nodes: one that comes out the same leaves what hangs on it alone', () => {
    const store = kept();
    const sign = counted((v) => Math.sign(v.a));
    const long = counted((v) => v.of(sign.own) * v.b);
    expect(store.at(doc({ a: 4 })).node(long.own)).toBe(2);
    expect(store.at(doc({ a: 9 })).node(long.own)).toBe(2);
    expect([sign.made.n, long.made.n]).toEqual([2, 1]);
    const list = counted((v) => [v.a > 0], { same: sameList });
    const after = counted((v) => v.of(list.own).length);
    const one = store.at(doc({ a: 4 })).node(list.own);
    store.at(doc({ a: 4 })).node(after.own);
    expect(store.at(doc({ a: 5 })).node(list.own)).toBe(one);
    store.at(doc({ a: 5 })).node(after.own);
    expect(after.made.n).toBe(1);
  });

  test('what is tried gives way to what is tried next, never what is', () => {
    const store = kept();
    const { own, made } = counted((v) => v.a);
    store.at(doc({ a: 1 })).node(own);
    for (let a = 10; a < 40; a++) expect(store.at(doc({ a }), true).node(own)).toBe(a);
    expect(made.n).toBe(31);
    store.at(doc({ a: 1 })).node(own);
    expect(made.n).toBe(31);
    // What was tried and then done is no trial any more.
    store.at(doc({ a: 39 })).node(own);
    for (let a = 50; a < 60; a++) store.at(doc({ a }), true).node(own);
    store.at(doc({ a: 39 })).node(own);
    expect(made.n).toBe(41);
  });

  test('only a few values of a node are kept', () => {
    const store = kept();
    const { own, made } = counted((v) => v.a);
    for (let a = 0; a < 100; a++) store.at(doc({ a })).node(own);
    expect(store.entries(own).length).toBeLessThanOrEqual(5);
    store.at(doc({ a: 99 })).node(own);
    store.at(doc({ a: 97 })).node(own);
    expect(made.n).toBe(100);
    store.at(doc({ a: 0 })).node(own);
    expect(made.n).toBe(101);
  });

  test('what a value puts off is made before it stands elsewhere, and what that reads counts', () => {
    const store = kept();
    interface Told {
      state: number;
      why: () => string;
    }
    let told = 0;
    const { own, made } = counted<Told>(
      (v) => {
        let why: string | null = null;
        return { state: v.a, why: () => (why ??= `${++told}: ${v.b}`) };
      },
      { settle: (t) => void t.why() },
    );
    const first = store.at(doc()).node(own);
    expect(told).toBe(0);
    // Another document with another word in the sentence: the value does not stand there.
    const other = store.at(doc({ b: 7 })).node(own);
    expect(made.n).toBe(2);
    expect(first.why()).toBe('1: 2');
    expect(other.why()).toBe('2: 7');
    // The same document again: it stands, its sentence made once.
    expect(store.at(doc({ list: { x: 1 } })).node(own)).toBe(first);
    expect([made.n, told]).toEqual([2, 2]);
  });

  test('reading on after the value is made is said, and a node that needs itself too', () => {
    const says: string[] = [];
    onLateRead((id) => says.push(id));
    try {
      const store = kept();
      const { own } = counted((v) => () => v.b);
      expect(store.at(doc()).node(own)()).toBe(2);
      expect(says).toEqual(['own']);
      const { own: ring } = counted((v): number => v.of(ring) + 1);
      expect(() => store.at(doc()).node(ring)).toThrow('own needs itself');
      // A throw leaves nothing behind.
      const fails = counted((v) => {
        if (v.a > 1) throw new RangeError('no');
        return v.a;
      });
      expect(() => store.at(doc({ a: 2 })).node(fails.own)).toThrow(RangeError);
      expect(store.at(doc({ a: 1 })).node(fails.own)).toBe(1);
    } finally {
      onLateRead((id) => {
        throw new Error(`${id} reads the rig after it was worked out`);
      });
    }
  });

  test('random nodes over random documents: always what they are made to without keeping', () => {
    const small = fc.integer({ min: 0, max: 2 });
    const docs = fc.record({
      a: small,
      b: small,
      list: fc.record({ x: small, y: small }, { requiredKeys: [] }),
    });
    const recipe = fc.record({
      on: fc.constantFrom('a', 'b', 'x', 'y'),
      then: fc.constantFrom('a', 'b', 'x', 'y'),
      deep: fc.boolean(),
    });
    fc.assert(
      fc.property(
        fc.array(recipe, { minLength: 1, maxLength: 6 }),
        fc.array(fc.tuple(docs, fc.boolean()), { minLength: 2, maxLength: 30 }),
        (recipes, steps) => {
          const read = (v: View, key: string) =>
            key === 'a' ? v.a : key === 'b' ? v.b : (v.at(key) ?? 9);
          const nodes: Node<View, number>[] = [];
          for (const r of recipes) {
            const below = nodes[nodes.length - 1];
            nodes.push(
              node('n', (v) => {
                const first = read(v, r.on);
                if (first === 0) return -1;
                return (r.deep && below ? v.of(below) * 10 : 0) + read(v, r.then);
              }),
            );
          }
          const store = kept();
          for (const [d, draft] of steps)
            for (const n of nodes) expect(store.at(d, draft).node(n)).toBe(kept().at(d).node(n));
        },
      ),
      { numRuns: 300 },
    );
  });
});
