import fc from 'fast-check';
import polygonClipping from 'polygon-clipping';
import { clearance, stackOf, type Aperture, type Pupil } from './aperture';
import {
  farthestStation,
  largestFrame,
  mostClosed,
  smallestOpening,
  worstClearance,
  worstLoss,
  type Direction,
} from './inverse';
import { BLACK, lossOf, seen, shadingMap, type Scene } from './map';
import { byChords, draws, fixedRays, sampledRays } from './oracles';
import { discAndEdge, twoDiscs } from './discs';
import { fraction } from './region';

const parallel = Infinity;
const circle = (z: number, r: number, cx = 0, cy = 0): Aperture => ({
  kind: 'circle',
  z,
  cx,
  cy,
  r,
});
const rectangle = (z: number, hw: number, hh: number, cx = 0, cy = 0, turn = 0): Aperture => ({
  kind: 'rectangle',
  z,
  cx,
  cy,
  hw,
  hh,
  turn,
});
const left = (aps: Aperture[], pupil: Pupil, tx: number, ty: number, distance = parallel) =>
  fraction(stackOf(aps, pupil, distance), tx, ty);

/** Two circles of one radius, as the handbook on optics gives it. */
const equalDiscs = (u: number) =>
  (2 * Math.acos(u / 2) - u * Math.sqrt(1 - (u / 2) ** 2)) / Math.PI;

/** A random stack as a rig could have it, and worse: off centre, turned, with flags. */
function randomStack(random: () => number, most: number): { aps: Aperture[]; pupil: Pupil } {
  const pupil = { z: -20 - 60 * random(), r: 2 + 20 * random() };
  const n = 1 + Math.floor(random() * most);
  const off = () => (random() < 0.5 ? 0 : (random() - 0.5) * 16);
  const aps = Array.from({ length: n }, (): Aperture => {
    const z = 160 * random();
    const what = random();
    if (what < 0.5) return circle(z, 18 + 50 * random(), off(), off());
    if (what < 0.85)
      return rectangle(
        z,
        25 + 50 * random(),
        20 + 40 * random(),
        off(),
        off(),
        random() < 0.5 ? 0 : random(),
      );
    const a = 2 * Math.PI * random();
    return { kind: 'edge', z, nx: Math.cos(a), ny: Math.sin(a), d: 15 + 40 * random() };
  });
  return { aps, pupil };
}

/** The part of the pupil that is left as polygons of 2,000 corners, clipped by the package. */
function byClipping(aps: Aperture[], pupil: Pupil, tx: number, ty: number, distance: number) {
  const ring = (x: number, y: number, r: number): [number, number][] =>
    Array.from({ length: 2000 }, (_, i) => [
      x + r * Math.cos((i * Math.PI) / 1000),
      y + r * Math.sin((i * Math.PI) / 1000),
    ]);
  const shapes = aps.map((a): [number, number][] => {
    const dz = a.z - pupil.z;
    const k = 1 - dz / distance;
    const to = (x: number, y: number): [number, number] => [(x - tx * dz) / k, (y - ty * dz) / k];
    if (a.kind === 'circle') {
      const [x, y] = to(a.cx, a.cy);
      return ring(x, y, a.r / k);
    }
    if (a.kind === 'edge') {
      // A half-plane as a very large square on its clear side.
      const far = 1e4;
      const p = (u: number, v: number) =>
        to(a.nx * (a.d - u) - a.ny * v, a.ny * (a.d - u) + a.nx * v);
      return [p(0, -far), p(0, far), p(far, far), p(far, -far)];
    }
    const c = Math.cos(a.turn);
    const s = Math.sin(a.turn);
    const p = (u: number, v: number) => to(a.cx + u * c - v * s, a.cy + u * s + v * c);
    return [p(-a.hw, -a.hh), p(a.hw, -a.hh), p(a.hw, a.hh), p(-a.hw, a.hh)];
  });
  const area = (r: [number, number][]) => {
    let sum = 0;
    r.forEach(([x, y], i) => {
      const [u, v] = r[(i + 1) % r.length]!;
      sum += x * v - u * y;
    });
    return Math.abs(sum) / 2;
  };
  const rest = polygonClipping.intersection([ring(0, 0, pupil.r)], ...shapes.map((s) => [s]));
  const sum = rest.reduce(
    (t, poly) => t + area(poly[0]!) - poly.slice(1).reduce((h, r) => h + area(r), 0),
    0,
  );
  return sum / area(ring(0, 0, pupil.r));
}

