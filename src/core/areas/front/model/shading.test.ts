import { build } from '../../../build/build';
import { frontOf } from '../place/front';
import { frontLayout } from '../place/layout';
import { writeMapCsv, MAP_COLUMNS } from '../../../format/map-csv';
import type { Lens, MatteBox, Part, Rig } from '../../../kit/types';
import { clearance, walkOf } from '../../../pupil/aperture';
import { sampledRays, draws } from '../../../pupil/oracles';
import { BLACK, sceneStack, seen } from '../../../pupil/map';
import { demo, exactly, testBody, testJob, testLens, testReducer } from '../../../test-kit';
import { flagSight } from './flags';
import { lightFigures } from '../../light/model/light';
import { bindingSide, cleanScale, wayOut } from './shading';
import { chipShading, naturalLoss, profile, softLosses } from './chip-shading';
import { valueOf } from '../../../quantity/quantity';
import { cornersOf, judgedFrames } from './judged';
import { coneOf } from './cones';
import { lookAt, looks, nominal, worstCorner } from './looks';
import { situation, situations } from './situations';
import { sweepAt, sweepPlan, sweepSettings } from './sweep';
import { CONTOURS, lackingForShading, layered, mapOf, shadingView } from './view';

/** 50 mm f/2 (pupil 25 across) 40 mm behind a rim of 60 clear, on 36 x 24. */
const lens = (more: Partial<Lens> = {}): Lens =>
  testLens({
    fStop: exactly(2),
    frontClear: exactly(60),
    frontDiameter: exactly(80),
    filterThread: 77,
    pupil: [{ behind: exactly(40) }],
    ...more,
  });

const box: MatteBox = {
  id: 'box',
  kind: 'matte-box',
  name: 'Box',
  attach: 'rods',
  rods: 'lw15',
  stages: [
    {
      id: 'a',
      name: 'A',
      tray: '4x5.65',
      z: exactly(10),
      clearW: exactly(130),
      clearH: exactly(90),
      removable: true,
      shorter: exactly(10),
    },
    {
      id: 'b',
      name: 'B',
      tray: '4x5.65',
      z: exactly(20),
      clearW: exactly(130),
      clearH: exactly(90),
      removable: true,
      shorter: exactly(10),
    },
  ],
  mouthZ: exactly(60),
  mouthW: exactly(120),
  mouthH: exactly(80),
  flags: [
    {
      id: 'top',
      name: 'top flag',
      side: 'top',
      z: exactly(60),
      offset: exactly(40),
      length: exactly(100),
      from: -30,
      to: 90,
    },
  ],
};

const made = (parts: Part[] = [], rig: Partial<Rig> = {}, l: Lens = lens()) => {
  const job = testJob({ body: testBody({ axisToBase: exactly(45) }), lens: l, more: parts }, rig);
  return build(job, job.rigs[0]);
};

