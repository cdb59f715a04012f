import fc from 'fast-check';
import { parseLength, parseQuantity } from './parse';

const length = (text: string, bare = 1) => {
  const r = parseLength(text, bare);
  return r.ok ? r.value : r.sentence;
};

describe('lengths as people type them', () => {
  // An inch is 25.4 mm exactly (international yard and pound agreement).
  test.each([
    ['77.2', 77.2],
    ['77,2', 77.2],
    [' 77.2 mm ', 77.2],
    ['7.72 cm', 77.2],
    ['2.5 m', 2500],
    ['1"', 25.4],
    ['3 1/32"', 3.03125 * 25.4],
    ['3-1/32 in', 3.03125 * 25.4],
    ['1/4"', 6.35],
    ['3/8 in', 9.525],
    ['12 inch', 304.8],
    ['1 ft', 304.8],
    [`5'6"`, 66 * 25.4],
    [`5' 6 1/2"`, 66.5 * 25.4],
    ['-3.5', -3.5],
    ['-1 1/2"', -38.1],
    ['.5', 0.5],
    ['1/2', 0.5],
  ])('%s', (text, mm) => {
    expect(length(text)).toBeCloseTo(mm, 9);
  });

  test('a bare number can mean another unit', () => {
    expect(length('2.5', 1000)).toBe(2500);
    expect(length('3"', 1000)).toBeCloseTo(76.2, 9);
  });

  test.each([
    '',
    'wide',
    '77.2.1',
    '1/0',
    '77 pt',
    '--3',
    '1e5000',
    'NaN',
    'Infinity',
    '3 1 /',
    '"',
  ])('refuses %j with a sentence that shows what was expected', (text) => {
    const said = length(text);
    expect(typeof said).toBe('string');
    expect(said).toMatch(/Expected something like 77\.2/);
  });
});

describe('quantities as people type them', () => {
  const q = (text: string, unit = 'mm') => {
    const r = parseQuantity(text, unit);
    return r.ok ? r.value : r.sentence;
  };

  test.each([
    ['77.2', { value: 77.2 }],
    ['77.2+-0.1', { value: 77.2, tol: 0.1 }],
    ['77.2 +/- 0.1', { value: 77.2, tol: 0.1 }],
    ['77.2 ± 0.1', { value: 77.2, tol: 0.1 }],
    ['77,2±0,1', { value: 77.2, tol: 0.1 }],
    ['77.2+-0.1 measured', { value: 77.2, tol: 0.1, from: 'measured' }],
    ['77.2 sheet', { value: 77.2, from: 'sheet' }],
    ['~120', { value: 120, from: 'guess' }],
    ['120?', { value: 120, from: 'guess' }],
    ['1"+-1/64', { value: 25.4, tol: 0.396875 }],
    ['1"+-0.1 mm', { value: 25.4, tol: 0.1 }],
  ])('%s', (text, expected) => {
    expect(q(text)).toEqual(expected);
  });

  test('plain numbers for what is not a length', () => {
    expect(q('0.71', 'x')).toEqual({ value: 0.71 });
    expect(q('T2.8', 'T')).toEqual({ value: 2.8 });
    expect(q('f/1.8', 'f')).toEqual({ value: 1.8 });
    expect(q('0.71+-0.005', 'x')).toEqual({ value: 0.71, tol: 0.005 });
    expect(typeof q('3"', 'T')).toBe('string');
  });

  test('refuses a negative tolerance and more than one', () => {
    expect(q('77+--1')).toMatch(/cannot be negative/);
    expect(q('77+-1+-2')).toMatch(/not a number/);
  });

  test('what is written can be read again', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: -5_000_000, max: 5_000_000 }),
        fc.option(fc.integer({ min: 0, max: 100_000 }), { nil: undefined }),
        (v, t) => {
          const value = v / 1000;
          const text = `${value}${t === undefined ? '' : `+-${t / 1000}`}`;
          expect(q(text)).toEqual(t === undefined ? { value } : { value, tol: t / 1000 });
        },
      ),
    );
  });

  test('never throws, whatever is typed', () => {
    fc.assert(
      fc.property(
        fc.string({ maxLength: 60 }),
        fc.constantFrom('mm', 'x', 'T', ''),
        (text, unit) => {
          const r = parseQuantity(text, unit);
          if (r.ok) expect(Number.isFinite(r.value.value)).toBe(true);
          else expect(r.sentence.length).toBeGreaterThan(10);
        },
      ),
      { numRuns: 2000 },
    );
  });
});

describe('any unit of its sort', () => {
  // Pound and pound-force inch: NIST SP 811, appendix B.
  test.each([
    ['1.2 kg', 'g', { value: 1200 }],
    ['820 g', 'g', { value: 820 }],
    ['5 lb', 'g', { value: 2267.96185 }],
    ['5 lb +- 0.1', 'g', { value: 2267.96185, tol: 45.359237 }],
    ['5 lb +- 20 g', 'g', { value: 2267.96185, tol: 20 }],
    ['~2 oz', 'g', { value: 56.699046, from: 'guess' }],
    ['3 lbf in', 'N m', { value: 0.338954 }],
    ['1,5 Nm', 'N m', { value: 1.5 }],
    ['270\u00b0', 'deg', { value: 270 }],
    ['0.71x', 'x', { value: 0.71 }],
    ['12 V', 'V', { value: 12 }],
  ])('%s into %s', (text, unit, value) => {
    expect(parseQuantity(text, unit)).toEqual({ ok: true, value });
  });

  test.each([
    ['1.2 kg', 'mm'],
    ['3 in', 'g'],
    ['5 stone', 'g'],
    ['12 V', 'W'],
    ['2.8x', 'T'],
  ])('%s is none of %s, and says so', (text, unit) => {
    const read = parseQuantity(text, unit);
    expect(read.ok).toBe(false);
    expect(!read.ok && read.sentence).toMatch(
      /^".*" is not a (number|length).*Expected something like/,
    );
  });
});
