import { type Stack, CIRCLE } from './aperture';
import { twoDiscs, discAndEdge, clamp } from './discs';

const TAU = 2 * Math.PI;

const SAME = 1e-12;

/** Shapes that can cut one pupil at once; a rig has far fewer. */
const MOST = 256;

/** Circles that cut: index 0 is the pupil. Scratch, so that the hot loop allocates nothing. */
const cx = new Float64Array(MOST);

const cy = new Float64Array(MOST);

const cr = new Float64Array(MOST);

let circles = 0;

const nx = new Float64Array(MOST);

const ny = new Float64Array(MOST);

const nd = new Float64Array(MOST);

let lines = 0;

/** Arcs of one circle still inside: pairs of angles. */
let arcs = new Float64Array(4 * MOST);

let kept = new Float64Array(4 * MOST);

let arcCount = 0;

/** Of each shape that cuts the pupil, lines first: direction and half angle of its stretch of the rim. */
const ux = new Float64Array(MOST);

const uy = new Float64Array(MOST);

const cosHalf = new Float64Array(MOST);

const sinHalf = new Float64Array(MOST);

/** Distance of its edge or of its middle from the middle of the pupil. */
const takes = new Float64Array(MOST);

/**
 * Share of the pupil that is not vignetted, 0 to 1.
 *
 * @param only counts one aperture alone, by its owner index; -1 for all of them
 * @param cull false keeps shapes that contain the whole pupil; for measuring what culling saves
 */
export function fraction(st: Stack, tx: number, ty: number, only = -1, cull = true): number {
  const R = st.pupil;
  if (R <= 0) return chiefRay(st, tx, ty) ? 1 : 0;
  if (st.aspect !== 1) return ofEllipse(st, tx, ty, only);
  const { kind, a, b, r, s, owner } = st;
  circles = 1;
  cx[0] = 0;
  cy[0] = 0;
  cr[0] = R;
  lines = 0;
  for (let i = 0; i < st.n; i++) {
    if (only >= 0 && owner[i] !== only) continue;
    const q = r[i]!;
    if (kind[i] === CIRCLE) {
      if (q <= 0) return 0;
      const x = a[i]! - tx * s[i]!;
      const y = b[i]! - ty * s[i]!;
      const dd = x * x + y * y;
      const inner = q - R;
      if (cull && inner >= 0 && dd <= inner * inner) continue;
      const outer = q + R;
      if (dd >= outer * outer) return 0;
      cx[circles] = x;
      cy[circles] = y;
      cr[circles++] = q;
    } else {
      const d = q - (a[i]! * tx + b[i]! * ty) * s[i]!;
      if (cull && d >= R) continue;
      if (d <= -R) return 0;
      nx[lines] = a[i]!;
      ny[lines] = b[i]!;
      nd[lines++] = d;
    }
  }
  if (cull) {
    if (circles === 1 && lines === 0) return 1;
    if (circles === 2 && lines === 0) return twoDiscs(R, cr[1]!, Math.hypot(cx[1]!, cy[1]!));
    if (circles === 1 && lines === 1) return discAndEdge(R, nd[0]!);
    const apart = inPieces(R);
    if (apart >= 0) return apart;
  }
  const share = area() / (Math.PI * R * R);
  return share < 0 ? 0 : share > 1 ? 1 : share;
}

/**
 * Share that is left where the shapes in the scratch lists take pieces of the pupil that do not
 * meet: what each takes alone, added up. What a half-plane or a disc takes off lies beyond the chord
 * between the two points where it crosses the rim, so pieces whose stretches of the rim are apart
 * are apart; and what a half-plane takes holds all whose stretches lie in its own.
 *
 * @returns -1 where pieces meet, or one takes something without crossing the rim
 */