describe('a setting of the lens', () => {
  test('ray of a corner is (x, y) / f; behind a reducer the lens sees the chip larger', () => {
    const b = made();
    const sit = situation(b, { focal: null, focus: Infinity, stop: 'used' })!;
    const x = nominal(sit)!;
    expect(sit.direction(x, 18, 12)).toEqual({ tx: 0.36, ty: 0.24 });
    expect(sit.scene(x).pupil.r).toBeCloseTo(12.5, 12);
    const j = testJob({ lens: lens(), links: [testReducer()] });
    const r = build(j, j.rigs[0]);
    const s = situation(r, { focal: null, focus: Infinity, stop: 'used' })!;
    expect(s.direction(nominal(s)!, 18, 12).tx).toBeCloseTo(18 / (50 * 0.71), 12);
  });

  test('anamorphic: the field is wider by the squeeze, not higher', () => {
    const b = made([], {}, lens({ squeeze: exactly(1.33) }));
    const sit = situation(b, { focal: null, focus: Infinity, stop: 'used' })!;
    const t = sit.direction(nominal(sit)!, 18, 12);
    expect(t.tx).toBeCloseTo(0.36 * 1.33, 12);
    expect(t.ty).toBeCloseTo(0.24, 12);
  });

  test('close focus: the beams of a corner meet at the distance, measured from the pupil', () => {
    const b = made([], {}, lens({ closeFocus: exactly(500), lengthClose: exactly(100) }));
    const list = situations(b);
    expect(list.map((s) => s.label)).toEqual([
      'T2, infinity',
      'T11, infinity',
      'T2, close focus',
      'T11, close focus',
    ]);
    const close = list[2]!;
    const scene = close.scene(nominal(close)!);
    // Flange 20 + adapter 24 = 44; rim at 144; pupil 40 behind it.
    expect(scene.pupil.z).toBeCloseTo(104, 9);
    expect(scene.distance).toBeCloseTo(396, 9);
  });

  test('a zoom is looked at at both ends and where it is set; the pupil lies between its lines', () => {
    const zoom = lens({
      focal: exactly(20),
      focalTo: exactly(40),
      pupil: [
        { focal: 20, behind: exactly(30) },
        { focal: 40, behind: exactly(50) },
      ],
    });
    const b = made([], { focal: 30 }, zoom);
    // Far and close, worked stop and deep stop at each.
    expect(situations(b).map((s) => s.setting.focal)).toEqual(
      [20, 30, 40].flatMap((f) => [f, f, f, f]),
    );
    const mid = situation(b, { focal: 30, focus: Infinity, stop: 'used' })!;
    expect(mid.scene(nominal(mid)!).pupil.z).toBeCloseTo(44 + 90 - 40, 9);
  });

  test('a pupil that nobody measured is taken at 0.35 of the length, and it is said', () => {
    const b = made([], {}, lens({ pupil: undefined }));
    const sit = situation(b, { focal: null, focus: Infinity, stop: 'used' })!;
    expect(sit.scene(nominal(sit)!).pupil.z).toBeCloseTo(44 + 90 * 0.65, 9);
    expect(sit.assumed).toContain('0.35 of its length');
    expect(lackingForShading(b)).toEqual([]);
    const none = made([], {}, lens({ pupil: undefined, length: undefined }));
    expect(lackingForShading(none).join()).toContain('entrance pupil of Test lens');
    expect(shadingView(none, null, null)).toBeNull();
  });
});

