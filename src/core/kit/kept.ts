import type { Face } from '../engine/part';
import type {
  Change,
  Frame,
  LightUse,
  Mount,
  Part,
  Position,
  JobGoal,
  RuleChoice,
  CarryUse,
  SpaceLimits,
} from './types';

/**
 * A job as it is kept, sent and undone: format version 5. A rig is one list of uses, what holds
 * them (joints) and what feeds them (links). Every element of a list has an id that begins with a
 * letter and is changed by itself; no field is ever null, so that null can mean "not said here" in
 * a layer. What is worked out of a job reads it by roles instead: `kit/types.ts`, `read-rig.ts`.
 */

/** A piece on the rig. */
export interface Use {
  id: string;
  role: string;
  part: string;
  /** What its role lets be set and is not where it sits. */
  set?: Record<string, unknown>;
  /** What an older version kept with it under names that meant nothing. */
  carried?: Record<string, unknown>;
  [later: string]: unknown;
}

/** One side of a joint; a host without a use is found by the role. */
export interface End {
  use?: string;
  interface?: string;
  face?: string;
}

/** Where in its host a use sits. What is absent is found. */
export interface Place {
  /** From the middle of the face, mm in the frame of reference. */
  x?: number;
  y?: number;
  z?: number;
  /** Mm from the image plane, of the datum that the role names. */
  station?: number;
  /** Degrees about the axis of what it sits on. */
  turn?: number;
  /** In a row of holes the first one taken, from 0; along what it slides on, mm from the middle. */
  n?: number;
  slide?: number;
  /** Between the two faces, mm. */
  gap?: number;
  /** Place in a row, from the camera outwards; equal ones go by id. */
  order?: number;
  side?: 'left' | 'right';
  end?: 'through' | 'front' | 'rear';
  [later: string]: unknown;
}

/** What holds what. The joint with the id of a use seats that use; any other one ties it. */
export interface Joint {
  id: string;
  kind: string;
  guest: End & { use: string };
  host?: End;
  place?: Place;
  /** Length of the screw in it, mm, where another than the guest's own. */
  screw?: number;
  tight?: 'snug' | 'firm' | 'critical';
  signed?: string;
  /** A second tie holds the guest if this lets go. */
  line?: boolean;
  /** In, out, folded: how the guest is slid and turned to and fro. */
  positions?: Position[];
  [later: string]: unknown;
}

/** What feeds or sends. */
export interface Link {
  id: string;
  kind: string;
  from: { use: string; port?: string };
  to: { use: string; port?: string };
  /** The use that is the lead between them. */
  lead?: string;
  /** Its plugs are tied or clamped, so that nobody pulls them out. */
  tied?: boolean;
  /** How often it is tied on its way, besides at its plugs. */
  ties?: number;
  /** Places that it is tied to on its way, in order. */
  via?: { id: string; use: string; face: Face; x?: number; y?: number; z?: number }[];
  /** Where its outlet has a switch: set over, or as it is sold. */
  switched?: boolean;
  [later: string]: unknown;
}

/** Uses and joints that a rig puts back, by id. */
export interface Remembered {
  uses: Record<string, Omit<Use, 'id'>>;
  joints: Record<string, Omit<Joint, 'id'>>;
}

export interface ConfigurationDoc {
  id: string;
  name: string;
  /** The difference over the rig: its own paths, lists become maps by id. */
  over: Record<string, unknown>;
  carried?: { changes?: Change[]; [other: string]: unknown };
  [later: string]: unknown;
}

export interface RigDoc {
  id: string;
  name: string;
  mode?: string;
  frames: Frame[];
  focal?: number;
  stop?: number;
  focus?: number;
  reference?: string;
  light?: LightUse;
  limits?: SpaceLimits;
  carry?: CarryUse;
  upright?: 'left' | 'right';
  hold?: string;
  overhead?: boolean;
  celsius?: number;
  uses: Use[];
  joints: Joint[];
  links: Link[];
  /**
   * How the rig was set when a lens was last on, by the lens: with the lens itself among the uses all
   * that was on it, else what stood between.
   */
  remembered?: Record<string, Remembered>;
  configurations?: ConfigurationDoc[];
  carried?: Record<string, unknown>;
}

/** Something that was done or seen, and what it is about. */
export interface JobRecord {
  id: string;
  at?: string;
  role?: string;
  kind: string;
  about: { parts?: string[]; rig?: string; [other: string]: unknown };
  data: Record<string, unknown>;
  [later: string]: unknown;
}

export interface JobDoc {
  format: 'nelvix-job';
  version: number;
  id: string;
  name: string;
  note?: string;
  mounts?: Mount[];
  aliases?: Record<string, string>;
  kit: Part[];
  lensSet?: { id: string }[];
  rigs: RigDoc[];
  rules?: RuleChoice;
  goal?: JobGoal;
  records?: JobRecord[];
}

/** What a rig keeps that no role of this version reads. */
export interface Unread {
  uses?: Use[];
  joints?: Joint[];
  links?: Link[];
}