function inPieces(R: number): number {
  let n = 0;
  for (let i = 0; i < lines; i++) {
    ux[n] = nx[i]!;
    uy[n] = ny[i]!;
    cosHalf[n] = clamp(nd[i]! / R);
    takes[n++] = nd[i]!;
  }
  for (let i = 1; i < circles; i++) {
    const d = Math.sqrt(cx[i]! * cx[i]! + cy[i]! * cy[i]!);
    const q = cr[i]!;
    if (d <= R - q || d < SAME * R) return -1;
    ux[n] = -cx[i]! / d;
    uy[n] = -cy[i]! / d;
    cosHalf[n] = clamp((q * q - R * R - d * d) / (2 * R * d));
    takes[n++] = d;
  }
  for (let i = 0; i < n; i++) sinHalf[i] = Math.sqrt(1 - cosHalf[i]! * cosHalf[i]!);
  for (let i = 0; i < n; i++)
    for (let j = 0; j < n; j++) {
      if (j === i || held(j, i)) continue;
      if (held(i, j)) break;
      // Two half angles of half a turn or more in all leave no room between them.
      if (cosHalf[i]! + cosHalf[j]! <= 0) return -1;
      const between = ux[i]! * ux[j]! + uy[i]! * uy[j]!;
      if (between > cosHalf[i]! * cosHalf[j]! - sinHalf[i]! * sinHalf[j]!) return -1;
    }
  let left = 1;
  for (let i = 0; i < n; i++) {
    let inside = false;
    for (let j = 0; j < lines && !inside; j++) inside = j !== i && held(i, j);
    if (inside) continue;
    left -=
      1 - (i < lines ? discAndEdge(R, takes[i]!) : twoDiscs(R, cr[i - lines + 1]!, takes[i]!));
  }
  return left < 0 ? 0 : left;
}

/** Whether all that shape i takes is taken by the half-plane j too; of two equal ones the first. */
function held(i: number, j: number): boolean {
  if (j >= lines || cosHalf[j]! > cosHalf[i]!) return false;
  const between = ux[i]! * ux[j]! + uy[i]! * uy[j]!;
  // The angle between them is at most the difference of their half angles.
  if (between < cosHalf[i]! * cosHalf[j]! + sinHalf[i]! * sinHalf[j]!) return false;
  return cosHalf[j]! < cosHalf[i]! || j < i;
}

/** Chords that an elliptical pupil is laid out in: to about a thousandth of its area. */
const CHORDS = 128;

const SIN = Float64Array.from({ length: CHORDS }, (_, i) =>
  Math.sin(((i + 0.5) / CHORDS - 0.5) * Math.PI),
);

const COS = SIN.map((x) => Math.sqrt(1 - x * x));

/**
 * Share of an elliptical pupil that is left, by chords across it: each is cut to the stretch that
 * all circles and half-planes leave of it. Chords lie evenly in the angle from the middle, so that
 * their ends, where the ellipse is steep, are as well covered as its middle.
 */