describe('one aperture, against closed forms', () => {
  test('worked values of the handbook: a shift of one radius leaves 0.3910, an edge through the centre 0.5', () => {
    expect(equalDiscs(1)).toBeCloseTo(0.391, 4);
    expect(left([circle(10, 5)], { z: 0, r: 5 }, 0.5, 0)).toBeCloseTo(equalDiscs(1), 12);
    for (const a of [0, 0.3, 1, 2, 3.7, 5]) {
      const edge: Aperture = { kind: 'edge', z: 50, nx: Math.cos(a), ny: Math.sin(a), d: 0 };
      expect(left([edge], { z: 0, r: 7 }, 0, 0)).toBeCloseTo(0.5, 14);
    }
  });

  test('two equal discs: closed form to 1e-3 and much better, 1,000 random cases', () => {
    const random = draws(1);
    for (let i = 0; i < 1000; i++) {
      const R = 1 + 30 * random();
      const u = 2.2 * random();
      const a = 2 * Math.PI * random();
      const dz = 1 + 150 * random();
      const tx = (u * R * Math.cos(a)) / dz;
      const ty = (u * R * Math.sin(a)) / dz;
      const want = u >= 2 ? 0 : equalDiscs(u);
      expect(Math.abs(left([circle(dz, R)], { z: 0, r: R }, tx, ty) - want)).toBeLessThan(1e-9);
      // The same through the general sum of arcs: a second, larger circle far off keeps the short way out.
      const far = rectangle(dz, 1e5, 1e5);
      const st = stackOf([circle(dz, R), far], { z: 0, r: R }, parallel);
      expect(Math.abs(fraction(st, tx, ty, -1, false) - want)).toBeLessThan(1e-9);
    }
  });

  test('one disc inside the other: a share of the areas', () => {
    expect(twoDiscs(10, 4, 3)).toBeCloseTo(0.16, 12);
    expect(twoDiscs(10, 14, 3)).toBe(1);
    expect(twoDiscs(10, 4, 14)).toBe(0);
    const st = stackOf([circle(1, 4), circle(1, 8)], { z: 0, r: 10 }, parallel);
    expect(fraction(st, 0, 0)).toBeCloseTo(0.16, 12);
  });

  test('circular segment: the textbook area', () => {
    for (const u of [-0.9, -0.3, 0, 0.2, 0.77]) {
      const textbook = 1 - (Math.acos(u) - u * Math.sqrt(1 - u * u)) / Math.PI;
      expect(discAndEdge(3, 3 * u)).toBeCloseTo(textbook, 12);
    }
  });

  test('the same aperture twice takes no more than once', () => {
    const pupil = { z: 0, r: 8 };
    for (const a of [circle(60, 20), rectangle(60, 20, 12), circle(60, 20, 3, -2)]) {
      const once = left([a], pupil, 0.25, 0.1);
      expect(left([a, a], pupil, 0.25, 0.1)).toBeCloseTo(once, 10);
      expect(left([a, a, a], pupil, 0.25, 0.1)).toBeCloseTo(once, 10);
    }
  });

  test('close focus: 150 mm ahead at 0.5 m is seen 1.43 times as large', () => {
    const st = stackOf([circle(150, 40)], { z: 0, r: 5 }, 500);
    expect(st.r[0]! / 40).toBeCloseTo(1.4286, 4);
  });

  test('a pupil of no size is its chief ray', () => {
    expect(left([circle(10, 5)], { z: 0, r: 0 }, 0.4, 0)).toBe(1);
    expect(left([circle(10, 5)], { z: 0, r: 0 }, 0.6, 0)).toBe(0);
  });

  test('what lies behind the pupil cuts the rays on their way, what lies beyond the object none', () => {
    // A stop of 1 just behind a pupil of 5 lets through (1 / 5)^2, a wide one everything.
    expect(left([circle(-5, 1)], { z: 0, r: 5 }, 0, 0)).toBeCloseTo(0.04, 9);
    expect(left([circle(-5, 6)], { z: 0, r: 5 }, 0, 0)).toBe(1);
    expect(left([circle(600, 1)], { z: 0, r: 5 }, 0, 0, 500)).toBe(1);
  });
});

