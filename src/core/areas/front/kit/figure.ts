import type { DrawFigure, FigurePen, Size, ViewPen } from '../../../engine/figure';
import { rodSystem } from '../../rods/kit/systems';
import { fixtures } from '../../joints/kit/figure-fixtures';
import type { kinds } from './kinds';

/** How far a male thread stands out of its ring, mm. Common practice, no source. */
const MALE = 3;

/** A frame about the axis with its threads: it screws in at the left and takes at the right. */
function threaded(pen: FigurePen, usual: number): { front: ViewPen } {
  const male = pen.size('male', usual);
  const female = pen.size('female', male.known ? male.v : usual);
  const outer = pen.size('outerDiameter', Math.max(male.v, female.v) + 3);
  const clear = pen.size('clear', Math.min(male.v, female.v) - 5);
  const thick = pen.size('thickness', 5);
  const side = pen.view('side');
  side.line(
    [
      [-MALE - 8, 0],
      [thick.v + 10, 0],
    ],
    [],
    'axis',
  );
  side.rect([-MALE, -male.v / 2], [0, male.v / 2], [male]);
  side.rect([0, -outer.v / 2], [thick.v, outer.v / 2], [outer, thick]);
  side.rect([0, -clear.v / 2], [thick.v, clear.v / 2], [clear, thick], 'inner');
  for (const sign of [1, -1])
    side.line(
      [
        [Math.max(0, thick.v - MALE), (sign * female.v) / 2],
        [thick.v, (sign * female.v) / 2],
      ],
      [female, thick],
    );
  side.diameter(male, 'left', -MALE);
  side.across(thick, 0, thick.v, 'below', -outer.v / 2);
  side.diameter(clear, 'right', thick.v);
  side.diameter(female, 'right', thick.v);
  side.diameter(outer, 'right', thick.v);
  side.note('mass', [thick.v / 2, outer.v / 2]);
  const front = pen.view('front');
  front.circle([0, 0], outer.v / 2, [outer]);
  front.circle([0, 0], clear.v / 2, [clear], 'inner');
  return { front };
}

const ring: DrawFigure = (pen) => {
  const { front } = threaded(pen, 82);
  const clamp = pen.size('clamp', 95);
  if (!clamp.known && pen.has('female')) return;
  front.circle([0, 0], clamp.v / 2, [clamp]);
  front.across(clamp, -clamp.v / 2, clamp.v / 2, 'below', 0);
};

const filter: DrawFigure = (pen) => {
  const shape = pen.says('shape');
  if (shape !== 'rectangle' && shape !== 'round') {
    threaded(pen, 77);
    return;
  }
  const thick = pen.size('thickness', 4);
  const d = pen.size('diameter', 138);
  const [w, h] = shape === 'round' ? [d, d] : [pen.size('width', 100), pen.size('height', 100)];
  const front = pen.view('front');
  if (shape === 'round') {
    front.circle([0, 0], d.v / 2, [d]);
    front.across(d, -d.v / 2, d.v / 2, 'below', 0);
    const clear = pen.size('clear', d.v - 6);
    front.circle([0, 0], clear.v / 2, [clear], 'inner');
    front.across(clear, -clear.v / 2, clear.v / 2, 'below', 0);
  } else {
    front.rect([-w.v / 2, -h.v / 2], [w.v / 2, h.v / 2], [w, h]);
    front.across(w, -w.v / 2, w.v / 2, 'below', -h.v / 2);
    front.up(h, -h.v / 2, h.v / 2, 'left', -w.v / 2);
  }
  const side = pen.view('side');
  side.rect([0, -h.v / 2], [thick.v, h.v / 2], [thick, h]);
  side.across(thick, 0, thick.v, 'below', -h.v / 2);
  side.note('mass', [thick.v / 2, h.v / 2], 'right');
};

/** From its back at 0 to its mouth; the axis along u. */
const matteBox: DrawFigure = (pen) => {
  const mouth = pen.size('mouthZ', 90);
  const [w, h] = [pen.size('width', 170), pen.size('height', 130)];
  const [mw, mh] = [pen.size('mouthW', w.v * 0.85), pen.size('mouthH', h.v * 0.8)];
  const opening = pen.size('opening', 114);
  const side = pen.view('side');
  side.line(
    [
      [-15, 0],
      [mouth.v + 25, 0],
    ],
    [],
    'axis',
  );
  side.outline(
    [
      [0, -h.v / 2],
      [mouth.v, -h.v / 2],
      [mouth.v, h.v / 2],
      [0, h.v / 2],
    ],
    [mouth, h],
  );
  stages(pen, side);
  side.across(mouth, 0, mouth.v, 'below', -h.v / 2);
  side.diameter(opening, 'left', 0);
  side.line(
    [
      [0, -opening.v / 2],
      [0, opening.v / 2],
    ],
    [opening],
  );
  side.diameter(mh, 'right', mouth.v);
  side.up(h, -h.v / 2, h.v / 2, 'left', 0);
  flags(pen, side, h);
  rodsUnder(pen, side, h);
  side.note('mass', [mouth.v / 2, h.v / 2]);
  const front = pen.view('front');
  front.rect([-w.v / 2, -h.v / 2], [w.v / 2, h.v / 2], [w, h]);
  front.rect([-mw.v / 2, -mh.v / 2], [mw.v / 2, mh.v / 2], [mw, mh], 'inner');
  front.circle([0, 0], opening.v / 2, [opening], 'moves');
  front.across(mw, -mw.v / 2, mw.v / 2, 'above', mh.v / 2);
  front.across(w, -w.v / 2, w.v / 2, 'below', -h.v / 2);
  sleeve(pen, side);
  fixtures(pen, { x: [-w.v / 2, w.v / 2], y: [-h.v / 2, h.v / 2], z: [0, mouth.v] });
};

