import { range as r, type Typical } from '../../../engine/typical';

/** Classes of plates, risers and rods. Ranges from common practice, no source. */

const ROD_MASS = 'aluminium, carbon and steel tubes';

const pair = (id: string, length: number, inch = ''): Typical => ({
  id: `rods-${id}`,
  kind: 'rods',
  name: `15 mm rods, ${length} mm${inch}, a pair`,
  words: 'lightweight tubes support',
  fields: {
    rods: 'lw15',
    length: r(length - 1.5, length + 5, 'sold by the round number, in millimetres or inches'),
    mass: r(length * 0.45, length * 2.9, ROD_MASS),
  },
});

export const typical: readonly Typical[] = [
  {
    id: 'plate-lw',
    kind: 'plate',
    name: 'Base plate, 15 mm lightweight, fixed height',
    words: 'bridge under camera rods',
    fields: {
      rods: 'lw15',
      topToRods: r(28, 55, 'made for low and for high bodies'),
      length: r(60, 130, 'short ones and those with a long clamp at both ends'),
      clampLength: r(12, 32, 'each of its rod clamps'),
      width: r(70, 105, 'around two rods 60 mm apart'),
      thickness: r(8, 26, 'flat ones and those with a dovetail in them'),
      mass: r(180, 900, 'aluminium, with and without a quick release'),
    },
  },
  {
    id: 'plate-lw-height',
    kind: 'plate',
    name: 'Base plate, 15 mm lightweight, height can be set',
    words: 'bridge riser under camera rods',
    fields: {
      rods: 'lw15',
      heightFrom: r(22, 42, 'lowest setting'),
      heightTo: r(44, 75, 'highest setting'),
      length: r(70, 140, 'short and long ones'),
      clampLength: r(14, 32, 'each of its rod clamps'),
      width: r(75, 110, 'around two rods 60 mm apart'),
      thickness: r(10, 26, 'the part on top'),
      mass: r(350, 1100, 'aluminium, with and without a quick release'),
    },
  },
  {
    id: 'plate-studio',
    kind: 'plate',
    name: 'Bridge plate, 15 mm studio',
    words: 'studio dovetail heavy',
    fields: {
      rods: 'st15',
      topToRods: r(24, 62, 'made for low and for high bodies'),
      length: r(110, 240, 'short and long bridges'),
      clampLength: r(20, 50, 'each of its rod clamps'),
      width: r(115, 150, 'around two rods 100 mm apart'),
      thickness: r(15, 40, 'with and without a sliding plate'),
      mass: r(900, 2600, 'aluminium, with the sliding plate or without'),
    },
  },
  {
    id: 'riser-6',
    kind: 'riser',
    name: 'Riser, about 6 mm',
    words: 'spacer shim under body',
    fields: {
      thickness: r(4.5, 8, 'sold as about six millimetres'),
      mass: r(20, 120, 'plates of that size in aluminium'),
    },
  },
  {
    id: 'riser-15',
    kind: 'riser',
    name: 'Riser, about 15 mm',
    words: 'spacer block under body',
    fields: {
      thickness: r(12, 20, 'sold as about fifteen millimetres'),
      mass: r(50, 260, 'blocks of that size in aluminium'),
    },
  },
  pair('100', 100, ' (4 in)'),
  pair('150', 150, ' (6 in)'),
  pair('200', 200, ' (8 in)'),
  pair('300', 300, ' (12 in)'),
  pair('450', 450, ' (18 in)'),
];
