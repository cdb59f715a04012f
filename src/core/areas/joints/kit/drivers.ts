/** What a screw is turned with, and the room that the tool takes on its axis. */

export interface Driver {
  id: string;
  /** As it is said: `hex key 4 mm`. */
  name: string;
  /** Which set of tools it is from; keys of the two are never mixed up. */
  system: 'metric' | 'inch' | 'none';
  /** Nothing has to be fetched for it. */
  free?: true;
  /** Diameter that it takes on the axis of the screw, mm. */
  diameter: number;
  /** Straight on the axis: how long it stands out. */
  long: number;
  /** Bent keys: how far the short arm stands out, with the long one across it. */
  short?: number;
}

/**
 * Hex keys by size across flats, mm: long and short arm. Source: ISO 2936, from memory; inch keys
 * have the arms of the metric key next in size.
 */
const HEX: readonly (readonly [
  id: string,
  name: string,
  flats: number,
  long: number,
  short: number,
])[] = [
  ['hex-1-5', 'hex key 1.5 mm', 1.5, 46.5, 15.5],
  ['hex-2', 'hex key 2 mm', 2, 52, 18],
  ['hex-2-5', 'hex key 2.5 mm', 2.5, 58.5, 20.5],
  ['hex-3', 'hex key 3 mm', 3, 66, 23],
  ['hex-4', 'hex key 4 mm', 4, 74, 29],
  ['hex-5', 'hex key 5 mm', 5, 85, 33],
  ['hex-6', 'hex key 6 mm', 6, 96, 38],
];

const INCH: typeof HEX = [
  ['hex-5-64', 'hex key 5/64 in', 1.984, 52, 18],
  ['hex-3-32', 'hex key 3/32 in', 2.381, 58.5, 20.5],
  ['hex-1-8', 'hex key 1/8 in', 3.175, 66, 23],
  ['hex-5-32', 'hex key 5/32 in', 3.969, 74, 29],
  ['hex-3-16', 'hex key 3/16 in', 4.763, 85, 33],
];

/** Across the corners of a hexagon, by the distance across its flats. */
const corners = (flats: number) => (flats * 2) / Math.sqrt(3);

const keys = (list: typeof HEX, system: 'metric' | 'inch'): Driver[] =>
  list.map(([id, name, flats, long, short]) => ({
    id,
    name,
    system,
    diameter: corners(flats),
    long,
    short,
  }));

/** Every tool there is. Drivers with a handle and fingers: common practice, no source. */
export const DRIVERS: readonly Driver[] = [
  ...keys(HEX, 'metric'),
  ...keys(INCH, 'inch'),
  { id: 'slot', name: 'slot driver', system: 'none', diameter: 25, long: 120 },
  { id: 'cross', name: 'cross driver', system: 'none', diameter: 25, long: 120 },
  { id: 'coin', name: 'coin', system: 'none', diameter: 24, long: 24 },
  { id: 'fingers', name: 'fingers', system: 'none', free: true, diameter: 40, long: 20 },
  { id: 'lever', name: 'lever', system: 'none', free: true, diameter: 0, long: 0 },
  { id: 'button', name: 'button', system: 'none', free: true, diameter: 20, long: 25 },
];

const BY_ID = new Map(DRIVERS.map((d) => [d.id, d]));

/** A tool by its id; null when nobody said which, or this build does not know it. */
export function driverOf(id: string | undefined): Driver | null {
  return id === undefined ? null : (BY_ID.get(id) ?? null);
}
