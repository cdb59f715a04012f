import type { Rule } from '../../../engine/rule';

/** House rules of this subject; their reasons stand in `rules/reasons.ts`. */
export const rules = [
  {
    id: 'media.spare',
    unit: 'x',
    kind: 'number',
    house: 1.2,
    strict: 1.5,
    light: 1,
    min: 1,
    max: 5,
    stricter: 'more',
  },
  {
    id: 'media.rolling',
    unit: 'x',
    kind: 'number',
    house: 0.3,
    strict: 0.6,
    light: 0.15,
    min: 0.01,
    max: 1,
    stricter: 'more',
  },
  {
    id: 'media.passes',
    unit: 'x',
    kind: 'number',
    house: 2,
    strict: 3,
    light: 1,
    min: 1,
    max: 6,
    stricter: 'more',
  },
] as const satisfies readonly Rule[];
