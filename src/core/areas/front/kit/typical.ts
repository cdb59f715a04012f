import { range as r, type Typical, type TypicalRow } from '../../../engine/typical';

/**
 * Classes of what stands in front. Thread pitches and tray sizes are public (`kit/trays.ts`); the
 * ranges are common practice, no source.
 */

const thread = (d: number) => r(d - 0.1, d + 0.1, 'threads called alike vary by a tenth');

const ring = (male: number, female: number): Typical => ({
  id: `ring-${male}-${female}`,
  kind: 'ring',
  name: `Step-up ring ${male} to ${female}`,
  words: 'thread filter adapter',
  fields: {
    male: thread(male),
    female: thread(female),
    thickness: r(2, 5.5, 'flat rings and those with a grip'),
    clear: r(male - 5, male - 1.5, 'what the male thread leaves open'),
    outerDiameter: r(female + 1, female + 4, 'the rim around the larger thread'),
    mass: r(6, 40, 'aluminium and brass'),
  },
});

const screwIn = (
  id: string,
  name: string,
  type: string,
  d: number,
  thick: [number, number],
  more: Typical['fields'],
): Typical => ({
  id: `filter-${id}`,
  kind: 'filter',
  name,
  words: 'round screw-in thread',
  fields: {
    type,
    shape: 'screw',
    male: thread(d),
    female: thread(d),
    thickness: r(...thick, 'slim and ordinary frames; the male thread not counted'),
    clear: r(d - 8, d - 2, 'slim and ordinary frames'),
    outerDiameter: r(d + 0.5, d + 6, 'frames of variable ones stand out'),
    mass: r(15, 95, 'thin and thick glass, aluminium and brass'),
    ...more,
  },
});

const pane = (id: string, name: string, type: string, more: Typical['fields'] = {}): Typical => ({
  id: `pane-${id}`,
  kind: 'filter',
  name,
  words: 'square rectangle tray glass 4x5.65',
  fields: {
    type,
    shape: 'rectangle',
    width: r(143, 143.8, '4 x 5.65 in glass is cut to half a millimetre'),
    height: r(101.2, 101.9, '4 x 5.65 in glass is cut to half a millimetre'),
    thickness: r(3, 4.3, 'single and laminated glass'),
    mass: r(110, 190, 'single and laminated glass'),
    ...more,
  },
});

const stage = (name: string, z: [number, number], rotates: boolean): TypicalRow => ({
  name,
  tray: '4x5.65',
  z: r(...z, 'how deep the first tray sits behind the mouth differs from box to box'),
  clearW: r(130, 143, 'what the tray leaves open'),
  clearH: r(92, 101, 'what the tray leaves open'),
  rotates,
});

const LIGHT_STOPS = 'a filter called by its density is off by a tenth of a stop or so';

