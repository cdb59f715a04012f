import { range as r, type Range, type Typical, type TypicalRow } from '../../../engine/typical';

/**
 * Classes of lenses. Ranges from common practice, no source: they run from the smallest to the
 * largest piece of a class that crews use, designs for a reflex and for a mirrorless flange alike.
 */

/** A ring that turns. Its teeth are counted, not guessed. */
const ring = (
  turns: 'focus' | 'iris' | 'zoom',
  z: [number, number],
  d: [number, number],
  torque: [number, number],
): TypicalRow => ({
  turns,
  z: r(...z, 'rings sit anywhere along a barrel'),
  width: r(8, 40, 'a cut gear or a broad rubber grip'),
  diameter: r(...d, 'slim and stout barrels'),
  torque: r(...torque, 'loose autofocus rings and stiff damped ones'),
});

interface Glass {
  focal: number | [number, number];
  stop: [number, number];
  circle: [number, number];
  length: [number, number];
  front: [number, number];
  thread: [number, number] | null;
  close: [number, number];
  mass: [number, number];
  /** What the class says besides: rings, squeeze. */
  more?: Typical['fields'];
}

const focalOf = (f: number): Range =>
  r(f * 0.96, f * 1.04, 'what is engraved is rounded by a few in a hundred');

/** What stands behind the flange, and how the aperture is worked, by mount. */
const REAR: Readonly<Record<string, Typical['fields']>> = Object.fromEntries(
  (
    [
      ['ml-18.00-46', [0.3, 9], [26, 43], 'electronic'],
      ['slr-44.00-54', [0.5, 9], [28, 46], 'electronic'],
      ['m42', [0.5, 9], [24, 41], 'manual'],
      ['pl', [2, 32], [26, 52], 'manual'],
    ] as const
  ).map(([mount, out, d, aperture]) => [
    mount,
    {
      rearProtrusion: r(out[0], out[1], 'flat rears and those that reach into the mount'),
      rearDiameter: r(d[0], d[1], 'the rear glass with its rim'),
      aperture,
    },
  ]),
);

const lens = (id: string, name: string, words: string, mount: string, l: Glass): Typical => ({
  id,
  kind: 'lens',
  name,
  words,
  fields: {
    mount,
    ...(typeof l.focal === 'number'
      ? { focal: focalOf(l.focal) }
      : { focal: focalOf(l.focal[0]), focalTo: focalOf(l.focal[1]) }),
    tStop: r(...l.stop, 'fast and slow ones of the class, and what the glass takes'),
    imageCircle: [
      { diameter: r(...l.circle, 'the format is covered; how far past it goes, nobody prints') },
    ],
    length: r(...l.length, 'built for a reflex or a mirrorless flange, long and short ones'),
    frontDiameter: r(...l.front, 'from the slimmest to the stoutest'),
    ...(l.thread ? { filterThread: r(...l.thread, 'threads of the class') } : {}),
    closeFocus: r(...l.close, 'from the image plane; close ones and ordinary ones'),
    mass: r(...l.mass, 'plastic and metal barrels'),
    centreOfGravity: r(
      l.length[0] * 0.35,
      l.length[1] * 0.62,
      'front-heavy and rear-heavy designs',
    ),
    ...REAR[mount],
    ...l.more,
  },
});

const hand = (z: [number, number], d: [number, number]) => ({
  rings: [ring('focus', z, d, [0.01, 0.12])],
});

/** Of a geared lens its teeth say how wide it is: they are counted. */
const cut = (turns: 'focus' | 'iris' | 'zoom', z: [number, number], torque: [number, number]) => {
  const { diameter: _, ...row } = ring(turns, z, [0, 1], torque);
  return { ...row, stops: true } as TypicalRow;
};

const geared = (length: [number, number]) => ({
  aperture: 'manual',
  rings: [
    cut('focus', [length[0] * 0.35, length[1] * 0.75], [0.05, 0.35]),
    cut('iris', [length[0] * 0.12, length[1] * 0.6], [0.02, 0.15]),
  ],
});

const photo = (
  f: number,
  more: Omit<Glass, 'focal' | 'more'>,
  name = `${f} mm photo prime, full frame`,
) =>
  lens(`photo-${f}`, name, 'stills autofocus prime', 'ml-18.00-46', {
    focal: f,
    ...more,
    more: hand([more.length[0] * 0.3, more.length[1] * 0.85], [more.front[0] * 0.8, more.front[1]]),
  });

