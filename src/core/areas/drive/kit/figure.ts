import type { DrawFigure, FigurePen } from '../../../engine/figure';
import { rodSystem } from '../../rods/kit/systems';
import { MODULE, tipDiameter } from './gears';
import type { kinds } from './kinds';

const gearRing: DrawFigure = (pen) => {
  const style = pen.says('style');
  const teeth = pen.size('teeth', 110);
  const pitch = pen.size('module', MODULE);
  const tip = tipDiameter(teeth.v, pitch.v) / 2;
  const w = pen.size('width', 10);
  const front = pen.view('front');
  front.circle([0, 0], tip, [teeth]);
  front.circle([0, 0], tip - 2.25 * pitch.v, [teeth], 'inner');
  const one = style === 'split' || style === 'strap' ? ['from', 'to'] : ['bore'];
  for (const key of one) {
    const b = pen.size(key, 2 * tip - 14);
    front.circle([0, 0], b.v / 2, [b], key === 'from' ? 'moves' : 'part');
    front.across(b, -b.v / 2, b.v / 2, key === 'from' ? 'above' : 'below', 0);
  }
  front.note('teeth', [0, tip]);
  if (style === 'split' || style === 'strap') {
    const lump = pen.size('lump', 8);
    const long = pen.size('lumpLength', 16);
    front.rect([-long.v / 2, tip], [long.v / 2, tip + lump.v], [lump, long]);
    front.up(lump, tip, tip + lump.v, 'right', long.v / 2);
    front.across(long, -long.v / 2, long.v / 2, 'above', tip + lump.v);
  }
  const side = pen.view('side');
  side.rect([0, -tip], [w.v, tip], [w, teeth]);
  side.across(w, 0, w.v, 'below', -tip);
  side.note('mass', [w.v / 2, tip]);
};

/** From the front: the pivot on its rod, the arm drawn out, the gear and the box at its end. */
const drive: DrawFigure = (pen) => {
  const system = rodSystem(pen.says('rods') as string | undefined);
  const across = pen.size('pivotAcross', (system?.centres ?? 60) / 2);
  const up = pen.size('pivotUp', 0);
  const [from, to] = [pen.size('armFrom', 40), pen.size('armTo', 80)];
  const arm = pen.size('armWidth', 16);
  const [w, h, d] = [pen.size('width', 45), pen.size('height', 70), pen.size('depth', 35)];
  const teeth = pen.size('gearTeeth', 40);
  const tip = tipDiameter(teeth.v, pen.size('module', MODULE).v) / 2;
  const front = pen.view('front');
  // It is drawn at camera right, which is at the left of the sheet.
  const u = -across.v;
  const r = (system?.rod ?? 15) / 2;
  front.circle([u, 0], r, [across], 'inner');
  front.line(
    [
      [0, -r - 10],
      [0, up.v + to.v],
    ],
    [],
    'axis',
  );
  front.rect(
    [u - w.v / 2, up.v + to.v - h.v / 2],
    [u + w.v / 2, up.v + to.v + h.v / 2],
    [w, h, to],
  );
  if (arm.v > 0)
    front.rect([u - arm.v / 2, up.v - 6], [u + arm.v / 2, up.v + to.v], [arm, to, up], 'inner');
  front.circle([u, up.v + to.v], tip, [teeth, to]);
  front.circle([u, up.v + from.v], tip, [teeth, from], 'moves');
  front.across(across, u, 0, 'below', -r);
  front.across(w, u - w.v / 2, u + w.v / 2, 'above', up.v + to.v + h.v / 2);
  front.up(h, up.v + to.v - h.v / 2, up.v + to.v + h.v / 2, 'left', u - w.v / 2);
  front.up(from, up.v, up.v + from.v, 'right', u);
  front.up(to, up.v, up.v + to.v, 'right', u);
  front.up(up, Math.min(0, up.v), Math.max(0, up.v), 'left', u);
  front.note('gearTeeth', [u + tip, up.v + to.v], 'right');
  front.note('mass', [u, up.v + to.v + h.v / 2], 'right');
  fromTheSide(pen, up.v, to.v, tip, { h: h.v, d: d.v, r });
};

/** Clamp, gear and box along the rods: the middle of the clamp at 0. */
function fromTheSide(
  pen: FigurePen,
  up: number,
  to: number,
  tip: number,
  { h, d, r }: { h: number; d: number; r: number },
): void {
  const clamp = pen.size('clampLength', 25);
  const ahead = pen.size('gearAhead', 0);
  const behind = pen.size('boxBehind', 8);
  const gear = pen.size('gearWidth', 8);
  const depth = pen.size('depth', d);
  const side = pen.view('side');
  const g = ahead.v;
  side.line(
    [
      [-60, 0],
      [60, 0],
    ],
    [],
    'axis',
  );
  side.rect([-clamp.v / 2, -r - 4], [clamp.v / 2, r + 4], [clamp]);
  side.rect(
    [g - behind.v - depth.v, up + to - h / 2],
    [g - behind.v, up + to + h / 2],
    [ahead, behind, depth],
  );
  side.rect([g - gear.v / 2, up + to - tip], [g + gear.v / 2, up + to + tip], [gear, ahead]);
  side.across(clamp, -clamp.v / 2, clamp.v / 2, 'below', -r - 4);
  side.across(ahead, Math.min(0, g), Math.max(0, g), 'below', 0);
  side.across(behind, g - behind.v, g, 'above', up + to + tip);
  side.across(gear, g - gear.v / 2, g + gear.v / 2, 'above', up + to + tip);
  side.across(depth, g - behind.v - depth.v, g - behind.v, 'above', up + to + h / 2);
}

const driveArm: DrawFigure = (pen) => {
  const [ahead, longer] = [pen.size('ahead', 30), pen.size('longer', 25)];
  const side = pen.view('side');
  side.circle([0, 0], 6);
  side.circle([ahead.v, longer.v], 6, [ahead, longer]);
  const flat = Math.hypot(ahead.v, longer.v) || 1;
  const [nu, nv] = [(-4 * longer.v) / flat, (4 * ahead.v) / flat];
  side.outline(
    [
      [nu, nv],
      [-nu, -nv],
      [ahead.v - nu, longer.v - nv],
      [ahead.v + nu, longer.v + nv],
    ],
    [ahead, longer],
  );
  side.across(ahead, 0, ahead.v, 'below', -6);
  side.up(longer, 0, longer.v, 'left', -6);
  side.note('mass', [ahead.v / 2, longer.v / 2]);
};

export const figures = {
  'gear-ring': gearRing,
  'follow-focus': drive,
  motor: drive,
  'drive-arm': driveArm,
} satisfies Record<keyof typeof kinds, DrawFigure>;
