import type { Dimension, Figure, FigureView, FigureViewId, Pt, Shape } from '../engine/figure';
import { roundAbout } from './round-about';

/** What a figure is laid out for, in units of the sheet: pixels, or millimetres of paper. */
export interface Sheet {
  /** What there is across, and how tall one view may be. */
  width: number;
  tall: number;
  label: { w: number; h: number };
  /** From one upright dimension line to the next, and from a part to the first. */
  step: number;
  /** Sheet units for a millimetre, at most. */
  most: number;
  /** Scales that may be taken, largest first; any when empty. */
  scales?: readonly number[];
}

export interface PlacedShape {
  d: string;
  stroke: Shape['stroke'];
  assumed: boolean;
}

/** A number where it is read and typed, with the lines that lead to it. */
export interface PlacedLabel {
  path: readonly string[];
  /** Upper left corner. */
  x: number;
  y: number;
  known: boolean;
  /** Dimension line with its witness lines and leader, or the leader of a note. */
  lines: string;
  /** Short strokes across the ends of the dimension line. */
  ticks: string;
  /** Where the jaws go: the two ends of a length. */
  ends: readonly Pt[];
}

export interface PlacedView {
  id: FigureViewId;
  /** Another part laid over it, in the same place and scale. */
  over: readonly PlacedShape[];
  /** Where its name stands. */
  name: Pt;
  shapes: readonly PlacedShape[];
  labels: readonly PlacedLabel[];
  /** Where one reaches for what opens; `of` is the place itself, where the two are not one. */
  grips: readonly { key: string; name: string; at: Pt; of: Pt }[];
  /** Where 0, 0 of the part is. */
  origin: Pt;
}

export interface Layout {
  width: number;
  height: number;
  /** Sheet units for a millimetre. */
  scale: number;
  label: { w: number; h: number };
  views: readonly PlacedView[];
}

/** Room between two views, and around all of them, as shares of the height of a label. */
const GAP = 0.4;

/** Outlines are not cut at the edge of the sheet. */
const EDGE = 2;

interface Bounds {
  u0: number;
  u1: number;
  v0: number;
  v1: number;
}

/**
 * A figure on a sheet: all views to one scale, beside each other where there is room and below
 * each other where that lets them be larger; every number on a line of its own that no other label
 * lies on.
 *
 * @param over another of its kind that is drawn over it
 */
export function layOut(figure: Figure, sheet: Sheet, over: Figure | null = null): Layout {
  const both = figure.views.map((view) => ({
    view,
    over: over?.views.find((v) => v.id === view.id)?.shapes ?? [],
  }));
  const beside = largest(both, sheet, true);
  const below = largest(both, sheet, false);
  // On paper every scale counts; on a screen one would rather see all views at once.
  return beside.scale >= below.scale * (sheet.scales ? 1 : 0.75) ? beside : below;
}

/** A view with what is laid over it. */
interface Both {
  view: FigureView;
  over: readonly Shape[];
}

function largest(views: readonly Both[], sheet: Sheet, beside: boolean): Layout {
  const at = (scale: number) => arranged(views, sheet, scale, beside);
  if (sheet.scales) {
    for (const s of sheet.scales) {
      const l = at(s);
      if (l.width <= sheet.width && fitsTall(views, s, sheet)) return l;
    }
    return at(sheet.scales[sheet.scales.length - 1] ?? 1);
  }
  let scale = sheet.most;
  for (const v of views) {
    const b = boundsOf(v);
    scale = Math.min(scale, sheet.tall / Math.max(1, b.v1 - b.v0));
    scale = Math.min(scale, sheet.width / Math.max(1, b.u1 - b.u0));
  }
  let best = at(scale);
  // Labels do not shrink with the scale: a few steps find the largest that fits across.
  for (let i = 0; i < 24 && best.width > sheet.width; i++) best = at((scale *= 0.88));
  return best;
}

const fitsTall = (views: readonly Both[], scale: number, sheet: Sheet) =>
  views.every((v) => {
    const b = boundsOf(v);
    return (b.v1 - b.v0) * scale <= sheet.tall;
  });

function boundsOf({ view, over }: Both): Bounds {
  const b: Bounds = { u0: Infinity, u1: -Infinity, v0: Infinity, v1: -Infinity };
  for (const s of [...view.shapes, ...over])
    for (const [u, v] of s.points) {
      b.u0 = Math.min(b.u0, u - s.r);
      b.u1 = Math.max(b.u1, u + s.r);
      b.v0 = Math.min(b.v0, v - s.r);
      b.v1 = Math.max(b.v1, v + s.r);
    }
  return b.u0 > b.u1 ? { u0: 0, u1: 1, v0: 0, v1: 1 } : b;
}