function ofEllipse(st: Stack, tx: number, ty: number, only: number): number {
  const b = st.pupil;
  const a = b * st.aspect;
  const most = Math.max(a, b);
  // What contains the whole pupil, or none of it, needs no chords.
  circles = 0;
  lines = 0;
  for (let i = 0; i < st.n; i++) {
    if (only >= 0 && st.owner[i] !== only) continue;
    const q = st.r[i]!;
    if (st.kind[i] === CIRCLE) {
      if (q <= 0) return 0;
      const x = st.a[i]! - tx * st.s[i]!;
      const y = st.b[i]! - ty * st.s[i]!;
      const d = Math.sqrt(x * x + y * y);
      if (d <= q - most) continue;
      if (d >= q + most) return 0;
      cx[circles] = x;
      cy[circles] = y;
      cr[circles++] = q;
    } else {
      const u = st.a[i]!;
      const v = st.b[i]!;
      const d = q - (u * tx + v * ty) * st.s[i]!;
      const reach = Math.sqrt(a * a * u * u + b * b * v * v);
      if (d >= reach) continue;
      if (d <= -reach) return 0;
      nx[lines] = u;
      ny[lines] = v;
      nd[lines++] = d;
    }
  }
  if (circles === 0 && lines === 0) return 1;
  if (circles === 0) return ofStretched(a, b);
  // Between the highest and the lowest that anything leaves: no edge lies between two chords.
  let low = -b;
  let high = b;
  for (let i = 0; i < circles; i++) {
    low = Math.max(low, cy[i]! - cr[i]!);
    high = Math.min(high, cy[i]! + cr[i]!);
  }
  for (let i = 0; i < lines; i++)
    if (Math.abs(nx[i]!) < SAME) {
      if (ny[i]! > 0) high = Math.min(high, nd[i]! / ny[i]!);
      else low = Math.max(low, nd[i]! / ny[i]!);
    }
  if (high <= low) return 0;
  const middle = (low + high) / 2;
  const reach = (high - low) / 2;
  let sum = 0;
  for (let k = 0; k < CHORDS; k++) {
    const y = middle + reach * SIN[k]!;
    const half = a * Math.sqrt(Math.max(0, 1 - (y / b) * (y / b)));
    let lo = -half;
    let hi = half;
    for (let i = 0; i < circles && lo < hi; i++) {
      const dy = y - cy[i]!;
      const root = Math.sqrt(Math.max(0, (cr[i]! - dy) * (cr[i]! + dy)));
      if (cx[i]! - root > lo) lo = cx[i]! - root;
      if (cx[i]! + root < hi) hi = cx[i]! + root;
    }
    for (let i = 0; i < lines && lo < hi; i++) {
      const u = nx[i]!;
      if (Math.abs(u) < SAME) continue;
      const d = nd[i]! - ny[i]! * y;
      if (u > 0) {
        if (d / u < hi) hi = d / u;
      } else if (d / u > lo) lo = d / u;
    }
    if (hi > lo) sum += (hi - lo) * COS[k]!;
  }
  // dy is the reach times the cosine of the angle, pi / CHORDS of it from chord to chord.
  return Math.min(1, (sum * reach) / (CHORDS * a * b));
}

/** The same where only straight edges cut it: stretched until it is round, exactly. */
function ofStretched(a: number, b: number): number {
  circles = 1;
  cx[0] = 0;
  cy[0] = 0;
  cr[0] = b;
  for (let i = 0; i < lines; i++) {
    const u = (nx[i]! * a) / b;
    const size = Math.hypot(u, ny[i]!);
    nx[i] = u / size;
    ny[i] = ny[i]! / size;
    nd[i] = nd[i]! / size;
  }
  const share = lines === 1 ? discAndEdge(b, nd[0]!) : area() / (Math.PI * b * b);
  return share < 0 ? 0 : share > 1 ? 1 : share;
}

/** Whether the chief ray (through the centre of the pupil) passes every aperture. */
export function chiefRay(st: Stack, tx: number, ty: number): boolean {
  for (let i = 0; i < st.n; i++) {
    if (st.kind[i] === CIRCLE) {
      if (st.r[i]! <= 0) return false;
      const x = st.a[i]! - tx * st.s[i]!;
      const y = st.b[i]! - ty * st.s[i]!;
      if (x * x + y * y > st.r[i]! * st.r[i]!) return false;
    } else if (st.r[i]! - (st.a[i]! * tx + st.b[i]! * ty) * st.s[i]! < 0) return false;
  }
  return true;
}

