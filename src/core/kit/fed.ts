import type { Carries, Face } from '../engine/part';

/** What of a rig a lead can be tied to: the camera, or a use of a list. */
export interface TieOn {
  list: PortAt['list'] | 'rods';
  id: string;
}

/** A place on the rig that a lead is tied to on its way. */
export interface TiePoint {
  id: string;
  on: TieOn;
  face: Face;
  /** How far off the middle of that face, along the axes of its part, mm; the middle when absent. */
  x?: number;
  y?: number;
  z?: number;
}

/** What feeds something: a fitted part, one of its outlets, and the lead between. */
export interface FedFrom {
  from: string;
  id: string;
  /** A lead of the kit; none chosen when absent. */
  lead?: string;
  /** Its plugs are tied or clamped, so that nobody pulls them out. */
  tied?: boolean;
  /** How often it is tied on its way, besides at its plugs; nobody said when absent. */
  ties?: number;
  /** Where it is tied on its way, from its source on; wherever it lies shortest when absent. */
  via?: TiePoint[];
  /** Where its outlet has a switch: set over, or as it is sold; nobody said when absent. */
  switched?: boolean;
}

/** A socket of something on a rig that sends or takes in. */
export interface PortAt {
  /** Which it is: the camera, or a use of a list of the rig. */
  list: 'body' | 'drives' | 'fitted';
  id: string;
  /** The socket, of the ports of its part. */
  port: string;
}

/** What goes from one socket to another, and by which lead. */
export interface SignalUse {
  id: string;
  carries: Carries;
  from: PortAt;
  to: PortAt;
  /** A lead of the kit; none chosen when absent. */
  lead?: string;
  /** What is fed by a lead through which this goes as well, in place of one of its own. */
  within?: Pick<PortAt, 'list' | 'id'>;
  /** As of what feeds something. */
  tied?: boolean;
  ties?: number;
  via?: TiePoint[];
}
