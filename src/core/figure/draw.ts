import { readPath } from '../edit/path';
import type {
  Beside,
  Block,
  DrawFigure,
  Figure,
  FigurePen,
  FigureView,
  Pt,
  Shape,
  Size,
  Stroke,
  ViewPen,
} from '../engine/figure';
import { known, type QuantityInput, type ToleranceClass } from '../quantity/quantity';

const pathOf = (p: string | readonly string[]): readonly string[] =>
  typeof p === 'string' ? [p] : p;

/** Bad files leave sizes that no sheet is large enough for. */
const drawable = (v: number) => Number.isFinite(v) && Math.abs(v) < 1e5;

/**
 * The figure of a part.
 *
 * @param draw how its kind is drawn
 * @param open the row or interface whose own numbers are drawn, as `rings/focus`
 */
export function drawFigure(part: object, draw: DrawFigure, open: string | null = null): Figure {
  const views: FigureView[] = [];
  let block: Block | null = null;
  const says = (p: string | readonly string[]) => readPath(part, pathOf(p));
  const number = (p: string | readonly string[]): number | null => {
    const raw = says(p) as QuantityInput | undefined;
    const v = known(raw, 'length' satisfies ToleranceClass)?.value ?? null;
    return v !== null && drawable(v) ? v : null;
  };
  const pen: FigurePen = {
    open,
    says,
    has: (p) => number(p) !== null,
    size: (p, standIn) => {
      const v = number(p);
      return { path: pathOf(p), v: v ?? standIn, known: v !== null };
    },
    rows: (key) => {
      const list = (part as Record<string, unknown>)[key];
      if (!Array.isArray(list)) return [];
      return list.map((row: { id?: unknown } | null, i) => [
        key,
        typeof row?.id === 'string' ? row.id : String(i),
      ]);
    },
    view: (id) => {
      let v = views.find((x) => x.id === id);
      if (!v) views.push((v = { id, shapes: [], dimensions: [], notes: [], grips: [] }));
      return viewPen(v, pen);
    },
    block: (b) => {
      block = b;
    },
  };
  draw(pen);
  return { views, block };
}

function viewPen(view: FigureView, pen: FigurePen): ViewPen {
  const shape = (
    is: Shape['is'],
    points: readonly Pt[],
    by: readonly Size[] = [],
    stroke: Stroke = is === 'line' ? 'inner' : 'part',
    r = 0,
  ) => {
    if (points.some((p) => !drawable(p[0]) || !drawable(p[1])) || !drawable(r)) return;
    view.shapes.push({ is, points, r, stroke, assumed: by.some((s) => !s.known) });
  };
  const dimension = (size: Size, from: Pt, to: Pt, at: Beside) => {
    view.dimensions.push({ path: size.path, from, to, at, known: size.known });
  };
  return {
    outline: (points, by, stroke) => shape('outline', points, by, stroke),
    rect: (a, b, by, stroke) => shape('outline', [a, [b[0], a[1]], b, [a[0], b[1]]], by, stroke),
    circle: (at, r, by, stroke) => shape('circle', [at], by, stroke, Math.max(0, r)),
    line: (points, by, stroke) => shape('line', points, by, stroke),
    across: (size, u0, u1, at, near) => dimension(size, [u0, near], [u1, near], at),
    up: (size, v0, v1, at, near) => dimension(size, [near, v0], [near, v1], at),
    diameter: (size, at, near, v = 0) =>
      dimension(size, [near, v - size.v / 2], [near, v + size.v / 2], at),
    note: (path, to, at = 'left') =>
      view.notes.push({ path: pathOf(path), to, at, known: pen.says(path) !== undefined }),
    grip: (path, name, at) => view.grips.push({ key: path.join('/'), name, at }),
  };
}