/** Area common to the circles and half-planes in the scratch lists. */
function area(): number {
  let sum = 0;
  for (let i = 0; i < circles; i++) {
    const x = cx[i]!;
    const y = cy[i]!;
    const r = cr[i]!;
    arcs[0] = 0;
    arcs[1] = TAU;
    arcCount = 1;
    for (let j = 0; j < circles && arcCount > 0; j++) {
      if (j === i) continue;
      const dx = cx[j]! - x;
      const dy = cy[j]! - y;
      const q = cr[j]!;
      const d = Math.sqrt(dx * dx + dy * dy);
      if (d >= r + q) return 0;
      if (d < SAME * r && Math.abs(r - q) < SAME * r) {
        // The same circle twice: its boundary counts once, for the smaller of the two, or the first.
        if (q < r || (q === r && j < i)) arcCount = 0;
        continue;
      }
      if (d <= q - r) continue;
      if (d <= r - q) {
        arcCount = 0;
        continue;
      }
      // Half angles by the sides of the triangle, from differences that both circles have in common:
      // where they barely touch an arc cosine would be out by half of its digits, each its own way.
      const half =
        2 *
        Math.atan2(
          Math.sqrt((r + q - d) * (d + (q - r))),
          Math.sqrt((d + (r - q)) * (d + (r + q))),
        );
      keepArc(Math.atan2(dy, dx) - half, 2 * half);
    }
    for (let j = 0; j < lines && arcCount > 0; j++) {
      const off = nd[j]! - (nx[j]! * x + ny[j]! * y);
      if (off >= r) continue;
      if (off <= -r) {
        arcCount = 0;
        continue;
      }
      // By the same two differences as the stretch of the line below.
      const from = 2 * Math.atan2(Math.sqrt(r - off), Math.sqrt(r + off));
      keepArc(Math.atan2(ny[j]!, nx[j]!) + from, TAU - 2 * from);
    }
    for (let m = 0; m < arcCount; m++) {
      const p = arcs[2 * m]!;
      const q = arcs[2 * m + 1]!;
      sum +=
        r * r * (q - p) + r * (x * (Math.sin(q) - Math.sin(p)) - y * (Math.cos(q) - Math.cos(p)));
    }
  }
  for (let i = 0; i < lines; i++) {
    const ux = nx[i]!;
    const uy = ny[i]!;
    const h = nd[i]!;
    // The line runs along (-uy, ux), with the kept side on its left.
    let lo = -Infinity;
    let hi = Infinity;
    for (let j = 0; j < circles && lo < hi; j++) {
      const off = h - (ux * cx[j]! + uy * cy[j]!);
      const w = (cr[j]! - off) * (cr[j]! + off);
      if (w <= 0) {
        hi = lo;
        break;
      }
      const mid = -uy * cx[j]! + ux * cy[j]!;
      const half = Math.sqrt(w);
      if (mid - half > lo) lo = mid - half;
      if (mid + half < hi) hi = mid + half;
    }
    for (let j = 0; j < lines && lo < hi; j++) {
      if (j === i) continue;
      const slope = nx[j]! * -uy + ny[j]! * ux;
      const room = nd[j]! - h * (nx[j]! * ux + ny[j]! * uy);
      if (Math.abs(slope) < SAME) {
        const same = nx[j]! * ux + ny[j]! * uy > 0 && Math.abs(room) < SAME * cr[0]!;
        // Of two equal edges the first counts; one that lies beyond the other, by however little,
        // does not: the arcs are cut by the nearer one.
        if (same ? nd[j]! < h || (nd[j]! === h && j < i) : room < 0) hi = lo;
        continue;
      }
      const t = room / slope;
      if (slope > 0) {
        if (t < hi) hi = t;
      } else if (t > lo) lo = t;
    }
    // x dy - y dx along p = h n + t (-uy, ux) is h dt.
    if (hi > lo) sum += h * (hi - lo);
  }
  return sum / 2;
}

/** Keeps of the arcs what lies within `width` from angle `from` on. */
function keepArc(from: number, width: number): void {
  if (width >= TAU) return;
  let start = from % TAU;
  if (start < 0) start += TAU;
  const end = start + width;
  let n = 0;
  for (let m = 0; m < arcCount; m++) {
    const p = arcs[2 * m]!;
    const q = arcs[2 * m + 1]!;
    // The window itself, and the same window one turn earlier.
    for (let turn = 0; turn >= -TAU; turn -= TAU) {
      const lo = p > start + turn ? p : start + turn;
      const hi = q < end + turn ? q : end + turn;
      if (hi > lo) {
        kept[n++] = lo;
        kept[n++] = hi;
      }
    }
  }
  const swap = arcs;
  arcs = kept;
  kept = swap;
  arcCount = n / 2;
}
