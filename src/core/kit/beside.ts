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
