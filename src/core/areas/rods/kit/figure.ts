import type { DrawFigure } from '../../../engine/figure';
import { fixtures } from '../../joints/kit/figure-fixtures';
import { rodSystem } from './systems';
import type { kinds } from './kinds';

/** Where the body stands at 0, the rods below it; its back at 0. */
const plate: DrawFigure = (pen) => {
  const system = rodSystem(pen.says('rods') as string | undefined);
  const r = (system?.rod ?? 15) / 2;
  const length = pen.size('length', 120);
  const width = pen.size('width', (system?.centres ?? 60) + 4 * r);
  const top = pen.size('topToRods', 35);
  const thick = pen.size('thickness', top.v + 2 * r);
  const clamp = pen.size('clampLength', 25);
  const side = pen.view('side');
  side.rect([0, -thick.v], [length.v, 0], [length, thick]);
  for (const u of [0, length.v - clamp.v])
    side.rect([u, -top.v - r - 3], [u + clamp.v, -top.v + r + 3], [clamp, top, length], 'inner');
  side.line(
    [
      [-15, -top.v],
      [length.v + 25, -top.v],
    ],
    [top],
    'axis',
  );
  side.across(length, 0, length.v, 'below', -thick.v);
  side.across(clamp, length.v - clamp.v, length.v, 'below', -top.v - r - 3);
  side.up(thick, -thick.v, 0, 'left', 0);
  if (pen.has('topToRods') || !(pen.has('heightFrom') || pen.has('heightTo')))
    side.up(top, -top.v, 0, 'right', length.v);
  else
    for (const key of ['heightFrom', 'heightTo']) {
      const s = pen.size(key, top.v);
      side.up(s, -s.v, 0, 'right', length.v);
    }
  side.note('mass', [length.v / 2, 0]);
  const front = pen.view('front');
  front.rect([-width.v / 2, -thick.v], [width.v / 2, 0], [width, thick]);
  const half = (system?.centres ?? 60) / 2;
  for (const u of [-half, half]) front.circle([u, -top.v], r, [top], 'inner');
  front.across(width, -width.v / 2, width.v / 2, 'below', -thick.v);
  fixtures(pen, {
    x: [-width.v / 2, width.v / 2],
    y: [-thick.v, 0],
    z: [0, length.v],
  });
};

const riser: DrawFigure = (pen) => {
  const t = pen.size('thickness', 12);
  const side = pen.view('side');
  side.rect([0, 0], [60, t.v], [t]);
  side.up(t, 0, t.v, 'left', 0);
  side.note('mass', [30, t.v], 'right');
};

const rods: DrawFigure = (pen) => {
  const system = rodSystem(pen.says('rods') as string | undefined);
  const d = system?.rod ?? 15;
  const length = pen.size('length', 250);
  const side = pen.view('side');
  side.rect([0, -d / 2], [length.v, d / 2], [length]);
  side.line(
    [
      [-10, 0],
      [length.v + 10, 0],
    ],
    [],
    'axis',
  );
  side.across(length, 0, length.v, 'below', -d / 2);
  side.note('mass', [length.v / 2, d / 2]);
  const front = pen.view('front');
  const half = pen.says('single') === true ? 0 : (system?.centres ?? 60) / 2;
  for (const u of half === 0 ? [0] : [-half, half]) front.circle([u, 0], d / 2);
};

export const figures = { plate, riser, rods } satisfies Record<keyof typeof kinds, DrawFigure>;
