import { range as r, type Typical } from '../../../engine/typical';

/** Classes of what carries a rig. Ranges from common practice, no source. */

const head = (
  id: string,
  name: string,
  bears: [number, number],
  counter: [number, number, number, number],
  mass: [number, number],
): Typical => ({
  id: `head-${id}`,
  kind: 'head',
  name,
  words: 'fluid tripod pan tilt',
  fields: {
    bears: r(...bears, 'what heads of this size are stated for'),
    tiltAxis: r(22, 60, 'flat plates with a low axis, tall ones with a long plate'),
    slideTravel: r(40, 140, 'short stills plates and long sliding ones'),
    counterFrom: r(counter[0], counter[1], 'first step: none at all, or a weak spring'),
    counterTo: r(counter[2], counter[3], 'last step; makers state it in several ways'),
    baseHeight: r(95, 200, 'with a flat base, and with a bowl and its tie-down'),
    mass: r(...mass, 'with its plate and one handle'),
  },
});

const legs = (
  id: string,
  name: string,
  bears: [number, number],
  low: [number, number],
  high: [number, number],
  mass: [number, number],
): Typical => ({
  id: `legs-${id}`,
  kind: 'legs',
  name,
  words: 'tripod sticks bowl baby tall',
  fields: {
    bears: r(...bears, 'light tubes and heavy ones of this height'),
    heightFrom: r(...low, 'with and without a spreader that can be taken off'),
    heightTo: r(...high, 'two or three stages'),
    spread: r(300, 850, 'legs near upright, and wide on their spreader'),
    mass: r(...mass, 'carbon and metal'),
  },
});

const gimbal = (
  id: string,
  name: string,
  bears: [number, number],
  between: [number, number],
): Typical => ({
  id: `gimbal-${id}`,
  kind: 'gimbal',
  name,
  words: 'stabiliser stabilizer three axes',
  fields: {
    bears: r(...bears, 'payload as it is stated for this size'),
    between: r(...between, 'narrow folding arms and wide ones'),
    behind: r(
      between[0] * 0.5,
      between[1] * 1.1,
      'where the arm behind stands when it is balanced',
    ),
    travelFore: r(40, 160, 'short plates and long ones'),
    travelSide: r(20, 110, 'how far the arm across is drawn out'),
    plateLow: r(15, 55, 'plate drawn up'),
    plateHigh: r(55, 140, 'plate let down'),
    mass: r(bears[0] * 0.25, bears[1] * 0.8, 'with its battery and grip'),
  },
});

export const typical: readonly Typical[] = [
  head('small', 'Fluid head, small', [3500, 9000], [0, 2.5, 3, 8], [900, 2600]),
  head('large', 'Fluid head, large', [10000, 35000], [0, 6, 14, 60], [2400, 7500]),
  legs('tall', 'Tripod, full height', [9000, 60000], [350, 850], [1350, 1850], [2200, 6500]),
  legs('short', 'Tripod, short', [9000, 90000], [180, 420], [500, 950], [1800, 5500]),
  gimbal('small', 'Gimbal for one hand', [1600, 4800], [120, 190]),
  gimbal('large', 'Gimbal for two hands', [4500, 16000], [160, 290]),
  {
    id: 'vest-line',
    kind: 'vest',
    name: 'Back-worn suspension with a line',
    words: 'vest spring arm exo hook easy',
    fields: {
      bears: r(5000, 20000, 'weak and strong springs of its sizes'),
      liftFrom: r(1500, 7000, 'weakest setting of its spring'),
      reach: r(300, 800, 'short rods and long ones over the head'),
      mass: r(2500, 9000, 'with its belt and rods'),
    },
  },
  {
    id: 'monopod-video',
    kind: 'monopod',
    name: 'Monopod with feet',
    words: 'one leg stick',
    fields: {
      bears: r(4000, 16000, 'thin and thick tubes'),
      heightFrom: r(450, 850, 'four or five stages pushed in'),
      heightTo: r(1450, 2000, 'drawn out'),
      mass: r(700, 2400, 'with and without feet that fold'),
    },
  },
  {
    id: 'vehicle-cups',
    kind: 'vehicle-mount',
    name: 'Mount of suction cups',
    words: 'car suction cup rigging',
    fields: {
      cup: r(90, 260, 'hand cups and pump cups'),
      mass: r(800, 7000, 'one cup with an arm up to a frame of several'),
    },
  },
  {
    id: 'strap-bag',
    kind: 'strap',
    name: 'Shoulder strap',
    words: 'strap sling bag',
    fields: {
      bears: r(3000, 18000, 'plain webbing up to straps for heavy bags'),
      width: r(25, 70, 'plain and padded'),
      mass: r(60, 420, 'with its hooks'),
    },
  },
];
