import type { DrawFigure, Pt, Size, ViewPen } from '../../../engine/figure';
import { fixtures } from '../../joints/kit/figure-fixtures';
import type { kinds } from './kinds';
import { FITTING_KINDS, type FittingKind } from './parts';
import { silhouetteOf, type Line } from './silhouettes';

/** A part that stands against the camera: its block, and in it what its kind is recognised by. */
const fitted =
  (kind: string): DrawFigure =>
  (pen) => {
    const [w, h, d] = [pen.size('width', 60), pen.size('height', 60), pen.size('depth', 60)];
    const own = silhouetteOf(kind);
    const side = pen.view('side');
    sketch(side, own.side, [0, 0], [d.v, h.v], [d, h]);
    side.across(d, 0, d.v, 'below', 0);
    side.up(h, 0, h.v, 'left', 0);
    side.note('mass', [d.v / 2, h.v / 2]);
    const front = pen.view('front');
    sketch(front, own.front, [-w.v / 2, 0], [w.v, h.v], [w, h]);
    front.across(w, -w.v / 2, w.v / 2, 'below', 0);
    if (pen.has('clampLength')) {
      const c = pen.size('clampLength', 25);
      side.rect([d.v / 2 - c.v / 2, -6], [d.v / 2 + c.v / 2, 0], [c, d], 'inner');
      side.across(c, d.v / 2 - c.v / 2, d.v / 2 + c.v / 2, 'below', -6);
    }
    fixtures(pen, { x: [-w.v / 2, w.v / 2], y: [0, h.v], z: [0, d.v] });
  };

function sketch(view: ViewPen, lines: readonly Line[], at: Pt, size: Pt, by: readonly Size[]) {
  const on = ([u, v]: Pt): Pt => [at[0] + u * size[0], at[1] + v * size[1]];
  for (const l of lines) {
    const points = l.points.map(on);
    if (l.r !== undefined) view.circle(points[0]!, l.r * Math.min(size[0], size[1]), by, 'inner');
    else if (l.open) view.line(points, by);
    else view.outline(points, by, l.inner ? 'inner' : 'part');
  }
}

/** From the front the room inside; from the side the mount face at 0. */
const cage: DrawFigure = (pen) => {
  const [wall, bottom] = [pen.size('wall', 8), pen.size('bottom', 10)];
  const [iw, ih] = [pen.size('innerWidth', 130), pen.size('innerHeight', 95)];
  const [d, back] = [pen.size('depth', 70), pen.size('frontBack', 0)];
  const open = (side: string) => pen.says(`open${side}`) === true;
  const front = pen.view('front');
  const half = iw.v / 2;
  // From the front camera right is at the left.
  const u0 = open('Right') ? -half : -half - wall.v;
  const u1 = open('Left') ? half : half + wall.v;
  const v0 = open('Bottom') ? 0 : -bottom.v;
  const v1 = open('Top') ? ih.v : ih.v + wall.v;
  if (!open('Bottom')) front.rect([u0, v0], [u1, 0], [bottom, iw]);
  if (!open('Top')) front.rect([u0, ih.v], [u1, v1], [wall, iw, ih]);
  if (!open('Right')) front.rect([u0, v0], [-half, v1], [wall, iw, ih]);
  if (!open('Left')) front.rect([half, v0], [u1, v1], [wall, iw, ih]);
  front.across(iw, -half, half, 'above', ih.v);
  front.up(ih, 0, ih.v, 'right', half);
  front.across(wall, half, half + wall.v, 'below', v0);
  front.up(bottom, -bottom.v, 0, 'left', u0);
  const side = pen.view('side');
  side.rect([-back.v - d.v, v0], [-back.v, v1], [d, ih]);
  side.line(
    [
      [0, v0 - 6],
      [0, v1 + 6],
    ],
    [],
    'axis',
  );
  side.across(d, -back.v - d.v, -back.v, 'below', v0);
  side.across(back, -back.v, 0, 'above', v1);
  side.note('mass', [-back.v - d.v / 2, v1]);
  fixtures(pen, { x: [-u1, -u0], y: [v0, v1], z: [-back.v - d.v, -back.v] });
};

const rod: DrawFigure = (pen) => {
  const [w, d] = [pen.size('width', 15), pen.size('depth', 200)];
  const side = pen.view('side');
  side.rect([0, -w.v / 2], [d.v, w.v / 2], [w, d]);
  side.line(
    [
      [-8, 0],
      [d.v + 8, 0],
    ],
    [],
    'axis',
  );
  side.across(d, 0, d.v, 'below', -w.v / 2);
  side.note('mass', [d.v / 2, w.v / 2]);
  const front = pen.view('front');
  front.circle([0, 0], w.v / 2, [w]);
  front.across(w, -w.v / 2, w.v / 2, 'below', -w.v / 2);
  fixtures(pen, { x: [-w.v / 2, w.v / 2], y: [-w.v / 2, w.v / 2], z: [0, d.v] });
};

export const figures = {
  ...(Object.fromEntries(FITTING_KINDS.map((k) => [k, fitted(k)])) as Record<
    FittingKind,
    DrawFigure
  >),
  cage,
  rod,
} satisfies Record<keyof typeof kinds, DrawFigure>;
