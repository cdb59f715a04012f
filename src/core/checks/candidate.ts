import { onHand } from '../kit/types';
import type { Part } from '../kit/types';
import type { Built } from '../build/build';
import type { Edit } from '../edit/edit';
import type { Verdict } from './finding';

/** How many of these would have to be hired. */
export const hire = (...parts: readonly Part[]): number =>
  parts.filter((p) => onHand(p) < 1).length;

/** The parts that are looked through. */
export const kitOf = (built: Built): Part[] => [...built.kit.values()];

/** A change worth trying for a finding. */
export interface Candidate {
  edit: Edit;
  parts: number;
  toHire: number;
  /** Order among equals: what people try first. */
  order: number;
  /** It takes away what somebody put there for a reason: tried, and offered after the others. */
  givesUp?: boolean;
  /** It may bring in a number that nobody measured: offered then as measured first. */
  measureFirst?: true;
  /** Of several fixes with the same family only the best two are offered. */
  family: string;
}

/** Which candidates are worth trying for a finding of an area. */
export type Generator = (built: Built, finding: Verdict, area: string | null) => Candidate[];

/**
 * A change worth trying.
 *
 * @param parts pieces that are touched, @param order among equals: what people try first
 * @param family of several of one family the best two are offered, @param toHire pieces not on hand
 */
export function candidate(
  edit: Edit,
  parts: number,
  order: number,
  family: string,
  toHire = 0,
): Candidate {
  return { edit, parts, order, family, toHire };
}
