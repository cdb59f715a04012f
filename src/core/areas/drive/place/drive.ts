import { pieceKey } from '../../../place/piece';
import { centreDistance, MODULE, tipDiameter } from '../kit/gears';
import { scanArm, type ArmScan } from '../kit/arm-scan';
import type { Drive, DriveArm, DriveUse } from '../../../kit/types';
import type { Prism } from '../../../solids/solid';
import { numbersOf, pivotX, type Numbers } from './numbers';
import { outlinesOf, shapeOf, type DriveShape } from './shape';
import type { Given } from '../../../build/given';
import { constant } from '../../../build/given';
import { givens, lin, minus, of, plus, times, type Lin } from '../../../build/lin';
import { named } from '../../../place/contacts';
import {
  block,
  STAND_IN,
  type LensGear,
  type Setting,
  type StandSolid,
} from '../../../place/setting';

/** A follow focus or motor where it stands. */
export interface PlacedDrive {
  use: DriveUse;
  part: Drive;
  arm: DriveArm | null;
  key: string;
  /** The gear of the lens it turns; null when the lens has none there. */
  gear: LensGear | null;
  side: 'left' | 'right';
  flipped: boolean;
  /** Middle of its clamp, and of its own gear. */
  station: Lin;
  gearAt: Lin;
  /** Pivot of its arm. */
  pivot: { x: Lin; y: Lin };
  /** Teeth of its gear. */
  teeth: Given;
  module: Given;
  gearWidth: Given;
  armFrom: Given;
  armTo: Lin;
  /** Between the axes of the two gears when they mesh; null without a lens gear. */
  centres: number | null;
  /** Where its gear is: angle about the lens axis, radians; null when nothing reaches. */
  angle: number | null;
  /** What the search for a place found. */
  scan: ArmScan | null;
  /** What it comes nearest to where it stands. */
  nearest: string | null;
}

/** Preferred height of a drive beside the lens: level with it. */
const LEVEL = 0;

/** Middle of the gear on the lens that it turns, from the image plane. */
function middleOf(s: Setting, use: DriveUse, gears: readonly LensGear[]): Lin {
  const ring = gears.find((g) => g.turns === use.turns);
  if (ring) return ring.middle;
  // Without a ring nobody knows where its gear would be: it is drawn, and not computed with.
  const nowhere = constant(`where the ${use.turns} ring is`, 'mm', null);
  s.standIns.set(nowhere, STAND_IN.lens / 2);
  return plus(s.seat, of(nowhere));
}

/** A drive on its way to a place: what all steps of looking for it share. */
interface Task {
  s: Setting;
  use: DriveUse;
  part: Drive;
  key: string;
  n: Numbers;
  middle: Lin;
  /** Between the axes of the two gears; at a stand-in where there is none to mesh with. */
  centres: number;
  /** See {@link undecided}. */
  open: readonly Given[];
}

/** Middle of its clamp and of its gear, for a way of fitting it. */
function stationsOf(t: Task, flipped: boolean) {
  const { use, n, middle } = t;
  const off = plus(times(n.ahead, flipped ? -1 : 1), n.more);
  // Which way up it goes was found with stand-ins: where its clamp is, is not known then, or its
  // gear where the clamp was set.
  const open = t.open.map((g) => of(g, 0));
  if (use.station !== undefined) {
    const station = lin(use.station);
    return { station, gearAt: plus(station, off, ...open) };
  }
  const station = minus(middle, off);
  return { station: plus(station, ...open), gearAt: plus(station, off) };
}

/**
 * Numbers that are missing and that could turn it the other way up; none where somebody said which
 * way it goes, or it only goes one.
 */
function undecided(t: Omit<Task, 'open'>): Given[] {
  const { s, n, use, part } = t;
  if (use.flipped !== undefined || part.flips !== true) return [];
  const own = named(t.key, 'box');
  const around = s.solids.filter((o) => !o.known && s.contacts.between(own, o.named) !== 'through');
  return [
    ...new Set([
      ...givens([
        n.line.x,
        n.pivotY,
        t.middle,
        n.width,
        n.height,
        n.depth,
        n.behind,
        n.armWide,
        n.armTo,
      ]),
      n.armFrom,
      ...around.flatMap((o) => o.inputs),
    ]),
  ].filter((g) => g.known === null);
}

