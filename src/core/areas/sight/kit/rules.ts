import type { Rule } from '../../../engine/rule';

/** House rules of this subject; their reasons stand in `rules/reasons.ts`. */
export const rules = [
  {
    id: 'sight.air',
    unit: 'mm',
    kind: 'number',
    house: 2,
    strict: 5,
    light: 0,
    min: 0,
    max: 50,
    stricter: 'more',
  },
] as const satisfies readonly Rule[];