describe('random stacks of up to 14 apertures', () => {
  test('20,000 sampled rays a point: never farther apart than three standard errors and 1e-3', () => {
    const random = draws(7);
    let between = 0;
    for (let i = 0; i < 300; i++) {
      const { aps, pupil } = randomStack(random, 14);
      const distance = random() < 0.5 ? parallel : 300 + 1500 * random();
      const st = stackOf(aps, pupil, distance);
      const tx = (random() - 0.5) * 0.8;
      const ty = (random() - 0.5) * 0.6;
      const area = fraction(st, tx, ty);
      const rays = sampledRays(st, tx, ty, 20_000, random);
      const error = Math.sqrt((area * (1 - area)) / 20_000);
      expect(Math.abs(area - rays)).toBeLessThanOrEqual(3 * error + 1e-3);
      if (area > 0.02 && area < 0.98) between++;
    }
    // The comparison must not live from empty and full pupils.
    expect(between).toBeGreaterThan(80);
  });

  test('polygons of 2,000 corners, clipped by polygon-clipping: to 2e-3', () => {
    const random = draws(11);
    let between = 0;
    for (let i = 0; i < 80; i++) {
      const { aps, pupil } = randomStack(random, 8);
      const distance = random() < 0.5 ? parallel : 300 + 1500 * random();
      const tx = (random() - 0.5) * 0.6;
      const ty = (random() - 0.5) * 0.5;
      const ahead = aps.filter((a) => a.z - pupil.z < distance);
      const area = left(ahead, pupil, tx, ty, distance);
      expect(Math.abs(area - byClipping(ahead, pupil, tx, ty, distance))).toBeLessThan(2e-3);
      if (area > 0.02 && area < 0.98) between++;
    }
    expect(between).toBeGreaterThan(20);
  });

  test('pieces that do not meet are added up: the same as the whole boundary, 30,000 random cases', () => {
    const random = draws(17);
    let partly = 0;
    let summed = 0;
    for (let i = 0; i < 30_000; i++) {
      const pupil = { z: 0, r: 10 };
      const turn = 2 * Math.PI * random();
      const aps = Array.from({ length: 2 + Math.floor(3 * random()) }, (): Aperture => {
        // At times the same direction, where one piece lies in the other.
        const a = random() < 0.4 ? turn + Math.floor(4 * random()) * (Math.PI / 2) : 7 * random();
        const cut = 10 * (random() < 0.7 ? 0.4 + 0.6 * random() : 2 * random() - 1);
        if (random() < 0.6) return { kind: 'edge', z: 0, nx: Math.cos(a), ny: Math.sin(a), d: cut };
        const r = 4 + 40 * random();
        return circle(0, r, (cut - r) * Math.cos(a), (cut - r) * Math.sin(a));
      });
      const st = stackOf(aps, pupil, parallel);
      // With nothing culled every case goes along the boundary.
      const exact = fraction(st, 0, 0, -1, false);
      const now = fraction(st, 0, 0);
      expect(Math.abs(now - exact)).toBeLessThan(1e-9);
      if (now <= 0 || now >= 1) continue;
      partly++;
      const alone = aps.reduce((sum, _, k) => sum + 1 - fraction(st, 0, 0, k), 0);
      if (Math.abs(1 - alone - now) < 1e-12) summed++;
    }
    // Both ways are really gone: pieces apart, and pieces that meet.
    expect(summed).toBeGreaterThan(3000);
    expect(partly - summed).toBeGreaterThan(3000);
  });

  test('chords across the pupil: to a chord or so, with and without culling; fixed rays', () => {
    const random = draws(13);
    const fixed = fixedRays(4096, draws(14));
    for (let i = 0; i < 400; i++) {
      const { aps, pupil } = randomStack(random, 12);
      const st = stackOf(aps, pupil, parallel);
      const tx = (random() - 0.5) * 0.7;
      const ty = (random() - 0.5) * 0.6;
      const area = fraction(st, tx, ty);
      expect(Math.abs(byChords(st, tx, ty, 2000) - area)).toBeLessThan(2e-3);
      expect(Math.abs(byChords(st, tx, ty, 32) - area)).toBeLessThan(0.09);
      expect(fraction(st, tx, ty, -1, false)).toBeCloseTo(area, 9);
      expect(Math.abs(fixed(st, tx, ty) - area)).toBeLessThan(0.05);
    }
  });
});

