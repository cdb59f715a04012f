import type { Rule } from '../../../engine/rule';

/** House rules of this subject; their reasons stand in `rules/reasons.ts`. */
export const rules = [
  {
    id: 'power.usable',
    unit: 'x',
    kind: 'number',
    house: 0.85,
    strict: 0.7,
    light: 0.95,
    min: 0.2,
    max: 1,
    stricter: 'less',
  },
  {
    id: 'power.volts-reserve',
    unit: 'V',
    kind: 'number',
    house: 0.3,
    strict: 0.8,
    light: 0,
    min: 0,
    max: 5,
    stricter: 'more',
  },
  {
    id: 'power.efficiency',
    unit: 'x',
    kind: 'number',
    house: 0.88,
    strict: 0.8,
    light: 0.95,
    min: 0.3,
    max: 1,
    stricter: 'less',
  },
  {
    id: 'power.swap-all',
    unit: '',
    kind: 'switch',
    house: 0,
    strict: 1,
    light: 0,
    min: 0,
    max: 1,
    stricter: 'more',
  },
] as const satisfies readonly Rule[];
