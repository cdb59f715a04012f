import { onPaper, SCALES } from './paper';
import { build, buildAfresh } from '../build/build';
import { demo } from '../test-kit';
import { toDxf } from './dxf';
import { elevation } from './elevation';
import { partsCsv } from './parts-csv';
import { hull, outline, overlap, type Point } from './project';
import { dimensionLines, toSvg } from './svg';
import { box, sector, turned, UPRIGHT } from '../solids/solid';

const job = demo();
const rigs = job.rigs.map((r) => [r.name, build(job, r)] as const);

const area = (p: readonly Point[]) =>
  p.reduce((s, a, i) => {
    const b = p[(i + 1) % p.length]!;
    return s + (a[0] * b[1] - b[0] * a[1]) / 2;
  }, 0);

describe('outlines', () => {
  test('a box and a turned piece in the three views', () => {
    const b = box([10, 20, 30], [1, 2, 3]);
    expect(area(outline('side', b))).toBeCloseTo(24, 9);
    expect(area(outline('top', b))).toBeCloseTo(12, 9);
    expect(area(outline('front', b))).toBeCloseTo(8, 9);
    // Camera right lies left on the sheet when it is seen from the subject.
    expect(Math.max(...outline('front', b).map((p) => p[0]))).toBeCloseTo(-9, 9);
    const lens = turned(0, 0, 0, 100, 40);
    expect(area(outline('side', lens))).toBeCloseTo(8000, 6);
    expect(area(outline('front', lens)) / (Math.PI * 1600)).toBeGreaterThan(0.99);
    const slice = sector([0, 0, 0], UPRIGHT, 50, 5, 0, Math.PI / 2);
    expect(area(outline('front', slice)) / ((Math.PI * 2500) / 4)).toBeGreaterThan(0.99);
  });

  test('what two outlines share', () => {
    const square = (x: number): Point[] => [
      [x, 0],
      [x + 2, 0],
      [x + 2, 2],
      [x, 2],
    ];
    expect(area(overlap(square(0), square(1)))).toBeCloseTo(2, 12);
    expect(overlap(square(0), square(3))).toEqual([]);
    expect(
      hull([
        [0, 0],
        [1, 1],
        [2, 2],
      ]),
    ).toHaveLength(2);
  });
});

describe.each(rigs)('the views of %s', (_name, built) => {
  test('show every solid, nearest last, with dimensions that agree with the parts', () => {
    for (const view of ['side', 'top', 'front'] as const) {
      const e = elevation(built, view);
      expect(e.outlines.length).toBeGreaterThan(5);
      for (const d of e.dimensions) {
        // Drawn at a stand-in it has no number.
        expect(d.text === '?').toBe(d.unknown);
        if (d.unknown) continue;
        const off = Math.abs(Number(d.text) - Math.abs(d.to - d.from));
        expect(off).toBeLessThanOrEqual(d.text.includes('.') ? 0.051 : 0.51);
        expect(d.sum.length).toBeGreaterThan(5);
      }
      expect(new Set(dimensionLines(e).map((d) => d.label)).size).toBe(e.dimensions.length);
    }
    const side = elevation(built, 'side');
    const top = elevation(built, 'top');
    const front = elevation(built, 'front');
    // One and the same model: the three views agree on its size.
    expect(side.bounds.u1 - side.bounds.u0).toBeCloseTo(top.bounds.u1 - top.bounds.u0, 6);
    expect(side.bounds.v1 - side.bounds.v0).toBeCloseTo(front.bounds.v1 - front.bounds.v0, 0);
    expect(top.bounds.v1 - top.bounds.v0).toBeCloseTo(front.bounds.u1 - front.bounds.u0, 0);
  });

  test('go out as SVG, DXF and CSV', () => {
    const svg = toSvg(built);
    expect(svg).toMatch(/^<\?xml[\s\S]*<\/svg>\n$/);
    expect(svg).not.toMatch(/NaN|undefined/);
    for (const id of ['side', 'top', 'front']) expect(svg).toContain(`<g id="${id}">`);
    const lines = toDxf(built).split('\n');
    expect(lines.slice(-3)).toEqual(['0', 'EOF', '']);
    // Group codes and values alternate; every entity lies on a layer of the table.
    const codes = lines.slice(0, -1).filter((_, i) => i % 2 === 0);
    expect(codes.every((c) => /^\d+$/.test(c))).toBe(true);
    const values = lines.filter((_, i) => i % 2 === 1);
    const layers = new Set(values.filter((_, i) => codes[i] === '2'));
    values.forEach((v, i) => {
      if (codes[i] === '8') expect(layers.has(v)).toBe(true);
      if (codes[i] === '10' || codes[i] === '20') expect(Number.isFinite(Number(v))).toBe(true);
    });
    expect(layers.has('lens')).toBe(true);
    const csv = partsCsv(built).trim().split('\n');
    expect(csv[0]).toContain('z_from_mm');
    expect(csv.length).toBeGreaterThan(5);
  });
});

