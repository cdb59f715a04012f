import type { Rule } from '../../../engine/rule';

/** House rules of this subject; their reasons stand in `rules/reasons.ts`. */
export const rules = [
  {
    id: 'carry.twist',
    name: 'leverage on a single screw',
    unit: 'N m',
    kind: 'number',
    house: 0.3,
    strict: 0.2,
    light: 0.6,
    min: 0,
    max: 10,
    stricter: 'less',
  },
] as const satisfies readonly Rule[];
