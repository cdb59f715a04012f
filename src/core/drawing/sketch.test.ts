import fc from 'fast-check';
import { SILHOUETTES, sketchedAs } from '../areas/space/kit/silhouettes';
import { box, turnedBox, type Axes, type Vec } from '../solids/solid';
import { outline, type View } from './project';
import { sketchOf } from './sketch';

const KINDS = Object.keys(SILHOUETTES);
const VIEWS: readonly View[] = ['side', 'top', 'front'];

/** All turns by quarters that keep left and right apart, as products of two of them. */
const QUARTERS: readonly Axes[] = [
  [
    [1, 0, 0],
    [0, 1, 0],
    [0, 0, 1],
  ],
  [
    [0, 1, 0],
    [-1, 0, 0],
    [0, 0, 1],
  ],
  [
    [-1, 0, 0],
    [0, -1, 0],
    [0, 0, 1],
  ],
  [
    [0, 0, -1],
    [0, 1, 0],
    [1, 0, 0],
  ],
  [
    [0, 0, 1],
    [0, 1, 0],
    [-1, 0, 0],
  ],
  [
    [1, 0, 0],
    [0, 0, -1],
    [0, 1, 0],
  ],
  [
    [1, 0, 0],
    [0, 0, 1],
    [0, -1, 0],
  ],
];

const bounds = (p: readonly (readonly [number, number])[]) => ({
  u0: Math.min(...p.map((x) => x[0])),
  u1: Math.max(...p.map((x) => x[0])),
  v0: Math.min(...p.map((x) => x[1])),
  v1: Math.max(...p.map((x) => x[1])),
});

describe('what a fitted part is recognised by', () => {
  test('lies within its block in every view, however that is turned by quarters', () => {
    const size = fc.double({ min: 1, max: 300, noNaN: true });
    const at = fc.double({ min: -500, max: 500, noNaN: true });
    fc.assert(
      fc.property(
        fc.constantFrom(...KINDS),
        fc.constantFrom(...QUARTERS),
        fc.constantFrom(...VIEWS),
        fc.tuple(at, at, at),
        fc.tuple(size, size, size),
        (kind, axes, view, centre, half) => {
          const block = turnedBox(centre as Vec, half as Vec, axes);
          const own = bounds(outline(view, block));
          const lines = sketchOf(view, block, SILHOUETTES[kind]!) ?? [];
          for (const l of lines) {
            const b = bounds(l.points);
            expect(b.u0).toBeGreaterThanOrEqual(own.u0 - 1e-6);
            expect(b.u1).toBeLessThanOrEqual(own.u1 + 1e-6);
            expect(b.v0).toBeGreaterThanOrEqual(own.v0 - 1e-6);
            expect(b.v1).toBeLessThanOrEqual(own.v1 + 1e-6);
          }
          // Its outlines reach from edge to edge: the sketch is as large as what is computed with.
          const outer = lines.filter((l) => l.closed && !l.inner).flatMap((l) => [...l.points]);
          if (outer.length === 0) return;
          const b = bounds(outer);
          expect(b.u1 - b.u0).toBeCloseTo(own.u1 - own.u0, 6);
          expect(b.v1 - b.v0).toBeCloseTo(own.v1 - own.v0, 6);
        },
      ),
      { numRuns: 400 },
    );
  });

  test('every kind has a side and a front, upright; seen from above or turned askew it is its block', () => {
    for (const kind of KINDS) {
      const upright = box([0, 0, 0], [20, 30, 40]);
      expect([kind, sketchOf('side', upright, SILHOUETTES[kind]!)]).not.toEqual([kind, null]);
      expect([kind, sketchOf('front', upright, SILHOUETTES[kind]!)]).not.toEqual([kind, null]);
      expect(sketchOf('top', upright, SILHOUETTES[kind]!)).toBeNull();
      // Turned about the axis its front is seen turned, its side not at all.
      const askew = box([0, 0, 0], [20, 30, 40], 0.4);
      expect(sketchOf('side', askew, SILHOUETTES[kind]!)).toBeNull();
      expect(sketchOf('front', askew, SILHOUETTES[kind]!)).not.toBeNull();
    }
    expect(sketchedAs('block', 'accessory')).toBeNull();
  });

  test('camera left is at the right of the sheet, seen from the subject', () => {
    // A rosette is drawn with its teeth at camera left.
    const lines = sketchOf('front', box([0, 0, 0], [10, 10, 10]), SILHOUETTES['rosette-adapter']!)!;
    const teeth = lines.find((l) => !l.closed)!;
    expect(Math.min(...teeth.points.map((p) => p[0]))).toBeGreaterThan(0);
  });

  test('a matte box has its own mouth and stages, and one without numbers those of the usual one', () => {
    const part = { mouthZ: 100, mouthW: 120, mouthH: 60, width: 160, height: 100 };
    const own = sketchedAs('box', 'matte-box', { ...part, stages: [{ z: 10 }, { z: 55 }] })!;
    const [, mouth] = own.front;
    const b = bounds(mouth!.points);
    expect([b.u1 - b.u0, b.v1 - b.v0]).toEqual([
      expect.closeTo(120 / 160, 9),
      expect.closeTo(60 / 100, 9),
    ]);
    const trays = own.side.filter((l) => l.open).map((l) => l.points[0]![0]);
    expect(trays.slice(0, 2)).toEqual([expect.closeTo(0.1, 9), expect.closeTo(0.55, 9)]);
    // The shade begins ahead of the last stage.
    expect(trays[2]).toBeGreaterThan(0.55);
    expect(sketchedAs('box', 'matte-box', {})).toEqual(sketchedAs('box', 'matte-box'));
    // Wild numbers stay inside the block.
    const wild = sketchedAs('box', 'matte-box', {
      ...part,
      mouthW: 1e6,
      stages: [{ z: -9 }, { z: 1e9 }],
    })!;
    for (const l of [...wild.side, ...wild.front])
      for (const [u, v] of l.points) {
        expect(u).toBeGreaterThanOrEqual(0);
        expect(u).toBeLessThanOrEqual(1);
        expect(v).toBeGreaterThanOrEqual(0);
        expect(v).toBeLessThanOrEqual(1);
      }
  });

  test('the box of a motor or a follow focus is drawn by its front', () => {
    for (const kind of ['motor', 'follow-focus'])
      expect(sketchedAs('box', kind)).toBe(SILHOUETTES.driveBox);
    expect(sketchedAs('arm', 'motor')).toBeNull();
  });
});
