import fc from 'fast-check';
import { elevation } from '../drawing/elevation';
import { build } from '../build/build';
import type { Figure, FigureView } from '../engine/figure';
import { applyEdit } from '../edit/edit';
import { readPath } from '../edit/path';
import { fieldAt, FIELDS, KINDS } from '../kit/fields';
import type { Part } from '../kit/types';
import { valueOf, type QuantityInput } from '../quantity/quantity';
import { partOf, SHELF } from '../shelf/shelf';
import { setNumber } from '../solve/kit-moves';
import { demo } from '../test-kit';
import { drawFigure } from './draw';
import { figureOf } from './figures';
import { instrumentFor } from './instrument';
import { layOut, type Layout } from './layout';

const job = demo();
const bare = KINDS.map((kind) => ({ id: 'x', kind, name: 'x' }) as unknown as Part);
const shelf = SHELF.map((t) => partOf(t));
const all: readonly Part[] = [...job.kit, ...shelf, ...bare];

const SCREEN = { width: 940, tall: 250, label: { w: 112, h: 44 }, step: 13, most: 7 };
const dimensionsOf = (f: Figure) => f.views.flatMap((v) => v.dimensions);
/** Every row of a part that opens on its drawing, and nothing open. */
const opened = (p: Part): (string | null)[] => [
  null,
  ...figureOf(p)!.views.flatMap((v) => v.grips.map((g) => g.key)),
];

/** Sizes of what is drawn of the part itself. */
function size(v: FigureView, stroke = 'part') {
  const own = v.shapes.filter((s) => s.stroke === stroke);
  const us = own.flatMap((s) => s.points.flatMap((p) => [p[0] - s.r, p[0] + s.r]));
  const vs = own.flatMap((s) => s.points.flatMap((p) => [p[1] - s.r, p[1] + s.r]));
  return { w: Math.max(...us) - Math.min(...us), h: Math.max(...vs) - Math.min(...vs) };
}

describe('figure of a part', () => {
  test('every kind has one, of the demo, of the shelf, and of a part that says nothing', () => {
    for (const p of all)
      for (const open of opened(p)) {
        const f = figureOf(p, open)!;
        expect(f.views.length).toBeGreaterThan(0);
        for (const v of f.views)
          for (const s of v.shapes) expect(s.points.flat().every(Number.isFinite)).toBe(true);
      }
    expect(figureOf({ id: 'x', kind: 'what', name: 'x' } as unknown as Part)).toBeNull();
  });

  test('each number on it is one of the part, and none is there twice in a view', () => {
    for (const p of all)
      for (const open of opened(p))
        for (const v of figureOf(p, open)!.views) {
          const list = [...v.dimensions, ...v.notes];
          for (const d of list) {
            const field = fieldAt(p.kind, d.path);
            expect([`${p.kind} ${d.path.join('/')}`, field?.type]).toEqual([
              `${p.kind} ${d.path.join('/')}`,
              expect.stringMatching(/^(quantity|number)$/),
            ]);
          }
          const paths = list.map((d) => d.path.join('/'));
          expect([p.kind, paths]).toEqual([p.kind, [...new Set(paths)]]);
        }
  });

  test('a length is drawn as long as it is, and is known exactly when the part says it', () => {
    for (const p of all)
      for (const open of opened(p))
        for (const d of dimensionsOf(figureOf(p, open)!)) {
          const value = valueOf(readPath(p, d.path) as QuantityInput | undefined);
          expect([p.kind, d.path.join('/'), d.known]).toEqual([
            p.kind,
            d.path.join('/'),
            value !== null,
          ]);
          const long = Math.hypot(d.to[0] - d.from[0], d.to[1] - d.from[1]);
          if (value !== null) expect(long).toBeCloseTo(Math.abs(value), 6);
        }
  });

  /** What has no place on a drawing of the piece itself, or one only of some pieces. */
  const ELSEWHERE = new Set(['lens/focal', 'filter/diameter', 'filter/width', 'filter/height']);

  test('lengths that the checks need first are on it, also while nobody knows them', () => {
    for (const p of bare) {
      const on = new Set(figureOf(p)!.views.flatMap((v) => v.dimensions.map((d) => d.path[0])));
      const first = FIELDS[p.kind as keyof typeof FIELDS].filter(
        (f) => f.first && f.type === 'quantity' && f.unit === 'mm' && !f.onlyFor,
      );
      const missing = first
        .map((f) => `${p.kind}/${f.key}`)
        .filter((k) => !on.has(k.split('/')[1]!) && !ELSEWHERE.has(k));
      expect(missing).toEqual([]);
    }
  });

  test('what is taken away is drawn dashed, and its number says that it is not known', () => {
    for (const p of job.kit.filter((x) => x.kind !== 'key'))
      for (const d of dimensionsOf(figureOf(p)!)) {
        if (d.path.length > 1 || !d.known) continue;
        const less = { ...p } as unknown as Record<string, unknown>;
        delete less[d.path[0]!];
        const f = figureOf(less as unknown as Part)!;
        const same = dimensionsOf(f).filter((x) => x.path.join() === d.path.join());
        // A number that only some pieces have (a foot, a slot) may take its drawing along.
        for (const x of same) expect(x.known).toBe(false);
        if (same.length > 0 && !NO_SHAPE.has(d.path[0]!))
          expect([p.kind, d.path, f.views.some((v) => v.shapes.some((s) => s.assumed))]).toEqual([
            p.kind,
            d.path,
            true,
          ]);
      }
  });

  test('numbers beyond all sense leave a drawing', () => {
    const wild = fc.constantFrom<unknown>(0, -1, 1e12, NaN, Infinity, null, 'x', [], {}, 5.5);
    fc.assert(
      fc.property(fc.constantFrom(...all), fc.array(wild, { minLength: 4 }), (p, values) => {
        const q = { ...p } as unknown as Record<string, unknown>;
        Object.keys(q)
          .filter((k) => !['id', 'kind', 'name'].includes(k))
          .forEach((k, i) => {
            q[k] = values[i % values.length];
          });
        const f = figureOf(q as unknown as Part)!;
        const l = layOut(f, SCREEN);
        expect(Number.isFinite(l.width) && Number.isFinite(l.height)).toBe(true);
        expect(JSON.stringify(l)).not.toMatch(/NaN|Infinity/);
      }),
      { numRuns: 300 },
    );
  });
});

