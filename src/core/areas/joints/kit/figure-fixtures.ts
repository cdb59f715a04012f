import type { Face } from '../../../engine/part';
import type { Block, FigurePen, FigureViewId, Pt, Size } from '../../../engine/figure';
import { interfaceType } from './interfaces';

const AXES = ['x', 'y', 'z'] as const;
const OUT: Readonly<Record<Face, readonly [axis: 0 | 1 | 2, end: 0 | 1]>> = {
  left: [0, 0],
  right: [0, 1],
  bottom: [1, 0],
  top: [1, 1],
  rear: [2, 0],
  front: [2, 1],
};

/** Which way the axes of a part lie on a sheet: the one across it, the one up it. */
const SHEET: Readonly<Record<FigureViewId, readonly [0 | 1 | 2, number, 0 | 1 | 2, number]>> = {
  side: [2, 1, 1, 1],
  front: [0, -1, 1, 1],
  top: [2, 1, 0, -1],
};

/** Drawn views a part has anyway; the top is added where something is on it or below. */
const VIEWS: readonly FigureViewId[] = ['side', 'front'];

/** Half the size of a mark, mm. */
const MARK = 3;

/** Something that sits on a face of a part, and the paths of what says where. */
interface OnFace {
  key: readonly string[];
  name: string;
  face: unknown;
  off: readonly (readonly string[])[];
  /** The interface it is; null for a socket, which is one mark. */
  row: readonly string[] | null;
}

/**
 * What a part holds others by and is held by, and its sockets, each where it is: a cross in a circle on
 * the face one looks at, a notch on the edge of one that is seen from its side. What is open has its
 * numbers.
 */
export function fixtures(pen: FigurePen, block: Block): void {
  pen.block(block);
  for (const of of [...interfacesOf(pen), ...socketsOf(pen)]) {
    const face = of.face as Face | undefined;
    if (face === undefined || !(face in OUT)) continue;
    const [axis, end] = OUT[face];
    const faces = [block.x, block.y, block.z];
    const off = of.off.map((path) => pen.size(path, 0));
    const at = faces.map((f, i) =>
      i === axis ? f[end] : (f[0] + f[1]) / 2 + (off[i]?.v ?? 0),
    ) as [number, number, number];
    const open = pen.open === of.key.join('/');
    const flat = VIEWS.find((v) => SHEET[v][0] !== axis && SHEET[v][2] !== axis) ?? 'top';
    for (const id of open && flat === 'top' ? [...VIEWS, flat] : VIEWS) {
      const p = on(id, at);
      if (id === 'top') outlineOnTop(pen, block);
      const by = off.filter((_, i) => i !== axis);
      mark(pen, of.row, id, p, id === flat, by);
      if (id === (flat === 'top' && open ? 'top' : VIEWS[0])) pen.view(id).grip(of.key, of.name, p);
    }
    if (open) numbers(pen, of.row, flat, { at, off, axis, block });
  }
}

const interfacesOf = (pen: FigurePen): OnFace[] =>
  pen.rows('interfaces').map((row) => ({
    key: row,
    name: String(pen.says([...row, 'name']) ?? 'interface'),
    face: pen.says([...row, 'face']),
    off: AXES.map((k) => [...row, k]),
    row,
  }));

/** Where leads go in and come out. */
const socketsOf = (pen: FigurePen): OnFace[] => [
  {
    key: ['inlet'],
    name: 'inlet',
    face: pen.says('inletFace'),
    off: [['inletX'], ['inletY'], ['inletZ']],
    row: null,
  },
  ...(['outlets', 'ports'] as const).flatMap((list) =>
    pen.rows(list).map((row) => ({
      key: row,
      name: String(pen.says([...row, 'name']) ?? (list === 'ports' ? 'port' : 'outlet')),
      face: pen.says([...row, 'face']),
      off: AXES.map((k) => [...row, k]),
      row: null,
    })),
  ),
];

/** What was pressed on a drawing: a face, and how far off its middle, mm; null where nobody can say. */
export interface Pressed {
  face: Face;
  x: number | null;
  y: number | null;
  z: number | null;
}

/**
 * Which face of a part a point of its drawing is on: that of the edge it is near, else the one that
 * is looked at; beside the part the nearest edge. How far it is off the middle of that face is told across the sheet only.
 *
 * @param p on the sheet of the view, mm
 * @param near up to here from an edge it is the face behind that edge, mm
 * @param sure whether it is drawn by its own sizes: off the middle of a stand-in says nothing
 */
