import { build } from '../build/build';
import { layout, dimensionSum, stationOf } from '../build/layout';
import { compare, distanceFor, subjectWidth } from '../compare/compare';
import { setTable, fieldText } from '../set/table';
import { checkRig } from '../areas/checks';
import { withChanges } from '../edit/edit';
import { demo, exactly, testAdapter, testBody, testJob, testLens, testReducer } from '../test-kit';
import { reading, readings } from './readings';
import fc from 'fast-check';

const job = demo();
const of = (id: string) =>
  build(
    job,
    job.rigs.find((r) => r.id === id)!,
  );
const value = (b: ReturnType<typeof of>, id: string) => reading(readings(b), id)!;

describe('figures', () => {
  test('behind a 0.71 reducer: crop, looks-like and light as worked by hand', () => {
    const b = of('tug-b');
    // Reference Super 35: 24.89 / 18.96 x 0.71 = 0.932; 18 x 0.71 x 24.89 / 18.96 = 16.78 mm.
    expect(value(b, 'crop.width').value).toBeCloseTo((24.89 / 18.96) * 0.71, 9);
    expect(value(b, 'looks-like').text).toBe('16.8 mm');
    expect(value(b, 'light').text).toBe('0.99 stops');
    expect(value(b, 'stop').text).toBe('T1.42');
  });

  test('the reducer cannot be faster than its limit: light is held', () => {
    const j = testJob({
      lens: testLens({ tStop: exactly(1.4), fStop: exactly(1.4) }),
      links: [testReducer({ fastestStop: exactly(1.2) })],
    });
    const b = build(j, j.rigs[0]);
    expect(value(b, 'light').value).toBeCloseTo(2 * Math.log2(1.4 / 1.2), 9);
    expect(value(b, 'light').sum).toContain('held at');
  });

  test('36 mm wide, 35 mm lens: 54.43 degrees', () => {
    const j = testJob({ lens: testLens({ focal: exactly(35) }) });
    expect(value(build(j, j.rigs[0]), 'field.h').value).toBeCloseTo(54.43, 2);
  });

  test('anamorphic fields use the desqueezed width', () => {
    const j = testJob({ lens: testLens({ focal: exactly(40), squeeze: exactly(1.33) }) });
    expect(value(build(j, j.rigs[0]), 'field.h').value).toBeCloseTo(
      (2 * Math.atan((36 * 1.33) / 80) * 180) / Math.PI,
      9,
    );
  });

  test('depth of field of the worked table', () => {
    // f 35, N 2, c 0.030, s 2000 from the image plane: 1824.4 to 2213.0 by the short form that
    // takes s from the lens; the exact form takes it from the plane the cloth tape starts at.
    const j = testJob(
      { lens: testLens({ focal: exactly(35), fStop: exactly(2) }) },
      { focus: 2000 },
    );
    const b = build(j, j.rigs[0]);
    expect(value(b, 'depth.near').value!.toFixed(1)).toBe('1830.4');
    expect(value(b, 'depth.far').value!.toFixed(1)).toBe('2205.0');
    expect(value(b, 'hyperfocal').value!.toFixed(1)).toBe('20451.7');
  });

  test('a missing number is unknown and asked for, never a guess', () => {
    const j = testJob({
      lens: testLens({ focal: undefined, imageCircle: undefined, tStop: undefined }),
    });
    const list = readings(build(j, j.rigs[0]));
    for (const id of ['looks-like', 'field.h', 'circle', 'stop', 'hyperfocal']) {
      const r = reading(list, id)!;
      expect(r).toMatchObject({ value: null, text: 'unknown' });
      expect(r.missing.length).toBeGreaterThan(0);
    }
  });

  test('every figure has a sum and its interval holds its value', () => {
    for (const rig of job.rigs)
      for (const r of readings(of(rig.id))) {
        expect(r.sum.length).toBeGreaterThan(5);
        expect(r.sum).not.toMatch(/NaN|undefined/);
        if (r.value !== null) {
          expect(r.lo).toBeLessThanOrEqual(r.value);
          expect(r.hi).toBeGreaterThanOrEqual(r.value);
        }
      }
  });

  test('stations add up', () => {
    const b = of('towpath-vintage');
    expect(value(b, 'station.lens').value).toBeCloseTo(45.46, 9);
    expect(value(b, 'station.front').value).toBeCloseTo(90.46, 9);
  });
});