/** Numbers that no outline is drawn with: between other things. */
const NO_SHAPE = new Set(['gearAhead']);

describe('figure and rig', () => {
  // The other way to the same outline: solids placed on the rig, projected into its elevation.
  test.each([
    ['lens', ['barrel', 'shoulder'], 'h'],
    ['body', ['body'], 'both'],
    ['monitor', ['block'], 'both'],
    ['battery', ['block'], 'both'],
    ['plate', ['slab'], 'w'],
  ] as const)('a %s is as large', (kind, roles, which) => {
    let seen = 0;
    for (const rig of job.rigs) {
      const { outlines } = elevation(build(job, rig), 'side');
      for (const piece of new Set(outlines.map((o) => o.piece))) {
        const of = outlines.filter((o) => o.piece === piece && o.kind === kind);
        const own = of.filter((o) => (roles as readonly string[]).includes(o.role));
        const part = job.kit.find((p) => p.id === own[0]?.part);
        const seat = rig.fitted?.find((u) => piece.endsWith(u.id));
        if (!part || own.some((o) => o.assumed) || seat?.turn) continue;
        // Rings and feet stand out of the barrel: they are solids of their own on the rig.
        const none = { rings: [], footAt: undefined, footLength: undefined, footDown: undefined };
        const side = figureOf({ ...part, ...none } as unknown as Part)!.views.find(
          (v) => v.id === 'side',
        )!;
        const at = (k: 0 | 1) => own.flatMap((o) => o.points.map((p) => p[k]));
        const span = (v: number[]) => Math.max(...v) - Math.min(...v);
        if (which !== 'w') expect(size(side).h).toBeCloseTo(span(at(1)), 0);
        if (which !== 'h') expect(size(side).w).toBeCloseTo(span(at(0)), 0);
        seen++;
      }
    }
    expect(seen).toBeGreaterThan(0);
  });
});

