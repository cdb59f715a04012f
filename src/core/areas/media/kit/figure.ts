import type { DrawFigure } from '../../../engine/figure';
import type { kinds } from './kinds';

/** A card has no length that matters: the shape it is known by, and its two figures. */
const card: DrawFigure = (pen) => {
  const side = pen.view('side');
  side.outline([
    [0, 0],
    [38, 0],
    [38, 26],
    [34, 30],
    [0, 30],
  ]);
  side.rect([4, 6], [34, 20], [], 'inner');
  side.note('gigabytes', [20, 20]);
  side.note('sustained', [20, 6], 'left');
};

/** A reader has no size that matters: a box with a slot and a lead. */
const reader: DrawFigure = (pen) => {
  const side = pen.view('side');
  side.rect([0, 0], [70, 26], []);
  side.rect([52, 10], [70, 15], [], 'inner');
  side.rect([-30, 11], [0, 15], [], 'inner');
  side.note('copies', [28, 13]);
};

export const figures = { card, reader } satisfies Record<keyof typeof kinds, DrawFigure>;
