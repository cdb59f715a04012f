import type { FilterType } from '../../front/kit/parts';
import type { PartBase, WheelPlace, FalloffRow } from '../../../engine/part';
import type { QuantityInput } from '../../../quantity/quantity';

/** What stands between body and lens. */

/** What adapters and reducers have in common. */
export interface LinkFields {
  /** Mount that takes the lens. */
  lensMount?: string;
  /** Mount that goes to the body. */
  bodyMount?: string;
  length?: QuantityInput;
  outerDiameter?: QuantityInput;
  /** Clear bore, when it is narrower than its mounts. */
  bore?: QuantityInput;
  play?: QuantityInput;
  foot?: boolean;
  /** Middle of the foot ahead of the body-side mount face, its length, and axis to its bottom. */
  footAt?: QuantityInput;
  footLength?: QuantityInput;
  footDown?: QuantityInput;
  /** Moment its lens mount bears, N m, when its maker says. */
  mountMoment?: QuantityInput;
  passesControl?: boolean;
}

export interface Adapter extends PartBase, LinkFields {
  kind: 'adapter';
  /** Thickness of the glass in the drop-in slot, when there is a slot. */
  slotGlass?: QuantityInput;
  slotIndex?: QuantityInput;
  /** Whether the length already allows for the glass. */
  slotAllowedFor?: boolean;
  /** What the glass in the slot does to the light. */
  slotType?: FilterType;
  slotStops?: QuantityInput;
  slotStopsTo?: QuantityInput;
  /** Several filters for its slot, or a wheel in it; all of the thickness given above. */
  wheel?: WheelPlace[];
}

export interface Reducer extends PartBase, LinkFields {
  kind: 'reducer';
  magnification?: QuantityInput;
  exitCircle?: QuantityInput;
  fastestStop?: QuantityInput;
  rearProtrusion?: QuantityInput;
  rearDiameter?: QuantityInput;
  /** Free depth behind its lens mount before its own first glass. */
  frontClearance?: QuantityInput;
  /** Error of its back focus as set, positive: too far out. */
  backFocus?: QuantityInput;
  /** Bodies it is made for, by id, or by name when they are not in the kit. */
  madeFor?: string[];
  /** Light its own glass loses towards the corner of the chip, at full stop. */
  falloff?: FalloffRow[];
}