describe('properties', () => {
  const aperture = fc.oneof(
    fc
      .tuple(
        fc.double({ min: 0, max: 160, noNaN: true }),
        fc.double({ min: 10, max: 60, noNaN: true }),
        fc.double({ min: -8, max: 8, noNaN: true }),
        fc.double({ min: -8, max: 8, noNaN: true }),
      )
      .map(([z, r, x, y]) => circle(z, r, x, y)),
    fc
      .tuple(
        fc.double({ min: 0, max: 160, noNaN: true }),
        fc.double({ min: 12, max: 70, noNaN: true }),
        fc.double({ min: 10, max: 50, noNaN: true }),
        fc.double({ min: -8, max: 8, noNaN: true }),
        fc.double({ min: -1.5, max: 1.5, noNaN: true }),
      )
      .map(([z, w, h, y, a]) => rectangle(z, w, h, 0, y, a)),
  );
  const scene = fc.record({
    aps: fc.array(aperture, { minLength: 1, maxLength: 7 }),
    r: fc.double({ min: 0.5, max: 20, noNaN: true }),
    tx: fc.double({ min: -0.5, max: 0.5, noNaN: true }),
    ty: fc.double({ min: -0.4, max: 0.4, noNaN: true }),
    near: fc.boolean(),
  });
  const opened = (a: Aperture, u: number): Aperture =>
    a.kind === 'circle'
      ? { ...a, r: a.r * u }
      : a.kind === 'rectangle'
        ? { ...a, hw: a.hw * u, hh: a.hh * u }
        : { ...a, d: a.d + u };

  test('edges that barely touch the pupil take no more than they do', () => {
    // A sliver between a circle and a chord at `gap` inside it is 4/3 sqrt(2 r) gap^1.5 large.
    const r = 10;
    for (const gap of [1e-15, 1e-14, 1e-12, 1e-9, 1e-6]) {
      const pupil = { z: -40, r: r + gap };
      const gone = Math.min(1, ((4 / 3) * Math.sqrt(2 * r) * gap ** 1.5) / (Math.PI * r * r));
      const slot: Aperture = { kind: 'rectangle', z: 0, cx: 0, cy: 0, hw: 12, hh: 10, turn: 0 };
      expect(left([slot], pupil, 0, 0, parallel)).toBeCloseTo(1 - 2 * gone, 12);
      const ring: Aperture = { kind: 'circle', z: 0, cx: 0.5, cy: 0, r: 10.5 };
      expect(left([ring], pupil, 0, 0, parallel)).toBeGreaterThan(1 - 1e-6);
      expect(Math.abs(left([ring], { z: -40, r }, 0, 0, parallel) - 1)).toBeLessThan(1e-12);
    }
  });

  test('opening any aperture never darkens; a further aperture never brightens', () => {
    fc.assert(
      fc.property(scene, fc.nat(6), fc.double({ min: 1, max: 2, noNaN: true }), (s, which, u) => {
        const pupil = { z: -40, r: s.r };
        const distance = s.near ? 700 : parallel;
        const before = left(s.aps, pupil, s.tx, s.ty, distance);
        const i = which % s.aps.length;
        const after = left(
          s.aps.map((a, j) => (j === i ? opened(a, u) : a)),
          pupil,
          s.tx,
          s.ty,
          distance,
        );
        expect(after).toBeGreaterThanOrEqual(before - 1e-9);
        const fewer = left(s.aps.slice(1), pupil, s.tx, s.ty, distance);
        expect(fewer).toBeGreaterThanOrEqual(before - 1e-9);
      }),
      { numRuns: 500 },
    );
  });

  test('stopping down never lifts a hard cut: what blocks the chief ray goes on blocking', () => {
    fc.assert(
      fc.property(scene, fc.double({ min: 0.05, max: 1, noNaN: true }), (s, u) => {
        const wide = seen(stackOf(s.aps, { z: -40, r: s.r }, parallel), s.tx, s.ty);
        const deep = seen(stackOf(s.aps, { z: -40, r: s.r * u }, parallel), s.tx, s.ty);
        if (wide.hard) expect(deep.hard).toBe(true);
        // A blocked chief ray costs a stop or more: a line through the centre parts it from the light.
        if (wide.hard) expect(wide.loss).toBeGreaterThanOrEqual(1 - 1e-9);
        // And what is whole stays whole.
        if (wide.fraction === 1) expect(deep.fraction).toBe(1);
      }),
      { numRuns: 500 },
    );
  });

  test('the worst point of a frame is one of its corners', () => {
    fc.assert(
      fc.property(scene, fc.double({ min: 0.02, max: 0.5, noNaN: true }), (s, h) => {
        const st = stackOf(s.aps, { z: -40, r: s.r }, s.near ? 700 : parallel);
        const w = 0.4;
        const corners = [-w, w].flatMap((x) => [-h, h].map((y) => fraction(st, x, y)));
        const least = Math.min(...corners);
        for (let i = 0; i <= 8; i++)
          for (let j = 0; j <= 8; j++)
            expect(fraction(st, -w + (i * w) / 4, -h + (j * h) / 4)).toBeGreaterThanOrEqual(
              least - 1e-9,
            );
      }),
      { numRuns: 150 },
    );
  });

  test('room to the edge is what decides whether anything is taken', () => {
    fc.assert(
      fc.property(scene, (s) => {
        const pupil = { z: -40, r: s.r };
        const distance = s.near ? 700 : parallel;
        const room = Math.min(...s.aps.map((a) => clearance(a, pupil, distance, s.tx, s.ty)));
        const share = left(s.aps, pupil, s.tx, s.ty, distance);
        if (room > 1e-6) expect(share).toBe(1);
        if (room < -1e-3 * s.r) expect(share).toBeLessThan(1);
      }),
      { numRuns: 500 },
    );
  });
});

