import type { Interface } from '../../joints/kit/parts';
import type { PartBase } from '../../../engine/part';
import type { QuantityInput } from '../../../quantity/quantity';

/** What is under the camera, and the rods. */

export interface Plate extends PartBase {
  kind: 'plate';
  rods?: string;
  /** Top of the plate, where the body stands, down to the rod plane. */
  topToRods?: QuantityInput;
  /** The same of a plate whose height can be set: lowest and highest. */
  heightFrom?: QuantityInput;
  heightTo?: QuantityInput;
  width?: QuantityInput;
  /** Top to bottom of the plate itself. */
  thickness?: QuantityInput;
  length?: QuantityInput;
  /** Each of its two rod clamps, at its ends, along the rods. */
  clampLength?: QuantityInput;
  /** How far it can be slid under the body either way. */
  slide?: QuantityInput;
  /** What it holds others by. */
  interfaces?: Interface[];
}

export interface Riser extends PartBase {
  kind: 'riser';
  thickness?: QuantityInput;
}

/** A rod of a pair, or a single one. */
export interface Rods extends PartBase {
  kind: 'rods';
  rods?: string;
  length?: QuantityInput;
  single?: boolean;
}
