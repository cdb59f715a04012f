import type { DrawFigure, FigurePen, Size } from '../../../engine/figure';
import type { kinds } from './kinds';

/** A bowl on its floor at 0, its plate on top; the tilt axis under the plate. */
const head: DrawFigure = (pen) => {
  const height = pen.size('baseHeight', 130);
  const axis = pen.size('tiltAxis', 35);
  const travel = pen.size('slideTravel', 100);
  const side = pen.view('side');
  const wide = 55;
  side.outline(
    [
      [-wide * 0.7, 0],
      [wide * 0.7, 0],
      [wide, height.v * 0.45],
      [wide * 0.8, height.v - 14],
      [-wide * 0.8, height.v - 14],
      [-wide, height.v * 0.45],
    ],
    [height],
  );
  side.rect([-wide, height.v - 14], [wide, height.v], [height]);
  side.rect(
    [-wide - travel.v / 2, height.v],
    [wide + travel.v / 2, height.v + 3],
    [travel, height],
    'moves',
  );
  side.circle([0, height.v - axis.v], 6, [axis, height], 'inner');
  side.up(height, 0, height.v, 'left', -wide);
  side.up(axis, height.v - axis.v, height.v, 'right', wide);
  side.across(travel, -travel.v / 2, travel.v / 2, 'above', height.v + 3);
  for (const key of ['bears', 'counterFrom', 'counterTo', 'steps', 'mass'])
    side.note(key, [0, height.v * 0.4], key === 'mass' ? 'right' : 'left');
};

/** Feet on the floor at 0, drawn out; the lowest dashed beside. */
function legged(pen: FigurePen, feet: Size | null): void {
  const [from, to] = [pen.size('heightFrom', 700), pen.size('heightTo', 1600)];
  const side = pen.view('side');
  const out = feet?.v ?? 30;
  const leg = (u: number, top: number, by: readonly Size[], stroke: 'part' | 'moves') =>
    side.line(
      [
        [u, 0],
        [0, top],
      ],
      by,
      stroke,
    );
  const by = feet ? [feet] : [];
  for (const u of feet ? [-out, out] : [0]) {
    leg(u, to.v, [...by, to], 'part');
    leg(u, from.v, [...by, from], 'moves');
  }
  side.rect([-40, to.v - 30], [40, to.v], [to]);
  side.rect([-40, from.v - 30], [40, from.v], [from], 'moves');
  side.up(from, 0, from.v, 'left', -out);
  side.up(to, 0, to.v, 'right', out);
  if (feet) side.across(feet, 0, feet.v, 'below', 0);
  side.note('bears', [0, to.v], 'left');
  side.note('mass', [0, to.v / 2], 'right');
}

/** From the front: two arms beside the plate, which goes up and down; from above the arm behind. */
const gimbal: DrawFigure = (pen) => {
  const [between, behind] = [pen.size('between', 220), pen.size('behind', 180)];
  const [low, high] = [pen.size('plateLow', 40), pen.size('plateHigh', 110)];
  const [fore, across] = [pen.size('travelFore', 100), pen.size('travelSide', 60)];
  const half = between.v / 2;
  const front = pen.view('front');
  for (const s of [-1, 1]) front.rect([s * half, -30], [s * (half + 22), 30], [between]);
  front.rect([-half, -low.v - 8], [half, -low.v], [low, between]);
  front.rect([-half, -high.v - 8], [half, -high.v], [high, between], 'moves');
  front.rect([-across.v / 2, -high.v - 12], [across.v / 2, -high.v - 8], [across, high], 'moves');
  front.line(
    [
      [-half - 40, 0],
      [half + 40, 0],
    ],
    [],
    'axis',
  );
  front.across(between, -half, half, 'above', 30);
  front.across(across, -across.v / 2, across.v / 2, 'below', -high.v - 12);
  front.up(low, -low.v, 0, 'left', -half - 22);
  front.up(high, -high.v, 0, 'right', half + 22);
  front.note('bears', [0, -low.v], 'left');
  front.note('mass', [half, 0], 'right');
  const side = pen.view('side');
  side.rect([-behind.v - 24, -25], [-behind.v, 25], [behind]);
  side.circle([0, 0], 5, [], 'inner');
  side.rect([-fore.v / 2, -low.v - 6], [fore.v / 2, -low.v], [fore, low], 'moves');
  side.across(behind, -behind.v, 0, 'above', 25);
  side.across(fore, -fore.v / 2, fore.v / 2, 'below', -low.v - 6);
};

/** A back at 0, an arm to the hook. */
const vest: DrawFigure = (pen) => {
  const reach = pen.size('reach', 500);
  const side = pen.view('side');
  side.rect([-20, -260], [0, 260]);
  side.line(
    [
      [0, 120],
      [reach.v * 0.5, 320],
      [reach.v, 260],
    ],
    [reach],
    'part',
  );
  side.circle([reach.v, 248], 12, [reach]);
  side.across(reach, 0, reach.v, 'below', -260);
  side.note('bears', [0, 0], 'left');
  side.note('liftFrom', [0, 100], 'left');
  side.note('mass', [0, -100], 'right');
};

const vehicleMount: DrawFigure = (pen) => {
  const cup = pen.size('cup', 150);
  const side = pen.view('side');
  side.rect([-cup.v / 2, 0], [cup.v / 2, 18], [cup]);
  side.rect([-14, 18], [14, 120]);
  side.rect([-50, 120], [50, 130]);
  side.across(cup, -cup.v / 2, cup.v / 2, 'below', 0);
  for (const key of ['bears', 'cups']) side.note(key, [0, 60], 'left');
  side.note('mass', [0, 125], 'right');
};

const strap: DrawFigure = (pen) => {
  const width = pen.size('width', 40);
  const side = pen.view('side');
  side.rect([0, 0], [300, width.v], [width]);
  side.up(width, 0, width.v, 'left', 0);
  side.note('bears', [150, width.v], 'left');
  side.note('mass', [250, width.v], 'right');
};

export const figures = {
  head,
  legs: (pen) => legged(pen, pen.size('spread', 500)),
  gimbal,
  vest,
  monopod: (pen) => legged(pen, null),
  'vehicle-mount': vehicleMount,
  strap,
} satisfies Record<keyof typeof kinds, DrawFigure>;
