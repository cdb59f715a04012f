import { given, type Given } from '../../../build/given';
import type { Lead } from '../../../kit/types';

/** How far a lead reaches, mm: all of it, a coil as far as it stretches. */
export const reachLength = (lead: Lead): Given =>
  lead.coiled === true ? pulledOut(lead) : given(lead, 'length');

/**
 * How long its wires are, mm: as far as it stretches where somebody said that, whether it is called a
 * coil or not.
 */
export const wireLength = (lead: Lead): Given =>
  lead.coiled === true || lead.stretches !== undefined ? pulledOut(lead) : given(lead, 'length');

/** Pulled out it is never shorter than it is at rest, whatever is written. */
function pulledOut(lead: Lead): Given {
  const [rest, out] = [given(lead, 'length'), given(lead, 'stretches')];
  return rest.known && out.known && out.known.value < rest.known.value ? rest : out;
}