function arranged(figure: readonly Both[], sheet: Sheet, scale: number, beside: boolean): Layout {
  const gap = sheet.label.h * GAP;
  const drafts = figure.map((v) => draft(v, sheet, scale));
  let [x, y, width, height] = [0, 0, 0, 0];
  const rows = beside ? Math.max(0, ...drafts.map((d) => -d.y0)) : 0;
  const widest = Math.max(0, ...drafts.map((d) => d.x1 - d.x0));
  const views = drafts.map((d) => {
    // Beside each other their axes are on one height; below each other they stand in the middle.
    const margin = beside ? 0 : (widest - (d.x1 - d.x0)) / 2;
    const origin: Pt = [x + margin - d.x0, beside ? rows : y - d.y0];
    width = Math.max(width, beside ? x + d.x1 - d.x0 : widest);
    height = Math.max(height, origin[1] + d.y1);
    if (beside) x += d.x1 - d.x0 + gap;
    else y += d.y1 - d.y0 + gap;
    return d.at(origin);
  });
  return { width, height, scale, label: sheet.label, views };
}

/** A view about its own origin: what room it takes, and how it is where the origin is put. */
interface Draft {
  x0: number;
  x1: number;
  y0: number;
  y1: number;
  at: (origin: Pt) => PlacedView;
}

interface DraftLabel {
  path: readonly string[];
  known: boolean;
  x: number;
  y: number;
  /** Lines as corners; several with a break between them. */
  lines: readonly (readonly Pt[])[];
  ends: readonly Pt[];
}

function draft(both: Both, sheet: Sheet, scale: number): Draft {
  const { view } = both;
  const b = boundsOf(both);
  // On the sheet y runs down.
  const on = ([u, v]: Pt): Pt => [u * scale, -v * scale];
  const box = { x0: b.u0 * scale, x1: b.u1 * scale, y0: -b.v1 * scale, y1: -b.v0 * scale };
  const columns = [column(view, 'left', box, sheet, on), column(view, 'right', box, sheet, on)];
  const sides = columns.flat();
  const { h } = sheet.label;
  const inner = {
    ...box,
    y0: Math.min(box.y0, ...sides.map((l) => l.y)),
    y1: Math.max(box.y1, ...sides.map((l) => l.y + h)),
  };
  // In the order in which the figure names them: that is how one goes round the piece.
  const order = [...view.dimensions, ...view.notes].map((d) => d.path.join('/'));
  const labels = [
    ...sides,
    ...rowsOf(view, 'above', inner, sheet, on),
    ...rowsOf(view, 'below', inner, sheet, on),
  ].sort((a, b) => order.indexOf(a.path.join('/')) - order.indexOf(b.path.join('/')));
  const name = sheet.label.h * 0.5;
  const x0 = Math.min(box.x0, ...labels.map((l) => l.x)) - EDGE;
  const x1 = Math.max(box.x1, ...labels.map((l) => l.x + sheet.label.w)) + EDGE;
  const y0 = Math.min(box.y0, ...labels.map((l) => l.y)) - name - EDGE;
  const y1 = Math.max(box.y1, ...labels.map((l) => l.y + h)) + 4;
  return {
    x0,
    x1,
    y0,
    y1,
    at: (origin) =>
      placed(both, { labels, scale, on, sheet, corner: [x0, y0 + name * 0.7] }, origin),
  };
}

/** A view where it is put: all that was laid out about its own origin. */
function placed(
  { view, over }: Both,
  {
    labels,
    scale,
    on,
    sheet,
    corner,
  }: {
    labels: readonly DraftLabel[];
    scale: number;
    on: (p: Pt) => Pt;
    sheet: Sheet;
    corner: Pt;
  },
  [ox, oy]: Pt,
): PlacedView {
  const move = ([x, y]: Pt): Pt => [ox + x, oy + y];
  const shape = (s: Shape): PlacedShape => ({
    d: outline(s, (p) => move(on(p)), scale),
    stroke: s.stroke,
    assumed: s.assumed,
  });
  return {
    id: view.id,
    name: move(corner),
    shapes: view.shapes.map(shape),
    over: over.map(shape),
    labels: labels.map((l) => ({
      path: l.path,
      known: l.known,
      x: ox + l.x,
      y: oy + l.y,
      lines: l.lines.map((p) => pathOf(p.map(move))).join(''),
      ticks: l.ends.length > 0 ? ticksOf(l.lines[0]!.map(move), sheet.label.h / 12) : '',
      ends: l.ends.map(move),
    })),
    grips: roundAbout(
      view.grips.map(({ key, name, at }) => ({ key, name, of: move(on(at)) })),
      sheet.label.h * GRIP,
    ),
    origin: [ox, oy],
  };
}

/** Least distance of two grips, as a share of the height of a label. */
const GRIP = 0.45;

const n = (x: number) => (Math.round(x * 100) / 100).toString();
const pathOf = (p: readonly Pt[]) => `M${p.map(([x, y]) => `${n(x)} ${n(y)}`).join('L')}`;

/** Strokes across the two ends of a dimension line, which is the middle one of three. */
function ticksOf(corners: readonly Pt[], r: number): string {
  return corners
    .slice(1, 3)
    .map(([x, y]) => pathOf([[x - r, y + r] as Pt, [x + r, y - r] as Pt]))
    .join('');
}