const cine = (f: number, more: Omit<Glass, 'focal' | 'more' | 'thread'>) =>
  lens(`cine-${f}`, `${f} mm cine prime, full frame`, 'geared manual pl prime', 'pl', {
    focal: f,
    thread: null,
    ...more,
    more: geared(more.length),
  });

const FF: [number, number] = [43.2, 50];
const S35C: [number, number] = [27.5, 35];

export const LENSES: readonly Typical[] = [
  photo(24, {
    stop: [1.4, 3.1],
    circle: FF,
    length: [45, 125],
    front: [60, 90],
    thread: [49, 82],
    close: [110, 280],
    mass: [150, 720],
  }),
  photo(35, {
    stop: [1.3, 3.1],
    circle: FF,
    length: [22, 135],
    front: [56, 88],
    thread: [49, 77],
    close: [110, 400],
    mass: [90, 850],
  }),
  photo(50, {
    stop: [1.0, 2.6],
    circle: FF,
    length: [30, 135],
    front: [56, 95],
    thread: [43, 82],
    close: [230, 700],
    mass: [110, 1200],
  }),
  photo(85, {
    stop: [1.2, 2.6],
    circle: FF,
    length: [58, 150],
    front: [62, 95],
    thread: [52, 86],
    close: [240, 1050],
    mass: [240, 1400],
  }),
  photo(135, {
    stop: [1.8, 3.8],
    circle: FF,
    length: [84, 160],
    front: [60, 100],
    thread: [49, 86],
    close: [400, 1600],
    mass: [400, 1450],
  }),
  lens('macro-100', '100 mm photo macro, full frame', 'close stills', 'ml-18.00-46', {
    focal: 100,
    stop: [2, 3.6],
    circle: FF,
    length: [75, 165],
    front: [60, 88],
    thread: [49, 72],
    close: [240, 340],
    mass: [350, 950],
    more: hand([25, 130], [60, 88]),
  }),
  lens('zoom-16-35', '16-35 mm photo zoom, full frame', 'wide stills', 'ml-18.00-46', {
    focal: [16, 35],
    stop: [2.8, 4.6],
    circle: FF,
    length: [75, 140],
    front: [72, 98],
    thread: [67, 86],
    close: [200, 300],
    mass: [350, 950],
    more: {
      rings: [
        ring('focus', [25, 110], [70, 92], [0.01, 0.12]),
        ring('zoom', [25, 110], [70, 92], [0.02, 0.25]),
      ],
    },
  }),
  lens('zoom-24-70', '24-70 mm photo zoom, full frame', 'standard stills', 'ml-18.00-46', {
    focal: [24, 70],
    stop: [2.8, 4.6],
    circle: FF,
    length: [85, 160],
    front: [70, 98],
    thread: [62, 86],
    close: [180, 420],
    mass: [400, 1250],
    more: {
      rings: [
        ring('focus', [25, 130], [70, 92], [0.01, 0.12]),
        ring('zoom', [25, 130], [70, 92], [0.02, 0.3]),
      ],
    },
  }),
  lens('zoom-70-200', '70-200 mm photo zoom, full frame', 'long stills tele foot', 'ml-18.00-46', {
    focal: [70, 200],
    stop: [2.8, 4.8],
    circle: FF,
    length: [140, 235],
    front: [70, 100],
    thread: [62, 86],
    close: [380, 1550],
    mass: [750, 1700],
    more: {
      footAt: r(40, 120, 'its foot sits under where it balances, more or less'),
      footLength: r(35, 90, 'short feet and long ones'),
      footDown: r(48, 85, 'slim collars and tall feet'),

      rings: [
        ring('focus', [50, 200], [72, 95], [0.01, 0.15]),
        ring('zoom', [40, 190], [72, 95], [0.03, 0.3]),
      ],
    },
  }),
  lens(
    'zoom-150-600',
    '150-600 mm photo zoom, full frame',
    'wildlife long tele foot',
    'ml-18.00-46',
    {
      focal: [150, 600],
      stop: [5, 7.6],
      circle: FF,
      length: [235, 345],
      front: [95, 130],
      thread: [86, 112],
      close: [1600, 2900],
      mass: [1700, 3400],
      more: {
        footAt: r(70, 170, 'its foot sits under where it balances, more or less'),
        footLength: r(55, 120, 'short feet and long ones'),
        footDown: r(62, 110, 'slim collars and tall feet'),

        rings: [
          ring('focus', [60, 260], [85, 120], [0.02, 0.2]),
          ring('zoom', [60, 280], [90, 125], [0.05, 0.6]),
        ],
      },
    },
  ),
  lens('zoom-18-35-aps', '18-35 mm fast photo zoom, APS-C', 'crop standard', 'slr-44.00-54', {
    focal: [18, 35],
    stop: [1.8, 3],
    circle: [28, 34],
    length: [75, 150],
    front: [70, 95],
    thread: [67, 82],
    close: [250, 300],
    mass: [500, 1100],
    more: {
      rings: [
        ring('focus', [25, 110], [70, 90], [0.02, 0.15]),
        ring('zoom', [25, 110], [70, 90], [0.05, 0.3]),
      ],
    },
  }),
  lens('vintage-50', '50 mm vintage prime, full frame', 'old screw manual adapted', 'm42', {
    focal: 50,
    stop: [1.4, 2.9],
    circle: FF,
    length: [28, 70],
    front: [48, 72],
    thread: [40, 58],
    close: [330, 720],
    mass: [120, 450],
    more: hand([12, 50], [48, 70]),
  }),
  lens('vintage-135', '135 mm vintage prime, full frame', 'old screw manual adapted tele', 'm42', {
    focal: 135,
    stop: [2.6, 4.3],
    circle: FF,
    length: [78, 130],
    front: [52, 82],
    thread: [49, 77],
    close: [1000, 2100],
    mass: [300, 850],
    more: hand([30, 95], [52, 80]),
  }),
  cine(25, {
    stop: [1.3, 3],
    circle: FF,
    length: [75, 195],
    front: [75, 136],
    close: [170, 360],
    mass: [500, 2400],
  }),
  cine(35, {
    stop: [1.3, 3],
    circle: FF,
    length: [75, 190],
    front: [75, 136],
    close: [250, 450],
    mass: [500, 2400],
  }),
  cine(50, {
    stop: [1.3, 3],
    circle: FF,
    length: [75, 190],
    front: [75, 136],
    close: [320, 720],
    mass: [500, 2400],
  }),
  cine(85, {
    stop: [1.3, 3],
    circle: FF,
    length: [80, 205],
    front: [75, 136],
    close: [600, 1050],
    mass: [550, 2700],
  }),
  lens('cine-zoom-s35', '18-80 mm cine zoom, Super 35', 'geared compact zoom pl', 'pl', {
    focal: [18, 80],
    stop: [2.4, 4.7],
    circle: S35C,
    length: [150, 300],
    front: [80, 136],
    thread: null,
    close: [400, 1000],
    mass: [1100, 4500],
    more: {
      rings: [
        cut('focus', [60, 240], [0.05, 0.4]),
        cut('zoom', [50, 200], [0.05, 0.5]),
        cut('iris', [15, 140], [0.02, 0.2]),
      ],
      aperture: 'manual',
    },
  }),
  lens('anamorphic-50-1.6', '50 mm compact anamorphic, full frame', 'squeeze 1.5 1.6 wide', 'pl', {
    focal: 50,
    stop: [1.8, 3.2],
    circle: [39, 50],
    length: [90, 190],
    front: [76, 116],
    thread: [67, 105],
    close: [600, 1100],
    mass: [700, 2400],
    more: {
      squeeze: r(1.45, 1.65, 'lenses called 1.5 and 1.6'),
      squeezeAt: 'front',
      ...geared([90, 190]),
    },
  }),
  lens('anamorphic-50-2', '50 mm anamorphic 2x, Super 35', 'squeeze double pl scope', 'pl', {
    focal: 50,
    stop: [2.2, 3.2],
    circle: [28, 36],
    length: [125, 260],
    front: [95, 160],
    thread: null,
    close: [700, 1300],
    mass: [1500, 5200],
    more: {
      squeeze: r(1.9, 2.02, 'made for 2x; it varies with the distance'),
      squeezeAt: 'front',
      ...geared([125, 260]),
    },
  }),
];
