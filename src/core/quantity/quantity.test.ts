import { defaultTolerance, known, valueOf } from './quantity';
import { absolute, spread } from './spread';
import { exact, metres, mm, plain, say, sayRange, signed } from './say';
import fc from 'fast-check';

describe('quantities', () => {
  // House defaults of the trade, no published source: measured 0.1, flange 0.05, sheet 0.5,
  // image circle 1.0, guess one in ten.
  test('default tolerances', () => {
    expect(defaultTolerance(77, 'length', 'measured')).toBe(0.1);
    expect(defaultTolerance(20, 'flange', 'measured')).toBe(0.05);
    expect(defaultTolerance(77, 'length', 'sheet')).toBe(0.5);
    expect(defaultTolerance(43, 'circle', 'sheet')).toBe(1);
    expect(defaultTolerance(80, 'length', 'guess')).toBe(8);
    expect(defaultTolerance(-80, 'length', 'guess')).toBe(8);
  });

  test('a bare number is from the sheet', () => {
    expect(known(43.3, 'circle')).toEqual({
      value: 43.3,
      tol: 1,
      from: 'sheet',
      lo: 42.3,
      hi: 44.3,
    });
  });

  test('a stated tolerance stands, also zero', () => {
    expect(known({ value: 5, tol: 0, from: 'guess' })).toMatchObject({ tol: 0, lo: 5, hi: 5 });
  });

  test('missing stays missing', () => {
    expect(known(undefined)).toBeNull();
    expect(known(null)).toBeNull();
    expect(known(NaN)).toBeNull();
    expect(known({ value: Infinity })).toBeNull();
    expect(valueOf(undefined)).toBeNull();
    expect(valueOf({ value: 3 })).toBe(3);
  });
});

describe('tolerances through a formula', () => {
  const range = fc
    .tuple(
      fc.double({ min: 0.5, max: 50, noNaN: true }),
      fc.double({ min: 0, max: 0.4, noNaN: true }),
    )
    .map(([value, t]) => ({ value, lo: value - t, hi: value + t }));

  test('contains every draw and is reached at its ends, for a monotone formula', () => {
    fc.assert(
      fc.property(
        range,
        range,
        range,
        fc.array(fc.double({ min: 0, max: 1, noNaN: true }), { minLength: 30, maxLength: 30 }),
        (a, b, c, draws) => {
          const f = (x: readonly number[]) =>
            (x[0]! * x[1]!) / 2 - Math.hypot(x[1]!, x[2]!) / 2 - x[2]!;
          const monotone = (x: readonly number[]) => Math.min(x[0]! * x[1]!, 40) - x[2]!;
          for (const g of [monotone]) {
            const s = spread([a, b, c], g);
            for (let i = 0; i + 2 < draws.length; i += 3) {
              const v = g([a, b, c].map((r, k) => r.lo + (r.hi - r.lo) * draws[i + k]!));
              expect(v).toBeGreaterThanOrEqual(s.lo - 1e-9);
              expect(v).toBeLessThanOrEqual(s.hi + 1e-9);
            }
            const corners = [0, 1, 2, 3, 4, 5, 6, 7].map((m) =>
              g([a, b, c].map((r, k) => ((m >> k) & 1 ? r.hi : r.lo))),
            );
            expect(s.lo).toBeCloseTo(Math.min(...corners), 9);
            expect(s.hi).toBeCloseTo(Math.max(...corners), 9);
          }
          expect(Number.isFinite(f([a.value, b.value, c.value]))).toBe(true);
        },
      ),
    );
  });

  test('shares say which input causes the doubt', () => {
    const s = spread(
      [
        { value: 10, lo: 9, hi: 11 },
        { value: 5, lo: 4.5, hi: 5.5 },
        { value: 1, lo: 1, hi: 1 },
      ],
      (x) => x[0]! - x[1]! + x[2]!,
    );
    expect(s.shares[0]).toBeCloseTo(2 / 3, 12);
    expect(s.shares[1]).toBeCloseTo(1 / 3, 12);
    expect(s.shares[2]).toBe(0);
  });

  test('absolute value of an interval', () => {
    expect(absolute({ value: 0.01, lo: -0.02, hi: 0.04 })).toEqual({
      value: 0.01,
      lo: 0,
      hi: 0.04,
    });
    expect(absolute({ value: -3, lo: -4, hi: -2 })).toEqual({ value: 3, lo: 2, hi: 4 });
  });
});

describe('numbers as they are said', () => {
  test('lengths', () => {
    expect(mm(0.344)).toBe('0.34 mm');
    expect(mm(31.46)).toBe('31.5 mm');
    expect(mm(-0.5)).toBe('\u22120.50 mm');
    expect(metres(2500)).toBe('2.50 m');
    expect(metres(Infinity)).toBe('infinity');
  });

  test('signs, zeros and ranges', () => {
    expect(signed(0.7)).toBe('+0.70');
    expect(signed(-0.001, 2)).toBe('0.00');
    expect(signed(0)).toBe('0.00');
    expect(sayRange(-0.8, 0.2, 'mm')).toBe('\u22120.80 to +0.20 mm');
    expect(exact(-2, 1)).toBe('\u22122.0');
  });

  test('plain drops zeros behind the point only', () => {
    expect(plain(100)).toBe('100');
    expect(plain(30.9, 4)).toBe('30.9');
    expect(plain(0.71, 3)).toBe('0.71');
    expect(plain(2, 2)).toBe('2');
    expect(plain(Infinity)).toBe('infinity');
  });

  test('units', () => {
    expect(say(54.432, 'deg')).toBe('54.4°');
    expect(say(0.988, 'stops')).toBe('0.99 stops');
    expect(say(93.44, '%')).toBe('93.4 %');
    expect(say(1.33, 'x')).toBe('1.33×');
    expect(say(2.8, 'T')).toBe('T2.8');
    expect(say(3, 'joints')).toBe('3 joints');
    expect(say(5.95, 'um')).toBe('5.95 µm');
    expect(say(1.8, 'f')).toBe('f/1.8');
    expect(say(1.5, '')).toBe('1.50');
  });
});

describe('tolerances through formulas that are flat in places', () => {
  const range = (value: number, tol: number) => ({ value, lo: value - tol, hi: value + tol });

  test('a sense finds the way where the formula shows none', () => {
    // Flat at 10 around its middle, falling beyond: at the nominal no single input moves it.
    const f = (x: readonly number[]) => Math.min(10, 12 - x[0]! - x[1]!);
    const inputs = [range(0, 1.5), range(0, 1.5)];
    const blind = spread(inputs, f);
    const led = spread(inputs, f, (x) => -x[0]! - x[1]!);
    expect(led.lo).toBeCloseTo(9, 12);
    expect(led.hi).toBe(10);
    expect(led.shares).toEqual([0.5, 0.5]);
    // By itself it takes a corner by chance; the promise must not hang on that.
    expect(blind.lo).toBeGreaterThanOrEqual(led.lo);
  });

  test('an input that pushes either way is tried at its other end as well', () => {
    // x helps while y is small and hurts when y is large: its direction at the nominal is wrong there.
    const f = (x: readonly number[]) => x[0]! * (1 - x[1]!);
    const inputs = [range(1, 1), range(0.5, 2)];
    const plain = spread(inputs, f);
    const careful = spread(inputs, f, f, [0]);
    expect(careful.lo).toBeCloseTo(2 * (1 - 2.5), 12);
    expect(careful.hi).toBeCloseTo(2 * (1 + 1.5), 12);
    expect(plain.lo).toBeGreaterThan(careful.lo);
  });
});
