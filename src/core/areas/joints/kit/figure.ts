import type { DrawFigure } from '../../../engine/figure';
import { interfaceType } from './interfaces';
import type { kinds } from './kinds';

const screw: DrawFigure = (pen) => {
  const d = interfaceType(pen.says('thread') as string | undefined)?.major ?? 6.35;
  const length = pen.size('length', 12);
  const side = pen.view('side');
  // Heads of socket screws are as high as the thread is wide, and 1.5 to 1.8 times as wide: ISO 4762.
  side.rect([-d, -0.8 * d], [0, 0.8 * d]);
  side.rect([0, -d / 2], [length.v, d / 2], [length]);
  side.line(
    [
      [-d - 4, 0],
      [length.v + 4, 0],
    ],
    [],
    'axis',
  );
  side.across(length, 0, length.v, 'below', -0.8 * d);
  side.note('mass', [length.v / 2, d / 2]);
};

/** A key has no number but its sizes, which are words: the shape it is known by. */
const key: DrawFigure = (pen) => {
  const side = pen.view('side');
  side.outline([
    [0, 0],
    [80, 0],
    [80, 5],
    [5, 5],
    [5, 25],
    [0, 25],
  ]);
  side.note('mass', [40, 5]);
};

export const figures = { screw, key } satisfies Record<keyof typeof kinds, DrawFigure>;
