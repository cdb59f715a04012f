import { range as r, type Typical } from '../../../engine/typical';

/**
 * Classes of adapters and reducers. The length of a plain adapter is the difference of the two
 * flange distances (`kit/standards.ts`); what pieces of the class are off by is common practice, no
 * source.
 */

const adapter = (
  id: string,
  name: string,
  [lensMount, lensFlange]: [string, number],
  [bodyMount, bodyFlange]: [string, number],
): Typical => ({
  id: `adapter-${id}`,
  kind: 'adapter',
  name,
  words: 'ring between lens body',
  fields: {
    lensMount,
    bodyMount,
    length: r(
      lensFlange - bodyFlange - 0.08,
      lensFlange - bodyFlange + 0.03,
      'cheap ones are made a little short, so that infinity is reached',
    ),
    outerDiameter: r(60, 86, 'plain tubes and those with a foot or a ring to turn'),
    play: r(0, 0.12, 'tight machined ones and loose ones'),
    mass: r(60, 380, 'aluminium tubes and steel ones with a support foot'),
  },
});

const PL: [string, number] = ['pl', 52];
const SLR: [string, number] = ['slr-44.00-54', 44];
const M42: [string, number] = ['m42', 45.46];
const ML18: [string, number] = ['ml-18.00-46', 18];
const ML20: [string, number] = ['ml-20.00-54', 20];
const FT: [string, number] = ['four-thirds', 19.25];

const reducer = (
  id: string,
  name: string,
  lensMount: string,
  bodyMount: string,
  length: [number, number],
  m: [number, number],
  circle: [number, number],
): Typical => ({
  id: `reducer-${id}`,
  kind: 'reducer',
  name,
  words: 'focal glass faster wider',
  fields: {
    lensMount,
    bodyMount,
    length: r(...length, 'the glass brings the flange in by a few millimetres'),
    magnification: r(...m, 'pieces called alike differ in the second digit'),
    exitCircle: r(...circle, 'the chip is covered; how far past it goes differs'),
    outerDiameter: r(60, 80, 'slim tubes and those with a foot'),
    rearProtrusion: r(4, 16, 'made for shallow and for deep bodies'),
    rearDiameter: r(26, 40, 'the rear glass with its rim'),
    play: r(0, 0.1, 'tight ones and loose ones'),
    mass: r(150, 480, 'four or five elements, light and sturdy tubes'),
  },
});

export const typical: readonly Typical[] = [
  adapter('pl-ml18', 'Adapter, PL lens on mirrorless 18.00', PL, ML18),
  adapter('pl-ml20', 'Adapter, PL lens on mirrorless 20.00', PL, ML20),
  adapter('pl-ft', 'Adapter, PL lens on four-thirds', PL, FT),
  adapter('slr-ml18', 'Adapter, SLR 44.00 lens on mirrorless 18.00', SLR, ML18),
  adapter('slr-ml20', 'Adapter, SLR 44.00 lens on mirrorless 20.00', SLR, ML20),
  adapter('slr-ft', 'Adapter, SLR 44.00 lens on four-thirds', SLR, FT),
  adapter('m42-ml18', 'Adapter, M42 lens on mirrorless 18.00', M42, ML18),
  adapter('m42-ml20', 'Adapter, M42 lens on mirrorless 20.00', M42, ML20),
  adapter('m42-ft', 'Adapter, M42 lens on four-thirds', M42, FT),
  adapter('m42-slr', 'Adapter, M42 lens on SLR 44.00', M42, SLR),
  reducer(
    'slr-ft',
    'Reducer 0.71, SLR 44.00 lens on four-thirds',
    'slr-44.00-54',
    'four-thirds',
    [15, 23],
    [0.69, 0.73],
    [21, 26],
  ),
  reducer(
    'slr-ml18',
    'Reducer 0.71, SLR 44.00 lens on mirrorless 18.00',
    'slr-44.00-54',
    'ml-18.00-46',
    [15, 25],
    [0.69, 0.73],
    [27, 33],
  ),
];
