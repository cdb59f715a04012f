import fc from 'fast-check';
import { constant, type Given } from '../../build/given';
import { lin, of, plus, type Lin } from '../../build/lin';
import { quotient, type Quotient } from './model/extremes';
import { filed } from './model/filed';

const known = (value: number, tol: number): Given =>
  constant('x', 'mm', { value, tol, from: 'guess', lo: value - tol, hi: value + tol });

const num = (min: number, max: number) => fc.double({ min, max, noNaN: true });
const weight = fc.record({
  m: num(50, 3000),
  tol: num(0, 0.2),
  z: num(-200, 200),
  zt: num(0, 15),
  y: num(40, 300),
  yt: num(0, 12),
  shared: fc.boolean(),
});
type W = { m: number; tol: number; z: number; zt: number; y: number; yt: number; shared: boolean };

interface Term {
  mass: Given;
  over: Lin;
  under: Lin;
}

/** The quotient of two sums, each in an axis of its own. */
function quotientOf(terms: readonly Term[]): Quotient {
  const at = (t: Term) => [t.over, t.under, lin(0)] as const;
  const list = terms.map((t) => ({ mass: t.mass, at: at(t), on: true }));
  return quotient(filed(list), { x: 1 }, { y: 1 });
}

/** Terms of a tangent: ahead over below; some of them stand on one riser whose height all share. */
function tangent(list: readonly W[]): Term[] {
  const riser = known(0, 6);
  return list.map((w) => ({
    mass: known(w.m, w.m * w.tol),
    over: plus(lin(w.z), of(known(0, w.zt))),
    under: plus(lin(w.y + 20), of(known(0, w.yt)), w.shared ? of(riser) : lin(0)),
  }));
}

describe('the interval of a quotient of sums', () => {
  test('every corner of small ones, and no point between is outside (exhaustive)', () => {
    fc.assert(
      fc.property(fc.array(weight, { minLength: 1, maxLength: 4 }), (list) => {
        const q = quotientOf(tangent(list));
        const s = q.spread();
        const n = q.inputs.length;
        let [lo, hi] = [Infinity, -Infinity];
        for (let corner = 0; corner < 1 << n; corner++) {
          const x = q.inputs.map((g, i) => ((corner >> i) & 1 ? g.known!.hi : g.known!.lo));
          const v = q.f(x);
          lo = Math.min(lo, v);
          hi = Math.max(hi, v);
        }
        // A quotient of two sums that are linear in each number is monotone in each: corners are enough.
        return Math.abs(s.lo - lo) < 1e-9 && Math.abs(s.hi - hi) < 1e-9;
      }),
      { numRuns: 300 },
    );
  });

  test('10,000 draws of twenty weights stay inside and come near both ends', () => {
    const list = Array.from({ length: 20 }, (_, i) => ({
      m: 100 + 90 * i,
      tol: 0.05,
      z: -150 + 17 * i,
      zt: 8,
      y: 60 + 7 * i,
      yt: 5,
      shared: i % 3 === 0,
    }));
    const q = quotientOf(tangent(list));
    const s = q.spread();
    let seed = 7;
    const random = () => ((seed = (seed * 16807) % 2147483647) - 1) / 2147483646;
    let [lo, hi] = [Infinity, -Infinity];
    for (let i = 0; i < 10_000; i++) {
      // Ends rather than middles: otherwise twenty numbers never conspire.
      const up = i % 2 === 0;
      const x = q.inputs.map((g, k) => {
        const t = random() < 0.9 ? ends(q, k, s.value, up) : random();
        return g.known!.lo + t * (g.known!.hi - g.known!.lo);
      });
      const v = q.f(x);
      expect(v >= s.lo - 1e-9 && v <= s.hi + 1e-9).toBe(true);
      lo = Math.min(lo, v);
      hi = Math.max(hi, v);
    }
    expect((hi - lo) / (s.hi - s.lo)).toBeGreaterThan(0.8);
  });

  test('a denominator that may be nothing has no end', () => {
    const s = quotientOf([
      { mass: known(100, 0), over: lin(5), under: plus(lin(1), of(known(0, 2))) },
    ]).spread();
    expect(s.hi).toBe(Infinity);
  });

  test('what moves all alike cancels; shares add up to one', () => {
    const base = known(0, 50);
    const s = quotientOf(
      [100, 300].map((m, i) => ({
        mass: known(m, 10),
        over: plus(of(base), of(base, -1), lin(10 * i)),
        under: lin(1),
      })),
    );
    expect(s.inputs).not.toContain(base);
    expect(s.spread().shares.reduce((a, b) => a + b, 0)).toBeCloseTo(1, 9);
  });
});

/** Which end of a number raises the quotient, found by moving it alone. */
function ends(q: Quotient, k: number, from: number, up: boolean): number {
  const x = q.inputs.map((g) => g.known!.value);
  x[k] = q.inputs[k]!.known!.hi;
  return q.f(x) >= from === up ? 1 : 0;
}
