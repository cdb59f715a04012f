import { betweenPrisms, distance } from '../../../solids/distance';
import {
  bounds,
  extentOfPrism,
  mayReach,
  prismatic,
  union,
  type Bounds,
  type Prism,
  type Solid,
} from '../../../solids/solid';

/**
 * Where the arm of a drive can stand so that its gear meshes: the gear has to lie on the mesh
 * circle about the lens axis, and in the annulus that the arm reaches about its pivot. The two
 * meet in two arcs; on them the place with most air around the drive is looked for.
 */
export interface ArmTask {
  /** Pivot of the arm, mm from the lens axis. */
  px: number;
  py: number;
  /** Radius of the mesh circle. */
  centres: number;
  /** Shortest and longest reach of the arm. */
  from: number;
  to: number;
  /** Angle that was set by hand, radians; null: to be found. */
  pinned: number | null;
  /** Angle people like best, radians. */
  prefer: number;
  /** Air that is enough: among places with as much the preferred angle decides. */
  enough: number;
  /** Box, gear and arm at an angle, in this order; good until it is asked again. */
  outlinesAt: (angle: number) => readonly Prism[];
  /** What is in the way; `gear`: for the gear of the drive too, and not only its box and arm. */
  obstacles: readonly { solid: Solid; gear: boolean; loose: number }[];
  /** What the tolerances of the drive itself can move it by, mm. */
  loose: number;
  /** The rods: nothing but the arm and the clamp may meet them. */
  rods: readonly Solid[];
}

export interface ArmScan {
  /** Angle found, radians; null when the arm reaches nowhere. */
  angle: number | null;
  /** Air around the drive there in the worst case of the tolerances, mm; below 0 it may foul. */
  clearance: number;
  /** Spare reach at the best place, below 0 what is missing, mm. */
  room: number;
  /** Index of the obstacle that is nearest. */
  nearest: number | null;
  arcs: readonly Arc[];
}

/** A stretch of the mesh circle, radians. */
export interface Arc {
  from: number;
  to: number;
}

/** Angles are tried about this far apart, radians, and refined to {@link FINE}. */
/** Places around which a better one is looked for. */
const CLOSER = 3;
const COARSE = (4 * Math.PI) / 180;
const FINE = (0.1 * Math.PI) / 180;

/** The stretches of the mesh circle that an arm reaches; two, one or none. */
export function reachArcs(
  px: number,
  py: number,
  centres: number,
  from: number,
  to: number,
): Arc[] {
  const d = Math.hypot(px, py);
  if (d < 1e-9) return centres >= from && centres <= to ? [{ from: -Math.PI, to: Math.PI }] : [];
  const phi = Math.atan2(py, px);
  // Law of cosines: how far from the pivot's own direction the circle is that far from the pivot.
  const cos = (r: number) => (centres * centres + d * d - r * r) / (2 * centres * d);
  const near = cos(from);
  const far = cos(to);
  if (far > 1 || near < -1) return [];
  const least = Math.acos(Math.min(1, near));
  const most = Math.acos(Math.max(-1, far));
  if (least === 0 && most === Math.PI) return [{ from: phi - Math.PI, to: phi + Math.PI }];
  if (least === 0) return [{ from: phi - most, to: phi + most }];
  if (most === Math.PI) return [{ from: phi + least, to: phi + 2 * Math.PI - least }];
  return [
    { from: phi + least, to: phi + most },
    { from: phi - most, to: phi - least },
  ];
}

/** How far a drive stands from what is in its way, by its angle: the air, and what is nearest. */
function clearances(task: ArmTask) {
  const whole = extentOf(task);
  const obstacle = (solid: Solid, gear: boolean, i: number, loose: number) => ({
    solid,
    gear,
    i,
    loose: loose + task.loose,
    e: bounds(solid),
  });
  const index = task.obstacles
    .map((o, i) => obstacle(o.solid, o.gear, i, o.loose))
    .filter(({ e }) => overlaps(e, whole));
  const rods = task.rods.map((o) => obstacle(o, true, -1, 0)).filter(({ e }) => overlaps(e, whole));
  const between = (p: Prism, o: Solid) =>
    o.prism ? betweenPrisms(p, o.prism) : distance(prismatic(p), o);
  // What was nearest at the angle before most likely is at this one: then the rest falls away.
  let first = 0;
  /**
   * @param least where it is no more than this it is not looked at further
   * @param most what is farther off than this is not told apart
   */
  return (angle: number, least = -Infinity, most = FAR): { d: number; i: number | null } => {
    let d = most;
    let at: number | null = null;
    const start = first;
    const outlines = task.outlinesAt(angle);
    for (let k = 0; k < outlines.length; k++) {
      const p = outlines[k]!;
      for (let n = 0; n < index.length; n++) {
        const one = index[(start + n) % index.length]!;
        if ((k === 1 && !one.gear) || !mayReach(p, one.e, d + one.loose)) continue;
        // A place is as good as its worst case: one that is only clear by the numbers is none.
        const now = between(p, one.solid) - one.loose;
        if (now < d) {
          d = now;
          at = one.i;
          first = (start + n) % index.length;
          if (d <= least) return { d, i: at };
        }
      }
      // The arm begins at the rod.
      if (k < 2)
        for (const r of rods) if (mayReach(p, r.e, d)) d = Math.min(d, between(p, r.solid));
    }
    return { d, i: at };
  };
}

