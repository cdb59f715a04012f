import { CIRCLE as ROUND, type Stack } from './aperture';

/** Local copies: test runners look up imported and global names anew each time, in the hottest of loops. */
const CIRCLE = ROUND;
const { sqrt, cos, sin, hypot, PI, imul } = Math;

/**
 * Two other ways to the same number, for tests and the bench only: rays sampled over the pupil,
 * and chords laid across it. The product computes the area itself (region.ts).
 */

/** A small generator of numbers in [0, 1): the same draws on every run. Source: mulberry32, public domain. */
export function draws(seed: number): () => number {
  let a = seed >>> 0;
  return () => {
    a = (a + 0x6d2b79f5) | 0;
    let t = imul(a ^ (a >>> 15), 1 | a);
    t = (t + imul(t ^ (t >>> 7), 61 | t)) ^ t;
    return ((t ^ (t >>> 14)) >>> 0) / 4294967296;
  };
}

function passes(st: Stack, tx: number, ty: number, x: number, y: number): boolean {
  for (let i = 0; i < st.n; i++) {
    if (st.kind[i] === CIRCLE) {
      const dx = x - (st.a[i]! - tx * st.s[i]!);
      const dy = y - (st.b[i]! - ty * st.s[i]!);
      if (dx * dx + dy * dy > st.r[i]! * st.r[i]!) return false;
    } else if (st.a[i]! * x + st.b[i]! * y > st.r[i]! - (st.a[i]! * tx + st.b[i]! * ty) * st.s[i]!)
      return false;
  }
  return true;
}

/** Share of `n` random rays through the pupil that pass every aperture. */
export function sampledRays(
  st: Stack,
  tx: number,
  ty: number,
  n: number,
  random: () => number,
): number {
  let through = 0;
  for (let i = 0; i < n; i++) {
    const r = st.pupil * sqrt(random());
    const a = 2 * PI * random();
    if (passes(st, tx, ty, r * cos(a), r * sin(a))) through++;
  }
  return through / n;
}

/** The same rays for every point, drawn once: the cheapest way to sample. */
export function fixedRays(
  n: number,
  random: () => number,
): (st: Stack, tx: number, ty: number) => number {
  const x = new Float64Array(n);
  const y = new Float64Array(n);
  for (let i = 0; i < n; i++) {
    const r = sqrt(random());
    const a = 2 * PI * random();
    x[i] = r * cos(a);
    y[i] = r * sin(a);
  }
  const cx = new Float64Array(256);
  const cy = new Float64Array(256);
  return (st, tx, ty) => {
    const { kind, a, b, r, s, pupil } = st;
    const m = st.n;
    // Where each shape lies for this point is worked out once, not once a ray.
    for (let k = 0; k < m; k++) {
      if (kind[k] === CIRCLE) {
        cx[k] = a[k]! - tx * s[k]!;
        cy[k] = b[k]! - ty * s[k]!;
      } else cx[k] = r[k]! - (a[k]! * tx + b[k]! * ty) * s[k]!;
    }
    let through = 0;
    rays: for (let i = 0; i < n; i++) {
      const px = x[i]! * pupil;
      const py = y[i]! * pupil;
      for (let k = 0; k < m; k++) {
        if (kind[k] === CIRCLE) {
          const dx = px - cx[k]!;
          const dy = py - cy[k]!;
          if (dx * dx + dy * dy > r[k]! * r[k]!) continue rays;
        } else if (a[k]! * px + b[k]! * py > cx[k]!) continue rays;
      }
      through++;
    }
    return through / n;
  };
}

const chordTables = new Map<number, { y: Float64Array; half: Float64Array; w: Float64Array }>();

function chords(n: number) {
  let t = chordTables.get(n);
  if (!t) {
    t = { y: new Float64Array(n), half: new Float64Array(n), w: new Float64Array(n) };
    for (let i = 0; i < n; i++) {
      const a = ((i + 1) * PI) / (n + 1);
      t.y[i] = cos(a);
      t.half[i] = sin(a);
      t.w[i] = (2 / (n + 1)) * sin(a) ** 2;
    }
    chordTables.set(n, t);
  }
  return t;
}

/**
 * Share of the pupil left, by horizontal chords (Gauss-Chebyshev of the second kind). Good to
 * about 1 / n where an edge lies along the chords.
 */
export function byChords(st: Stack, tx: number, ty: number, n: number, cull = true): number {
  const R = st.pupil;
  const keep: number[] = [];
  for (let i = 0; i < st.n; i++) {
    if (st.kind[i] === CIRCLE) {
      const d = hypot(st.a[i]! - tx * st.s[i]!, st.b[i]! - ty * st.s[i]!);
      if (cull && d <= st.r[i]! - R) continue;
      if (d >= st.r[i]! + R) return 0;
    } else {
      const d = st.r[i]! - (st.a[i]! * tx + st.b[i]! * ty) * st.s[i]!;
      if (cull && d >= R) continue;
      if (d <= -R) return 0;
    }
    keep.push(i);
  }
  if (keep.length === 0) return 1;
  const { y: ys, half, w } = chords(n);
  let sum = 0;
  for (let c = 0; c < n; c++) {
    const y = ys[c]! * R;
    let lo = -half[c]! * R;
    let hi = -lo;
    const full = hi - lo;
    for (const i of keep) {
      if (st.kind[i] === CIRCLE) {
        const dy = y - (st.b[i]! - ty * st.s[i]!);
        const q = st.r[i]! * st.r[i]! - dy * dy;
        if (q <= 0) {
          hi = lo;
          break;
        }
        const x = st.a[i]! - tx * st.s[i]!;
        const e = sqrt(q);
        if (x - e > lo) lo = x - e;
        if (x + e < hi) hi = x + e;
      } else {
        const room = st.r[i]! - (st.a[i]! * tx + st.b[i]! * ty) * st.s[i]! - st.b[i]! * y;
        const a = st.a[i]!;
        if (Math.abs(a) < 1e-12) {
          if (room < 0) hi = lo;
        } else if (a > 0) {
          if (room / a < hi) hi = room / a;
        } else if (room / a > lo) lo = room / a;
      }
      if (hi <= lo) break;
    }
    if (hi > lo) sum += w[c]! * ((hi - lo) / full);
  }
  return sum;
}
