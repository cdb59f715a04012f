import type { Interface } from '../../joints/kit/parts';
import type {
  PartBase,
  OutlineStep,
  Weighed,
  WheelPlace,
  FalloffRow,
  Vent,
  Ported,
  Supplied,
} from '../../../engine/part';
import type { QuantityInput } from '../../../quantity/quantity';

/** The camera and its lenses. */

/** A recording mode: the active area of the chip and the pixels it records. */
export interface Mode {
  id: string;
  name: string;
  w?: QuantityInput;
  h?: QuantityInput;
  pxW?: number;
  pxH?: number;
  fps?: number;
  /** Greatest data rate, Mb/s. */
  rate?: QuantityInput;
  note?: string;
}

export interface Body extends PartBase, Weighed, Supplied, Ported {
  /** What it is fed by is the socket that drives go into, too. */
  inletData?: boolean;
  kind: 'body';
  mount?: string;
  flange?: QuantityInput;
  modes?: Mode[];
  /** Free depth behind the mount face, mm. */
  cavityDepth?: QuantityInput;
  /** How far a reducer's rear group has to come behind the mount face on this body, mm. */
  reducerDepth?: QuantityInput;
  /** The flange distance given was found with the glass over the chip in place: it allows for it. */
  flangeAllowsGlass?: boolean;
  /** Glass in front of the chip: thickness and index. */
  stackGlass?: QuantityInput;
  stackIndex?: QuantityInput;
  control?: 'electronic' | 'none';
  axisToBase?: QuantityInput;
  width?: QuantityInput;
  height?: QuantityInput;
  depth?: QuantityInput;
  /** Moment its mount bears, N m, when its maker says. */
  mountMoment?: QuantityInput;
  /** The flip-out screen: on which side it is hinged and how it swings. */
  screenSide?: 'left' | 'right' | 'rear' | 'rear-right' | 'fixed';
  /** Hinge behind the mount face. */
  screenHinge?: QuantityInput;
  /** Middle of the screen over the optical axis. */
  screenUp?: QuantityInput;
  /** Hinge to the far edge: what it sweeps. */
  screenLength?: QuantityInput;
  screenHeight?: QuantityInput;
  /** How far it opens, degrees. */
  screenOpens?: number;
  /** Sensitivity it can be set to, ISO. */
  isoFrom?: number;
  isoTo?: number;
  /** Ways of recording that have base sensitivities of their own. */
  profiles?: Profile[];
  /** Filters on a wheel behind its mount; all of one thickness. */
  wheel?: WheelPlace[];
  /** Faces that have to stay free. */
  vents?: Vent[];
  /** What it holds others by. */
  interfaces?: Interface[];
}

/** A way of recording, with the sensitivity it is made for; twice by one name where it has two. */
export interface Profile {
  id: string;
  name: string;
  base?: number;
}

/** One line of an image circle table. */
export interface CircleRow {
  /** Focal length it is stated for (zooms). */
  focal?: number;
  /** Stop it is stated at; clean at this stop and deeper. */
  stop?: number;
  diameter: QuantityInput;
}

/** A ring of a lens that a drive turns. */
export interface LensRing {
  id: string;
  turns: 'focus' | 'iris' | 'zoom';
  /** Middle of its gear or grip ahead of the flange, focused at infinity. */
  z?: QuantityInput;
  width?: QuantityInput;
  /** Teeth of a gear that is cut in; absent when it has none. */
  teeth?: number;
  module?: QuantityInput;
  /** Diameter of the bare ring. */
  diameter?: QuantityInput;
  /** From end to end, degrees. */
  throw?: QuantityInput;
  turnsBack?: boolean;
  torque?: QuantityInput;
  /** It has hard stops at both ends. */
  stops?: boolean;
  /** How far it wanders ahead (minus: back) from one end of its throw to the other. */
  travel?: QuantityInput;
}

export interface Lens extends PartBase, Weighed {
  kind: 'lens';
  rings?: LensRing[];
  /** Tripod foot: middle ahead of the flange, length, axis to its bottom. */
  footAt?: QuantityInput;
  footLength?: QuantityInput;
  footDown?: QuantityInput;
  mount?: string;
  flange?: QuantityInput;
  focal?: QuantityInput;
  /** Long end of a zoom. */
  focalTo?: QuantityInput;
  tStop?: QuantityInput;
  tStopTo?: QuantityInput;
  fStop?: QuantityInput;
  fStopTo?: QuantityInput;
  imageCircle?: CircleRow[];
  squeeze?: QuantityInput;
  /** Where an anamorphic squeezes: in front, which flattens its pupil, or behind. */
  squeezeAt?: 'front' | 'rear';
  length?: QuantityInput;
  frontDiameter?: QuantityInput;
  filterThread?: QuantityInput;
  outline?: OutlineStep[];
  rearProtrusion?: QuantityInput;
  rearDiameter?: QuantityInput;
  aperture?: 'manual' | 'electronic';
  closeFocus?: QuantityInput;
  /** Plane glass behind the lens that its design allows for, mm. */
  expectedGlass?: QuantityInput;
  /** Clear diameter of the front glass or its rim. */
  frontClear?: QuantityInput;
  /** Where the entrance pupil lies, measured back from the front rim; per focal length on zooms. */
  pupil?: PupilRow[];
  /** Length focused close, and at the long end, where the front moves. */
  lengthClose?: QuantityInput;
  lengthTo?: QuantityInput;
  frontRotates?: boolean;
  /** What its front carries at most, g. */
  frontLoad?: QuantityInput;
  /** Focal length focused close, where the lens breathes. */
  focalClose?: QuantityInput;
  /** Smallest stop that it closes to. */
  smallestStop?: QuantityInput;
  /** Measured light falloff towards the corner. */
  falloff?: FalloffRow[];
}

export interface PupilRow {
  focal?: number;
  behind: QuantityInput;
  /** How far it comes forward, seen from `walkAngle` degrees off the axis (45 when absent). */
  walk?: QuantityInput;
  walkAngle?: number;
}