describe('stops', () => {
  const zoom = (rig: object) => {
    const j = testJob(
      {
        lens: testLens({
          focal: exactly(20),
          focalTo: exactly(60),
          tStop: exactly(2.8),
          tStopTo: exactly(4.8),
        }),
      },
      rig,
    );
    return value(build(j, j.rigs[0]), 'stop');
  };

  test('a zoom of variable aperture lies between its ends', () => {
    expect(zoom({ focal: 20 })).toMatchObject({ value: 2.8, lo: 2.8, hi: 2.8 });
    expect(zoom({ focal: 60 })).toMatchObject({ value: 4.8, lo: 4.8, hi: 4.8 });
    const middle = zoom({ focal: 40 });
    expect(middle.value).toBeCloseTo(3.8, 9);
    expect([middle.lo, middle.hi]).toEqual([2.8, 4.8]);
  });

  test('no lens opens wider than it does', () => {
    expect(zoom({ focal: 20, stop: 5.6 }).value).toBeCloseTo(5.6, 9);
    expect(zoom({ focal: 20, stop: 1 }).value).toBeCloseTo(2.8, 9);
  });
});

describe('the line', () => {
  test('everything sits where it really sits', () => {
    const l = layout(of('towpath-vintage'));
    const lens = l.shapes.find((s) => s.role === 'lens')!;
    expect(lens.profile[0]![0]).toBeCloseTo(45.46, 9);
    expect(l.to).toBeCloseTo(90.46, 9);
    expect(l.gap).toBeNull();
    expect(l.dimensions.map((d) => d.text)).toEqual(['20.00', '24.00', '1.46', '45.0']);
    expect(
      stationOf(
        l,
        job.kit.find((p) => p.id === 'wafer-m42-44')!,
      ),
    ).toBeCloseTo(45.46, 9);
    expect(dimensionSum(of('towpath-vintage'), l.dimensions[1]!)).toBe(
      'length of Ferrule 44 to 20: 24.00 \u00b10.01 mm, measured on this piece',
    );
    expect(dimensionSum(of('towpath-vintage'), l.dimensions[0]!)).toContain(
      'from the standard of its mount',
    );
  });

  test('a lens that nothing joins leaves the gap of the missing part', () => {
    const j = testJob({ links: [], lens: testLens({ mount: 'pl' }) });
    expect(layout(build(j, j.rigs[0])).gap).toEqual({ from: 20, to: 52, text: '32.00 mm missing' });
    const c = testJob({ links: [], lens: testLens({ mount: 'c' }) });
    expect(layout(build(c, c.rigs[0])).gap!.text).toContain('too long');
  });

  test('what is not known is drawn as assumed, and empty places are places', () => {
    const j = testJob({ lens: testLens({ length: undefined, outline: undefined }) });
    const l = layout(build(j, j.rigs[0]));
    expect(l.shapes.find((s) => s.role === 'lens')!.assumed).toBe(true);
    expect(l.shapes.find((s) => s.role === 'body')!.assumed).toBe(true);
    const empty = testJob({ lens: null });
    expect(layout(build(empty, empty.rigs[0])).places.map((p) => p.kind)).toEqual(['lens']);
    const nothing = testJob({ lens: null, links: [] }, { body: null });
    expect(layout(build(nothing, nothing.rigs[0])).places.map((p) => p.kind)).toEqual(['body']);
  });

  test('the depth a reducer needs is marked where it ends', () => {
    const l = layout(of('tug-b'));
    expect(l.marks.map((m) => [m.label, m.z])).toEqual([
      ['reducer to here: 10.0', 9.25],
      [expect.stringContaining('cavity 16.2'), expect.closeTo(3.05, 9)],
    ]);
  });
});