describe('what the corners see', () => {
  test('worked by hand: the rim of 60 at 40 mm shades a corner at 23.4 degrees', () => {
    // Corner at |t| = hypot(0.36, 0.24) = 0.43267: shifted 17.307 at the rim; circles of 12.5 and 30.
    const b = made();
    const look = looks(b, judgedFrames(b)[1]!)[0]!;
    expect(look.room).toBeCloseTo(30 - 17.3067 - 12.5, 3);
    expect(look.loss).toBe(0);
    const tight = made([], {}, lens({ frontClear: exactly(50) }));
    const dark = looks(tight, judgedFrames(tight)[1]!)[0]!;
    const st = sceneStack(dark.scene);
    const t = dark.directions[0]!;
    const rays = sampledRays(st, t.tx, t.ty, 40_000, draws(5));
    expect(Math.abs(dark.corners[0]!.fraction - rays)).toBeLessThan(0.01);
    expect(dark.corners[0]!.culprit).toBe(0);
    // All four corners of a centred rim lose the same.
    for (const c of dark.corners) expect(c.loss).toBeCloseTo(dark.loss, 9);
  });

  test('a box that is low darkens the top corners only', () => {
    const plate = {
      id: 'plate',
      kind: 'plate' as const,
      name: 'Plate',
      rods: 'lw15',
      topToRods: exactly(46),
    };
    const on = { box: { part: 'box' }, under: [{ part: 'plate' }] };
    const low = made([{ ...box, mouthH: exactly(70) }, plate], on);
    // 45 + 46 = 91 below the axis instead of 85: 6 mm low.
    const look = looks(low, judgedFrames(low)[1]!)[0]!;
    const mouth = look.scene.apertures.find((_, i) => frontOf(low).edges[i]!.key === 'mouth')!;
    expect(mouth).toMatchObject({ kind: 'rectangle', cy: -6 });
    expect(look.corners[0]!.loss).toBeGreaterThan(0.1);
    expect(look.corners[1]!.loss).toBeCloseTo(look.corners[0]!.loss, 9);
    expect(look.corners[2]!.loss).toBeLessThan(look.corners[0]!.loss);
    const drawn = frontLayout(low, 134);
    expect(drawn.box!.middle).toBeCloseTo(-6, 9);
  });

  test('stages taken out bring the mouth back by what they are shorter', () => {
    const whole = made([box], { box: { part: 'box' } });
    const short = made([box], { box: { part: 'box', trays: [{ id: 'a', out: true }] } });
    const mouthOf = (b: typeof whole) => {
      const sit = situations(b)[0]!;
      const i = frontOf(b).edges.findIndex((e) => e.key === 'mouth');
      return sit.scene(nominal(sit)!).apertures[i]!.z;
    };
    expect(mouthOf(whole) - mouthOf(short)).toBeCloseTo(10, 9);
    expect(frontOf(short).edges.some((e) => e.key === 'stage:a')).toBe(false);
  });

  test('what a culprit would have to do does it: exactly that clear diameter leaves exactly the limit', () => {
    const job = demo();
    const rig = job.rigs.find((r) => r.id === 'tug-b')!;
    const b = build(job, rig);
    const front = frontOf(b);
    const look = looks(b, judgedFrames(b)[0]!)[0]!;
    const edge = look.corners[look.worst]!.culprit!;
    const way = wayOut(front, look, edge, 1 / 3);
    const filter = job.kit.find((p) => p.id === front.edges[edge]!.part) as Part & {
      clear: unknown;
    };
    const lossWith = (clear: number) => {
      const next = {
        ...job,
        kit: job.kit.map((p) => (p === filter ? { ...filter, clear: exactly(clear) } : p)),
      };
      const again = build(next, rig);
      const s = situation(again, look.situation.setting)!;
      return lookAt(s, judgedFrames(again)[0]!, nominal(s)!).loss;
    };
    expect(lossWith(way.opening!.needed)).toBeCloseTo(1 / 3, 3);
    expect(lossWith(way.opening!.needed - 0.3)).toBeGreaterThan(1 / 3);
    expect(bindingSide(look, edge)).toBe(0);
  });

  test('largest frame within a third of a stop, against bisection over the whole rig', () => {
    const job = demo();
    const b = build(
      job,
      job.rigs.find((r) => r.id === 'tug-b')!,
    );
    const frame = b.frames[0]!;
    const clean = cleanScale(b, frame, 1 / 3)!;
    const worst = (scale: number) => {
      const j = judgedFrames({ squeeze: b.squeeze, frames: [{ ...frame, scale }] })[0]!;
      return Math.max(
        ...situations(b).map((s) => worstCorner(s, cornersOf(s, j)(nominal(s)!), nominal(s)!).loss),
      );
    };
    let good = 0.3;
    let bad = 1;
    for (let i = 0; i < 40; i++) {
      const m = (good + bad) / 2;
      if (worst(m) <= 1 / 3) good = m;
      else bad = m;
    }
    expect(clean).toBeCloseTo(good, 4);
    expect(clean).toBeLessThan(1);
  });
});

