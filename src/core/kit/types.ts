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
  /** What the glass in the slot does to the light. */
  slotType?: FilterType;
  slotStops?: QuantityInput;
  slotStopsTo?: QuantityInput;
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
  /** Light its own glass loses towards the corner of the chip, at full stop. */
  falloff?: FalloffRow[];
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
  /** Measured light falloff towards the corner. */
  falloff?: FalloffRow[];
}

export interface PupilRow {
  focal?: number;
  behind: QuantityInput;
}

/** Light lost at an image height. */
export interface FalloffRow {
  focal?: number;
  /** Image height from the centre, mm. */
  height: number;
  stops: number;
}

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
  attach?: 'clip-on' | 'rods';
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

export interface Plate extends PartBase {
  kind: 'plate';
  rods?: string;
  /** Top of the plate, where the body stands, down to the rod plane. */
  topToRods?: QuantityInput;
}

export interface Riser extends PartBase {
  kind: 'riser';
  thickness?: QuantityInput;
}

/** A part of a kind this version only carries along. */
export interface OtherPart extends PartBase {
  [field: string]: unknown;
}

export type Link = Adapter | Reducer;
export type Part =
  | Body
  | Adapter
  | Reducer
  | Lens
  | Ring
  | Filter
  | MatteBox
  | ReductionRing
  | Sleeve
  | Plate
  | Riser
  | OtherPart;
export type Kind =
  | 'body'
  | 'adapter'
  | 'reducer'
  | 'lens'
  | 'ring'
  | 'filter'
  | 'matte-box'
  | 'reduction-ring'
  | 'sleeve'
  | 'plate'
  | 'riser';

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

/** A ring or screw-in filter on the thread of the lens. */
export interface ThreadUse {
  part: string;
}

/** What is in a stage of the matte box, by the stage's id. */
export interface TrayUse {
  id: string;
  filter?: string;
  /** The stage is taken out of the box. */
  out?: boolean;
  /** How far a rotating stage is turned, degrees. */
  turn?: number;
}

/** A flag of the matte box that is on, by its id, and the angle it stands at. */
export interface FlagUse {
  id: string;
  angle: number;
}

/** The matte box on a rig and how it is set. */
export interface BoxUse {
  part: string;
  /** Reduction ring between box and lens. */
  ring?: string;
  /** Sleeve of the kit in place of the box's own. */
  sleeve?: string;
  /** Where its back stands on the rods, mm from the image plane; as close as may be when absent. */
  station?: number;
  trays?: TrayUse[];
  mask?: string;
  flags?: FlagUse[];
}

/** A plate or riser under the camera. */
export interface UnderUse {
  part: string;
  /** Risers: under the body, or under the rods. */
  at?: 'body' | 'rods';
}

/** The light that is there, and how the camera is set to it. */
export interface LightUse {
  /** Scene light as exposure value at ISO 100. */
  ev?: number;
  iso?: number;
  fps?: number;
  /** Shutter angle, degrees. */
  angle?: number;
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
  /** On the thread of the lens, from the lens outwards. */
  thread?: ThreadUse[];
  box?: BoxUse;
  /** Under the camera, from the body downwards. */
  under?: UnderUse[];
  light?: LightUse;
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

export function isRing(p: Part | null | undefined): p is Ring {
  return p?.kind === 'ring';
}
export function isFilter(p: Part | null | undefined): p is Filter {
  return p?.kind === 'filter';
}
export function isBox(p: Part | null | undefined): p is MatteBox {
  return p?.kind === 'matte-box';
}
export function isReduction(p: Part | null | undefined): p is ReductionRing {
  return p?.kind === 'reduction-ring';
}
export function isSleeve(p: Part | null | undefined): p is Sleeve {
  return p?.kind === 'sleeve';
}
export function isPlate(p: Part | null | undefined): p is Plate {
  return p?.kind === 'plate';
}
export function isRiser(p: Part | null | undefined): p is Riser {
  return p?.kind === 'riser';
}

/** How many of this piece are on hand; a part that does not say counts as one. */
export function onHand(p: Part): number {
  return p.count ?? 1;
}
