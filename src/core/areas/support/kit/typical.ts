import { range as r, type Typical } from '../../../engine/typical';

/** Classes of lens supports. Ranges from common practice, no source. */

const support = (
  id: string,
  name: string,
  from: [number, number],
  to: [number, number],
  around: boolean,
): Typical => ({
  id: `support-${id}`,
  kind: 'lens-support',
  name,
  words: 'lens cradle post under',
  fields: {
    rods: 'lw15',
    postFrom: r(...from, 'lowest it goes, from the middle of the rods'),
    postTo: r(...to, 'highest it goes, from the middle of the rods'),
    clampLength: r(12, 30, 'one lever or two'),
    cradleWidth: r(25, 70, 'a fork, a saddle or a round pad'),
    around,
    mass: r(90, 520, 'plain posts and clamps with a ring'),
  },
});

export const typical: readonly Typical[] = [
  support('low', 'Lens support, low, 15 mm lightweight', [18, 40], [32, 60], false),
  support('tall', 'Lens support, tall, 15 mm lightweight', [32, 58], [55, 100], false),
  support('ring', 'Lens support that closes around the barrel', [30, 60], [55, 95], true),
];
