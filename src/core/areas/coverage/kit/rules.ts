import type { Rule } from '../../../engine/rule';

/** House rules of this subject; their reasons stand in `rules/reasons.ts`. */
export const rules = [
  {
    id: 'coverage.margin',
    unit: 'mm',
    kind: 'number',
    house: 0,
    strict: 0.5,
    light: 0,
    min: 0,
    max: 10,
    stricter: 'more',
  },
  {
    id: 'coverage.clean-gate',
    unit: '',
    kind: 'switch',
    house: 0,
    strict: 1,
    light: 0,
    min: 0,
    max: 1,
    stricter: 'more',
  },
  {
    id: 'coverage.upscale',
    unit: 'x',
    kind: 'number',
    house: 1.2,
    strict: 1,
    light: 1.35,
    min: 1,
    max: 4,
    stricter: 'less',
  },
] as const satisfies readonly Rule[];
