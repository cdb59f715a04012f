import fc from 'fast-check';
import {
  belowFrame,
  clearRadius,
  gripOf,
  neededRod,
  sayRod,
  shortestStock,
  STOCK,
} from './lengths';

describe('rods', () => {
  test('largest radius over the rods, [math]: 82.6 mm for lightweight', () => {
    // hypot(30, 85) - 7.5
    expect(clearRadius(60, 85, 15)).toBeCloseTo(82.6, 1);
    expect(clearRadius(100, 118.7, 15)).toBeCloseTo(121.3, 1);
  });

  test('stock lengths in both units', () => {
    expect(STOCK.map((s) => s.mm)).toEqual([...STOCK.map((s) => s.mm)].sort((a, b) => a - b));
    for (const s of STOCK) if (s.inch !== null) expect(s.mm).toBeCloseTo(s.inch * 25.4, 9);
    expect(sayRod(203.2)).toBe('203.2 mm (8 in)');
    expect(sayRod(300)).toBe('300 mm (11.8 in)');
    expect(shortestStock(200)).toMatchObject({ mm: 200 });
    expect(shortestStock(200.1)).toMatchObject({ mm: 203.2, inch: 8 });
    expect(shortestStock(500)).toBeNull();
  });

  test('the length that is needed, against every length and place on a grid, 500 random rigs', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: -140, max: -60 }),
        fc.integer({ min: -20, max: 60 }),
        fc.option(fc.integer({ min: 61, max: 320 }), { nil: null }),
        fc.option(fc.integer({ min: -300, max: -141 }), { nil: null }),
        (clampFrom, clampTo, ahead, behind) => {
          const need = neededRod({ clampFrom, clampTo, ahead, behind });
          const holds = (from: number, to: number) =>
            from <= clampFrom &&
            to >= clampTo &&
            (ahead === null || to >= ahead) &&
            (behind === null || from <= behind);
          // What it says holds.
          expect(holds(need.tip - need.length, need.tip)).toBe(true);
          // Nothing on a grid of lengths (5 mm) and places (1 mm) that is shorter by a step does.
          for (let l = 50; l <= need.length - 1e-9; l += 5)
            for (let to = clampTo; to <= 330; to++)
              if (holds(to - l, to)) expect(l).toBeGreaterThanOrEqual(need.length - 5);
        },
      ),
      { numRuns: 500 },
    );
  });

  test('how much of a rod a clamp holds', () => {
    expect(gripOf({ from: 0, to: 100 }, { from: 80, to: 120 })).toBe(20);
    expect(gripOf({ from: 0, to: 100 }, { from: 110, to: 120 })).toBe(-10);
    expect(gripOf({ from: 0, to: 100 }, { from: 20, to: 40 })).toBe(20);
  });
});

describe('rod tips in the picture', () => {
  const [up, across] = [Math.atan(12 / 24), Math.atan(18 / 24)];
  // Pupil at 100, tip r = 7.5: in it if y + r > -(z - 100) / 2 and |x| - r < (z - 100) * 0.75.
  test('edge cases', () => {
    const tip = (z: number, y = -85, x = 30) => belowFrame({ x, y, z, r: 7.5 }, 100, up, across);
    // The lower edge meets -77.5 at 155 mm ahead of the pupil.
    expect(tip(255)).toBeCloseTo(0, 9);
    expect(tip(254)).toBeGreaterThan(0);
    expect(tip(256)).toBeLessThan(0);
    // Behind the pupil nothing is in the picture.
    expect(tip(100)).toBe(Infinity);
    expect(tip(60)).toBe(Infinity);
    // Far out at the side it stays out although it is high enough.
    expect(belowFrame({ x: 300, y: -85, z: 300, r: 7.5 }, 100, up, across)).toBeGreaterThan(0);
    // On the axis, at once.
    expect(belowFrame({ x: 0, y: 0, z: 101, r: 7.5 }, 100, up, across)).toBeLessThan(0);
  });

  test('against rays through the frame', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 101, max: 500, noNaN: true }),
        fc.double({ min: -150, max: -20, noNaN: true }),
        (z, y) => {
          const got = belowFrame({ x: 30, y, z, r: 7.5 }, 100, up, across);
          // Does any ray through the frame meet the upper edge of the rod at that station?
          let hit = false;
          for (let i = 0; i <= 60 && !hit; i++)
            for (let k = 0; k <= 60 && !hit; k++) {
              const v = -Math.tan(up) + (2 * Math.tan(up) * i) / 60;
              const h = -Math.tan(across) + (2 * Math.tan(across) * k) / 60;
              const [px, py] = [(z - 100) * h, (z - 100) * v];
              hit = py <= y + 7.5 && Math.abs(px - 30) <= 7.5;
            }
          if (hit) expect(got).toBeLessThanOrEqual(1e-9);
        },
      ),
      { numRuns: 300 },
    );
  });
});
