import type { QuantityInput } from '../quantity/quantity';

/** What several kinds of parts say alike. */

/** A mount: the face two parts meet at, by class, flange distance and throat. */
export interface Mount {
  id: string;
  name: string;
  /** Flange distance, mm. */
  flange?: QuantityInput;
  /** Clear diameter of the throat, mm. */
  throat?: QuantityInput;
  /** Where the numbers come from. */
  note?: string;
}

/** What every part says about itself, whatever its kind. */
export interface PartBase {
  id: string;
  kind: string;
  name: string;
  /** Owner or asset tag. */
  owner?: string;
  /** Pieces on hand; 0 means it would have to be hired. */
  count?: number;
  mass?: QuantityInput;
  notes?: string;
}

/** A step of an outline: diameter `d` from station `z` (mm ahead of the part's own datum) on. */
export interface OutlineStep {
  z: QuantityInput;
  d: QuantityInput;
}

/** Centre of gravity, mm ahead of the part's own datum (bodies: behind the mount face). */
export interface Weighed {
  centreOfGravity?: QuantityInput;
}

/** Outside dimensions of a part as a block: across, up, along the axis. */
export interface Block {
  width?: QuantityInput;
  height?: QuantityInput;
  depth?: QuantityInput;
}

/** One place of a filter wheel, or one filter that drops into the same slot. */
export interface WheelPlace {
  id: string;
  name: string;
  /** What it takes; 0 is clear. */
  stops?: QuantityInput;
}

/** Light lost at an image height. */
export interface FalloffRow {
  focal?: number;
  /** Image height from the centre, mm. */
  height: number;
  stops: number;
}

/** A face of a part as it stands upright on its own: sides as seen from behind. */
export type Face = 'left' | 'right' | 'top' | 'bottom' | 'front' | 'rear';

/** A face that lets heat out: what stands too near it stifles the part. */
export interface Vent {
  id: string;
  name: string;
  face?: Face;
  /** A fan blows through it. */
  fan?: boolean;
}

export interface Outlet {
  id: string;
  name: string;
  volts?: QuantityInput;
  /** What it gives with its switch the other way. */
  voltsOther?: QuantityInput;
  amps?: QuantityInput;
  /** What goes into it, by id. */
  plug?: string;
  /** The face it is on, and how far off the middle of that, along the axes of its part. */
  face?: Face;
  x?: QuantityInput;
  y?: QuantityInput;
  z?: QuantityInput;
  /** It gives the volts that the battery has. */
  passes?: boolean;
  /** Of a plate for two packs: whether it goes on while one of them is changed. */
  swap?: 'holds' | 'drops';
}

/** What goes through a lead that feeds nothing. */
export const CARRIES = ['video', 'sound', 'control', 'data'] as const;
export type Carries = (typeof CARRIES)[number];

/** A socket that something is sent out of, or comes in by. */
export interface SignalPort {
  id: string;
  name: string;
  carries?: Carries;
  /** Sent out, taken in, sent on as it came in, or both ways. */
  way?: 'out' | 'in' | 'loop' | 'both';
  /** What goes into it, by id. */
  plug?: string;
  /** It is the socket that the part is fed by. */
  isInlet?: boolean;
  /** The face it is on, and how far off the middle of that, along the axes of its part. */
  face?: Face;
  x?: QuantityInput;
  y?: QuantityInput;
  z?: QuantityInput;
}

/** What sends or takes in something says by what. */
export interface Ported {
  ports?: SignalPort[];
}

/** What something that takes power says of it. */
export interface Supplied {
  voltsFrom?: QuantityInput;
  voltsTo?: QuantityInput;
  /** What it takes at work, on but at rest, ready to go, and at most, W. */
  watts?: QuantityInput;
  wattsIdle?: QuantityInput;
  wattsReady?: QuantityInput;
  wattsPeak?: QuantityInput;
  /** What goes into it, by id. */
  inlet?: string;
  /** The face that the inlet is on, and how far off the middle of that, along the axes of its part. */
  inletFace?: Face;
  inletX?: QuantityInput;
  inletY?: QuantityInput;
  inletZ?: QuantityInput;
  /** The battery that goes into it, by what takes its place. */
  chamber?: string;
  /** It has a battery of its own; what that holds, Wh. */
  ownPack?: boolean;
  ownWattHours?: QuantityInput;
  /** What it takes in while it runs at most, for itself and its own battery, W. */
  chargeWatts?: QuantityInput;
}
