import type { PartBase } from '../../../engine/part';
import type { QuantityInput } from '../../../quantity/quantity';

/** What holds the lens up. */

export interface LensSupport extends PartBase {
  kind: 'lens-support';
  rods?: string;
  /** Rod plane to where the barrel rests: lowest and highest. */
  postFrom?: QuantityInput;
  postTo?: QuantityInput;
  cradleWidth?: QuantityInput;
  clampLength?: QuantityInput;
  /** It closes around the barrel: it holds from the side and from above as well. */
  around?: boolean;
}