/** Its outlines at a place, every number as `v` has it. */
function shapeAt(
  t: Task,
  sign: number,
  flipped: boolean,
  angle: number,
  v: (l: Lin) => number,
): DriveShape {
  const { n } = t;
  const { station, gearAt } = stationsOf(t, flipped);
  return {
    px: v(pivotX(n, sign)),
    py: v(n.pivotY),
    angle,
    centres: t.centres,
    station: v(station),
    gearAt: v(gearAt),
    w: v(n.width),
    h: v(n.height),
    d: v(n.depth),
    behind: v(n.behind),
    armWidth: v(n.armWide),
    clamp: v(n.clampLength),
    flipped,
    tips: tipDiameter(Math.max(6, v(of(n.teeth))), n.module.known?.value ?? MODULE) / 2,
    halfWidth: v(of(n.gearWidth)) / 2,
  };
}

/** Sides and ways up that are worth looking at, the one that people would take first. */
function waysOf({ use, part, s, n }: Task): { side: 'left' | 'right'; flipped: boolean }[] {
  // A rod beside the lens has its drive on its own side.
  const x = s.value(n.line.x);
  const left = Math.abs(x) > 1e-6 ? x < 0 : s.built.rules['drive.side'] === 1;
  const sides: ('left' | 'right')[] = use.side
    ? [use.side]
    : part.sides === 'left' || part.sides === 'right'
      ? [part.sides]
      : left
        ? ['left', 'right']
        : ['right', 'left'];
  const flips = use.flipped !== undefined ? [use.flipped] : part.flips ? [false, true] : [false];
  return sides.flatMap((side) => flips.map((flipped) => ({ side, flipped })));
}

/** What is in its way: all that stands, but for what it is let down to or hangs on. */
function obstaclesOf(t: Task): StandSolid[] {
  const { s, use, key, n } = t;
  const own = named(key, 'box');
  return s.solids.filter(
    (o) =>
      s.contacts.between(own, o.named) !== 'through' &&
      // Its own gear is let down to the barrel between the teeth of the lens.
      o.role !== `gear-${use.turns}` &&
      o.known &&
      o.role !== 'rod' &&
      !n.line.pieces.includes(o.piece),
  );
}

interface Found {
  side: 'left' | 'right';
  flipped: boolean;
  scan: ArmScan;
}

/** The way of fitting it that leaves the most air; the first that leaves enough. */
function findPlace(t: Task, obstacles: readonly StandSolid[]): Found {
  const { s, use, n } = t;
  const rests = [
    n.line.x,
    n.pivotY,
    t.middle,
    n.ahead,
    n.more,
    n.width,
    n.height,
    n.depth,
    n.behind,
  ];
  const loose = givens([...rests, n.armWide, n.clampLength]).reduce(
    (sum, g) => sum + (g.known?.tol ?? 0),
    0,
  );
  const enough = s.built.rules['space.air'];
  const rods = s.solids
    .filter((o) => (o.role === 'rod' || n.line.pieces.includes(o.piece)) && o.known)
    .map((o) => o.solid);
  const inTheWay = obstacles.map((o) => ({
    solid: o.solid,
    gear: o.role !== 'barrel',
    loose: o.loose,
  }));
  let best: Found | null = null;
  for (const { side, flipped } of waysOf(t)) {
    const sign = side === 'right' ? 1 : -1;
    const shape = shapeAt(t, sign, flipped, 0, s.value);
    const into: Prism[] = [];
    const scan = scanArm({
      px: shape.px,
      py: shape.py,
      centres: t.centres,
      from: s.value(of(n.armFrom)),
      to: s.value(n.armTo),
      pinned: use.angle === undefined ? null : (use.angle * Math.PI) / 180,
      prefer: sign > 0 ? LEVEL : Math.PI - LEVEL,
      enough,
      outlinesAt: (angle) => {
        shape.angle = angle;
        return outlinesOf(shape, into);
      },
      obstacles: inTheWay,
      loose,
      rods,
    });
    if (best === null || better(scan, best.scan)) best = { side, flipped, scan };
    if (best.scan.angle !== null && best.scan.clearance >= enough) break;
  }
  return best!;
}