describe('maps', () => {
  test('any size, each point as by itself, with its culprit', () => {
    const scene: Scene = {
      pupil: { z: -45, r: 10 },
      apertures: [circle(0, 34), circle(9, 36), rectangle(60, 70, 45, 0, -3)],
      distance: parallel,
    };
    const st = stackOf(scene.apertures, scene.pupil, parallel);
    for (const [nx, ny] of [
      [1, 1],
      [7, 5],
      [96, 54],
    ] as const) {
      const map = shadingMap(
        scene,
        { nx, ny, left: -0.6, right: 0.6, bottom: -0.35, top: 0.35 },
        { culprits: true },
      );
      expect(map.fraction).toHaveLength(nx * ny);
      for (let k = 0; k < nx * ny; k += 1 + Math.floor((nx * ny) / 50)) {
        const i = k % nx;
        const j = Math.floor(k / nx);
        const tx = nx < 2 ? 0 : -0.6 + (1.2 * i) / (nx - 1);
        const ty = ny < 2 ? 0 : -0.35 + (0.7 * j) / (ny - 1);
        const one = seen(st, tx, ty);
        expect(map.fraction[k]).toBeCloseTo(one.fraction, 12);
        expect(map.hard[k]).toBe(one.hard ? 1 : 0);
        expect(map.culprit![k]).toBe(one.culprit ?? -1);
        if (one.culprit !== null) {
          const alone = scene.apertures.map((_, o) => fraction(st, tx, ty, o));
          expect(alone[one.culprit]).toBeCloseTo(Math.min(...alone), 9);
        }
      }
    }
  });

  test('stops of loss', () => {
    expect(lossOf(1)).toBe(0);
    expect(lossOf(0.5)).toBe(1);
    expect(lossOf(0)).toBe(BLACK);
  });
});

