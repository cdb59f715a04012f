import type { PartBase, Block, Ported, Supplied } from '../../../engine/part';
import type { QuantityInput } from '../../../quantity/quantity';

/** What turns the rings of the lens. */

export interface GearRing extends PartBase {
  kind: 'gear-ring';
  style?: 'seamless' | 'split' | 'strap';
  /** Seamless ones: inner diameter. */
  bore?: QuantityInput;
  /** Split and strap: smallest and largest barrel. */
  from?: QuantityInput;
  to?: QuantityInput;
  module?: QuantityInput;
  teeth?: number;
  width?: QuantityInput;
  /** The join: how far it stands out over the teeth, and how long it is around the barrel. */
  lump?: QuantityInput;
  /** Straps: barrel to the pitch line of its teeth. */
  strapHeight?: QuantityInput;
  lumpLength?: QuantityInput;
}

/** What a follow focus and a motor have in common: a box with a gear, on an arm, on a rod. */
export interface DriveFields extends Block {
  rods?: string;
  clampLength?: QuantityInput;
  /** Pivot of the arm from the middle between the rods, and over the rod plane. */
  pivotAcross?: QuantityInput;
  pivotUp?: QuantityInput;
  /** Pivot to the axis of the gear: shortest and longest. */
  armFrom?: QuantityInput;
  armTo?: QuantityInput;
  armWidth?: QuantityInput;
  gearTeeth?: number;
  module?: QuantityInput;
  gearWidth?: QuantityInput;
  /** Middle of the clamp to the middle of the gear, ahead. */
  gearAhead?: QuantityInput;
  /** Middle of the gear to the near face of the box, behind it. */
  boxBehind?: QuantityInput;
  sides?: 'left' | 'right' | 'both';
  /** The gear can be put on the other face of the bracket. */
  flips?: boolean;
}

export interface FollowFocus extends PartBase, DriveFields {
  kind: 'follow-focus';
  /** Turns of the gear for one turn of the wheel. */
  ratio?: QuantityInput;
  hardStops?: boolean;
  reversible?: boolean;
}

/** Torque at a supply, at the motor's own gear. */
export interface TorqueRow {
  volts: number;
  torque: QuantityInput;
}

export interface Motor extends PartBase, DriveFields, Supplied, Ported {
  kind: 'motor';
  torques?: TorqueRow[];
}

/** Puts the gear of a drive farther ahead of its clamp, or reaches farther out. */
export interface DriveArm extends PartBase {
  kind: 'drive-arm';
  ahead?: QuantityInput;
  longer?: QuantityInput;
}
