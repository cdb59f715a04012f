import { prismatic, type Prism, type Solid } from '../../../solids/solid';

/** Box, gear and arm of a drive at a place, sizes and stations in mm. */
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
export function shapeOf(i: number, p: DriveShape): Solid {
  return prismatic(outlinesOf(p, scratch)[i]!);
}

/** All of {@link outlinesOf}, as solids. */
export function shapesOf(p: DriveShape): Solid[] {
  return outlinesOf(p, []).map(prismatic);
}
