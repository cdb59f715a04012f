import type { Body, Lens } from '../areas/coverage/kit/parts';
import type { GearRing, FollowFocus, Motor, DriveArm } from '../areas/drive/kit/parts';
import type { Ring, Filter, MatteBox, ReductionRing, Sleeve } from '../areas/front/kit/parts';
import type { Adapter, Reducer } from '../areas/mount/kit/parts';
import type { Plate, Riser, Rods } from '../areas/rods/kit/parts';
import type { Fitting } from '../areas/space/kit/parts';
import type { Key, Screw } from '../areas/joints/kit/parts';
import type { Carrier } from '../areas/carry/kit/parts';
import type { Card, Reader } from '../areas/media/kit/parts';
import type { Charger, Lead, MainsUnit } from '../areas/power/kit/parts';
import type { LensSupport } from '../areas/support/kit/parts';
import type { PartBase } from '../engine/part';

/** Every kind of part there is. */

/** A part of a kind this version only carries along. */
export interface OtherPart extends PartBase {
  [field: string]: unknown;
}

export type Link = Adapter | Reducer;

export type Part =
  | Body
  | Adapter
  | Reducer
  | Lens
  | Ring
  | Filter
  | MatteBox
  | ReductionRing
  | Sleeve
  | Plate
  | Riser
  | Rods
  | GearRing
  | LensSupport
  | FollowFocus
  | Motor
  | DriveArm
  | Fitting
  | Screw
  | Key
  | Carrier
  | Lead
  | Charger
  | MainsUnit
  | Card
  | Reader
  | OtherPart;

export type Drive = FollowFocus | Motor;
