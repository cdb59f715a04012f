import {
  centreDistance,
  pitchDiameter,
  PITCH_32,
  reachRoom,
  ringRoom,
  tipDiameter,
  torqueAt,
  torqueAtLens,
  touchAngle,
  wheelTurn,
} from './gears';

describe('gears', () => {
  // Common practice: 0.8 module; pitch = module x teeth, outside = pitch + 2 modules.
  test('pitch, tips and the distance of two axes', () => {
    expect(pitchDiameter(100)).toBeCloseTo(80, 12);
    expect(tipDiameter(100)).toBeCloseTo(81.6, 12);
    // 100 teeth on the lens, 40 on the drive.
    expect(centreDistance(100, 40)).toBeCloseTo(56.0, 12);
    expect(centreDistance(112, 50)).toBeCloseTo(64.8, 12);
    expect(PITCH_32).toBeCloseTo(0.79375, 10);
  });

  test('turn of the hand wheel', () => {
    // throw x lens teeth / drive teeth / ratio, by hand.
    expect(wheelTurn(120, 100, 40)).toBeCloseTo(300, 10);
    expect(wheelTurn(300, 106, 40, 2.4)).toBeCloseTo(331.25, 10);
    expect(wheelTurn(90, 80, 48, 1)).toBeCloseTo(150, 10);
  });

  test('a motor at 5 V and at 8 V', () => {
    // A unit rated 5 to 18 V that stalls on a stiff lens at 5 V and turns it from 8 V [trade].
    const rows = [
      { volts: 18, torque: 0.55 },
      { volts: 5, torque: 0.12 },
      { volts: 8, torque: 0.36 },
    ];
    const stiff = 0.42;
    const at = (v: number) => torqueAtLens(torqueAt(rows, v), 120, 50, 0.9);
    expect(at(5)).toBeCloseTo(0.12 * 2.4 * 0.9, 10);
    expect(at(5)).toBeLessThan(stiff);
    expect(at(8)).toBeGreaterThan(1.5 * stiff);
    // Straight between two lines, flat above the last, nothing below the first.
    expect(torqueAt(rows, 6.5)).toBeCloseTo(0.24, 10);
    expect(torqueAt(rows, 24)).toBe(0.55);
    expect(torqueAt(rows, 4.5)).toBe(0);
    expect(torqueAt([], 12)).toBe(0);
  });

  test('what a gear ring closes on', () => {
    const seamless = (bore: number, barrel: number) =>
      ringRoom({ style: 'seamless', bore }, barrel, 0.5);
    expect(seamless(78, 78)).toBeCloseTo(0, 12);
    expect(seamless(78.25, 78)).toBeCloseTo(0.25, 12);
    expect(seamless(78.6, 78)).toBeLessThan(0);
    expect(seamless(77.9, 78)).toBeLessThan(0);
    expect(ringRoom({ style: 'strap', from: 40, to: 96 }, 61, 0.5)).toBeCloseTo(21, 12);
    expect(ringRoom({ style: 'split', from: 70, to: 90 }, 61, 0.5)).toBeCloseTo(-9, 12);
  });

  test('where a lump touches the drive gear, against points on both circles', () => {
    const [c, lump, tip] = [50, 36, 16.8];
    const half = touchAngle(c, lump, tip);
    const near = (deg: number) => {
      const a = (deg * Math.PI) / 180;
      return Math.hypot(c - lump * Math.cos(a), lump * Math.sin(a));
    };
    expect(near(half)).toBeCloseTo(tip, 9);
    expect(near(half + 0.5)).toBeGreaterThan(tip);
    expect(touchAngle(60, 36, 16.8)).toBe(0);
  });

  test('an arm against brute force over the whole circle', () => {
    for (let i = 0; i < 400; i++) {
      const pivot = 60 + (i % 20) * 4;
      const circle = 40 + (i % 7) * 6;
      const from = 20 + (i % 5) * 5;
      const to = from + 10 + (i % 11) * 8;
      let best = -Infinity;
      for (let k = 0; k < 7200; k++) {
        const a = (k / 7200) * 2 * Math.PI;
        const d = Math.hypot(pivot - circle * Math.cos(a), circle * Math.sin(a));
        best = Math.max(best, Math.min(to - d, d - from));
      }
      const room = reachRoom(pivot, circle, from, to);
      // The closed form names the slack of the two ends; reachable exactly when both are there.
      expect(room >= -1e-6).toBe(best >= -0.05);
    }
  });
});