test('a dimension that rests on a missing number says so and names it', () => {
  const job = structuredClone(demo());
  const rig = job.rigs.find((r) => r.id === 'tug-b')!;
  const rods = job.kit.find((p) => p.id === rig.rods![0]!.part)! as {
    length?: number;
    name: string;
  };
  delete rods.length;
  const side = elevation(build(job, rig), 'side');
  const of = (label: string) => side.dimensions.find((d) => d.label === label)!;
  expect(of(`length of ${rods.name}`)).toMatchObject({
    text: '?',
    unknown: true,
    sum: `missing: length of ${rods.name}`,
  });
  // Where it ends is not known, so neither is how long the rig is; how high the rods are is.
  expect(of('length of the rig').unknown).toBe(true);
  expect(of('axis to rods').unknown).toBe(false);
  expect(toSvg(build(job, rig))).not.toMatch(/NaN|undefined/);
});

test('a name cannot break out of the drawing', () => {
  const j = structuredClone(job);
  j.rigs[0]!.name = '</title><script>x</script>';
  j.kit.find((p) => p.id === 'pintle')!.name = '"><script>y</script>';
  const svg = toSvg(build(j, j.rigs[0]!));
  expect(svg).not.toContain('<script');
});

describe('on paper', () => {
  const a4 = { w: 182, h: 239 };
  const wide = { w: 269, h: 152 };

  test.each(job.rigs.map((r) => [r.name, r] as const))(
    '%s: to one scale, inside its sheets',
    (_, r) => {
      const built = build(job, r);
      const { scale, views } = onPaper(built, a4, wide);
      expect(SCALES).toContain(scale);
      for (const v of views) {
        const room = v.across ? wide : a4;
        expect([v.w <= room.w, v.h <= room.h]).toEqual([true, true]);
        // A millimetre of paper is so many of the rig.
        const [, w, h] = /viewBox="0 0 ([\d.]+) ([\d.]+)"/.exec(v.svg)!;
        expect(Number(w) / v.w).toBeCloseTo(scale, 1);
        expect(Number(h) / v.h).toBeCloseTo(scale, 1);
        // Text is as large as on any other sheet.
        const [, text] = /font-size="([\d.]+)"/.exec(v.svg)!;
        expect(Number(text) / scale).toBeCloseTo(2.6, 6);
        expect(v.svg).not.toContain('"red"');
      }
      // The next larger one would not have fitted.
      const larger = SCALES[SCALES.indexOf(scale as (typeof SCALES)[number]) - 1];
      if (larger !== undefined) {
        const least = scale / larger;
        expect(
          views.some(
            (v) =>
              Math.min(v.w, v.h) * least > 152 ||
              Math.max(v.w, v.h) * least > 239 ||
              v.w * least > 182,
          ),
        ).toBe(true);
      }
    },
  );
});

test('a kept drawing follows a number that is only drawn: the mouth of the matte box', () => {
  const job = demo();
  const of = (mouthW: number) => {
    const kit = job.kit.map((p) => (p.id === 'weir' ? { ...p, mouthW } : p));
    const next = { ...job, kit } as typeof job;
    const rig = next.rigs.find((r) => r.id === 'anamorphic')!;
    const wide = (built: ReturnType<typeof build>) => {
      const box = elevation(built, 'front').outlines.find((o) => o.piece === 'box' && o.sketch)!;
      const us = box.sketch!.filter((l) => l.inner).flatMap((l) => l.points.map((p) => p[0]));
      return Math.max(...us) - Math.min(...us);
    };
    return [wide(build(next, rig)), wide(buildAfresh(next, rig))];
  };
  for (const mouth of [90, 140, 90]) {
    const [kept, fresh] = of(mouth);
    expect(kept).toBeCloseTo(mouth, 6);
    expect(fresh).toBeCloseTo(mouth, 6);
  }
});
