import type { Model, Shape } from '@/core/model/model';
import { polyhedron } from '@/core/model/polyhedron';
import { project, type View } from '@/core/drawing/project';
import { box, cylinder, type Solid, type Vec } from '@/core/solids/solid';
import { cutLine, Lines, section, STRIDE, TONE, type Looking, type Showing } from './lines';
import { keyOf, VIEWS } from './keys';

const STILL: Showing = {
  apart: 0,
  lit: new Set(),
  added: new Set(),
  sweeps: false,
  cut: null,
  quick: false,
};

/** Half a picture of 400 by 400 px, a px a millimetre. */
const HALF = 200;

/** The frame of each view: to the right, up, and towards who looks, in the rig's own frame. */
const FRAMES: Readonly<Record<View, readonly [Vec, Vec, Vec]>> = {
  side: [
    [0, 0, 1],
    [0, 1, 0],
    [1, 0, 0],
  ],
  top: [
    [0, 0, 1],
    [-1, 0, 0],
    [0, 1, 0],
  ],
  front: [
    [-1, 0, 0],
    [0, 1, 0],
    [0, 0, 1],
  ],
};

/** Looked at from far away along an axis, as a matrix over points whose z is turned round. */
function looking(view: View): Looking {
  const m = new Array<number>(16).fill(0);
  FRAMES[view].forEach((axis, row) => {
    const k = row === 2 ? -1 / 1000 : 1 / HALF;
    [axis[0], axis[1], -axis[2]].forEach((x, col) => (m[col * 4 + row] = k * x));
  });
  m[15] = 1;
  const [, , near] = FRAMES[view];
  return {
    matrix: m,
    eye: [1000 * near[0], 1000 * near[1], 1000 * near[2]],
    way: [-near[0], -near[1], -near[2]],
    parallel: true,
    width: HALF,
    height: HALF,
  };
}

function modelWith(...solids: Solid[]): Model {
  return {
    pieces: solids.map((_, i) => ({
      key: `${i}`,
      part: `${i}`,
      name: `${i}`,
      kind: 'grip',
      assumed: false,
      middle: [0, 0, 0],
      extent: [0, 0, 0, 0, 0, 0],
      away: [0, 10 * i, 0],
    })),
    shapes: solids.map((s, i): Shape => {
      const block = polyhedron(s);
      return {
        piece: i,
        name: '',
        block,
        drawn: [block],
        marks: [],
        thin: false,
        sweep: false,
        assumed: false,
      };
    }),
    fouls: [],
    cone: [],
    from: [0, 0, 0],
    to: [0, 0, 0],
  };
}

/** Ends of the lines that are drawn, px from the middle, up. */
function ends(lines: Lines): [number, number][] {
  return Array.from({ length: lines.out.count * 4 }, (_, i) => [
    lines.out.data[i * STRIDE]! * HALF,
    lines.out.data[i * STRIDE + 1]! * HALF,
  ]);
}

const drawn = (model: Model, view: View, show: Showing = STILL) => {
  const lines = new Lines(model, []);
  lines.update(looking(view), show);
  return lines;
};