export function pressedOn(
  block: Block,
  view: FigureViewId,
  p: Pt,
  near: number,
  sure: boolean,
): Pressed {
  const [u, su, v, sv] = SHEET[view];
  const faces = [block.x, block.y, block.z];
  const own = [0, 1, 2].map((k) => {
    const [a, b] = faces[k]!;
    const o = k === u ? su * p[0] : k === v ? sv * p[1] : null;
    return o === null ? null : Math.min(b, Math.max(a, o));
  });
  const edges = [u, v].flatMap((k) =>
    ([0, 1] as const).map((end) => ({ k, end, off: Math.abs(own[k]! - faces[k]![end]) })),
  );
  const edge = edges.reduce((a, b) => (b.off < a.off ? b : a));
  const axis = edge.off <= near ? edge.k : [0, 1, 2].find((k) => k !== u && k !== v)!;
  // Seen from the side one looks from camera right, from the front from the subject, else from above.
  const end = edge.off <= near ? edge.end : 1;
  const face = (Object.keys(OUT) as Face[]).find((f) => OUT[f][0] === axis && OUT[f][1] === end)!;
  const [x, y, z] = own.map((o, k) => {
    const [a, b] = faces[k]!;
    return !sure || o === null || k === axis ? null : o - (a + b) / 2;
  });
  return { face, x: x!, y: y!, z: z! };
}

/** What the faces of a part take up on a sheet: left, right, low, high, mm. */
export function blockOn({ x, y, z }: Block, view: FigureViewId) {
  const [a, b] = [on(view, [x[0], y[0], z[0]]), on(view, [x[1], y[1], z[1]])];
  return {
    u0: Math.min(a[0], b[0]),
    u1: Math.max(a[0], b[0]),
    v0: Math.min(a[1], b[1]),
    v1: Math.max(a[1], b[1]),
  };
}

const on = (view: FigureViewId, p: readonly [number, number, number]): Pt => {
  const [u, su, v, sv] = SHEET[view];
  return [su * p[u], sv * p[v]];
};

/** The part from above, as its block. */
function outlineOnTop(pen: FigurePen, { x, z }: Block): void {
  pen.view('top').rect([z[0], -x[0]], [z[1], -x[1]]);
}

/** A row of holes is as many marks. */
function mark(
  pen: FigurePen,
  row: readonly string[] | null,
  view: FigureViewId,
  at: Pt,
  flat: boolean,
  by: readonly Size[],
): void {
  if (!row) {
    const pens = pen.view(view);
    if (flat) for (const r of [MARK, MARK / 3]) pens.circle(at, r, by, 'inner');
    else pens.rect([at[0] - MARK, at[1] - MARK], [at[0] + MARK, at[1] + MARK], by, 'inner');
    return;
  }
  const count = Number(pen.says([...row, 'count']) ?? 1);
  const spacing = pen.size([...row, 'spacing'], 12);
  const along = pen.says([...row, 'along']);
  const [u, su, v, sv] = SHEET[view];
  const axis = AXES.indexOf((along as 'x') ?? 'z');
  const step: Pt =
    count > 1 && axis === u
      ? [su * spacing.v, 0]
      : count > 1 && axis === v
        ? [0, sv * spacing.v]
        : [0, 0];
  const major = interfaceType(pen.says([...row, 'type']) as string | undefined)?.major;
  const r = major ? major / 2 : MARK;
  const pens = pen.view(view);
  // Seen along its row it is one mark.
  const n = step[0] === 0 && step[1] === 0 ? 1 : Math.min(count, 60);
  for (let i = 0; i < n; i++) {
    const k = i - (n - 1) / 2;
    const p: Pt = [at[0] + k * step[0], at[1] + k * step[1]];
    if (flat) pens.circle(p, r, by, 'inner');
    else pens.rect([p[0] - r, p[1] - r], [p[0] + r, p[1] + r], by, 'inner');
  }
}

/** How far off the middle of its face it is, how far apart a row is. */
function numbers(
  pen: FigurePen,
  row: readonly string[] | null,
  flat: FigureViewId,
  {
    at,
    off,
    axis,
    block,
  }: { at: [number, number, number]; off: readonly Size[]; axis: number; block: Block },
): void {
  const sheet = pen.view(flat);
  const [u, , v] = SHEET[flat];
  const faces = [block.x, block.y, block.z];
  const middle = faces.map((f) => (f[0] + f[1]) / 2) as [number, number, number];
  const [m, p] = [on(flat, middle), on(flat, at)];
  if (u !== axis) sheet.across(off[u]!, Math.min(m[0], p[0]), Math.max(m[0], p[0]), 'below', p[1]);
  if (v !== axis) sheet.up(off[v]!, Math.min(m[1], p[1]), Math.max(m[1], p[1]), 'left', p[0]);
  sheet.line(
    [
      [m[0], m[1] - 8],
      [m[0], m[1] + 8],
    ],
    [],
    'axis',
  );
  if (!row) return;
  if (Number(pen.says([...row, 'count']) ?? 1) > 1) sheet.note([...row, 'spacing'], p, 'right');
  for (const key of ['depth', 'length', 'thickness', 'width', 'run', 'inside'])
    if (pen.has([...row, key])) sheet.note([...row, key], p, 'right');
}
