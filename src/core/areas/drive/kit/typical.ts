import { range as r, type Typical } from '../../../engine/typical';

/** Classes of drives, gear rings and arms. Ranges from common practice, no source; teeth are counted. */

const CLAMP = 'single-lever clamps and long ones';

const box = (w: [number, number], h: [number, number], d: [number, number]) => ({
  width: r(...w, 'slim and stout housings'),
  height: r(...h, 'slim and stout housings'),
  depth: r(...d, 'slim and stout housings'),
});

const motor = (
  id: string,
  name: string,
  size: ReturnType<typeof box>,
  torque: [number, number],
  mass: [number, number],
): Typical => ({
  id: `motor-${id}`,
  kind: 'motor',
  name,
  words: 'wireless remote focus drive servo',
  fields: {
    rods: 'lw15',
    clampLength: r(12, 28, CLAMP),
    gearWidth: r(6, 12, 'narrow and wide gears'),
    armFrom: r(18, 45, 'how near the rod its gear can be brought'),
    armTo: r(60, 115, 'how far out its gear can be swung'),
    ...size,
    gearAhead: r(0, 30, 'gear over the clamp or well ahead of it'),
    boxBehind: r(3, 14, 'what stands between gear and housing'),
    armWidth: r(8, 24, 'the bracket seen from the front'),
    sides: 'both',
    flips: true,
    torques: [
      {
        volts: 12,
        torque: r(...torque, 'small and strong motors at twelve volts; less at fewer'),
      },
    ],
    voltsFrom: r(5, 10, 'some start at a phone plug, some want a camera battery'),
    voltsTo: r(12, 34, 'what the electronics stands'),
    watts: r(3, 30, 'holding and at full speed'),
    mass: r(...mass, 'with and without the electronics in it'),
  },
});

const arm = (
  id: string,
  name: string,
  ahead: [number, number],
  longer: [number, number],
): Typical => ({
  id: `arm-${id}`,
  kind: 'drive-arm',
  name,
  words: 'extension bracket gear',
  fields: {
    ahead: r(...ahead, 'how far it brings the gear ahead'),
    longer: r(...longer, 'how far it brings the gear out'),
    mass: r(40, 220, 'plain bars and jointed ones'),
  },
});

export const typical: readonly Typical[] = [
  {
    id: 'follow-focus',
    kind: 'follow-focus',
    name: 'Follow focus, one side, 15 mm lightweight',
    words: 'wheel manual knob',
    fields: {
      rods: 'lw15',
      clampLength: r(14, 40, CLAMP),
      gearWidth: r(6, 14, 'narrow and wide gears'),
      armFrom: r(20, 60, 'how near the rod its gear can be brought'),
      armTo: r(75, 140, 'how far out its gear can be swung'),
      ...box([20, 70], [35, 90], [30, 95]),
      gearAhead: r(0, 45, 'gear over the clamp or well ahead of it'),
      boxBehind: r(3, 16, 'what stands between gear and housing'),
      armWidth: r(10, 30, 'the arm seen from the front'),
      sides: 'both',
      flips: true,
      ratio: r(1, 2.6, 'one turn for one, or geared up'),
      mass: r(350, 1500, 'one knob or two, plastic and steel'),
    },
  },
  motor('small', 'Lens motor, small', box([24, 42], [24, 60], [40, 85]), [0.12, 0.45], [90, 260]),
  motor(
    'strong',
    'Lens motor, strong',
    box([32, 62], [35, 80], [55, 125]),
    [0.35, 1.4],
    [180, 620],
  ),
  {
    id: 'gear-split',
    kind: 'gear-ring',
    name: 'Gear ring, split, closes with a screw',
    words: 'focus gear follow',
    fields: {
      style: 'split',
      from: r(46, 76, 'the smallest barrel it closes on, by its size'),
      to: r(62, 96, 'the largest barrel it goes around, by its size'),
      width: r(8, 14, 'the toothed band'),
      lump: r(4, 14, 'the screw that closes it stands out'),
      mass: r(18, 70, 'plastic and aluminium'),
    },
  },
  {
    id: 'gear-strap',
    kind: 'gear-ring',
    name: 'Gear strap, cut to length',
    words: 'focus gear flexible belt zip',
    fields: {
      style: 'strap',
      from: r(35, 50, 'the smallest barrel it bends around'),
      to: r(90, 140, 'the largest barrel it goes around'),
      width: r(8, 12, 'the toothed band'),
      lump: r(6, 16, 'its buckle stands out'),
      mass: r(15, 55, 'rubber and plastic'),
    },
  },
  {
    id: 'gear-seamless',
    kind: 'gear-ring',
    name: 'Gear ring, seamless, printed or moulded to size',
    words: 'focus gear slip on',
    fields: {
      style: 'seamless',
      bore: r(50, 92, 'made for one lens: its barrel decides'),
      width: r(8, 16, 'the toothed band'),
      mass: r(12, 60, 'plastic and aluminium'),
    },
  },
  arm('ahead', 'Extension arm, ahead', [20, 70], [-5, 15]),
  arm('out', 'Extension arm, outwards', [0, 15], [25, 70]),
];
