import type { DrawFigure, FigurePen, Pt, Size, ViewPen } from '../../../engine/figure';
import { fixtures } from '../../joints/kit/figure-fixtures';
import { tipDiameter } from '../../drive/kit/gears';
import type { kinds } from './kinds';

/** What is not known is drawn as a middling piece has it, mm. Common practice, no source. */
const BODY = { width: 130, height: 100, depth: 80, base: 50, flange: 18, mount: 27 };

/** From the side the mount face is at 0 and the axis along u; from the front the axis is at 0. */
const body: DrawFigure = (pen) => {
  const w = pen.size('width', BODY.width);
  const h = pen.size('height', BODY.height);
  const d = pen.size('depth', BODY.depth);
  const base = pen.size('axisToBase', BODY.base);
  const flange = pen.size('flange', BODY.flange);
  const cavity = pen.size('cavityDepth', Math.min(flange.v, d.v) * 0.8);
  const centre = pen.size('centreOfGravity', d.v * 0.45);
  const [low, high] = [-base.v, h.v - base.v];
  const side = pen.view('side');
  side.rect([-d.v, low], [0, high], [d, h, base]);
  side.rect([-cavity.v, -BODY.mount * 0.8], [0, BODY.mount * 0.8], [cavity], 'inner');
  side.line(
    [
      [-d.v - 8, 0],
      [22, 0],
    ],
    [],
    'axis',
  );
  side.line(
    [
      [-flange.v, low * 0.7],
      [-flange.v, high * 0.7],
    ],
    [flange],
    'axis',
  );
  side.across(d, -d.v, 0, 'below', low);
  side.across(flange, -flange.v, 0, 'above', high);
  side.across(cavity, -cavity.v, 0, 'above', BODY.mount * 0.8);
  if (pen.has('reducerDepth') || pen.open === 'reducerDepth') {
    const r = pen.size('reducerDepth', cavity.v);
    side.across(r, -r.v, 0, 'above', BODY.mount * 0.8);
  }
  side.up(base, low, 0, 'right', 0);
  side.up(h, low, high, 'left', -d.v);
  gravity(side, [-centre.v, 0], centre);
  side.across(centre, -centre.v, 0, 'below', 0);
  side.note('mass', [-centre.v, 0]);
  const front = pen.view('front');
  front.rect([-w.v / 2, low], [w.v / 2, high], [w, h, base]);
  front.circle([0, 0], BODY.mount, [], 'inner');
  front.across(w, -w.v / 2, w.v / 2, 'below', low);
  chip(pen, front);
  screen(pen, w, front, side);
  fixtures(pen, { x: [-w.v / 2, w.v / 2], y: [low, high], z: [-d.v, 0] });
};

/** The part of the chip that a mode uses, in the mount. */
function chip(pen: FigurePen, front: ViewPen): void {
  const rows = pen.rows('modes');
  const row = rows.find((r) => r.join('/') === pen.open) ?? rows[0];
  if (!row) return;
  const [w, h] = [pen.size([...row, 'w'], 36), pen.size([...row, 'h'], 24)];
  front.rect([-w.v / 2, -h.v / 2], [w.v / 2, h.v / 2], [w, h], 'inner');
  front.across(w, -w.v / 2, w.v / 2, 'above', h.v / 2);
  front.up(h, -h.v / 2, h.v / 2, 'right', w.v / 2);
  for (const r of rows) front.grip(r, String(pen.says([...r, 'name']) ?? 'mode'), [0, 0]);
}

