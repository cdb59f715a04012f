import { range as r, type Typical } from '../../../engine/typical';
import { block, type Span } from './typical-block';

/** Classes of what is fed, and of what feeds it. Ranges from common practice, no source. */

export const supply = (watts: Span, why: string, from: Span = [6, 12], to: Span = [14, 34]) => ({
  voltsFrom: r(...from, 'what the electronics still starts at'),
  voltsTo: r(...to, 'what the electronics stands'),
  watts: r(...watts, why),
});

const BRIGHT = 'dim and bright pictures';

export const POWERED: readonly Typical[] = [
  block(
    'hand-unit',
    'wheel',
    'Hand unit with a wheel',
    'wireless remote focus controller',
    [
      [60, 120],
      [90, 200],
      [50, 140],
      [250, 1200],
    ],
    ['pocket ones and full size ones', 'pocket ones and full size ones'],
    {
      turn: r(270, 360, 'between its stops'),
      ...supply([1, 10], 'radio idle and busy', [3, 8], [5, 26]),
    },
  ),
  block(
    'monitor',
    '5',
    'On-camera screen, 5 in',
    'monitor display small',
    [
      [118, 155],
      [72, 105],
      [16, 42],
      [170, 480],
    ],
    ['thin edges and broad ones', 'with a plate for a battery or without'],
    { tilts: true, ...supply([6, 20], BRIGHT) },
  ),
  block(
    'monitor',
    '7',
    'On-camera screen, 7 in',
    'monitor display',
    [
      [165, 205],
      [105, 140],
      [20, 48],
      [350, 900],
    ],
    ['thin edges and broad ones', 'with a plate for a battery or without'],
    { tilts: true, ...supply([10, 32], BRIGHT) },
  ),
  block(
    'recorder',
    '5',
    'Recorder screen, 5 to 7 in',
    'external recorder drive',
    [
      [118, 212],
      [75, 145],
      [28, 60],
      [300, 1100],
    ],
    ['five and seven inch ones', 'with the drive in it'],
    supply([12, 40], 'standby and recording'),
  ),
  block(
    'finder',
    'eye',
    'Electronic viewfinder',
    'evf eyepiece loupe',
    [
      [45, 110],
      [45, 90],
      [110, 210],
      [280, 850],
    ],
    ['small ones and those with a long eyepiece', 'plastic and metal'],
    supply([2, 10], BRIGHT),
  ),
  block(
    'battery',
    'plate-98',
    'Plate battery, about 98 Wh',
    'brick three stud',
    [
      [68, 104],
      [95, 155],
      [30, 65],
      [450, 900],
    ],
    ['small new ones and tall older ones', 'by the cells in it'],
    {
      wattHours: r(88, 100, 'up to the limit that is carried without asking; worn ones hold less'),
      voltsFrom: r(11, 13, 'empty, under load'),
      voltsTo: r(16.4, 16.9, 'full: four cells in a row'),
    },
  ),
  block(
    'battery',
    'plate-150',
    'Plate battery, about 150 Wh',
    'brick three stud large',
    [
      [75, 105],
      [100, 165],
      [45, 85],
      [700, 1250],
    ],
    ['small new ones and tall older ones', 'by the cells in it'],
    {
      wattHours: r(130, 160, 'sold as about 150; worn ones hold less'),
      voltsFrom: r(11, 13, 'empty, under load'),
      voltsTo: r(16.4, 16.9, 'full: four cells in a row'),
    },
  ),
  block(
    'battery',
    'sled',
    'Camcorder sled battery',
    'small',
    [
      [36, 42],
      [18, 62],
      [68, 74],
      [90, 330],
    ],
    ['one, two and three cells deep', 'one, two and three cells deep'],
    {
      wattHours: r(14, 75, 'one, two and three cells deep'),
      voltsFrom: r(5.8, 6.8, 'empty, under load'),
      voltsTo: r(8.2, 8.5, 'full: two cells in a row'),
    },
  ),
  block(
    'battery-plate',
    'rods',
    'Battery plate on 15 mm rods',
    'rear plate distribution',
    [
      [75, 125],
      [95, 155],
      [14, 60],
      [180, 900],
    ],
    ['bare plates and those with a box of outlets', 'bare plates and those with a box of outlets'],
    { rods: 'lw15', clampLength: r(10, 28, 'one lever and long clamps') },
  ),
  block(
    'dummy-battery',
    'one',
    'Dummy battery',
    'coupler adapter power',
    [
      [14, 42],
      [18, 62],
      [30, 75],
      [20, 130],
    ],
    ['as the battery of the body is', 'an empty shell, or with a converter in it'],
    supply([0.1, 3], 'a converter in it takes its share', [6, 12], [8, 26]),
  ),
  block(
    'converter',
    'box',
    'Converter, from a camera battery to lower volts',
    'regulator step down dc dc power',
    [
      [24, 70],
      [14, 40],
      [40, 110],
      [40, 220],
    ],
    ['bare ones and boxes with two sockets', 'bare ones and boxes with two sockets'],
    {
      voltsFrom: r(9, 12, 'below that it lets go'),
      voltsTo: r(17, 36, 'what it stands at its inlet'),
      watts: r(0.05, 1, 'what it takes while nothing hangs on it'),
      efficiency: r(0.8, 0.95, 'switching ones; those that only burn the rest are worse'),
    },
  ),
];
