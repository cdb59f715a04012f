import type { DrawFigure, FigurePen, Size, ViewPen } from '../../../engine/figure';
import type { kinds } from './kinds';

/** What both have: the face at the body at 0, the face at the lens at their length. */
function link(pen: FigurePen): { side: ViewPen; length: Size; d: Size } {
  const length = pen.size('length', 25);
  const d = pen.size('outerDiameter', 65);
  const bore = pen.size('bore', d.v * 0.7);
  const side = pen.view('side');
  side.line(
    [
      [-12, 0],
      [length.v + 12, 0],
    ],
    [],
    'axis',
  );
  side.rect([0, -d.v / 2], [length.v, d.v / 2], [length, d]);
  side.rect([0, -bore.v / 2], [length.v, bore.v / 2], [length, bore], 'inner');
  side.across(length, 0, length.v, 'below', -d.v / 2);
  side.diameter(d, 'right', length.v);
  side.diameter(bore, 'right', length.v);
  foot(pen, side, d);
  side.note('mass', [length.v / 2, d.v / 2]);
  const front = pen.view('front');
  front.circle([0, 0], d.v / 2, [d]);
  front.circle([0, 0], bore.v / 2, [bore], 'inner');
  return { side, length, d };
}

function foot(pen: FigurePen, side: ViewPen, d: Size): void {
  if (pen.says('foot') !== true) return;
  const [at, long] = [pen.size('footAt', 12), pen.size('footLength', 30)];
  const down = pen.size('footDown', d.v / 2 + 18);
  const [u0, u1] = [at.v - long.v / 2, at.v + long.v / 2];
  side.rect([u0, -down.v], [u1, -d.v / 2], [at, long, down, d]);
  side.across(at, 0, at.v, 'below', -down.v);
  side.across(long, u0, u1, 'below', -down.v);
  side.up(down, -down.v, 0, 'left', Math.min(0, u0));
}

const adapter: DrawFigure = (pen) => {
  const { side, length, d } = link(pen);
  if (!pen.has('slotGlass') && pen.says('slotType') === undefined) return;
  const glass = pen.size('slotGlass', 2);
  const [u0, u1] = [length.v / 2 - glass.v / 2, length.v / 2 + glass.v / 2];
  side.rect([u0, -d.v / 3], [u1, d.v / 3], [glass, length], 'inner');
  side.across(glass, u0, u1, 'above', d.v / 3);
};

const reducer: DrawFigure = (pen) => {
  const { side, length, d } = link(pen);
  const rear = pen.size('rearProtrusion', 8);
  const rearD = pen.size('rearDiameter', d.v * 0.55);
  const clear = pen.size('frontClearance', length.v * 0.4);
  side.rect([-rear.v, -rearD.v / 2], [0, rearD.v / 2], [rear, rearD]);
  side.across(rear, -rear.v, 0, 'below', -rearD.v / 2);
  side.diameter(rearD, 'left', -rear.v);
  const glass = length.v - clear.v;
  side.line(
    [
      [glass, -rearD.v / 2],
      [glass + 2, 0],
      [glass, rearD.v / 2],
    ],
    [clear, length],
  );
  side.across(clear, glass, length.v, 'above', rearD.v / 2);
  side.note('magnification', [glass, 0]);
  const front = pen.view('front');
  const exit = pen.size('exitCircle', 32);
  front.circle([0, 0], exit.v / 2, [exit], 'moves');
  front.across(exit, -exit.v / 2, exit.v / 2, 'below', 0);
};

export const figures = { adapter, reducer } satisfies Record<keyof typeof kinds, DrawFigure>;
