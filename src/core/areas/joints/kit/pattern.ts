import { valueOf } from '../../../quantity/quantity';
import type { Interface } from './parts';

/** How a row of screws sits in a row of holes. */
export interface Held {
  /** Holes that are taken. */
  held: number;
  /** Holes of the host from one taken to the next. */
  step: number;
}

/**
 * Which holes of a row a row of screws takes: as many as there are screws, as many holes apart as
 * comes nearest to their spacing.
 */
export function heldBy(host: Interface, guest: Interface): Held {
  const held = Math.max(1, guest.count ?? 1);
  if (held === 1) return { held, step: 1 };
  const [own, theirs] = [valueOf(guest.spacing), valueOf(host.spacing)];
  if (!own || !theirs) return { held, step: 1 };
  return { held, step: Math.max(1, Math.round(own / theirs)) };
}

/** First holes of a row that a guest can take. */
export function firstHoles(host: Interface, guest: Interface): number[] {
  const { held, step } = heldBy(host, guest);
  const last = (host.count ?? 1) - 1 - (held - 1) * step;
  return last < 0 ? [] : Array.from({ length: last + 1 }, (_, i) => i);
}

/** The holes that are taken from a first one on. */
export function holesTaken(host: Interface, guest: Interface, first: number): number[] {
  const { held, step } = heldBy(host, guest);
  return Array.from({ length: held }, (_, i) => first + i * step);
}
