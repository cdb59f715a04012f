import fc from 'fast-check';
import { placeNames, type Named } from './names';

const sheet = { w: 640, h: 400 };
const anyName: fc.Arbitrary<Named> = fc.record({
  key: fc.string(),
  x: fc.integer({ min: 0, max: 640 }),
  y: fc.integer({ min: 0, max: 400 }),
  w: fc.integer({ min: 10, max: 160 }),
  h: fc.constant(16),
});
const apart = (
  a: { left: number; top: number; w: number; h: number },
  b: { left: number; top: number; w: number; h: number },
) =>
  a.left + a.w <= b.left || b.left + b.w <= a.left || a.top + a.h <= b.top || b.top + b.h <= a.top;

describe('names on a drawing', () => {
  test('none lies on another, on what is taken, or past the sheet; the first has its place', () => {
    const boxes = fc.array(
      fc.record({
        left: fc.integer({ min: 0, max: 500 }),
        top: fc.integer({ min: 0, max: 300 }),
        w: fc.integer({ min: 5, max: 120 }),
        h: fc.integer({ min: 5, max: 80 }),
      }),
      { maxLength: 8 },
    );
    fc.assert(
      fc.property(fc.array(anyName, { maxLength: 40 }), boxes, (names, taken) => {
        const placed = placeNames(names, sheet, taken);
        placed.forEach((p, i) => {
          expect(p.left).toBeGreaterThanOrEqual(0);
          expect(p.top).toBeGreaterThanOrEqual(0);
          expect(p.left + p.w).toBeLessThanOrEqual(sheet.w);
          expect(p.top + p.h).toBeLessThanOrEqual(sheet.h);
          for (const q of placed.slice(0, i)) expect(apart(p, q)).toBe(true);
          for (const t of taken) expect(apart(p, t)).toBe(true);
        });
      }),
    );
  });

  test('alone on the sheet everyone has a place, beside what it names', () => {
    fc.assert(
      fc.property(anyName, (n) => {
        const [p] = placeNames([n], sheet);
        expect(p).toBeDefined();
        const dx = Math.max(p!.left - n.x, n.x - p!.left - p!.w, 0);
        const dy = Math.max(p!.top - n.y, n.y - p!.top - p!.h, 0);
        expect(Math.hypot(dx, dy)).toBeLessThan(60);
      }),
    );
  });
});
