import type { Model, Shape } from '@/core/model/model';
import type { Drawn } from '@/core/model/extruded';
import type { Vec } from '@/core/solids/solid';

/** Floats of one corner of a line: place on the screen, px beside its middle, half width, run, tone. */
export const STRIDE = 8;

/** What a line is drawn in; the shader has the colours in this order. */
export const TONE = { soft: 0, ink: 1, accent: 2, fail: 3 } as const;
type Tone = (typeof TONE)[keyof typeof TONE];

/** From where it is looked at. */
export interface Looking {
  /** Projection and view in one, column by column, of points with z turned round. */
  matrix: ArrayLike<number>;
  /** Where the eye is; the way it looks where it looks from everywhere alike. */
  eye: Vec;
  way: Vec;
  parallel: boolean;
  width: number;
  height: number;
}

/** How it is shown. */
export interface Showing {
  /** 0 together, 1 apart. */
  apart: number;
  /** Pieces that are lit. */
  lit: ReadonlySet<number>;
  /** Pieces that the other configuration does not have. */
  added: ReadonlySet<number>;
  sweeps: boolean;
  /** Nothing beyond this along an axis is shown. */
  cut: { axis: 0 | 1 | 2; at: number } | null;
  /** Leaves out what is hidden while it is moved. */
  quick: boolean;
}

/** A straight piece of an edge or a line, in the rig's frame. */
interface Line {
  a: Vec;
  b: Vec;
  /** Faces beside it; one only of a line on a face, none of a line in the air. */
  f: number;
  g: number;
  smooth: boolean;
  /** How far along its curve it begins, mm. */
  run: number;
  piece: number;
  dashed: boolean;
  sweep: boolean;
  thin: boolean;
}

/** A line in the air; `over` everything that stands before it. */
export interface Extra {
  from: Vec;
  to: Vec;
  tone: Tone;
  dashed: boolean;
  over: boolean;
}

/** Which faces look at the eye and which edges show for it: a line where one does. */
export class Lines {
  readonly #lines: Line[] = [];
  /** Four numbers a face, and its piece. */
  readonly #faces: number[] = [];
  readonly #pieces: number[] = [];
  readonly #away: readonly Vec[];
  readonly #seen: Uint8Array;
  readonly out: Quads;
  readonly hidden: Quads;
  readonly over: Quads;

  constructor(
    readonly model: Model,
    extra: readonly Extra[],
  ) {
    this.#away = model.pieces.map((p) => p.away);
    for (const s of model.shapes) this.#take(s);
    this.#seen = new Uint8Array(this.#pieces.length);
    this.#extra = extra;
    const most = this.#lines.length + extra.length + CUT_ROOM;
    this.out = new Quads(most);
    this.hidden = new Quads(most);
    this.over = new Quads(extra.length);
  }

  readonly #extra: readonly Extra[];

