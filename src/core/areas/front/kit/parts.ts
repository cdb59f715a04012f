import type { PartBase } from '../../../engine/part';
import type { Interface } from '../../joints/kit/parts';
import type { QuantityInput } from '../../../quantity/quantity';

/** What stands in front of the lens. */

export interface Ring extends PartBase {
  kind: 'ring';
  /** Thread that screws into what is behind it. */
  male?: QuantityInput;
  /** Thread it offers ahead. */
  female?: QuantityInput;
  /** Outside diameter that a clip-on box clamps. */
  clamp?: QuantityInput;
  thickness?: QuantityInput;
  clear?: QuantityInput;
  outerDiameter?: QuantityInput;
}

export type FilterType =
  'nd' | 'polariser' | 'variable-nd' | 'diffusion' | 'streak' | 'close-up' | 'clear';

export interface Filter extends PartBase {
  kind: 'filter';
  type?: FilterType;
  shape?: 'screw' | 'rectangle' | 'round';
  /** Screw filters: thread that screws in, thread it offers ahead. */
  male?: QuantityInput;
  female?: QuantityInput;
  width?: QuantityInput;
  height?: QuantityInput;
  diameter?: QuantityInput;
  thickness?: QuantityInput;
  clear?: QuantityInput;
  outerDiameter?: QuantityInput;
  stops?: QuantityInput;
  /** Darkest end of a variable one. */
  stopsTo?: QuantityInput;
  mustRotate?: boolean;
}

/** One stage of a matte box. */
export interface Stage {
  id: string;
  name: string;
  tray?: string;
  /** A second size that its tray takes. */
  tray2?: string;
  /** From the back of the box to its window, mm. */
  z?: QuantityInput;
  clearW?: QuantityInput;
  clearH?: QuantityInput;
  rotates?: boolean;
  removable?: boolean;
  /** How much shorter the box is without it. */
  shorter?: QuantityInput;
}

export type Side = 'top' | 'bottom' | 'left' | 'right';

/** A flag: a leaf hinged at the mouth. 0 degrees is straight ahead, more is further open. */
export interface FlagLeaf {
  id: string;
  name: string;
  side: Side;
  z?: QuantityInput;
  /** Distance of the hinge from the axis. */
  offset?: QuantityInput;
  length?: QuantityInput;
  from?: number;
  to?: number;
}

export interface Mask {
  id: string;
  name: string;
  w?: QuantityInput;
  h?: QuantityInput;
}

export interface MatteBox extends PartBase {
  kind: 'matte-box';
  attach?: 'clip-on' | 'rods' | 'both';
  opening?: QuantityInput;
  rods?: string;
  /** Rod plane to the middle of its windows. */
  centreHeight?: QuantityInput;
  sleeveFrom?: QuantityInput;
  sleeveTo?: QuantityInput;
  sleeveReach?: QuantityInput;
  stages?: Stage[];
  mouthZ?: QuantityInput;
  mouthW?: QuantityInput;
  mouthH?: QuantityInput;
  masks?: Mask[];
  flags?: FlagLeaf[];
  width?: QuantityInput;
  height?: QuantityInput;
  swing?: 'left' | 'right';
  /** Length of its bracket on the rods, from its back. */
  clampLength?: QuantityInput;
  interfaces?: Interface[];
}

export interface ReductionRing extends PartBase {
  kind: 'reduction-ring';
  outer?: QuantityInput;
  bore?: QuantityInput;
}

export interface Sleeve extends PartBase {
  kind: 'sleeve';
  from?: QuantityInput;
  to?: QuantityInput;
  reach?: QuantityInput;
}