function outline(s: Shape, on: (p: Pt) => Pt, scale: number): string {
  if (s.is !== 'circle') return pathOf(s.points.map(on)) + (s.is === 'outline' ? 'Z' : '');
  const [x, y] = on(s.points[0]!);
  const r = n(s.r * scale);
  return `M${n(x - s.r * scale)} ${n(y)}a${r} ${r} 0 1 0 ${n(2 * s.r * scale)} 0a${r} ${r} 0 1 0 ${n(-2 * s.r * scale)} 0Z`;
}

type Box = { x0: number; x1: number; y0: number; y1: number };

/** Upright lengths and notes at one side: lines close together, their labels in one column. */
function column(
  view: FigureView,
  at: 'left' | 'right',
  box: Box,
  { label, step }: Sheet,
  on: (p: Pt) => Pt,
): DraftLabel[] {
  const sign = at === 'left' ? -1 : 1;
  const edge = at === 'left' ? box.x0 : box.x1;
  // The shortest is nearest to the part, so that no line crosses another's witness lines twice.
  const lengths = view.dimensions
    .filter((d) => d.at === at)
    .sort((a, b) => Math.abs(a.to[1] - a.from[1]) - Math.abs(b.to[1] - b.from[1]));
  const outer = edge + sign * step * (lengths.length + 1);
  const items = [
    ...lengths.map((d, i) => {
      const [a, b] = [on(d.from), on(d.to)];
      const x = edge + sign * step * (i + 1);
      return { path: d.path, known: d.known, a, b, x, want: (a[1] + b[1]) / 2 };
    }),
    ...view.notes
      .filter((m) => m.at === at)
      .map((m) => {
        const p = on(m.to);
        return { path: m.path, known: m.known, a: p, b: p, x: null, want: p[1] };
      }),
  ].sort((p, q) => p.want - q.want);
  const ys = spreadOut(
    items.map((i) => i.want),
    label.h + 2,
  );
  return items.map((i, k) => {
    const y = ys[k]!;
    const to: Pt = [outer, y];
    const where = { x: at === 'left' ? outer - label.w : outer, y: y - label.h / 2 };
    const own = { path: i.path, known: i.known, ...where };
    if (i.x === null) return { ...own, lines: [[i.a, to]], ends: [] };
    const [top, bottom] = [Math.min(i.a[1], i.b[1]), Math.max(i.a[1], i.b[1])];
    const leader: Pt = [i.x, Math.min(bottom, Math.max(top, y))];
    return {
      ...own,
      lines: [
        [i.a, [i.x, i.a[1]] as Pt, [i.x, i.b[1]] as Pt, i.b],
        [leader, to],
      ],
      ends: [i.a, i.b],
    };
  });
}

/** Moves what stands too close apart, each as little as it takes; in order from the top. */
function spreadOut(want: readonly number[], least: number): number[] {
  if (want.length === 0) return [];
  const y = [...want];
  for (let pass = 0; pass < 60; pass++) {
    let moved = false;
    for (let i = 1; i < y.length; i++) {
      const short = least - (y[i]! - y[i - 1]!);
      if (short <= 1e-6) continue;
      y[i - 1]! -= short / 2;
      y[i]! += short / 2;
      moved = true;
    }
    if (!moved) return y;
  }
  // Where halves do not settle they are stacked from the first.
  for (let i = 1; i < y.length; i++) y[i] = Math.max(y[i]!, y[i - 1]! + least);
  return y;
}

/** Lengths along the sheet in rows over or under the part: the shortest nearest. */
function rowsOf(
  view: FigureView,
  at: 'above' | 'below',
  box: Box,
  { label }: Sheet,
  on: (p: Pt) => Pt,
): DraftLabel[] {
  const rows: [from: number, to: number][][] = [];
  const sorted = view.dimensions.filter((d) => d.at === at).sort((a, b) => span(a) - span(b));
  return sorted.map((d) => {
    const [a, b] = [on(d.from), on(d.to)];
    const middle = (a[0] + b[0]) / 2;
    const half = Math.max(Math.abs(b[0] - a[0]), label.w) / 2 + 3;
    const free = (r: [number, number][]) =>
      r.every(([from, to]) => middle + half <= from || middle - half >= to);
    let row = rows.findIndex(free);
    if (row < 0) row = rows.push([]) - 1;
    rows[row]!.push([middle - half, middle + half]);
    // The label stands on its line.
    const y =
      at === 'below' ? box.y1 + (row + 1) * (label.h + 4) : box.y0 - 6 - row * (label.h + 4);
    return {
      path: d.path,
      known: d.known,
      x: middle - label.w / 2,
      y: y - label.h - 2,
      lines: [[a, [a[0], y] as Pt, [b[0], y] as Pt, b]],
      ends: [a, b],
    };
  });
}

const span = (d: Dimension) => Math.abs(d.to[0] - d.from[0]);