/** A screen that folds out, as it stands then. */
function screen(pen: FigurePen, w: Size, front: ViewPen, side: ViewPen): void {
  const where = pen.says('screenSide');
  if (where !== 'left' && where !== 'right') return;
  const [long, tall] = [pen.size('screenLength', 75), pen.size('screenHeight', 55)];
  const up = pen.size('screenUp', 0);
  const hinge = pen.size('screenHinge', 60);
  // From the front camera left is at the right of the sheet.
  const sign = where === 'left' ? 1 : -1;
  const [u0, u1] = [(sign * w.v) / 2, sign * (w.v / 2 + long.v)];
  front.rect([u0, up.v - tall.v / 2], [u1, up.v + tall.v / 2], [long, tall, up, w], 'moves');
  front.across(long, Math.min(u0, u1), Math.max(u0, u1), 'above', up.v + tall.v / 2);
  const beside = sign > 0 ? 'right' : 'left';
  front.up(tall, up.v - tall.v / 2, up.v + tall.v / 2, beside, u1);
  front.up(up, Math.min(0, up.v), Math.max(0, up.v), beside, u1);
  side.line(
    [
      [-hinge.v, up.v - tall.v / 2],
      [-hinge.v, up.v + tall.v / 2],
    ],
    [hinge, up, tall],
    'moves',
  );
  side.across(hinge, -hinge.v, 0, 'below', up.v - tall.v / 2);
}

/** Where it balances: a cross in a circle. */
export function gravity(view: ViewPen, [u, v]: Pt, by: Size): void {
  view.circle([u, v], 3, [by], 'inner');
  view.line(
    [
      [u - 3, v],
      [u + 3, v],
    ],
    [by],
  );
  view.line(
    [
      [u, v - 3],
      [u, v + 3],
    ],
    [by],
  );
}

/** From the flange at 0 to the front rim; the axis along u. */
const lens: DrawFigure = (pen) => {
  const d = pen.size('frontDiameter', 80);
  const length = pen.size('length', Math.max(60, d.v));
  const rear = pen.size('rearProtrusion', 5);
  const rearD = pen.size('rearDiameter', Math.min(40, d.v * 0.5));
  const clear = pen.size('frontClear', d.v * 0.8);
  const side = pen.view('side');
  side.line(
    [
      [-rear.v - 10, 0],
      [length.v + 15, 0],
    ],
    [],
    'axis',
  );
  side.rect([-rear.v, -rearD.v / 2], [0, rearD.v / 2], [rear, rearD]);
  const radius = barrel(pen, side, length, d);
  rings(pen, side, radius);
  side.across(length, 0, length.v, 'below', -d.v / 2);
  side.across(rear, -rear.v, 0, 'below', -rearD.v / 2);
  side.diameter(rearD, 'left', -rear.v);
  side.diameter(d, 'right', length.v);
  thread(pen, side, length.v, d);
  side.diameter(clear, 'right', length.v);
  pupil(pen, side, length);
  foot(pen, side, radius);
  const centre = pen.size('centreOfGravity', length.v * 0.5);
  gravity(side, [centre.v, 0], centre);
  side.across(centre, 0, centre.v, 'above', 0);
  side.note('mass', [centre.v, 0]);
  const front = pen.view('front');
  front.circle([0, 0], d.v / 2, [d]);
  front.circle([0, 0], clear.v / 2, [clear], 'inner');
  circle(pen, front);
};

/** The circle of the image, about the axis: the first line of its list, or the one that is open. */
function circle(pen: FigurePen, front: ViewPen): void {
  const rows = pen.rows('imageCircle');
  const row = rows.find((r) => r.join('/') === pen.open) ?? rows[0] ?? ['imageCircle', '0'];
  const c = pen.size([...row, 'diameter'], 43);
  front.circle([0, 0], c.v / 2, [c], 'moves');
  front.across(c, -c.v / 2, c.v / 2, 'below', 0);
}

