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

export const figures = { card } satisfies Record<keyof typeof kinds, DrawFigure>;
