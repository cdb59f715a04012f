import type { PartBase, Block, Outlet, Ported, Supplied, Vent } from '../../../engine/part';
import type { Interface } from '../../joints/kit/parts';
import type { QuantityInput } from '../../../quantity/quantity';

/** What stands against the camera and takes up room. */

/** A part that stands somewhere on the camera and takes up room. */
export interface Fitting extends PartBase, Block, Supplied, Ported {
  kind: FittingKind;
  rods?: string;
  clampLength?: QuantityInput;
  /** Screws that hold it, and whether pins keep it from turning. */
  screws?: number;
  pins?: boolean;
  rating?: QuantityInput;
  wattHours?: QuantityInput;
  outlets?: Outlet[];
  /** What gives on: how much of what it takes comes out, 0 to 1. */
  efficiency?: QuantityInput;
  /** A screen that tilts where it stands. */
  tilts?: boolean;
  /** Wall of a cage: what it adds to the body on each side. */
  wall?: QuantityInput;
  bottom?: QuantityInput;
  /** Room inside a cage, across and up from the base of the body. */
  innerWidth?: QuantityInput;
  innerHeight?: QuantityInput;
  /** Front of a cage behind the mount face. */
  frontBack?: QuantityInput;
  /** Sides that a cage leaves open: a half cage. */
  openLeft?: boolean;
  openRight?: boolean;
  openTop?: boolean;
  openBottom?: boolean;
  /** Hand units: how far the wheel turns from end to end, degrees. */
  turn?: QuantityInput;
  /** Bodies a cage is made for, by id, or by name when they are not in the kit. */
  madeFor?: string[];
  /** Faces that have to stay free. */
  vents?: Vent[];
  /** What it holds others by, and is held by. */
  interfaces?: Interface[];
}

export type FittingKind =
  | 'cage'
  | 'handle'
  | 'grip'
  | 'arm'
  | 'shoulder-pad'
  | 'counterweight'
  | 'hand-unit'
  | 'monitor'
  | 'recorder'
  | 'finder'
  | 'battery'
  | 'battery-plate'
  | 'dummy-battery'
  | 'converter'
  | 'bracket'
  | 'clamp'
  | 'rod'
  | 'spacer'
  | 'quick-plate'
  | 'receiver'
  | 'dovetail'
  | 'rail'
  | 'rosette-adapter'
  | 'shoe-mount'
  | 'microphone'
  | 'radio'
  | 'cable-clamp'
  | 'accessory';

export const FITTING_KINDS: readonly FittingKind[] = [
  'cage',
  'handle',
  'grip',
  'arm',
  'shoulder-pad',
  'counterweight',
  'hand-unit',
  'monitor',
  'recorder',
  'finder',
  'battery',
  'battery-plate',
  'dummy-battery',
  'converter',
  'bracket',
  'clamp',
  'rod',
  'spacer',
  'quick-plate',
  'receiver',
  'dovetail',
  'rail',
  'rosette-adapter',
  'shoe-mount',
  'microphone',
  'radio',
  'cable-clamp',
  'accessory',
];
