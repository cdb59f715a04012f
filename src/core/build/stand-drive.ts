import { valueOf } from '../quantity/quantity';
import { centreDistance, MODULE, tipDiameter } from '../areas/drive/kit/gears';
import { scanArm, type ArmScan } from '../areas/drive/kit/arm-scan';
import type { Drive, DriveArm, DriveUse } from '../kit/types';
import { prismatic, type Prism, type Solid } from '../solids/solid';
import type { Given } from './given';
import { constant, exactly } from './given';
import { givens, lin, minus, of, plus, times, type Lin } from './lin';
import { named } from './contacts';
import { block, STAND_IN, type LensGear, type Setting, dropOf } from './stand-setting';

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
  pivot: { x: number; y: Lin };
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
  const key = `drive:${use.id}`;
  const gear = gears.find((g) => g.turns === use.turns && g.teeth !== null) ?? null;
  const ring = gears.find((g) => g.turns === use.turns) ?? null;
  const teeth = s.counted(part, ['gearTeeth'], 'teeth');
  if (!s.standIns.has(teeth)) s.standIns.set(teeth, 40);
  const gearModule =
    part.module === undefined
      ? constant('module', 'mm', exactly(MODULE))
      : s.q(part, ['module'], MODULE);
  const gearWidth = s.q(part, ['gearWidth'], 10);
  const armFrom = s.q(part, ['armFrom'], STAND_IN.arm[0]);
  const armOwn = s.q(part, ['armTo'], STAND_IN.arm[1]);
  const armTo =
    arm?.longer === undefined ? of(armOwn) : plus(of(armOwn), of(s.q(arm, ['longer'], 0)));
  const clampLength = of(s.q(part, ['clampLength'], STAND_IN.clamp));
  const width = of(s.q(part, ['width'], 50));
  const height = of(s.q(part, ['height'], 60));
  const depth = of(s.q(part, ['depth'], 40));
  const ahead = of(s.q(part, ['gearAhead'], 0));
  const behind = of(s.q(part, ['boxBehind'], 6));
  // A drive without an arm says so: 0 wide.
  const armWide = of(s.q(part, ['armWidth'], 12));
  const more = arm?.ahead === undefined ? lin(0) : of(s.q(arm, ['ahead'], 0));
  const drop = dropOf(s);
  const cc = (s.system?.centres ?? 60) / 2;
  const rod = s.system?.rod ?? 15;
  const across = valueOf(part.pivotAcross) ?? cc;
  const pivotY = plus(
    times(drop, -1),
    part.pivotUp === undefined ? lin(0) : of(s.q(part, ['pivotUp'], 0)),
  );
  const m = gearModule.known?.value ?? MODULE;
  const n = (g: Given) => g.known?.value ?? s.standIns.get(g) ?? 0;
  const centres = gear?.teeth ? centreDistance(n(gear.teeth), n(teeth), m) : null;
  let middle = gear?.middle ?? ring?.middle;
  if (!middle) {
    // Without a ring nobody knows where its gear would be: it is drawn, and not computed with.
    const nowhere = constant(`where the ${use.turns} ring is`, 'mm', null);
    s.standIns.set(nowhere, STAND_IN.lens / 2);
    middle = plus(s.seat, of(nowhere));
  }

  const sides: ('left' | 'right')[] = use.side
    ? [use.side]
    : part.sides === 'left' || part.sides === 'right'
      ? [part.sides]
      : s.built.rules['drive.side'] === 1
        ? ['left', 'right']
        : ['right', 'left'];
  const flips = use.flipped !== undefined ? [use.flipped] : part.flips ? [false, true] : [false];
  const tips = tipDiameter(n(teeth), m) / 2;
  const halfWidth = s.value(of(gearWidth)) / 2;

  /** Stations for a way of fitting it. */
  const stationsOf = (flipped: boolean) => {
    const off = plus(times(ahead, flipped ? -1 : 1), more);
    const station = use.station === undefined ? minus(middle, off) : lin(use.station);
    return { station, gearAt: plus(station, off) };
  };
  /** Outlines at a place, stations and sizes nominal. */
  const outlinesAt = (side: number, flipped: boolean, c: number) => {
    const { station, gearAt } = stationsOf(flipped);
    const shape: DriveShape = {
      px: side * across,
      py: s.value(pivotY),
      angle: 0,
      centres: c,
      station: s.value(station),
      gearAt: s.value(gearAt),
      w: s.value(width),
      h: s.value(height),
      d: s.value(depth),
      behind: s.value(behind),
      armWidth: s.value(armWide),
      clamp: s.value(clampLength),
      flipped,
      tips,
      halfWidth,
    };
    const into: Prism[] = [];
    return (angle: number) => {
      shape.angle = angle;
      return outlinesOf(shape, into);
    };
  };

  const rests = givens([
    pivotY,
    middle,
    ahead,
    more,
    width,
    height,
    depth,
    behind,
    armWide,
    clampLength,
  ]);
  const loose = rests.reduce((sum, g) => sum + (g.known?.tol ?? 0), 0);
  let side: 'left' | 'right' = sides[0]!;
  let flipped = flips[0]!;
  let best: ArmScan | null = null;
  const c = centres ?? 56;
  const own = named(key, 'box');
  // Its own gear is let down to the barrel between the teeth of the lens.
  const obstacles = s.solids.filter(
    (o) =>
      s.contacts.between(own, o.named) !== 'through' &&
      o.role !== `gear-${use.turns}` &&
      o.known &&
      !(o.role === 'rod'),
  );
  const rodSolids = s.solids.filter((o) => o.role === 'rod' && o.known);
  outer: for (const sd of sides)
    for (const fl of flips) {
      const sign = sd === 'right' ? 1 : -1;
      const scan = scanArm({
        px: sign * across,
        py: s.value(pivotY),
        centres: c,
        from: s.value(of(armFrom)),
        to: s.value(armTo),
        pinned: use.angle === undefined ? null : (use.angle * Math.PI) / 180,
        prefer: sign > 0 ? LEVEL : Math.PI - LEVEL,
        enough: s.built.rules['space.air'],
        outlinesAt: outlinesAt(sign, fl, c),
        obstacles: obstacles.map((o) => ({
          solid: o.solid,
          gear: o.role !== 'barrel',
          loose: o.loose,
        })),
        loose,
        rods: rodSolids.map((o) => o.solid),
      });
      if (best === null || better(scan, best)) {
        best = scan;
        side = sd;
        flipped = fl;
      }
      if (best.angle !== null && best.clearance >= s.built.rules['space.air']) break outer;
    }

  const sign = side === 'right' ? 1 : -1;
  const { station, gearAt } = stationsOf(flipped);
  const angle = best?.angle ?? null;
  const shown = angle ?? (sign > 0 ? 0 : Math.PI);
  const piece = s.piece(key, part);
  // Where it stands hangs on what it meshes with; without a gear on the lens nobody knows.
  const meshes = of(gear?.teeth ?? constant(`gear on the ${use.turns} ring`, 'teeth', null), 0);
  const inputs = [
    pivotY,
    station,
    gearAt,
    width,
    height,
    depth,
    behind,
    clampLength,
    meshes,
    of(teeth, 0),
  ];
  const roles = ['box', 'gear', ...(s.value(armWide) > 0 ? ['arm'] : [])];
  const rest: Record<string, Lin[]> = {
    box: inputs,
    gear: [gearAt, of(gearWidth), of(teeth), meshes],
    arm: [...inputs, armWide],
  };
  roles.forEach((role, i) =>
    s.add(piece, role, rest[role]!, (v) =>
      shapeOf(i, {
        px: sign * across,
        py: v(pivotY),
        angle: shown,
        centres: c,
        station: v(station),
        gearAt: v(gearAt),
        w: v(width),
        h: v(height),
        d: v(depth),
        behind: v(behind),
        armWidth: v(armWide),
        clamp: v(clampLength),
        flipped,
        tips: role === 'gear' ? tipDiameter(Math.max(6, v(of(teeth))), m) / 2 : tips,
        halfWidth: v(of(gearWidth)) / 2,
      }),
    ),
  );
  // A follow focus bridges both rods, a motor hangs on the one of its side.
  const reach = rod * 0.9;
  const bridge = part.kind === 'follow-focus';
  block(s, piece, 'clamp', {
    x0: lin(bridge ? -cc - reach : sign * cc - reach),
    x1: lin(bridge ? cc + reach : sign * cc + reach),
    y0: minus(lin(-reach), drop),
    y1: minus(lin(reach), drop),
    z0: minus(station, times(clampLength, 0.5)),
    z1: plus(station, times(clampLength, 0.5)),
  });
  for (const r of s.rods) s.touch({ piece: key, role: 'clamp' }, `rods:${r.use.id}`);
  s.touch({ piece: key, role: 'gear' }, { piece: 'lens', role: 'barrel' });
  // The arm turns about the rod it is clamped to.
  for (const r of s.rods) s.touch({ piece: key, role: 'arm' }, `rods:${r.use.id}`);
  s.touch(
    { piece: key, role: 'gear' },
    gear?.gear ? `gear:${use.turns}` : { piece: 'lens', role: `gear-${use.turns}` },
  );
  s.clamped.push({
    key,
    part: part.id,
    name: part.name,
    from: minus(station, times(clampLength, 0.5)),
    to: plus(station, times(clampLength, 0.5)),
    rods: part.rods,
  });
  return {
    use,
    part,
    arm,
    key,
    gear,
    side,
    flipped,
    station,
    gearAt,
    pivot: { x: sign * across, y: pivotY },
    teeth,
    module: gearModule,
    gearWidth,
    armFrom,
    armTo,
    centres,
    angle,
    scan: best,
    nearest: best?.nearest === null || !best ? null : (obstacles[best.nearest]?.name ?? null),
  };
}