/** The barrel by its outline, or straight as wide as its front; how far it stands off the axis. */
function barrel(pen: FigurePen, side: ViewPen, length: Size, d: Size): (z: number) => number {
  const steps = pen
    .rows('outline')
    .map((r) => ({ z: pen.size([...r, 'z'], 0), d: pen.size([...r, 'd'], d.v) }))
    .sort((a, b) => a.z.v - b.z.v);
  if (steps.length === 0) {
    side.rect([0, -d.v / 2], [length.v, d.v / 2], [length, d]);
    return () => d.v / 2;
  }
  const open = pen.open === 'outline';
  steps.forEach((s, i) => {
    const to = steps[i + 1]?.z ?? length;
    side.rect([s.z.v, -s.d.v / 2], [to.v, s.d.v / 2], [s.z, s.d, to]);
    if (!open) return;
    side.across(s.z, 0, s.z.v, 'below', -s.d.v / 2);
    side.diameter(s.d, 'left', s.z.v);
  });
  side.grip(['outline'], 'barrel outline', [length.v, -d.v / 2]);
  return (z) => (steps.filter((s) => s.z.v <= z).pop() ?? steps[0]!).d.v / 2;
}

/** Rings that are driven, by their teeth where those are cut in. */
function rings(pen: FigurePen, side: ViewPen, radius: (z: number) => number): void {
  for (const row of pen.rows('rings')) {
    const z = pen.size([...row, 'z'], 30);
    const w = pen.size([...row, 'width'], 10);
    const teeth = pen.size([...row, 'teeth'], 0);
    const bare = pen.size([...row, 'diameter'], 2 * radius(z.v) + 1);
    const name = `${String(pen.says([...row, 'turns']) ?? '')} ring`;
    const pitch = pen.size([...row, 'module'], 0.8);
    const r = (teeth.known ? tipDiameter(teeth.v, pitch.v) : bare.v) / 2;
    const by = [z, w, ...(teeth.known ? [] : [bare])];
    side.rect([z.v - w.v / 2, -r], [z.v + w.v / 2, r], by);
    if (teeth.known) {
      const root = r - 2.25 * pitch.v;
      for (const v of [root, -root])
        side.line([
          [z.v - w.v / 2, v],
          [z.v + w.v / 2, v],
        ]);
    }
    side.grip(row, name, [z.v, r]);
    side.across(z, 0, z.v, 'above', r);
    if (pen.open !== row.join('/')) continue;
    side.across(w, z.v - w.v / 2, z.v + w.v / 2, 'above', r);
    side.diameter(bare, 'left', z.v);
    for (const key of ['teeth', 'throw', 'torque']) side.note([...row, key], [z.v, r]);
  }
}

function thread(pen: FigurePen, side: ViewPen, at: number, d: Size): void {
  const t = pen.size('filterThread', d.v - 4);
  if (!t.known && pen.says('squeeze') !== undefined) return;
  for (const sign of [1, -1])
    side.line(
      [
        [at - 4, (sign * t.v) / 2],
        [at, (sign * t.v) / 2],
      ],
      [t],
    );
  side.diameter(t, 'right', at);
}

/** Where the iris appears, seen from the front. */
function pupil(pen: FigurePen, side: ViewPen, length: Size): void {
  const row = pen.rows('pupil')[0] ?? ['pupil', '0'];
  const behind = pen.size([...row, 'behind'], length.v * 0.35);
  const at = length.v - behind.v;
  for (const sign of [1, -1])
    side.line(
      [
        [at, sign * 3],
        [at, sign * 14],
      ],
      [behind],
      'moves',
    );
  side.across(behind, at, length.v, 'below', 0);
}

function foot(pen: FigurePen, side: ViewPen, radius: (z: number) => number): void {
  if (!['footAt', 'footLength', 'footDown'].some((k) => pen.has(k))) return;
  const [at, long] = [pen.size('footAt', 50), pen.size('footLength', 60)];
  const down = pen.size('footDown', radius(at.v) + 25);
  const [u0, u1] = [at.v - long.v / 2, at.v + long.v / 2];
  side.rect([u0, -down.v], [u1, -down.v + 6], [at, long, down]);
  side.rect([at.v - long.v / 6, -down.v + 6], [at.v + long.v / 6, -radius(at.v)], [at, down]);
  side.across(at, 0, at.v, 'below', -down.v);
  side.across(long, u0, u1, 'below', -down.v);
  side.up(down, -down.v, 0, 'left', 0);
}

export const figures = { body, lens } satisfies Record<keyof typeof kinds, DrawFigure>;