describe('layers of the plate', () => {
  test('natural falloff is the fourth power of the cosine: 30 degrees 0.83 stops, 45 degrees 2', () => {
    expect(naturalLoss({ tx: Math.tan(Math.PI / 6), ty: 0 })).toBeCloseTo(
      -4 * Math.log2(Math.cos(Math.PI / 6)),
      12,
    );
    expect(naturalLoss({ tx: 1, ty: 0 })).toBeCloseTo(2, 12);
  });

  test("a lens's own table stands in place of it, linear between its lines", () => {
    const table = lens({
      falloff: [
        { height: 10, stops: 0.2 },
        { height: 20, stops: 1 },
      ],
    });
    const b = made([], {}, table);
    const sit = situations(b)[0]!;
    const at = (px: number) => softLosses(b, sit, nominal(sit)!)(px, 0).natural;
    expect(at(5)).toBeCloseTo(0.1, 9);
    expect(at(15)).toBeCloseTo(0.6, 9);
    expect(chipShading(b, sit, 3, 3)!.naturalFrom).toBe('table');
    // The table holds what the rim does: it is not counted twice.
    expect(frontOf(b).edges).toEqual([]);
  });

  test('a table per focal length is read between the lengths', () => {
    const zoom = lens({
      focal: exactly(20),
      focalTo: exactly(40),
      falloff: [
        { focal: 20, height: 20, stops: 2 },
        { focal: 40, height: 20, stops: 1 },
      ],
    });
    const b = made([], { focal: 30 }, zoom);
    const sit = situation(b, { focal: 30, focus: Infinity, stop: 'used' })!;
    expect(softLosses(b, sit, nominal(sit)!)(20, 0).natural).toBeCloseTo(1.5, 9);
  });

  test('a reducer that says nothing of its shading leaves that layer unknown', () => {
    const shade = (falloff: { height: number; stops: number }[] | undefined) => {
      const j = testJob({ lens: lens(), links: [testReducer({ falloff })] });
      const b = build(j, j.rigs[0]);
      const sit = situations(b)[0]!;
      return { soft: softLosses(b, sit, nominal(sit)!)(18, 12), map: chipShading(b, sit, 4, 3)! };
    };
    expect(shade(undefined).soft.reducer).toBeNull();
    expect(shade(undefined).map.reducer).toBeNull();
    const known = shade([{ height: 21.633, stops: 0.4 }]);
    expect(known.soft.reducer).toBeCloseTo(0.4, 3);
    expect(known.map.reducer![0]).toBeCloseTo(0.4, 3);
  });

  test('the map, the profile and the corners say the same', () => {
    const job = demo();
    for (const id of ['tug-b', 'anamorphic']) {
      const b = build(
        job,
        job.rigs.find((r) => r.id === id)!,
      );
      const view = shadingView(b, null, 'chip')!;
      const map = mapOf(b, view.situation)!;
      const at = (i: number, j: number) => map.mechanical[j * map.nx + i]!;
      expect(at(0, map.ny - 1)).toBeCloseTo(view.corners[0]!.mechanical, 9);
      expect(at(map.nx - 1, 0)).toBeCloseTo(view.corners[3]!.mechanical, 9);
      const line = profile(b, view.situation, 21)!;
      expect(line[20]!.mechanical).toBeCloseTo(view.corners[1]!.mechanical, 9);
      expect(line[0]!.natural).toBeCloseTo(view.corners[2]!.natural, 9);
      expect(line[10]!.total).toBeCloseTo(0, 9);
      const other = profile(b, view.situation, 21, true)!;
      expect(other[0]!.mechanical).toBeCloseTo(view.corners[0]!.mechanical, 9);
      const all = layered(map, new Set(['mechanical', 'natural', 'reducer']));
      const front = layered(map, new Set(['mechanical']));
      for (let k = 0; k < all.length; k += 101) expect(all[k]!).toBeGreaterThanOrEqual(front[k]!);
      expect(layered(map, new Set()).every((v) => v === 0)).toBe(true);
    }
    expect(CONTOURS.map((c) => c.stops)).toEqual([1 / 3, 2 / 3, 1, 2]);
  });

  test('as CSV: a line a point from the top of the picture, culprits by name', () => {
    const job = demo();
    const b = build(
      job,
      job.rigs.find((r) => r.id === 'tug-b')!,
    );
    const csv = writeMapCsv(b, shadingView(b, null, null)!.situation, 5, 3)!
      .trim()
      .split('\n');
    expect(csv[0]).toBe(MAP_COLUMNS.join(','));
    expect(csv).toHaveLength(16);
    expect(csv[1]).toMatch(/^-9\.48,5,10,.*,yes,Rill round polariser 77$/);
    expect(csv[8]).toMatch(/^0,0,0,0,,no,$/);
    expect(
      writeMapCsv(
        made([], {}, lens({ pupil: undefined, length: undefined })),
        situations(made())[0]!,
        2,
        2,
      ),
    ).not.toBeNull();
  });
});

