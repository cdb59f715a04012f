import { range as r, type Typical, type TypicalRow } from '../../../engine/typical';
import { LENSES } from './typical-lenses';

/**
 * Classes of bodies. Ranges from common practice, no source: they run from the smallest
 * to the largest piece of a class that crews use. Chip sizes are those of `optics/formats.ts`.
 */

const mode = (name: string, w: number, h: number, pxW: number, pxH: number): TypicalRow => ({
  name,
  // Chips called alike differ by a few tenths.
  w: r(w * 0.985, w * 1.01, 'chips called alike differ by a few tenths of a millimetre'),
  h: r(h * 0.985, h * 1.01, 'chips called alike differ by a few tenths of a millimetre'),
  pxW,
  pxH,
});

const FULL = [
  mode('full frame 3:2', 36, 24, 6000, 4000),
  mode('full frame 16:9', 36, 20.25, 3840, 2160),
  mode('Super 35 crop 16:9', 24.3, 13.7, 3840, 2160),
];
const S35 = [mode('Super 35 17:9', 24.9, 13.1, 4096, 2160), mode('16:9', 24.3, 13.7, 3840, 2160)];
const APSC = [mode('full width 3:2', 23.5, 15.6, 6000, 4000), mode('16:9', 23.5, 13.2, 3840, 2160)];
const FT = [mode('full width 4:3', 17.3, 13, 5200, 3900), mode('17:9', 17.3, 9.2, 4096, 2160)];

interface Shell {
  w: [number, number];
  h: [number, number];
  d: [number, number];
  axis: [number, number];
  mass: [number, number];
}

const shell = ({ w, h, d, axis, mass }: Shell) => ({
  width: r(...w, 'with and without the hand grip'),
  height: r(...h, 'with and without a finder on top'),
  depth: r(...d, 'flat screens and folding ones, shallow and deep cooling'),
  axisToBase: r(...axis, 'how far the chip sits over the base differs from body to body'),
  centreOfGravity: r(d[0] * 0.35, d[1] * 0.6, 'battery in the grip or at the back'),
  mass: r(...mass, 'with battery and card, light and sturdy shells'),
});

const body = (
  id: string,
  name: string,
  words: string,
  mount: string,
  modes: readonly TypicalRow[],
  s: Shell,
  more: Typical['fields'] = {},
): Typical => ({
  id,
  kind: 'body',
  name,
  words,
  fields: {
    mount,
    modes,
    control: mount === 'pl' ? 'none' : 'electronic',
    // How deep it is behind a mirror or a positive lock differs too much to be guessed.
    ...(mount === 'pl' || mount === 'slr-44.00-54'
      ? {}
      : { cavityDepth: r(8.5, 17, 'how far the shutter or the glass sits behind the mount') }),
    ...shell(s),
    ...more,
  },
});

const supply = (lo: number, hi: number) => ({
  watts: r(lo, hi, 'screen bright or off, slow and fast modes'),
});

const BODIES: readonly Typical[] = [
  body(
    'mirrorless-full',
    'Mirrorless body, full frame',
    'photo video hybrid',
    'ml-18.00-46',
    FULL,
    {
      w: [118, 155],
      h: [68, 118],
      d: [42, 85],
      axis: [33, 47],
      mass: [400, 1150],
    },
    supply(5, 22),
  ),
  body(
    'mirrorless-aps',
    'Mirrorless body, APS-C',
    'photo crop hybrid',
    'ml-18.00-46',
    APSC,
    {
      w: [100, 142],
      h: [58, 105],
      d: [36, 80],
      axis: [29, 45],
      mass: [270, 780],
    },
    supply(3, 16),
  ),
  body(
    'mirrorless-ft',
    'Mirrorless body, four-thirds',
    'photo small chip',
    'four-thirds',
    FT,
    {
      w: [102, 148],
      h: [58, 115],
      d: [36, 95],
      axis: [29, 48],
      mass: [250, 850],
    },
    supply(3, 18),
  ),
  body(
    'slr-full',
    'Single-lens reflex body, full frame',
    'photo mirror dslr',
    'slr-44.00-54',
    FULL,
    {
      w: [135, 165],
      h: [98, 172],
      d: [42, 75],
      axis: [36, 58],
      mass: [650, 1550],
    },
    supply(4, 14),
  ),
  body(
    'pocket-cine',
    'Wide hand-held cine body, four-thirds',
    'pocket small chip',
    'four-thirds',
    FT,
    {
      w: [150, 195],
      h: [84, 118],
      d: [52, 110],
      axis: [36, 55],
      mass: [600, 1150],
    },
    { screenSide: 'fixed', ...supply(12, 28) },
  ),
  body(
    'box-s35',
    'Box cine body, Super 35',
    'cube gimbal',
    'ml-20.00-54',
    S35,
    {
      w: [88, 150],
      h: [88, 155],
      d: [80, 205],
      axis: [40, 78],
      mass: [700, 2600],
    },
    { screenSide: 'fixed', ...supply(18, 65) },
  ),
  body(
    'box-full',
    'Box cine body, full frame',
    'cube gimbal large format',
    'ml-20.00-54',
    FULL,
    {
      w: [92, 165],
      h: [88, 165],
      d: [82, 220],
      axis: [42, 82],
      mass: [750, 3000],
    },
    { screenSide: 'fixed', ...supply(20, 75) },
  ),
  body(
    'studio-s35',
    'Studio cine body, Super 35',
    'feature large shoulder',
    'pl',
    S35,
    {
      w: [115, 220],
      h: [125, 215],
      d: [170, 370],
      axis: [58, 110],
      mass: [1700, 8200],
    },
    { screenSide: 'fixed', ...supply(40, 130) },
  ),
  body(
    'studio-full',
    'Studio cine body, full frame',
    'feature large format',
    'pl',
    FULL,
    {
      w: [115, 230],
      h: [125, 220],
      d: [170, 380],
      axis: [58, 112],
      mass: [1700, 8200],
    },
    { screenSide: 'fixed', ...supply(45, 140) },
  ),
];

export const typical: readonly Typical[] = [...BODIES, ...LENSES];
