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

export interface Body extends PartBase, Weighed {
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
  screenSide?: 'left' | 'right' | 'rear' | 'fixed';
  /** Hinge behind the mount face. */
  screenHinge?: QuantityInput;
  /** Middle of the screen over the optical axis. */
  screenUp?: QuantityInput;
  /** Hinge to the far edge: what it sweeps. */
  screenLength?: QuantityInput;
  screenHeight?: QuantityInput;
  /** How far it opens, degrees. */
  screenOpens?: number;
  voltsFrom?: QuantityInput;
  voltsTo?: QuantityInput;
  watts?: QuantityInput;
  /** Sensitivity it can be set to, ISO. */
  isoFrom?: number;
  isoTo?: number;
  /** Ways of recording that have base sensitivities of their own. */
  profiles?: Profile[];
  /** Filters on a wheel behind its mount; all of one thickness. */
  wheel?: WheelPlace[];
}

/** A way of recording, with the sensitivity it is made for; twice by one name where it has two. */
export interface Profile {
  id: string;
  name: string;
  base?: number;
}

/** One place of a filter wheel, or one filter that drops into the same slot. */
export interface WheelPlace {
  id: string;
  name: string;
  /** What it takes; 0 is clear. */
  stops?: QuantityInput;
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
  /** Middle of the foot ahead of the body-side mount face, its length, and axis to its bottom. */
  footAt?: QuantityInput;
  footLength?: QuantityInput;
  footDown?: QuantityInput;
  /** Moment its lens mount bears, N m, when its maker says. */
  mountMoment?: QuantityInput;
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
  /** Several filters for its slot, or a wheel in it; all of the thickness given above. */
  wheel?: WheelPlace[];
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
  /** Length of its bracket on the rods, from its back. */
  clampLength?: QuantityInput;
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
  /** The same of a plate whose height can be set: lowest and highest. */
  heightFrom?: QuantityInput;
  heightTo?: QuantityInput;
  width?: QuantityInput;
  /** Top to bottom of the plate itself. */
  thickness?: QuantityInput;
  length?: QuantityInput;
  /** Each of its two rod clamps, at its ends, along the rods. */
  clampLength?: QuantityInput;
  /** How far it can be slid under the body either way. */
  slide?: QuantityInput;
}

export interface Riser extends PartBase {
  kind: 'riser';
  thickness?: QuantityInput;
}

/** A rod of a pair, or a single one. */
export interface Rods extends PartBase {
  kind: 'rods';
  rods?: string;
  length?: QuantityInput;
  single?: boolean;
}

export interface GearRing extends PartBase {
  kind: 'gear-ring';
  style?: 'seamless' | 'split' | 'strap';
  /** Seamless ones: inner diameter. */
  bore?: QuantityInput;
  /** Split and strap: smallest and largest barrel. */
  from?: QuantityInput;
  to?: QuantityInput;
  module?: QuantityInput;
  teeth?: number;
  width?: QuantityInput;
  /** The join: how far it stands out over the teeth, and how long it is around the barrel. */
  lump?: QuantityInput;
  /** Straps: barrel to the pitch line of its teeth. */
  strapHeight?: QuantityInput;
  lumpLength?: QuantityInput;
}

export interface LensSupport extends PartBase {
  kind: 'lens-support';
  rods?: string;
  /** Rod plane to where the barrel rests: lowest and highest. */
  postFrom?: QuantityInput;
  postTo?: QuantityInput;
  cradleWidth?: QuantityInput;
  clampLength?: QuantityInput;
}

/** What a follow focus and a motor have in common: a box with a gear, on an arm, on a rod. */
export interface DriveFields extends Block {
  rods?: string;
  clampLength?: QuantityInput;
  /** Pivot of the arm from the middle between the rods, and over the rod plane. */
  pivotAcross?: QuantityInput;
  pivotUp?: QuantityInput;
  /** Pivot to the axis of the gear: shortest and longest. */
  armFrom?: QuantityInput;
  armTo?: QuantityInput;
  armWidth?: QuantityInput;
  gearTeeth?: number;
  module?: QuantityInput;
  gearWidth?: QuantityInput;
  /** Middle of the clamp to the middle of the gear, ahead. */
  gearAhead?: QuantityInput;
  /** Middle of the gear to the near face of the box, behind it. */
  boxBehind?: QuantityInput;
  sides?: 'left' | 'right' | 'both';
  /** The gear can be put on the other face of the bracket. */
  flips?: boolean;
}

