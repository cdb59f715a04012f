import type { PartBase } from '../../../engine/part';
import type { QuantityInput } from '../../../quantity/quantity';

/** What goes into a slot of the camera, and into no socket. */
export const SLOT = 'slot';

/** A card or drive that is recorded on. */
export interface Card extends PartBase {
  kind: 'card';
  /** Decimal gigabytes. */
  gigabytes?: QuantityInput;
  /** What it writes for as long as it takes, MB/s: not the figure of its label. */
  sustained?: QuantityInput;
  /** Plug of its lead, by id, or a slot. */
  plug?: string;
}

/** What cards are copied with. */
export interface Reader extends PartBase {
  kind: 'reader';
  /** What it reads off a card for as long as it takes, MB/s: not the figure of its label. */
  copies?: QuantityInput;
  /** Cards and drives that it takes, by id. */
  madeFor?: string[];
}
