import type { Given } from '../../../build/given';
import { constant, exactly, given } from '../../../build/given';
import { interfaceType, type InterfaceType } from '../kit/interfaces';
import type { Interface } from '../kit/parts';
import type { Part } from '../../../kit/types';
import type { NamedSeat } from './seats';

/** The screw of a joint: which side brings it, what it goes into. */
export interface Screwed {
  type: InterfaceType & { major: number; pitch: number };
  /** The side with the screw, and the side with the thread. */
  male: { part: Part; i: Interface };
  female: { part: Part; i: Interface };
  /** Length of the screw, and what of it is used up before it leaves its part. */
  length: Given;
  through: Given | null;
  gap: number;
  /** Usable depth of the thread. */
  depth: Given;
}

const hasScrew = (i: Interface) => i.length !== undefined || i.captive === true;
const hasThread = (i: Interface) => i.depth !== undefined || i.through === true;

/** The screw of a joint, when it is one of screws of one sort. */
export function screwOf(s: NamedSeat): Screwed | null {
  const type = interfaceType(s.by.type);
  if (!type || type.major === undefined || type.pitch === undefined) return null;
  if (s.at.type !== s.by.type) return null;
  const guest = { part: s.part as Part, i: s.by };
  const host = { part: s.host.part, i: s.at };
  // The guest brings it, unless the host says it has one and the guest has a thread.
  const turned = hasScrew(s.at) && !hasScrew(s.by) && hasThread(s.by);
  const [male, female] = turned ? [host, guest] : [guest, host];
  const own = s.use.screw;
  return {
    type: type as Screwed['type'],
    male,
    female,
    length:
      own === undefined
        ? given(male.part, 'interfaces', male.i.id, 'length')
        : constant('length of the screw', 'mm', exactly(own)),
    through:
      male.i.captive === true && own === undefined
        ? null
        : given(male.part, 'interfaces', male.i.id, 'thickness'),
    gap: s.use.gap ?? 0,
    depth: given(female.part, 'interfaces', female.i.id, 'depth'),
  };
}

/**
 * How far a screw goes into the part it holds on to, mm: its length less what it goes through, or
 * what a captive one stands out, less the gap. Source: handbook of the trade, elementary.
 */
export function bite(length: number, through: number, gap: number): number {
  return length - through - gap;
}

/** Turns that are engaged: as deep as the thread goes, at most. */
export function turns(into: number, depth: number, pitch: number): number {
  return Math.min(into, depth) / pitch;
}
