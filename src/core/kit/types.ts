import type { QuantityInput } from '../quantity/quantity';

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

/** A recording mode: the active area of the chip and the pixels it records. */
export interface Mode {
  id: string;
  name: string;
  w?: QuantityInput;
  h?: QuantityInput;
  pxW?: number;
  pxH?: number;
  fps?: number;
  note?: string;
}

/** A step of an outline: diameter `d` from station `z` (mm ahead of the part's own datum) on. */
export interface OutlineStep {
  z: QuantityInput;
  d: QuantityInput;
}

export interface Body extends PartBase {
  kind: 'body';
  mount?: string;
  flange?: QuantityInput;
  modes?: Mode[];
  /** Free depth behind the mount face, mm. */
  cavityDepth?: QuantityInput;
  /** How far a reducer's rear group has to come behind the mount face on this body, mm. */
  reducerDepth?: QuantityInput;
  /** Glass in front of the chip: thickness and index. */
  stackGlass?: QuantityInput;
  stackIndex?: QuantityInput;
  control?: 'electronic' | 'none';
  axisToBase?: QuantityInput;
  width?: QuantityInput;
  height?: QuantityInput;
  depth?: QuantityInput;
}

/** What adapters and reducers have in common. */
export interface LinkFields {
  /** Mount that takes the lens. */
  lensMount?: string;
  /** Mount that goes to the body. */
  bodyMount?: string;
  length?: QuantityInput;
  outerDiameter?: QuantityInput;
  /** Clear bore, when it is narrower than its mounts. */
  bore?: QuantityInput;
  play?: QuantityInput;
  foot?: boolean;
  passesControl?: boolean;
}

export interface Adapter extends PartBase, LinkFields {
  kind: 'adapter';
  /** Thickness of the glass in the drop-in slot, when there is a slot. */
  slotGlass?: QuantityInput;
  slotIndex?: QuantityInput;
  /** Whether the length already allows for the glass. */
  slotAllowedFor?: boolean;
}

export interface Reducer extends PartBase, LinkFields {
  kind: 'reducer';
  magnification?: QuantityInput;
  exitCircle?: QuantityInput;
  fastestStop?: QuantityInput;
  rearProtrusion?: QuantityInput;
  rearDiameter?: QuantityInput;
  /** Free depth behind its lens mount before its own first glass. */
  frontClearance?: QuantityInput;
  /** Error of its back focus as set, positive: too far out. */
  backFocus?: QuantityInput;
  /** Bodies it is made for, by id, or by name when they are not in the kit. */
  madeFor?: string[];
}

/** One line of an image circle table. */
export interface CircleRow {
  /** Focal length it is stated for (zooms). */
  focal?: number;
  /** Stop it is stated at; clean at this stop and deeper. */
  stop?: number;
  diameter: QuantityInput;
}

export interface Lens extends PartBase {
  kind: 'lens';
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
}

/** A part of a kind this version only carries along. */
export interface OtherPart extends PartBase {
  [field: string]: unknown;
}

export type Link = Adapter | Reducer;
export type Part = Body | Adapter | Reducer | Lens | OtherPart;
export type Kind = 'body' | 'adapter' | 'reducer' | 'lens';

/** What is framed for inside the mode. */
export interface Frame {
  id: string;
  name: string;
  /** Width over height of the desqueezed picture. */
  aspect: number;
  /** 1 is as large as fits; smaller leaves a look-around border. */
  scale?: number;
  /** Offset of its centre on the chip, mm. */
  x?: number;
  y?: number;
  /** Size of the deliverable in pixels. */
  deliver?: { w: number; h: number };
}

/** A piece between body and lens, with how it is set on this rig. */
export interface LinkUse {
  part: string;
  /** Whether the drop-in slot holds glass. */
  slot?: 'glass' | 'empty';
  /** Foot tied to cage or rods. */
  tied?: boolean;
}

/** One edit of one field: where, and what it becomes (undefined takes it away). */
export interface Change {
  path: string[];
  value?: unknown;
  /** Index to insert at, when a list gets its element back. */
  at?: number;
}

/** A rig for one job of work: a named difference over the rig. */
export interface Configuration {
  id: string;
  name: string;
  changes: Change[];
}

export interface Rig {
  id: string;
  name: string;
  body: string | null;
  mode: string | null;
  frames: Frame[];
  lens: string | null;
  /** Focal length a zoom is set to, mm. */
  focal?: number;
  /** T-stop worked at; the widest the lens has when absent. */
  stop?: number;
  /** Distance focused at from the image plane, mm. */
  focus?: number;
  /** From the body outwards. */
  between: LinkUse[];
  reference?: string;
  configurations?: Configuration[];
}

/** Two or more pieces that were put together, and what came of it. */
export interface Trial {
  id: string;
  parts: string[];
  result: 'fits' | 'fits with force' | 'does not fit';
  when?: string;
  role?: string;
  note?: string;
}

/** A mark test of one combination: the focus error at the chip that it showed. */
export interface MarkTestRecord {
  id: string;
  /** Body, everything between, lens. */
  parts: string[];
  /** Error at the chip, mm, positive when the lens sits too far out. */
  error: QuantityInput;
  when?: string;
}

export interface RuleChoice {
  set: 'house' | 'strict' | 'light';
  values?: Record<string, number>;
}

/** A job with the kit it uses: one self-contained document. */
export interface Job {
  format: 'nelvix-job';
  version: number;
  id: string;
  name: string;
  note?: string;
  /** Mounts of the user's own. */
  mounts?: Mount[];
  /** Names the crew uses for a mount, by mount id. */
  aliases?: Record<string, string>;
  kit: Part[];
  /** Ids of the lenses that are stepped through; all lenses of the kit when absent. */
  lensSet?: string[];
  rigs: Rig[];
  rules?: RuleChoice;
  trials?: Trial[];
  markTests?: MarkTestRecord[];
}

export function isBody(p: Part | null | undefined): p is Body {
  return p?.kind === 'body';
}
export function isLens(p: Part | null | undefined): p is Lens {
  return p?.kind === 'lens';
}
export function isReducer(p: Part | null | undefined): p is Reducer {
  return p?.kind === 'reducer';
}
export function isLink(p: Part | null | undefined): p is Link {
  return p?.kind === 'adapter' || p?.kind === 'reducer';
}

/** How many of this piece are on hand; a part that does not say counts as one. */
export function onHand(p: Part): number {
  return p.count ?? 1;
}