describe('cones of the corners', () => {
  test('a ray ends at the first edge it strikes, and only there', () => {
    const job = demo();
    const b = build(
      job,
      job.rigs.find((r) => r.id === 'tug-b')!,
    );
    const look = shadingView(b, { focal: 18, focus: Infinity, stop: 'used' }, 'chip')!.look;
    const rays = coneOf(look, 0, 400);
    expect(rays).toHaveLength(3);
    const far = rays[2]!;
    // The outer edge of the cone strikes the ring before it comes to the filter on it.
    expect(frontOf(b).edges[far.stopped!]!.part).toBe('ring-82-77');
    for (const r of rays) {
      // The ray lies on the beam: its distance from the chief ray is the pupil's radius.
      const t = look.directions[0]!;
      const dz = r.to[2] - look.scene.pupil.z - walkOf(look.scene.pupil, t.tx, t.ty);
      const off = Math.hypot(r.to[0] - t.tx * dz, r.to[1] - t.ty * dz);
      expect(off).toBeCloseTo(r === rays[1] ? 0 : look.scene.pupil.r, 6);
      if (r.stopped === null) expect(r.to[2]).toBe(400);
    }
    // The chief ray of a corner that is cut hard is stopped too.
    expect(rays[1]!.stopped !== null).toBe(look.corners[0]!.hard);
  });
});

describe('flags', () => {
  const on = (angle: number) => ({ box: { part: 'box', flags: [{ id: 'top', angle }] } });

  test('as low as it goes it touches the nearest beam, half a degree lower it is in the light', () => {
    const sight = flagSight(made([box], on(40)), 'top')!;
    expect(sight.room).toBeGreaterThan(0);
    const lowest = sight.lowest!;
    expect(lowest).toBeGreaterThan(-30);
    const at = (angle: number) => flagSight(made([box], on(angle)), 'top')!.room;
    expect(at(lowest)).toBeCloseTo(0, 3);
    expect(at(lowest - 0.5)).toBeLessThan(0);
    expect(at(lowest + 0.5)).toBeGreaterThan(0);
  });

  test('shade by hand: glass of 60 clear, tip 40 + 100 sin 30 high, 2 + 60 + 100 cos 30 ahead', () => {
    const sight = flagSight(made([box], on(30)), 'top')!;
    // The rim lies the air of the house rule, 2 mm, behind the back; its lowest point 30 below the axis.
    const ahead = 2 + 60 + 100 * Math.cos(Math.PI / 6);
    expect(sight.shades!).toBeCloseTo((Math.atan2(40 + 50 + 30, ahead) * 180) / Math.PI, 6);
    const wider = flagSight(made([box], on(60)), 'top')!;
    expect(wider.shades!).toBeGreaterThan(sight.shades!);
  });

  test('a length that nobody gave: nothing is said', () => {
    const odd = { ...box, flags: [{ ...box.flags![0]!, length: undefined }] };
    expect(flagSight(made([odd], on(30)), 'top')).toBeNull();
  });
});