/** Box, gear, arm and clamp where it stands. */
function addDrive(t: Task, { side, flipped, scan }: Found, gear: LensGear | null): void {
  const { s, use, part, n } = t;
  const sign = side === 'right' ? 1 : -1;
  const { station, gearAt } = stationsOf(t, flipped);
  const shown = scan.angle ?? (sign > 0 ? 0 : Math.PI);
  const piece = s.piece({ is: 'drive', id: use.id }, part);
  // Where it stands hangs on what it meshes with; without a gear on the lens nobody knows.
  const meshes = of(gear?.teeth ?? constant(`gear on the ${use.turns} ring`, 'teeth', null), 0);
  const place = [n.line.x, n.pivotY, station, gearAt, n.width, n.height, n.depth, n.behind];
  const inputs = [...place, n.clampLength, meshes, of(n.teeth, 0)];
  const roles: readonly [string, Lin[]][] = [
    ['box', inputs],
    ['gear', [gearAt, of(n.gearWidth), of(n.teeth), meshes]],
    ['arm', [...inputs, n.armWide]],
  ];
  // A drive without an arm says so: 0 wide.
  roles
    .slice(0, s.value(n.armWide) > 0 ? 3 : 2)
    .forEach(([role, rests], i) =>
      s.add(piece, role, rests, (v) => shapeOf(i, shapeAt(t, sign, flipped, shown, v))),
    );
  // A follow focus bridges both rods, a motor hangs on the one of its side; a single rod takes either.
  const { line } = n;
  const half = line.centres / 2;
  const reach = line.rod * 0.9;
  const bridge = part.kind === 'follow-focus';
  const clamp = times(n.clampLength, 0.5);
  const [from, to] = [minus(station, clamp), plus(station, clamp)];
  block(s, piece, 'clamp', {
    x0: plus(line.x, lin(bridge ? -half - reach : sign * half - reach)),
    x1: plus(line.x, lin(bridge ? half + reach : sign * half + reach)),
    y0: plus(line.y, lin(-reach)),
    y1: plus(line.y, lin(reach)),
    z0: from,
    z1: to,
  });
  for (const key of line.pieces)
    // The arm turns about the rod it is clamped to.
    for (const role of ['clamp', 'arm']) s.touch({ piece: t.key, role }, key);
  const own = { piece: t.key, role: 'gear' };
  s.touch(own, { piece: 'lens', role: 'barrel' });
  s.touch(
    own,
    gear?.gear
      ? pieceKey('gear', use.turns)
      : { piece: pieceKey('lens'), role: `gear-${use.turns}` },
  );
  const on = use.on === undefined ? undefined : (line.single?.key ?? '');
  const { id, name, rods } = part;
  s.clamped.push({
    key: t.key,
    part: id,
    name,
    from,
    to,
    rods,
    ...(on === undefined ? {} : { on }),
  });
}

/**
 * Places a drive: on its pinned side, station and angle, or where it meshes with the most air
 * around it. What is pinned stays; the rest follows.
 */
export function placeDrive(
  s: Setting,
  use: DriveUse,
  part: Drive,
  arm: DriveArm | null,
  gears: readonly LensGear[],
): PlacedDrive {
  const key = pieceKey('drive', use.id);
  const gear = gears.find((g) => g.turns === use.turns && g.teeth !== null) ?? null;
  const n = numbersOf(s, use, part, arm);
  const count = (g: Given) => g.known?.value ?? s.standIns.get(g) ?? 0;
  const centres = gear?.teeth
    ? centreDistance(count(gear.teeth), count(n.teeth), n.module.known?.value ?? MODULE)
    : null;
  const middle = gear?.middle ?? middleOf(s, use, gears);
  const asked = { s, use, part, key, n, middle, centres: centres ?? 56 };
  const t: Task = { ...asked, open: undecided(asked) };
  const obstacles = obstaclesOf(t);
  const found = findPlace(t, obstacles);
  addDrive(t, found, gear);
  const { side, flipped, scan } = found;
  return {
    use,
    part,
    arm,
    key,
    gear,
    side,
    flipped,
    ...stationsOf(t, flipped),
    pivot: { x: pivotX(n, side === 'right' ? 1 : -1), y: n.pivotY },
    teeth: n.teeth,
    module: n.module,
    gearWidth: n.gearWidth,
    armFrom: n.armFrom,
    armTo: n.armTo,
    centres,
    angle: scan.angle,
    scan,
    nearest: scan.nearest === null ? null : (obstacles[scan.nearest]?.name ?? null),
  };
}

function better(a: ArmScan, b: ArmScan): boolean {
  if ((a.angle === null) !== (b.angle === null)) return a.angle !== null;
  return a.angle === null ? a.room > b.room : a.clearance > b.clearance + 1e-6;
}
