import type { Carries, Outlet, PartBase } from '../../../engine/part';
import type { QuantityInput } from '../../../quantity/quantity';

/** A lead between two sockets. */
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
  /** At which of its ends it turns aside at once. */
  elbows?: 'none' | 'source' | 'device' | 'both';
  /** It is a coil: as long as its length at rest, and as far as it stretches, mm. */
  coiled?: boolean;
  stretches?: QuantityInput;
  /** What goes through it; by its plugs where nobody said. */
  carries?: Carries | 'power' | 'power-data';
  /** What goes through it besides, and the plugs of that; the same ones where it has no others. */
  carriesToo?: Carries;
  plugToo?: string;
  plugTooTo?: string;
}

/** What fills packs, some at once. */
export interface Charger extends PartBase {
  kind: 'charger';
  /** Packs that it fills at the same time. */
  bays?: number;
  /** What each of those gets while all of them are full of packs, W. */
  bayWatts?: QuantityInput;
  /** Batteries that go on it, by id. */
  madeFor?: string[];
}

/** What gives from the mains, and stands on the floor beside the rig. */
export interface MainsUnit extends PartBase {
  kind: 'mains-unit';
  outlets?: Outlet[];
}