function stages(pen: FigurePen, side: ViewPen): void {
  for (const row of pen.rows('stages')) {
    const z = pen.size([...row, 'z'], 20);
    const [cw, ch] = [pen.size([...row, 'clearW'], 95), pen.size([...row, 'clearH'], 95)];
    side.rect([z.v - 3, -ch.v / 2], [z.v + 3, ch.v / 2], [z, ch], 'inner');
    side.grip(row, String(pen.says([...row, 'name']) ?? 'stage'), [z.v, ch.v / 2]);
    side.across(z, 0, z.v, 'above', ch.v / 2);
    if (pen.open !== row.join('/')) continue;
    side.diameter(ch, 'right', z.v);
    const front = pen.view('front');
    front.rect([-cw.v / 2, -ch.v / 2], [cw.v / 2, ch.v / 2], [cw, ch], 'inner');
    front.across(cw, -cw.v / 2, cw.v / 2, 'below', -ch.v / 2);
  }
}

/** Flags above and below, half open. */
function flags(pen: FigurePen, side: ViewPen, h: Size): void {
  for (const row of pen.rows('flags')) {
    const where = pen.says([...row, 'side']);
    const z = pen.size([...row, 'z'], 80);
    const off = pen.size([...row, 'offset'], h.v / 2);
    const long = pen.size([...row, 'length'], 80);
    const sign = where === 'bottom' ? -1 : 1;
    const at = where === 'left' || where === 'right' ? 0 : sign * off.v;
    const tip: readonly [number, number] = [z.v + long.v * 0.82, at + sign * long.v * 0.57];
    if (at !== 0) side.line([[z.v, at], tip], [z, off, long], 'moves');
    side.grip(row, String(pen.says([...row, 'name']) ?? 'flag'), [z.v, at]);
    if (pen.open !== row.join('/')) continue;
    side.across(z, 0, z.v, 'above', at);
    if (at !== 0) side.up(off, Math.min(0, at), Math.max(0, at), 'right', z.v);
    else {
      // From the front camera left is at the right.
      const u = where === 'left' ? off.v : -off.v;
      const front = pen.view('front');
      front.line(
        [
          [u, -h.v / 2],
          [u, h.v / 2],
        ],
        [off, h],
        'moves',
      );
      front.across(off, Math.min(0, u), Math.max(0, u), 'above', h.v / 2);
    }
    side.across(long, z.v, z.v + long.v, 'above', tip[1]);
  }
}

/** Its bracket and the height of its rods, where it has any. */
function rodsUnder(pen: FigurePen, side: ViewPen, h: Size): void {
  const attach = pen.says('attach');
  if (attach !== 'rods' && attach !== 'both') return;
  const system = rodSystem(pen.says('rods') as string | undefined);
  const height = pen.size('centreHeight', system?.drop ?? 85);
  const clamp = pen.size('clampLength', 30);
  const r = (system?.rod ?? 15) / 2;
  side.rect([0, -height.v - r - 4], [clamp.v, -h.v / 2], [clamp, height, h]);
  side.line(
    [
      [-20, -height.v],
      [clamp.v + 30, -height.v],
    ],
    [height],
    'axis',
  );
  side.up(height, -height.v, 0, 'right', clamp.v);
  side.across(clamp, 0, clamp.v, 'below', -height.v - r - 4);
}

/** What closes the gap to the lens. */
function sleeve(pen: FigurePen, side: ViewPen): void {
  if (!['sleeveFrom', 'sleeveTo', 'sleeveReach'].some((k) => pen.has(k))) return;
  const reach = pen.size('sleeveReach', 20);
  const [from, to] = [pen.size('sleeveFrom', 80), pen.size('sleeveTo', 110)];
  side.outline(
    [
      [0, -to.v / 2],
      [-reach.v, -from.v / 2],
      [-reach.v, from.v / 2],
      [0, to.v / 2],
    ],
    [reach, from, to],
    'moves',
  );
  side.across(reach, -reach.v, 0, 'below', -from.v / 2);
  side.diameter(from, 'left', -reach.v);
  side.diameter(to, 'left', 0);
}

const reductionRing: DrawFigure = (pen) => {
  const [outer, bore] = [pen.size('outer', 114), pen.size('bore', 95)];
  const front = pen.view('front');
  front.circle([0, 0], outer.v / 2, [outer]);
  front.circle([0, 0], bore.v / 2, [bore]);
  front.across(bore, -bore.v / 2, bore.v / 2, 'above', 0);
  front.across(outer, -outer.v / 2, outer.v / 2, 'below', 0);
  front.note('mass', [0, outer.v / 2]);
};

const sleeveOf: DrawFigure = (pen) => {
  const [from, to] = [pen.size('from', 70), pen.size('to', 110)];
  const reach = pen.size('reach', 30);
  const side = pen.view('side');
  side.outline(
    [
      [0, -from.v / 2],
      [reach.v, -to.v / 2],
      [reach.v, to.v / 2],
      [0, from.v / 2],
    ],
    [from, to, reach],
  );
  side.diameter(from, 'left', 0);
  side.diameter(to, 'right', reach.v);
  side.across(reach, 0, reach.v, 'below', -to.v / 2);
  side.note('mass', [reach.v / 2, from.v / 2]);
};

export const figures = {
  ring,
  filter,
  'matte-box': matteBox,
  'reduction-ring': reductionRing,
  sleeve: sleeveOf,
} satisfies Record<keyof typeof kinds, DrawFigure>;
