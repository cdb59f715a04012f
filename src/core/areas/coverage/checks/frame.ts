import { chipCircle, frameCorner, framingSqueeze, modeSize } from '../../../build/circle';
import type { Built } from '../../../build/build';
import { frameOnChip, scaleUp } from '../../../optics/coverage';
import { exact, mm, plain, say, sayRange } from '../../../quantity/say';
import { ruleBasis } from '../../../rules/rules';
import type { Frame } from '../../../kit/types';
import type { Check } from '../../../checks/check';
import { judge, stateOf, type Judgement } from '../../../checks/judge';
import { spread } from '../../../quantity/spread';
import type { Verdict } from '../../../checks/finding';

/**
 * Largest scale at which a frame is covered for sure, by the smallest circle the tolerances
 * allow; 1 when it already is, null when a number is missing.
 */
export function coveredScale(built: Built, frame: Frame): number | null {
  const circle = chipCircle(built);
  const [w, h] = modeSize(built);
  if ([...circle.inputs, w, h].some((g) => g.known === null)) return null;
  // An upper bound promises nothing.
  if (circle.assumed) return null;
  const lo = spread(
    circle.inputs.map((g) => g.known!),
    circle.value,
  ).lo;
  const free = lo / 2 - built.rules['coverage.margin'];
  const corner = frameCorner(built, { ...frame, x: 0, y: 0 })(w.known!.hi, h.known!.hi);
  if (free <= 0 || corner <= 0) return 0;
  const scale = (frame.scale ?? 1) * (free / corner);
  // Down to a tenth of a percent, so that what is offered is really covered.
  return Math.min(frame.scale ?? 1, Math.floor(scale * 1000) / 1000);
}

/**
 * Judges whether the image circle covers a rectangle. When only a reducer's exit circle is
 * missing, the lens alone can still prove a fail: even the best case does not cover.
 */
export function judgeCovered(
  built: Built,
  corner: (w: number, h: number) => number,
  rest: Pick<Judgement, 'id' | 'key' | 'about' | 'frame' | 'why' | 'sum' | 'lacking'>,
): Verdict {
  const [w, h] = modeSize(built);
  const run = (withExit: boolean) => {
    const circle = chipCircle(built, withExit);
    const n = circle.inputs.length;
    return judge({
      ...rest,
      station: 0,
      inputs: [...circle.inputs, w, h],
      margin: (x) => circle.value(x) / 2 - corner(x[n]!, x[n + 1]!),
      wanted: built.rules['coverage.margin'],
      unit: 'mm',
      limit: {
        value: built.rules['coverage.margin'],
        unit: 'mm',
        rule: built.rules['coverage.margin'] > 0 ? 'coverage.margin' : null,
      },
      assumed: circle.assumed,
      basis:
        built.rules['coverage.margin'] > 0 ? `[math] ${ruleBasis('coverage.margin')}` : '[math]',
    });
  };
  const whole = run(true);
  if (whole.state !== 'unknown' || built.reducers.length === 0) return whole;
  const best = run(false);
  return best.state === 'fail' ? best : whole;
}

/** The image circle at the chip with its numbers put in. */
export function circleSum(built: Built): string {
  const circle = chipCircle(built);
  const known = circle.inputs.map((g) => g.known);
  if (known.some((k) => k === null)) return 'image circle at the chip not known';
  const s = spread(
    known.map((k) => k!),
    circle.value,
  );
  const parts = circle.inputs.map((g, i) => `${g.label} ${plain(known[i]!.value)}`).join(', ');
  return `image circle at the chip D = ${exact(s.value, 2)} mm (${sayRange(s.lo, s.hi, 'mm')}) from ${parts}`;
}

export const coverageFrame: Check = {
  id: 'coverage.frame',
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
            : `${whole}: it may or may not cover, ${sayRange(o.lo, o.hi, 'mm')} at the corners. ${left}`;
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
            `margin D/2 - corner = ${exact(o.value, 2)} mm (${sayRange(o.lo, o.hi, 'mm')})`
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
