import type { Body, Lens } from '../areas/coverage/parts';
import type { GearRing, FollowFocus, Motor, DriveArm } from '../areas/drive/parts';
import type { Ring, Filter, MatteBox, ReductionRing, Sleeve } from '../areas/front/parts';
import type { Adapter, Reducer } from '../areas/mount/parts';
import type { Plate, Riser, Rods } from '../areas/rods/parts';
import type { Fitting, FittingKind } from '../areas/space/parts';
import type { LensSupport } from '../areas/support/parts';
import type { PartBase } from './part';

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
  | OtherPart;

export type Drive = FollowFocus | Motor;

export type Kind =
  | 'body'
  | 'adapter'
  | 'reducer'
  | 'lens'
  | 'ring'
  | 'filter'
  | 'matte-box'
  | 'reduction-ring'
  | 'sleeve'
  | 'plate'
  | 'riser'
  | 'rods'
  | 'gear-ring'
  | 'lens-support'
  | 'follow-focus'
  | 'motor'
  | 'drive-arm'
  | FittingKind;
