import { range as r, type Typical } from '../../../engine/typical';

/** Classes of screws and keys. Threads: ISO 1222, ISO 262; lengths from common practice, no source. */

const screw = (
  thread: string,
  said: string,
  length: [number, number],
  driver: string,
): Typical => ({
  id: `screw-${thread}-${length[0]}`,
  kind: 'screw',
  name: `Screw ${said}, about ${Math.round((length[0] + length[1]) / 2)} mm`,
  words: 'bolt spare',
  fields: {
    thread,
    length: r(...length, 'under its head; sold in steps of two millimetres or a sixteenth'),
    driver,
    mass: r(1, 14, 'steel, by length and head'),
  },
});

export const typical: readonly Typical[] = [
  screw('unc-1-4', '1/4-20', [8, 12], 'hex-3-16'),
  screw('unc-1-4', '1/4-20', [14, 19], 'hex-3-16'),
  screw('unc-3-8', '3/8-16', [10, 16], 'hex-3-16'),
  {
    id: 'key-set',
    kind: 'key',
    name: 'Folding set of hex keys, metric and inch',
    words: 'tool driver multi',
    fields: {
      turns: [
        { driver: 'hex-2-5' },
        { driver: 'hex-3' },
        { driver: 'hex-4' },
        { driver: 'hex-5' },
        { driver: 'hex-5-32' },
        { driver: 'hex-3-16' },
      ],
      mass: r(60, 240, 'slim and sturdy handles'),
    },
  },
];