describe('asked backwards, against bisection over the forward model', () => {
  const bisect = (ok: (u: number) => boolean, good: number, bad: number) => {
    let a = good;
    let b = bad;
    for (let i = 0; i < 60; i++) {
      const m = (a + b) / 2;
      if (ok(m)) a = m;
      else b = m;
    }
    return a;
  };
  /** The forward model of the bisection: the whole frame on a grid, not only its corners. */
  const gridLoss = (scene: Scene, w: number, h: number) => {
    const map = shadingMap(scene, { nx: 9, ny: 7, left: -w, right: w, bottom: -h, top: h });
    return lossOf(Math.min(...map.fraction));
  };
  const corners = (w: number, h: number): Direction[] =>
    [-w, w].flatMap((tx) => [-h, h].map((ty) => ({ tx, ty })));

  test('smallest clear diameter, farthest station, most closed flag, largest frame', () => {
    const random = draws(23);
    const asked = { size: 0, station: 0, flag: 0, frame: 0 };
    for (let i = 0; i < 60; i++) {
      const w = 0.15 + 0.4 * random();
      const h = w * (0.4 + 0.4 * random());
      const distance = random() < 0.5 ? parallel : 500 + 1000 * random();
      const pupil = { z: -30 - 40 * random(), r: 3 + 12 * random() };
      const apertures = [
        random() < 0.5
          ? circle(20 + 60 * random(), 25 + 30 * random())
          : rectangle(20 + 60 * random(), 30 + 40 * random(), 25 + 30 * random(), 0, -3),
        circle(5, 60),
      ];
      const scene: Scene = { pupil, apertures, distance };
      const at = corners(w, h);
      for (const limit of [0, 1 / 3, 1]) {
        const within = (s: Scene) => gridLoss(s, w, h) <= limit + 1e-9;
        const swap = (a: Aperture): Scene => ({ ...scene, apertures: [a, apertures[1]!] });
        const scaled = (u: number): Aperture => {
          const a = apertures[0]!;
          return a.kind === 'circle'
            ? { ...a, r: a.r * u }
            : a.kind === 'rectangle'
              ? { ...a, hw: a.hw * u, hh: a.hh * u }
              : a;
        };
        const size = smallestOpening(scene, 0, at, limit);
        if (!within(swap(scaled(50)))) expect(limit > 0 ? size : null).toBeNull();
        else if (size !== null) {
          expect(size).toBeCloseTo(
            bisect((u) => within(swap(scaled(u))), 50, 0.001),
            3,
          );
          asked.size++;
        }
        const z = farthestStation(scene, 0, at, limit);
        const placed = (q: number) => swap({ ...apertures[0]!, z: q });
        if (z !== null && Number.isFinite(z) && z > pupil.z + 0.01 && within(placed(z - 1e-4))) {
          expect(z).toBeCloseTo(
            bisect((q) => within(placed(q)), pupil.z, z + 500),
            2,
          );
          asked.station++;
        }
        const flag = (a: number): Aperture => ({
          kind: 'edge',
          z: 80 + 60 * Math.cos(a),
          nx: 0,
          ny: 1,
          d: 45 + 60 * Math.sin(a),
        });
        const angle = mostClosed(scene, flag, at, limit, 1.2, -0.6);
        const flagged = (a: number): Scene => ({ ...scene, apertures: [...apertures, flag(a)] });
        if (limit > 0 && angle !== null && angle > -0.6) {
          expect(angle).toBeCloseTo(
            bisect((a) => within(flagged(a)), 1.2, -0.6),
            3,
          );
          asked.flag++;
        } else if (limit > 0 && angle === null) expect(within(flagged(1.2))).toBe(false);
        const scale = largestFrame(scene, (u) => corners(w * u, h * u), limit);
        if (scale > 0 && scale < 1) {
          const fits = (u: number) => gridLoss(scene, w * u, h * u) <= limit + 1e-9;
          expect(scale).toBeCloseTo(bisect(fits, 0, 1), 3);
          asked.frame++;
        }
      }
    }
    expect(Math.min(...Object.values(asked))).toBeGreaterThan(15);
  });

  test('closed form: the smallest circle that touches nothing is |t| dz + R', () => {
    const scene: Scene = {
      pupil: { z: -40, r: 9 },
      apertures: [circle(30, 20)],
      distance: parallel,
    };
    const at = corners(0.4, 0.3);
    expect(smallestOpening(scene, 0, at, 0)! * 20).toBeCloseTo(0.5 * 70 + 9, 4);
    expect(worstClearance(scene, 0, at)).toBeCloseTo(20 - 44, 10);
    expect(farthestStation({ ...scene, apertures: [circle(30, 44)] }, 0, at, 0)).toBeCloseTo(30, 4);
    expect(worstLoss({ ...scene, apertures: [circle(30, 44)] }, at)).toBe(0);
  });

  test('what others take already cannot be mended here', () => {
    const scene: Scene = {
      pupil: { z: -40, r: 9 },
      apertures: [circle(30, 20), circle(0, 5)],
      distance: parallel,
    };
    expect(smallestOpening(scene, 0, corners(0.4, 0.3), 0.33)).toBeNull();
    expect(largestFrame(scene, (u) => corners(0.4 * u, 0.3 * u), 0.1)).toBe(0);
  });
});