describe('lines of the model', () => {
  const brick = box([30, -10, 50], [20, 15, 40]);

  test.each(['side', 'top', 'front'] as const)(
    'from the %s a box is its outline, where the elevation has it',
    (view) => {
      const lines = drawn(modelWith(brick), view);
      expect(lines.out.count).toBe(4);
      const want = polyhedron(brick).points.map((p) => project(view, p));
      for (const k of [0, 1]) {
        const own = ends(lines).map((p) => p[k]!);
        // Strips stand out by half their width and a little.
        expect(Math.min(...own)).toBeCloseTo(Math.min(...want.map((p) => p[k]!)) - 1.3, 0);
        expect(Math.max(...own)).toBeCloseTo(Math.max(...want.map((p) => p[k]!)) + 1.3, 0);
      }
    },
  );

  test('a cylinder seen from the side has its two ends and two sides', () => {
    const tube = cylinder([0, 0, 0], 30, 50);
    const lines = drawn(modelWith(tube), 'side');
    const length = Array.from({ length: lines.out.count }, (_, i) => {
      const at = (c: number) => [0, 1].map((k) => lines.out.data[(i * 4 + c) * STRIDE + k]! * HALF);
      const [a, b] = [at(0), at(1)];
      return Math.hypot(b[0]! - a[0]!, b[1]! - a[1]!);
    });
    // Two sides of 100 mm; the ends are seen on edge, the near half of each rim: 60 mm, twice. Each
    // piece reaches 0.35 px past its ends, so that they close.
    expect(length.filter((l) => l > 90)).toHaveLength(2);
    const rims = length.filter((l) => l < 90);
    expect(rims.reduce((s, l) => s + l - 0.7, 0)).toBeCloseTo(2 * 60, 0);
  });

  test('what is lit is drawn in ink, what the other has not in the accent', () => {
    const model = modelWith(brick, box([-60, 0, 0], [10, 10, 10]));
    const tones = (show: Showing) => {
      const lines = drawn(model, 'front', show);
      return new Set(
        Array.from({ length: lines.out.count }, (_, i) => lines.out.data[i * 4 * STRIDE + 6]),
      );
    };
    expect(tones(STILL)).toEqual(new Set([TONE.soft]));
    expect(tones({ ...STILL, lit: new Set([0]) })).toEqual(new Set([TONE.soft, TONE.ink]));
    expect(tones({ ...STILL, added: new Set([0, 1]) })).toEqual(new Set([TONE.accent]));
  });

  test('drawn apart a piece is where it goes', () => {
    const model = modelWith(brick, box([-60, 0, 0], [10, 10, 10]));
    const top = (apart: number) =>
      Math.max(
        ...ends(drawn(model, 'front', { ...STILL, apart }))
          .filter((p) => p[0] > 40)
          .map((p) => p[1]),
      );
    expect(top(1) - top(0)).toBeCloseTo(10, 3);
  });

  test('a section leaves out what lies past it and draws where it cuts', () => {
    expect(cutLine([0, 0, 0], [10, 0, 0], { axis: 0, at: 4 })).toEqual([
      [0, 0, 0],
      [4, 0, 0],
    ]);
    expect(cutLine([5, 0, 0], [10, 0, 0], { axis: 0, at: 4 })).toBeNull();
    expect(cutLine([10, 0, 0], [0, 0, 0], { axis: 0, at: 12 })).toEqual([
      [10, 0, 0],
      [0, 0, 0],
    ]);
    const lines = section(polyhedron(brick), 2, 50);
    expect(lines).toHaveLength(4);
    const around = lines.reduce(
      (s, [a, b]) => s + Math.hypot(a[0] - b[0], a[1] - b[1], a[2] - b[2]),
      0,
    );
    expect(around).toBeCloseTo(4 * (20 + 15), 9);
    expect(section(polyhedron(brick), 2, 500)).toEqual([]);
    const cut = drawn(modelWith(brick), 'side', { ...STILL, cut: { axis: 2, at: 50 } });
    expect(Math.max(...ends(cut).map((p) => p[0]))).toBeLessThan(52);
  });
});

describe('keys of the model', () => {
  const key = (k: string, more = {}) =>
    keyOf({ key: k, shiftKey: false, ctrlKey: false, metaKey: false, altKey: false, ...more });

  test('turn, move, zoom, look, and go from part to part', () => {
    expect(key('ArrowLeft')).toEqual({ turn: [-15, 0] });
    expect(key('ArrowUp', { shiftKey: true })).toEqual({ pan: [0, 0.08] });
    expect(key('+')).toEqual({ zoom: 1.25 });
    expect(key('0')).toEqual({ fit: true });
    expect(key('PageDown')).toEqual({ part: 1 });
    VIEWS.forEach((look, i) => expect(key(String(i + 1))).toEqual({ look }));
  });

  test('leave everything else alone', () => {
    for (const k of ['a', 'Enter', 'Tab', '8', '9', '.', ' ']) expect(key(k)).toBeNull();
    expect(key('1', { ctrlKey: true })).toBeNull();
  });
});
