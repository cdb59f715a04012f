import type { DrawFigure } from '../../../engine/figure';
import type { kinds } from './kinds';

/** A lead drawn out straight: its plugs, its length, how thick it is. */
const lead: DrawFigure = (pen) => {
  const d = pen.size('width', 5);
  const length = pen.size('length', 600);
  const side = pen.view('side');
  const plug = Math.max(1.8 * d.v, 9);
  const long = Math.min(34, length.v / 4);
  const elbows = pen.says('elbows');
  const bent = (end: string) => elbows === 'both' || elbows === end;
  const [a, b] = [bent('source') ? plug : long, bent('device') ? plug : long];
  side.rect([a, -d.v / 2], [length.v - b, d.v / 2], [d, length]);
  // An elbow stands up where it turns its lead aside.
  if (bent('source')) side.rect([0, -plug / 2], [plug, long]);
  else side.rect([0, -plug / 2], [long, plug / 2]);
  if (bent('device')) side.rect([length.v - plug, -plug / 2], [length.v, long], [length]);
  else side.rect([length.v - long, -plug / 2], [length.v, plug / 2], [length]);
  if (pen.says('coiled') === true) {
    side.note('stretches', [length.v / 2, 1.6 * d.v]);
    const turn = Math.max(2 * d.v, length.v / 30);
    for (let x = length.v / 3; x < (2 * length.v) / 3; x += turn)
      side.rect([x, -1.6 * d.v], [x + turn / 2, 1.6 * d.v], [], 'inner');
  }
  side.across(length, 0, length.v, 'below', -plug / 2);
  side.up(d, -d.v / 2, d.v / 2, 'right', length.v);
  side.note('copper', [length.v / 3, d.v / 2]);
  side.note('mass', [(2 * length.v) / 3, d.v / 2]);
};

/** A charger has no size that matters: the shape it is known by, its bays, what each gives. */
const charger: DrawFigure = (pen) => {
  const side = pen.view('side');
  side.outline([
    [0, 0],
    [120, 0],
    [120, 34],
    [112, 40],
    [8, 40],
    [0, 34],
  ]);
  for (const x of [14, 64]) side.rect([x, 12], [x + 42, 34], [], 'inner');
  side.note('bays', [35, 23], 'left');
  side.note('bayWatts', [85, 23], 'right');
};

/** A brick with its lead to the wall; its outlets have their own places at its front. */
const mainsUnit: DrawFigure = (pen) => {
  const side = pen.view('side');
  side.outline([
    [0, 0],
    [150, 0],
    [150, 52],
    [144, 60],
    [6, 60],
    [0, 52],
  ]);
  side.rect([-18, 22], [0, 38], [], 'inner');
  side.rect([-64, 27], [-18, 33], [], 'inner');
  side.note('mass', [75, 60]);
};

export const figures = { lead, charger, 'mains-unit': mainsUnit } satisfies Record<
  keyof typeof kinds,
  DrawFigure
>;
