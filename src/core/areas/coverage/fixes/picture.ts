import { type Generator, type Candidate, candidate } from '../../../checks/candidate';
import { coveredScale } from '../model/covered';
import { scaleFrame, putFrame, setMode, takeFrame } from '../moves/picture';
import { ASPECTS } from '../../../optics/formats';

/** Nobody who frames for 2.39 takes 1.33 instead: aspects are offered up to this ratio apart. */
const FARTHEST_ASPECT = Math.log(1.5);

/** Checks that ask whether the circle reaches. */
export const coverageIds = new Set(['coverage.frame', 'coverage.chip', 'coverage.reducer-exit']);

/** The frame smaller, or another aspect that keeps the lie of the picture. */
export const otherFrames: Generator = (built, finding) => {
  if (finding.id !== 'coverage.frame') return [];
  // As it is delivered; on the chip it lies as the camera does.
  const frame = built.rig.frames.find((f) => f.id === finding.frame);
  const onChip = built.frames.find((f) => f.id === finding.frame);
  if (!frame || !onChip) return [];
  const list: Candidate[] = [];
  const scale = coveredScale(built, onChip);
  if (scale !== null && scale > 0.25 && scale < (frame.scale ?? 1))
    list.push(candidate(scaleFrame(built.rig, frame, scale), 0, 1, 'scale'));
  // Another aspect keeps the lie of the picture: wide stays wide, upright stays upright.
  const wide = frame.aspect >= 1;
  for (const a of ASPECTS) {
    const step = Math.abs(Math.log(a.aspect / frame.aspect));
    if (step < 0.01 || step > FARTHEST_ASPECT || a.aspect >= 1 !== wide) continue;
    if (built.rig.frames.some((f) => Math.abs(f.aspect - a.aspect) < 0.02)) continue;
    const next = {
      ...frame,
      name: a.name,
      aspect: a.aspect,
      scale: undefined,
      deliver: a.deliver,
    };
    delete next.scale;
    list.push(
      candidate(
        {
          title: `Frame for ${a.name} instead of ${frame.name}`,
          changes: putFrame(built.rig, next).changes,
        },
        0,
        2 + Math.abs(a.aspect - frame.aspect),
        'aspect',
      ),
    );
  }
  return list;
};

/** Another recording mode of the body. */
export const otherModes: Generator = (built, finding) => {
  if (!coverageIds.has(finding.id) && finding.id !== 'coverage.pixels') return [];
  return (built.body?.modes ?? [])
    .filter((m) => m.id !== built.rig.mode)
    .map((m, i) => candidate(setMode(built.rig, m), 0, 1.5 + i * 0.01, 'mode'));
};

/** The frame at its full size, or left out, where it has too few pixels. */
export const dropFrame: Generator = (built, finding) => {
  if (finding.id !== 'coverage.pixels') return [];
  const frame = built.frames.find((f) => f.id === finding.frame);
  if (!frame?.deliver) return [];
  const list: Candidate[] = [];
  if (frame.scale !== undefined && frame.scale < 1)
    list.push(candidate(scaleFrame(built.rig, frame, 1), 0, 0, 'scale'));
  if (built.frames.length > 1) list.push(candidate(takeFrame(built.rig, frame), 0, 9, 'drop'));
  return list;
};
