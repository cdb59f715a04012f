import type { Built } from '../../../build/build';
import type { Frame } from '../../../kit/types';
import { chipCircle, modeSize, frameCorner } from '../../../build/circle';
import { spread } from '../../../quantity/spread';
import { type Judgement, judge } from '../../../checks/judge';
import type { Verdict } from '../../../checks/finding';
import { ruleBasis } from '../../../rules/names';
import { plain, exact, rangeMm } from '../../../quantity/say';

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
  return `image circle at the chip D = ${exact(s.value, 2)} mm (${rangeMm(s.lo, s.hi)}) from ${parts}`;
}