/** Looks for the place of a drive; see {@link ArmTask}. */
export function scanArm(task: ArmTask): ArmScan {
  const arcs = reachArcs(task.px, task.py, task.centres, task.from, task.to);
  const pivot = Math.hypot(task.px, task.py);
  const room = Math.min(task.to - Math.abs(pivot - task.centres), pivot + task.centres - task.from);
  const clearanceAt = clearances(task);
  if (task.pinned !== null) return pinned(task, task.pinned, clearanceAt(task.pinned), arcs);
  if (arcs.length === 0) return { angle: null, clearance: -Infinity, room, nearest: null, arcs };
  const offAt = (angle: number) =>
    Math.abs(Math.atan2(Math.sin(angle - task.prefer), Math.cos(angle - task.prefer)));
  /** What a place with all the air that is wanted would score: no other one comes to more. */
  const most = (off: number) => task.enough * 100 - off;
  /** @param least a score that does not come to more than this need not be exact */
  const score = (angle: number, off: number, least: number) => {
    // More air than is wanted counts no more.
    const { d } = clearanceAt(angle, (least + off) / 100, task.enough);
    // Air up to what is enough counts first, then how near it is to where hands expect it.
    return { angle, score: Math.min(d, task.enough) * 100 - off };
  };
  let best: ReturnType<typeof score> | null = null;
  const tops: { angle: number; score: number; step: number; arc: Arc }[] = [];
  const angles = arcs.flatMap((arc) => {
    const { step, list } = coarse(arc);
    return list.map((angle) => ({ angle, off: offAt(angle), step, arc }));
  });
  // Nearest to where hands expect it first: where there is air enough none farther off is looked at.
  angles.sort((a, b) => a.off - b.off);
  for (const { angle, off, step, arc } of angles) {
    if (best !== null && most(off - step) <= best.score) continue;
    // Only the best few are looked at more closely.
    const s = score(angle, off, tops.length < CLOSER ? -Infinity : tops[CLOSER - 1]!.score);
    if (best === null || s.score > best.score) best = s;
    const place = tops.findIndex((t) => s.score > t.score);
    tops.splice(place < 0 ? tops.length : place, 0, { angle, score: s.score, step, arc });
    tops.length = Math.min(tops.length, CLOSER);
  }
  // Between the tried angles there may be a better one: halve the steps around the best few.
  for (const t of tops) {
    let at = t.angle;
    let top = t.score;
    for (let step = t.step / 2; step > FINE / 2; step /= 2)
      for (const a of [at - step, at + step]) {
        const off = offAt(a);
        if (a < t.arc.from || a > t.arc.to || most(off) <= top) continue;
        const s = score(a, off, top);
        if (s.score > top) {
          top = s.score;
          at = a;
          if (best === null || s.score > best.score) best = s;
        }
      }
  }
  const { angle } = best!;
  const { d, i } = clearanceAt(angle);
  return { angle, clearance: d, room, nearest: i, arcs };
}

/** What is farther off than this is not told apart, mm. */
const FAR = 50;

/** All that a drive can take up on its way round. */
function extentOf(task: ArmTask): Bounds {
  let whole: Bounds | null = null;
  for (let k = 0; k < 8; k++)
    for (const p of task.outlinesAt((k * Math.PI) / 4)) {
      const e = extentOfPrism(p);
      whole = whole ? union(whole, e) : e;
    }
  const grow = 15 + FAR / 5;
  const w = whole!;
  return [w[0] - grow, w[1] - grow, w[2] - grow, w[3] + grow, w[4] + grow, w[5] + grow];
}

function overlaps(a: Bounds, b: Bounds): boolean {
  return (
    a[0] <= b[3] && b[0] <= a[3] && a[1] <= b[4] && b[1] <= a[4] && a[2] <= b[5] && b[2] <= a[5]
  );
}

/** Where it is set: nothing is looked for. */
function pinned(
  task: ArmTask,
  angle: number,
  here: { d: number; i: number | null },
  arcs: ArmScan['arcs'],
): ArmScan {
  const x = task.centres * Math.cos(angle) - task.px;
  const y = task.centres * Math.sin(angle) - task.py;
  const long = Math.hypot(x, y);
  const room = Math.min(task.to - long, long - task.from);
  return { angle, clearance: here.d, room, nearest: here.i, arcs };
}

/** An arc in even coarse steps. */
function coarse(arc: Arc): { step: number; list: number[] } {
  const n = Math.max(2, Math.ceil((arc.to - arc.from) / COARSE));
  const step = (arc.to - arc.from) / n;
  return { step, list: Array.from({ length: n + 1 }, (_, k) => arc.from + k * step) };
}
