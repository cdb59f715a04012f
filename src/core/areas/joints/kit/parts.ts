import type { Face, PartBase } from '../../../engine/part';
import type { QuantityInput } from '../../../quantity/quantity';

/** One place of a part where another part is held: a hole, a row of holes, a rail, a shoe. */
export interface Interface {
  id: string;
  name: string;
  /** By which standard or class; see `kit/interfaces.ts`. */
  type?: string;
  /** It holds (a hole, a rail, a shoe), is held (a screw, a clamp, a foot), or either. */
  side?: 'host' | 'guest' | 'either';
  /** Class of a dovetail or plate, or the name of a pattern of its own. */
  pattern?: string;
  face?: Face;
  /** From the middle of the face, mm along the part's own axes. */
  x?: QuantityInput;
  y?: QuantityInput;
  z?: QuantityInput;
  /** A row of holes is one entry: how many, how far from each to the next, and along which axis. */
  count?: number;
  spacing?: QuantityInput;
  along?: 'x' | 'y' | 'z';
  /** Locating pins, or holes for them. */
  pinned?: boolean;
  /** The hole goes through. */
  through?: boolean;
  /** Usable depth of the thread. */
  depth?: QuantityInput;
  material?: 'steel' | 'aluminium' | 'plastic';
  /** Length of the screw under its head; how far it stands out when it is captive. */
  length?: QuantityInput;
  captive?: boolean;
  /** What the screw goes through before it leaves its part, head to face. */
  thickness?: QuantityInput;
  /** Rail or dovetail: across its wide side, and how long it is. */
  width?: QuantityInput;
  run?: QuantityInput;
  /** Clamps: what they close on, and how long they are. */
  from?: QuantityInput;
  to?: QuantityInput;
  clamp?: QuantityInput;
  /** Clamps of rods: the middle of the bore, in from the face. */
  inside?: QuantityInput;
  stops?: 'both' | 'one' | 'none';
  driver?: string;
  /** Reach of a lever about its screw. */
  sweep?: QuantityInput;
  /** As stated by its maker. */
  bears?: QuantityInput;
  bearsMoment?: QuantityInput;
  /** Marked by the crew: plastic, cracked, bends. */
  weak?: boolean;
}

/** A screw that is not fixed to a part. */
export interface Screw extends PartBase {
  kind: 'screw';
  thread?: string;
  /** Under its head. */
  length?: QuantityInput;
  driver?: string;
  /** Marked by the crew: its thread is going. */
  worn?: boolean;
}

/** A key, a driver, or a folding set of them. */
export interface Key extends PartBase {
  kind: 'key';
  turns?: { driver: string }[];
  /** Where it is put back. */
  lives?: string;
}
