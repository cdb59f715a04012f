import type { QuantityInput } from '../quantity/quantity';

/** What was tried, tested and measured by hand, as it is read. */

/** All that was noted of a job. */
export interface Noted {
  trials?: Trial[];
  markTests?: MarkTestRecord[];
  weighings?: Weighing[];
  runs?: PackRun[];
  packMarks?: PackMark[];
  cardRuns?: CardRun[];
  pulls?: MotorPull[];
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

/** A piece on a rig that was measured: where it was, so that what is moved later can be told. */
export interface SeenPiece {
  part: string;
  /** The piece by its key on the rig. */
  key: string;
  /** Middle of its solids, x, y and z in the frame of reference, and their size, mm. */
  at: readonly [number, number, number];
  size: readonly [number, number, number];
  /** Its weight off that middle as it was taken, and how loose that was, mm; none: not known. */
  off: readonly [number, number, number];
  loose?: readonly [number, number, number];
}

/** What a scale, an edge or a level said of a whole rig or of some of it. */
export interface Weighing {
  id: string;
  /** Parts that were on, each once. */
  parts: string[];
  /** The rig it was. */
  rig?: string;
  when?: string;
  role?: string;
  note?: string;
  /** Weighed on a scale; balanced on an edge; hung and its lean read. */
  what: 'scale' | 'edge' | 'hung';
  /**
   * Scale: g. Edge: where it balanced, mm in the frame of reference. Hung: degrees, nose or right
   * side down above 0.
   */
  value: QuantityInput;
  /** Edge: the axis along which it balanced. Hung: nose (z) or roll (x). */
  axis?: 'x' | 'y' | 'z';
  on: SeenPiece[];
  /** Hung: where it was held, mm in the frame of reference, and which of its sides was on top. */
  hold?: readonly [number, number, number];
  upright?: 'left' | 'right';
  /** What was forecast before it was measured. */
  forecast?: { value: number; lo: number; hi: number };
}

/** What a recording put on the cards of a rig: how long it was, and how large. */
export interface CardRun {
  id: string;
  /** The camera, then the cards that were in. */
  parts: string[];
  rig?: string;
  when?: string;
  role?: string;
  /** The mode that was recorded in, by id. */
  mode: string;
  minutes: number;
  /** Decimal, as the camera or the copy shows it. */
  gigabytes: number;
  /** Nothing was recorded: made up for trying it out. */
  standIn?: boolean;
}

/** A pull of a ring by a motor that was tried on a rig. */
export interface MotorPull {
  id: string;
  /** The motor, then the lens. */
  parts: string[];
  rig?: string;
  when?: string;
  role?: string;
  /** The motor by its use, and what fed it: a use and its outlet. */
  drive: string;
  source: string;
  outlet: string;
  went: Went;
  /** What was read where its lead goes in, V; what was shown of the pack, percent. */
  volts?: number;
  left?: number;
  /** Nothing pulled: made up for trying it out. */
  standIn?: boolean;
}

/** How a pull went: through to the other end, slowly, or not. */
export const WENT = ['through', 'slowly', 'stalled'] as const;
export type Went = (typeof WENT)[number];

/** How one pack, or one card, out of several was left when it was last looked at. */
export interface PackMark {
  id: string;
  /** The pack or the card, by the id of its part, alone. */
  parts: string[];
  /** Which of as many as there are of it, from 1. */
  n: number;
  state: PackState | CardState;
  when?: string;
  role?: string;
}

/** What was set aside had a fault: it is not used, whatever is in it. */
export const PACK_STATES = ['full', 'in-use', 'part', 'empty', 'aside'] as const;
export type PackState = (typeof PACK_STATES)[number];
export const CARD_STATES = ['empty', 'in-use', 'full', 'copied', 'aside'] as const;
export type CardState = (typeof CARD_STATES)[number];

/** What a pack, or all packs of a plate, gave on a rig: how long, and what their lamps said before and after. */
export interface PackRun {
  id: string;
  /** Packs that were on, each as often as it was. */
  parts: string[];
  rig?: string;
  when?: string;
  role?: string;
  note?: string;
  /** The plate, or the pack by itself: its use on the rig. */
  source: string;
  /** What hung on it, parts by id, each as often as it did. */
  fed: string[];
  hours: number;
  /** Percent that were shown at the beginning and at the end. */
  full: number;
  left: number;
  celsius?: number;
  /** Nothing ran: a pack that was made up for trying it out. */
  standIn?: boolean;
  /** Hours that were forecast before, from full to where it is changed. */
  forecast?: { value: number; lo: number; hi: number };
}
