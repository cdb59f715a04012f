import type { Check } from '../../../checks/check';
import { frameCorner, modeSize, framingSqueeze, chipCircle } from '../../../build/circle';
import { judgeCovered, circleSum, coveredScale } from '../model/covered';
import { mm, exact, say, rangeMm } from '../../../quantity/say';
import { stateOf } from '../../../checks/judge';
import { frameOnChip, scaleUp } from '../../../optics/coverage';
import type { Built } from '../../../build/build';
import type { Frame } from '../../../kit/types';
import { spread } from '../../../quantity/spread';

export const coverageFrame: Check = {
  id: 'coverage.frame',
  ofFrames: true,
  title: 'Delivery frame covered',
  short: 'not covered',
  says: 'Whether the image circle, after the reducer, covers each delivery frame, and what is left when it does not.',
  formula:
    '(min(m D, exit circle) - hypot(w, h)) / 2 at the farthest corner, frame on the unsqueezed chip',
  run(built) {
    const { body, lens, mode } = built;
    if (!body || !lens || !mode) return [];
    const about = [body.id, lens.id, ...built.reducers.map((r) => r.id)];
    return built.frames.map((frame) => {
      const corner = frameCorner(built, frame);
      const [w, h] = modeSize(built);
      return judgeCovered(built, corner, {
        id: 'coverage.frame',
        key: `coverage.frame:${frame.id}`,
        about,
        frame: frame.id,
        why: (o) => {
          const whole = `${lens.name} on the ${frame.name} frame of ${mode.name}`;
          if (o.state === 'ok')
            return `${lens.name} covers the ${frame.name} frame with ${mm(o.value)} to spare at the corners.`;
          const left = whatIsLeft(built, frame);
          if (o.state === 'fail')
            return `${whole}: the corners are ${mm(-o.value)} outside the image circle. ${left}`;
          return stateOf(o.lo, o.hi) === 'ok' && o.lo < built.rules['coverage.margin']
            ? `${whole}: covered with ${mm(o.value)}, less than the ${mm(built.rules['coverage.margin'])} wanted at the corners.`
            : `${whole}: it may or may not cover, ${rangeMm(o.lo, o.hi)} at the corners. ${left}`;
        },
        sum: (o) => {
          const r = frameOnChip(
            frame,
            { w: w.known!.value, h: h.known!.value },
            framingSqueeze(built),
          );
          return (
            `${circleSum(built)}; frame on the chip ${exact(r.w, 2)} x ${exact(r.h, 2)} mm` +
            `, farthest corner ${exact(corner(w.known!.value, h.known!.value), 2)} mm; ` +
            `margin D/2 - corner = ${exact(o.value, 2)} mm (${rangeMm(o.lo, o.hi)})`
          );
        },
        lacking: (missing) =>
          `Nobody can say whether ${lens.name} covers the ${frame.name} frame: ${missing} ${missing.includes(' and ') ? 'are' : 'is'} not known.`,
      });
    });
  },
};

/** What remains of a frame that is not covered: the scaled frame, its size, its pixels, the scale-up. */
function whatIsLeft(built: Built, frame: Frame): string {
  const scale = coveredScale(built, frame);
  const [w, h] = modeSize(built);
  if (!w.known || !h.known) return '';
  if (scale === null || scale <= 0.05) return 'Nothing of it is left that is sure to be clean.';
  const mode = built.mode!;
  const s = framingSqueeze(built);
  const left = frameOnChip(
    { ...frame, scale, x: 0, y: 0 },
    { w: w.known.value, h: h.known.value },
    s,
  );
  const px =
    mode.pxW && mode.pxH
      ? `, ${Math.floor((mode.pxW * left.w) / w.known.value)} x ${Math.floor((mode.pxH * left.h) / h.known.value)} px`
      : '';
  const circle = chipCircle(built);
  const d = spread(
    circle.inputs.map((g) => g.known!),
    circle.value,
  ).value;
  const up = scaleUp(frameOnChip(frame, { w: w.known.value, h: h.known.value }, s), d) * 100;
  return (
    `What is left for sure is the frame at ${say(scale * 100, '%')}: ${exact(left.w, 1)} x ${exact(left.h, 1)} mm${px}` +
    (up > 0.05 ? `; or ${say(up, '%')} scaled up in post.` : '.')
  );
}
