import { BLOCK, clampLength, COMMON, HELD, VENTS, type Field } from '../../../engine/field';
import { INTERFACES } from '../../joints/kit/field';
import { rodSystem } from '../../rods/kit/system-field';

/** A part that takes up room, holds, weighs; with what its sort says besides. */
export const fitting = (...more: Field[]): readonly Field[] => [
  COMMON[0]!,
  ...BLOCK,
  ...more,
  VENTS,
  INTERFACES,
  ...HELD,
  { ...rodSystem, first: false },
  { ...clampLength, first: false },
  ...COMMON.slice(1),
];