  #take(s: Shape) {
    const bodies: readonly Drawn[] = s.sweep ? [s.block] : s.drawn;
    for (const body of bodies) this.#body(body, s, false);
    if (s.thin) this.#body(s.block, s, true);
    for (const m of s.marks) {
      const f = this.#face(m.normal, m.d, s.piece);
      for (let i = 0; i + 1 < m.points.length; i++)
        this.#lines.push({
          a: m.points[i]!,
          b: m.points[i + 1]!,
          f,
          g: f,
          smooth: false,
          run: 0,
          piece: s.piece,
          dashed: s.assumed,
          sweep: false,
          thin: true,
        });
    }
  }

  #body(body: Drawn, s: Shape, thin: boolean) {
    const at = body.faces.map((f) => this.#face(f.normal, f.d, s.piece));
    const runs = new Map<number, number>();
    for (const e of body.edges) {
      const [a, b] = [body.points[e.a]!, body.points[e.b]!];
      const [f, g] = e.faces;
      // Dashes run on around the flat end of a round piece.
      const flat = body.faces[f]!.smooth ? g : f;
      const run = runs.get(flat) ?? 0;
      runs.set(flat, run + Math.hypot(b[0] - a[0], b[1] - a[1], b[2] - a[2]));
      this.#lines.push({
        a,
        b,
        f: at[f]!,
        g: at[g]!,
        smooth: e.smooth,
        run: e.smooth ? 0 : run,
        piece: s.piece,
        dashed: s.sweep || s.assumed || thin,
        sweep: s.sweep,
        thin,
      });
    }
  }

  #face(n: Vec, d: number, piece: number): number {
    this.#faces.push(n[0], n[1], n[2], d);
    this.#pieces.push(piece);
    return this.#pieces.length - 1;
  }

  /** Writes what is to be drawn for this look; corners of quads in `out` and `hidden`. */
  update(look: Looking, show: Showing): void {
    this.#look(look, show.apart);
    this.out.begin(look);
    this.hidden.begin(look);
    this.over.begin(look);
    for (const l of this.#lines) {
      if (l.sweep && !show.sweeps) continue;
      const [u, v] = [this.#seen[l.f]!, this.#seen[l.g]!];
      if (l.smooth && u === v) continue;
      const off = this.#away[l.piece]!;
      const [a, b] = [moved(l.a, off, show.apart), moved(l.b, off, show.apart)];
      const ends = show.cut ? cutLine(a, b, show.cut) : ([a, b] as const);
      if (!ends) continue;
      const lit = show.lit.has(l.piece);
      const tone = lit ? TONE.ink : show.added.has(l.piece) ? TONE.accent : TONE.soft;
      const wide = l.thin ? 0.7 : (u !== v ? 1.5 : 1.05) + (lit ? 0.7 : 0);
      if (u + v > 0) this.out.add(ends[0], ends[1], wide, l.run, tone, l.dashed ? DASH : 0);
      // Of what is hidden the outline is enough.
      if (lit && u !== v && !l.thin && !l.sweep && !show.quick)
        this.hidden.add(ends[0], ends[1], 0.9, l.run, TONE.soft, DASH);
    }
    if (show.cut) this.#cut(show);
    if (show.apart === 0)
      for (const x of this.#extra)
        if (x.over) this.over.add(x.from, x.to, x.dashed ? 1.4 : 3, 0, x.tone, x.dashed ? DASH : 0);
        else this.out.add(x.from, x.to, 1.6, 0, x.tone, x.dashed ? 2 * DASH : 0);
  }

  #look({ eye, way, parallel }: Looking, apart: number) {
    const f = this.#faces;
    for (let i = 0; i < this.#pieces.length; i++) {
      const o = i * 4;
      const [x, y, z] = [f[o]!, f[o + 1]!, f[o + 2]!];
      const off = this.#away[this.#pieces[i]!]!;
      const to = parallel
        ? -(x * way[0] + y * way[1] + z * way[2])
        : x * (eye[0] - apart * off[0]) +
          y * (eye[1] - apart * off[1]) +
          z * (eye[2] - apart * off[2]) -
          f[o + 3]!;
      this.#seen[i] = to > 1e-9 ? 1 : 0;
    }
  }

  /** Where the plane of the section goes through what is drawn. */
  #cut({ cut, apart, lit }: Showing) {
    let left = CUT_ROOM;
    for (const s of this.model.shapes) {
      if (s.sweep) continue;
      const off = this.#away[s.piece]!;
      const at = cut!.at - apart * off[cut!.axis];
      for (const body of s.drawn)
        for (const [p, q] of section(body, cut!.axis, at)) {
          if (left-- <= 0) return;
          const tone = lit.has(s.piece) ? TONE.ink : TONE.soft;
          this.out.add(moved(p, off, apart), moved(q, off, apart), 1.8, 0, tone, 0);
        }
    }
  }
}

const DASH = 3.5;
/** As many lines a section may add. */
const CUT_ROOM = 6000;

const moved = (p: Vec, off: Vec, k: number): Vec =>
  k === 0 ? p : [p[0] + k * off[0], p[1] + k * off[1], p[2] + k * off[2]];

/** What of a stretch lies before the plane. */
export function cutLine(
  a: Vec,
  b: Vec,
  { axis, at }: { axis: 0 | 1 | 2; at: number },
): readonly [Vec, Vec] | null {
  const [h, k] = [a[axis] - at, b[axis] - at];
  if (h > 0 && k > 0) return null;
  if (h <= 0 && k <= 0) return [a, b];
  const t = h / (h - k);
  const m: Vec = [a[0] + t * (b[0] - a[0]), a[1] + t * (b[1] - a[1]), a[2] + t * (b[2] - a[2])];
  return h <= 0 ? [a, m] : [m, b];
}

