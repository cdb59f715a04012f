import { FITTING_KINDS } from '../areas/space/kit/parts';
import type { Body, Lens } from '../areas/coverage/kit/parts';
import type { GearRing, FollowFocus, Motor, DriveArm } from '../areas/drive/kit/parts';
import type { Ring, Filter, MatteBox, ReductionRing, Sleeve } from '../areas/front/kit/parts';
import type { Reducer } from '../areas/mount/kit/parts';
import type { Plate, Riser, Rods } from '../areas/rods/kit/parts';
import type { Key, Screw } from '../areas/joints/kit/parts';
import type { Fitting } from '../areas/space/kit/parts';
import { CARRIER_KINDS, type Carrier } from '../areas/carry/kit/parts';
import type { Card, Reader } from '../areas/media/kit/parts';
import type { Charger, Lead, MainsUnit } from '../areas/power/kit/parts';
import type { LensSupport } from '../areas/support/kit/parts';
import type { Link, Part, Drive } from './parts';

/** Parts, rigs and jobs as they are read, and what a part is. */

export type * from '../engine/part';
export type * from '../areas/coverage/kit/parts';
export type * from '../areas/mount/kit/parts';
export type * from '../areas/front/kit/parts';
export type * from '../areas/rods/kit/parts';
export type * from '../areas/drive/kit/parts';
export type * from '../areas/support/kit/parts';
export type * from '../areas/space/kit/parts';
export type * from '../areas/joints/kit/parts';
export type * from '../areas/carry/kit/parts';
export type * from '../areas/power/kit/parts';
export type * from '../areas/media/kit/parts';
export type * from './parts';
export type { Kind } from './fields';
export type * from './records';
export type * from './fed';
export type * from './rig';
export { FITTING_KINDS };

export function isBody(p: Part | null | undefined): p is Body {
  return p?.kind === 'body';
}

export function isLens(p: Part | null | undefined): p is Lens {
  return p?.kind === 'lens';
}

export function isReducer(p: Part | null | undefined): p is Reducer {
  return p?.kind === 'reducer';
}

export function isLink(p: Part | null | undefined): p is Link {
  return p?.kind === 'adapter' || p?.kind === 'reducer';
}

export function isRing(p: Part | null | undefined): p is Ring {
  return p?.kind === 'ring';
}

export function isFilter(p: Part | null | undefined): p is Filter {
  return p?.kind === 'filter';
}

export function isBox(p: Part | null | undefined): p is MatteBox {
  return p?.kind === 'matte-box';
}

export function isReduction(p: Part | null | undefined): p is ReductionRing {
  return p?.kind === 'reduction-ring';
}

export function isSleeve(p: Part | null | undefined): p is Sleeve {
  return p?.kind === 'sleeve';
}

export function isPlate(p: Part | null | undefined): p is Plate {
  return p?.kind === 'plate';
}

/** Whether the height of a plate is a range that it can be set in. */
export function isSettable(plate: Plate): boolean {
  return plate.heightFrom !== undefined || plate.heightTo !== undefined;
}

export function isRiser(p: Part | null | undefined): p is Riser {
  return p?.kind === 'riser';
}

export function isRods(p: Part | null | undefined): p is Rods {
  return p?.kind === 'rods';
}

export function isGearRing(p: Part | null | undefined): p is GearRing {
  return p?.kind === 'gear-ring';
}

export function isSupport(p: Part | null | undefined): p is LensSupport {
  return p?.kind === 'lens-support';
}

export function isFollowFocus(p: Part | null | undefined): p is FollowFocus {
  return p?.kind === 'follow-focus';
}

export function isMotor(p: Part | null | undefined): p is Motor {
  return p?.kind === 'motor';
}

export function isDrive(p: Part | null | undefined): p is Drive {
  return p?.kind === 'follow-focus' || p?.kind === 'motor';
}

export function isDriveArm(p: Part | null | undefined): p is DriveArm {
  return p?.kind === 'drive-arm';
}

export function isFitting(p: Part | null | undefined): p is Fitting {
  return p !== null && p !== undefined && FITTING_KINDS.some((k) => k === p.kind);
}

export function isScrew(p: Part | null | undefined): p is Screw {
  return p?.kind === 'screw';
}

export function isKey(p: Part | null | undefined): p is Key {
  return p?.kind === 'key';
}

export function isLead(p: Part | null | undefined): p is Lead {
  return p?.kind === 'lead';
}

export function isCharger(p: Part | null | undefined): p is Charger {
  return p?.kind === 'charger';
}

export function isMainsUnit(p: Part | null | undefined): p is MainsUnit {
  return p?.kind === 'mains-unit';
}

export function isCard(p: Part | null | undefined): p is Card {
  return p?.kind === 'card';
}

export function isReader(p: Part | null | undefined): p is Reader {
  return p?.kind === 'reader';
}

/** How many of this piece are on hand; a part that does not say counts as one. */
export function onHand(p: Part): number {
  return p.count ?? 1;
}

const CARRIERS: ReadonlySet<string> = new Set(CARRIER_KINDS);

export function isCarrier(p: Part | null | undefined): p is Carrier {
  return p !== null && p !== undefined && CARRIERS.has(p.kind);
}

/** What stands under or beside a rig and is no part of what it weighs. */
export function isBeside(p: Part | null | undefined): boolean {
  return isCarrier(p) || isMainsUnit(p);
}