describe('layout of a figure', () => {
  const overlap = (l: Layout) => {
    const boxes = l.views.flatMap((v) => v.labels);
    return boxes.flatMap((a, i) =>
      boxes
        .slice(i + 1)
        .filter(
          (b) => Math.abs(a.x - b.x) < l.label.w - 0.01 && Math.abs(a.y - b.y) < l.label.h - 0.01,
        )
        .map((b) => `${a.path.join('/')} on ${b.path.join('/')}`),
    );
  };

  test('no number lies on another, all of them on the sheet', () => {
    for (const p of all)
      for (const open of opened(p))
        for (const width of [340, 940]) {
          const l = layOut(figureOf(p, open)!, { ...SCREEN, width });
          expect([p.kind, open, overlap(l)]).toEqual([p.kind, open, []]);
          for (const x of l.views.flatMap((v) => v.labels)) {
            expect(x.x).toBeGreaterThanOrEqual(-0.01);
            expect(x.y).toBeGreaterThanOrEqual(-0.01);
            expect(x.x + l.label.w).toBeLessThanOrEqual(l.width + 0.01);
            expect(x.y + l.label.h).toBeLessThanOrEqual(l.height + 0.01);
          }
        }
  });

  test('all views have one scale, and on paper it is one of those asked for', () => {
    for (const p of all) {
      const scales = [1, 0.5, 0.25, 0.2, 0.1];
      const f = figureOf(p)!;
      const l = layOut(f, {
        width: 182,
        tall: 90,
        label: { w: 24, h: 8 },
        step: 4,
        most: 1,
        scales,
      });
      expect(scales).toContain(l.scale);
      for (const v of l.views)
        for (const x of v.labels) {
          const d = dimensionsOf(f).find((y) => y.path.join() === x.path.join());
          const [a, b] = x.ends;
          if (!a || !b || !d) continue;
          const long = Math.hypot(d.to[0] - d.from[0], d.to[1] - d.from[1]);
          expect(Math.hypot(b[0] - a[0], b[1] - a[1])).toBeCloseTo(long * l.scale, 6);
        }
    }
  });

  test('another part is laid over in the same place and scale', () => {
    const lenses = job.kit.filter((p) => p.kind === 'lens');
    const [a, b] = [lenses[0]!, lenses[lenses.length - 1]!];
    const l = layOut(figureOf(a)!, SCREEN, figureOf(b));
    const side = l.views.find((v) => v.id === 'side')!;
    expect(side.over.length).toBe(figureOf(b)!.views.find((v) => v.id === 'side')!.shapes.length);
    // Laid over itself it is the very same lines.
    const same = layOut(figureOf(a)!, SCREEN, figureOf(a));
    for (const v of same.views) expect(v.over).toEqual(v.shapes);
  });
});

describe('a number typed on a drawing', () => {
  test('begins the line of a table that is not there yet, and is undone whole', () => {
    const lens = { id: 'own', kind: 'lens', name: 'Own' } as unknown as Part;
    const mine = { ...job, kit: [...job.kit, lens] };
    const q = { value: 31, from: 'measured' as const };
    const edit = setNumber(mine, lens, ['pupil', '0', 'behind'], q, 'x');
    const { doc, inverse } = applyEdit(mine, edit);
    expect(readPath(doc, ['kit', 'own', 'pupil', '0', 'behind'])).toEqual(q);
    expect(applyEdit(doc, inverse).doc).toEqual(mine);
    // Emptied before it was there, it makes no line.
    expect(setNumber(mine, lens, ['pupil', '0', 'behind'], undefined, 'x').changes).toEqual([]);
  });

  test('says what it is measured with', () => {
    expect(instrumentFor('body', ['cavityDepth'])).toBe('depth gauge');
    expect(instrumentFor('lens', ['frontDiameter'], 80)).toBe('calipers');
    expect(instrumentFor('rods', ['length'], 300)).toBe('tape');
    expect(instrumentFor('lens', ['rings', 'focus', 'throw'])).toBe('turning the ring');
    expect(instrumentFor('lens', ['rings', 'focus', 'teeth'])).toBe('counting');
    expect(instrumentFor('lens', ['mass'])).toBe('scale');
    expect(instrumentFor('lens', ['name'])).toBeNull();
    for (const p of all)
      for (const v of figureOf(p)!.views)
        for (const d of [...v.dimensions, ...v.notes])
          expect(instrumentFor(p.kind, d.path)).not.toBeNull();
  });

  test('a figure is drawn with what the part says, not with what it is called', () => {
    const f = drawFigure({ length: 10 }, (pen) => {
      const [own, none] = [pen.size('length', 99), pen.size('constructor', 5)];
      pen.view('side').rect([0, 0], [own.v, none.v], [own, none]);
    });
    expect(f.views[0]!.shapes[0]).toMatchObject({ assumed: true });
    expect(f.views[0]!.shapes[0]!.points[2]).toEqual([10, 5]);
  });
});
