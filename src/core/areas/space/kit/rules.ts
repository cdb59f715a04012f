import type { Rule } from '../../../engine/rule';

/** House rules of this subject; their reasons stand in `rules/reasons.ts`. */
export const rules = [
  {
    id: 'space.air',
    name: 'air between parts that stand still',
    unit: 'mm',
    kind: 'number',
    house: 2,
    strict: 3,
    light: 1,
    min: 0,
    max: 30,
    stricter: 'more',
  },
  {
    id: 'space.air-moving',
    name: 'air around what moves',
    unit: 'mm',
    kind: 'number',
    house: 5,
    strict: 8,
    light: 3,
    min: 0,
    max: 50,
    stricter: 'more',
  },
  {
    id: 'space.change',
    name: 'pieces that may come off at a lens change',
    unit: '',
    kind: 'number',
    house: 3,
    strict: 2,
    light: 5,
    min: 0,
    max: 30,
    stricter: 'less',
  },
] as const satisfies readonly Rule[];
