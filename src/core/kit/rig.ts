import type { CardUse, CarrierUse, DayEvent, MainsUse } from './beside';
import type { Side } from '../areas/front/kit/parts';
import type { Face, Mount } from '../engine/part';
import type { FedFrom, SignalUse } from './fed';
import type { Part } from './parts';
import type { Noted } from './records';

/** A rig and a job as they are read, by roles. How they are kept: `doc/types.ts`. */

export type { CardUse, CarrierUse, DayEvent, MainsUse } from './beside';

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
  /** The fitted part that is the single rod it stands on; the rods of the plate when absent. */
  on?: string;
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
  /** The single rod it is clamped to, a fitted part; the rods of the plate when absent. */
  on?: string;
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
  outlet?: FedFrom;
  /** The gear is fitted reversed. */
  reversed?: boolean;
  /** Hand unit that works this motor. */
  unit?: string;
  /** The single rod it is clamped to, a fitted part; the rods of the plate when absent. */
  on?: string;
}

/** A part that stands against another one: a handle on the cage, a battery plate on the rods. */
export interface FittedUse {
  id: string;
  part: string;
  /** Id of the fitted part it stands against; the camera itself when absent. */
  to?: string;
  /**
   * The face it stands against; `rods` clamps it to them, `under` is beneath all that stands under
   * the camera, `box` is on top of the matte box. With an interface of its host that interface
   * decides.
   */
  on: Face | 'rods' | 'under' | 'box';
  /** Interface of its host that holds it, and its own that is held. */
  at?: string;
  by?: string;
  /** In a row of holes the first that it takes, from 0. */
  n?: number;
  /** Along what it slides on, mm from the middle. */
  slide?: number;
  /** Air between the two faces that its screw bridges, or the shim in it, mm. */
  gap?: number;
  /** Length of the screw that is used, mm, where another than its own. */
  screw?: number;
  /** How tight: filters, cages and rods snug, all else firm; critical is signed off. */
  tight?: 'snug' | 'firm' | 'critical';
  /** Who signed a critical joint off, as a role. */
  signed?: string;
  /** A second tie, a line or strap, holds it if its joint lets go. */
  line?: boolean;
  /** Where it is slid and turned to and fro between, by name: in, out, folded. */
  positions?: Position[];
  outlet?: FedFrom;
  /** Moved from the middle of that face, and away from it, mm in the frame of reference. */
  x?: number;
  y?: number;
  z?: number;
  /** On rods: its front face, mm from the image plane. */
  station?: number;
  /** Turned about the optical axis, with an interface about the axis of that, degrees. */
  turn?: number;
}

/** One way a part is slid and turned on its joint, by what the crew call it. */
export interface Position {
  id: string;
  name: string;
  slide?: number;
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
  /** What all of it may weigh, g. */
  mass?: number;
}

/** How a rig is held: on a head, a shoulder, by a handle. */
export type HoldKind =
  | 'head'
  | 'shoulder'
  | 'handle'
  | 'hook'
  | 'two-grips'
  | 'one-grip'
  | 'hugged'
  | 'hip'
  | 'gimbal'
  | 'monopod'
  | 'table'
  | 'vehicle';

/** How a rig is carried, and what is wanted of that. What it is held by is `hold`. */
export interface CarryUse {
  by?: HoldKind;
  /** What it does besides: held on a shoulder, and set down on a table. */
  also?: HoldKind;
  /** Where it is held: off the middle of what it is held by, mm in the frame of reference. */
  x?: number;
  z?: number;
  /** What it may and should weigh, g. */
  least?: number;
  most?: number;
  /** Height of the optical axis over the floor, of the subject's eyes and of a ceiling, mm. */
  axis?: number;
  eyes?: number;
  ceiling?: number;
  /** How long it is held in one go, min. */
  minutes?: number;
}

/**
 * What is shot with a job's rigs, and how: what proposals are ranked by. Only its hours are judged: packs
 * and cards are held against them.
 */
export interface JobGoal {
  /** Id of a goal of the shelf. */
  shot?: string;
  hold?: 'legs' | 'shoulder' | 'hand' | 'gimbal';
  crew?: 'alone' | 'crew';
  /** The camera is held by its own grip, too: that side stays free for the hand. */
  grip?: 'free';
  /** Without changing a battery or a card, h. */
  hours?: number;
  /** From the first hour to the last of a day, h. */
  day?: number;
  /** What of the day must not be missed, and where there is time for a change. */
  events?: DayEvent[];
  /** In which packs can be charged, h. */
  night?: number;
  sound?: 'camera' | 'recorder' | 'none';
  light?: 'daylight' | 'indoors' | 'night';
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

/** What travels with a lens on a rig, and how the rig is set for it. */
export interface Dressing {
  thread?: ThreadUse[];
  gears?: GearUse[];
  supports?: SupportUse[];
  drives?: DriveUse[];
  box?: Pick<BoxUse, 'part' | 'ring' | 'station'>;
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
  /** The camera is turned on its side: which of its sides is on top; level when absent. */
  upright?: 'left' | 'right';
  cards?: CardUse[];
  mains?: MainsUse[];
  /** How cold or warm it is where it is shot, C; a room when absent. */
  celsius?: number;
  /** What feeds the camera. */
  outlet?: FedFrom;
  signals?: SignalUse[];
  limits?: SpaceLimits;
  light?: LightUse;
  reference?: string;
  /** The fitted part that the rig is held by; from below when absent. */
  hold?: string;
  carry?: CarryUse;
  carriers?: CarrierUse[];
  /** It is above somebody's head, or on a vehicle. */
  overhead?: boolean;
  /** How the rig was set when a lens was last on, by the id of the lens. */
  lenses?: Record<string, { between?: LinkUse[]; dressing?: Dressing }>;
  configurations?: Configuration[];
  /** What is kept with it and no role of this version reads. */
  unread?: { uses?: unknown[]; joints?: unknown[]; links?: unknown[] };
}

export interface RuleChoice {
  set: 'house' | 'strict' | 'light';
  values?: Record<string, number>;
}

/** A job with the kit it uses: one self-contained document. */
export interface Job extends Noted {
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
  goal?: JobGoal;
  /** What is kept with it and nothing of this version reads. */
  rest?: { records?: unknown[] };
}
