import type { Built } from '../build/build';
import type { Verdict } from '../checks/finding';
import type { Edit } from './edit';

/** A change worth trying for a finding. */
export interface Candidate {
  edit: Edit;
  parts: number;
  toHire: number;
  /** Order among equals: what people try first. */
  order: number;
  /** It takes away what somebody put there for a reason: tried, and offered after the others. */
  givesUp?: boolean;
  /** Of several fixes with the same family only the best two are offered. */
  family: string;
}

/** Which candidates are worth trying for a finding. */
export type Generator = (built: Built, finding: Verdict) => Candidate[];

export function candidate(
  edit: Edit,
  parts: number,
  order: number,
  family: string,
  toHire = 0,
): Candidate {
  return { edit, parts, order, family, toHire };
}