describe('the full sweep', () => {
  test('twelve focal lengths, two foci, three stops; every cell as its setting says by itself', () => {
    const job = demo();
    const b = build(
      job,
      job.rigs.find((r) => r.id === 'tug-b')!,
    );
    const plan = sweepPlan(b);
    expect(plan.focals).toHaveLength(12);
    expect([plan.focals[0], plan.focals[11]]).toEqual([18, 35]);
    const settings = [...sweepSettings(plan)];
    expect(settings).toHaveLength(12 * 2 * 3);
    for (const s of settings.slice(0, 5)) {
      const cells = sweepAt(b, s);
      expect(cells.map((c) => c.frame)).toEqual(['f239', 'vertical', 'chip']);
      const sit = situation(b, s)!;
      expect(cells[2]!.loss).toBe(lookAt(sit, judgedFrames(b)[2]!, nominal(sit)!).loss);
      if (cells[2]!.loss > 0) expect(cells[2]!.culprit).not.toBeNull();
    }
    // The wide end is the worst, as every focal length in between shows.
    const used = settings.filter((s) => s.stop === 'used' && s.focus === Infinity);
    const losses = used.map((s) => sweepAt(b, s)[0]!.loss);
    expect(Math.max(...losses)).toBe(losses[0]);
    expect(losses[11]).toBe(0);
  });

  test('a prime has one column; a number that is missing leaves its cells empty', () => {
    expect(sweepPlan(made()).focals).toEqual([null]);
    expect(sweepPlan(made()).foci).toEqual([Infinity, 500]);
    // Nobody said how close it focuses: ten of its focal lengths stand in.
    const near = made([], {}, lens({ closeFocus: undefined }));
    expect(sweepPlan(near).foci).toEqual([Infinity, 10 * valueOf(lens().focal)!]);
    const none = made([], {}, lens({ pupil: undefined, length: undefined }));
    expect(sweepAt(none, { focal: null, focus: Infinity, stop: 'used' })).toEqual([]);
  });
});

describe('the light', () => {
  test('stack, stop at the chip and the stop to light for, by hand', () => {
    const job = demo();
    const canal = lightFigures(
      build(
        job,
        job.rigs.find((r) => r.id === 'anamorphic')!,
      ),
    );
    // ND 0.6 (1.99) and the polariser (1.6): 3.59 stops on T2.9.
    expect(canal.total!.least).toBeCloseTo(3.59, 2);
    expect(canal.lightFor!).toBeCloseTo(2.9 * 2 ** (3.59 / 2), 2);
    expect(canal.scene!).toBeCloseTo(Math.sqrt((2 ** 13 * 8) / 48), 6);
    expect(canal.missing!).toBeCloseTo(
      2 * Math.log2(Math.sqrt((2 ** 13 * 8) / 48) / 2.9) - 3.59,
      6,
    );
    // A reducer gains 0.99 stop: T2 behind 0.71 is T1.42.
    expect(
      lightFigures(
        build(
          job,
          job.rigs.find((r) => r.id === 'tug-b')!,
        ),
      ).chip!,
    ).toBeCloseTo(1.42, 6);
  });

  test('a filter that does not say what it costs leaves the stack unknown', () => {
    const nd: Part = {
      id: 'nd',
      kind: 'filter',
      name: 'ND',
      type: 'nd',
      shape: 'screw',
      male: 77,
      thickness: exactly(4),
      clear: exactly(70),
    };
    const f = lightFigures(made([nd], { thread: [{ part: 'nd' }] }));
    expect(f.total).toBeNull();
    expect(f.lightFor).toBeNull();
    expect(f.missing).toBeNull();
  });
});

test('clearance and loss agree at the corners of every demo rig', () => {
  const job = demo();
  for (const rig of job.rigs) {
    const b = build(job, rig);
    for (const sit of situations(b)) {
      const x = nominal(sit);
      if (!x) continue;
      const scene = sit.scene(x);
      const st = sceneStack(scene);
      for (const j of judgedFrames(b)) {
        const look = lookAt(sit, j, x);
        for (const t of look.directions) {
          const room = Math.min(
            ...scene.apertures.map((a) => clearance(a, scene.pupil, scene.distance, t.tx, t.ty)),
            Infinity,
          );
          const s = seen(st, t.tx, t.ty);
          if (room > 1e-9) expect(s.loss).toBe(0);
          if (room < -0.01) expect(s.loss).toBeGreaterThan(0);
          expect(s.loss).toBeLessThanOrEqual(BLACK);
        }
      }
    }
  }
});
