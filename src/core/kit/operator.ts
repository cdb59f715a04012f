import type { HoldKind } from './rig';

/**
 * Who holds the rig: heights, hands, what they can hold. It stays on the device of whoever it is of
 * and is in no file of a job; what rests on it is unknown where there is none.
 */
export interface Operator {
  /** Floor to the top of the shoulder, to the eyes, to the belt, and to a hand that hangs, mm. */
  shoulder?: number;
  eyes?: number;
  belt?: number;
  hand?: number;
  /** From the middle of the shoulder that carries to the cheek beside it, mm. */
  cheek?: number;
  /** The hand that holds, whose shoulder it is. */
  handed?: 'left' | 'right';
  /** What is to be spared: a wrist, the back. */
  spare?: string;
  /** The most one can just hold: in one hand, in two, on a shoulder, g. */
  one?: number;
  two?: number;
  onShoulder?: number;
  /** Times one has held something: what counts more than any rule. */
  times?: readonly { by: HoldKind; mass: number; minutes: number }[];
}

let chosen: Operator | null = null;

/** Set once before anything is worked out, and when somebody changes it: rigs read it from then on. */
export function operateAs(operator: Operator | null): void {
  chosen = operator;
}

export const operator = (): Operator | null => chosen;
