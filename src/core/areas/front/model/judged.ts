import type { Frame } from '../../../kit/types';
import { type Rectangle, frameOnChip } from '../../../optics/coverage';
import type { Built } from '../../../build/build';
import { framingSqueeze } from '../../../build/circle';
import type { Verdict } from '../../../checks/finding';
import type { Situation } from './situations';
import type { Direction } from '../../../pupil/inverse';

/** Corners of a rectangle in the picture, in the order in which they are read. */
export const CORNERS = ['top left', 'top right', 'bottom left', 'bottom right'] as const;

/** A rectangle of the chip that is judged: a delivery frame, or the whole chip. */
export interface Judged {
  id: string;
  name: string;
  frame: Frame | null;
  rectangle: (mode: { w: number; h: number }) => Rectangle;
}

/** What the whole chip is called among the frames. */
export const CHIP = 'chip';

/** The frame to show for a finding that is lit, if it speaks of what a frame loses. */
export function frameFor(finding: Pick<Verdict, 'id' | 'frame'> | null): string | null {
  return finding?.id === 'front.vignette' ? (finding.frame ?? CHIP) : null;
}

/** Every delivery frame, then the chip. */
export function judgedFrames(built: Pick<Built, 'frames' | 'squeeze'>): Judged[] {
  const s = framingSqueeze(built);
  return [
    ...built.frames.map((frame) => ({
      id: frame.id,
      name: frame.name,
      frame,
      rectangle: (mode: { w: number; h: number }) => frameOnChip(frame, mode, s),
    })),
    {
      id: CHIP,
      name: 'chip',
      frame: null,
      rectangle: (mode: { w: number; h: number }) => ({ ...mode, x: 0, y: 0 }),
    },
  ];
}

/** Ray directions of the four corners, in the order of {@link CORNERS}. */
export function cornerDirections(
  sit: Situation,
  x: readonly number[],
  r: Rectangle,
): [Direction, Direction, Direction, Direction] {
  const left = r.x - r.w / 2;
  const right = r.x + r.w / 2;
  const top = r.y + r.h / 2;
  const bottom = r.y - r.h / 2;
  return [
    sit.direction(x, left, top),
    sit.direction(x, right, top),
    sit.direction(x, left, bottom),
    sit.direction(x, right, bottom),
  ];
}

/**
 * {@link cornerDirections} of a rectangle as a function of the inputs of a situation. Those of the
 * front leave the corners where they are: while only they move, the same ones come back.
 */
export function cornersOf(sit: Situation, judged: Judged): (x: readonly number[]) => Corners {
  const from = sit.frontInputs;
  const before: number[] = [];
  let last: Corners | null = null;
  return (x) => {
    let same = last !== null;
    for (let i = from; i < x.length; i++)
      if (before[i - from] !== x[i]) {
        before[i - from] = x[i]!;
        same = false;
      }
    if (!same) last = cornerDirections(sit, x, judged.rectangle(sit.mode(x)));
    return last!;
  };
}

export type Corners = ReturnType<typeof cornerDirections>;
