import { figures as coverage } from '../areas/coverage/kit/figure';
import { figures as drive } from '../areas/drive/kit/figure';
import { figures as front } from '../areas/front/kit/figure';
import { figures as joints } from '../areas/joints/kit/figure';
import { figures as mount } from '../areas/mount/kit/figure';
import { figures as media } from '../areas/media/kit/figure';
import { figures as power } from '../areas/power/kit/figure';
import { figures as rods } from '../areas/rods/kit/figure';
import { figures as space } from '../areas/space/kit/figure';
import { figures as support } from '../areas/support/kit/figure';
import type { DrawFigure, Figure } from '../engine/figure';
import { drawFigure } from './draw';
import { isKind, type Kind } from '../kit/fields';
import type { Part } from '../kit/types';
import { figures as carry } from '../areas/carry/kit/figure';

/** How every kind is drawn by itself: a kind without a figure does not compile. */
const FIGURES: Readonly<Record<Kind, DrawFigure>> = {
  ...coverage,
  ...mount,
  ...front,
  ...rods,
  ...drive,
  ...support,
  ...space,
  ...joints,
  ...carry,
  ...power,
  ...media,
};

/**
 * The figure of a part; null for a kind that this version does not compute with.
 *
 * @param open the row of it whose own numbers are drawn, as `rings/focus`
 */
export function figureOf(part: Part, open: string | null = null): Figure | null {
  if (!isKind(part.kind)) return null;
  const all = drawFigure(part, FIGURES[part.kind], open);
  return { ...all, views: all.views.filter((v) => v.shapes.length > 0) };
}