function better(a: ArmScan, b: ArmScan): boolean {
  if ((a.angle === null) !== (b.angle === null)) return a.angle !== null;
  return a.angle === null ? a.room > b.room : a.clearance > b.clearance + 1e-6;
}

export interface DriveShape {
  px: number;
  py: number;
  /** Where the gear is about the lens axis, and how far from it. */
  angle: number;
  centres: number;
  station: number;
  gearAt: number;
  w: number;
  h: number;
  d: number;
  behind: number;
  /** 0 when it has no arm. */
  armWidth: number;
  clamp: number;
  flipped: boolean;
  tips: number;
  halfWidth: number;
}

/**
 * Box, gear and arm of a drive as outlines over stretches of z: the box is turned with its arm.
 *
 * @param into filled and returned; looking for a place asks for hundreds of these
 */
export function outlinesOf(p: DriveShape, into: Prism[]): Prism[] {
  const x = p.centres * Math.cos(p.angle);
  const y = p.centres * Math.sin(p.angle);
  const dx = x - p.px;
  const dy = y - p.py;
  const long = Math.sqrt(dx * dx + dy * dy);
  // The box stands upright along its arm.
  const cos = long < 1e-9 ? 1 : dy / long;
  const sin = long < 1e-9 ? 0 : -dx / long;
  const near = p.flipped ? p.gearAt + p.behind : p.gearAt - p.behind;
  const far = p.flipped ? near + p.d : near - p.d;
  const set = (i: number, cx: number, cy: number, z0: number, z1: number) => {
    const o = (into[i] ??= { z0, z1, x: cx, y: cy, r: 0, hx: 0, hy: 0, cos, sin });
    o.x = cx;
    o.y = cy;
    o.z0 = Math.min(z0, z1);
    o.z1 = Math.max(z0, z1);
    o.cos = cos;
    o.sin = sin;
    return o;
  };
  const body = set(0, x, y, far, near);
  body.hx = p.w / 2;
  body.hy = p.h / 2;
  const gear = set(1, x, y, p.gearAt - p.halfWidth, p.gearAt + p.halfWidth);
  gear.r = p.tips;
  if (p.armWidth > 0) {
    const deep = Math.min(p.clamp, 12) / 2;
    const arm = set(2, (x + p.px) / 2, (y + p.py) / 2, p.station - deep, p.station + deep);
    arm.hx = p.armWidth / 2;
    arm.hy = long / 2;
  }
  return into;
}

const scratch: Prism[] = [];

/** One of {@link outlinesOf}, as a solid. */
function shapeOf(i: number, p: DriveShape): Solid {
  return prismatic(outlinesOf(p, scratch)[i]!);
}

/** All of {@link outlinesOf}, as solids. */
export function shapesOf(p: DriveShape): Solid[] {
  return outlinesOf(p, []).map(prismatic);
}
