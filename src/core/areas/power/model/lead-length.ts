import { given, type Given } from '../../../build/given';
import type { Lead } from '../../../kit/types';

/** How far a lead reaches, mm: all of it, a coil as far as it stretches. */
export const reachLength = (lead: Lead): Given =>
  given(lead, lead.coiled === true ? 'stretches' : 'length');

/**
 * How long its wires are, mm: as far as it stretches where somebody said that, whether it is called a
 * coil or not.
 */
export const wireLength = (lead: Lead): Given =>
  given(lead, lead.coiled === true || lead.stretches !== undefined ? 'stretches' : 'length');
