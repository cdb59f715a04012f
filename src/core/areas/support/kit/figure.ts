import type { DrawFigure } from '../../../engine/figure';
import { rodSystem } from '../../rods/kit/systems';
import type { kinds } from './kinds';

/** The rods at 0: from the front the post drawn out, its lowest dashed. */
const lensSupport: DrawFigure = (pen) => {
  const system = rodSystem(pen.says('rods') as string | undefined);
  const r = (system?.rod ?? 15) / 2;
  const half = (system?.centres ?? 60) / 2;
  const [from, to] = [pen.size('postFrom', 35), pen.size('postTo', 60)];
  const cradle = pen.size('cradleWidth', 46);
  const clamp = pen.size('clampLength', 20);
  const front = pen.view('front');
  front.rect([-half - 2 * r, -r - 4], [half + 2 * r, r + 4]);
  for (const u of [-half, half]) front.circle([u, 0], r, [], 'inner');
  front.rect([-9, r + 4], [9, to.v], [to]);
  front.rect([-cradle.v / 2, to.v - 5], [cradle.v / 2, to.v], [cradle, to]);
  front.rect([-cradle.v / 2, from.v - 5], [cradle.v / 2, from.v], [cradle, from], 'moves');
  front.up(from, 0, from.v, 'left', -cradle.v / 2);
  front.up(to, 0, to.v, 'right', cradle.v / 2);
  front.across(cradle, -cradle.v / 2, cradle.v / 2, 'above', to.v);
  front.note('mass', [half + 2 * r, 0], 'right');
  const side = pen.view('side');
  side.line(
    [
      [-30, 0],
      [30, 0],
    ],
    [],
    'axis',
  );
  side.rect([-clamp.v / 2, -r - 4], [clamp.v / 2, r + 4], [clamp]);
  side.rect([-clamp.v * 0.35, r + 4], [clamp.v * 0.35, to.v], [clamp, to]);
  side.across(clamp, -clamp.v / 2, clamp.v / 2, 'below', -r - 4);
};

export const figures = { 'lens-support': lensSupport } satisfies Record<
  keyof typeof kinds,
  DrawFigure
>;
