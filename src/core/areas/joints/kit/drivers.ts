import { DRIVER_NAMES, FREE } from './driver-names';

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

/** Across flats, long and short arm of a hex key, mm. */
type Hex = readonly [flats: number, long: number, short: number];

/** Hex keys. Source: ISO 2936, from memory. */
const METRIC: Readonly<Record<string, Hex>> = {
  'hex-1-5': [1.5, 46.5, 15.5],
  'hex-2': [2, 52, 18],
  'hex-2-5': [2.5, 58.5, 20.5],
  'hex-3': [3, 66, 23],
  'hex-4': [4, 74, 29],
  'hex-5': [5, 85, 33],
  'hex-6': [6, 96, 38],
};

/** Inch keys have the arms of the metric key next in size. */
const INCH: typeof METRIC = {
  'hex-5-64': [1.984, 52, 18],
  'hex-3-32': [2.381, 58.5, 20.5],
  'hex-1-8': [3.175, 66, 23],
  'hex-5-32': [3.969, 74, 29],
  'hex-3-16': [4.763, 85, 33],
};

/** Drivers with a handle, and fingers: how wide, how long, mm. Common practice, no source. */
const OTHERS: Readonly<Record<string, readonly [diameter: number, long: number]>> = {
  slot: [25, 120],
  cross: [25, 120],
  coin: [24, 24],
  fingers: [40, 20],
  lever: [0, 0],
  button: [20, 25],
};

/** Across the corners of a hexagon, by the distance across its flats. */
const corners = (flats: number) => (flats * 2) / Math.sqrt(3);

/** Every tool there is. */
export const DRIVERS: readonly Driver[] = DRIVER_NAMES.map(([id, name]): Driver => {
  const hex = METRIC[id] ?? INCH[id];
  if (hex) {
    const [flats, long, short] = hex;
    const system = METRIC[id] ? 'metric' : 'inch';
    return { id, name, system, diameter: corners(flats), long, short };
  }
  const [diameter, long] = OTHERS[id]!;
  return { id, name, system: 'none', ...(FREE.has(id) ? { free: true } : {}), diameter, long };
});

const BY_ID = new Map(DRIVERS.map((d) => [d.id, d]));

/** A tool by its id; null when nobody said which, or this build does not know it. */
export function driverOf(id: string | undefined): Driver | null {
  return id === undefined ? null : (BY_ID.get(id) ?? null);
}
