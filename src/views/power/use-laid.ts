import { useCallback, useMemo } from 'react';
import {
  laidNarrow,
  laidOut,
  shapeOf,
  type Laid,
  type TreeShape,
} from '@/core/areas/power/model/layout';
import type { Tree } from '@/core/areas/power/model/tree';
import { useAnswer } from '@/views/bench/use-answer';

/** Up to so many boxes are laid out here at once; more take longer than a frame, and a worker does it. */
const FEW = 16;

/**
 * Where the boxes of a tree stand: laid out anew only when its shape is another.
 *
 * @param narrow how wide it may be on a phone, px; null where there is room to both sides
 * @returns null until a large tree is laid out, and why where that went wrong
 */
export function useLaid(
  tree: Tree,
  narrow: number | null,
): { laid: Laid | null; trouble: string | null } {
  const key = useMemo(() => JSON.stringify(shapeOf(tree)), [tree]);
  const shape = useMemo(() => JSON.parse(key) as TreeShape, [key]);
  const here = useMemo(
    () =>
      narrow !== null
        ? laidNarrow(shape, narrow)
        : shape.nodes.length <= FEW
          ? laidOut(shape)
          : null,
    [shape, narrow],
  );
  const there = here === null;
  const ask = useCallback(
    async () => (there ? (await import('@/workers/rig')).layTree(shape) : null),
    [there, shape],
  );
  const { answer, trouble } = useAnswer(key, ask);
  return { laid: here ?? answer, trouble };
}
