import type { PartBase } from '../../../engine/part';
import type { QuantityInput } from '../../../quantity/quantity';

/** A lead from an outlet to what it feeds. */
export interface Lead extends PartBase {
  kind: 'lead';
  /** From plug to plug, mm. */
  length?: QuantityInput;
  /** Cross-section of one conductor, mm2. */
  copper?: QuantityInput;
  /** Its plugs, by id. */
  plug?: string;
  plugTo?: string;
  /** Outside diameter, mm. */
  width?: QuantityInput;
}
