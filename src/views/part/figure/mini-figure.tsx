import { useMemo } from 'react';
import { figureOf } from '@/core/figure/figures';
import { layOut } from '@/core/figure/layout';
import type { Part } from '@/core/kit/types';
import { FigureShapes } from './lines';

/**
 * A part as small as a word: its first view without numbers.
 *
 * @param scale px a millimetre at most: several that have the same stand to one scale
 */
export function MiniFigure({
  part,
  w = 72,
  h = 44,
  scale = 20,
}: {
  part: Part;
  w?: number;
  h?: number;
  scale?: number;
}) {
  const view = useMemo(() => {
    const figure = figureOf(part);
    const first = figure?.views[0];
    if (!first) return null;
    const bare = { ...first, dimensions: [], notes: [], grips: [] };
    const layout = layOut(
      { views: [bare], block: null },
      { width: w - 4, tall: h - 8, label: { w: 0, h: 0 }, step: 0, most: scale },
    );
    return { layout, view: layout.views[0]! };
  }, [part, w, h, scale]);
  if (!view) return <svg width={w} height={h} aria-hidden="true" />;
  const { layout } = view;
  return (
    <svg
      width={w}
      height={h}
      viewBox={`${-(w - layout.width) / 2} ${-(h - layout.height) / 2} ${w} ${h}`}
      aria-hidden="true"
      className="shrink-0"
    >
      <FigureShapes view={view.view} line={0.7} />
    </svg>
  );
}