/** Where a plane across an axis meets the faces of a body. */
export function section(body: Drawn, axis: 0 | 1 | 2, at: number): [Vec, Vec][] {
  const out: [Vec, Vec][] = [];
  const piece = (corners: readonly number[]) => {
    const met: Vec[] = [];
    corners.forEach((c, i) => {
      const [p, q] = [body.points[c]!, body.points[corners[(i + 1) % corners.length]!]!];
      const [h, k] = [p[axis] - at, q[axis] - at];
      if (h <= 0 === k <= 0) return;
      const t = h / (h - k);
      met.push([0, 1, 2].map((n) => p[n]! + t * (q[n]! - p[n]!)) as unknown as Vec);
    });
    if (met.length === 2) out.push([met[0]!, met[1]!]);
  };
  for (const f of body.faces) {
    if (!f.triangles) piece(f.corners);
    else for (let t = 0; t < f.triangles.length; t += 3) piece(f.triangles.slice(t, t + 3));
  }
  return out;
}

/** How one line is drawn: half its width in px, where its dashes begin and end, mm. */
interface LineLook {
  half: number;
  from: number;
  to: number;
  tone: Tone;
  dash: number;
}

/** Lines as flat strips on the screen, wide in pixels, smooth at their sides. */
export class Quads {
  readonly data: Float32Array;
  count = 0;
  #look: Looking | null = null;

  constructor(readonly most: number) {
    this.data = new Float32Array(most * 4 * STRIDE);
  }

  begin(look: Looking) {
    this.count = 0;
    this.#look = look;
  }

  add(a: Vec, b: Vec, wide: number, run: number, tone: Tone, dash: number) {
    const { matrix: m, width, height } = this.#look!;
    if (this.count >= this.most) return;
    // Points of the rig count z forwards; the picture counts it back.
    const [pw, qw] = [at(m, 3, a), at(m, 3, b)];
    if (pw < 1e-3 || qw < 1e-3) return;
    const [px, py, pz] = [at(m, 0, a) / pw, at(m, 1, a) / pw, at(m, 2, a) / pw];
    const [qx, qy, qz] = [at(m, 0, b) / qw, at(m, 1, b) / qw, at(m, 2, b) / qw];
    let [dx, dy] = [(qx - px) * width, (qy - py) * height];
    const l = Math.sqrt(dx * dx + dy * dy);
    if (l < 0.05) return;
    dx /= l;
    dy /= l;
    const half = wide / 2;
    const out = half + 0.6;
    const [nx, ny] = [(-dy * out) / width, (dx * out) / height];
    const [ex, ey] = [(dx * 0.35) / width, (dy * 0.35) / height];
    const to = run + Math.hypot(b[0] - a[0], b[1] - a[1], b[2] - a[2]);
    const line = { half, from: run, to, tone, dash };
    this.#corner(0, px - ex - nx, py - ey - ny, pz, -out, line);
    this.#corner(1, qx + ex - nx, qy + ey - ny, qz, -out, line);
    this.#corner(2, px - ex + nx, py - ey + ny, pz, out, line);
    this.#corner(3, qx + ex + nx, qy + ey + ny, qz, out, line);
    this.count++;
  }

  #corner(n: number, x: number, y: number, z: number, side: number, look: LineLook) {
    const d = this.data;
    const k = (this.count * 4 + n) * STRIDE;
    d[k] = x;
    d[k + 1] = y;
    d[k + 2] = z;
    d[k + 3] = side;
    d[k + 4] = look.half;
    d[k + 5] = n % 2 === 0 ? look.from : look.to;
    d[k + 6] = look.tone;
    d[k + 7] = look.dash;
  }
}

/** A row of a matrix by a point of the rig. */
const at = (m: ArrayLike<number>, row: number, p: Vec) =>
  m[row]! * p[0] + m[row + 4]! * p[1] - m[row + 8]! * p[2] + m[row + 12]!;
