import { type Generator, candidate } from '../../../checks/candidate';
import { frontOf } from '../place/front';
import { pushedBack, flagsUp, masks, heights, otherBoxes, boxOff } from './box';
import { otherRoundFilters, platesInstead, otherRings, offTheThread } from './thread';
import { stagesOut } from './trays';
import { cleanScale } from '../model/shading';
import { scaleFrame } from '../../coverage/moves/picture';

/** Everything that opens the way of a beam: rings, filters, stages, mask, flags, the box itself. */
export const vignette: Generator = (built, finding) => {
  if (finding.id !== 'front.vignette') return [];
  const front = frontOf(built);
  const list = [
    ...pushedBack(built, front),
    ...flagsUp(built, front),
    ...otherRoundFilters(built, front),
    ...platesInstead(built, front),
    ...otherRings(built, front),
    ...stagesOut(built, front),
    ...masks(built, front),
    ...(front.box?.box.attach === 'rods' ? heights(built) : []),
    ...offTheThread(built, front, 5),
    ...otherBoxes(built, 6),
    ...boxOff(built, front),
  ];
  const frame = built.frames.find((f) => f.id === finding.frame);
  if (frame) {
    const clean = cleanScale(built, frame, built.rules['front.vignette-tight']);
    // Rounded down to a tenth of a per cent, with a little left for the tolerances.
    const scale = clean === null ? null : Math.floor(clean * 985) / 1000;
    if (scale !== null && scale > 0.4 && scale < (frame.scale ?? 1))
      list.push(candidate(scaleFrame(built.rig, frame, scale), 0, 7, 'scale'));
  }
  return list;
};
