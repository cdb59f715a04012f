/** What goes with a rig and is no part of what stands on it. */

/** A card or drive in the camera. */
export interface CardUse {
  id: string;
  part: string;
}

/** A mains unit beside the rig. */
export interface MainsUse {
  id: string;
  part: string;
  /** How far its outlets are from the rig, as a lead goes: over the floor and up, mm. */
  away?: number;
}

/** A head, legs, a gimbal: what the rig stands on, hangs from or is worn on. */
export interface CarrierUse {
  id: string;
  part: string;
}

/** A stretch of the day, hours from its beginning. */
export interface DayEvent {
  id: string;
  name: string;
  from: number;
  to: number;
  /** Not to be missed, or a break. */
  is: 'keep' | 'break';
}
