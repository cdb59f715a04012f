import type { PartBase } from '../../../engine/part';
import type { QuantityInput } from '../../../quantity/quantity';

/** What a rig is carried by. */

export const CARRIER_KINDS = [
  'head',
  'legs',
  'gimbal',
  'vest',
  'monopod',
  'vehicle-mount',
  'strap',
] as const;

export type CarrierKind = (typeof CARRIER_KINDS)[number];

/** What a rig stands on, hangs from or is worn on; what a kind does not have stays away. */
export interface Carrier extends PartBase {
  kind: CarrierKind;
  /** As its maker states it, g. */
  bears?: QuantityInput;
  /** Heads: plate over the tilt axis, travel of the plate, counterbalance at 90 degrees. */
  tiltAxis?: QuantityInput;
  slideTravel?: QuantityInput;
  counterFrom?: QuantityInput;
  counterTo?: QuantityInput;
  steps?: number;
  baseHeight?: QuantityInput;
  /** Legs, monopods: floor to where the head or the plate stands. */
  heightFrom?: QuantityInput;
  heightTo?: QuantityInput;
  spread?: QuantityInput;
  /** Gimbals: between the arms, behind the roll axis, travels, plate under the tilt axis. */
  between?: QuantityInput;
  behind?: QuantityInput;
  travelFore?: QuantityInput;
  travelSide?: QuantityInput;
  plateLow?: QuantityInput;
  plateHigh?: QuantityInput;
  /** Vests: the lightest that it lifts, g. */
  liftFrom?: QuantityInput;
  reach?: QuantityInput;
  cups?: number;
  cup?: QuantityInput;
  width?: QuantityInput;
}