export const typical: readonly Typical[] = [
  ring(49, 77),
  ring(58, 77),
  ring(67, 82),
  ring(72, 82),
  ring(77, 82),
  ring(82, 95),
  screwIn('vnd-77', 'Variable ND, 77 mm', 'variable-nd', 77, [6, 13], {
    stops: r(0.9, 2.2, 'open end of two polarisers'),
    stopsTo: r(5, 9, 'short and long ranges'),
    mustRotate: true,
  }),
  screwIn('vnd-82', 'Variable ND, 82 mm', 'variable-nd', 82, [6, 13], {
    stops: r(0.9, 2.2, 'open end of two polarisers'),
    stopsTo: r(5, 9, 'short and long ranges'),
    mustRotate: true,
  }),
  screwIn('pola-77', 'Polariser, 77 mm', 'polariser', 77, [4.5, 9], {
    stops: r(1.1, 2, 'light and dark polarising film'),
    mustRotate: true,
  }),
  screwIn('diffusion-82', 'Diffusion, 82 mm', 'diffusion', 82, [3.2, 7], {
    stops: r(0, 0.4, 'black ones take a little light'),
  }),
  screwIn('clear-77', 'Clear protection, 77 mm', 'clear', 77, [3, 6.5], {
    stops: r(0, 0.1, 'coated and plain glass'),
  }),
  pane('nd6', 'ND 0.6 pane, 4 x 5.65', 'nd', { stops: r(1.9, 2.15, LIGHT_STOPS) }),
  pane('nd12', 'ND 1.2 pane, 4 x 5.65', 'nd', { stops: r(3.85, 4.25, LIGHT_STOPS) }),
  pane('diffusion', 'Diffusion pane, 4 x 5.65', 'diffusion', {
    stops: r(0, 0.4, 'black ones take a little light'),
  }),
  pane('pola', 'Polariser pane, 4 x 5.65', 'polariser', {
    stops: r(1.1, 2, 'light and dark polarising film'),
    mustRotate: true,
    thickness: r(3.5, 5.2, 'film between two panes'),
  }),
  {
    id: 'box-clip',
    kind: 'matte-box',
    name: 'Clip-on matte box, 114 mm back, two trays',
    words: 'shade light small clip',
    fields: {
      attach: 'clip-on',
      opening: r(113.8, 114.4, '114 mm backs differ by a few tenths'),
      stages: [stage('front stage', [12, 34], false), stage('rear stage', [4, 18], true)],
      mouthZ: r(38, 85, 'shallow and deep hoods'),
      mouthW: r(140, 185, 'narrow and wide mouths'),
      mouthH: r(100, 140, 'narrow and wide mouths'),
      width: r(160, 210, 'the frame around the trays'),
      height: r(125, 165, 'the frame around the trays'),
      mass: r(280, 850, 'carbon and aluminium'),
    },
  },
  {
    id: 'box-rods',
    kind: 'matte-box',
    name: 'Matte box on 15 mm lightweight rods, two trays',
    words: 'shade light swing rods',
    fields: {
      attach: 'rods',
      rods: 'lw15',
      sleeveFrom: r(70, 95, 'rubber and cloth sleeves'),
      sleeveTo: r(105, 145, 'rubber and cloth sleeves'),
      sleeveReach: r(10, 35, 'rubber and cloth sleeves'),
      stages: [stage('front stage', [22, 52], false), stage('rear stage', [8, 30], true)],
      mouthZ: r(55, 120, 'shallow and deep hoods'),
      mouthW: r(145, 200, 'narrow and wide mouths'),
      mouthH: r(105, 150, 'narrow and wide mouths'),
      width: r(165, 235, 'the frame around the trays'),
      height: r(130, 185, 'the frame around the trays'),
      clampLength: r(18, 60, 'one bracket or a long one'),
      mass: r(600, 2200, 'carbon and aluminium, with and without a swing'),
    },
  },
  {
    id: 'reduction-114-95',
    kind: 'reduction-ring',
    name: 'Reduction ring 114 to 95',
    words: 'clamp back box',
    fields: {
      outer: r(113.6, 114.1, 'made to slip into a 114 mm back'),
      bore: r(94.9, 95.6, 'made to slip over a 95 mm front'),
      mass: r(25, 90, 'plastic and aluminium'),
    },
  },
  {
    id: 'reduction-114-80',
    kind: 'reduction-ring',
    name: 'Reduction ring 114 to 80',
    words: 'clamp back box',
    fields: {
      outer: r(113.6, 114.1, 'made to slip into a 114 mm back'),
      bore: r(79.9, 80.6, 'made to slip over an 80 mm front'),
      mass: r(30, 110, 'plastic and aluminium'),
    },
  },
  {
    id: 'sleeve-cloth',
    kind: 'sleeve',
    name: 'Cloth sleeve for a box on rods',
    words: 'light light leak',
    fields: {
      from: r(60, 90, 'what the elastic still closes on'),
      to: r(120, 150, 'what it stretches over'),
      reach: r(15, 60, 'short and long ones'),
      mass: r(15, 80, 'cloth and rubber'),
    },
  },
];