export interface FollowFocus extends PartBase, DriveFields {
  kind: 'follow-focus';
  /** Turns of the gear for one turn of the wheel. */
  ratio?: QuantityInput;
  hardStops?: boolean;
  reversible?: boolean;
}

/** Torque at a supply, at the motor's own gear. */
export interface TorqueRow {
  volts: number;
  torque: QuantityInput;
}

export interface Motor extends PartBase, DriveFields {
  kind: 'motor';
  voltsFrom?: QuantityInput;
  voltsTo?: QuantityInput;
  watts?: QuantityInput;
  torques?: TorqueRow[];
}

/** Puts the gear of a drive farther ahead of its clamp, or reaches farther out. */
export interface DriveArm extends PartBase {
  kind: 'drive-arm';
  ahead?: QuantityInput;
  longer?: QuantityInput;
}

export interface Outlet {
  id: string;
  name: string;
  volts?: QuantityInput;
  amps?: QuantityInput;
}

/** A part that stands somewhere on the camera and takes up room. */
export interface Fitting extends PartBase, Block {
  kind: FittingKind;
  rods?: string;
  clampLength?: QuantityInput;
  /** Screws that hold it, and whether pins keep it from turning. */
  screws?: number;
  pins?: boolean;
  rating?: QuantityInput;
  voltsFrom?: QuantityInput;
  voltsTo?: QuantityInput;
  watts?: QuantityInput;
  wattHours?: QuantityInput;
  outlets?: Outlet[];
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
  | 'dummy-battery';

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
];

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
  | Rods
  | GearRing
  | LensSupport
  | FollowFocus
  | Motor
  | DriveArm
  | Fitting
  | OtherPart;
export type Drive = FollowFocus | Motor;
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
  | 'riser'
  | 'rods'
  | 'gear-ring'
  | 'lens-support'
  | 'follow-focus'
  | 'motor'
  | 'drive-arm'
  | FittingKind;

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
  /** Told apart by its part where it has no id. */
  id?: string;
  part: string;
  /** Whether the drop-in slot holds glass. */
  slot?: 'glass' | 'empty';
  /** Foot tied to cage or rods. */
  tied?: boolean;
  /** Place of the wheel that is turned in; the clear one when absent. */
  wheel?: string;
}

/** A ring or screw-in filter on the thread of the lens. */
export interface ThreadUse {
  id?: string;
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
  id?: string;
  part: string;
  /** Risers: under the body, or under the rods. */
  at?: 'body' | 'rods';
  /** Plates: front edge, mm from the image plane; below the mount face when absent. */
  station?: number;
  /** Plates that can be set: top to rods, mm; where the rods come out right when absent. */
  height?: number;
}

/** Rods in the clamps of the plate. */
export interface RodUse {
  id: string;
  part: string;
  /** Through both clamps, or ahead of or behind the plate from one of them. */
  place: 'through' | 'front' | 'rear';
  /** Front tip, mm from the image plane; as far back as the clamps allow when absent. */
  tip?: number;
}

/** A gear ring closed on a ring of the lens. */
export interface GearUse {
  id?: string;
  part: string;
  turns: 'focus' | 'iris' | 'zoom';
}

/** A lens support on the rods. What is not set is found. */
export interface SupportUse {
  id: string;
  part: string;
  /** Middle of its clamp, mm from the image plane. */
  station?: number;
  /** Rod plane to where the barrel rests, mm. */
  post?: number;
}

/** A follow focus or motor on the rods. What is not set is found. */
export interface DriveUse {
  id: string;
  part: string;
  turns: 'focus' | 'iris' | 'zoom';
  side?: 'left' | 'right';
  /** Middle of its clamp, mm from the image plane. */
  station?: number;
  /** Where its gear meets the lens gear, degrees about the axis: 0 camera right, 90 above. */
  angle?: number;
  flipped?: boolean;
  arm?: string;
  /** What feeds it: a fitted part and one of its outlets. */
  outlet?: { from: string; id: string };
  /** The gear is fitted reversed. */
  reversed?: boolean;
  /** Hand unit that works this motor. */
  unit?: string;
}