describe('two set-ups on the same subject', () => {
  test('the distance gives the subject back: thin lens both ways', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 10, max: 40, noNaN: true }),
        fc.double({ min: 12, max: 200, noNaN: true }),
        fc.double({ min: 900, max: 50_000, noNaN: true }),
        (w, f, s) => {
          const W = subjectWidth(w, f, s)!;
          expect(distanceFor(w, f, W) / s).toBeCloseTo(1, 9);
          // Magnification is image over object distance: u from W, v from the lens equation.
          const u = f * (1 + W / w);
          expect(1 / u + 1 / (s - u)).toBeCloseTo(1 / f, 9);
        },
      ),
    );
    expect(subjectWidth(36, 100, 300)).toBeNull();
  });

  test('the same rig twice is the same', () => {
    const c = compare(of('tug-b'), of('tug-b'), 3000);
    expect(c.b.distance).toBeCloseTo(3000, 6);
    expect(c.matchFocal).toBeCloseTo(18, 9);
    expect(c.nearest[0]!.focal).toBeCloseTo(18, 9);
    expect(c.sentences[0]).toContain('Both see');
  });

  test('a smaller chip wants a shorter lens for the same field', () => {
    const c = compare(of('wheelhouse-a'), of('locks-long'), 4000);
    // 24 mm on 36.00 is 16.25 mm on 24.38.
    expect(c.matchFocal).toBeCloseTo((24 * 24.38) / 36, 9);
    expect(c.b.distance!).toBeGreaterThan(20_000);
    expect(c.sentences.join(' ')).toContain('sees wider');
  });

  test('a lens that does not say its focal length cannot be compared', () => {
    const j = testJob({ lens: testLens({ focal: undefined }) });
    const c = compare(build(j, j.rigs[0]), of('tug-b'), 3000);
    expect(c.sentences[0]).toContain('cannot be compared yet');
    expect(c.a.distance).toBeNull();
  });
});

describe('the lens set against the modes', () => {
  test('each cell is what the rig would be with that lens and mode', () => {
    const rig = job.rigs[1]!;
    const table = setTable(job, rig);
    expect(table.modes.map((m) => m.id)).toEqual(['open-gate', 'full-17-9', 's35', 'hs']);
    expect(table.rows).toHaveLength(9);
    for (const { cells } of table.rows)
      for (const c of cells) {
        const next = withChanges(job, c.edit.changes).rigs.find((r) => r.id === rig.id)!;
        const frames = checkRig(job, next).filter((v) => v.id === 'coverage.frame');
        expect(frames.some((v) => v.state === c.coverage)).toBe(true);
        if (c.margin !== null)
          expect(c.margin).toBeCloseTo(Math.min(...frames.map((v) => v.margin!.value)), 9);
      }
    const prime = table.rows.find((r) => r.lens.id === 'marl-24')!;
    expect(prime.cells.map((c) => c.state)).toEqual(['fail', 'fail', 'ok', 'ok']);
    expect(table.rows.find((r) => r.lens.id === 'marl-85')!.cells[0]!.text).toBe('not known');
    expect(table.rows.find((r) => r.lens.id === 'ostrel-58')!.cells[0]!).toMatchObject({
      text: 'rocks',
      why: expect.stringContaining('0.16 mm of play'),
    });
  });

  test('what hangs on a lens already is what the lens set shows of it', () => {
    const table = setTable(job, job.rigs[0]!);
    expect(table.rows.find((r) => r.lens.id === 'sedge-18-35')!.between).toBe(
      'Narrows 0.71 shallow',
    );
  });

  test('without modes there is nothing to lay out', () => {
    const j = testJob({ body: testBody({ modes: undefined }), links: [testAdapter()] });
    expect(setTable(j, j.rigs[0]).modes).toEqual([]);
    expect(fieldText(null)).toBe('');
    expect(fieldText(54.43)).toBe('54.4°');
  });
});
