import type { End, Joint, Link, Use } from '../kit/kept';
import type { Change, Job, Part, PortAt, Rig, TieOn } from '../kit/types';
import type { Edit } from './edit';

/**
 * A role: what a piece is on a rig as. It stands in one file: which parts it takes and how it is
 * kept. Reading and writing a rig, validation, lists of what is on a rig, putting a part on, taking
 * it off, taking it out of the kit and the command line all follow from the list of roles; where
 * more has to follow (a clip-on box brings what it is clamped with) the moves of its area say so.
 */
export interface Role {
  /** As it stands in a file. */
  id: string;
  /** Kinds of parts that it takes, and what they are called together: `a ring or filter`. */
  kinds: readonly string[];
  what: string;
  /** It stands on a rig once. */
  once?: true;
  /** Fields without which it says nothing: of what is set, of where it sits. */
  needs?: { set?: string; place?: string };
  /** How it is read; none for what is read in a way of its own (camera, matte box). */
  list?: ListRole;
  /** Parts that stand on a rig in this role, once for each piece, when it is not read as a list. */
  parts?(rig: Rig): readonly (string | null | undefined)[];
}

/** What can be done with a piece in its role. What is not said is done by the list it is read as. */
export interface RoleMoves {
  /**
   * The move that puts a part on, with what follows from it.
   *
   * @returns null where there is no place for it, or it is in already; undefined where this role is
   *   not for such a piece
   */
  put?(job: Job, rig: Rig, part: Part): Edit | null | undefined;
  /** What can be taken away or turned over, for the command line. */
  deeds?(job: Job, rig: Rig): readonly Deed[];
  /** What a figure or a word of its own means when it is typed: `35` on a zoom, `t2.8`. */
  typed?(job: Job, rig: Rig, text: string): readonly Deed[];
  /** Changes that take a part off wherever it stands in this role, with what hangs on it. */
  without?(rig: Rig, part: Part): readonly Change[];
}

/** An edit of the command line; `words` is what it answers to besides its title. */
export type Deed = Edit & { words?: string };

export type Fields = Record<string, unknown>;

/** What every element of a list that a role is read as says. */
export interface Element {
  id?: string;
  part: string;
}

/** Elements of a list of a rig as it is read, by the name of the list. */
export function elementsOf(rig: Rig, list: string): readonly Element[] {
  return (rig as unknown as Readonly<Record<string, readonly Element[] | undefined>>)[list] ?? [];
}

/** How a role is kept as a use and the joint that seats it. */
export interface ListRole {
  /** What it is called on the rig as it is read. */
  list: string;
  /** Kind of the joint that seats it. */
  seat: string;
  /** Fields that it lets be set. */
  set: readonly string[];
  /** Fields of where it sits, by what the joint calls them. */
  place: Readonly<Record<string, string>>;
  /** Fields of the joint that seats it, by their names there. */
  joint?: readonly string[];
  /** Its place in the row means something. */
  row?: true;
  /** What was named by its part alone goes without an id when it is read. */
  named?: true;
  /** What it is named by, when not by its part alone. */
  nameOf?(element: Fields): string;
  /** Fields that are written by {@link write} and {@link host}. */
  own?: readonly string[];
  /** What of an element is set besides. */
  alsoSet?(element: Fields): Fields;
  /** Reads those fields. */
  read?(kept: KeptRig, use: Use, element: Fields): void;
  /** How an element is seated, where the role alone does not say. */
  host?(rig: RigWriter, element: Fields): { kind: string; host?: End; interface?: string };
  /** Writes what belongs to an element besides its use and seat. */
  write?(rig: RigWriter, id: string, element: Fields): void;
}

/** A rig as it is kept, to be asked. */
export interface KeptRig {
  /** The joint that seats each use. */
  readonly seats: ReadonlyMap<string, Joint>;
  /** The joint by which a use is tied at its foot. */
  foot(use: string): Joint | undefined;
  /** What stands on a use in a role. */
  on(host: string, role: string): Use | undefined;
  /** The link that feeds a use. */
  power(to: string): Link | undefined;
  /** The link that feeds something by a lead. */
  powerBy(lead: string): Link | undefined;
  /** A use by its id. */
  use(id: string): Use | undefined;
  /** A link by its id. */
  link(id: string): Link | undefined;
  /** What a use is read as, where a lead may go to it. */
  deviceOf(use: string): Pick<PortAt, 'list' | 'id'> | undefined;
  /** What a use is read as, where a lead may be tied to it. */
  tieOf(use: string): TieOn | undefined;
}

/** What a joint says besides: the guest's own interface, and fields of the joint. */
export interface SeatMore {
  interface?: string;
  fields?: Fields;
}

/** A rig as it is being written. */
export interface RigWriter {
  /** The rig as it was kept before. */
  readonly kept: KeptRig;
  partOf(id: string): Part | undefined;
  /** Id of the use that an element of a list became. */
  idOf(list: string, id: string): string;
  /** The id that something was kept under, else a free one. */
  owned(kept: { id: string } | undefined, want: string, prefix: string): string;
  put(id: string, role: string, part: string, set?: Fields, carried?: Fields): void;
  seat(id: string, kind: string, host?: End, place?: Fields, more?: SeatMore): void;
  /** Ties a use at its foot. */
  tie(use: string): void;
  link(link: Link): void;
  /** The lead by which a use is fed, as it was written. */
  leadOf(use: string): string | undefined;
  /** The use that something a lead goes to, or is tied to, is kept as; undefined where that is not on the rig. */
  standsFor(on: TieOn): string | undefined;
}