/** A part that stands against another one: a handle on the cage, a battery plate on the rods. */
export interface FittedUse {
  id: string;
  part: string;
  /** Id of the fitted part it stands against; the camera itself when absent. */
  to?: string;
  /** The face it stands against; `rods` clamps it to them. */
  on: 'top' | 'bottom' | 'left' | 'right' | 'front' | 'rear' | 'rods';
  /** Moved from the middle of that face, and away from it, mm in the frame of reference. */
  x?: number;
  y?: number;
  z?: number;
  /** On rods: its front face, mm from the image plane. */
  station?: number;
  /** Turned about the optical axis, degrees. */
  turn?: number;
}

/** What the rig has to stay inside of, mm. */
export interface SpaceLimits {
  /** What sets them: a cabin, a hatch, a case. */
  name?: string;
  height?: number;
  width?: number;
  length?: number;
  /** Height that the lowest part of the rig stands at. */
  standsAt?: number;
}

/** The light that is there, and how the camera is set to it. */
export interface LightUse {
  /** Scene light as exposure value at ISO 100. */
  ev?: number;
  iso?: number;
  fps?: number;
  /** Shutter angle, degrees. */
  angle?: number;
  /** Profile of the body that is recorded with. */
  profile?: string;
  /** Mains that feed the lamps, Hz. */
  mains?: 50 | 60;
  /** Side that a hard light comes from, and how far off the axis it stands, degrees. */
  from?: Side;
  at?: number;
  /** Flare is wanted: nothing should keep that light off the glass. */
  flare?: boolean;
}

/** One edit of one field: where, and what it becomes (undefined takes it away). */
export interface Change {
  path: string[];
  value?: unknown;
  /** Index to insert at, when a list gets its element back. */
  at?: number;
  /**
   * Taking away: lists and groups from this depth of the path on go too when nothing is left in
   * them. What came into being with a field goes with it, and what another window put beside it stays.
   */
  prune?: number;
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
  rods?: RodUse[];
  gears?: GearUse[];
  supports?: SupportUse[];
  drives?: DriveUse[];
  fitted?: FittedUse[];
  /** The screen is not folded out. */
  screenShut?: boolean;
  /** The lens's own foot is tied to plate, cage or rods. */
  footTied?: boolean;
  /** Place of the body's filter wheel that is turned in; the clear one when absent. */
  wheel?: string;
  /** A hand turns this ring on the barrel itself. */
  hand?: 'focus' | 'zoom';
  limits?: SpaceLimits;
  light?: LightUse;
  reference?: string;
  /** What stood between body and lens when a lens was last on, by the id of the lens. */
  lenses?: Record<string, { between?: LinkUse[] }>;
  configurations?: Configuration[];
  /** What is kept with it and no role of this version reads. */
  unread?: { uses?: unknown[]; joints?: unknown[]; links?: unknown[] };
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
  /** What is kept with it and nothing of this version reads. */
  rest?: { records?: unknown[] };
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
/** Whether the height of a plate is a range that it can be set in. */
export function isSettable(plate: Plate): boolean {
  return plate.heightFrom !== undefined || plate.heightTo !== undefined;
}
export function isRiser(p: Part | null | undefined): p is Riser {
  return p?.kind === 'riser';
}

export function isRods(p: Part | null | undefined): p is Rods {
  return p?.kind === 'rods';
}
export function isGearRing(p: Part | null | undefined): p is GearRing {
  return p?.kind === 'gear-ring';
}
export function isSupport(p: Part | null | undefined): p is LensSupport {
  return p?.kind === 'lens-support';
}
export function isFollowFocus(p: Part | null | undefined): p is FollowFocus {
  return p?.kind === 'follow-focus';
}
export function isMotor(p: Part | null | undefined): p is Motor {
  return p?.kind === 'motor';
}
export function isDrive(p: Part | null | undefined): p is Drive {
  return p?.kind === 'follow-focus' || p?.kind === 'motor';
}
export function isDriveArm(p: Part | null | undefined): p is DriveArm {
  return p?.kind === 'drive-arm';
}
export function isFitting(p: Part | null | undefined): p is Fitting {
  return p !== null && p !== undefined && FITTING_KINDS.some((k) => k === p.kind);
}

/** How many of this piece are on hand; a part that does not say counts as one. */
export function onHand(p: Part): number {
  return p.count ?? 1;
}
